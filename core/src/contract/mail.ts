import { z } from 'zod'
import { paperIds } from '../practice/handoverRules'
import { wireId } from './board'

// Papers that leave by e-mail.

/** One address, as it is written; no name beside it and no line breaks. */
export const MailAddress = z
  .email('one e-mail address, as in anna@example.org')
  .max(200, 'at most 200 characters')

export const SendPapers = z.object({
  id: wireId.min(8),
  by: wireId,
  to: MailAddress,
  /** None means the whole pack. */
  papers: z.array(z.enum(paperIds)).max(paperIds.length),
  says: z.string().trim().max(2000, 'at most 2000 characters'),
})
export type SendPapers = z.infer<typeof SendPapers>

/**
 * What became of a mail: the mail server took it, refused it with its reason, or did not answer.
 */
export const MailSaid = z.discriminatedUnion('outcome', [
  z.object({ outcome: z.literal('taken') }),
  z.object({ outcome: z.literal('refused'), reason: z.string().max(200) }),
  z.object({ outcome: z.literal('unanswered') }),
])
export type MailSaid = z.infer<typeof MailSaid>

/** From whom mail goes out; null where no mail server is set up. */
export const Mailbox = z.object({ from: z.string().nullable() })
