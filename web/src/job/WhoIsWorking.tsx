import { lazy, Suspense, useRef, useState } from 'react'
import { Button as AriaButton } from 'react-aria-components'
import styled from 'styled-components'
import { useWho } from './WhoContext'
import { phone } from '../ui/phone'

const WhoMenu = lazy(async () => ({ default: (await import('./WhoMenu')).WhoMenu }))

/** Who is working, and where one says so. */
export function WhoIsWorking() {
  const { person, asking, setAsking } = useWho()
  const trigger = useRef<HTMLButtonElement>(null)
  const [wasOpened, setWasOpened] = useState(false)
  if (asking && !wasOpened) setWasOpened(true)
  return (
    <>
      <Trigger
        ref={trigger}
        aria-haspopup="dialog"
        aria-expanded={asking}
        data-none={person ? undefined : true}
        onPress={() => setAsking(true)}
      >
        {person ? person.name : 'Who is working?'}
      </Trigger>
      {wasOpened && (
        <Suspense>
          <WhoMenu trigger={trigger} />
        </Suspense>
      )}
    </>
  )
}

const Trigger = styled(AriaButton)`
  border: 0;
  background: none;
  padding: 0 16px;
  height: 100%;
  min-height: 44px;
  cursor: pointer;
  font: 400 var(--small)/20px var(--text);
  white-space: nowrap;
  &[data-none] {
    color: var(--ember-ink);
    font-weight: 650;
    text-decoration: underline;
    text-underline-offset: 3px;
  }
  &[data-hovered] {
    background: var(--sunk);
  }
  ${phone} {
    padding: 0 8px;
    max-width: 96px;
    overflow: hidden;
    text-overflow: ellipsis;
    &[data-none] {
      max-width: none;
    }
  }
`
