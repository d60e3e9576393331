import { durationWords } from '../../units/format'
import { sources } from '../../answer/sources'
import { burnerHere } from './madeOn'
import type { HandTest } from './spec'
import { cannotTell, failed, passed } from './spec'

/** Fall that a gauge for water shows as none, Pa. Common practice, no source. */
const perceptible_Pa = 1e4
/** At least so long where the maker says nothing, s. Assumed. */
const least_s = 600

const plugged = ['Relief valves', 'Expansion vessel', 'Pressure gauges and sensors'] as const

/**
 * A boiler or a store under test by water, only by its maker's own instruction. Source: the
 * maker's.
 */
export const hydrostatic: HandTest = {
  id: 'hydrostatic',
  name: 'Hydrostatic test by the maker’s instruction',
  why: 'Pipe tests isolate a boiler or a store. This one is made only where its maker’s field instruction on file says so: cold water, no air, never above the test pressure on its plate. Relief valves, vessel and gauges come off and their ends are plugged; a relief is never gagged. Nothing is heated until each is back.',
  at: 'each-instructed',
  offered: true,
  asks: [
    { key: 'plate_Pa', label: 'Test pressure on its plate', measure: 'water-pressure' },
    {
      key: 'start_Pa',
      label: 'Gauge at the start',
      measure: 'water-pressure',
      live: 'water_Pa',
    },
    { key: 'end_Pa', label: 'Gauge at the end', measure: 'water-pressure', live: 'water_Pa' },
    { key: 'held_s', label: 'Held for', measure: 'duration', clock: () => least_s },
  ],
  confirms: [
    {
      id: 'instruction',
      says: 'The maker’s field instruction for this test is on file, and is followed',
    },
    {
      id: 'off',
      says: 'Relief valves, vessel and gauges are off, their ends plugged; none is gagged',
    },
    { id: 'cold', says: 'Cold water only, bled at the top; heat and power are off and locked' },
  ],
  leavesOff: ({ appliance }) =>
    plugged.map((name) => ({
      kind: 'off',
      name,
      state: 'disconnected',
      where: appliance?.name ?? '',
      because: 'hydrostatic test',
      // No heat before: the step at which either sequence lets it in.
      backBefore: appliance?.kind === 'boiler' ? 'power-on' : 'gas-on',
    })),
  madeOn: burnerHere,
  source: () => sources.maker,
  judge: ({ plate_Pa = 0, start_Pa = 0, end_Pa = 0, held_s = 0 }, _at, show) => {
    const p = (si: number) => show(si, 'water-pressure')
    const figures = [{ label: 'Fell', told: p(start_Pa - end_Pa) }]
    if (Math.max(start_Pa, end_Pa) > plate_Pa * (1 + 1e-6))
      return failed(
        'stop',
        `${p(Math.max(start_Pa, end_Pa))} is above the ${p(plate_Pa)} of its plate. Let it down, and do not use it before its maker has said that it is sound.`,
        figures,
      )
    if (start_Pa - end_Pa > perceptible_Pa)
      return failed('fix', `It fell ${p(start_Pa - end_Pa)} in ${durationWords(held_s)}.`, figures)
    if (end_Pa > start_Pa + perceptible_Pa)
      return cannotTell(
        'It rose: it warms, or water comes in. Let it settle and hold it again.',
        figures,
      )
    return held_s < least_s * (1 - 1e-6)
      ? cannotTell(
          `Held ${durationWords(held_s)}; ${durationWords(least_s)} is the least.`,
          figures,
        )
      : passed(
          `${p(start_Pa)} held for ${durationWords(held_s)}; its plate says ${p(plate_Pa)}.`,
          figures,
        )
  },
}
