import { z } from 'zod'
import type { JobDocument } from '../job/document'
import { practiceNames } from '../practice/practiceNames'

const said = z.string().max(400)

/**
 * What a registration office is told of new work: what stands where, under which signature. No
 * householder's name and no telephone.
 */
export const Notice = z.object({
  job: z.string().max(40),
  revision: z.string().max(4),
  practice: z.enum(practiceNames),
  place: z.object({ name: said, address: said }),
  appliances: z
    .array(
      z.object({
        name: said,
        make: said,
        model: said,
        serial: said,
        input_W: z.number().nullable(),
      }),
    )
    .max(50),
  signedBy: said,
  signedAt: z.iso.datetime(),
})
export type Notice = z.infer<typeof Notice>

/** What the office answers: a number, or why it does not take it. */
export const NoticeAnswer = z.discriminatedUnion('outcome', [
  z.object({ outcome: z.literal('accepted'), number: z.string().min(1).max(60) }),
  z.object({ outcome: z.literal('refused'), reasons: z.array(said).min(1).max(20) }),
])
export type NoticeAnswer = z.infer<typeof NoticeAnswer>

/** The notice of a signed revision: what came new with it. */
export function noticeOf(
  document: JobDocument,
  of: Pick<Notice, 'job' | 'revision' | 'signedBy' | 'signedAt'>,
): Notice {
  return {
    ...of,
    practice: document.practice,
    place: { name: document.site.name, address: document.site.address },
    appliances: document.appliances
      .filter(({ stay }) => stay === 'new')
      .map(({ name, maker, input_W }) => ({
        name,
        make: maker?.make ?? '',
        model: maker?.model ?? '',
        serial: maker?.serial ?? '',
        input_W: input_W?.value ?? null,
      })),
  }
}

/** Which office the server talks to; null where none is set up. */
export const Office = z.object({ name: z.string().nullable() })
