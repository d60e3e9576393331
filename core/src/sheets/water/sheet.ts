import { waterWordings } from './wording'
import { waterSentence } from './sentence'
import { sheetSpec } from '../sheetSpec'
import type { CircuitAnswer } from '../circuit/answer'
import type { Working } from '../../answer/working'
import { outletFlow_m3_s, unitsOfOutlet } from '../../methods/demand/simultaneous'
import type { DesignBy, EndDraw, Moment, Side } from '../../methods/feed/designFlow'
import { designFlows } from '../../methods/feed/designFlow'
import { fillTime_s, usualBypass_m3_s, usualFeed_m3_s } from '../../methods/feed/fill'
import type { Properties } from '../../methods/fluid/glycol'
import { fluidAt, plainWater } from '../../methods/fluid/glycol'
import type { PipeSize } from '../../methods/materials/pipes'
import { materials, sizeNamed } from '../../methods/materials/pipes'
import { priceList } from '../../methods/materials/prices'
import { deadLeg } from '../../methods/hot-water/pipes'
import { circleArea_m2 } from '../../methods/hydraulics/friction'
import type { WaterPipe } from '../../methods/hydraulics/waterTree'
import { waterDrop_Pa } from '../../methods/hydraulics/waterTree'
import type { JobDocument } from '../../job/document'
import type { WaterSegment } from '../../job/waterDocument'
import { chooseTree } from '../../methods/network/chooseTree'
import { inOrder, meterNode, pathTo } from '../../methods/network/tree'
import type { TreeShape } from '../../methods/network/treeShape'
import { treeShape } from '../../methods/network/treeShape'
import type { Practice } from '../../practice/practice'
import { sideOf } from '../../practice/schools'
import { gravity_m_s2 } from '../../units/units'
import { valueOr } from '../../job/valueOr'
import { storeSetting_K } from '../../job/storeSetting'
import type { Missing, Sheet } from '../../answer/sheet'
import { coldestTemp_K } from '../../job/coldestTemp'
import { mainOf } from '../../job/main'
import { waterFindings } from './findings'
import { heaterLoss_Pa, partLoss_Pa, sourceOf } from './losses'
import type { WaterLoop } from './waterLoop'
import { waterLoop } from './waterLoop'
import { waterWorkings } from './workings'
import type {
  WaterEndAnswer,
  WaterPipeAnswer,
  WaitAnswer,
  MixerAnswer,
  WaterAnswer,
} from './answer'
import { heaterLeast_m3_s } from '../../job/heaterLeast'

/** Cold water that nobody has measured. Assumed. */
const usualCold_K = 283.15

/** Losses of a bend and of the branch of a tee in a water pipe. Common practice, no source. */
const bendLoss = 0.9
const teeLoss = 1.3

/** Hot water that the pipes of a job carry, or cold: everything beyond the heater. */
function sidesOf(segments: readonly WaterSegment[]): ReadonlyMap<string, Side> {
  const { ordered } = inOrder(segments)
  const byId = new Map(ordered.map((segment) => [segment.id, segment]))
  const sides = new Map<string, Side>()
  for (const segment of ordered) {
    const feeder = byId.get(segment.from)
    sides.set(
      segment.id,
      feeder && (feeder.end?.kind === 'heater' || sides.get(feeder.id) === 'hot') ? 'hot' : 'cold',
    )
  }
  return sides
}

/**
 * Designs the water feed: sizes where asked, flow, speed and pressure everywhere, waiting, mixers,
 * secondary return, filling.
 */
export function waterSheet(
  document: JobDocument,
  practice: Practice,
  heatingContent_m3: number | undefined,
): Sheet<WaterAnswer> {
  const { water } = document
  if (water.segments.length === 0)
    return {
      applies: false,
      because: 'No water pipe is drawn on this job. Where pipes are new, draw them from the main.',
    }
  const missing = missingForWater(document)
  const answer = missing.length > 0 ? undefined : solveWater(document, practice, heatingContent_m3)
  return {
    applies: true,
    answer,
    missing,
    findings: answer ? waterFindings(document, practice, answer) : [],
    workings: () => (answer ? waterWorkings(answer) : ([] as readonly Working[])),
  }
}

