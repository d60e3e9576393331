import type { JudgedGasTest, JudgedTest, PipeJoints, Show, TightnessPlan } from '@hestian/core'
import {
  calibrationOn,
  calibrationSays,
  durationWords,
  jointRegister,
  paperInks,
  showIn,
  tightnessTrace,
} from '@hestian/core'
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces'
import { Refusal } from '../app/refusal'
import type { HandoverFacts } from './paper'
import { bold, drawn, paper, rows, section, witnessOf, ticketsSaid } from './paper'
import { outcomeWords, twoStatements } from './recorded'

/**
 * The paper of one test: what was tested how, with which gauge, both verdicts, the trace, the
 * joints, who, and what it does not say.
 */
export function testCertificate(facts: HandoverFacts, testId: string): TDocumentDefinitions {
  const { state, solution, judgement } = facts
  const test = judgement.tests.find((one) => one.testId === testId)
  if (!test) throw new Refusal('no-such-test', 'This job has no such test.')
  const show = showIn(solution.practice.units)
  const witness = witnessOf(facts)
  const gasTest = judgement.gasTests.find(({ last }) => last?.testId === testId)
  const { verdict } = test
  const name = test.begun.name ?? 'Gas tightness'
  const isPassed = verdict.outcome === 'passed'
  return paper({
    title: `${state.document.site.name}: ${name}, test certificate`,
    foot: `Job ${state.number}, ${name}, ${witness.day(test.at)}`,
    content: [
      {
        text: `${name}: ${outcomeWords[verdict.outcome].toLowerCase()}`,
        font: 'Head',
        bold: true,
        fontSize: 24,
        headlineLevel: 1,
        ...(isPassed ? {} : { color: paperInks.stop }),
      } as Content,
      {
        text: `${state.document.site.name}, ${state.document.site.address || 'no address given'}. Job ${state.number}.`,
        margin: [0, 2, 0, 4],
        color: paperInks['ink-2'],
      },
      ...standing(gasTest),
      ...what(test, facts, show),
      section('Both verdicts'),
      ...(verdict.outcome === 'running'
        ? [{ text: 'The test has not ended.' }]
        : twoStatements(verdict, test.run, show)),
      drawn(tightnessTrace(test.run, show, { width: 760, height: 190 }, test.notes), 503),
      ...test.notes.map((note, i): Content => ({ text: `${i + 1}. ${note.text}`, fontSize: 9 })),
      ...joints(test, gasTest, facts),
      { text: 'What this does not say', bold: true, margin: [0, 10, 0, 2] },
      {
        text: 'It says nothing of what was shut, capped or taken off, of leaks smaller than the figures could see, of pipe that was changed after, or of whether the installation complies with any rule. Local code, the gas supplier, the makers and licensed practice come first.',
      },
      {
        text: witness.sealed,
        color: paperInks['ink-3'],
        fontSize: 9,
        margin: [0, 10, 0, 0],
      },
    ] as Content[],
  })
}

const standingWords = {
  changed: 'The pipes were changed after this test: it stands for them no longer.',
  bubbles: 'A joint bubbled under soap after this test: that is a leak. It clears nothing.',
  repaired: 'Something was repaired after this test: it stands for the pipes no longer.',
  'test-point': 'The test point was not soaped dry yet: until it is, this test clears nothing.',
} as const

/** What takes the verdict back, in front of everything else. */
const standing = (gasTest: JudgedGasTest | undefined): Content[] => {
  const says = standingWords[gasTest?.state as keyof typeof standingWords]
  return says ? [{ text: says, bold: true, color: paperInks.stop, margin: [0, 2, 0, 4] }] : []
}

