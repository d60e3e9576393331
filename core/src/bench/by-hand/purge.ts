import { hasGas } from '../../job/hasGas'
import { gasPipes } from './madeOn'
import type { Practice } from '../../practice/practice'
import type { Show } from '../../units/format'
import { durationWords } from '../../units/format'
import type { Given, HandTest } from './spec'
import { cannotTell, failed, passed } from './spec'

/**
 * Air and gas that meet slowly mix: through a small pipe it is driven faster than this, m/s. Common
 * practice, no source.
 */
const least_m_s = 0.6

/**
 * What was in the pipe is driven out by gas, enough of it and fast enough; at a burner only where
 * the practice lets it end there. Source: the practice's.
 */
export const purge: HandTest = {
  id: 'purge',
  name: 'Purge of the gas pipe',
  why: 'After the tightness test and before the first flame. The outlet is watched all the while, nothing that can light it is near, nobody smokes, no switch is touched; rooms are aired. Gas to be let go goes where it can do no harm.',
  at: 'once',
  applies: (_practice, document) => hasGas(document),
  asks: [
    { key: 'volume_m3', label: 'Meter and pipes hold', measure: 'small-volume' },
    { key: 'purged_m3', label: 'Gas let through, by the meter', measure: 'small-volume' },
    { key: 'time_s', label: 'In', measure: 'duration', clock: () => undefined },
    { key: 'bore_m', label: 'Bore of the widest pipe', measure: 'bore' },
    {
      key: 'left_ratio',
      label: 'Gas at the outlet, by an analyser',
      measure: 'ratio',
      optional: 'Where it did not end at a burner that burns steadily.',
    },
  ],
  confirms: [
    { id: 'watched', says: 'Outlet watched throughout; no flame, switch or smoker near; aired' },
    {
      id: 'dead-ends',
      says: 'Every branch purged, the longest last; caps and test point shut after',
    },
  ],
  madeOn: gasPipes,
  source: ({ purge }) => purge.source,
  judge: (given, { practice }, show) => {
    const { volume_m3 = 0, purged_m3 = 0, time_s = 0, bore_m = 0 } = given
    const rule = practice.purge
    const v = (si: number) => show(si, 'small-volume')
    if (!(time_s > 0 && bore_m > 0 && volume_m3 > 0))
      return cannotTell('Nothing can be computed from these figures. Read them again.')
    const speed_m_s = purged_m3 / time_s / ((Math.PI / 4) * bore_m ** 2)
    const asked_m3 = rule.factor * volume_m3
    const figures = [
      { label: 'Asked', told: v(asked_m3) },
      { label: 'Speed in the widest pipe', told: show(speed_m_s, 'velocity') },
    ]
    const wrong = wrongEnd(given, rule, show)
    if (wrong !== undefined) return failed('stop', wrong, figures)
    if (purged_m3 < asked_m3 * (1 - 1e-6))
      return failed(
        'fix',
        `${v(purged_m3)} went through; ${v(asked_m3)} is asked. Go on before anything is lit.`,
        figures,
      )
    return speed_m_s < least_m_s
      ? cannotTell(
          `So slow it mixes: ${show(speed_m_s, 'velocity')} where ${show(least_m_s, 'velocity')} drives it out. Purge it again, faster.`,
          figures,
        )
      : passed(`${v(purged_m3)} went through in ${durationWords(time_s)}.`, figures)
  },
}

/** What is wrong with where it ended, and what came out there; undefined where nothing is. */
function wrongEnd(
  { volume_m3 = 0, left_ratio }: Given,
  { burnerMost_m3, leastGas }: Practice['purge'],
  show: Show,
): string | undefined {
  const v = (si: number) => show(si, 'small-volume')
  if (left_ratio !== undefined)
    return left_ratio < leastGas
      ? `${show(left_ratio, 'ratio', 0)} of gas at the outlet: it is not purged. ${show(leastGas, 'ratio', 0)} is asked.`
      : undefined
  return volume_m3 > burnerMost_m3 * (1 + 1e-9)
    ? `${v(volume_m3)} is too much to end at a burner: at most ${v(burnerMost_m3)}. Purge it outdoors, by an analyser.`
    : undefined
}
