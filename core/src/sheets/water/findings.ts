import { atMost } from '../../answer/expect'
import type { WaterFinding } from './wording'
import { sources } from '../../answer/sources'
import type { JobDocument } from '../../job/document'
import type { Practice } from '../../practice/practice'
import type { WaterAnswer, WaterPipeAnswer } from './answer'
import { returnMost_m_s } from './waterLoop'

/**
 * Least share of the higher of two pressures that the lower has at a mixer. Common practice, no
 * source.
 */
const mixerShare = 0.5

/** What is wrong with, or worth saying of, a water feed. */
export function waterFindings(
  document: JobDocument,
  practice: Practice,
  answer: WaterAnswer,
): readonly WaterFinding[] {
  return [
    ...(answer.sizesFound
      ? []
      : [
          {
            id: 'water-no-size',
            severity: 'stop',
            place: 'water.segments',
            source: sources.colebrook,
          } satisfies WaterFinding,
        ]),
    ...outletFindings(document, answer),
    ...pipeFindings(practice, answer),
    ...mainFindings(answer),
    ...waitFindings(practice, answer),
    ...standingFindings(practice, answer),
    ...fireFindings(answer),
    ...answer.mixers
      .filter(
        ({ hot, cold }) =>
          Math.min(hot.farGauge_Pa, cold.farGauge_Pa) <
          mixerShare * Math.max(hot.farGauge_Pa, cold.farGauge_Pa),
      )
      .map(({ outlet, hot, cold }): WaterFinding => ({
        id: 'water-mixer-uneven',
        severity: 'fix',
        place: hot.place,
        names: [outlet.name],
        figures: { hotGauge_Pa: hot.farGauge_Pa, coldGauge_Pa: cold.farGauge_Pa },
        source: sources.trade,
      })),
    ...makeUpFindings(document, answer),
    ...loopFindings(document, answer),
    ...returnFindings(document, practice, answer),
    ...(answer.uncovered.length > 0
      ? [
          {
            id: 'water-units-not-covered',
            severity: 'note',
            place: 'water.segments',
            names: [answer.uncovered.join(', ')],
            source: sources.hunter,
          } satisfies WaterFinding,
        ]
      : []),
  ]
}

function outletFindings(document: JobDocument, answer: WaterAnswer): WaterFinding[] {
  const reached = (outletId: string, side: 'hot' | 'cold') =>
    answer.pipes.some((pipe) => pipe.end?.outlet.id === outletId && pipe.end.side === side)
  const hotThere = answer.pipes.some((pipe) => pipe.side === 'hot')
  return [
    ...answer.pipes
      .filter((pipe) => pipe.end && !atMost(answer.wantedGauge_Pa, pipe.farGauge_Pa))
      .map((pipe): WaterFinding => {
        const byHand = answer.pipes.filter((other) => !other.chosen)
        return {
          id: 'water-outlet-starved',
          severity: 'stop',
          place: pipe.place,
          names: [`${pipe.end?.outlet.name ?? ''}, ${pipe.side}`],
          figures: {
            leftGauge_Pa: pipe.farGauge_Pa,
            wantedGauge_Pa: answer.wantedGauge_Pa,
            flow_m3_s: answer.total_m3_s,
          },
          source: sources.colebrook,
          ...(byHand.length > 0
            ? {
                remedy: {
                  label: 'let Hestian choose the sizes',
                  edits: byHand.map((other) => ({
                    path: [
                      'water',
                      'segments',
                      document.water.segments.indexOf(other.segment),
                      'size',
                    ],
                    value: null,
                  })),
                },
              }
            : {}),
        }
      }),
    ...(document.hotWater?.outlets ?? []).flatMap((outlet): WaterFinding[] => {
      const side = hotThere ? 'hot' : 'cold'
      if (reached(outlet.id, side) || (hotThere && outlet.kind === 'garden-tap')) return []
      return [
        {
          id: 'water-outlet-unfed',
          severity: 'fix',
          place: 'water.segments',
          names: [outlet.name, side],
          source: sources.continuity,
        },
      ]
    }),
  ]
}

