import { z } from 'zod'
import { wireId } from './board'

// What is held of somebody: found, given out, erased.

export const FindHeld = z.object({
  /** A name, an address, a telephone number, as it is written. */
  words: z
    .string()
    .trim()
    .min(3, 'at least 3 letters, as it is written in the jobs')
    .max(120, 'at most 120 characters'),
})

/** A text that holds it, and where it stands. */
export const HeldText = z.object({ where: z.string(), text: z.string() })

export const HeldInJob = z.object({
  id: wireId,
  number: z.string(),
  name: z.string(),
  address: z.string(),
  /** The revisions that are signed. */
  signed: z.array(z.string()),
  texts: z.array(HeldText),
  /** Hashes of what was photographed on the job. */
  photographs: z.array(z.string()),
  /** A test runs: nothing is erased before it ends. */
  testRuns: z.boolean(),
})
export type HeldInJob = z.infer<typeof HeldInJob>

export const Held = z.object({
  words: z.string(),
  at: z.iso.datetime(),
  jobs: z.array(HeldInJob),
  /** Jobs that cannot be read: whether it stands in them is not known. */
  unreadable: z.array(z.string()),
  /** Elsewhere in the firm's own lists: people, guests. */
  elsewhere: z.array(HeldText),
})
export type Held = z.infer<typeof Held>

export const EraseHeld = z.object({
  id: wireId.min(8),
  by: wireId,
  words: FindHeld.shape.words,
  /** The site's name, its address and its notes too. */
  place: z.boolean(),
  photographs: z.boolean(),
  reason: z.string().trim().min(3, 'say why').max(200, 'at most 200 characters'),
})
export type EraseHeld = z.infer<typeof EraseHeld>
