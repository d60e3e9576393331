import type { Source } from '../answer/sources'

import { inch_m } from '../units/units'

export interface PipeSize {
  /** A name chosen from this catalogue, never a length to compute with. */
  readonly name: string
  /** True bore: what every calculation uses. */
  readonly bore_m: number
  readonly outsideDiameter_m?: number
}

export interface PipeMaterial {
  readonly label: string
  readonly roughness_m: number
  /** Smallest first. */
  readonly sizes: readonly PipeSize[]
  readonly expansion: 'steel' | 'copper'
  readonly source: Source
}

/** Pairs, not an object: JavaScript lists keys such as '1' before '1/2'. */
const inches = (rows: readonly (readonly [string, number])[]): PipeSize[] => rows.map(([name, bore]) => ({ name, bore_m: bore * inch_m }))
const millimetres = (rows: readonly (readonly [number, number])[]): PipeSize[] =>
  rows.map(([outside, bore]) => ({ name: `${outside} mm`, bore_m: bore / 1000, outsideDiameter_m: outside / 1000 }))
const remembered = (says: string): Source => ({ basis: 'from-memory', says: `${says}, as remembered: check the current edition` })

export const materials = {
  'steel-schedule-40': {
    label: 'Steel, schedule 40', roughness_m: 4.5e-5, expansion: 'steel', source: remembered('ASME B36.10M schedule 40'),
    sizes: inches([['1/2', 0.622], ['3/4', 0.824], ['1', 1.049], ['1-1/4', 1.38], ['1-1/2', 1.61], ['2', 2.067], ['2-1/2', 2.469], ['3', 3.068], ['4', 4.026]]),
  },
  'copper-type-k': {
    label: 'Copper tube, type K', roughness_m: 1.5e-6, expansion: 'copper', source: remembered('ASTM B88 type K'),
    sizes: inches([['3/8', 0.402], ['1/2', 0.527], ['5/8', 0.652], ['3/4', 0.745], ['1', 0.995], ['1-1/4', 1.245], ['1-1/2', 1.481], ['2', 1.959]]),
  },
  'copper-en1057': {
    label: 'Copper, EN 1057', roughness_m: 1.5e-6, expansion: 'copper', source: remembered('EN 1057 R250'),
    sizes: millimetres([[10, 8.8], [12, 10.8], [15, 13.6], [22, 20.2], [28, 26.2], [35, 32.6]]),
  },
} as const satisfies Record<string, PipeMaterial>

export type MaterialName = keyof typeof materials
export const materialNames = Object.keys(materials) as MaterialName[]

/** A size of a material by its name; undefined when the catalogue has no such size. */
export const sizeNamed = (material: MaterialName, name: string): PipeSize | undefined =>
  (materials[material].sizes as readonly PipeSize[]).find((size) => size.name === name)

/** Volume of a run, m³, from its true bore. Source: sources.arithmetic. */
export const pipeVolume_m3 = (bore_m: number, length_m: number): number => (Math.PI / 4) * bore_m ** 2 * length_m

/** Smallest size whose bore is at least the one asked for. */
export const nextSize = (material: MaterialName, bore_m: number): PipeSize | undefined =>
  (materials[material].sizes as readonly PipeSize[]).find((size) => size.bore_m >= bore_m * (1 - 1e-6))

