import { known } from '../ui/numbers'
import { useDesign, useJobActions } from '../job/JobContext'
import { Prose, SectionHead } from '../ui/Answer'
import { Choice } from '../ui/Choice'
import { Ledger, QuantityRow } from '../ui/QuantityRow'
import { Cell, Row, RowHead, Table } from '../ui/Table'

/** What stops the heat when the thermostat fails, for each thing that heats the store. */
export function CutOuts() {
  const { draft } = useDesign()
  const { edit } = useJobActions()
  const { hotWater } = draft.document
  if (!hotWater) return null
  const { safety } = hotWater
  const at = (key: string) => ['hotWater', 'safety', key]
  return (
    <section>
      <SectionHead>
        What cuts the heat off
        <small>thermostat, cut-out, relief: three, so that two may fail</small>
      </SectionHead>
      <Table label="Cut-outs" columns="minmax(0, 1fr) minmax(0, 250px)" heads={['', '']}>
        <Row place="hotWater.safety.cutOut">
          <RowHead head="">Cut-out of the store</RowHead>
          <Cell head="">
            <Choice
              label="Cut-out of the store"
              value={safety.cutOut}
              options={[
                { id: 'by-hand', text: 'reset by hand' },
                { id: 'resets-itself', text: 'resets itself' },
                { id: 'none', text: 'none' },
              ]}
              onChoose={(value) => edit([{ path: at('cutOut'), value }])}
            />
          </Cell>
        </Row>
        <Row place="hotWater.safety.immersion">
          <RowHead head="">Immersion heater</RowHead>
          <Cell head="">
            <Choice
              label="Immersion heater"
              value={safety.immersion}
              options={[
                { id: 'none', text: 'none' },
                { id: 'own-cut-out', text: 'with a cut-out of its own' },
                { id: 'no-cut-out', text: 'without one' },
              ]}
              onChoose={(value) => edit([{ path: at('immersion'), value }])}
            />
          </Cell>
        </Row>
      </Table>
      <Ledger>
        <QuantityRow
          label="Cut-out acts at"
          measure="temperature"
          {...known(safety.cutOutTemp_K, at('cutOutTemp_K'), edit)}
          how="Plate"
          why="Above the thermostat, below the temperature relief."
        />
        {safety.immersion !== null && safety.immersion !== 'none' && (
          <QuantityRow
            label="Immersion heater gives"
            measure="power"
            {...known(safety.immersion_W, at('immersion_W'), edit)}
            how="Plate"
            why="A second fire under the same store."
          />
        )}
      </Ledger>
      <Prose>
        Never a limit that is made by closing a contact: a broken wire disarms it. Each is made to
        act, and each wire broken, when the job is started.
      </Prose>
    </section>
  )
}
