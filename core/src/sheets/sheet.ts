import type { Finding } from '../answer/finding'
import type { Working } from '../answer/working'

/** A place in the document that has to be filled before an answer can be given. */
export interface Missing {
  readonly place: string
  readonly what: string
}

/** The sheets in working order. Their codes (S1, D2) are counted from where they stand, so that a new one can stand between. */
export const sheetIds = [
  'site',
  'readings',
  'plates',
  'place',
  'inspection',
  'heat',
  'circuit',
  'vessel',
  'safety',
  'relief',
  'gas',
  'water',
  'tightness',
  'steps',
  'handover',
] as const
export type SheetId = (typeof sheetIds)[number]

/** Sheets as records of the first version named them. */
export const oldSheetIds: Readonly<Record<string, SheetId>> = {
  S1: 'site',
  S2: 'readings',
  S3: 'plates',
  D1: 'vessel',
  D2: 'gas',
  P1: 'tightness',
  C1: 'steps',
  H1: 'handover',
}

/** One page's answer: what it says, what it found, what it still needs, and its arithmetic, built only when opened or printed. */
export type Sheet<A> =
  | { readonly applies: false; readonly because: string }
  | {
      readonly applies: true
      readonly answer: A | undefined
      readonly missing: readonly Missing[]
      readonly findings: readonly Finding[]
      readonly workings: () => readonly Working[]
      /** Fingerprint of all it rests on: a proof given for another one is open again. */
      readonly restsOn: string
    }

export const worst = (findings: readonly Finding[]): 'stop' | 'fix' | 'pass' =>
  findings.some((finding) => finding.severity === 'stop')
    ? 'stop'
    : findings.some((finding) => finding.severity === 'fix')
      ? 'fix'
      : 'pass'
