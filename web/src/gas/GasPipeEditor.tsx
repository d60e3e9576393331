import { PipeEditor } from '../network/PipeEditor'
import { usePipes } from '../network/usePipes'
import type { GasEnd, GasSegment, LineRegulator } from '@hestian/core'
import { burnsGas, usualRegulatorDrop_Pa } from '@hestian/core'
import styled from 'styled-components'
import { useDesign, useJobActions, useReadBy } from '../job/JobContext'
import { Choice } from '../ui/Choice'
import { Paper } from '../ui/Photos'
import { QuantityRow } from '../ui/QuantityRow'
import { knownOf } from '../ui/quantity'

const none = 'none' as const
const blankRegulator: LineRegulator = {
  outGauge_Pa: null,
  drop_Pa: null,
  most_m3_s: null,
  vent: null,
}
/** What was chosen, or null where that is 'not settled'. */
const settled = <T extends string>(id: T | typeof none): T | null => (id === none ? null : id)

const yesNo = [
  { id: none, text: 'not settled' },
  { id: 'yes', text: 'Yes' },
  { id: 'no', text: 'No' },
] as const

/**
 * One gas pipe: where it leaves from, how long, its fittings, material and size, what it ends at
 * and what stands there.
 */
export function GasPipeEditor({
  id,
  onGone,
}: {
  readonly id: string
  readonly onGone: () => void
}) {
  const { draft } = useDesign()
  const pipes = usePipes('gas')
  const { segments } = draft.document.gas
  const index = segments.findIndex((segment) => segment.id === id)
  const segment = segments[index]
  if (!segment) return null
  const parts = { segment, index }
  const feeds = segment.applianceId !== null
  return (
    <PipeEditor
      pipes={pipes}
      id={id}
      onGone={onGone}
      bends="Elbows"
      lengthWhy="Fittings are added to it by the method."
      endsAt={<EndsAt {...parts} />}
      choices={
        <>
          <Laid {...parts} />
          {feeds ? <AtAppliance {...parts} /> : <RegulatorThere {...parts} />}
          {segment.regulator && <Vent {...parts} regulator={segment.regulator} />}
        </>
      }
      figures={
        <>
          {segment.regulator && <RegulatorFigures {...parts} regulator={segment.regulator} />}
          {feeds ? <ConnectorLoss {...parts} /> : <Reserve {...parts} />}
        </>
      }
    >
      {feeds && <MakerTable {...parts} />}
    </PipeEditor>
  )
}

interface PartProps {
  readonly segment: GasSegment
  readonly index: number
}

/** Writes one thing of a segment, of what stands at its end, or of its regulator. */
function useWriting({ segment, index }: PartProps) {
  const { edit } = useJobActions()
  const write = <K extends keyof GasSegment>(key: K, value: GasSegment[K]) =>
    edit([{ path: ['gas', 'segments', index, key], value }])
  const writeEnd = (change: Partial<GasEnd>) => write('end', { ...segment.end, ...change })
  const writeRegulator = (change: Partial<LineRegulator> | null) =>
    write('regulator', change && { ...(segment.regulator ?? blankRegulator), ...change })
  return { write, writeEnd, writeRegulator }
}

function EndsAt({ segment, index }: PartProps) {
  const { draft } = useDesign()
  const { write } = useWriting({ segment, index })
  const burners = draft.document.appliances.filter((appliance) => burnsGas(appliance.kind))
  return (
    <Choice
      labelled
      label="Ends at"
      value={segment.applianceId ?? none}
      options={[
        { id: none, text: 'A branch' },
        ...burners.map((appliance) => ({ id: appliance.id, text: appliance.name })),
      ]}
      onChoose={(next) => write('applianceId', settled(next))}
    />
  )
}

function Laid({ segment, index }: PartProps) {
  const { write } = useWriting({ segment, index })
  return (
    <Choice
      labelled
      label="This pipe"
      value={segment.laid ?? none}
      options={
        [
          { id: none, text: 'not said: tested as new' },
          { id: 'new', text: 'Is new' },
          { id: 'was-here', text: 'Was here before' },
        ] as const
      }
      onChoose={(next) => write('laid', settled(next))}
    />
  )
}

function AtAppliance({ segment, index }: PartProps) {
  const { solution } = useDesign()
  const { writeEnd } = useWriting({ segment, index })
  const { shutOff, connector, trap } = segment.end
  return (
    <>
      <Choice
        labelled
        label="Shut-off within reach"
        value={shutOff ?? none}
        options={yesNo}
        onChoose={(next) => writeEnd({ shutOff: settled(next) })}
      />
      <Choice
        labelled
        label="Connected by"
        value={connector ?? none}
        options={
          [
            { id: none, text: 'not settled' },
            { id: 'rigid', text: 'Rigid pipe' },
            { id: 'flexible', text: 'A flexible connector' },
          ] as const
        }
        onChoose={(next) => writeEnd({ connector: settled(next) })}
      />
      {solution.practice.gas.trapWanted && (
        <Choice
          labelled
          label="Sediment trap"
          value={trap ?? none}
          options={yesNo}
          onChoose={(next) => writeEnd({ trap: settled(next) })}
        />
      )}
    </>
  )
}

