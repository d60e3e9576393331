import { useState } from 'react'
import { Dialog, Modal, ModalOverlay } from 'react-aria-components'
import styled from 'styled-components'
import { Button } from '../ui/Button'
import { SignIn } from './SignIn'
import { useWho } from './WhoContext'

/**
 * The session ended under an open page: it stays as it is, what is recorded is kept, and whoever it
 * was signs in again.
 */
export function SignInAgain() {
  const { ended, door, person, cameIn } = useWho()
  const [later, setLater] = useState(false)
  if (!ended || !door || !person) return null
  if (later)
    return (
      <Strip role="alert">
        The session of {person.name} has ended. What is recorded waits here.{' '}
        <Button look="text" onPress={() => setLater(false)}>
          Sign in
        </Button>
      </Strip>
    )
  return (
    <Over isOpen isDismissable={false}>
      <Box>
        <Dialog aria-label="Sign in again">
          <h2>
            The session of <b>{person.name}</b> has ended.
          </h2>
          <p>
            Nothing is lost: what was typed and recorded here is kept, and is sent as soon as{' '}
            {person.name} signs in.
          </p>
          <SignIn door={door} name={person.name} onIn={cameIn} />
          <Button look="text" onPress={() => setLater(true)}>
            Later
          </Button>
        </Dialog>
      </Box>
    </Over>
  )
}

const Over = styled(ModalOverlay)`
  position: fixed;
  inset: 0;
  z-index: 30;
  display: grid;
  place-items: center;
  padding: 16px;
  background: color-mix(in srgb, var(--ink) 30%, transparent);
`
const Box = styled(Modal)`
  width: min(460px, 100%);
  max-height: 92dvh;
  overflow: auto;
  padding: 20px 24px;
  background: var(--sheet);
  border: 1.5px solid var(--ink);
  [role='dialog'] {
    outline: none;
  }
  h2 {
    font: 450 var(--large)/1.2 var(--head);
  }
  p {
    margin-top: 6px;
    color: var(--ink-2);
  }
`
const Strip = styled.div`
  position: sticky;
  top: 0;
  z-index: 20;
  padding: 6px 24px;
  background: var(--sheet);
  border-bottom: 1.5px solid var(--rule);
`
