import { PipeEditor } from '../network/PipeEditor'
import { usePipes } from '../network/usePipes'
import type { GasEnd, GasSegment, LineRegulator } from '@hestian/core'
import { burnsGas, usualRegulatorDrop_Pa } from '@hestian/core'
import styled from 'styled-components'
import { useDesign, useJobActions, useReadBy } from '../job/JobContext'
import { Choice } from '../ui/fields'
import { Paper } from '../ui/Photos'
import { knownOf, QuantityRow } from '../ui/QuantityRow'

const none = 'none'
const blankRegulator: LineRegulator = {
  outGauge_Pa: null,
  drop_Pa: null,
  most_m3_s: null,
  vent: null,
}
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
  const { draft, solution } = useDesign()
  const { edit } = useJobActions()
  const { show } = useReadBy()
  const pipes = usePipes('gas')
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
  const place = `gas.segments.${index}`
  return (
    <PipeEditor
      pipes={pipes}
      id={id}
      onGone={onGone}
      bends="Elbows"
      lengthWhy="Fittings are added to it by the method."
      endsAt={
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
      }
      choices={
        <>
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
            onChoose={(next) => edit([{ path: at('laid'), value: next === none ? null : next }])}
          />
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
              label="A regulator at the far end"
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
              label="Vent of the regulator"
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
        </>
      }
      figures={
        <>
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
              label="The regulator passes at most"
              place={`${place}.regulatorMost`}
              measure="gas-flow"
              value={segment.regulator.most_m3_s}
              how="Maker’s table, at these pressures"
              why="With everything burning it must not be passed."
              empty="needed"
              onUse={(entry) => regulator({ most_m3_s: knownOf(entry) })}
              onClear={() => regulator({ most_m3_s: null })}
            />
          )}
          {segment.regulator && (
            <QuantityRow
              label="The regulator loses, at this flow"
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
              label="Kept for later, at the far end"
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
        </>
      }
    >
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
    </PipeEditor>
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
