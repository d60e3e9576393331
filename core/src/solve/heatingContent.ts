import { materials, pipeVolume_m3, sizeNamed } from '../gas/pipes'
import type { Appliance, Heating, Known } from '../job/document'

export interface ContentPart {
  readonly name: string
  readonly water_m3: number
  readonly assumed: boolean
}

export interface HeatingContent {
  readonly parts: readonly ContentPart[]
  readonly total_m3: number
  /** Water that rests on assumed values. */
  readonly assumed_m3: number
  readonly pipeMaterial: 'steel' | 'copper'
}

const part = (name: string, each: Known, times: number, factor = 1): ContentPart[] =>
  each === null || times === 0 ? [] : [{ name, water_m3: each.value * times * factor, assumed: each.basis === 'assumed' }]

/** Water in the boiler, emitters and pipes of a heating circuit, m³, from true bores. Pipe expansion as of steel unless every pipe is copper. */
export function heatingContent(heating: Heating, boiler: Appliance | undefined): HeatingContent {
  const pipes = heating.pipes.flatMap((pipe) => {
    const size = sizeNamed(pipe.material, pipe.size)
    return size ? part(`${pipe.name}, ${size.name}`, pipe.length_m, 1, pipeVolume_m3(size.bore_m, 1)) : []
  })
  const parts = [
    ...(boiler ? part(boiler.name, boiler.water_m3, 1) : []),
    ...heating.emitters.flatMap((emitter) => part(emitter.name, emitter.waterEach_m3, emitter.count)),
    ...pipes,
  ]
  const sum = (some: readonly ContentPart[]) => some.reduce((total, { water_m3 }) => total + water_m3, 0)
  const allCopper = heating.pipes.length > 0 && heating.pipes.every((pipe) => materials[pipe.material].expansion === 'copper')
  return { parts, total_m3: sum(parts), assumed_m3: sum(parts.filter(({ assumed }) => assumed)), pipeMaterial: allCopper ? 'copper' : 'steel' }
}