/** What the pipes are sized for: the document's choice, or the school's. */
export function designOf(document: JobDocument, practice: Practice): DesignBy {
  const { water, hotWater, schools } = document
  const scenario = hotWater?.scenario ?? []
  const by =
    water.designBy ??
    (sideOf('simultaneousUse', practice.name, schools) === 'b' && scenario.length > 0
      ? 'scenario'
      : 'units')
  if (by === 'all-open') return { by }
  if (by === 'scenario' && scenario.length > 0) {
    const moments = scenario.map(({ start_s }): Moment => {
      const open = new Map<string, number>()
      for (const draw of scenario)
        if (draw.start_s <= start_s && start_s < draw.start_s + draw.duration_s)
          open.set(draw.outletId, (open.get(draw.outletId) ?? 0) + draw.open)
      return open
    })
    return { by, moments }
  }
  return { by: practice.hotWater.demand }
}

function solveWater(
  document: JobDocument,
  practice: Practice,
  heatingContent_m3: number | undefined,
): WaterAnswer | undefined {
  const { water } = document
  const supply = supplyOf(document, practice)
  const demand = demandOf(document, practice)
  const { total_m3_s, hotTemp_K } = demand
  const sourceGauge_Pa = sourceOf(supply)(total_m3_s)
  const wantedGauge_Pa = valueOr(
    document.hotWater?.wantedGauge_Pa,
    practice.hotWater.wantedGauge_Pa,
  )
  const offered = offersFor(document, practice, demand)
  const picks = chooseTree(withAllowances(offered, demand, { sourceGauge_Pa, wantedGauge_Pa }))
  const pipes = laidOut(offered, picks, demand, sourceGauge_Pa)
  const index = [...pipes]
    .filter((pipe) => pipe.end)
    .sort((a, b) => a.farGauge_Pa - b.farGauge_Pa)[0]
  if (!index) return undefined
  const loop =
    (water.loop && waterLoop({ loop: water.loop, pipes, hotTemp_K, practice })) ?? undefined
  const price = priceList(document.prices)
  return {
    ...supply,
    pipes,
    index,
    indexRun: pathTo(water.segments, index.id).map((segment) => segment.id),
    wantedGauge_Pa,
    total_m3_s,
    sourceGauge_Pa,
    designBy: demand.designBy,
    coldTemp_K: demand.coldTemp_K,
    hotTemp_K,
    fluid: demand.fluid,
    sizesFound: picks !== undefined,
    uncovered: demand.flows.uncovered.flatMap((i) => demand.shape.ordered[i]?.name ?? []),
    waits: waitsOf(pipes, loop),
    mixers: mixersOf(pipes),
    heaterLeast_m3_s: heaterLeast_m3_s(document),
    loop,
    fill: fillOf(document, heatingContent_m3),
    cost: pipes.reduce(
      (sum, { segment, pipe, size }) =>
        sum + price({ material: segment.material, length_m: pipe.length_m }, size),
      0,
    ),
  }
}

/** What the main has to give, as it was read. */
function supplyOf(
  document: JobDocument,
  practice: Practice,
): Pick<WaterAnswer, 'staticGauge_Pa' | 'curve' | 'reducedTo_Pa'> {
  const { hotWater, survey } = document
  const reduced = survey.looked.mainReducingValve?.answer === 'yes'
  return {
    staticGauge_Pa: valueOr(survey.coldMainStaticGauge_Pa, 0),
    curve: mainOf(document),
    reducedTo_Pa: reduced
      ? valueOr(hotWater?.safety.reducingGauge_Pa, practice.safety.reducingGauge_Pa)
      : undefined,
  }
}

