import type { Utility } from '@hestian/core'
import styled from 'styled-components'
import { useDesign, useJobActions } from '../job/JobContext'
import { Button } from '../ui/Button'
import { Day } from '../ui/LateDay'
import { rowId } from '../ui/quantity'
import { NotesHere } from '../ui/SheetPage'
import { phone } from '../ui/phone'

const names: Readonly<Record<Utility, string>> = { water: 'Water', gas: 'Gas', power: 'Power' }

/** Whether a utility is connected; where it is not, when it is expected. */
export function SupplyRow({ utility }: { readonly utility: Utility }) {
  const { draft } = useDesign()
  const { edit, record } = useJobActions()
  const place = `survey.supplies.${utility}`
  const supply = draft.document.survey.supplies[utility]
  const set = (value: NonNullable<typeof supply>) => {
    if (
      value.state !== supply?.state &&
      !record({
        kind: 'looked',
        field: place,
        answer: value.state,
        basis: 'measured',
        from: 'Seen',
      })
    )
      return
    edit([{ path: ['survey', 'supplies', utility], value }])
  }
  return (
    <li>
      <Row data-place={place} id={rowId(place)}>
        <span>{names[utility]}</span>
        <div role="group" aria-label={`${names[utility]} connected`}>
          <Button
            data-chosen={supply?.state === 'live' || undefined}
            aria-pressed={supply?.state === 'live'}
            onPress={() => set({ state: 'live' })}
          >
            Live
          </Button>
          <Button
            data-chosen={supply?.state === 'not-yet' || undefined}
            aria-pressed={supply?.state === 'not-yet'}
            onPress={() =>
              set({
                state: 'not-yet',
                expected: supply?.state === 'not-yet' ? supply.expected : null,
              })
            }
          >
            Not yet
          </Button>
        </div>
        {supply?.state === 'not-yet' ? (
          <Day
            label="Expected"
            value={supply.expected}
            onChange={(expected) => set({ state: 'not-yet', expected })}
          />
        ) : (
          <small>{supply ? '' : 'not looked at yet'}</small>
        )}
      </Row>
      <NotesHere place={place} />
    </li>
  )
}

const Row = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto minmax(150px, 0.9fr);
  gap: 14px;
  align-items: center;
  min-height: 44px;
  padding: 4px 0;
  border-bottom: 0.8px solid var(--hair);
  button {
    min-height: 36px;
    padding: 4px 14px;
    font-size: var(--small);
    border-color: var(--rule);
  }
  [role='group'] {
    display: flex;
    gap: 6px;
  }
  [data-chosen] {
    background: var(--select);
    border-color: var(--ink);
  }
  small {
    font-size: var(--note);
    color: var(--ink-3);
  }
  @media (pointer: coarse) {
    button {
      min-height: 48px;
    }
  }
  ${phone} {
    grid-template-columns: minmax(0, 1fr) auto;
    > :last-child {
      grid-column: 1 / -1;
    }
  }
`
