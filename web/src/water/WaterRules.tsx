import { PipeGrid } from '../network/PipeEditor'
import { useDesign, useJobActions } from '../job/JobContext'
import { SectionHead } from '../ui/Answer'
import { Choice } from '../ui/Choice'
import { Ledger, QuantityRow } from '../ui/QuantityRow'
import { knownOf } from '../ui/quantity'

/** For what the pipes are sized, and what the heater asks and loses. */
export function WaterRules() {
  const { draft } = useDesign()
  const { edit } = useJobActions()
  const { water, hotWater } = draft.document
  const heater = water.segments.some((segment) => segment.end?.kind === 'heater')
  return (
    <section>
      <SectionHead>By what rule</SectionHead>
      <PipeGrid>
        <Choice
          labelled
          label="Running at once"
          value={water.designBy ?? 'own'}
          options={
            [
              { id: 'own', text: 'As the school of this job has it' },
              { id: 'units', text: 'By units from the table' },
              ...((hotWater?.scenario.length ?? 0) > 0
                ? [{ id: 'scenario' as const, text: 'By the pattern of this household' }]
                : []),
              { id: 'all-open', text: 'Everything open' },
            ] as const
          }
          onChoose={(next) =>
            edit([{ path: ['water', 'designBy'], value: next === 'own' ? null : next }])
          }
        />
      </PipeGrid>
      {heater && (
        <Ledger>
          <QuantityRow
            label="The heater loses"
            place="water.heater"
            measure="water-pressure"
            value={water.heaterDrop_Pa}
            how="Maker’s sheet"
            empty="nothing taken"
            onUse={(entry) => edit([{ path: ['water', 'heaterDrop_Pa'], value: knownOf(entry) }])}
            onClear={() => edit([{ path: ['water', 'heaterDrop_Pa'], value: null }])}
          />
          {water.heaterDrop_Pa && (
            <QuantityRow
              label="at a flow of"
              place="water.heaterFlow"
              measure="water-flow"
              value={water.heaterAtFlow_m3_s}
              how="Maker’s sheet"
              onUse={(entry) =>
                edit([{ path: ['water', 'heaterAtFlow_m3_s'], value: knownOf(entry) }])
              }
              onClear={() => edit([{ path: ['water', 'heaterAtFlow_m3_s'], value: null }])}
            />
          )}
          <QuantityRow
            label="Minimum flow to fire"
            place="water.heaterLeast"
            measure="water-flow"
            value={water.heaterLeast_m3_s}
            how="Maker’s sheet"
            empty="a store, or as chosen"
            why="An instantaneous heater stays cold below it."
            onUse={(entry) =>
              edit([{ path: ['water', 'heaterLeast_m3_s'], value: knownOf(entry) }])
            }
            onClear={() => edit([{ path: ['water', 'heaterLeast_m3_s'], value: null }])}
          />
        </Ledger>
      )}
    </section>
  )
}
