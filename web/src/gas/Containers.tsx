import { blankContainers } from '@hestian/core'
import { useDesign, useJobActions } from '../job/JobContext'
import { SectionHead } from '../ui/Answer'
import { ChoiceRow } from '../ui/ChoiceRow'
import { InlineCount } from '../ui/fields'
import { known } from '../ui/numbers'
import { Ledger, QuantityRow } from '../ui/QuantityRow'
import { rowId } from '../ui/quantity'
import { NotesHere } from '../ui/SheetPage'
import styled from 'styled-components'

const changeovers = [
  { id: 'by-itself', text: 'changes over by itself' },
  { id: 'by-hand', text: 'is changed over by hand' },
  { id: 'one-bank', text: 'one bank, nothing to change to' },
] as const

/**
 * Propane containers: whether enough boils off on the coldest day. Nothing is asked where the gas
 * comes by a meter.
 */
export function Containers() {
  const { draft } = useDesign()
  const { edit } = useJobActions()
  const { gas, survey } = draft.document
  if (survey.fuel !== 'propane') return null
  const held = gas.containers ?? blankContainers
  const put = (change: Partial<typeof held>) =>
    edit([{ path: ['gas', 'containers'], value: { ...held, ...change } }])
  const at = (key: 'diameter_m' | 'length_m' | 'leastFull' | 'coldestTemp_K') => ({
    ...known(held[key], ['gas', 'containers', key], (edits) =>
      put({ [key]: edits[0]?.value } as Partial<typeof held>),
    ),
    place: `gas.containers.${key}`,
  })
  return (
    <section data-place="gas.containers" id={rowId('gas.containers')}>
      <SectionHead>
        Propane containers<small>of one bank, as they give at once</small>
      </SectionHead>
      <NotesHere place="gas.containers" />
      <Ledger>
        <Row>
          <span>How many give at once</span>
          <InlineCount
            label="How many containers give at once"
            value={held.count}
            onCommit={(count) => put({ count: Math.min(40, Math.max(1, count)) })}
          />
        </Row>
        <QuantityRow
          label="Diameter of one"
          measure="length"
          {...at('diameter_m')}
          how="Tape"
          why="Its wall takes the heat in that boils it off."
          empty="needed"
        />
        <QuantityRow
          label="Length of one, along its axis"
          measure="length"
          {...at('length_m')}
          how="Tape"
          why="Its wall takes the heat in that boils it off."
          empty="needed"
        />
        <QuantityRow
          label="Still full when it is changed or filled"
          measure="ratio"
          {...at('leastFull')}
          how="Supplier"
          why="The less is left, the less of the wall is wet."
          empty="needed"
        />
        <QuantityRow
          label="Coldest day where they stand"
          measure="temperature"
          {...at('coldestTemp_K')}
          how="Weather log"
          why="The colder the air, the less boils off."
          empty="needed"
        />
        <ChoiceRow
          label="When a bank is empty it"
          place="gas.containers.changeover"
          value={held.changeover}
          options={changeovers}
          onChoose={(changeover) => put({ changeover })}
        />
      </Ledger>
    </section>
  )
}

const Row = styled.li`
  display: flex;
  justify-content: space-between;
  align-items: center;
  min-height: 40px;
  border-bottom: 0.8px solid var(--hair);
`
