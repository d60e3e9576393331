import { sources } from '../../answer/sources'
import { durationWords } from '../../units/format'
import { waterPipes } from './madeOn'
import type { HandTest } from './spec'
import { cannotTell, failed, passed } from './spec'

const waters = ['clear', 'coloured or gritty'] as const
/** At least so long where nobody looks at it by the litre, s. Common practice, no source. */
const least_s = 120

/**
 * Flux, swarf and dirt are out before anything that they would block or eat. Source: sources.trade.
 */
export const flushing: HandTest = {
  id: 'flushing',
  name: 'Pipes flushed',
  why: 'At the full bore, aerators and filters off, the farthest outlet last; before taps, mixers and a new boiler see it. What comes out last is looked at against white.',
  at: 'once',
  asks: [
    { key: 'run_s', label: 'Run for', measure: 'duration', clock: () => least_s },
    { key: 'water', label: 'What comes out last is', choices: waters },
    {
      key: 'flow_m3_s',
      label: 'Flow',
      measure: 'water-flow',
      optional: 'If it was timed.',
    },
  ],
  confirms: [
    { id: 'every-outlet', says: 'Every outlet and every zone was run' },
    { id: 'back', says: 'Aerators and filters cleaned and back' },
  ],
  madeOn: waterPipes,
  source: () => sources.trade,
  judge: ({ run_s = 0, water }) => {
    if (water === 1) return failed('fix', 'Go on: it is not clear yet.', [])
    return run_s < least_s * (1 - 1e-6)
      ? cannotTell(`Run ${durationWords(run_s)}; ${durationWords(least_s)} is the least.`)
      : passed(`Clear after ${durationWords(run_s)}.`, [])
  },
}
