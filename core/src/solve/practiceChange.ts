import type { Finding } from '../answer/finding'
import { severityWords } from '../answer/finding'
import { word } from './wording'
import type { JobDocument } from '../job/document'
import { solve } from './solve'
import { showIn } from '../units/format'
import type { Measure } from '../units/measure'
import { units } from '../units/units'
import type { PracticeName } from '../practice/practiceNames'

/** What another practice would make of a job. No stored value is among it: those never change. */
export interface PracticeChange {
  readonly units: readonly {
    readonly measure: Measure
    readonly from: string
    readonly to: string
  }[]
  readonly words: readonly { readonly from: string; readonly to: string }[]
  readonly methods: readonly { readonly what: string; readonly from: string; readonly to: string }[]
  readonly answers: readonly { readonly what: string; readonly from: string; readonly to: string }[]
  /** Findings that appear, and those that go. */
  readonly appear: readonly string[]
  readonly go: readonly string[]
}

const methodWords = {
  en12828: 'EN 12828',
  handbook: 'handbook, fill equal to charge',
  'nfpa54-low': 'low-pressure equation',
  darcy: 'Darcy–Weisbach',
  renouard: 'Renouard’s formula',
  hunter: 'fixture units',
  'loading-units': 'loading units',
} as const

/**
 * Solves a job under another practice and says what is different. Pure: the document is only read.
 */
export function practiceChange(document: JobDocument, to: PracticeName): PracticeChange {
  const [before, after] = [solve(document), solve({ ...document, practice: to })]
  const [old, next] = [before.practice, after.practice]
  const [showOld, showNext] = [showIn(old.units), showIn(next.units)]
  const key = (finding: Finding) => `${finding.id} ${finding.place} ${finding.severity}`
  const had = new Set(before.findings.map(key))
  const has = new Set(after.findings.map(key))
  const vessel = (solution: typeof before, show: typeof showOld) =>
    solution.vessel.applies && solution.vessel.answer
      ? show(solution.vessel.answer.fitted_m3, 'small-volume')
      : undefined
  const pipes = (solution: typeof before) =>
    solution.gas.applies && solution.gas.answer
      ? solution.gas.answer.pipes.map((pipe) => pipe.pipe.size.name).join(', ')
      : undefined
  const wanted = (solution: typeof before, show: typeof showOld) =>
    solution.heat.applies && solution.heat.answer && solution.heat.answer.wanted_m3_s > 0
      ? show(solution.heat.answer.wanted_m3_s, 'water-flow')
      : undefined
  const differ = (what: string, from: string | undefined, now: string | undefined) =>
    from !== now ? [{ what, from: from ?? 'no answer yet', to: now ?? 'no answer yet' }] : []
  const sentence = (finding: Finding, solution: typeof before, show: typeof showOld) =>
    `${severityWords[finding.severity]}. ${word(finding, solution.practice, show).head}`
  return {
    units: (Object.keys(old.units) as Measure[])
      .filter((measure) => old.units[measure] !== next.units[measure])
      .map((measure) => ({
        measure,
        from: units[old.units[measure]].symbol,
        to: units[next.units[measure]].symbol,
      })),
    words: Object.keys(old.words).flatMap((name) =>
      old.words[name] !== next.words[name]
        ? [{ from: old.words[name] ?? '', to: next.words[name] ?? '' }]
        : [],
    ),
    methods: [
      ...differ('Heating vessel', methodWords[old.vessel.method], methodWords[next.vessel.method]),
      ...differ('Gas pipe', methodWords[old.gas.method], methodWords[next.gas.method]),
      ...differ(
        'Water at once',
        methodWords[old.hotWater.demand],
        methodWords[next.hotWater.demand],
      ),
    ],
    answers: [
      ...differ('Vessel', vessel(before, showOld), vessel(after, showNext)),
      ...differ('Gas pipes', pipes(before), pipes(after)),
      ...differ('Hot water at once', wanted(before, showOld), wanted(after, showNext)),
    ],
    appear: after.findings
      .filter((finding) => !had.has(key(finding)))
      .map((finding) => sentence(finding, after, showNext)),
    go: before.findings
      .filter((finding) => !has.has(key(finding)))
      .map((finding) => sentence(finding, before, showOld)),
  }
}
