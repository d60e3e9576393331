import type { HotWaterSafety, SafetyAnswer } from '@hestian/core'
import { waterFields } from '@hestian/core'
import { Link } from 'react-router'
import styled from 'styled-components'
import { capital, known } from '../ui/numbers'
import { useDesign, useJobActions, useReadBy, useStanding } from '../job/JobContext'
import { SurveyRow } from '../job/SurveyRow'
import { SectionHead } from '../ui/Answer'
import { Choice } from '../ui/Choice'
import { Ledger, QuantityRow } from '../ui/QuantityRow'
import { rowId } from '../ui/quantity'
import { NotesHere } from '../ui/SheetPage'

type KnownKey =
  | 'reducingGauge_Pa'
  | 'reducingFall_Pa'
  | 'expansionReliefGauge_Pa'
  | 'temperatureReliefGauge_Pa'
  | 'temperatureReliefTemp_K'
  | 'vesselChargeGauge_Pa'

/** Settings of a store: supply, reliefs, vessel. */
export function SafetyInputs({ answer }: { readonly answer: SafetyAnswer | undefined }) {
  const { draft, solution } = useDesign()
  const { state } = useStanding()
  const { edit } = useJobActions()
  const { show } = useReadBy()
  const { hotWater } = draft.document
  if (!hotWater) return null
  const safety: HotWaterSafety = hotWater.safety
  const { practice } = solution
  const { words } = practice
  const at = (key: KnownKey) => known(safety[key], ['hotWater', 'safety', key], edit)
  const pressure = { measure: 'water-pressure' as const }
  const usual = (gauge_Pa: number | undefined) =>
    gauge_Pa === undefined ? 'none usual here' : `${show(gauge_Pa, 'water-pressure')} assumed`
  const field = waterFields.find((one) => one.key === 'coldMainStaticGauge_Pa')
  const sizes = [
    {
      id: 'choose',
      text: answer
        ? `Chosen for me: ${answer.fitted_m3 === 0 ? 'none' : show(answer.fitted_m3, 'small-volume')}`
        : 'Choose for me',
    },
    { id: '0', text: 'None' },
    ...practice.vessel.sizes_m3.map((size) => ({
      id: String(size),
      text: show(size, 'small-volume'),
    })),
  ]
  return (
    <div>
      <SectionHead>
        Inputs<small>ink: known, pencil: assumed</small>
      </SectionHead>
      <Ledger>
        <li>
          <Heater
            data-place="hotWater.safety.heater"
            id={rowId('hotWater.safety.heater')}
            to={`/jobs/${state.id}/plates`}
          >
            <span>
              {answer
                ? `${answer.heater.name}: ${show(answer.store_m3, 'small-volume')}${answer.ratedGauge_Pa === undefined ? '' : `, stands ${show(answer.ratedGauge_Pa, 'water-pressure')}`}`
                : 'The heater or store'}
            </span>
            <small>from Rating plates</small>
          </Heater>
          <NotesHere place="hotWater.safety.heater" />
        </li>
        {field && <SurveyRow field={field} />}
        <QuantityRow
          label={`${capital(words.reducingValve)} set to`}
          {...pressure}
          {...at('reducingGauge_Pa')}
          how="Marked on the valve"
          why="The vessel is charged to what stands after it, and everything above it on the ladder hangs on it."
          empty={
            answer && !answer.hasReducing
              ? 'none on this main'
              : usual(practice.safety.reducingGauge_Pa)
          }
        />
        <QuantityRow
          label="It falls at the wanted flow by"
          {...pressure}
          {...at('reducingFall_Pa')}
          how="Maker's curve"
          why="What is left at the taps while everything runs."
          empty="not read: none taken"
        />
        <QuantityRow
          label={`Expansion ${words.reliefValve}, set pressure`}
          {...pressure}
          {...at('expansionReliefGauge_Pa')}
          how="Tag"
          why="It lifts before the hot one, so that cold water goes and hot stays."
          empty={usual(practice.safety.expansionReliefGauge_Pa)}
        />
        <QuantityRow
          label={`${capital(words.temperatureRelief)}, set pressure`}
          {...pressure}
          {...at('temperatureReliefGauge_Pa')}
          how="Tag"
          why="No higher than what the store stands."
          empty={usual(practice.safety.temperatureReliefGauge_Pa)}
        />
        <QuantityRow
          label="and opens at"
          measure="temperature"
          {...at('temperatureReliefTemp_K')}
          how="Tag"
          why="Before the water could boil when it is let out."
          empty={`${show(practice.safety.temperatureReliefTemp_K, 'temperature')} assumed`}
        />
        <QuantityRow
          label="Vessel charge set by hand"
          {...pressure}
          {...at('vesselChargeGauge_Pa')}
          how="Gauge, water side empty"
          why="Equal to the supply after the reducing valve, read at a usual hour."
          empty="equal to the supply"
        />
        <li>
          <Size
            data-place="hotWater.safety.vesselSize_m3"
            id={rowId('hotWater.safety.vesselSize_m3')}
          >
            <span>{capital(words.vessel)} fitted</span>
            <Choice
              label="Potable vessel fitted"
              value={safety.vesselSize_m3 === null ? 'choose' : String(safety.vesselSize_m3)}
              options={sizes}
              onChoose={(id) =>
                edit([
                  {
                    path: ['hotWater', 'safety', 'vesselSize_m3'],
                    value: id === 'choose' ? null : Number(id),
                  },
                ])
              }
            />
          </Size>
          <NotesHere place="hotWater.safety.vesselSize_m3" />
        </li>
      </Ledger>
    </div>
  )
}

const row = ` display: grid; align-items: center; gap: 8px; min-height: 35px; border-bottom: 0.8px solid var(--hair); `
const Heater = styled(Link)`
  ${row} grid-template-columns: minmax(0, 1fr) minmax(96px, 0.4fr);
  text-decoration: none;
  small {
    font-size: var(--note);
    color: var(--ink-3);
  }
  &:hover {
    background: var(--select);
  }
`
const Size = styled.div`
  ${row} grid-template-columns: minmax(0, 1fr) minmax(0, 250px);
  > span::first-letter {
    text-transform: uppercase;
  }
`
