import { capital } from '../ui/numbers'
import type { WaterAnswer } from '@hestian/core'
import { durationWords, usualBypass_m3_s, usualFeed_m3_s, aOrAn } from '@hestian/core'
import { PipeGrid } from '../network/PipeEditor'
import { useDesign, useJobActions, useReadBy } from '../job/JobContext'
import { MakeUpRows } from '../job/MakeUpRows'
import { Prose, SectionHead } from '../ui/Answer'
import { Choice } from '../ui/Choice'
import { Ledger, QuantityRow } from '../ui/QuantityRow'
import { knownOf } from '../ui/quantity'
import { Worked } from '../ui/Worked'

/** What keeps heating water out of the drinking water, and how long filling takes. */
export function Filling({ answer }: { readonly answer: WaterAnswer | undefined }) {
  const { draft, solution } = useDesign()
  const { edit } = useJobActions()
  const { show } = useReadBy()
  const { makeUp, segments } = draft.document.water
  if (!draft.document.heating && !segments.some((segment) => segment.end?.kind === 'make-up'))
    return null
  const fill = answer?.fill
  const at = (key: keyof typeof makeUp) => ['water', 'makeUp', key]
  return (
    <section data-place="water.makeUp">
      <SectionHead>
        Make-up and filling
        <small>{fill ? `${show(fill.content_m3, 'volume')} of heating water` : ''}</small>
      </SectionHead>
      <PipeGrid>
        <Choice
          labelled
          label={capital(`${aOrAn(solution.practice.words.reducingValve)} before the boiler`)}
          value={makeUp.reducing ?? 'open'}
          options={
            [
              { id: 'open', text: 'not settled' },
              { id: 'yes', text: 'Yes' },
              { id: 'no', text: 'No' },
            ] as const
          }
          onChoose={(next) =>
            edit([{ path: at('reducing'), value: next === 'open' ? null : next }])
          }
        />
      </PipeGrid>
      <Ledger>
        <MakeUpRows />
        <QuantityRow
          label={`Through the ${solution.practice.words.fillDevice}`}
          place="water.feed"
          measure="water-flow"
          value={makeUp.feed_m3_s}
          how="Bucket"
          empty={`${show(usualFeed_m3_s, 'water-flow')} taken`}
          onUse={(entry) => edit([{ path: at('feed_m3_s'), value: knownOf(entry) }])}
          onClear={() => edit([{ path: at('feed_m3_s'), value: null }])}
        />
        <QuantityRow
          label="By the lever or by-pass"
          place="water.bypass"
          measure="water-flow"
          value={makeUp.bypass_m3_s}
          how="Bucket"
          empty={`${show(usualBypass_m3_s, 'water-flow')} taken`}
          onUse={(entry) => edit([{ path: at('bypass_m3_s'), value: knownOf(entry) }])}
          onClear={() => edit([{ path: at('bypass_m3_s'), value: null }])}
        />
      </Ledger>
      {fill && (
        <Prose>
          Filling takes{' '}
          <b>
            <Worked of="feed_s">{durationWords(fill.feed_s)}</Worked>
          </b>{' '}
          through the {solution.practice.words.fillDevice}, <b>{durationWords(fill.bypass_s)}</b> by
          the lever or by-pass, with an outlet open all the while.
          {fill.assumed ? ' Flows that nobody has timed are taken, not known.' : ''}
        </Prose>
      )}
    </section>
  )
}
