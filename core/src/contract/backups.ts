import { z } from 'zod'
import { wireId } from './board'

/** A backup that was tried: restored into a scratch folder and read there from end to end. */
export const KeptBackup = z.object({
  name: z.string().max(80),
  at: z.iso.datetime(),
  /** What it was asked for under. */
  askedAs: z.string().max(80),
  bytes: z.number().int().min(0),
  jobs: z.number().int().min(0),
  evidence: z.number().int().min(0),
  /** What was not sound already in the folder it was made of, a sentence each. */
  faults: z.array(z.string()),
})
export type KeptBackup = z.infer<typeof KeptBackup>

export const Backups = z.object({
  /** Where they lie, on the server. */
  folder: z.string(),
  keeps: z.number().int(),
  kept: z.array(KeptBackup),
})
export type Backups = z.infer<typeof Backups>

export const MakeBackup = z.object({ id: wireId, by: wireId })
export const BackupParams = z.object({ name: z.string().min(1).max(80) })
