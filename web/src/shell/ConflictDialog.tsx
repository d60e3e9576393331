import type { Conflict } from '@hestian/core'
import { Heading } from 'react-aria-components'
import styled from 'styled-components'
import type { DraftConflict } from '../job/useDraft'
import { useDesign } from '../job/JobContext'
import { Button } from '../ui/Button'
import { Window } from '../ui/lateEditor'

const shown = (value: unknown): string => {
  if (value === undefined || value === null) return 'nothing'
  if (typeof value === 'object' && 'value' in value)
    return String((value as { value: unknown }).value)
  if (typeof value === 'object' && 'name' in value) return String((value as { name: unknown }).name)
  return typeof value === 'object' ? JSON.stringify(value).slice(0, 60) : String(value)
}

/** Two people changed the same value: both are shown, nothing is lost until one is chosen. */
export function ConflictDialog({ conflicts }: Pick<DraftConflict, 'conflicts'>) {
  const { draft } = useDesign()
  return (
    <Sheet isAlert>
      <Heading slot="title">Somebody else changed the same values.</Heading>
      <p>
        Merged, everything else of both versions is kept. Taking theirs, yours is one undo (Ctrl+Z)
        away. Values in SI.
      </p>
      <table>
        <thead>
          <tr>
            <th>Where</th>
            <th>Yours</th>
            <th>Theirs</th>
          </tr>
        </thead>
        <tbody>
          {conflicts.map((one: Conflict) => (
            <tr key={one.path.join('.')}>
              <td>{one.path.join(', ')}</td>
              <td>{shown(one.mine)}</td>
              <td>{shown(one.theirs)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <Actions>
        <Button look="go" autoFocus onPress={() => draft.settle('merge')}>
          Merge, keep mine here
        </Button>
        <Button onPress={() => draft.settle('reload')}>Take theirs</Button>
      </Actions>
    </Sheet>
  )
}

const Sheet = styled(Window)`
  background: var(--sheet);
  border: 1.5px solid var(--ink);
  padding: 24px;
  width: min(640px, 96vw);
  display: grid;
  gap: 12px;
  h2 {
    font: 650 var(--head-2)/28px var(--head);
  }
  th {
    text-align: left;
    font: 650 var(--small)/20px var(--head);
    border-bottom: 1.5px solid var(--ink);
  }
  td,
  th {
    padding: 6px 12px 6px 0;
  }
  td {
    border-bottom: 0.8px solid var(--hair);
    overflow-wrap: anywhere;
  }
`
const Actions = styled.div`
  display: flex;
  gap: 12px;
  flex-wrap: wrap;
`
