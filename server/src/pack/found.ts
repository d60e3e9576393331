import type { Show } from '@hestian/core'
import {
  answerText,
  inWords,
  lookQuestions,
  mainCurveDrawing,
  schoolNames,
  schools,
  sideOf,
  surveyFields,
} from '@hestian/core'
import type { Content } from 'pdfmake/interfaces'
import type { HandoverFacts } from './paper'
import { section, drawn, rows } from './paper'

export function survey({ solution }: HandoverFacts, show: Show): Content[] {
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