type End = ReturnType<typeof endsOf>[number]

/** The tree laid out, and what flows in each of its pipes when all that is designed for is open. */
interface Demand {
  readonly shape: TreeShape<WaterSegment>
  readonly sides: ReadonlyMap<string, Side>
  readonly endAt: ReadonlyMap<number, End>
  readonly place: ReadonlyMap<string, string>
  /** Height of each pipe's far end above the main. */
  readonly height_m: Float64Array
  readonly flows: ReturnType<typeof designFlows>
  readonly total_m3_s: number
  readonly designBy: DesignBy['by']
  readonly coldTemp_K: number
  readonly hotTemp_K: number
  readonly fluid: Properties
}

function demandOf(document: JobDocument, practice: Practice): Demand {
  const { segments } = document.water
  const coldTemp_K = coldestTemp_K(document) ?? usualCold_K
  const hotTemp_K = storeSetting_K(document, practice)
  const shape = treeShape(segments)
  const sides = sidesOf(segments)
  const ends = endsOf(document, practice, shape.ordered, sides, { coldTemp_K, hotTemp_K })
  const design = designOf(document, practice)
  const draws = ends.map((end) => end.draw)
  const flows = designFlows(shape, draws, design)
  const height_m = new Float64Array(shape.ordered.length)
  shape.ordered.forEach((segment, i) => {
    height_m[i] = (height_m[shape.parent[i] ?? -1] ?? 0) + valueOr(segment.rise_m, 0)
  })
  return {
    shape,
    sides,
    endAt: new Map(ends.map((end) => [end.draw.at, end])),
    place: new Map(segments.map((segment, i) => [segment.id, `water.segments.${i}`])),
    height_m,
    flows,
    total_m3_s: shape.roots.reduce((sum, root) => sum + (flows.flow_m3_s[root] ?? 0), 0),
    designBy: design.by,
    coldTemp_K,
    hotTemp_K,
    fluid: fluidAt(plainWater, coldTemp_K),
  }
}

/** A pipe, the sizes it may take and what each would cost and lose. */
interface Offered {
  readonly segment: WaterSegment
  readonly fixed: boolean
  readonly flow_m3_s: number
  readonly sizes: readonly PipeSize[]
  readonly offers: readonly {
    readonly bore_m: number
    readonly cost: number
    readonly drop: number
  }[]
}

function offersFor(
  document: JobDocument,
  practice: Practice,
  { shape, sides, flows, fluid }: Demand,
): readonly Offered[] {
  const price = priceList(document.prices)
  return shape.ordered.map((segment, i) => {
    const flow_m3_s = flows.flow_m3_s[i] ?? 0
    const { material } = segment
    const fixed = segment.size === null ? undefined : sizeNamed(material, segment.size)
    const sizes = fixed ? [fixed] : calmSizes(material, flow_m3_s, sides.get(segment.id), practice)
    const length_m = valueOr(segment.length_m, 0)
    const lost_Pa = partLoss_Pa(segment, flow_m3_s) + heaterLoss_Pa(document, segment, flow_m3_s)
    return {
      segment,
      fixed: fixed !== undefined,
      flow_m3_s,
      sizes,
      offers: sizes.map((size) => ({
        bore_m: size.bore_m,
        cost: fixed ? 0 : price({ material, length_m }, size),
        drop:
          waterDrop_Pa(pipeOf(segment, size, flow_m3_s), flow_m3_s, fluid, 'colebrook').drop_Pa +
          lost_Pa,
      })),
    }
  })
}

