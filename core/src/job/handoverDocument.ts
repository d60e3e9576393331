import { z } from 'zod'
import { day } from './known'

const said = z.string().max(200, 'at most 200 characters')

/**
 * What whoever lives there must find in a hurry, and whom they call. An empty text is not said yet.
 */
export const HandoverSaid = z.object({
  /** Where each is shut, in words that a stranger finds: `left of the front door, red lever`. */
  shutOffs: z.object({ gas: said, water: said, power: said }),
  call: z.object({
    name: z.string().max(120, 'at most 120 characters'),
    phone: z.string().max(60, 'at most 60 characters'),
    outOfHours: z.string().max(60, 'at most 60 characters'),
  }),
  nextVisit: day.nullable(),
  /** More for the householder, in the installer's own words. */
  words: z.string().max(1000, 'at most 1000 characters'),
})
export type HandoverSaid = z.infer<typeof HandoverSaid>

export const blankHandover: HandoverSaid = {
  shutOffs: { gas: '', water: '', power: '' },
  call: { name: '', phone: '', outOfHours: '' },
  nextVisit: null,
  words: '',
}