function RegulatorThere({ segment, index }: PartProps) {
  const { writeRegulator } = useWriting({ segment, index })
  return (
    <Choice
      labelled
      label="A regulator at the far end"
      value={segment.regulator ? 'yes' : 'no'}
      options={
        [
          { id: 'no', text: 'None' },
          { id: 'yes', text: 'A line regulator' },
        ] as const
      }
      onChoose={(next) => writeRegulator(next === 'yes' ? {} : null)}
    />
  )
}

interface RegulatorProps extends PartProps {
  readonly regulator: LineRegulator
}

function Vent({ regulator, ...part }: RegulatorProps) {
  const { writeRegulator } = useWriting(part)
  return (
    <Choice
      labelled
      label="Vent of the regulator"
      value={regulator.vent ?? none}
      options={
        [
          { id: none, text: 'not settled' },
          { id: 'outside', text: 'To the open air' },
          { id: 'limiter', text: 'Through a limiter' },
          { id: 'inside', text: 'Into the room' },
        ] as const
      }
      onChoose={(next) => writeRegulator({ vent: settled(next) })}
    />
  )
}

function RegulatorFigures({ regulator, ...part }: RegulatorProps) {
  const { show } = useReadBy()
  const { writeRegulator } = useWriting(part)
  const place = `gas.segments.${part.index}`
  return (
    <>
      <QuantityRow
        label="The regulator is set to"
        place={`${place}.regulator`}
        measure="gas-pressure"
        value={regulator.outGauge_Pa}
        how="Marked on it"
        why="What comes after it is a stage of its own, at this pressure."
        onUse={(entry) => writeRegulator({ outGauge_Pa: knownOf(entry) })}
        onClear={() => writeRegulator({ outGauge_Pa: null })}
      />
      <QuantityRow
        label="The regulator passes at most"
        place={`${place}.regulatorMost`}
        measure="gas-flow"
        value={regulator.most_m3_s}
        how="Maker’s table, at these pressures"
        why="With everything burning it must not be passed."
        empty="needed"
        onUse={(entry) => writeRegulator({ most_m3_s: knownOf(entry) })}
        onClear={() => writeRegulator({ most_m3_s: null })}
      />
      <QuantityRow
        label="The regulator loses, at this flow"
        place={`${place}.regulatorDrop`}
        measure="gas-pressure"
        value={regulator.drop_Pa}
        how="Maker’s sheet"
        empty={`${show(usualRegulatorDrop_Pa, 'gas-pressure')} taken`}
        onUse={(entry) => writeRegulator({ drop_Pa: knownOf(entry) })}
        onClear={() => writeRegulator({ drop_Pa: null })}
      />
    </>
  )
}

function ConnectorLoss({ segment, index }: PartProps) {
  const { writeEnd } = useWriting({ segment, index })
  if (segment.end.connector !== 'flexible') return null
  return (
    <QuantityRow
      label="The connector loses"
      place={`gas.segments.${index}.connector`}
      measure="gas-pressure"
      value={segment.end.connectorDrop_Pa}
      how="Maker’s sheet"
      empty="nothing taken"
      onUse={(entry) => writeEnd({ connectorDrop_Pa: knownOf(entry) })}
      onClear={() => writeEnd({ connectorDrop_Pa: null })}
    />
  )
}

function Reserve({ segment, index }: PartProps) {
  const { write } = useWriting({ segment, index })
  return (
    <QuantityRow
      label="Kept for later, at the far end"
      place={`gas.segments.${index}.reserve`}
      measure="power"
      value={segment.reserve_W}
      how="Agreed"
      empty="nothing"
      why="Heat of an appliance that may come: the pipe is sized for it now."
      onUse={(entry) => write('reserve_W', knownOf(entry))}
      onClear={() => write('reserve_W', null)}
    />
  )
}

function MakerTable({ segment, index }: PartProps) {
  const { writeEnd } = useWriting({ segment, index })
  return (
    <Evidence>
      <p>
        A smaller pipe than the allowance permits stands only with the maker’s own table for this
        appliance, and its working pressure measured at full fire.
      </p>
      <Paper
        label={`Maker’s table for ${segment.name}`}
        paper={segment.end.makerTable}
        onChange={(makerTable) => writeEnd({ makerTable })}
      />
    </Evidence>
  )
}

const Evidence = styled.div`
  display: grid;
  gap: 4px;
  padding-top: 8px;
  p {
    font-size: var(--small);
    line-height: 20px;
    color: var(--ink-2);
  }
`
