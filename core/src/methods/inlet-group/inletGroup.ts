/** Parts of the cold feed of a store, as they come in the way of the water. */
export const inletKinds = [
  'stop-valve',
  'strainer',
  'reducing-valve',
  'balanced-cold',
  'check-valve',
  'vessel',
  'expansion-relief',
  'service-valve',
  'drain-tee',
  'store',
] as const
export type InletKind = (typeof inletKinds)[number]

export interface InletPiece {
  readonly id: string
  readonly kind: InletKind
  readonly reversed: boolean
}

export const inletWords: Readonly<Record<InletKind, string>> = {
  'stop-valve': '{shutOff}',
  strainer: 'Strainer',
  'reducing-valve': '{reducingValve}',
  'balanced-cold': 'Tee to cold at the mixers',
  'check-valve': 'Check valve',
  vessel: 'Tee to the {vessel}',
  'expansion-relief': 'Expansion {reliefValve}',
  'service-valve': 'Service valve',
  'drain-tee': 'Drain tee',
  store: 'Into the store',
}

export type InletFault =
  | {
      readonly fault: 'order'
      readonly first: InletKind
      readonly then: InletKind
      readonly at: number
    }
  | { readonly fault: 'reversed'; readonly kind: InletKind; readonly at: number }
  | { readonly fault: 'valve-before-store'; readonly at: number }
  | { readonly fault: 'not-there'; readonly kind: InletKind }

/**
 * What must stand before what, with the flow. Source: common practice; the maker's inlet group
 * wins.
 */
const before: readonly (readonly [InletKind, InletKind])[] = [
  ['stop-valve', 'reducing-valve'],
  ['strainer', 'reducing-valve'],
  ['reducing-valve', 'check-valve'],
  ['reducing-valve', 'balanced-cold'],
  ['check-valve', 'vessel'],
  ['check-valve', 'expansion-relief'],
]

/** Parts that let water one way and are ruined or useless when turned. */
const oneWay: readonly InletKind[] = ['reducing-valve', 'check-valve', 'strainer', 'stop-valve']

/**
 * What is wrong with an inlet group in flow order: out of order, turned round, a valve that could
 * part the relief or the vessel from the store, and what is wanted and not there. An empty group is
 * not judged. Source: sources.trade.
 */
export function judgeInlet(
  group: readonly InletPiece[],
  wanted: readonly InletKind[],
): readonly InletFault[] {
  if (group.length === 0) return []
  const at = (kind: InletKind) => group.findIndex((piece) => piece.kind === kind)
  const orders = before.flatMap(([first, then]): InletFault[] =>
    at(first) >= 0 && at(then) >= 0 && at(first) > at(then)
      ? [{ fault: 'order', first, then, at: at(then) }]
      : [],
  )
  const turned = group.flatMap((piece, i): InletFault[] =>
    piece.reversed && oneWay.includes(piece.kind)
      ? [{ fault: 'reversed', kind: piece.kind, at: i }]
      : [],
  )
  const guarded = ['vessel', 'expansion-relief']
    .map((kind) => at(kind as InletKind))
    .filter((i) => i >= 0)
  const from = guarded.length === 0 ? -1 : Math.min(...guarded)
  const parting =
    from < 0
      ? []
      : group.flatMap((piece, i): InletFault[] =>
          i > from &&
          (piece.kind === 'service-valve' ||
            piece.kind === 'stop-valve' ||
            piece.kind === 'check-valve')
            ? [{ fault: 'valve-before-store', at: i }]
            : [],
        )
  const missing = wanted
    .filter((kind) => at(kind) < 0)
    .map((kind): InletFault => ({ fault: 'not-there', kind }))
  return [...orders, ...turned, ...parting, ...missing]
}

/**
 * A group in the usual order. Source: domain practice: stop valve, strainer, reducing valve, check
 * valve, vessel, relief, store.
 */
export const usualInlet: readonly InletKind[] = [
  'stop-valve',
  'strainer',
  'reducing-valve',
  'balanced-cold',
  'check-valve',
  'vessel',
  'expansion-relief',
  'store',
]
