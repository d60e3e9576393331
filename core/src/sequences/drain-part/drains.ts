import type { JobDocument } from '../../job/document'

/**
 * What loses water with a section, as far as the job's file tells. What is not on file is not
 * known, and says so.
 */
export interface Drains {
  /** Outlets that are named as losing water. */
  readonly outlets: readonly string[]
  /** What stands above the fill point and drains all the same. */
  readonly above: readonly string[]
  /** What nobody has put on file. */
  readonly unknown: readonly string[]
}

/** Names what drains with a section: outlets and heights on file, and what is missing of them. */
export function whatDrains({ hotWater, heating, appliances, water }: JobDocument): Drains {
  const outlets = [
    ...(hotWater?.outlets ?? []).map(({ name }) => name),
    ...water.segments.filter(({ end }) => end !== null).map(({ name }) => name),
  ]
  const parts = [...appliances.filter(({ stay }) => stay !== 'goes'), ...(heating?.weakParts ?? [])]
  const above = parts.filter(({ aboveFill_m }) => (aboveFill_m?.value ?? 0) > 0)
  const unseen = parts.filter(({ aboveFill_m }) => aboveFill_m === null)
  return {
    outlets: [...new Set(outlets)],
    above: above.map(({ name }) => name),
    unknown: [
      ...(outlets.length === 0 ? ['which outlets hang on it'] : []),
      ...unseen.map(({ name }) => `the height of ${name}`),
      ...(heating && heating.zones.length > 0 ? ['how high each zone stands'] : []),
    ],
  }
}

const listed = (names: readonly string[]): string => names.join(', ')

/** The same as sentences, for a step. */
export function drainsSays(document: JobDocument): string {
  const { outlets, above, unknown } = whatDrains(document)
  return [
    outlets.length > 0 ? `Outlets on file that lose water: ${listed(outlets)}.` : '',
    above.length > 0 ? `Stands above and drains all the same: ${listed(above)}.` : '',
    unknown.length > 0
      ? `Unknown: ${listed(unknown)}. Expect every leg above the cut to empty itself.`
      : '',
  ]
    .filter(Boolean)
    .join(' ')
}
