import type {
  JudgedStep,
  JudgedTest,
  Judgement,
  Show,
  TightnessRun,
  TightnessVerdict,
} from '@hestian/core'
import {
  calibrationSays,
  durationWords,
  figuresSentence,
  judgeHandTests,
  paperInks,
  handTestName,
  holdable,
  judgeHoldPoints,
  ruleSentence,
  setAside,
  tightnessTrace,
} from '@hestian/core'
import type { Content } from 'pdfmake/interfaces'
import type { HandoverFacts, Witness } from './paper'
import { bold, drawn, rows, section } from './paper'

export function proving(judgement: Judgement, show: Show, witness: Witness): Content[] {
  if (judgement.tests.length === 0)
    return [section('Gas tightness'), { text: 'No test is recorded.' }]
  return [
    section('Gas tightness'),
    ...judgement.tests.flatMap((test, i) => testContent(test, i, show, witness)),
  ]
}

/** What the rule says and what the figures say, each by itself. */
export function twoStatements(
  { rule, byFigures, figures }: Exclude<TightnessVerdict, { outcome: 'running' }>,
  { plan }: TightnessRun,
  show: Show,
): Content[] {
  return [
    {
      text: [
        bold(`By the rule: ${outcomeWords[rule.outcome].toLowerCase()}. `),
        ruleSentence(rule, figures, plan, show),
      ],
    },
    {
      text: [
        bold(`By the figures: ${outcomeWords[byFigures.outcome].toLowerCase()}. `),
        figuresSentence(byFigures, plan, show),
      ],
    },
  ]
}

export const outcomeWords = {
  passed: 'Passed',
  failed: 'Failed',
  'cannot-tell': 'Cannot tell',
  running: 'Not finished',
} as const

/** The name of a test that is not the plain one. */
const named = ({ begun: { name } }: JudgedTest): string =>
  name && name !== 'Tightness' ? `, ${name.charAt(0).toLowerCase()}${name.slice(1)}` : ''

const calibrated = ({ begun: { calibration }, at }: JudgedTest, { day }: Witness): string =>
  calibration
    ? ` (no. ${calibration.serial || 'none'}, ${calibrationSays(calibration.until, day(at))})`
    : ''

function testContent(test: JudgedTest, index: number, show: Show, witness: Witness): Content[] {
  const { plan } = test.begun
  const { verdict } = test
  const figures = verdict.outcome === 'running' ? verdict.soFar : verdict.figures
  const words = outcomeWords[verdict.outcome]
  return [
    {
      text: [
        bold(`Test ${index + 1}${named(test)}: ${words}. `),
        `${show(plan.testGauge_Pa, 'gas-pressure')} for ${durationWords(plan.test_s)} after ${durationWords(plan.stabilise_s)} of settling, read by ${test.begun.instrument || 'hand'}${calibrated(test, witness)}, ${witness.who(test)}.`,
      ],
      margin: [0, 4, 0, 0],
    },
    ...(figures
      ? [
          {
            text: `From ${show(figures.start_Pa, 'gas-pressure')} to ${show(figures.end_Pa, 'gas-pressure')}${figures.tempChange_K === undefined ? '; no temperature read' : `; temperature changed ${show(figures.tempChange_K, 'temperature-difference', 2)}`}.`,
          } as Content,
        ]
      : []),
    ...(verdict.outcome === 'running' ? [] : twoStatements(verdict, test.run, show)),
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
            text: `Repaired: ${test.repaired.what} (${witness.who(test.repaired)})`,
            bold: true,
          } as Content,
        ]
      : []),
  ]
}

/** What was tested by hand: each with its sentence, its figures and who read it. */
export function handTestsRead(
  { solution, state }: Pick<HandoverFacts, 'solution' | 'state'>,
  show: Show,
  witness: Witness,
): Content[] {
  const read = judgeHandTests(solution.document, solution.practice, state.records, show).flatMap(
    (one) => (one.last ? [{ ...one, last: one.last }] : []),
  )
  const aside = setAside(solution.document, solution.practice, state.records)
  if (read.length + aside.length === 0) return []
  return [
    section('Tests by hand'),
    ...read.flatMap((one): Content[] => [
      {
        text: [
          bold(`${handTestName(one, solution.practice)}: `),
          bold(`${outcomeWords[one.last.found.outcome].toLowerCase()}. `),
          one.last.found.says,
        ],
        margin: [0, 4, 0, 0],
      },
      {
        text: [
          ...one.last.found.figures.map(({ label, told }) => `${label} ${told}`),
          one.last.instrument || 'instrument not named',
          witness.who(one.last),
        ].join('; '),
        fontSize: 9,
      },
      {
        text: `Held against: ${one.kind.source(solution.practice).says}.`,
        color: paperInks['ink-3'],
        fontSize: 9,
      },
    ]),
    ...aside.map((one): Content => ({
      text: `Of what is no longer here, held against nothing: ${one.name}, ${one.typed.join(', ')}; ${witness.who(one)}`,
      fontSize: 9,
    })),
  ]
}

