import type { Sample } from '@hestian/core'
import { SampleSchema } from '@hestian/core'
import { z } from 'zod'

/** What a gauge says of itself when it is connected to. */
export interface Greeting {
  readonly name?: string
  readonly simulated: boolean
  readonly resolution_Pa: number
}

export type GaugeLine =
  | { readonly kind: 'hello'; readonly greeting: Greeting }
  | { readonly kind: 'sample'; readonly sample: Sample }
  /** An answer to a command. */
  | { readonly kind: 'answer' }
  /** What is neither: never stored, but told, because there is a reading that is missing. */
  | { readonly kind: 'nonsense' }

const number = z
  .string()
  .regex(/^-?\d+(\.\d+)?(e-?\d+)?$/i)
  .transform(Number)

const Hello = z.object({
  name: z.string().min(1).max(80).optional(),
  simulated: z.enum(['yes', 'no']).default('no'),
  resolution_Pa: number.pipe(z.number().positive().max(1e5)).default(10),
})
const SamplePairs = z.object({
  t_ms: number,
  gauge_Pa: number,
  temp_K: number.optional(),
})

/** Understands a line of the gauge's protocol (stand-ins/gauge/README.md), with the same limits as everything else that comes in. */
export function readLine(line: string): GaugeLine {
  const [word = '', ...rest] = line.trim().split(/\s+/)
  if (word === 'OK' || word === 'ERR' || word === '') return { kind: 'answer' }
  const pairs = Object.fromEntries(rest.map((pair) => pair.split('=', 2)))
  if (word === 'HELLO') return helloOf(pairs)
  return word === 'S' ? sampleOf(pairs) : { kind: 'nonsense' }
}

function helloOf(pairs: unknown): GaugeLine {
  const read = Hello.safeParse(pairs)
  if (!read.success) return { kind: 'nonsense' }
  const { name, simulated, resolution_Pa } = read.data
  return {
    kind: 'hello',
    greeting: {
      ...(name ? { name: name.replaceAll('_', ' ') } : {}),
      simulated: simulated === 'yes',
      resolution_Pa,
    },
  }
}

function sampleOf(pairs: unknown): GaugeLine {
  const read = SamplePairs.safeParse(pairs)
  if (!read.success) return { kind: 'nonsense' }
  const { t_ms: at_ms, gauge_Pa, temp_K } = read.data
  const sample = SampleSchema.safeParse({
    at_ms,
    gauge_Pa,
    ...(temp_K === undefined ? {} : { temp_K }),
  })
  return sample.success ? { kind: 'sample', sample: sample.data } : { kind: 'nonsense' }
}
