import { durationWords } from '../../units/format'
import { waterPipes } from './madeOn'
import type { HandTest } from './spec'
import { cannotTell, failed, passed } from './spec'

/**
 * New drinking-water pipe and stores, dosed, held, and flushed until what is left may be drunk.
 * Source: the practice's.
 */
export const disinfection: HandTest = {
  id: 'disinfection',
  name: 'Drinking water disinfected',
  why: 'After flushing, before anybody drinks. Every outlet is drawn until the dose is there, signs hang at each, then it stands. It must not be drunk, and not be mixed with acid or anything else: chlorine gas kills. The store’s maker says what its coating stands.',
  at: 'once',
  offered: true,
  asks: [
    { key: 'dose_kg_m3', label: 'Free chlorine at the farthest outlet', measure: 'concentration' },
    {
      key: 'held_s',
      label: 'Stood for',
      measure: 'duration',
      clock: ({ disinfection: { hold_s } }) => hold_s,
    },
    { key: 'left_kg_m3', label: 'At the end of it', measure: 'concentration' },
    { key: 'after_kg_m3', label: 'After flushing it out', measure: 'concentration' },
  ],
  confirms: [
    { id: 'signs', says: 'Signs hung at every outlet while it stood, and are down now' },
    { id: 'flushed', says: 'Every outlet, store and dead end was flushed out' },
  ],
  madeOn: waterPipes,
  source: ({ disinfection }) => disinfection.source,
  judge: (
    { dose_kg_m3 = 0, held_s = 0, left_kg_m3 = 0, after_kg_m3 = 0 },
    { practice: { disinfection: rule } },
    show,
  ) => {
    // A milligram more or less decides whether it may be drunk.
    const c = (si: number) => show(si, 'concentration', si < 0.01 ? 1 : 0)
    const figures = [
      { label: 'Used up while it stood', told: c(Math.max(0, dose_kg_m3 - left_kg_m3)) },
    ]
    if (left_kg_m3 > dose_kg_m3 * (1 + 1e-6))
      return cannotTell('More at the end than at the start: the two are swapped.', figures)
    if (after_kg_m3 > rule.drink_kg_m3 * (1 + 1e-6))
      return failed(
        'stop',
        `${c(after_kg_m3)} is left where ${c(rule.drink_kg_m3)} may be drunk. Flush on; the signs stay.`,
        figures,
      )
    const short = [
      { is: dose_kg_m3, asked: rule.dose_kg_m3, says: 'was reached at the farthest outlet' },
      { is: left_kg_m3, asked: rule.left_kg_m3, says: 'was left at the end' },
    ].find(({ is, asked }) => is < asked * (1 - 1e-6))
    if (short)
      return failed(
        'fix',
        `${c(short.is)} ${short.says}; ${c(short.asked)} is asked. Dose it again.`,
        figures,
      )
    return held_s < rule.hold_s * (1 - 1e-6)
      ? cannotTell(
          `Stood ${durationWords(held_s)}; ${durationWords(rule.hold_s)} is asked.`,
          figures,
        )
      : passed(
          `${c(dose_kg_m3)} for ${durationWords(held_s)}; ${c(after_kg_m3)} is left now.`,
          figures,
        )
  },
}
