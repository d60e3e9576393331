import type {
  Lasting,
  Drawing,
  Finding,
  JobState,
  Judgement,
  JudgedTest,
  Person,
  Show,
  Solution,
  Working,
} from '@hestian/core'
import {
  answerOf,
  answerText,
  asDesigned,
  dischargeElevation,
  drawingSvg,
  pressureTemperature,
  pressureView,
  pumpCurveDrawing,
  storeLadder,
  durationWords,
  inWords,
  lookQuestions,
  mainCurveDrawing,
  schoolNames,
  schools,
  sideOf,
  gasTree,
  waterTree,
  offWords,
  paperInks,
  pressureLadder,
  severityWords,
  showIn,
  surveyFields,
  tickets,
  ticketWords,
  tightnessTrace,
  word,
  writeOut,
} from '@hestian/core'
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces'

export interface HandoverFacts {
  readonly state: JobState
  readonly solution: Solution
  readonly judgement: Judgement
  readonly people: readonly Person[]
  readonly printedAt: string
}

const basisWords = {
  published: 'published',
  'published-equation': 'published equation',
  'from-memory': 'as remembered, check the current edition',
  'common-practice': 'common practice',
  assumed: 'assumed',
} as const

/** The handover sheet: answers with their workings, the test with its trace, the commissioning record, what is open, and the cautions. */
export function handoverSheet(facts: HandoverFacts): TDocumentDefinitions {
  const { state, solution, judgement, people, printedAt } = facts
  const show = showIn(solution.practice.units)
  const nameOf = (id: string) => people.find((person) => person.id === id)?.name ?? id
  const banner = bannerOf(state)
  const title = `${state.document.site.name}: handover`
  return {
    pageSize: 'A4',
    pageMargins: [46, 46, 46, 54],
    tagged: true,
    language: 'en',
    displayTitle: true,
    info: { title },
    defaultStyle: { font: 'Text', fontSize: 10, lineHeight: 1.15, color: paperInks.ink },
    pageBreakBefore: (
      node: { headlineLevel?: number },
      around: { getFollowingNodesOnPage: () => unknown[] },
    ) => node.headlineLevel === 2 && around.getFollowingNodesOnPage().length < 6,
    footer: (page: number, pages: number) => ({
      margin: [46, 12, 46, 0],
      columns: [
        {
          text: `Job ${state.number}, ${state.frozen ? `revision ${state.frozen}` : 'draft, not signed'}`,
          color: paperInks['ink-3'],
          fontSize: 9,
        },
        { text: `${page} of ${pages}`, alignment: 'right', color: paperInks['ink-3'], fontSize: 9 },
      ],
    }),
    content: [
      { text: state.document.site.name, font: 'Head', bold: true, fontSize: 24, headlineLevel: 1 },
      {
        text: [
          state.document.site.address || 'No address given',
          `.  ${solution.practice.label}.  Job ${state.number}`,
          state.frozen ? `, revision ${state.frozen}.` : ', draft.',
        ],
        margin: [0, 2, 0, 8],
        color: paperInks['ink-2'],
      },
      ...(banner
        ? [{ text: banner, bold: true, color: paperInks.stop, margin: [0, 0, 0, 6] } as Content]
        : []),
      ...heating(facts, show),
      ...answers(facts, show),
      ...survey(facts, show),
      ...proving(judgement, show, nameOf),
      ...commissioning(judgement, show, nameOf),
      ...open(facts, show),
      ...workings(solution, show),
      ...cautions(solution),
      ...signatures(facts, nameOf, printedAt),
    ] as Content[],
  } as TDocumentDefinitions
}

/** What has to be known before anything on the sheet is believed: that nobody signed it, or that nobody here did. */
function bannerOf({ frozen, revisions }: HandoverFacts['state']): string | undefined {
  if (!frozen) return 'Draft: not signed. Do not hand over.'
  return revisions.some((one) => one.letter === frozen && one.imported)
    ? 'Imported from a file: the signature was not verified here.'
    : undefined
}

