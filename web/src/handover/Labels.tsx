import type { LabelSheetId } from '@hestian/core'
import { labelsOf, labelsOn, labelSheetIds, labelSheets } from '@hestian/core'
import { useState } from 'react'
import { Checkbox } from 'react-aria-components'
import styled from 'styled-components'
import { useDesign, useReadBy, useStanding } from '../job/JobContext'
import { Prose, SectionHead } from '../ui/Answer'
import { Choice } from '../ui/Choice'
import { InlineCount } from '../ui/fields'
import { phone } from '../ui/phone'
import { Paper } from './Paper'

const sheetName = (id: LabelSheetId): string => {
  const { paper, width, height } = labelSheets[id]
  return `${labelsOn(id)} on ${paper === 'A4' ? 'A4' : 'Letter'}, ${width} × ${height} mm`
}

/** Labels for what stands there: which, on which sheet, from the first that is still on it. */
export function Labels() {
  const { solution } = useDesign()
  const { state } = useStanding()
  const { show } = useReadBy()
  const labels = labelsOf(solution, state.records, show)
  const usual: LabelSheetId = solution.practice.handover.paper === 'LETTER' ? '30-letter' : '24-a4'
  const [sheet, setSheet] = useState<LabelSheetId>(usual)
  const [from, setFrom] = useState(1)
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set())
  const chosen = labels.filter(({ id }) => !left.has(id))
  const first = Math.min(from, labelsOn(sheet))
  const all = chosen.length === labels.length
  const query = new URLSearchParams({
    sheet,
    from: String(first),
    ...(all ? {} : { only: chosen.map(({ id }) => id).join(',') }),
  })
  return (
    <section aria-labelledby="labels-head">
      <SectionHead id="labels-head">
        Labels
        <small>
          {chosen.length} of {labels.length}
        </small>
      </SectionHead>
      <Grid>
        {labels.map(({ id, title, lines }) => (
          <li key={id}>
            <Checkbox
              isSelected={!left.has(id)}
              onChange={(wanted) => {
                const next = new Set(left)
                if (wanted) next.delete(id)
                else next.add(id)
                setLeft(next)
              }}
            >
              <i aria-hidden />
              <span>
                <b>{title}</b>
                {lines.map((text) => (
                  <small key={text}>{text}</small>
                ))}
              </span>
            </Checkbox>
          </li>
        ))}
      </Grid>
      <How>
        <Choice
          label="Sheet of labels"
          value={sheet}
          options={labelSheetIds.map((id) => ({ id, text: sheetName(id) }))}
          onChoose={setSheet}
        />
        <InlineCount
          labelled
          label="First label that is still on it"
          value={first}
          onCommit={(count) => setFrom(Math.max(1, Math.min(count, labelsOn(sheet))))}
        />
        {chosen.length > 0 && (
          <Paper name="The labels" path={`labels.pdf?${query.toString()}`} file="labels" />
        )}
      </How>
      <Prose>
        Print at full size, not fitted to the page. The code holds the same words and the job’s
        number, no name and no address.
      </Prose>
    </section>
  )
}

const Grid = styled.ul`
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 8px;
  margin: 10px 0;
  li > label {
    display: flex;
    gap: 10px;
    height: 100%;
    padding: 10px 12px;
    border: 1px solid var(--rule);
    border-radius: 4px;
    cursor: pointer;
  }
  li > label[data-selected] {
    background: var(--sheet);
    border-color: var(--ink);
  }
  li > label[data-focus-visible] {
    outline: 2px solid var(--ink);
    outline-offset: 2px;
  }
  i {
    flex: none;
    width: 16px;
    height: 16px;
    margin-top: 3px;
    border: 1.5px solid var(--ink);
    border-radius: 3px;
  }
  [data-selected] i {
    background: var(--ink);
    box-shadow: inset 0 0 0 3px var(--paper);
  }
  small {
    display: block;
    color: var(--ink-2);
    font-size: var(--small);
  }
  ${phone} {
    grid-template-columns: minmax(0, 1fr);
  }
`
const How = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1.4fr) minmax(0, 1fr) auto;
  gap: 14px 28px;
  align-items: end;
  ${phone} {
    grid-template-columns: minmax(0, 1fr);
  }
`
