import type { LeaningSheet } from '@hestian/core'
import { memo, useEffect, useState } from 'react'
import styled from 'styled-components'
import { useDesign, useReadBy } from './JobContext'
import { SectionHead } from '../ui/Answer'
import { Button } from '../ui/Button'
import { Mark } from '../ui/icons'
import { lastAnswer, useWorker } from '../work/useWorker'
import { phone } from '../ui/phone'

/** Long enough that one does not ask at every keystroke. */
const pause_ms = 700

/**
 * The assumptions an answer leans on, and how far each may move before the answer is another one.
 * Found in a worker.
 */
export const LeansOn = memo(function LeansOn({ sheet }: { readonly sheet: LeaningSheet }) {
  const { draft } = useDesign()
  const { show } = useReadBy()
  const { work, ask, cancel } = useWorker('leans')
  const { document } = draft
  useEffect(() => {
    const timer = setTimeout(() => ask({ kind: 'leans', document, sheets: [sheet] }), pause_ms)
    return () => clearTimeout(timer)
  }, [ask, document, sheet])
  const answer = lastAnswer(work)
  const slow = useSlow(work.state === 'working')
  if (!answer)
    return work.state === 'working' && slow ? (
      <section aria-label="Assumptions it leans on">
        <SectionHead>Leans on</SectionHead>
        <Trying role="status">
          <progress value={work.share} max={1} aria-label="Trying the assumptions" />
          <span>Moving each assumption until the answer is another one …</span>
          <Button look="text" onPress={cancel}>
            Leave it
          </Button>
        </Trying>
      </section>
    ) : null
  const { leanings } = answer
  const says = leanings.length === 0 ? 'no assumption' : 'pencil that could change the answer'
  return (
    <section aria-label="Assumptions it leans on">
      <SectionHead>
        Leans on
        <small>
          {work.state === 'working' && slow ? (
            <Button look="text" onPress={cancel}>
              being tried again: leave it
            </Button>
          ) : (
            says
          )}
        </small>
      </SectionHead>
      {leanings.length === 0 ? (
        <None>No assumed value would change this answer within three times its range.</None>
      ) : (
        <List>
          {leanings.map((one) => (
            <li key={one.path.join('.')}>
              <Mark
                kind={one.holds ? 'pass' : 'fix'}
                size={18}
                label={one.holds ? 'holds' : 'does not hold'}
              />
              <span>{one.name}</span>
              <b className="tnum">{show(one.value, one.measure)}</b>
              <small>
                holds from {show.figure(one.from, one.measure)} to {show(one.to, one.measure)};
                guessed {show.figure(one.between[0], one.measure)} to{' '}
                {show.figure(one.between[1], one.measure)}
              </small>
            </li>
          ))}
        </List>
      )}
    </section>
  )
})

/**
 * True when something has gone on for more than a moment: what is quick needs no word of progress.
 */
function useSlow(going: boolean): boolean {
  const [slow, setSlow] = useState(false)
  useEffect(() => {
    if (!going) return setSlow(false)
    const timer = setTimeout(() => setSlow(true), 1200)
    return () => clearTimeout(timer)
  }, [going])
  return slow
}

const Trying = styled.div`
  display: flex;
  gap: 14px;
  align-items: center;
  flex-wrap: wrap;
  padding: 6px 0;
  font-size: var(--small);
  color: var(--ink-2);
  progress {
    width: 160px;
    accent-color: var(--ink);
  }
`
const None = styled.p`
  color: var(--ink-2);
  font-size: var(--small);
  padding: 6px 0;
`
const List = styled.ul`
  li {
    display: grid;
    grid-template-columns: 22px minmax(0, 1fr) 90px minmax(0, 1.5fr);
    gap: 10px;
    align-items: center;
    min-height: 34px;
    border-bottom: 0.8px solid var(--hair);
  }
  b {
    color: var(--pencil);
    font-weight: 450;
    border-bottom: 2px dashed var(--pencil);
    justify-self: end;
  }
  small {
    font-size: var(--note);
    line-height: 18px;
    color: var(--ink-3);
  }
  ${phone} {
    li {
      grid-template-columns: 22px minmax(0, 1fr) auto;
    }
    small {
      grid-column: 2 / -1;
    }
  }
`
