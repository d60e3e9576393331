import { z } from 'zod'
import { day } from '../job/known'
import { wireId } from './board'

/** What is read with: kinds of gauge a firm keeps. */
export const instrumentKinds = ['digital', 'water-gauge', 'analyser', 'thermometer'] as const

/** A gauge of the firm, with what its paper says. */
export const Instrument = z
  .object({
    id: wireId,
    name: z.string().trim().min(1, 'the gauge needs a name').max(80, 'at most 80 characters'),
    /** What is engraved or stuck on it. */
    serial: z.string().trim().max(60, 'at most 60 characters'),
    kind: z.enum(instrumentKinds),
    /** Smallest step it shows, and the most it reads; null where it reads no pressure. */
    step_Pa: z.number().positive().max(1e5).nullable(),
    most_Pa: z.number().positive().max(1e7).nullable(),
    /** As its sheet says it. */
    accuracy: z.string().trim().max(80, 'at most 80 characters'),
    calibratedUntil: day.nullable(),
    retired: z.boolean(),
  })
  .refine(
    ({ step_Pa, most_Pa }) => step_Pa === null || most_Pa === null || step_Pa < most_Pa,
    'the step must be smaller than the most it reads',
  )
export type Instrument = z.infer<typeof Instrument>
export const InstrumentParams = z.object({ instrumentId: wireId })

/** Whether a calibration held on a day: `none` is on file, it ran out before, or it held. */
export function calibrationOn(
  until: string | null | undefined,
  at: string,
): 'none' | 'expired' | 'valid' {
  if (!until) return 'none'
  return at.slice(0, 10) > until ? 'expired' : 'valid'
}

/** How a calibration stands on a day, in words. */
export function calibrationSays(until: string | null | undefined, at: string): string {
  const stands = calibrationOn(until, at)
  if (stands === 'none') return 'no calibration on file'
  return stands === 'expired' ? `calibration ran out on ${until}` : `calibrated until ${until}`
}
