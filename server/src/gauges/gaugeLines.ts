import type { Channel, Sample } from '@hestian/core'
import { channelNames, channels, ranges, SampleSchema } from '@hestian/core'
import { z } from 'zod'

/** What a gauge says of itself when it is connected to. */
export interface Greeting {
  readonly name?: string
  readonly simulated: boolean
  readonly resolution_Pa: number
  readonly reads: readonly Channel[]
  /** It sends samples that are kept, not only how things stand now. */
  readonly streams: boolean
}

export type GaugeLine =
  | { readonly kind: 'hello'; readonly greeting: Greeting }
  | { readonly kind: 'sample'; readonly sample: Sample }
  | { readonly kind: 'values'; readonly values: Partial<Record<Channel, number>> }
  /** An answer to a command. */
  | { readonly kind: 'answer' }
  /** What is neither: never stored, but told, because there is a reading that is missing. */
  | { readonly kind: 'nonsense' }

const number = z
  .string()
  .regex(/^-?\d+(\.\d+)?(e-?\d+)?$/i)
  .transform(Number)

/** What samples hold. */
const samples = 'gauge_Pa,temp_K'

const Hello = z.object({
  name: z.string().min(1).max(80).optional(),
  simulated: z.enum(['yes', 'no']).default('no'),
  resolution_Pa: number.pipe(z.number().positive().max(1e5)).default(10),
  /** A manometer with a probe, unless it says what else it is. */
  reads: z.string().max(120).optional(),
})
const SamplePairs = z.object({
  t_ms: number,
  gauge_Pa: number,
  temp_K: number.optional(),
  baro_Pa: number.optional(),
})

/**
 * Understands a line of the gauge's protocol (stand-ins/gauge/README.md), with the same limits as
 * everything else that comes in.
 */
export function readLine(line: string): GaugeLine {
  const [word = '', ...rest] = line.trim().split(/\s+/)
  if (word === 'OK' || word === 'ERR' || word === '') return { kind: 'answer' }
  const pairs = Object.fromEntries(rest.map((pair) => pair.split('=', 2)))
  if (word === 'HELLO') return helloOf(pairs)
  if (word === 'V') return valuesOf(pairs)
  return word === 'S' ? sampleOf(pairs) : { kind: 'nonsense' }
}

function helloOf(pairs: unknown): GaugeLine {
  const read = Hello.safeParse(pairs)
  if (!read.success) return { kind: 'nonsense' }
  const { name, simulated, resolution_Pa, reads } = read.data
  return {
    kind: 'hello',
    greeting: {
      ...(name ? { name: name.replaceAll('_', ' ') } : {}),
      simulated: simulated === 'yes',
      resolution_Pa,
      reads: channelNames.filter((name) => (reads ?? samples).split(',').includes(name)),
      streams: reads === undefined,
    },
  }
}

/**
 * Channels that it knows, each within what its measure can be; a line with one that cannot be is
 * nonsense as a whole.
 */
function valuesOf(pairs: Readonly<Record<string, string | undefined>>): GaugeLine {
  const values: Partial<Record<Channel, number>> = {}
  for (const name of channelNames) {
    const text = pairs[name]
    if (text === undefined) continue
    const read = number.safeParse(text)
    const [least, most] = ranges[channels[name]].hard
    if (!read.success || read.data < least || read.data > most) return { kind: 'nonsense' }
    values[name] = read.data
  }
  return Object.keys(values).length === 0 ? { kind: 'nonsense' } : { kind: 'values', values }
}

function sampleOf(pairs: unknown): GaugeLine {
  const read = SamplePairs.safeParse(pairs)
  if (!read.success) return { kind: 'nonsense' }
  const { t_ms: at_ms, gauge_Pa, temp_K, baro_Pa } = read.data
  const sample = SampleSchema.safeParse({
    at_ms,
    gauge_Pa,
    ...(temp_K === undefined ? {} : { temp_K }),
    ...(baro_Pa === undefined ? {} : { baro_Pa }),
  })
  return sample.success ? { kind: 'sample', sample: sample.data } : { kind: 'nonsense' }
}
