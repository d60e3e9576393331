import type { Source } from '../../answer/sources'

import { cubicFoot_m3, foot_m, inch_m, inchWater_Pa } from '../../units/units'
import { lowBore_m } from '../gas/nfpa54'

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
  readonly carries: readonly Carried[]
  /** Hazen and Williams' C when new. Common practice, no source. */
  readonly roughnessC: number
  readonly source: Source
}

/** What a material is laid for. Local code may allow less. */
export type Carried = 'gas' | 'heating' | 'water'

/** Pairs, not an object: JavaScript lists keys such as '1' before '1/2'. */
const inches = (rows: readonly (readonly [string, number])[]): PipeSize[] =>
  rows.map(([name, bore]) => ({ name, bore_m: bore * inch_m }))
const millimetres = (rows: readonly (readonly [number, number])[]): PipeSize[] =>
  rows.map(([outside, bore]) => ({
    name: `${outside} mm`,
    bore_m: bore / 1000,
    outsideDiameter_m: outside / 1000,
  }))
const remembered = (says: string): Source => ({
  basis: 'from-memory',
  says: `${says}, as remembered: check the current edition`,
})

/**
 * What corrugated tubing passes, ft³/h, at 0.5 in wc over 10 ft, by its equivalent hydraulic
 * diameter, a number of its maker's and no length.
 */
const corrugatedFlows_cfh = [
  [13, 32],
  [15, 44],
  [18, 82],
  [19, 95],
  [23, 161],
  [25, 192],
  [30, 330],
  [31, 383],
  [37, 639],
  [39, 746],
  [46, 1260],
  [48, 1470],
  [60, 2600],
  [62, 2930],
] as const
/**
 * Bore of a smooth pipe that passes as much, by the low-pressure equation for natural gas. Source:
 * sources.nfpa54Low.
 */
const boreOfTable_m = (cfh: number): number =>
  lowBore_m({
    flow_m3_s: (cfh * cubicFoot_m3) / 3600,
    length_m: 10 * foot_m,
    drop_Pa: 0.5 * inchWater_Pa,
    cr: 0.6094,
  })

