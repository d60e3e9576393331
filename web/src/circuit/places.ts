import type { HeatingZone } from '@hestian/core'

// Where a pipe or part of the circuit stands, as what is chosen from: a zone may have any id, also
// one that a choice of all of them would go by.

export const everyZone = 'every'
export const inZone = (zoneId: string | null): string =>
  zoneId === null ? everyZone : `zone ${zoneId}`
export const atOneOf = (zoneId: string): string => `one ${zoneId}`

type Named = Pick<HeatingZone, 'id' | 'name'>

export const zonePlaces = (zones: readonly Named[]) => [
  { id: everyZone, text: 'all zones' },
  ...zones.map(({ id, name }) => ({ id: inZone(id), text: name })),
]

/** The same, and one emitter of each. */
export const pipePlaces = (zones: readonly Named[]) => [
  { id: everyZone, text: 'all zones' },
  ...zones.flatMap(({ id, name }) => [
    { id: inZone(id), text: name },
    { id: atOneOf(id), text: `${name}, one emitter` },
  ]),
]

/** The zone that was chosen, null for all of them; and whether one emitter of it alone. */
export function placeOf(chosen: string): {
  readonly zoneId: string | null
  readonly carries: 'all' | 'one-emitter'
} {
  if (chosen === everyZone) return { zoneId: null, carries: 'all' }
  const at = chosen.indexOf(' ') + 1
  return { zoneId: chosen.slice(at), carries: chosen.startsWith('one ') ? 'one-emitter' : 'all' }
}