export const section = (text: string): Content => ({
  stack: [
    { text, font: 'Head', bold: true, fontSize: 14 },
    {
      canvas: [
        { type: 'line', x1: 0, y1: 2, x2: 503, y2: 2, lineWidth: 1.2, lineColor: paperInks.ink },
      ],
    },
  ],
  margin: [0, 12, 0, 6],
  headlineLevel: 2,
})
const drawn = (drawing: Drawing, width: number): Content => ({
  svg: drawingSvg(drawing, 'Text'),
  width,
  margin: [0, 4, 0, 6],
})
export const rows = (
  widths: (string | number)[],
  body: readonly (readonly Content[])[],
  header = 0,
): Content =>
  ({
    table: {
      widths,
      headerRows: header,
      keepWithHeaderRows: header,
      dontBreakRows: true,
      body: body.map((row) => [...row]),
    },
    layout: {
      hLineWidth: () => 0.5,
      vLineWidth: () => 0,
      hLineColor: () => paperInks.hair,
      paddingTop: () => 3,
      paddingBottom: () => 3,
    },
  }) as Content

function answers({ solution }: HandoverFacts, show: Show): Content[] {
  const { practice, document } = solution
  const vessel = solution.vessel.applies ? solution.vessel.answer : undefined
  const gas = solution.gas.applies ? solution.gas.answer : undefined
  return [
    section('What was designed'),
    ...(vessel
      ? [
          {
            text: [
              bold(
                vessel.fitted_m3 > 0
                  ? show(vessel.fitted_m3, 'small-volume')
                  : 'The built-in vessel',
              ),
              ` ${practice.words.vessel}${vessel.fitted_m3 > 0 ? '' : ' is enough'}, charged to `,
              bold(show(vessel.need.chargeGauge_Pa, 'water-pressure')),
              ' before filling, filled to ',
              bold(show(vessel.fillGauge_Pa, 'water-pressure')),
              ' cold. ',
              vessel.forecast.outcome === 'settles'
                ? `Hot, ${show(vessel.forecast.hotGauge_Pa, 'water-pressure')} is to be expected; the relief is set to ${show(vessel.inputs.reliefSetGauge_Pa, 'water-pressure')}.`
                : '',
            ],
            fontSize: 12,
          } as Content,
          {
            columns: [
              {
                width: 300,
                stack: [
                  drawn(
                    pressureLadder(
                      vessel,
                      practice,
                      show,
                      { width: 366, height: 330 },
                      document.heating?.deliveredChargeGauge_Pa?.value,
                    ),
                    290,
                  ),
                ],
              },
              {
                width: '*',
                stack: [
                  {
                    text: 'All pressures gauge, at the fill point.',
                    color: paperInks['ink-2'],
                    margin: [0, 8, 0, 4],
                  },
                  {
                    text: `System water ${show(vessel.inputs.system_m3, 'volume')}, of which ${show(vessel.content.assumed_m3, 'volume')} assumed.`,
                  },
                ],
              },
            ],
          } as Content,
          {
            text: `Charge before filling, vessel isolated and its water side empty: ${show(vessel.pumpUp.gauge_Pa, 'water-pressure')} at ${show(vessel.pumpUp.dayTemp_K, 'temperature')}.`,
            margin: [0, 4, 0, 0],
          } as Content,
          drawn(
            pressureTemperature(pressureView(vessel, asDesigned), show, practice.units, {
              width: 620,
              height: 260,
            }),
            420,
          ),
        ]
      : [
          {
            text: solution.vessel.applies
              ? 'The heating vessel is not designed.'
              : solution.vessel.because,
          },
        ]),
    ...circuit(solution, show),
    ...store(solution, show),
    ...reliefs(solution, show),
    ...(gas
      ? [
          {
            text: [
              bold(`${gas.index.pipe.size.name}`),
              ` to ${gas.index.appliance?.name ?? 'the index appliance'}; `,
              bold(show(gas.index.dropTo_Pa, 'gas-pressure')),
              ` of the ${show(gas.indexAllowed_Pa, 'gas-pressure')} allowed, ${show(gas.index.farGauge_Pa, 'gas-pressure')} left with everything burning.`,
            ],
            fontSize: 12,
            margin: [0, 8, 0, 0],
          } as Content,
          drawn(gasTree(gas, show, 820), 503),
          rows(
            ['*', 60, 70, 70, 60, 70],
            [
              ['Pipe', 'Size', 'Length', 'Flow', 'Drop', 'Far end'].map((text) => ({
                text,
                bold: true,
              })),
              ...gas.pipes.map((pipe) => [
                pipe.segment.name,
                pipe.pipe.size.name,
                show(pipe.segment.length_m?.value ?? 0, 'length'),
                show(pipe.flow_m3_s, 'gas-flow'),
                show(pipe.drop_Pa, 'gas-pressure'),
                show(pipe.farGauge_Pa, 'gas-pressure'),
              ]),
            ],
            1,
          ),
        ]
      : [
          { text: solution.gas.applies ? 'The gas supply is not designed.' : solution.gas.because },
        ]),
    ...feed(solution, show),
  ]
}