const heldWords = {
  open: 'not passed',
  passed: 'passed',
  unknown: 'not on this job any more',
} as const

/** What of the work waits for which test. */
export function holdPoints({ state, solution, judgement }: HandoverFacts, show: Show): Content[] {
  const points = judgeHoldPoints(
    solution.document,
    holdable(
      judgement.gasTests,
      judgeHandTests(solution.document, solution.practice, state.records, show),
    ),
  )
  return points.length === 0
    ? []
    : [
        section('Hold points'),
        rows(
          ['*', '*', 90],
          points.map(({ point, testName, state: held }) => [
            `Before ${point.name}`,
            testName,
            held === 'passed'
              ? heldWords[held]
              : { text: heldWords[held], bold: true, color: paperInks.stop },
          ]),
        ),
      ]
}

/**
 * The steps on site, sequence by sequence: what was read, by whom, what was passed over and why.
 * What nothing waits for is left out.
 */
export function commissioning(judgement: Judgement, show: Show, witness: Witness): Content[] {
  const asked = judgement.work.sequences.filter(({ waits }) => !waits)
  if (asked.length === 0) return []
  return [
    section('Steps on site'),
    ...asked.flatMap(({ sequence, steps }): Content[] => [
      { text: sequence.name, bold: true, margin: [0, 6, 0, 2] },
      rows(
        [18, '*', 150, 120],
        steps.map((one) => stepRow(one, show, witness)),
      ),
    ]),
  ]
}

/**
 * The same for a paper of one page: how many steps of each sequence are signed, and those that say
 * more than that.
 */
export function stepsInShort(judgement: Judgement, show: Show, witness: Witness): Content[] {
  const asked = judgement.work.sequences.filter(({ waits }) => !waits)
  if (asked.length === 0) return []
  return [
    section('Steps on site'),
    ...asked.flatMap(({ sequence, steps, done }): Content[] => [
      { text: `${sequence.name}: ${done} of ${steps.length} done.`, bold: true },
      rows(
        [18, '*', 150, 120],
        steps.filter(saysMore).map((one) => stepRow(one, show, witness)),
      ),
    ]),
  ]
}

const saysMore = ({ step, progress }: JudgedStep): boolean =>
  progress.state !== 'done' ||
  step.reading !== undefined ||
  progress.awaits !== undefined ||
  progress.countersigned !== undefined

/** Who signed a step, and who stood up for an apprentice; that nobody did is said. */
function signedBy(
  progress: Extract<JudgedStep['progress'], { state: 'done' | 'skipped' }>,
  witness: Witness,
): string {
  const { awaits, countersigned } = progress
  if (countersigned) return `${witness.who(progress)}; countersigned ${witness.who(countersigned)}`
  return awaits
    ? `${witness.who(progress)}, an apprentice: not countersigned`
    : witness.who(progress)
}

function stepRow({ step, number, progress }: JudgedStep, show: Show, witness: Witness): Content[] {
  const head = [String(number), step.short]
  if (progress.state === 'skipped')
    return [...head, `passed over: ${progress.because}`, signedBy(progress, witness)]
  if (progress.state !== 'done') return [...head, { text: 'not done', color: paperInks.pencil }, '']
  const { si, within, body } = progress
  const read =
    step.reading && si !== undefined
      ? `${show(si, step.reading.measure)}${limitWords(within)}`
      : 'done'
  const why = body.cause === undefined ? '' : `; ${body.cause}: ${body.action}`
  return [...head, `${read}${why}`, signedBy(progress, witness)]
}

/** Visits to the site, and what was still off at the end of each. */
export function visits({ visits: all }: Judgement, witness: Witness): Content[] {
  if (all.length === 0) return []
  return [
    section('Visits'),
    rows(
      [150, '*', '*'],
      all.map(({ from, by, body, ended }) => [
        `${witness.who({ at: from, by })}${body.with === '' ? '' : `, with ${body.with}`}`,
        ended ? ended.body.done : { text: 'not ended', color: paperInks.pencil },
        ended
          ? [ended.body.left, ...Object.values(ended.body.staysOff)].filter(Boolean).join('; ')
          : '',
      ]),
    ),
  ]
}

const limitWords = (within: boolean | undefined): string => {
  if (within === undefined) return ''
  return within ? ', within its limit' : ', outside its limit'
}
