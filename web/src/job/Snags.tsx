import styled from 'styled-components'
import { useJobActions, useReadBy, useStanding } from './JobContext'
import { SectionHead } from '../ui/Answer'
import { Button } from '../ui/Button'

/** What was found and is still to be done, with who and when. */
export function Snags() {
  const { judgement } = useStanding()
  const { record } = useJobActions()
  const { dates } = useReadBy()
  const { snags } = judgement
  if (snags.length === 0) return null
  return (
    <>
      <SectionHead>
        Snags<small>{snags.length} open</small>
      </SectionHead>
      <List>
        {snags.map((snag) => (
          <li key={snag.id}>
            <span>{snag.body.what}</span>
            <small>
              {snag.body.owner}
              {snag.body.due ? `, by ${dates.dayOf(snag.body.due)}` : ', no date yet'}
            </small>
            <Button
              look="text"
              onPress={() => record({ kind: 'snag-done', snag: snag.id })}
              aria-label={`Done: ${snag.body.what}`}
            >
              Done
            </Button>
          </li>
        ))}
      </List>
    </>
  )
}

const List = styled.ul`
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto 60px;
    gap: 14px;
    align-items: center;
    min-height: 38px;
    border-bottom: 0.8px solid var(--hair);
  }
  small {
    font-size: var(--note);
    color: var(--ink-3);
  }
`
