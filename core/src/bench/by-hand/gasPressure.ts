import { atMost } from '../../answer/expect'
import { lockUp } from '../../methods/gas/rate'
import { gasPipes } from './madeOn'
import type { At, Figure, Found, HandTest } from './spec'
import { cannotTell, failed, passed } from './spec'
import type { Show } from '../../units/format'

/** What the three readings are. */
interface Read {
  readonly static_Pa: number
  readonly working_Pa: number
  readonly meter_Pa: number
}
type Wrong = Pick<Found, 'severity' | 'says'>

/**
 * What the plate of the appliance says against what stands at its inlet; undefined where nothing
 * speaks against it.
 */
function againstPlate({ static_Pa, working_Pa }: Read, { appliance }: At, show: Show) {
  const p = (si: number) => show(si, 'gas-pressure')
  const most_Pa = appliance?.maxInletGauge_Pa?.value ?? Infinity
  const least_Pa = appliance?.minInletGauge_Pa?.value ?? 0
  const highest_Pa = Math.max(static_Pa, working_Pa)
  if (highest_Pa > most_Pa * (1 + 1e-6))
    return {
      severity: 'stop',
      says: `${p(highest_Pa)} stands at the inlet; the plate allows ${p(most_Pa)}. Shut it off and look at the regulator.`,
    } satisfies Wrong
  return atMost(least_Pa, working_Pa)
    ? undefined
    : ({
        severity: 'fix',
        says: `${p(working_Pa)} is left at full load; the plate asks ${p(least_Pa)}.`,
      } satisfies Wrong)
}

/** Readings that cannot be right together. */
function swapped({ static_Pa, working_Pa, meter_Pa }: Read): string | undefined {
  if (working_Pa > static_Pa * 1.001)
    return 'Working stands above static: the two are swapped, or the regulator drifts.'
  return meter_Pa < working_Pa - 10
    ? 'More stands at the appliance than at the meter. Read both again.'
    : undefined
}

/** What the pipe or the supplier's meter is to be put right for. */
function againstSupply({ working_Pa, meter_Pa }: Read, { practice, document }: At, show: Show) {
  const p = (si: number) => show(si, 'gas-pressure')
  const { allowance_Pa, supplyBand_Pa } = practice.gas
  const [least_Pa, most_Pa] = supplyBand_Pa[document.survey.fuel]
  const drop_Pa = meter_Pa - working_Pa
  if (!atMost(drop_Pa, allowance_Pa))
    return {
      severity: 'fix',
      says: `The pipe takes ${p(drop_Pa)}; ${p(allowance_Pa)} is allowed.`,
    } satisfies Wrong
  return meter_Pa < least_Pa - 0.5 || meter_Pa > most_Pa + 0.5
    ? ({
        severity: 'fix',
        says: `The meter gives ${p(meter_Pa)} at full load; ${p(least_Pa)} to ${p(most_Pa)} is usual here. That is the supplier’s.`,
      } satisfies Wrong)
    : undefined
}

/**
 * The fall told apart: what the pipe takes, what the meter and its regulator do. Source: the
 * practice's allowance and band.
 */
export const gasPressure: HandTest = {
  id: 'gas-pressure',
  name: 'Gas pressure, everything on',
  why: 'Static, then with every burner at full load. It tells a small pipe from a weak supply: the difference is the pipe, the rest is meter and regulator.',
  at: 'each-burner',
  asks: [
    {
      key: 'static_Pa',
      label: 'At the appliance, nothing burning',
      measure: 'gas-pressure',
      live: 'gauge_Pa',
    },
    {
      key: 'working_Pa',
      label: 'At the appliance, everything burning',
      measure: 'gas-pressure',
      live: 'gauge_Pa',
    },
    {
      key: 'meter_Pa',
      label: 'At the meter, everything burning',
      measure: 'gas-pressure',
      live: 'gauge_Pa',
    },
  ],
  confirms: [
    { id: 'zeroed', says: 'The gauge was zeroed and its hose proved' },
    { id: 'nipple', says: 'The test nipple is shut again and soaped: dry' },
  ],
  madeOn: gasPipes,
  source: ({ gas }) => gas.allowanceSource,
  judge: ({ static_Pa = 0, working_Pa = 0, meter_Pa = 0 }, at, show) => {
    const read = { static_Pa, working_Pa, meter_Pa }
    const p = (si: number) => show(si, 'gas-pressure')
    const figures: Figure[] = [
      { label: 'The pipe takes', told: p(meter_Pa - working_Pa) },
      ...(working_Pa > 0
        ? [
            {
              label: 'Rises when nothing burns',
              told: p(lockUp({ staticGauge_Pa: static_Pa, runningGauge_Pa: working_Pa }).rise_Pa),
            },
          ]
        : []),
    ]
    const plate = againstPlate(read, at, show)
    if (plate) return failed(plate.severity, plate.says, figures)
    const odd = swapped(read)
    if (odd !== undefined) return cannotTell(odd, figures)
    const supply = againstSupply(read, at, show)
    if (supply) return failed(supply.severity, supply.says, figures)
    const takes = `The pipe takes ${p(meter_Pa - working_Pa)} of the ${p(at.practice.gas.allowance_Pa)} allowed`
    return at.appliance?.maxInletGauge_Pa && at.appliance.minInletGauge_Pa
      ? passed(`${takes}; ${p(working_Pa)} is left at the appliance.`, figures)
      : cannotTell(`${takes}, but the inlet pressures on the plate are not read.`, figures)
  },
}
