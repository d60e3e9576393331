import { householderPage, shutOffsAsked } from '@hestian/core'
import styled from 'styled-components'
import { useDesign, useJobActions, useReadBy, useStanding } from '../job/JobContext'
import { Prose, SectionHead } from '../ui/Answer'
import { InlineText } from '../ui/fields'
import { Mark } from '../ui/icons'
import { Day } from '../ui/LateDay'
import { phone } from '../ui/phone'

const shutLabels = {
  gas: 'Where the gas is shut',
  water: 'Where the water is shut',
  power: 'Where the electricity is shut',
} as const

/** What only this house knows, typed here, and the page that it makes, as it will be read. */
export function ForTheHousehold() {
  const { draft } = useDesign()
  const { frozen } = useStanding()
  const { edit } = useJobActions()
  const { handover } = draft.document
  const asked = shutOffsAsked(draft.document)
  const set = (path: readonly string[]) => (value: string | null) =>
    edit([{ path: ['handover', ...path], value }])
  return (
    <section aria-labelledby="household-head">
      <SectionHead id="household-head">For whoever lives here</SectionHead>
      {!frozen && (
        <Fields>
          {asked.map((one) => (
            <InlineText
              key={one}
              labelled
              label={shutLabels[one]}
              value={handover.shutOffs[one]}
              maxLength={200}
              onCommit={set(['shutOffs', one])}
            />
          ))}
          <InlineText
            labelled
            label="Whom they call"
            value={handover.call.name}
            maxLength={120}
            onCommit={set(['call', 'name'])}
          />
          <InlineText
            labelled
            label="Telephone"
            value={handover.call.phone}
            maxLength={60}
            onCommit={set(['call', 'phone'])}
          />
          <InlineText
            labelled
            label="At night and on holidays"
            value={handover.call.outOfHours}
            maxLength={60}
            onCommit={set(['call', 'outOfHours'])}
          />
          <div data-place="handover.nextVisit">
            <Day label="Next visit" value={handover.nextVisit} onChange={set(['nextVisit'])} />
          </div>
          <InlineText
            labelled
            lines
            label="More, in your own words"
            value={handover.words}
            maxLength={1000}
            onCommit={set(['words'])}
          />
        </Fields>
      )}
      <AsTheyReadIt />
    </section>
  )
}

function AsTheyReadIt() {
  const { solution } = useDesign()
  const { judgement } = useStanding()
  const { show } = useReadBy()
  const answers = householderPage(solution, judgement.leaving, show)
  const lacks = answers.filter((one) => one.lacks).length
  return (
    <details>
      <summary>
        As they will read it
        {lacks > 0 && `: ${lacks === 1 ? 'one answer' : `${lacks} answers`} not known yet`}
      </summary>
      <Read>
        {answers.map(({ id, asks, says, lacks: isLacking }) => (
          <div key={id}>
            <dt>
              {isLacking && <Mark kind="not-yet" size={16} label="not known yet" />} {asks}
            </dt>
            {says.map((text) => (
              <dd key={text}>{text}</dd>
            ))}
          </div>
        ))}
      </Read>
      <Prose>The paper has the gauge beside it, as it should read.</Prose>
    </details>
  )
}

const Fields = styled.div`
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 10px 28px;
  margin: 8px 0 14px;
  ${phone} {
    grid-template-columns: minmax(0, 1fr);
  }
`
const Read = styled.dl`
  display: grid;
  gap: 12px;
  max-width: 66ch;
  padding: 14px 0;
  dt {
    font: 650 var(--lead)/23px var(--head);
  }
  dd {
    margin: 0;
    color: var(--ink-2);
  }
`
