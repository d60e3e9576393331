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
