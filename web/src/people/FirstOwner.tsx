import { useState } from 'react'
import { enter } from '../job/enter'
import { Button } from '../ui/Button'
import { DoneForm } from '../ui/DoneRow'
import { SecretField } from '../ui/SecretField'
import { TextLine } from '../ui/TextLine'

/** The first start: whoever reads what the server printed becomes the owner. */
export function FirstOwner({ onIn }: { readonly onIn: () => Promise<void> }) {
  const [code, setCode] = useState(() => location.hash.slice(1))
  const [name, setName] = useState('')
  const [password, setPassword] = useState('')
  const [says, setSays] = useState<string>()
  return (
    <>
      <h1>
        Nobody works here <b>yet.</b>
      </h1>
      <p>
        The first to come in is the owner: they invite the others, say what each may do, and keep
        their tickets. The server printed a code when it started, so that it is you who sits at it.
        If your name stands in records already, type it as it stands there.
      </p>
      <DoneForm
        onSubmit={(event) => {
          event.preventDefault()
          void enter('/first-run', { code: code.trim(), name, password }).then(async (refused) => {
            setSays(refused)
            if (refused === undefined) await onIn()
          })
        }}
      >
        <TextLine label="Code that the server printed" value={code} onChange={setCode} />
        <TextLine label="Your name" value={name} onChange={setName} autoComplete="username" />
        <SecretField
          label="Password"
          value={password}
          onChange={setPassword}
          autoComplete="new-password"
          hint="At least 10 characters; three words one can remember are good."
        />
        {says && <p role="alert">{says}</p>}
        <Button type="submit" look="go">
          Begin
        </Button>
      </DoneForm>
    </>
  )
}