export const materials = {
  'steel-schedule-40': {
    label: 'Steel, schedule 40',
    roughness_m: 4.5e-5,
    expansion: 'steel',
    carries: ['gas', 'heating'],
    roughnessC: 120,
    source: remembered('ASME B36.10M schedule 40'),
    sizes: inches([
      ['1/2', 0.622],
      ['3/4', 0.824],
      ['1', 1.049],
      ['1-1/4', 1.38],
      ['1-1/2', 1.61],
      ['2', 2.067],
      ['2-1/2', 2.469],
      ['3', 3.068],
      ['4', 4.026],
    ]),
  },
  'copper-type-k': {
    label: 'Copper tube, type K',
    roughness_m: 1.5e-6,
    expansion: 'copper',
    carries: ['gas', 'heating', 'water'],
    roughnessC: 140,
    source: remembered('ASTM B88 type K'),
    sizes: inches([
      ['3/8', 0.402],
      ['1/2', 0.527],
      ['5/8', 0.652],
      ['3/4', 0.745],
      ['1', 0.995],
      ['1-1/4', 1.245],
      ['1-1/2', 1.481],
      ['2', 1.959],
    ]),
  },
  'copper-en1057': {
    label: 'Copper, EN 1057',
    roughness_m: 1.5e-6,
    expansion: 'copper',
    carries: ['gas', 'heating', 'water'],
    roughnessC: 140,
    source: remembered('EN 1057 R250'),
    sizes: millimetres([
      [10, 8.8],
      [12, 10.8],
      [15, 13.6],
      [22, 20.2],
      [28, 26.2],
      [35, 32.6],
    ]),
  },
  'copper-as1432': {
    label: 'Copper, AS 1432',
    roughness_m: 1.5e-6,
    expansion: 'copper',
    carries: ['gas', 'heating', 'water'],
    roughnessC: 140,
    source: remembered('AS 1432 type B'),
    sizes: [
      { name: 'DN15', bore_m: 0.01088, outsideDiameter_m: 0.0127 },
      { name: 'DN18', bore_m: 0.01384, outsideDiameter_m: 0.01588 },
      { name: 'DN20', bore_m: 0.01701, outsideDiameter_m: 0.01905 },
      { name: 'DN25', bore_m: 0.02296, outsideDiameter_m: 0.0254 },
      { name: 'DN32', bore_m: 0.02931, outsideDiameter_m: 0.03175 },
    ],
  },
  'copper-type-l': {
    label: 'Copper tube, type L',
    roughness_m: 1.5e-6,
    expansion: 'copper',
    carries: ['gas', 'heating', 'water'],
    roughnessC: 140,
    source: remembered('ASTM B88 type L'),
    sizes: inches([
      ['3/8', 0.43],
      ['1/2', 0.545],
      ['5/8', 0.666],
      ['3/4', 0.785],
      ['1', 1.025],
      ['1-1/4', 1.265],
      ['1-1/2', 1.505],
      ['2', 1.985],
    ]),
  },
  'stainless-corrugated': {
    label: 'Corrugated stainless, by EHD',
    roughness_m: 4.5e-5,
    expansion: 'steel',
    carries: ['gas'],
    roughnessC: 120,
    source: remembered(
      'NFPA 54 / IFGC table for corrugated stainless tubing by equivalent hydraulic diameter, 0.5 in wc and 10 ft; bore worked back from its flow',
    ),
    sizes: corrugatedFlows_cfh.map(([ehd, cfh]) => ({
      name: `EHD ${ehd}`,
      bore_m: boreOfTable_m(cfh),
    })),
  },
  'polyethylene-sdr11': {
    label: 'Polyethylene, SDR 11',
    roughness_m: 7e-6,
    expansion: 'steel',
    carries: ['gas', 'water'],
    roughnessC: 150,
    source: remembered('EN 1555-2 / EN 12201-2, SDR 11'),
    sizes: millimetres([
      [20, 14],
      [25, 19],
      [32, 26],
      [40, 32.6],
      [50, 40.8],
      [63, 51.4],
    ]),
  },
  multilayer: {
    label: 'Multilayer',
    roughness_m: 7e-6,
    expansion: 'copper',
    carries: ['gas', 'heating', 'water'],
    roughnessC: 150,
    source: remembered('EN ISO 21003-2, usual walls'),
    sizes: millimetres([
      [16, 12],
      [20, 16],
      [26, 20],
      [32, 26],
      [40, 33],
      [50, 42],
    ]),
  },
  'pex-s5': {
    label: 'PEX, series S5',
    roughness_m: 7e-6,
    expansion: 'copper',
    carries: ['heating', 'water'],
    roughnessC: 150,
    source: remembered('EN ISO 15875-2, series S5'),
    sizes: millimetres([
      [16, 12.4],
      [20, 16.2],
      [25, 20.4],
      [32, 26.2],
      [40, 32.6],
    ]),
  },
  'pex-sdr9': {
    label: 'PEX, SDR 9',
    roughness_m: 7e-6,
    expansion: 'copper',
    carries: ['heating', 'water'],
    roughnessC: 150,
    source: remembered('ASTM F876 / F877, SDR 9'),
    sizes: inches([
      ['3/8', 0.35],
      ['1/2', 0.475],
      ['3/4', 0.671],
      ['1', 0.863],
      ['1-1/4', 1.053],
      ['1-1/2', 1.243],
    ]),
  },
} as const satisfies Record<string, PipeMaterial>

export type MaterialName = keyof typeof materials
export const materialNames = Object.keys(materials) as [MaterialName, ...MaterialName[]]
/** Materials that carry something, in the catalogue's order. */
export const materialsFor = (carried: Carried): readonly MaterialName[] =>
  materialNames.filter((name) => (materials[name].carries as readonly Carried[]).includes(carried))

/** A size of a material by its name; undefined when the catalogue has no such size. */
export const sizeNamed = (material: MaterialName, name: string): PipeSize | undefined =>
  (materials[material].sizes as readonly PipeSize[]).find((size) => size.name === name)

/** The smallest size of a material: every catalogue has one. */
export const smallestSize = (material: MaterialName): PipeSize =>
  materials[material].sizes[0] ?? { name: 'none', bore_m: 0.01 }

/** Volume of a run, m³, from its true bore. Source: sources.arithmetic. */
export const pipeVolume_m3 = (bore_m: number, length_m: number): number =>
  (Math.PI / 4) * bore_m ** 2 * length_m

/** Smallest size whose bore is at least the one asked for. */
export const nextSize = (material: MaterialName, bore_m: number): PipeSize | undefined =>
  (materials[material].sizes as readonly PipeSize[]).find(
    (size) => size.bore_m >= bore_m * (1 - 1e-6),
  )