/** Cold and hot water from the main to every outlet, and the water that goes round. */
function feed(solution: Solution, show: Show): Content[] {
  const answer = answerOf(solution.water)
  if (!answer) return []
  const { index, loop, fill } = answer
  const bar = (gauge_Pa: number) => show(gauge_Pa, 'water-pressure')
  return [
    section('Water feed'),
    {
      text: [
        bold(`${bar(index.farGauge_Pa)} left`),
        ` at ${index.end?.outlet.name ?? 'the last outlet'}, ${index.side}, of the ${bar(answer.wantedGauge_Pa)} wanted, with ${show(answer.total_m3_s, 'water-flow')} at once and ${bar(answer.sourceGauge_Pa)} at the main.`,
      ],
    },
    drawn(waterTree(answer, show, 820), 503),
    rows(
      ['*', 50, 60, 60, 60, 60],
      [
        head('Pipe', 'Size', 'Length', 'Flow', 'Speed', 'Far end'),
        ...answer.pipes.map((pipe) => [
          `${pipe.segment.name} (${pipe.side})`,
          pipe.size.name,
          show(pipe.pipe.length_m, 'length'),
          show(pipe.flow_m3_s, 'water-flow'),
          show(pipe.velocity_m_s, 'velocity'),
          bar(pipe.farGauge_Pa),
        ]),
      ],
      1,
    ),
    ...(answer.waits.length > 0
      ? [
          {
            text: `Wait for hot water: ${answer.waits.map((wait) => `${wait.pipe.end?.outlet.name ?? wait.pipe.segment.name} ${durationWords(wait.wait_s)}`).join('; ')}.`,
            margin: [0, 4, 0, 0],
          } as Content,
        ]
      : []),
    ...(loop
      ? [
          {
            text: `Secondary return: ${show(loop.answer.flow_m3_s, 'water-flow')} against ${bar(loop.pumpHead_Pa)}, ${show(loop.answer.loss_W, 'small-power')} lost with ${loop.lagging_m > 0 ? `${show(loop.lagging_m, 'bore')} of lagging` : 'bare pipe'}. ${loop.returns.map((one) => `${one.back.name} ${show(one.flow_m3_s, 'water-flow')}${one.setting_m3_s === undefined ? ', the longest way' : `, its valve takes ${bar(one.surplus_Pa)}`}`).join('; ')}.`,
            margin: [0, 4, 0, 0],
          } as Content,
        ]
      : []),
    ...(fill
      ? [
          {
            text: `Filling the heating: ${durationWords(fill.feed_s)} through the ${solution.practice.words.fillDevice}, ${durationWords(fill.bypass_s)} by its lever or by-pass.`,
            margin: [0, 4, 0, 0],
          } as Content,
        ]
      : []),
  ]
}

const bold = (text: string) => ({ text, bold: true })
const head = (...texts: readonly string[]) => texts.map(bold)

