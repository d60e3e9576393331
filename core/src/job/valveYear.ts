import type { JobDocument } from './document'
import type { ReliefValve } from './pressureDocument'

/**
 * The year on the tag of the part that a relief valve was taken from, by its name. Undefined where
 * no part has that name, or more than one: a year must not be guessed.
 */
export function valveYear(
  { name }: Pick<ReliefValve, 'name'>,
  { parts }: Pick<JobDocument, 'parts'>,
): number | undefined {
  const [only, ...others] = parts.filter((part) => part.name === name)
  return others.length > 0 ? undefined : (only?.madeYear ?? undefined)
}
