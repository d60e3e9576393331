/**
 * A piece of a sentence that is set apart: strong, or a figure whose working opens when it is
 * pressed, or a way to another sheet.
 */
export interface Marked {
  readonly text: string
  readonly strong?: boolean
  /** The working it comes from: its title, or the figure it ends in. */
  readonly of?: string
  /** The sheet it leads to. */
  readonly to?: string
}
export type Piece = string | Marked

/** What a sheet answers, first in large, then what stands beside it. */
export interface AnswerSentence {
  readonly head: readonly Piece[]
  readonly beside: readonly Piece[]
}

export const strong = (text: string, of?: string): Marked => ({
  text,
  strong: true,
  ...(of === undefined ? {} : { of }),
})
export const worked = (text: string, of: string): Marked => ({ text, of })

type Slot = Piece | readonly Piece[] | undefined

const piecesOf = (slot: Slot): readonly Piece[] => {
  if (slot === undefined) return []
  return Array.isArray(slot) ? (slot as readonly Piece[]) : [slot as Piece]
}

/**
 * A sentence from a template: pieces stand where they are written, and what is undefined leaves no
 * trace.
 */
export const sentence = (
  texts: TemplateStringsArray,
  ...pieces: readonly Slot[]
): readonly Piece[] =>
  texts.flatMap((text, i) => [...(text === '' ? [] : [text]), ...piecesOf(pieces[i])])

/** The words alone. */
export const textOf = (parts: readonly Piece[]): string =>
  parts.map((part) => (typeof part === 'string' ? part : part.text)).join('')

/** `The store waits for 3 answers.` */
export const waitsFor = (what: string, missing: readonly unknown[]): readonly Piece[] =>
  sentence`${what} waits for ${strong(missing.length === 1 ? 'one answer.' : `${missing.length} answers.`)}`

/** `3 things are to fix before handover.` */
export const toFix = (fixes: number): string =>
  `${fixes === 1 ? 'One thing is' : `${fixes} things are`} to fix before handover.`

/** What is missing, the first few of it. */
export const gaps = (missing: readonly { readonly what: string }[], most = 99): string =>
  missing
    .slice(0, most)
    .map(({ what }) => what)
    .join('; ')

/** Words that begin with a vowel and are not said with one. */
const saidAsConsonant = /^(one|once|uni|use|usual|eu)/i

/**
 * `a expansion tank` as it is said: `an expansion tank`. For texts in which a word of the practice
 * was put.
 */
export const withArticles = (text: string): string =>
  text.replace(/\b([Aa]) (?=([aeiouAEIOU]\w*))/g, (whole, a: string, word: string) =>
    saidAsConsonant.test(word) ? whole : `${a}n `,
  )

/** A word of the practice with its article: `a vessel`, `an expansion tank`. */
export const aOrAn = (word: string): string => withArticles(`a ${word}`)