function what(test: JudgedTest, facts: HandoverFacts, show: Show): readonly Content[] {
  const { state } = facts
  const { plan, instrument, calibration, reading } = test.begun
  const { verdict } = test
  const day = witnessOf(facts).day(test.at)
  const figures = verdict.outcome === 'running' ? verdict.soFar : verdict.figures
  const pipes = pipesUnder(test, facts)
  const off = state.records.flatMap(({ body }) =>
    body.kind === 'off' && body.testId === test.testId
      ? [`${body.name} ${body.state === 'shut' ? 'shut' : 'off, pipe capped'}`]
      : [],
  )
  const p = (si: number) => show(si, 'gas-pressure')
  const lines: [string, string][] = [
    ['By', whoSays(test, facts)],
    ['Under test', `${pipes}; ${show(plan.volume_m3, 'small-volume')}`],
    ['Out of the way', off.join(', ') || 'nothing recorded'],
    [
      'Plan',
      `${p(plan.testGauge_Pa)} gauge, ${durationWords(plan.stabilise_s)} to settle, ${durationWords(plan.test_s)} of test; ${p(plan.perceptible_Pa)} counts as no movement, ${show(plan.permittedLeak_m3_s, 'leak-flow')} may stay hidden`,
    ],
    ['Method', methodSays(plan)],
    [
      'Gauge',
      [
        instrument || 'not named',
        calibration?.serial && `no. ${calibration.serial}`,
        `steps of ${p(plan.gauge.resolution_Pa)}`,
        reading === 'streamed' ? 'read by itself' : 'read by eye',
        calibrationSays(calibration?.until, day),
      ]
        .filter(Boolean)
        .join(', '),
    ],
    ...(figures
      ? ([
          [
            'Read',
            `${p(figures.start_Pa)} at the start, ${p(figures.end_Pa)} at the end; temperature ${
              figures.tempChange_K === undefined
                ? 'not read'
                : `changed ${show(figures.tempChange_K, 'temperature-difference', 2)}`
            }`,
          ],
        ] as [string, string][])
      : []),
  ]
  return [
    section('What was tested, and how'),
    rows(
      [90, '*'],
      lines.map(([label, told]) => [
        label,
        label === 'Gauge' && calibrationOn(calibration?.until, day) === 'expired'
          ? bold(told)
          : told,
      ]),
    ),
  ]
}

/** The pipes that were tested, by name, as far as they lie there still. */
function pipesUnder({ begun, testId }: JudgedTest, { state, judgement }: HandoverFacts): string {
  const mine = judgement.gasTests.find(({ last }) => last?.testId === testId)
  const test = mine ?? judgement.gasTests.find(({ id }) => id === (begun.test ?? 'tightness'))
  if (!test || test.state === 'changed') return 'the pipes as they lay then'
  const { pipes } = test.test
  return state.document.gas.segments
    .filter(({ id }) => pipes === 'all' || pipes.includes(id))
    .map(({ name }) => name)
    .join(', ')
}

const methodSays = ({ methodSource, permittedLeakSource }: TightnessPlan): string =>
  methodSource.says === permittedLeakSource.says
    ? methodSource.says
    : `${methodSource.says}. Permitted leak: ${permittedLeakSource.says}`

/**
 * What soap showed at every joint since this test began, the test point last; and what was mended.
 */
function joints(
  test: JudgedTest,
  gasTest: JudgedGasTest | undefined,
  facts: HandoverFacts,
): Content[] {
  const { state } = facts
  const witness = witnessOf(facts)
  const register =
    gasTest?.register ??
    jointRegister(state.document, state.records, { pipes: 'all', testId: test.testId })
  const { testPoint, repaired } = test
  return [
    section('Soap'),
    { text: `${register.map(soapSays).join('; ')}.` },
    {
      text: testPoint
        ? `Test point, gauge off and screw back: ${testPoint.soaped}, ${witness.day(testPoint.at)}.`
        : 'Test point: not soaped on record.',
      margin: [0, 4, 0, 0],
    },
    ...(repaired
      ? [
          {
            text: `Repaired after it: ${repaired.what}, ${witness.day(repaired.at)}.`,
            bold: true,
          } as Content,
        ]
      : []),
  ]
}

/** What soap showed at the joints of a pipe, and how they were made. */
function soapSays({ pipeName, joints, made }: PipeJoints): string {
  const told = (result: 'dry' | 'bubbles') =>
    joints.filter(({ soaped }) => soaped?.result === result).length
  const open = joints.length - told('dry') - told('bubbles')
  return [
    `${pipeName}${made ? ` (${made.how}${made.lasts === 'temporary' ? ', temporary' : ''})` : ''}: ${told('dry')} of ${joints.length} joints dry`,
    told('bubbles') > 0 ? `${told('bubbles')} bubbled` : '',
    open > 0 ? `${open} not soaped on record` : '',
  ]
    .filter(Boolean)
    .join(', ')
}

function whoSays({ by, at }: JudgedTest, facts: HandoverFacts): string {
  return `${witnessOf(facts).who({ by, at })}; ${ticketsSaid({ by, at }, facts)}.`
}
