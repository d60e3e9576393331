/** What was seen at the main, by fitting; null while nobody has looked. */
export interface MainFittings {
  readonly reducingValve: 'yes' | 'no' | null
  readonly checkValve: 'yes' | 'no' | null
  readonly backflowPreventer: 'yes' | 'no' | null
  readonly meterCheck: 'yes' | 'no' | null
  /** What the water company says of a check valve in the street. */
  readonly streetCheck: 'yes' | 'no' | null
}

export type Closing = keyof MainFittings

/**
 * Whether expanding water can go back into the main. `cannot-tell` names what is still to be looked
 * at.
 */
export type ClosedConclusion =
  | { readonly system: 'closed'; readonly by: readonly Closing[] }
  | { readonly system: 'open' }
  | { readonly system: 'cannot-tell'; readonly lookAt: readonly Closing[] }

const order: readonly Closing[] = [
  'reducingValve',
  'checkValve',
  'backflowPreventer',
  'meterCheck',
  'streetCheck',
]

/**
 * A fitting that lets water one way closes the system, whatever else is there. None of them is not
 * proof that it is open: all must have been looked at, and the water company asked. Source:
 * sources.trade.
 */
export function closedSystem(fittings: MainFittings): ClosedConclusion {
  const by = order.filter((fitting) => fittings[fitting] === 'yes')
  if (by.length > 0) return { system: 'closed', by }
  const lookAt = order.filter((fitting) => fittings[fitting] === null)
  return lookAt.length === 0 ? { system: 'open' } : { system: 'cannot-tell', lookAt }
}
