import { z } from 'zod'
import { draughtConditions, lookQuestions } from './questions'
import type { LookAnswer, LookKey } from './questions'
import { day, id, known, name, photos, siteBases, rowsOf } from './known'

const seen = <T extends string>(answers: readonly [T, ...T[]]) =>
  z
    .object({
      answer: z.enum(answers),
      basis: z.enum(siteBases),
      from: z.string().max(200),
      note: z.string().max(500).optional(),
      recordId: z.string().max(60).optional(),
    })
    .nullable()

type SeenShape = { [K in LookKey]: ReturnType<typeof seen<LookAnswer<K>>> }
const answersOf = (question: (typeof lookQuestions)[number]) =>
  question.answers.map((answer) => answer.id) as [string, ...string[]]
const lookedShape = Object.fromEntries(
  lookQuestions.map((question) => [question.key, seen(answersOf(question))]),
) as unknown as SeenShape

/** Answers by looking; null is 'not looked at yet', which is not 'no'. */
export const Looked = z.object(lookedShape)
export type Looked = z.infer<typeof Looked>

/**
 * A running pressure with the flow that was drawn meanwhile, by a timed container or a flow cup.
 */
export const MainPoint = z.object({
  id,
  name,
  gauge_Pa: known('water-pressure'),
  by: z.enum(['container', 'flow-cup']),
  container_m3: known('small-volume'),
  filled_s: known('seconds'),
  flow_m3_s: known('water-flow'),
})
export type MainPoint = z.infer<typeof MainPoint>

const Supply = z
  .discriminatedUnion('state', [
    z.object({ state: z.literal('live') }),
    z.object({ state: z.literal('not-yet'), expected: day.nullable() }),
  ])
  .nullable()
export type Supply = z.infer<typeof Supply>

export const utilities = ['water', 'gas', 'power'] as const
export type Utility = (typeof utilities)[number]

const conditionIds = draughtConditions.map((one) => one.id) as [
  (typeof draughtConditions)[number]['id'],
  ...(typeof draughtConditions)[number]['id'][],
]

export const Draught = z.object({
  held: z.array(z.enum(conditionIds)).max(8),
  smoke: z.enum(['in', 'hovers', 'out']),
  note: z.string().max(500),
  at: z.string().max(40),
  recordId: z.string().max(60).optional(),
})
export type Draught = z.infer<typeof Draught>

/** A vessel or valve that is there already, or one that comes new: what its plate says. */
export const partKinds = [
  'expansion-vessel',
  'relief-valve',
  'temperature-pressure-valve',
  'reducing-valve',
] as const
export type PartKind = (typeof partKinds)[number]

export const Survey = z.object({
  /** The day of the visit: ages are counted to it. */
  visitedOn: day.nullable(),
  elevation_m: known('elevation'),
  coldMainStaticGauge_Pa: known('water-pressure'),
  mainPoints: rowsOf(MainPoint, 6, 'at most six points'),
  incomingTemp_K: known('temperature'),
  incomingColdestTemp_K: known('temperature'),
  incomingWarmestTemp_K: known('temperature'),
  hardness_kg_m3: known('hardness'),
  fillTemp_K: known('temperature'),
  maxFlowTemp_K: known('temperature'),
  highLimitTemp_K: known('temperature'),
  topEmitterHeight_m: known('length'),
  topOutletHeight_m: known('length'),
  ignitionHeight_m: known('length'),
  gasStaticGauge_Pa: known('gas-pressure'),
  gasWorkingGauge_Pa: known('gas-pressure'),
  /** What the meter is badged for. */
  gasMeter_m3_s: known('gas-flow'),
  /** Meter to the place of the new appliance, along the pipe. */
  gasDistance_m: known('length'),
  /** What was burning while the working pressure was read. */
  gasLoad: z.enum(['full', 'part', 'not-stated']),
  fuel: z.enum(['natural-gas', 'propane']),
  /** The vessel is sized on the higher of flow and limit unless the installer says why not. */
  sizeOn: z.discriminatedUnion('on', [
    z.object({ on: z.literal('higher') }),
    z.object({ on: z.literal('flow'), because: z.string().trim().min(3, 'say why').max(300) }),
  ]),
  looked: Looked,
  supplies: z.object({ water: Supply, gas: Supply, power: Supply }),
  draught: Draught.nullable(),
  /** Something stands here already, and is walked as an inspection. */
  inspecting: z.boolean(),
  placePhotos: photos,
})

export const blankLooked = Object.fromEntries(
  lookQuestions.map((question) => [question.key, null]),
) as Looked

export const blankSurvey: z.infer<typeof Survey> = {
  visitedOn: null,
  elevation_m: null,
  coldMainStaticGauge_Pa: null,
  mainPoints: [],
  incomingTemp_K: null,
  incomingColdestTemp_K: null,
  incomingWarmestTemp_K: null,
  hardness_kg_m3: null,
  fillTemp_K: null,
  maxFlowTemp_K: null,
  highLimitTemp_K: null,
  topEmitterHeight_m: null,
  topOutletHeight_m: null,
  ignitionHeight_m: null,
  gasStaticGauge_Pa: null,
  gasWorkingGauge_Pa: null,
  gasMeter_m3_s: null,
  gasDistance_m: null,
  gasLoad: 'not-stated',
  fuel: 'natural-gas',
  sizeOn: { on: 'higher' },
  looked: blankLooked,
  supplies: { water: null, gas: null, power: null },
  draught: null,
  inspecting: false,
  placePhotos: [],
}
