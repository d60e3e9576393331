import type { JudgedItem, Judgement, Show, Solution, UnsafeSituation } from '@hestian/core'
import { inWords, ofKind, paperInks, unsafeRules } from '@hestian/core'
import type { JobRecord } from '@hestian/core'
import type { Content } from 'pdfmake/interfaces'
import type { Witness } from './paper'
import { bold, rows, section } from './paper'

const reading = ({ item, ticked }: JudgedItem, show: Show): string => {
  if (!ticked) return 'not done'
  const { body } = ticked
  if (body.answer === 'not-here') return `not called for: ${body.because}`
  return [
    item.reading && body.si !== undefined ? show(body.si, item.reading.measure) : '',
    body.text,
  ]
    .filter(Boolean)
    .join('; ')
}

/** The work list: what was done, its reading, by whom and when. */
export function workList(
  { items }: Judgement,
  { practice }: Solution,
  show: Show,
  witness: Witness,
): Content[] {
  if (items.length === 0) return []
  return [
    section('Work list'),
    rows(
      ['*', 110, 150],
      items.map((judged) => {
        const { item, ticked } = judged
        return [
          inWords(item.says, practice.words),
          ticked ? reading(judged, show) : { text: 'not done', color: paperInks.stop, bold: true },
          ticked ? witness.who(ticked) : '',
        ]
      }),
    ),
  ]
}

const how = {
  repaired: 'repaired at once',
  capped: 'capped',
  disconnected: 'disconnected and capped',
  'valve-shut': 'a valve before it shut',
  'meter-shut': 'meter valve shut',
} as const

/** Leaks made safe, which is not yet mended. */
export function madeSafe(records: readonly JobRecord[], witness: Witness): Content[] {
  const made = ofKind(records, 'made-safe')
  return made.length === 0
    ? []
    : [
        section('Made safe'),
        rows(
          ['*', 150, 110],
          made.map(({ body, at, by }) => [
            body.without ? `${body.where}; without gas: ${body.without}` : body.where,
            how[body.how],
            witness.who({ by, at }),
          ]),
        ),
      ]
}

const notice = {
  signed: 'given and signed',
  refused: 'given, signature refused',
  'nobody-there': 'left, nobody was there',
} as const

/** One unsafe situation, line by line. */
export const unsafeLines = (
  { body, at, by, ended }: UnsafeSituation,
  { practice }: Solution,
  witness: Witness,
): Content => {
  const rules = unsafeRules[practice.name]
  return rows(
    [120, '*'],
    [
      [bold('Class'), rules.classes[body.class].name],
      [bold('What is unsafe'), body.what],
      [bold('What was done'), body.done],
      [bold(rules.label), body.label === 'hung' ? 'hung' : 'not possible'],
      [bold('Notice'), [notice[body.notice], body.toWhom].filter(Boolean).join(', ')],
      [bold('Reported to'), body.reportedTo || 'nobody else'],
      [bold('Seen'), witness.who({ by, at })],
      [
        bold('Put right'),
        ended
          ? `${ended.how} (${witness.who(ended)})`
          : { text: 'not yet', bold: true, color: paperInks.stop },
      ],
    ],
  )
}

/** Every unsafe situation of a job, put right or not. */
export const unsafeSection = (
  { unsafe }: Judgement,
  solution: Solution,
  witness: Witness,
): Content[] =>
  unsafe.length === 0
    ? []
    : [section('Unsafe situations'), ...unsafe.map((one) => unsafeLines(one, solution, witness))]
