import type { Finding } from '../answer/finding'
import type { Practice } from './practice'
import type { Show } from '../units/format'

export interface Worded {
  /** One sentence, at most two lines. */
  readonly head: string
  readonly why: string
}

export interface Told {
  /** A figure of the finding, SI. */
  readonly f: (key: string) => number
  readonly n: (index: number) => string
  readonly show: Show
  readonly practice: Practice
}

export type Wording = (told: Told) => Worded
export type Wordings = Readonly<Record<string, Wording>>
/** A finding that has its words among these. */
export type FindingOf<W extends Wordings> = Finding<Extract<keyof W, string>>