/** The heating circuit: its flows, what is throttled, and what drives it. */
function circuit(solution: Solution, show: Show): Content[] {
  const answer = answerOf(solution.circuit)
  if (!answer) return []
  return [
    section('Heating circuit'),
    {
      text: [
        bold(show(answer.flow_m3_s, 'water-flow')),
        ' against ',
        bold(show(answer.index.loss_Pa, 'water-pressure')),
        `; the index circuit is ${answer.index.zone.name}. ${answer.pump ? `${answer.pump.label}. ` : ''}Holds ${show(answer.content.total_m3, 'volume')}, between ${show.figure(answer.content.between_m3[0], 'volume')} and ${show(answer.content.between_m3[1], 'volume')}.`,
      ],
      fontSize: 12,
    },
    rows(
      ['*', 60, 60, 60, 100],
      [
        head('Zone', 'Heat', 'Flow', 'Loss', 'Throttle'),
        ...answer.zones.map((zone) => [
          zone.zone.name,
          show(zone.load_W, 'power'),
          show(zone.flow_m3_s, 'water-flow'),
          show(zone.loss_Pa, 'water-pressure'),
          zone.isIndex
            ? 'index'
            : zone.zone.alone
              ? 'fed alone'
              : zone.setting_m3_s === undefined
                ? 'open'
                : `${show(zone.surplus_Pa, 'water-pressure')}, Kv ${(zone.setting_m3_s * 3600).toFixed(1)}`,
        ]),
      ],
      1,
    ),
    rows(
      ['*', 60, 60, 60, 60],
      [
        head('Pipe', 'Size', 'Flow', 'Speed', 'Loss'),
        ...answer.pipes.map((pipe) => [
          pipe.pipe.name,
          pipe.size.name,
          show(pipe.flow_m3_s, 'water-flow'),
          show(pipe.velocity_m_s, 'velocity', 2),
          show(pipe.loss_Pa, 'water-pressure', 3),
        ]),
      ],
      1,
    ),
    drawn(
      pumpCurveDrawing(answer, show, solution.practice.units, { width: 520, height: 230 }),
      360,
    ),
  ]
}

/** What keeps the store from bursting. */
function store(solution: Solution, show: Show): Content[] {
  const answer = answerOf(solution.safety)
  if (!answer) return []
  const { words } = solution.practice
  return [
    section('Hot water safety'),
    {
      text: [
        answer.vesselWanted
          ? bold(
              `${show(answer.fitted_m3, 'small-volume')} ${words.vessel}, charged to ${show(answer.chargeGauge_Pa, 'water-pressure')}`,
            )
          : bold(`No ${words.vessel}`),
        `. ${answer.heater.name}, ${show(answer.store_m3, 'small-volume')}; the system is ${answer.closed.system === 'cannot-tell' ? 'taken as closed' : answer.closed.system}. ${show(answer.reducedGauge_Pa, 'water-pressure')} at the store.`,
      ],
      fontSize: 12,
    },
    drawn(storeLadder(answer, solution.practice, show, { width: 366, height: 300 }), 290),
  ]
}

/** Relief valves, what each carries, and where its water goes. */
function reliefs(solution: Solution, show: Show): Content[] {
  const answer = answerOf(solution.relief)
  if (!answer || answer.valves.length === 0) return []
  return [
    section('Relief and discharge'),
    rows(
      ['*', 60, 80, 80, 110],
      [
        head('Valve', 'Lifts at', 'Carries', 'Has to', 'Weakest part'),
        ...answer.valves.map((one) => [
          one.valve.name,
          show(one.setGauge_Pa, 'water-pressure'),
          one.together_W === undefined ? 'not read' : show(one.together_W, 'power'),
          one.protects_W === undefined
            ? 'not read'
            : `${show(one.protects_W, 'power')} (${one.by})`,
          one.weakest
            ? `${one.weakest.name}, ${show(one.weakest.limitGauge_Pa, 'water-pressure')}`
            : 'not read',
        ]),
      ],
      1,
    ),
    ...answer.valves
      .filter((one) => one.valve.discharge.pieces.length > 0)
      .map((one): Content => ({
        stack: [
          {
            text: `Discharge of ${one.valve.name}, from the side`,
            bold: true,
            margin: [0, 6, 0, 0],
          },
          drawn(
            dischargeElevation(one.valve.discharge, one.discharge?.faults ?? [], show, {
              width: 780,
              height: 260,
            }),
            460,
          ),
        ],
        unbreakable: true,
      })),
  ]
}