/** The sizes in which the flow stays slow enough; the largest where none is. */
function calmSizes(
  material: WaterSegment['material'],
  flow_m3_s: number,
  side: Side | undefined,
  { water: { hotMost_m_s, coldMost_m_s, leastBore_m } }: Practice,
): readonly PipeSize[] {
  const limit_m_s = side === 'hot' ? hotMost_m_s : coldMost_m_s
  const catalogue: readonly PipeSize[] = materials[material].sizes
  const calm = catalogue.filter(
    ({ bore_m }) =>
      bore_m >= leastBore_m && flow_m3_s / circleArea_m2(bore_m) <= limit_m_s * (1 + 1e-9),
  )
  return calm.length > 0 ? calm : catalogue.slice(-1)
}

/** What may be lost on the way to each outlet: what is there over what is wanted, less its height. */
const withAllowances = (
  offered: readonly Offered[],
  { endAt, height_m, fluid }: Demand,
  {
    sourceGauge_Pa,
    wantedGauge_Pa,
  }: { readonly sourceGauge_Pa: number; readonly wantedGauge_Pa: number },
) =>
  offered.map(({ segment: { id, from }, fixed, offers }, i) => ({
    id,
    from,
    fixed,
    offers,
    ...(endAt.has(i)
      ? {
          allowed:
            sourceGauge_Pa -
            fluid.density_kg_m3 * gravity_m_s2 * (height_m[i] ?? 0) -
            wantedGauge_Pa,
        }
      : {}),
  }))

/** Every pipe in the size picked for it, with the pressure left at its far end. */
function laidOut(
  offered: readonly Offered[],
  picks: ReturnType<typeof chooseTree>,
  { sides, endAt, flows, fluid, place }: Demand,
  sourceGauge_Pa: number,
): readonly WaterPipeAnswer[] {
  const gauge = new Map<string, number>([[meterNode, sourceGauge_Pa]])
  return offered.flatMap(({ segment, flow_m3_s, sizes, offers }, i): WaterPipeAnswer[] => {
    const at = picks?.get(segment.id) ?? sizes.length - 1
    const [size, offer, end] = [sizes[at], offers[at], endAt.get(i)]
    if (!size || !offer) return []
    const pipe = pipeOf(segment, size, flow_m3_s)
    const farGauge_Pa =
      (gauge.get(segment.from) ?? sourceGauge_Pa) -
      offer.drop -
      fluid.density_kg_m3 * gravity_m_s2 * pipe.rise_m
    gauge.set(segment.id, farGauge_Pa)
    return [
      {
        id: segment.id,
        segment,
        place: place.get(segment.id) ?? 'water.segments',
        size,
        chosen: segment.size === null,
        pipe,
        side: sides.get(segment.id) ?? 'cold',
        flow_m3_s,
        units: flows.units[i] ?? 0,
        velocity_m_s: flow_m3_s / circleArea_m2(size.bore_m),
        drop_Pa: offer.drop,
        farGauge_Pa,
        hazenWilliams_Pa: waterDrop_Pa(pipe, flow_m3_s, fluid, 'hazen-williams').drop_Pa,
        ...(end ? { end: end.end } : {}),
      },
    ]
  })
}

/** How long the heating takes to fill through its make-up, and through the bypass beside it. */
function fillOf(
  { heating, water: { makeUp } }: JobDocument,
  heatingContent_m3: number | undefined,
): WaterAnswer['fill'] {
  const feed_m3_s = valueOr(makeUp.feed_m3_s, usualFeed_m3_s)
  const bypass_m3_s = valueOr(makeUp.bypass_m3_s, usualBypass_m3_s)
  if (!heating || !heatingContent_m3 || feed_m3_s <= 0 || bypass_m3_s <= 0) return undefined
  return {
    content_m3: heatingContent_m3,
    feed_m3_s,
    bypass_m3_s,
    feed_s: fillTime_s(heatingContent_m3, feed_m3_s),
    bypass_s: fillTime_s(heatingContent_m3, bypass_m3_s),
    assumed: !makeUp.feed_m3_s || !makeUp.bypass_m3_s,
  }
}

