import type { BoardRow } from '@hestian/core'
import { may } from '@hestian/core'
import { useQueryClient } from '@tanstack/react-query'
import type { RefObject } from 'react'
import { useState } from 'react'
import { Dialog, Input, Label, Popover, TextField } from 'react-aria-components'
import { useNavigate } from 'react-router'
import styled from 'styled-components'
import { z } from 'zod'
import { ApiError, call, newId } from '../api/client'
import { aJob } from '../api/queries'
import { useWho } from '../job/WhoContext'
import { Button } from '../ui/Button'
import { DeleteForGood } from './DeleteForGood'
import { putAwaySays } from './putAwaySays'

interface RowMenuProps {
  readonly row: BoardRow
  readonly trigger: RefObject<HTMLButtonElement | null>
  readonly isOpen: boolean
  readonly onOpenChange: (open: boolean) => void
}

/**
 * What can be done with a whole job: start another from it, or put it away. Fetched when first
 * opened.
 */
export function RowMenu({ row, trigger, isOpen, onOpenChange }: RowMenuProps) {
  const client = useQueryClient()
  const navigate = useNavigate()
  const { person, ask } = useWho()
  const [copyId] = useState(newId)
  const [name, setName] = useState(`${row.name}, again`.slice(0, 120))
  const [says, setSays] = useState<string>()
  const attempt = async (work: (by: string) => Promise<void>) => {
    if (!person) return ask()
    try {
      await work(person.id)
    } catch (error) {
      setSays(error instanceof ApiError ? error.message : 'That could not be sent.')
    }
  }
  const archive = () =>
    attempt(async (by) => {
      await call('POST', `/jobs/${row.id}/archive`, z.unknown(), { archived: !row.archived, by })
      await client.invalidateQueries({ queryKey: ['board'] })
    })
  const duplicate = () =>
    attempt(async (by) => {
      if (name.trim() === '') return setSays('The new job needs a name.')
      const job = await call('POST', `/jobs/${row.id}/duplicate`, aJob, {
        id: copyId,
        name: name.trim(),
        by,
      })
      client.setQueryData(['job', job.id], job)
      await client.invalidateQueries({ queryKey: ['board'] })
      void navigate(`/jobs/${job.id}/site`)
    })
  return (
    <Pop triggerRef={trigger} isOpen={isOpen} onOpenChange={onOpenChange} placement="bottom end">
      <Dialog aria-label={`More for ${row.name}`}>
        <Part
          onSubmit={(event) => {
            event.preventDefault()
            void duplicate()
          }}
        >
          <TextField value={name} onChange={setName} maxLength={120}>
            <Label>Start another job from this design</Label>
            <Input />
          </TextField>
          <p>Its figures come along in pencil; readings, photographs and papers stay behind.</p>
          <Button type="submit">Use as template</Button>
        </Part>
        <Part as="div">
          <p>{putAwaySays(row)}</p>
          <Button onPress={() => void archive()}>
            {row.archived ? 'Bring it back' : 'Put it away'}
          </Button>
        </Part>
        {person && may(person, 'firm') && (
          <Part as="div">
            <DeleteForGood row={row} by={person.id} onGone={() => onOpenChange(false)} />
          </Part>
        )}
        {says && <p role="alert">{says}</p>}
      </Dialog>
    </Pop>
  )
}

const Pop = styled(Popover)`
  background: var(--sheet);
  border: 1.5px solid var(--ink);
  padding: 14px;
  width: min(340px, calc(100vw - 24px));
  overflow: auto;
  [role='alert'] {
    color: var(--stop);
    font-size: var(--small);
  }
`
const Part = styled.form`
  form {
    display: grid;
    gap: 8px;
  }
  display: grid;
  gap: 8px;
  padding: 6px 0 12px;
  & + & {
    border-top: 0.8px solid var(--hair);
    padding-top: 12px;
  }
  label {
    font: 650 var(--small)/20px var(--head);
  }
  input {
    width: 100%;
    min-height: 44px;
    border: 0;
    border-bottom: 1.5px solid var(--ink);
    background: var(--paper);
    font-size: var(--plain);
    padding: 4px;
    border-radius: 0;
  }
  p {
    font-size: var(--note);
    line-height: 18px;
    color: var(--ink-3);
  }
`
