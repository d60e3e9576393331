/** Colours by what they mean; the page and the pack each know what they look like. */
export type Ink =
  | 'paper'
  | 'sheet'
  | 'select'
  | 'ink'
  | 'ink-2'
  | 'ink-3'
  | 'pencil'
  | 'rule'
  | 'hair'
  | 'cold'
  | 'hot'
  | 'gas'
  | 'gas-fill'
  | 'cold-wash'
  | 'hot-wash'
  | 'pass'
  | 'look'
  | 'stop'
  | 'pass-wash'
  | 'look-wash'
  | 'stop-wash'

export interface Span {
  readonly text: string
  readonly bold?: boolean
  readonly ink?: Ink
}

export type VerdictIcon = 'pass' | 'fix' | 'stop' | 'note'

/**
 * A part of a drawing. One drawing is shown on the page, exported as SVG and printed in the pack.
 */
export type Shape =
  | {
      readonly kind: 'line'
      readonly from: Point
      readonly to: Point
      readonly ink: Ink
      readonly width: number
      readonly dash?: string
    }
  | {
      readonly kind: 'path'
      readonly d: string
      readonly ink?: Ink
      readonly fill?: Ink
      readonly width?: number
      readonly dash?: string
    }
  | {
      readonly kind: 'rect'
      readonly at: Point
      readonly size: Point
      readonly fill?: Ink
      readonly ink?: Ink
      readonly width?: number
      readonly dash?: string
    }
  | {
      readonly kind: 'text'
      readonly at: Point
      readonly spans: readonly Span[]
      readonly size: number
      readonly anchor?: 'start' | 'middle' | 'end'
      readonly ink?: Ink
    }
  | { readonly kind: 'icon'; readonly at: Point; readonly icon: VerdictIcon; readonly size: number }
  /** Parts that are picked together, named for who cannot see them. */
  | {
      readonly kind: 'pick'
      readonly id: string
      readonly label: string
      readonly shapes: readonly Shape[]
      readonly slide?: Slide
      /** A slide's value in words. */ readonly says?: string
    }

/** What may be moved along a scale: how far, in what steps, and where zero lies. SI. */
export interface Slide {
  readonly value: number
  readonly least: number
  readonly most: number
  readonly step: number
  /** Where 0 stands on the drawing, and how far up one unit reaches. */
  readonly zeroY: number
  readonly perUnit: number
}

export type Point = readonly [number, number]

export interface Drawing {
  readonly width: number
  readonly height: number
  /** What it shows, in a sentence. */
  readonly title: string
  readonly shapes: readonly Shape[]
}

export const line = (from: Point, to: Point, ink: Ink, width = 1, dash?: string): Shape => ({
  kind: 'line',
  from,
  to,
  ink,
  width,
  ...(dash ? { dash } : {}),
})
export const label = (
  at: Point,
  text: string | readonly Span[],
  size = 15,
  more: {
    readonly anchor?: 'start' | 'middle' | 'end'
    readonly ink?: Ink
    readonly bold?: boolean
  } = {},
): Shape => ({
  kind: 'text',
  at,
  size,
  spans: typeof text === 'string' ? [{ text, ...(more.bold ? { bold: true } : {}) }] : text,
  ...(more.anchor ? { anchor: more.anchor } : {}),
  ...(more.ink ? { ink: more.ink } : {}),
})

/** Width of a text, near enough to keep labels apart: the faces are about half as wide as high. */
export const textWidth = (text: string, size: number): number => text.length * size * 0.54

/**
 * Heights pushed apart so that none is nearer than `gap` to the next, kept in order and inside the
 * limits.
 */
export function spread(
  wanted: readonly number[],
  gap: number,
  least: number,
  most: number,
): readonly number[] {
  const order = wanted.map((value, index) => ({ value, index })).sort((a, b) => a.value - b.value)
  const placed = order.map(({ value }) => value)
  for (let pass = 0; pass < 60; pass++) {
    for (let i = 1; i < placed.length; i++) {
      const [a = 0, b = 0] = [placed[i - 1], placed[i]]
      const push = gap - (b - a)
      if (push > 0.01) [placed[i - 1], placed[i]] = [a - push / 2, b + push / 2]
    }
    for (let i = 0; i < placed.length; i++)
      placed[i] = Math.min(
        most - (placed.length - 1 - i) * gap,
        Math.max(least + i * gap, placed[i] ?? 0),
      )
  }
  const result = new Array<number>(wanted.length).fill(0)
  order.forEach(({ index }, i) => {
    result[index] = placed[i] ?? 0
  })
  return result
}

/**
 * Steps of a ruler from 0 to a greatest figure: a round step such that there are at most so many.
 */
export function niceStep(most: number, count: number): number {
  const rough = most / count
  const power = 10 ** Math.floor(Math.log10(rough))
  return ([1, 2, 5, 10].find((factor) => factor * power >= rough) ?? 10) * power
}