/** A segment in a size, with the draw that is asked of it at its far end. */
const pipeOf = (segment: WaterSegment, size: PipeSize, draw_m3_s: number): WaterPipe => ({
  id: segment.id,
  from: segment.from,
  length_m: segment.length_m?.value ?? 0,
  bore_m: size.bore_m,
  roughness_m: materials[segment.material].roughness_m,
  roughnessC: materials[segment.material].roughnessC,
  lossCoefficient: segment.elbows * bendLoss + segment.branchTees * teeLoss,
  rise_m: segment.rise_m?.value ?? 0,
  draw_m3_s,
})

/**
 * The outlets at the ends of the pipes, each with what it draws of hot or of cold to make its mixed
 * flow.
 */
function endsOf(
  document: JobDocument,
  practice: Practice,
  ordered: readonly WaterSegment[],
  sides: ReadonlyMap<string, Side>,
  { coldTemp_K, hotTemp_K }: { readonly coldTemp_K: number; readonly hotTemp_K: number },
): readonly { readonly draw: EndDraw; readonly end: WaterEndAnswer }[] {
  const outlets = new Map((document.hotWater?.outlets ?? []).map((outlet) => [outlet.id, outlet]))
  const seen = new Map<string, Set<Side>>()
  for (const segment of ordered)
    if (segment.end?.kind === 'outlet')
      seen.set(
        segment.end.outletId,
        (seen.get(segment.end.outletId) ?? new Set()).add(sides.get(segment.id) ?? 'cold'),
      )
  return ordered.flatMap((segment, at) => {
    const outlet = segment.end?.kind === 'outlet' ? outlets.get(segment.end.outletId) : undefined
    if (!outlet || segment.end?.kind !== 'outlet') return []
    const side = sides.get(segment.id) ?? 'cold'
    const mixed = seen.get(outlet.id)?.size === 2
    const mixedTemp_K = outlet.temp_K?.value ?? practice.hotWater.mixedTemp_K
    const hotRatio =
      hotTemp_K > coldTemp_K
        ? Math.min(1, Math.max(0, (mixedTemp_K - coldTemp_K) / (hotTemp_K - coldTemp_K)))
        : 1
    const shareRatio = side === 'hot' ? hotRatio : 1 - hotRatio
    const each_m3_s = outletFlow_m3_s(outlet) * (mixed ? shareRatio : 1)
    return [
      {
        draw: {
          at,
          outletId: outlet.id,
          side,
          count: segment.end.count,
          each_m3_s,
          units: unitsOfOutlet(outlet.kind, practice.hotWater.demand),
          mixed,
        },
        end: {
          outlet,
          side,
          count: segment.end.count,
          each_m3_s,
          hot_m3_s: outletFlow_m3_s(outlet) * hotRatio,
          mixed,
        },
      },
    ]
  })
}

/**
 * The wait for hot water at each outlet: the pipe that stands still between the heater, or the
 * loop, and it.
 */
function waitsOf(
  pipes: readonly WaterPipeAnswer[],
  loop: WaterLoop | undefined,
): readonly WaitAnswer[] {
  const byId = new Map(pipes.map((pipe) => [pipe.id, pipe]))
  return pipes.flatMap((pipe): WaitAnswer[] => {
    if (pipe.end?.side !== 'hot' || pipe.end.each_m3_s <= 0) return []
    const still: WaterPipeAnswer[] = []
    for (
      let one: WaterPipeAnswer | undefined = pipe;
      one?.side === 'hot' && !loop?.answer.pipes.has(one.id);
      one = byId.get(one.segment.from)
    )
      still.push(one)
    return [
      {
        pipe,
        ...deadLeg(
          still.map(({ pipe: { bore_m, length_m } }) => ({ bore_m, length_m })),
          pipe.end.each_m3_s,
        ),
      },
    ]
  })
}

