import { genericContent_m3, genericSpread } from '../methods/circuit/emitters'
import type { PipeSize } from '../methods/materials/pipes'
import { materials, pipeVolume_m3, sizeNamed } from '../methods/materials/pipes'
import type { Appliance } from './document'
import type { Known } from './known'
import type { Heating } from './pressureDocument'
import { rangeOf } from './guess'

/** What holds the water: its list in the heating, or the boiler, and its id there. */
export type HolderOf = `${'boiler' | 'emitters' | 'parts' | 'pipes'}.${string}`

export interface ContentPart {
  /** Names may be alike. */
  readonly of: HolderOf
  readonly name: string
  readonly water_m3: number
  readonly assumed: boolean
  /** What it may be: its own figure where it is known. */
  readonly between_m3: readonly [number, number]
}

export interface HeatingContent {
  readonly parts: readonly ContentPart[]
  readonly total_m3: number
  /** Least and most that it may be, every guess at its end. */
  readonly between_m3: readonly [number, number]
  /** Water that rests on assumed values. */
  readonly assumed_m3: number
  readonly pipeMaterial: 'steel' | 'copper'
}

/**
 * What the circuit has found out that the content needs: sizes of pipes, and what an emitter gives.
 */
export interface ContentFacts {
  readonly sizeOf: (pipeId: string) => PipeSize | undefined
  readonly loadEach_W: (emitterId: string) => number | undefined
}

/** Without a circuit that is solved: sizes by name, loads as typed. */
export const plainFacts = (heating: Heating): ContentFacts => ({
  sizeOf: (id) => {
    const pipe = heating.pipes.find((one) => one.id === id)
    return pipe?.size ? sizeNamed(pipe.material, pipe.size) : undefined
  },
  loadEach_W: (id) => heating.emitters.find((one) => one.id === id)?.loadEach_W?.value,
})

function part(
  of: HolderOf,
  name: string,
  each: Known,
  times: number,
  { factor = 1, measure = 'small-volume' as 'small-volume' | 'length' } = {},
): ContentPart[] {
  if (each === null || times === 0) return []
  const scale = times * factor
  const [least, most] = each.basis === 'assumed' ? rangeOf(each, measure) : [each.value, each.value]
  return [
    {
      ...{ of, name },
      water_m3: each.value * scale,
      assumed: each.basis === 'assumed',
      between_m3: [least * scale, most * scale],
    },
  ]
}

/**
 * Water in the boiler, emitters, parts and pipes of a heating circuit, m³, from true bores. Pipe
 * expansion as of steel unless every pipe is copper.
 */
export function heatingContent(
  heating: Heating,
  boiler: Appliance | undefined,
  facts: ContentFacts = plainFacts(heating),
): HeatingContent {
  const pipes = heating.pipes.flatMap((pipe) => {
    const size = facts.sizeOf(pipe.id)
    return size
      ? part(`pipes.${pipe.id}`, `${pipe.name}, ${size.name}`, pipe.length_m, 1, {
          factor: pipeVolume_m3(size.bore_m, 1),
          measure: 'length',
        })
      : []
  })
  const emitters = heating.emitters.flatMap((emitter): ContentPart[] => {
    const of = `emitters.${emitter.id}` as const
    if (emitter.waterEach_m3) return part(of, emitter.name, emitter.waterEach_m3, emitter.count)
    const load_W = facts.loadEach_W(emitter.id)
    if (!emitter.type || load_W === undefined || emitter.count === 0) return []
    const water_m3 = genericContent_m3(emitter.type, load_W) * emitter.count
    return [
      {
        ...{ of, name: emitter.name },
        water_m3,
        assumed: true,
        between_m3: [water_m3 * (1 - genericSpread), water_m3 * (1 + genericSpread)],
      },
    ]
  })
  const parts = [
    ...(boiler ? part(`boiler.${boiler.id}`, boiler.name, boiler.water_m3, 1) : []),
    ...emitters,
    ...heating.parts.flatMap((one) => part(`parts.${one.id}`, one.name, one.water_m3, 1)),
    ...pipes,
  ]
  const sum = (some: readonly ContentPart[], of: (one: ContentPart) => number) =>
    some.reduce((total, one) => total + of(one), 0)
  const allCopper =
    heating.pipes.length > 0 &&
    heating.pipes.every((pipe) => materials[pipe.material].expansion === 'copper')
  return {
    parts,
    total_m3: sum(parts, (one) => one.water_m3),
    between_m3: [sum(parts, (one) => one.between_m3[0]), sum(parts, (one) => one.between_m3[1])],
    assumed_m3: sum(
      parts.filter(({ assumed }) => assumed),
      (one) => one.water_m3,
    ),
    pipeMaterial: allCopper ? 'copper' : 'steel',
  }
}