function pipeFindings(practice: Practice, answer: WaterAnswer): WaterFinding[] {
  const byId = new Map(answer.pipes.map((pipe) => [pipe.id, pipe]))
  const feeds = new Set(answer.pipes.map((pipe) => pipe.segment.from))
  return answer.pipes.flatMap((pipe): WaterFinding[] => {
    const most_m_s = pipe.side === 'hot' ? practice.water.hotMost_m_s : practice.water.coldMost_m_s
    const feeder: WaterPipeAnswer | undefined = byId.get(pipe.segment.from)
    return [
      ...(atMost(pipe.velocity_m_s, most_m_s)
        ? []
        : [
            {
              id: 'water-too-fast',
              severity: 'fix',
              place: pipe.place,
              names: [pipe.segment.name, pipe.size.name],
              figures: { speed_m_s: pipe.velocity_m_s, most_m_s },
              source: practice.water.velocitySource,
              ...(pipe.chosen
                ? {}
                : {
                    remedy: {
                      label: 'let Hestian choose its size',
                      edits: [
                        {
                          path: [
                            ...pipe.place
                              .split('.')
                              .map((key) => (/^\d+$/.test(key) ? Number(key) : key)),
                            'size',
                          ],
                          value: null,
                        },
                      ],
                    },
                  }),
            } satisfies WaterFinding,
          ]),
      ...(feeder && pipe.size.bore_m > feeder.size.bore_m * 1.02
        ? [
            {
              id: 'water-branch-over-feeder',
              severity: 'note',
              place: pipe.place,
              names: [pipe.segment.name, feeder.segment.name],
              source: sources.trade,
            } satisfies WaterFinding,
          ]
        : []),
      ...(pipe.segment.end === null && !feeds.has(pipe.id)
        ? [
            {
              id: 'water-dead-main',
              severity: 'fix',
              place: pipe.place,
              names: [pipe.segment.name],
              source: sources.trade,
            } satisfies WaterFinding,
          ]
        : []),
    ]
  })
}

function mainFindings({ curve, staticGauge_Pa, total_m3_s }: WaterAnswer): WaterFinding[] {
  if (!curve)
    return [
      {
        id: 'water-main-assumed',
        severity: 'fix',
        place: 'survey.mainPoints',
        figures: { staticGauge_Pa },
        source: sources.hydrantFlow,
      },
    ]
  return total_m3_s > curve.measured_m3_s * 1.001
    ? [
        {
          id: 'water-main-past-measured',
          severity: 'note',
          place: 'survey.mainPoints',
          figures: { flow_m3_s: total_m3_s, measured_m3_s: curve.measured_m3_s },
          source: sources.hydrantFlow,
        },
      ]
    : []
}

const waitFindings = ({ water }: Practice, { waits }: WaterAnswer): WaterFinding[] =>
  waits
    .filter((wait) => wait.wait_s > water.waitMost_s)
    .map(({ pipe, volume_m3, wait_s }) => ({
      id: 'water-wait-long',
      severity: 'note',
      place: pipe.place,
      names: [pipe.end?.outlet.name ?? pipe.segment.name],
      figures: { volume_m3, wait_s, most_s: water.waitMost_s },
      source: water.waitSource,
    }))

/** What a secondary return comes back at, where the practice has a least. */
function returnFindings(
  document: JobDocument,
  { water }: Practice,
  { loop }: WaterAnswer,
): WaterFinding[] {
  const least_K = water.returnLeast_K
  if (!loop || least_K === undefined) return []
  return loop.returns
    .filter(({ endTemp_K }) => !atMost(least_K, endTemp_K))
    .map(({ back, endTemp_K }) => ({
      id: 'loop-returns-cool',
      severity: 'fix',
      place: `water.loop.returns.${document.water.loop?.returns.indexOf(back) ?? 0}`,
      names: [back.name],
      figures: { returnTemp_K: endTemp_K, leastTemp_K: least_K },
      source: water.standingSource,
    }))
}

