import type { JudgedTest, Judgement, Show } from '@hestian/core'
import { durationWords, paperInks, tightnessTrace } from '@hestian/core'
import type { Content } from 'pdfmake/interfaces'
import { section, drawn, rows, bold, day } from './paper'

export function proving(
  judgement: Judgement,
  show: Show,
  nameOf: (id: string) => string,
): Content[] {
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

export function commissioning(
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
            ? `${show(progress.si, step.reading.measure)}${limitWords(progress.within)}`
            : 'done'
        return [String(number), step.short, reading, `${nameOf(progress.by)}, ${day(progress.at)}`]
      }),
    ),
  ]
}

const limitWords = (within: boolean | undefined): string => {
  if (within === undefined) return ''
  return within ? ', within its limit' : ', outside its limit'
}
