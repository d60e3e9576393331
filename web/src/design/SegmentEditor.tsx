import type { GasEnd, GasSegment, LineRegulator, MaterialName } from '@hestian/core'
import { beyondOf, burnsGas, materials, materialsFor, usualRegulatorDrop_Pa } from '@hestian/core'
import styled from 'styled-components'
import { useJob } from '../job/JobContext'
import { SectionHead } from '../ui/Answer'
import { Button } from '../ui/Button'
import { Choice, InlineCount, InlineText } from '../ui/fields'
import { Paper } from '../ui/Photos'
import { knownOf, Ledger, QuantityRow } from '../ui/QuantityRow'

const none = 'none'
const blankRegulator: LineRegulator = { outGauge_Pa: null, drop_Pa: null, vent: null }
const yesNo = [
  { id: none, text: 'not settled' },
  { id: 'yes', text: 'Yes' },
  { id: 'no', text: 'No' },
] as const

/** One gas pipe: where it leaves from, how long, its fittings, material and size, what it ends at and what stands there. */
export function SegmentEditor({
  id,
  onGone,
}: {
  readonly id: string
  readonly onGone: () => void
}) {
  const { draft, edit, solution, show } = useJob()
  const { segments } = draft.document.gas
  const index = segments.findIndex((segment) => segment.id === id)
  const segment = segments[index]
  if (!segment) return null
  const at = (key: keyof GasSegment) => ['gas', 'segments', index, key]
  const end = (change: Partial<GasEnd>) =>
    edit([{ path: at('end'), value: { ...segment.end, ...change } }])
  const regulator = (change: Partial<LineRegulator> | null) =>
    edit([
      {
        path: at('regulator'),
        value: change && { ...(segment.regulator ?? blankRegulator), ...change },
      },
    ])
  const burners = draft.document.appliances.filter((appliance) => burnsGas(appliance.kind))
  const beyond = beyondOf(segments, id)
  const elsewhere = segments.filter((other) => !beyond.has(other.id))
  const place = `gas.segments.${index}`
  const remove = () => {
    edit([
      {
        path: ['gas', 'segments'],
        value: segments
          .filter((other) => other.id !== id)
          .map((other) => (other.from === id ? { ...other, from: segment.from } : other)),
      },
    ])
    onGone()
  }
  return (
    <Panel aria-label={`Pipe: ${segment.name}`}>
      <SectionHead>
        {segment.name}
        <small>
          <Button look="text" onPress={remove}>
            Remove this pipe
          </Button>
        </small>
      </SectionHead>
      <Grid>
        <InlineText
          labelled
          required
          label="Name"
          value={segment.name}
          maxLength={120}
          onCommit={(name) => edit([{ path: at('name'), value: name.trim() }])}
        />
        <Choice
          labelled
          label="Leaves from"
          value={segment.from}
          options={[
            { id: 'meter', text: 'The meter' },
            ...elsewhere.map((other) => ({ id: other.id, text: `End of ${other.name}` })),
          ]}
          onChoose={(from) => edit([{ path: at('from'), value: from }])}
        />
        <Choice
          labelled
          label="Ends at"
          value={segment.applianceId ?? none}
          options={[
            { id: none, text: 'A branch' },
            ...burners.map((appliance) => ({ id: appliance.id, text: appliance.name })),
          ]}
          onChoose={(next) =>
            edit([{ path: at('applianceId'), value: next === none ? null : next }])
          }
        />
        <Choice<MaterialName>
          labelled
          label="Material"
          value={segment.material}
          options={materialsFor('gas').map((name) => ({ id: name, text: materials[name].label }))}
          onChoose={(material) =>
            edit([
              { path: at('material'), value: material },
              { path: at('size'), value: null },
            ])
          }
        />
        <Choice
          labelled
          label="Size"
          value={segment.size ?? none}
          options={[
            { id: none, text: 'Choose for me' },
            ...materials[segment.material].sizes.map((size) => ({
              id: size.name as string,
              text: size.name as string,
            })),
          ]}
          onChoose={(size) => edit([{ path: at('size'), value: size === none ? null : size }])}
        />
        <Two>
          <InlineCount
            labelled
            label="Elbows"
            value={segment.elbows}
            onCommit={(elbows) => edit([{ path: at('elbows'), value: elbows }])}
          />
          <InlineCount
            labelled
            label="Tees, branch"
            value={segment.branchTees}
            onCommit={(tees) => edit([{ path: at('branchTees'), value: tees }])}
          />
        </Two>
        {segment.applianceId !== null && (
          <>
            <Choice
              labelled
              label="Shut-off within reach"
              value={segment.end.shutOff ?? none}
              options={yesNo}
              onChoose={(next) => end({ shutOff: next === none ? null : next })}
            />
            <Choice
              labelled
              label="Connected by"
              value={segment.end.connector ?? none}
              options={
                [
                  { id: none, text: 'not settled' },
                  { id: 'rigid', text: 'Rigid pipe' },
                  { id: 'flexible', text: 'A flexible connector' },
                ] as const
              }
              onChoose={(next) => end({ connector: next === none ? null : next })}
            />
            {solution.practice.gas.trapWanted && (
              <Choice
                labelled
                label="Sediment trap"
                value={segment.end.trap ?? none}
                options={yesNo}
                onChoose={(next) => end({ trap: next === none ? null : next })}
              />
            )}
          </>
        )}
        {segment.applianceId === null && (
          <Choice
            labelled
            label="A regulator at its end"
            value={segment.regulator ? 'yes' : 'no'}
            options={
              [
                { id: 'no', text: 'None' },
                { id: 'yes', text: 'A line regulator' },
              ] as const
            }
            onChoose={(next) => regulator(next === 'yes' ? {} : null)}
          />
        )}
        {segment.regulator && (
          <Choice
            labelled
            label="Its vent"
            value={segment.regulator.vent ?? none}
            options={
              [
                { id: none, text: 'not settled' },
                { id: 'outside', text: 'To the open air' },
                { id: 'limiter', text: 'Through a limiter' },
                { id: 'inside', text: 'Into the room' },
              ] as const
            }
            onChoose={(next) => regulator({ vent: next === none ? null : next })}
          />
        )}
      </Grid>
      <Ledger>
        <QuantityRow
          label="Length of pipe"
          place={`${place}.length`}
          measure="length"
          value={segment.length_m}
          how="Tape"
          why="Fittings are added to it by the method."
          onUse={(entry) => edit([{ path: at('length_m'), value: knownOf(entry) }])}
          onClear={() => edit([{ path: at('length_m'), value: null }])}
        />
        {segment.regulator && (
          <QuantityRow
            label="The regulator is set to"
            place={`${place}.regulator`}
            measure="gas-pressure"
            value={segment.regulator.outGauge_Pa}
            how="Marked on it"
            why="What comes after it is a stage of its own, at this pressure."
            onUse={(entry) => regulator({ outGauge_Pa: knownOf(entry) })}
            onClear={() => regulator({ outGauge_Pa: null })}
          />
        )}
        {segment.regulator && (
          <QuantityRow
            label="It loses itself, at this flow"
            place={`${place}.regulatorDrop`}
            measure="gas-pressure"
            value={segment.regulator.drop_Pa}
            how="Maker’s sheet"
            empty={`${show(usualRegulatorDrop_Pa, 'gas-pressure')} taken`}
            onUse={(entry) => regulator({ drop_Pa: knownOf(entry) })}
            onClear={() => regulator({ drop_Pa: null })}
          />
        )}
        {segment.end.connector === 'flexible' && segment.applianceId !== null && (
          <QuantityRow
            label="The connector loses"
            place={`${place}.connector`}
            measure="gas-pressure"
            value={segment.end.connectorDrop_Pa}
            how="Maker’s sheet"
            empty="nothing taken"
            onUse={(entry) => end({ connectorDrop_Pa: knownOf(entry) })}
            onClear={() => end({ connectorDrop_Pa: null })}
          />
        )}
        {segment.applianceId === null && (
          <QuantityRow
            label="Kept for later, at its end"
            place={`${place}.reserve`}
            measure="power"
            value={segment.reserve_W}
            how="Agreed"
            empty="nothing"
            why="Heat of an appliance that may come: the pipe is sized for it now."
            onUse={(entry) => edit([{ path: at('reserve_W'), value: knownOf(entry) }])}
            onClear={() => edit([{ path: at('reserve_W'), value: null }])}
          />
        )}
      </Ledger>
      {segment.applianceId !== null && (
        <Evidence>
          <p>
            A smaller pipe than the allowance permits stands only with the maker’s own table for
            this appliance, and its working pressure measured at full fire.
          </p>
          <Paper
            label={`Maker’s table for ${segment.name}`}
            paper={segment.end.makerTable}
            onChange={(makerTable) => end({ makerTable })}
          />
        </Evidence>
      )}
    </Panel>
  )
}

const Panel = styled.section`
  margin: 4px -14px 8px -24px;
  padding: 4px 14px 12px 24px;
  background: color-mix(in srgb, var(--select) 45%, var(--paper));
  @media (max-width: 720px) {
    margin: 4px -14px 8px -12px;
    padding: 4px 14px 12px 12px;
  }
`
const Grid = styled.div`
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 10px 20px;
  margin: 8px 0;
  @media (max-width: 720px) {
    grid-template-columns: 1fr;
  }
`
const Two = styled.div`
  display: flex;
  gap: 20px;
`
const Evidence = styled.div`
  display: grid;
  gap: 4px;
  padding-top: 8px;
  p {
    font-size: 15px;
    line-height: 20px;
    color: var(--ink-2);
  }
`
export { Panel as PipePanel, Grid as PipeGrid, Two as PipePair }
