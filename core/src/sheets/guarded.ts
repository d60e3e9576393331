import type { Wordings } from '../practice/worded'
import type { Finding } from '../answer/finding'
import { sources } from '../answer/sources'
import type { Sheet } from '../answer/sheet'
import type { Show } from '../units/format'

/**
 * The last net under a sheet: a figure that its method refuses becomes a `stop` on that sheet, and
 * the rest of the job is still computed.
 */
export function guarded<A>(place: string, compute: () => Sheet<A>): Sheet<A> {
  try {
    return compute()
  } catch (error) {
    // A RangeError is a method saying that a figure is outside it. Anything else is a mistake of
    // ours and must be seen.
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

/** A refusal of a method, `temp_K is 258.15; it must be 273.15 to 647.096`, in the job's units. */
const refusalRead = (says: string, show: Show): string => {
  const [, key, value, limits] = /^(\w+) is (\S+); it must be (.+)$/.exec(says) ?? []
  if (key === undefined || value === undefined || limits === undefined) return says
  const read = (figure: string) => {
    const si = Number(figure)
    return Number.isFinite(si) ? show.key(key, si, 'water') : figure
  }
  return `${read(value)} where it must be ${limits.replace(/-?\d+(\.\d+)?(e-?\d+)?/g, read)}`
}

/** What any sheet may say. */
export const guardedWordings = {
  'outside-method': ({ n, show }) => ({
    head: 'This cannot be computed from the figures as they are.',
    why: `One of them is outside what the method holds for: ${refusalRead(n(0), show)}. Look for a slip of the pen or of the unit; what was typed is kept, and the rest of the job is computed.`,
  }),
} satisfies Wordings
