import { memo } from 'react'
import type { LowGasMethod } from '@hestian/core'
import { altitudeFactor, gasMethods } from '@hestian/core'
import { useDesign, useJobActions, useReadBy } from '../job/JobContext'
import { SectionHead } from '../ui/Answer'
import { Choice } from '../ui/Choice'
import { InlineText } from '../ui/fields'
import { Ledger, QuantityRow } from '../ui/QuantityRow'
import { knownOf } from '../ui/quantity'
import { PipeGrid } from '../network/PipeEditor'

const names: Readonly<Record<LowGasMethod, string>> = {
  'nfpa54-low': 'Low-pressure equation',
  darcy: 'Darcy–Weisbach, Colebrook',
  renouard: 'Renouard’s formula',
}
const own = 'practice'

/** By which equation and for how much of the load the pipes are sized, and the bond to earth. */
export const GasRules = memo(function GasRules() {
  const { draft, solution } = useDesign()
  const { edit } = useJobActions()
  const { show } = useReadBy()
  const { gas, survey } = draft.document
  const { practice } = solution
  const factor = survey.elevation_m ? altitudeFactor(survey.elevation_m.value) : 1
  const { diversity } = gas
  return (
    <section>
      <SectionHead>By what rule</SectionHead>
      <PipeGrid>
        <Choice
          labelled
          label="Equation"
          value={gas.method ?? own}
          options={[
            { id: own, text: `The practice’s: ${names[practice.gas.method]}` },
            ...gasMethods
              .filter((method) => method !== practice.gas.method)
              .map((method) => ({ id: method, text: names[method] })),
          ]}
          onChoose={(next) =>
            edit([{ path: ['gas', 'method'], value: next === own ? null : next }])
          }
        />
        <Choice
          labelled
          label="Burning at once"
          value={diversity ? 'share' : 'all'}
          options={
            [
              { id: 'all', text: 'Everything' },
              { id: 'share', text: 'A share, by a declared rule' },
            ] as const
          }
          onChoose={(next) =>
            edit([
              {
                path: ['gas', 'diversity'],
                value:
                  next === 'all'
                    ? null
                    : {
                        ratio: { value: 0.8, basis: 'assumed', from: '' },
                        rule: 'Rule to be named',
                      },
              },
            ])
          }
        />
        <Choice
          labelled
          label="Gas pipe bonded to earth"
          value={gas.bonded ?? 'open'}
          options={
            [
              { id: 'open', text: 'not looked at' },
              { id: 'yes', text: 'Yes' },
              { id: 'no', text: 'No' },
            ] as const
          }
          onChoose={(next) =>
            edit([{ path: ['gas', 'bonded'], value: next === 'open' ? null : next }])
          }
        />
        <MeterKind />
        {factor < 1 && practice.gas.altitudeDerates && (
          <Choice
            labelled
            label={`At ${survey.elevation_m ? show(survey.elevation_m.value, 'elevation') : 'this height'}`}
            value={gas.derated ? 'derated' : 'plate'}
            options={
              [
                { id: 'plate', text: 'Sized for the plates’ full input' },
                {
                  id: 'derated',
                  text: `Sized for ${show(factor, 'ratio', 0)} of it, as set on site`,
                },
              ] as const
            }
            onChoose={(next) => edit([{ path: ['gas', 'derated'], value: next === 'derated' }])}
          />
        )}
        {diversity && (
          <InlineText
            labelled
            required
            least={3}
            lines
            label="By which rule"
            value={diversity.rule}
            maxLength={300}
            onCommit={(rule) => edit([{ path: ['gas', 'diversity', 'rule'], value: rule.trim() }])}
          />
        )}
      </PipeGrid>
      <Ledger>
        <QuantityRow
          label="The meter itself loses, at full load"
          place="gas.meterDrop"
          measure="gas-pressure"
          value={gas.meterDrop_Pa}
          how="Meter’s badge or two gauges"
          empty="not told apart"
          why="What is lost from lock-up to the meter’s outlet, less this, is the regulator’s."
          onUse={(entry) => edit([{ path: ['gas', 'meterDrop_Pa'], value: knownOf(entry) }])}
          onClear={() => edit([{ path: ['gas', 'meterDrop_Pa'], value: null }])}
        />
        <QuantityRow
          label="Meter and regulator hold"
          place="gas.meterVolume"
          measure="small-volume"
          value={gas.meterVolume_m3}
          how="Badge, or its maker’s sheet"
          empty={
            survey.fuel === 'propane'
              ? 'none'
              : `${show(practice.tightness.meter_m3, 'small-volume')}, as usual here`
          }
          why="It counts in the volume under test."
          onUse={(entry) => edit([{ path: ['gas', 'meterVolume_m3'], value: knownOf(entry) }])}
          onClear={() => edit([{ path: ['gas', 'meterVolume_m3'], value: null }])}
        />
      </Ledger>
      {diversity && (
        <Ledger>
          <QuantityRow
            label="Share that burns at once"
            place="gas.diversity"
            measure="ratio"
            value={diversity.ratio}
            how="The rule"
            why="Never less than the largest appliance of a pipe."
            onUse={(entry) =>
              edit([{ path: ['gas', 'diversity', 'ratio'], value: knownOf(entry) }])
            }
          />
        </Ledger>
      )}
    </section>
  )
})

const meters = [
  { id: 'open', text: 'not named: no fall allowed' },
  { id: 'diaphragm-meter-U6-G4', text: 'Diaphragm, U6 or G4' },
  { id: 'ultrasonic-meter-E6', text: 'Ultrasonic, E6' },
  { id: 'diaphragm-meter-U16-G10', text: 'Diaphragm, U16 or G10' },
] as const

/** Which meter measures: where the fall that pipe in use may show goes by it. */
function MeterKind() {
  const { draft, solution } = useDesign()
  const { edit } = useJobActions()
  const { gas, survey } = draft.document
  if (!solution.practice.tightness.existing || survey.fuel !== 'natural-gas') return null
  return (
    <Choice
      labelled
      label="The meter, for pipe that was here"
      value={gas.meterKind ?? 'open'}
      options={meters}
      onChoose={(next) =>
        edit([{ path: ['gas', 'meterKind'], value: next === 'open' ? null : next }])
      }
    />
  )
}
