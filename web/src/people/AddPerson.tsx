import type { Role } from '@hestian/core'
import { roles, roleWords } from '@hestian/core'
import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { newId } from '../api/client'
import { enter } from '../job/enter'
import { useKeptText } from '../job/useKeptText'
import { Button } from '../ui/Button'
import { DoneForm } from '../ui/DoneRow'
import { Choice } from '../ui/Choice'
import { TextLine } from '../ui/TextLine'

export const roleOptions = roles.map((id) => ({ id, text: roleWords[id] }))

/** Somebody new: a name and what they are. Their link and tickets are given on their line. */
export function AddPerson({ onDone }: { readonly onDone: () => void }) {
  const client = useQueryClient()
  const [id] = useState(newId)
  const [name, setName] = useKeptText('new-person')
  const [role, setRole] = useState<Role>('apprentice')
  const [says, setSays] = useState<string>()
  const add = async () => {
    const refused = await enter('/people', { id, name, role })
    setSays(refused)
    if (refused !== undefined) return
    setName('')
    await client.invalidateQueries({ queryKey: ['people'] })
    onDone()
  }
  return (
    <DoneForm
      aria-label="Add somebody"
      onSubmit={(event) => {
        event.preventDefault()
        void add()
      }}
    >
      <TextLine
        label="Name"
        value={name}
        onChange={setName}
        hint="As it stands under what they record. They sign in with it."
      />
      <Choice
        labelled
        label="What they are"
        value={role}
        options={roleOptions}
        onChoose={setRole}
      />
      {says && <p role="alert">{says}</p>}
      <div>
        <Button type="submit" look="go">
          Add them
        </Button>{' '}
        <Button look="text" onPress={onDone}>
          Leave it
        </Button>
      </div>
    </DoneForm>
  )
}
