import type { BoardRow } from '@hestian/core'
import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Input, Label, TextField } from 'react-aria-components'
import { z } from 'zod'
import { ApiError, call, newId } from '../api/client'
import { useKeptText } from '../job/useKeptText'
import { Button } from '../ui/Button'

interface DeleteForGoodProps {
  readonly row: BoardRow
  readonly by: string
  readonly onGone: () => void
}

/** The owner's alone, and not to be taken back: asked with a reason, and with the job's number. */
export function DeleteForGood({ row, by, onGone }: DeleteForGoodProps) {
  const client = useQueryClient()
  const [open, setOpen] = useState(false)
  const [reason, setReason] = useKeptText(`delete-reason:${row.id}`)
  const [number, setNumber] = useState('')
  const [says, setSays] = useState<string>()
  if (!open)
    return (
      <Button look="text" onPress={() => setOpen(true)}>
        Delete it for good
      </Button>
    )
  const remove = async () => {
    if (reason.trim().length < 3) return setSays('Say why; it stays when the job is gone.')
    if (number.trim() !== row.number)
      return setSays(`Type the number of this job, ${row.number}: nothing brings it back.`)
    try {
      await call('POST', `/jobs/${row.id}/delete`, z.unknown(), { id: newId(), by, reason })
      setReason('')
      await client.invalidateQueries({ queryKey: ['board'] })
      await client.invalidateQueries({ queryKey: ['deleted'] })
      onGone()
    } catch (error) {
      setSays(error instanceof ApiError ? error.message : 'It was not deleted. Try again.')
    }
  }
  return (
    <form
      aria-label={`Delete ${row.name} for good`}
      onSubmit={(event) => {
        event.preventDefault()
        void remove()
      }}
    >
      <p>
        Design, records, tests, signatures, photographs: all of it goes, and nothing brings it back.
        Backups hold it until they age out. Gas and safety records have to be kept for years in many
        places: look there first. Its number, who, when and why stay.
      </p>
      <TextField value={reason} onChange={setReason} maxLength={400} autoFocus>
        <Label>Why; without a householder’s name</Label>
        <Input />
      </TextField>
      <TextField value={number} onChange={setNumber} maxLength={10}>
        <Label>Its number, to be sure</Label>
        <Input autoComplete="off" />
      </TextField>
      {says && <p role="alert">{says}</p>}
      <Button type="submit">Delete it for good</Button>
      <Button look="text" onPress={() => setOpen(false)}>
        Keep it
      </Button>
    </form>
  )
}
