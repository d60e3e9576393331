import { safeOutlet } from '../../practice/safeOutlet'
import { durationWords } from '../../units/format'
import { waterPipes } from './madeOn'
import type { HandTest } from './spec'
import { cannotTell, failed, passed } from './spec'

/** What a thermometer in running water is out by, K. Assumed. */
const slack_K = 0.5

/**
 * Nobody is scalded where they wash, and the farthest tap gets hot in time. Sources: the
 * practice's.
 */
export const tapTemperature: HandTest = {
  id: 'tap-temperature',
  name: 'Hot water at the taps',
  why: 'Before anybody uses it: a minute of running water at the tap that gets hottest, then the farthest one, timed from cold. Hot water scalds in seconds; keep the hand out of it.',
  at: 'once',
  applies: (_practice, { hotWater }) => hotWater !== null,
  asks: [
    {
      key: 'washing_K',
      label: 'Hottest where people wash',
      measure: 'temperature',
      live: 'temp_K',
    },
    { key: 'far_K', label: 'Farthest hot tap, steady', measure: 'temperature', live: 'temp_K' },
    { key: 'far_s', label: 'Warm there after', measure: 'seconds', clock: () => undefined },
    {
      key: 'store_K',
      label: 'Store or heater meanwhile',
      measure: 'temperature',
      optional: 'It says what the pipe loses.',
    },
  ],
  confirms: [
    { id: 'nobody', says: 'Nobody had a hand in it before it was read' },
    { id: 'every-tap', says: 'Every hot tap was run: hot is on the side it is marked' },
  ],
  madeOn: waterPipes,
  source: ({ hotWater }) => hotWater.safeOutletSource,
  judge: ({ washing_K = 0, far_K = 0, far_s = 0, store_K }, { document, practice }, show) => {
    const t = (si: number) => show(si, 'temperature')
    const { temp_K: most_K } = safeOutlet(practice, document.site)
    const { waitMost_s } = practice.water
    const { mixedTemp_K } = practice.hotWater
    const figures =
      store_K === undefined
        ? []
        : [
            {
              label: 'Lost on the way',
              told: show(Math.max(0, store_K - far_K), 'temperature-difference'),
            },
          ]
    if (washing_K > most_K + slack_K)
      return failed(
        'stop',
        `${t(washing_K)} where people wash scalds; ${t(most_K)} is the most here. Set the mixing valve, and read it again before anybody uses it.`,
        figures,
      )
    if (store_K !== undefined && far_K > store_K + 2 * slack_K)
      return cannotTell('Hotter at the tap than where it is made: read both again.', figures)
    if (far_K < mixedTemp_K - slack_K)
      return failed(
        'fix',
        `The farthest tap stays at ${t(far_K)}; ${t(mixedTemp_K)} is what one washes with. Look for cold let by through a mixer or a check valve.`,
        figures,
      )
    return far_s > waitMost_s * (1 + 1e-6)
      ? failed(
          'fix',
          `It runs ${durationWords(far_s)} before it is warm; ${durationWords(waitMost_s)} is wanted.`,
          figures,
        )
      : passed(
          `${t(washing_K)} where people wash, ${t(far_K)} at the farthest tap after ${durationWords(far_s)}.`,
          figures,
        )
  },
}
