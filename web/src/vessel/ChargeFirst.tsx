import type { VesselAnswer } from '@hestian/core'
import styled from 'styled-components'
import { useDesign, useJobActions, useReadBy } from '../job/JobContext'
import { SectionHead } from '../ui/Answer'
import { Ledger, QuantityRow } from '../ui/QuantityRow'
import { Worked } from '../ui/Worked'
import { known } from '../ui/numbers'
import { phone } from '../ui/phone'

/**
 * The figure to pump up to before any water goes in, for the temperature of the day, and what has
 * to be changed of what came preset.
 */
export function ChargeFirst({ answer }: { readonly answer: VesselAnswer }) {
  const { draft, solution } = useDesign()
  const { edit } = useJobActions()
  const { show } = useReadBy()
  const { heating } = draft.document
  const { words } = solution.practice
  const { pumpUp, need, fitted_m3, builtIn } = answer
  if (!heating) return null
  return (
    <section>
      <SectionHead>
        Charge before filling<small>{words.vessel} isolated, its water side empty and open</small>
      </SectionHead>
      <Figure>
        <b className="tnum">
          <Worked of="pumpUpGauge_Pa">{show.set(pumpUp.gauge_Pa)}</Worked>
        </b>
        <span>
          Pump the {fitted_m3 === 0 && builtIn ? 'built-in ' : ''}
          {words.vessel} up to this today, at {show(pumpUp.dayTemp_K, 'temperature')}. In use it
          stands warmer and reads the <b>{show(need.chargeGauge_Pa, 'water-pressure')}</b> of the
          design. Read it with a gauge, write it on the label with the day: a charge that was never
          read is the commonest reason for a weeping {words.reliefValve}.
        </span>
      </Figure>
      <Ledger>
        <QuantityRow
          label="Temperature where the vessel stands today"
          measure="temperature"
          {...known(heating.dayTemp_K, ['heating', 'dayTemp_K'], edit)}
          how="Thermometer"
          why="Air in the vessel follows the gas law: charged cold, it reads more when it is warm."
          empty="20 °C assumed"
        />
      </Ledger>
    </section>
  )
}

const Figure = styled.div`
  display: grid;
  grid-template-columns: auto minmax(0, 62ch);
  gap: 18px;
  align-items: center;
  padding: 8px 0;
  > b {
    font: 600 52px/56px var(--head);
    letter-spacing: -0.02em;
    white-space: nowrap;
  }
  span {
    color: var(--ink-2);
  }
  span b {
    color: var(--ink);
  }
  ${phone} {
    grid-template-columns: minmax(0, 1fr);
    gap: 4px;
  }
`
