import type {
  CircuitPart,
  DischargePiece,
  GasEnd,
  HeatingPipe,
  HeatingZone,
  HeatOption,
  InletKind,
  JobDocument,
  Known,
  LookKey,
  MainPoint,
  OptionKind,
  Outlet,
  SiteBasis,
  UnitName,
} from '@hestian/core'
import { blankGasEnd, blankGasSegment, blankOption, blankWaterSegment, toSi } from '@hestian/core'

export const known = (figure: number, unit: UnitName, basis: SiteBasis, from: string): Known => ({
  value: Math.round(toSi(figure, unit) * 1e9) / 1e9,
  basis,
  from,
})
export const plate = (figure: number, unit: UnitName) => known(figure, unit, 'read', 'Plate')
export const manual = (figure: number, unit: UnitName) => known(figure, unit, 'read', 'Manual')
export const taped = (figure: number, unit: UnitName) => known(figure, unit, 'measured', 'Tape')
export const guessed = (figure: number, unit: UnitName) => known(figure, unit, 'assumed', 'Guess')
export const gauge = (figure: number, unit: UnitName) => known(figure, unit, 'measured', 'Gauge')

export const cup = (figure: number, unit: UnitName) => known(figure, unit, 'measured', 'Flow cup')
export const sheet = (figure: number, unit: UnitName) =>
  known(figure, unit, 'read', "Maker's sheet")

/** A running point by a timed container. */
export const bucket = (
  id: string,
  name: string,
  gauge_Pa: Known,
  container_m3: Known,
  seconds: number,
): MainPoint => ({
  id,
  name,
  gauge_Pa,
  by: 'container',
  container_m3,
  filled_s: known(seconds, 's', 'measured', 'Stopwatch'),
  flow_m3_s: null,
})
export const outlet = (
  id: string,
  name: string,
  kind: Outlet['kind'],
  count: number,
  flow_m3_s: Known,
  tempered: Outlet['tempered'],
): Outlet => ({ id, name, kind, count, flow_m3_s, temp_K: null, tempered })
export const option = (
  id: string,
  name: string,
  kind: OptionKind,
  more: Partial<HeatOption>,
): HeatOption => ({ ...blankOption({ id, name, kind }), ...more })

/** Answers by looking, each as it was seen on the day. */
export const looked = (
  job: JobDocument,
  answers: Partial<Record<LookKey, string>>,
): JobDocument['survey']['looked'] =>
  ({
    ...job.survey.looked,
    ...Object.fromEntries(
      Object.entries(answers).map(([key, answer]) => [
        key,
        { answer, basis: 'measured', from: 'Seen' },
      ]),
    ),
  }) as JobDocument['survey']['looked']

export const live = { state: 'live' as const }
export const allLive = { water: live, gas: live, power: live }

type Segment = JobDocument['gas']['segments'][number]
export const segment = (
  id: string,
  name: string,
  from: string,
  length_m: Known,
  more: Partial<Segment>,
): Segment => ({
  ...blankGasSegment({ id, name, from, material: 'copper-en1057' }),
  length_m,
  ...more,
})

export type Water = JobDocument['water']['segments'][number]
export const waterPipe = (
  id: string,
  name: string,
  from: string,
  length_m: Known,
  rise_m: Known,
  more: Partial<Water>,
): Water => ({
  ...blankWaterSegment({ id, name, from, material: 'copper-en1057' }),
  length_m,
  rise_m,
  ...more,
})
export const at = (outletId: string, count: number): Water['end'] => ({
  kind: 'outlet',
  outletId,
  count,
})
/** What stands before an appliance that is connected as it should be. */
export const joined = (
  connector: 'rigid' | 'flexible',
  connectorDrop_Pa: Known = null,
): GasEnd => ({
  ...blankGasEnd,
  shutOff: 'yes',
  trap: 'yes',
  connector,
  connectorDrop_Pa,
})

export const heatZone = (id: string, name: string, heatZoneId: string | null): HeatingZone => ({
  id,
  name,
  heatZoneId,
  load_W: null,
  difference_K: null,
  alone: false,
})
export const heatPipe = (
  id: string,
  name: string,
  size: string | null,
  length_m: Known,
  more: Partial<HeatingPipe>,
): HeatingPipe => ({
  id,
  name,
  material: 'copper-en1057',
  size,
  length_m,
  run_m: null,
  bends: 0,
  zoneId: null,
  carries: 'all',
  ...more,
})
export const passing = (
  id: string,
  name: string,
  kind: CircuitPart['kind'],
  drop_Pa: Known,
  atFlow_m3_s: Known,
  water_m3: Known = null,
  zoneId: string | null = null,
): CircuitPart => ({ id, name, kind, zoneId, drop_Pa, atFlow_m3_s, water_m3 })
export const inlet = (kinds: readonly InletKind[]) =>
  kinds.map((kind) => ({ id: kind, kind, reversed: false, maker: null }))

type PipePiece = Extract<DischargePiece, { kind: 'pipe' }>
/** A discharge run, pipes by material, size, length in m and how they run. */
export const run = (
  prefix: string,
  pieces: readonly (
    | 'bend'
    | 'tundish'
    | readonly [PipePiece['material'], PipePiece['size'], number, PipePiece['runs']]
  )[],
): DischargePiece[] =>
  pieces.map((piece, i) => {
    const id = `${prefix}${i}`
    if (piece === 'bend') return { id, kind: 'bend' }
    if (piece === 'tundish') return { id, kind: 'tundish', visible: 'yes' }
    const [material, size, length, runs] = piece
    return { id, kind: 'pipe', material, size, length_m: taped(length, 'm'), runs }
  })