/** The way of making heat and hot water that was chosen, beside the others. */
function heating({ solution }: HandoverFacts, show: Show): Content[] {
  const answer = solution.heat.applies ? solution.heat.answer : undefined
  if (!answer || answer.options.length === 0) return []
  const span = (band: Lasting | undefined) => {
    if (!band) return ''
    if (band === 'as-long-as-wanted') return 'as long as wanted'
    return `${durationWords(band.least_s)} to ${durationWords(band.most_s)}`
  }
  const { chosen } = solution.document.heat
  return [
    section('Heat and hot water'),
    {
      text: answer.chosen
        ? [bold(answer.chosen.option.name), `, because: ${chosen?.because ?? ''}`]
        : 'Not chosen.',
      fontSize: 12,
    },
    {
      text: [
        answer.load_W > 0
          ? `${show(answer.load_W, 'power')} of heat${answer.estimated_W > 0 ? `, ${show(answer.estimated_W, 'power')} of it an estimate` : ''}. `
          : '',
        answer.wanted_m3_s > 0
          ? `${show(answer.wanted_m3_s, 'water-flow')} of mixed hot water wanted at once. Stored at ${show(answer.storeTemp_K, 'temperature')}.`
          : '',
      ],
      margin: [0, 2, 0, 4],
    },
    rows(
      ['*', 80, 110, 110, 80],
      [
        ['Option', 'Keeps up', 'Two showers', 'Reheat', 'Gas, all on'].map((text) => ({
          text,
          bold: true,
        })),
        ...answer.options.map(({ option, comparison, gas_m3_s }) => [
          option.name,
          comparison ? show(comparison.mixed_m3_s, 'water-flow') : '',
          span(comparison?.twoShowers),
          comparison?.reheat_s === undefined ? 'no store' : durationWords(comparison.reheat_s),
          show(gas_m3_s, 'gas-flow'),
        ]),
      ],
      1,
    ),
  ]
}

function survey({ solution }: HandoverFacts, show: Show): Content[] {
  const { document } = solution
  const known = surveyFields.flatMap((field) => {
    const value = document.survey[field.key]
    return value ? [[field.label, show(value.value, field.measure), value.basis, value.from]] : []
  })
  const { practice } = solution
  const seen = lookQuestions.flatMap(({ key, label }) => {
    const looked = document.survey.looked[key]
    return looked
      ? [
          [
            inWords(label, practice.words),
            answerText(key, looked.answer),
            looked.basis === 'measured' ? 'seen' : looked.basis,
            looked.note ?? '',
          ],
        ]
      : []
  })
  const readings = solution.readings.applies ? solution.readings.answer : undefined
  const chosen = schoolNames.map((name) => {
    const side = sideOf(name, practice.name, document.schools)
    return [
      schools[name].label,
      schools[name][side].says,
      document.schools[name]
        ? `chosen: ${document.schools[name]?.because || 'no reason given'}`
        : 'usual in this practice',
    ]
  })
  return [
    ...(known.length + seen.length === 0
      ? []
      : [section('What was found on site'), rows(['*', 90, 70, 150], [...known, ...seen])]),
    ...(readings?.curve
      ? [
          {
            text: 'Supply curve of the cold main',
            bold: true,
            margin: [0, 8, 0, 0],
          } satisfies Content,
          drawn(
            mainCurveDrawing(readings.curve, { points: readings.points }, show, practice.units, {
              width: 560,
              height: 260,
            }),
            360,
          ),
        ]
      : []),
    section('Where schools differ'),
    rows([130, '*', 170], chosen),
  ]
}

