/**
 * Fields that came with version 5 or later: while nobody has filled them, a proof given before
 * still rests on the same.
 */
const later = new Set([
  'maxInletGauge_Pa',
  'aboveFill_m',
  'condensing',
  'afterPump',
  'boilerAfterPump',
  'system',
  'floorMostTemp_K',
  'floorMixer',
  'floorCutOut',
  'position',
  'building',
  'olderConsent',
  'feedStays',
  'maker',
  'vesselMaker',
  'meterVolume_m3',
  'containers',
  'most_m3_s',
  'laid',
  'meterKind',
  'timeZone',
])

/** Whether a field is new and empty, as good as not there. */
export const isUnfilled = (key: string, value: unknown): boolean => value === null && later.has(key)

/** A value as it was before them, as far as nobody has filled what came with it. */
export function withoutUnfilled<T>(value: T): T {
  if (Array.isArray(value)) return value.map((one: unknown) => withoutUnfilled(one)) as T
  if (typeof value !== 'object' || value === null) return value
  return Object.fromEntries(
    Object.entries(value).flatMap(([key, one]) =>
      isUnfilled(key, one) ? [] : [[key, withoutUnfilled<unknown>(one)] as const],
    ),
  ) as T
}
