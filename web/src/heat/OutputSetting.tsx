import type { HeatAnswer } from '@hestian/core'
import { useDesign, useJobActions, useReadBy } from '../job/JobContext'
import { Toggle } from '../ui/Toggle'
import { Prose, SectionHead } from '../ui/Answer'
import { Choice } from '../ui/Choice'
import { Ledger, QuantityRow } from '../ui/QuantityRow'
import { knownOf } from '../ui/quantity'

const compensations = [
  { id: 'none', text: 'None' },
  { id: 'weather', text: 'By the weather' },
  { id: 'load', text: 'By the load' },
] as const

/** What the boiler is set to: heating to the building, hot water at full output. */
export function OutputSetting({ answer }: { readonly answer: HeatAnswer }) {
  const { draft, solution } = useDesign()
  const { edit } = useJobActions()
  const { show } = useReadBy()
  const { heat, heating } = draft.document
  if (!heating && answer.load_W === 0) return null
  const known = (key: 'heatingSet_W' | 'flowTemp_K') => ({
    value: heat[key],
    place: `heat.${key}`,
    onUse: (entry: Parameters<typeof knownOf>[0]) =>
      edit([{ path: ['heat', key], value: knownOf(entry) }]),
    onClear: () => edit([{ path: ['heat', key], value: null }]),
  })
  const least_W = answer.chosen?.figures?.leastOutput_W ?? 0
  return (
    <section>
      <SectionHead>Setting the output</SectionHead>
      <Prose>
        {answer.load_W > 0 ? (
          <>
            The building needs <b>{show(answer.load_W, 'power')}</b> on the coldest day: set the
            heating to about <b>{show(Math.max(answer.suggestedHeating_W, least_W), 'power')}</b>,
            and leave hot water at its full output.
          </>
        ) : (
          'With the heat of the building known, the heating output to set stands here.'
        )}
        {least_W > 0 && answer.load_W > 0 && (
          <>
            {' '}
            It cannot go below {show(least_W, 'power')}; a mild day asks{' '}
            {show(answer.mild_W, 'power')}
            {least_W > answer.mild_W ? ', so it starts and stops then' : ''}.
          </>
        )}
      </Prose>
      <Ledger>
        <QuantityRow
          label="Heating output set to"
          measure="power"
          {...known('heatingSet_W')}
          how="Boiler menu"
          why="A boiler set to more than the building starts and stops."
        />
        <QuantityRow
          label="Flow to the coil"
          measure="temperature"
          {...known('flowTemp_K')}
          how="Boiler setting"
          why="Hotter is quicker and overheats the top of a small store."
          empty={`${show(solution.practice.hotWater.flowTemp_K, 'temperature')} assumed`}
        />
      </Ledger>
      <Choice
        labelled
        label="Compensation"
        value={heat.compensation}
        options={compensations}
        onChoose={(compensation) => edit([{ path: ['heat', 'compensation'], value: compensation }])}
      />
      <Toggle
        isSelected={heat.priority}
        onChange={(priority) => edit([{ path: ['heat', 'priority'], value: priority }])}
      >
        <i />
        Hot water goes first, the heating waits
      </Toggle>
    </section>
  )
}