function proving(judgement: Judgement, show: Show, nameOf: (id: string) => string): Content[] {
  if (judgement.tests.length === 0)
    return [section('Gas tightness'), { text: 'No test is recorded.' }]
  return [
    section('Gas tightness'),
    ...judgement.tests.flatMap((test, i) => testContent(test, i, show, nameOf)),
  ]
}

function testContent(
  test: JudgedTest,
  index: number,
  show: Show,
  nameOf: (id: string) => string,
): Content[] {
  const { plan } = test.begun
  const { verdict } = test
  const figures = verdict.outcome === 'running' ? verdict.soFar : verdict.figures
  const words = {
    passed: 'Passed',
    failed: 'Failed',
    'cannot-tell': 'Cannot tell',
    running: 'Not finished',
  }[verdict.outcome]
  return [
    {
      text: [
        bold(`Test ${index + 1}: ${words}. `),
        `${show(plan.testGauge_Pa, 'gas-pressure')} for ${durationWords(plan.test_s)} after ${durationWords(plan.stabilise_s)} of settling, read by ${test.begun.instrument || 'hand'}, ${nameOf(test.by)}, ${day(test.at)}.`,
      ],
      margin: [0, 4, 0, 0],
    },
    ...(figures
      ? [
          {
            text: `From ${show(figures.start_Pa, 'gas-pressure')} to ${show(figures.end_Pa, 'gas-pressure')}: fell ${show(figures.fall_Pa, 'gas-pressure')} of the ${show(figures.allowance_Pa, 'gas-pressure')} that counts as none${figures.tempChange_K === undefined ? '; no temperature read' : `; temperature changed ${figures.tempChange_K.toFixed(2)} K`}. Smallest leak this could see: ${show(figures.smallestLeak_m3_s, 'leak-flow')}; permitted: ${show(plan.permittedLeak_m3_s, 'leak-flow')}.`,
          } as Content,
        ]
      : []),
    ...(verdict.outcome === 'cannot-tell' ? [{ text: verdict.wouldTell } as Content] : []),
    {
      text: `Method: ${plan.methodSource.says}. Permitted leak: ${plan.permittedLeakSource.says}. Volume ${show(plan.volume_m3, 'small-volume')}.`,
      color: paperInks['ink-3'],
      fontSize: 9,
    },
    drawn(tightnessTrace(test.run, show, { width: 760, height: 220 }, test.notes), 503),
    ...test.notes.map((note, i): Content => ({ text: `${i + 1}. ${note.text}`, fontSize: 9 })),
    ...(test.repaired
      ? [
          {
            text: `Repaired: ${test.repaired.what} (${nameOf(test.repaired.by)}, ${day(test.repaired.at)})`,
            bold: true,
          } as Content,
        ]
      : []),
  ]
}

const day = (at: string) => `${at.slice(0, 10)} ${at.slice(11, 16)}`

function commissioning(
  judgement: Judgement,
  show: Show,
  nameOf: (id: string) => string,
): Content[] {
  if (judgement.steps.length === 0) return []
  return [
    section('Commissioning'),
    rows(
      [18, '*', 120, 120],
      judgement.steps.map(({ step, number, progress }) => {
        if (progress.state !== 'done')
          return [String(number), step.short, { text: 'not done', color: paperInks.pencil }, '']
        const reading =
          step.reading && progress.si !== undefined
            ? `${show(progress.si, step.reading.measure)}${progress.within === false ? ', outside its limit' : progress.within ? ', within its limit' : ''}`
            : 'done'
        return [String(number), step.short, reading, `${nameOf(progress.by)}, ${day(progress.at)}`]
      }),
    ),
  ]
}

