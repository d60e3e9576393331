import type { FluidKind } from '@hestian/core'
import { fluidKinds, genericPumps } from '@hestian/core'
import { MakeUpRows } from '../job/MakeUpRows'
import { ChoiceRow, yesNo } from '../ui/ChoiceRow'
import { capital } from '../ui/numbers'
import { known } from '../ui/numbers'
import { useDesign, useJobActions, useReadBy } from '../job/JobContext'
import { SectionHead } from '../ui/Answer'
import { Ledger, QuantityRow } from '../ui/QuantityRow'

const fluidWords: Readonly<Record<FluidKind, string>> = {
  water: 'Water',
  'ethylene-glycol': 'Ethylene glycol and water',
  'propylene-glycol': 'Propylene glycol and water',
}

/** What runs in the circuit, what drives it, and what the boiler asks of the flow. */
export function CircuitInputs() {
  const { draft, solution } = useDesign()
  const { edit } = useJobActions()
  const { show } = useReadBy()
  const { heating, heat } = draft.document
  if (!heating) return null
  const { practice } = solution
  const { fluid } = heating
  const pumps = [
    { id: 'choose', text: 'Choose for me' },
    ...genericPumps.map((pump) => ({
      id: pump.id,
      text: `${pump.label}: ${show(pump.shutHead_Pa, 'water-pressure')} at no flow, to ${show(pump.most_m3_s, 'water-flow')}`,
    })),
    ...(heating.pumpHead_Pa && heating.pumpMost_m3_s
      ? [{ id: 'own', text: 'By the maker’s curve' }]
      : []),
  ]
  const own = heating.pumpHead_Pa !== null && heating.pumpMost_m3_s !== null
  const at = (key: 'boilerLeastFlow_m3_s' | 'pumpHead_Pa' | 'pumpMost_m3_s') =>
    known(heating[key], ['heating', key], edit)
  return (
    <div>
      <SectionHead>
        Inputs<small>ink: known, pencil: assumed</small>
      </SectionHead>
      <Ledger>
        <ChoiceRow<FluidKind>
          label="Filled with"
          place="heating.fluid"
          value={fluid.kind}
          options={fluidKinds.map((id) => ({ id, text: fluidWords[id] }))}
          onChoose={(kind) => edit([{ path: ['heating', 'fluid', 'kind'], value: kind }])}
        />
        {fluid.kind !== 'water' && (
          <>
            <QuantityRow
              label="Glycol, by mass"
              measure="ratio"
              {...known(fluid.massFraction, ['heating', 'fluid', 'massFraction'], edit)}
              how="Refractometer"
              why="By mass, not by volume. It decides where the mix freezes, how much it grows and how hard it is to pump."
            />
            <QuantityRow
              label="Coldest it may get"
              measure="temperature"
              {...known(fluid.coldestTemp_K, ['heating', 'fluid', 'coldestTemp_K'], edit)}
              how="Weather log"
              why="The mix must not freeze there."
            />
          </>
        )}
        <QuantityRow
          label="Flow temperature"
          measure="temperature"
          {...known(heat.flowTemp_K, ['heat', 'flowTemp_K'], edit)}
          how="Boiler setting"
          why="The properties of the water are taken between flow and return."
          empty={
            draft.document.survey.maxFlowTemp_K
              ? `${show(draft.document.survey.maxFlowTemp_K.value, 'temperature')}, the maximum flow temperature`
              : 'assumed'
          }
        />
        <ChoiceRow
          label={capital(practice.words.pump)}
          place="heating.pumpId"
          value={own ? 'own' : (heating.pumpId ?? 'choose')}
          options={pumps}
          onChoose={(id) => {
            if (id !== 'own')
              edit([
                { path: ['heating', 'pumpId'], value: id === 'choose' ? null : id },
                { path: ['heating', 'pumpHead_Pa'], value: null },
                { path: ['heating', 'pumpMost_m3_s'], value: null },
              ])
          }}
        />
        <QuantityRow
          label="No-flow head"
          measure="water-pressure"
          {...at('pumpHead_Pa')}
          how="Maker's curve"
          why="The two ends of the maker's curve replace the generic one."
          empty="generic"
        />
        <QuantityRow
          label="Flow at no head"
          measure="water-flow"
          {...at('pumpMost_m3_s')}
          how="Maker's curve"
          why="The two ends of the maker's curve replace the generic one."
          empty="generic"
        />
        <QuantityRow
          label="Minimum flow of the boiler"
          measure="water-flow"
          {...at('boilerLeastFlow_m3_s')}
          how="Manual"
          why="When one small zone calls alone, this much must still pass."
        />
        {heating.emitters.some((emitter) => emitter.type === 'floor-loop') && <FloorRows />}
        <MakeUpRows />
      </Ledger>
    </div>
  )
}

/** What keeps floor loops cool enough. */
function FloorRows() {
  const { draft } = useDesign()
  const { edit } = useJobActions()
  const { heating } = draft.document
  if (!heating) return null
  return (
    <>
      <QuantityRow
        label="Maximum flow temperature of the floor"
        measure="temperature"
        {...known(heating.floorMostTemp_K, ['heating', 'floorMostTemp_K'], edit)}
        how="Maker's sheet"
        why="Screed, timber and feet stand less than radiators."
      />
      <ChoiceRow
        label="The floor has a mixer of its own"
        place="heating.floorMixer"
        why="Without one it gets what the boiler sends."
        value={heating.floorMixer}
        options={yesNo}
        onChoose={(id) => edit([{ path: ['heating', 'floorMixer'], value: id }])}
      />
      <ChoiceRow
        label="A cut-out stops the floor when its mixer fails"
        place="heating.floorCutOut"
        why="A mixer that sticks open is not noticed until the floor is hot."
        value={heating.floorCutOut}
        options={yesNo}
        onChoose={(id) => edit([{ path: ['heating', 'floorCutOut'], value: id }])}
      />
    </>
  )
}
