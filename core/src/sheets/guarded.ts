import type { Wordings } from '../practice/worded'
import type { Finding } from '../answer/finding'
import { sources } from '../answer/sources'
import type { Sheet } from '../answer/sheet'

/** The last net under a sheet: a figure that its method refuses becomes a `stop` on that sheet, and the rest of the job is still computed. */
export function guarded<A>(place: string, compute: () => Sheet<A>): Sheet<A> {
  try {
    return compute()
  } catch (error) {
    // A RangeError is a method saying that a figure is outside it. Anything else is a mistake of ours and must be seen.
    if (!(error instanceof RangeError)) throw error
    return {
      applies: true,
      answer: undefined,
      missing: [],
      findings: [outsideMethod(place, error.message)],
      workings: () => [],
    }
  }
}

const outsideMethod = (place: string, says: string): Finding => ({
  id: 'outside-method',
  severity: 'stop',
  place,
  names: [says],
  source: sources.arithmetic,
})

/** What any sheet may say. */
export const guardedWordings = {
  'outside-method': ({ n }) => ({
    head: 'This cannot be computed from the figures as they are.',
    why: `One of them is outside what the method holds for (${n(0)}). Look for a slip of the pen or of the unit; what was typed is kept, and the rest of the job is computed.`,
  }),
} satisfies Wordings