/**
 * Water that stands warm for days is where bacteria grow: in a long branch, or in a loop that comes
 * back cool.
 */
function standingFindings(practice: Practice, answer: WaterAnswer): WaterFinding[] {
  const { standingMost_m3, standingSource: source } = practice.water
  return answer.waits
    .filter(({ volume_m3 }) => !atMost(volume_m3, standingMost_m3))
    .map(({ pipe, volume_m3 }) => ({
      id: 'water-stands',
      severity: 'fix',
      place: pipe.place,
      names: [pipe.end?.outlet.name ?? pipe.segment.name],
      figures: { volume_m3, most_m3: standingMost_m3 },
      source,
    }))
}

function fireFindings(answer: WaterAnswer): WaterFinding[] {
  const least_m3_s = answer.heaterLeast_m3_s
  if (least_m3_s === undefined) return []
  return answer.pipes
    .filter((pipe) => pipe.end?.side === 'hot' && pipe.end.hot_m3_s < least_m3_s * (1 - 1e-9))
    .map((pipe): WaterFinding => ({
      id: 'water-will-not-fire',
      severity: 'fix',
      place: pipe.place,
      names: [pipe.end?.outlet.name ?? pipe.segment.name],
      figures: { flow_m3_s: pipe.end?.hot_m3_s ?? 0, least_m3_s },
      source: sources.maker,
    }))
}

function makeUpFindings(document: JobDocument, answer: WaterAnswer): WaterFinding[] {
  const end = answer.pipes.find((pipe) => pipe.segment.end?.kind === 'make-up')
  if (!end) return []
  const { device, reducing } = document.water.makeUp
  return [
    ...(device === null
      ? [
          {
            id: 'water-make-up-open',
            severity: 'fix',
            place: 'water.makeUp',
            source: sources.trade,
          } satisfies WaterFinding,
        ]
      : []),
    ...(device === 'none'
      ? [
          {
            id: 'water-make-up-unguarded',
            severity: 'stop',
            place: 'water.makeUp',
            source: sources.trade,
          } satisfies WaterFinding,
        ]
      : []),
    ...(reducing === 'no' && answer.reducedTo_Pa === undefined
      ? [
          {
            id: 'water-make-up-no-reducing',
            severity: 'fix',
            place: 'water.makeUp',
            figures: { staticGauge_Pa: answer.staticGauge_Pa },
            source: sources.trade,
          } satisfies WaterFinding,
        ]
      : []),
  ]
}

function loopFindings(document: JobDocument, { loop }: WaterAnswer): WaterFinding[] {
  if (!loop || !document.water.loop) return []
  return [
    ...(document.water.loop.lagging_m === null
      ? [
          {
            id: 'water-loop-undecided',
            severity: 'fix',
            place: 'water.loop',
            source: sources.pipeLoss,
          } satisfies WaterFinding,
        ]
      : []),
    ...(document.water.loop.lagging_m?.value === 0
      ? [
          {
            id: 'water-loop-bare',
            severity: 'fix',
            place: 'water.loop',
            figures: { bareLoss_W: loop.bareLoss_W, laggedLoss_W: loop.laggedLoss_W },
            source: sources.pipeLoss,
          } satisfies WaterFinding,
        ]
      : []),
    ...loop.returns
      .filter((one) => one.velocity_m_s > returnMost_m_s * (1 + 1e-9))
      .map((one): WaterFinding => ({
        id: 'water-loop-fast',
        severity: 'fix',
        place: 'water.loop',
        names: [one.back.name],
        figures: { speed_m_s: one.velocity_m_s, most_m_s: returnMost_m_s },
        source: sources.trade,
      })),
  ]
}
