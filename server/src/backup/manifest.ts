import { z } from 'zod'

const hash = z.string().regex(/^[0-9a-f]{64}$/)

export const manifestName = 'manifest.json'
export const databaseName = 'hestian.sqlite'
export const peopleName = 'people.json'

/**
 * What an archive of a whole firm holds, by hash, so that a restore can tell whether all of it is
 * there and as it was.
 */
export const Manifest = z.object({
  format: z.literal('hestian-backup'),
  version: z.literal(1),
  madeAt: z.iso.datetime(),
  database: z.object({ bytes: z.number().int(), hash }),
  people: z.object({ hash }).nullable(),
  evidence: z.array(z.object({ hash, bytes: z.number().int() })),
  /** Photographs and papers that were missing or damaged already when the backup was made. */
  missing: z.array(hash),
})
export type Manifest = z.infer<typeof Manifest>
