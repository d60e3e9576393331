import type { Known } from '../../job/known'
import type { Appliance, JobDocument, Part } from '../../job/document'
import type { Exchange } from '../../job/workDocument'
import { waterDensity_kg_m3 } from '../../methods/water/water'
import type { Practice } from '../../practice/practice'
import { gravity_m_s2 } from '../../units/units'
import { protects_W } from '../protects'
import type { MatchPoint } from './answer'

/** Cold water is the heaviest. */
const coldest_K = 277.15
/** Figures read from two tags are the same within this share. */
const slack = 1e-3
/**
 * Least between what a reducing valve passes and the relief behind it, share of the relief's
 * setting: below it a relief reseats. Common practice, no source.
 */
export const reducedMostShare = 0.8

interface Held {
  readonly id: MatchPoint['id']
  readonly measure: MatchPoint['measure']
  readonly old: Known
  readonly fresh: Known
  readonly asks?: {
    readonly value: number | undefined
    readonly of: string
    readonly way: 'most' | 'least'
  }
  /** How the new one may differ from the old: either way is another thing, or only too little. */
  readonly like: 'equal' | 'at-least'
}

function point({ id, measure, old, fresh, asks, like }: Held): MatchPoint {
  const limit = asks?.value
  const value = fresh?.value
  const fits = asks === undefined || fitsIn(value, limit, asks.way)
  return {
    id,
    measure,
    ...(old ? { old: old.value } : {}),
    ...(value === undefined ? {} : { fresh: value }),
    ...(asks && limit !== undefined ? { asks: { ...asks, value: limit } } : {}),
    fits,
    like: value === undefined || !old ? undefined : isLike(value, old.value, like),
  }
}

const fitsIn = (
  value: number | undefined,
  limit: number | undefined,
  way: 'most' | 'least',
): boolean | undefined =>
  value === undefined || limit === undefined ? undefined : isWithin(value, limit, way)
const isWithin = (value: number, limit: number, way: 'most' | 'least'): boolean =>
  way === 'most' ? value <= limit * (1 + 1e-9) : value >= limit * (1 - 1e-9)
const isLike = (value: number, old: number, like: Held['like']): boolean =>
  like === 'equal' ? Math.abs(value - old) <= slack * old : value >= old * (1 - slack)

/**
 * The water between a part and the plant below it comes on top of its setting, Pa. Source:
 * sources.arithmetic.
 */
export const waterBelow_Pa = (exchange: Exchange): number =>
  waterDensity_kg_m3(coldest_K) * gravity_m_s2 * (exchange.plantBelow_m?.value ?? 0)

interface Rows {
  readonly plant: Appliance
  readonly old: Part
  readonly fresh: Part
}

const setPoint = ({ old, fresh }: Rows, asks: NonNullable<Held['asks']>): MatchPoint =>
  point({
    id: 'set',
    measure: 'water-pressure',
    old: old.setGauge_Pa,
    fresh: fresh.setGauge_Pa,
    asks,
    like: 'equal',
  })

function reliefPoints(
  exchange: Exchange,
  rows: Rows,
  document: JobDocument,
  practice: Practice,
): readonly MatchPoint[] {
  const { plant, old, fresh } = rows
  const stands = plant.maxWorkingGauge_Pa?.value
  const most = stands === undefined ? undefined : stands - waterBelow_Pa(exchange)
  const opens = point({
    id: 'temperature',
    measure: 'temperature',
    old: old.openTemp_K,
    fresh: fresh.openTemp_K,
    asks: {
      value: practice.safety.temperatureReliefTemp_K,
      of: `a ${practice.words.temperatureRelief} here`,
      way: 'most',
    },
    like: 'equal',
  })
  return [
    setPoint(rows, { value: most, of: plant.name, way: 'most' }),
    ...(exchange.part === 'temperature-pressure-valve' ? [opens] : []),
    point({
      id: 'capacity',
      measure: 'power',
      old: old.capacity_W,
      fresh: fresh.capacity_W,
      asks: { value: protects_W(plant, document, practice), of: plant.name, way: 'least' },
      like: 'at-least',
    }),
  ]
}

const vesselPoints = (exchange: Exchange, { old, fresh }: Rows): readonly MatchPoint[] => [
  point({
    id: 'working',
    measure: 'water-pressure',
    old: null,
    fresh: exchange.newMaxWorkingGauge_Pa,
    asks: { value: exchange.reliefGauge_Pa?.value, of: 'the relief beside it', way: 'least' },
    like: 'at-least',
  }),
  point({
    id: 'volume',
    measure: 'small-volume',
    old: old.volume_m3,
    fresh: fresh.volume_m3,
    like: 'at-least',
  }),
]

function reducingPoints({ reliefGauge_Pa }: Exchange, rows: Rows): readonly MatchPoint[] {
  const value = reliefGauge_Pa ? reliefGauge_Pa.value * reducedMostShare : undefined
  return [setPoint(rows, { value, of: 'the relief behind it, so that it reseats', way: 'most' })]
}

/**
 * The points by which a new part is held against the plant and the old part. Gauge, Pa; gross W.
 * Source: sources.trade.
 */
export function matchPoints(
  exchange: Exchange,
  rows: Rows,
  document: JobDocument,
  practice: Practice,
): readonly MatchPoint[] {
  switch (exchange.part) {
    case 'relief-valve':
    case 'temperature-pressure-valve':
      return reliefPoints(exchange, rows, document, practice)
    case 'expansion-vessel':
      return vesselPoints(exchange, rows)
    case 'reducing-valve':
    case 'inlet-group':
      return reducingPoints(exchange, rows)
  }
}