function open({ solution, judgement }: HandoverFacts, show: Show): Content[] {
  const findings = solution.findings.map((finding: Finding) => ({
    finding,
    ...word(finding, solution.practice, show),
  }))
  return [
    section('Open findings'),
    findings.length === 0
      ? { text: 'None.' }
      : rows(
          [40, '*'],
          findings.map(({ finding, head, why }) => [
            bold(severityWords[finding.severity]),
            {
              stack: [
                bold(head),
                { text: why, color: paperInks['ink-2'] },
                { text: finding.source.says, color: paperInks['ink-3'], fontSize: 9 },
              ],
            },
          ]),
        ),
    section('Off on site'),
    judgement.off.length === 0
      ? { text: 'Nothing is off on site.' }
      : rows(
          ['*', 140],
          judgement.off.map((item) => [item.body.name, offWords[item.body.state]]),
        ),
    ...(judgement.snags.length === 0
      ? []
      : [
          section('Snags'),
          rows(
            ['*', 120, 80],
            judgement.snags.map(({ body }) => [body.what, body.owner, body.due ?? 'no date']),
          ),
        ]),
  ]
}

function workings(solution: Solution, show: Show): Content[] {
  const lines = [
    solution.readings,
    solution.heat,
    solution.circuit,
    solution.vessel,
    solution.safety,
    solution.relief,
    solution.gas,
    solution.water,
  ].flatMap((sheet) => (sheet.applies ? sheet.workings() : []))
  if (lines.length === 0) return []
  return [
    section('Workings'),
    rows(
      [150, '*'],
      lines.map((working: Working) => {
        const { put, result } = writeOut(working, show)
        return [
          bold(working.title),
          {
            stack: [
              { text: working.formula },
              { text: [put, ' = ', bold(result)] },
              {
                text: `${working.source.says} (${basisWords[working.source.basis]})`,
                color: paperInks['ink-3'],
                fontSize: 9,
              },
            ],
          },
        ]
      }),
    ),
  ]
}

function cautions({ practice, gas }: Solution): Content[] {
  return [
    section('Cautions'),
    {
      ul: [
        'This sheet says which checks were made. It does not say that the installation complies with anything: local code, the maker’s instructions and licensed practice come first.',
        'A blocked or plugged relief valve can burst a vessel. Never plug, cap or valve its discharge.',
        'Hot water scalds: within seconds at 60 °C, within minutes at 49 °C (as remembered, check the current edition).',
        ...(gas.applies
          ? [
              `Smell of gas: no flame; no switches, phone or doorbell inside; shut the meter valve only if it is safe on the way out; open windows and leave; call ${practice.words.gasEmergency} from outside.`,
              'Carbon monoxide cannot be smelt. Keep a working alarm and have the flue looked at every year.',
              'Householder: look, read the gauge, set the dial. Leave covers, gas and safety valves to those who hold the ticket.',
            ]
          : []),
      ],
    },
  ]
}

function signatures(
  { state }: HandoverFacts,
  nameOf: (id: string) => string,
  printedAt: string,
): Content[] {
  const signed = state.records.flatMap((record) =>
    record.body.kind === 'signature' ? [{ record, body: record.body }] : [],
  )
  const imported = new Set(state.revisions.filter((one) => one.imported).map((one) => one.letter))
  const held = (names: readonly string[]) =>
    tickets
      .filter((ticket) => names.includes(ticket))
      .map((ticket) => ticketWords[ticket])
      .join(', ')
  return [
    section('Signatures'),
    signed.length === 0
      ? { text: 'Not signed.' }
      : rows(
          [60, '*', 120],
          signed.map(({ record, body }) => [
            `Revision ${body.revision}`,
            {
              stack: [
                bold(body.typedName),
                {
                  text: `${nameOf(record.by)}: ${held(body.ticketsHeld)}`,
                  color: paperInks['ink-2'],
                },
                ...(body.sha256
                  ? [
                      {
                        text: `SHA-256 of the design as signed: ${body.sha256}`,
                        color: paperInks['ink-3'],
                        fontSize: 7.5,
                      },
                    ]
                  : []),
                ...(imported.has(body.revision)
                  ? [{ text: 'Imported; signature not verified here.', color: paperInks.look }]
                  : []),
              ],
            },
            day(record.at),
          ]),
        ),
    {
      text: `Printed ${day(printedAt)} UTC. The job’s own file is attached to this PDF.`,
      color: paperInks['ink-3'],
      fontSize: 9,
      margin: [0, 8, 0, 0],
    },
  ]
}