function mixersOf(pipes: readonly WaterPipeAnswer[]): readonly MixerAnswer[] {
  const lowest = (outletId: string, side: Side) =>
    pipes
      .filter((pipe) => pipe.end?.outlet.id === outletId && pipe.end.side === side)
      .sort((a, b) => a.farGauge_Pa - b.farGauge_Pa)[0]
  const outlets = new Map(
    pipes.flatMap((pipe) =>
      pipe.end?.mixed ? [[pipe.end.outlet.id, pipe.end.outlet] as const] : [],
    ),
  )
  return [...outlets.values()].flatMap((outlet) => {
    const [hot, cold] = [lowest(outlet.id, 'hot'), lowest(outlet.id, 'cold')]
    return hot && cold ? [{ outlet, hot, cold }] : []
  })
}

function missingForWater({ water, hotWater, survey }: JobDocument): Missing[] {
  const { segments } = water
  const { unreached } = inOrder(segments)
  const outlets = new Set((hotWater?.outlets ?? []).map((outlet) => outlet.id))
  const feeds = new Set(segments.map((segment) => segment.from))
  const at = (i: number) => `water.segments.${i}`
  return [
    ...(survey.coldMainStaticGauge_Pa
      ? []
      : [{ place: 'survey.coldMainStaticGauge_Pa', what: 'Static pressure of the cold main' }]),
    ...(outlets.size === 0
      ? [{ place: 'hotWater.outlets', what: 'An outlet, on Heat and hot water' }]
      : []),
    ...segments.flatMap(({ name, length_m }, i) => {
      if (!length_m) return [{ place: at(i), what: `Length of ${name}` }]
      if (length_m.value > 0) return []
      return [{ place: at(i), what: `${name} has a length of nothing: a pipe has some` }]
    }),
    ...unreached.map((segment) => ({
      place: at(segments.indexOf(segment)),
      what: `${segment.name} does not lead back to the main`,
    })),
    ...segments.flatMap((segment, i) =>
      segment.size !== null && !sizeNamed(segment.material, segment.size)
        ? [
            {
              place: at(i),
              what: `${segment.name}: ${segment.size} is not a size of ${materials[segment.material].label}`,
            },
          ]
        : [],
    ),
    ...segments.flatMap((segment, i) =>
      segment.end?.kind === 'outlet' && !outlets.has(segment.end.outletId)
        ? [{ place: at(i), what: `${segment.name} ends at an outlet that is not there any more` }]
        : [],
    ),
    ...segments.flatMap((segment, i) =>
      segment.end && segment.end.kind !== 'heater' && feeds.has(segment.id)
        ? [
            {
              place: at(i),
              what: `${segment.name} ends at something and pipes branch off it: give that a pipe of its own`,
            },
          ]
        : [],
    ),
    ...(outlets.size > 0 &&
    segments.length > 0 &&
    !segments.some((segment) => segment.end?.kind === 'outlet')
      ? [{ place: 'water.segments', what: 'A pipe that ends at an outlet' }]
      : []),
  ]
}

export const waterSpec = sheetSpec<{ circuit: CircuitAnswer }>()({
  id: 'water',
  wordings: waterWordings,
  place: 'water.segments',
  inputs: (document, { circuit }) => {
    const { water, prices, hotWater, survey, schools } = document
    return [
      water,
      prices,
      hotWater?.outlets,
      hotWater?.scenario,
      hotWater?.wantedGauge_Pa,
      hotWater?.storeTemp_K,
      hotWater?.safety.reducingGauge_Pa,
      heaterLeast_m3_s(document),
      circuit?.content.total_m3,
      survey.coldMainStaticGauge_Pa,
      survey.mainPoints,
      survey.incomingTemp_K,
      survey.incomingColdestTemp_K,
      survey.looked.mainReducingValve,
      schools,
    ]
  },
  solve: (document, practice, { circuit }) =>
    waterSheet(document, practice, circuit?.content.total_m3),
  key: ({ answer }) => `${answer?.pipes.map((pipe) => pipe.size.name).join()}`,
  says: waterSentence,
  isMild: true,
})
