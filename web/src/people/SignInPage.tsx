import type { SessionState } from '@hestian/core'
import { SignIn } from '../job/SignIn'
import { useWho } from '../job/WhoContext'
import { FirmPage } from '../ui/FirmPage'
import { FirstOwner } from './FirstOwner'

/** Nobody is signed in: the way in, or how the first owner is made. */
export function SignInPage() {
  const { door, cameIn } = useWho()
  if (!door) return null
  return (
    <FirmPage>
      {door.firstRun ? <FirstOwner onIn={cameIn} /> : <WayIn door={door} onIn={cameIn} />}
    </FirmPage>
  )
}

const WayIn = ({
  door,
  onIn,
}: {
  readonly door: SessionState
  readonly onIn: () => Promise<void>
}) => (
  <>
    <h1>
      Who is <b>working?</b>
    </h1>
    <p>
      {door.demo.length > 0
        ? 'This is a demo on your own machine: its invented people come in by a press. A firm’s own server asks for a password.'
        : 'Every record, test and signature carries the name of whoever is signed in. Forgotten the password? The owner of the firm gives you a new link.'}
    </p>
    <SignIn door={door} onIn={onIn} />
  </>
)
