import type { BoardRow } from '@hestian/core'
import { JobState } from '@hestian/core'
import { useQueryClient } from '@tanstack/react-query'
import { Ellipsis } from 'lucide-react'
import { useState } from 'react'
import {
  Button as AriaButton,
  Dialog,
  DialogTrigger,
  Input,
  Label,
  Popover,
  TextField,
} from 'react-aria-components'
import { useNavigate } from 'react-router'
import styled from 'styled-components'
import { z } from 'zod'
import { ApiError, call, newId } from '../api/client'
import { useWho } from '../job/WhoContext'
import { Button } from '../ui/Button'

/** What can be done with a whole job: start another from it, or put it away. */
export function RowActions({ row }: { readonly row: BoardRow }) {
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
      const job = await call('POST', `/jobs/${row.id}/duplicate`, JobState, {
        id: copyId,
        name: name.trim(),
        by,
      })
      client.setQueryData(['job', job.id], job)
      await client.invalidateQueries({ queryKey: ['board'] })
      void navigate(`/jobs/${job.id}/site`)
    })
  return (
    <DialogTrigger>
      <More aria-label={`More for ${row.name}`}>
        <Ellipsis aria-hidden size={20} />
      </More>
      <Pop placement="bottom end">
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
            <p>
              {row.archived
                ? 'It comes back among the jobs at hand.'
                : 'Nothing is lost: it is put away and can be brought back.'}
            </p>
            <Button onPress={() => void archive()}>
              {row.archived ? 'Bring it back' : 'Put it away'}
            </Button>
          </Part>
          {says && <p role="alert">{says}</p>}
        </Dialog>
      </Pop>
    </DialogTrigger>
  )
}

const More = styled(AriaButton)`
  border: 0;
  background: none;
  min-width: 48px;
  min-height: 48px;
  cursor: pointer;
  color: var(--ink-2);
  &[data-hovered] {
    background: var(--sunk);
  }
`
const Pop = styled(Popover)`
  background: var(--sheet);
  border: 1.5px solid var(--ink);
  padding: 14px;
  width: min(340px, calc(100vw - 24px));
  [role='alert'] {
    color: var(--stop);
    font-size: 15px;
  }
`
const Part = styled.form`
  display: grid;
  gap: 8px;
  padding: 6px 0 12px;
  & + & {
    border-top: 0.8px solid var(--hair);
    padding-top: 12px;
  }
  label {
    font: 650 15px/20px var(--head);
  }
  input {
    width: 100%;
    min-height: 44px;
    border: 0;
    border-bottom: 1.5px solid var(--ink);
    background: var(--paper);
    font-size: 16px;
    padding: 4px;
    border-radius: 0;
  }
  p {
    font-size: 14px;
    line-height: 18px;
    color: var(--ink-3);
  }
`
