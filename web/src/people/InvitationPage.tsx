import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { enter } from '../job/enter'
import { Button } from '../ui/Button'
import { DoneForm } from '../ui/DoneRow'
import { FirmPage } from '../ui/FirmPage'
import { SecretField } from '../ui/SecretField'

/** A link of the owner's was opened: a password is chosen, and one is in. */
export function InvitationPage() {
  const client = useQueryClient()
  const navigate = useNavigate()
  const [token] = useState(() => location.hash.slice(1))
  const [password, setPassword] = useState('')
  const [says, setSays] = useState<string>()
  const take = async () => {
    const refused = await enter('/invitation', { token, password })
    setSays(refused)
    if (refused !== undefined) return
    await client.invalidateQueries()
    void navigate('/', { replace: true })
  }
  return (
    <FirmPage>
      <h1>
        You are <b>invited.</b>
      </h1>
      <p>
        Choose a password. From then on you sign in with your name, and what you record carries it.
        The link opens once.
      </p>
      <DoneForm
        onSubmit={(event) => {
          event.preventDefault()
          void take()
        }}
      >
        <SecretField
          label="Password"
          value={password}
          onChange={setPassword}
          autoComplete="new-password"
          hint="At least 10 characters; three words one can remember are good."
        />
        {says && <p role="alert">{says}</p>}
        <Button type="submit" look="go">
          Come in
        </Button>
      </DoneForm>
    </FirmPage>
  )
}
