import type { HouseholderQuestion, JobDocument, Show } from '@hestian/core'
import { answerOf, gaugeFace, householderPage, paperInks, shutOffsAsked } from '@hestian/core'
import type { Content } from 'pdfmake/interfaces'
import type { HandoverFacts } from '../paper'
import { drawn } from '../paper'

/** The householder's page: one sheet in large type, with the gauge as it should read. */
export function householder({ solution, judgement }: HandoverFacts, show: Show): Content[] {
  const answers = householderPage(solution, judgement.leaving, show)
  const gauge = gaugeOf(solution, show)
  const { words } = solution.document.handover
  const part = (id: HouseholderQuestion): Content[] =>
    answers
      .filter((one) => one.id === id)
      .flatMap(({ asks, says }) => [
        { text: asks, font: 'Head', bold: true, fontSize: 13, margin: [0, 7, 0, 1] },
        ...says.map((text): Content => ({
          text,
          fontSize: 11.25,
          lineHeight: 1.1,
          margin: [0, 0, 0, 2],
        })),
      ])
  const column = (...ids: readonly HouseholderQuestion[]) => ({
    stack: ids.flatMap(part),
    width: '*',
  })
  const own: Content[] =
    words.trim() === '' ? [] : [{ text: words, fontSize: 11.25, margin: [0, 8, 0, 0] }]
  return [
    {
      columns: [
        column('have', 'normal'),
        { stack: [...(gauge ? [gauge] : []), ...part('call')], width: 200 },
      ],
      columnGap: 18,
    },
    {
      columns: [
        column('shut', 'top-up', 'drips'),
        {
          stack: [...part('danger'), ...part('visit'), ...own, note(solution.document)],
          width: '*',
        },
      ],
      columnGap: 18,
    },
  ]
}

const note = (document: JobDocument): Content => ({
  text: `This page repeats what was written down on the job${shutOffsAsked(document).includes('gas') ? '; in danger leave first and read later' : ''}. The makers’ manuals and local rules come first.`,
  fontSize: 9,
  color: paperInks['ink-3'],
  margin: [0, 8, 0, 0],
})

function gaugeOf({ vessel, practice }: HandoverFacts['solution'], show: Show): Content | undefined {
  const v = answerOf(vessel)
  if (v?.forecast.outcome !== 'settles') return undefined
  const marks = {
    coldGauge_Pa: v.fillGauge_Pa,
    hotGauge_Pa: v.forecast.hotGauge_Pa + v.vesselHead_Pa,
    reliefGauge_Pa: v.inputs.reliefSetGauge_Pa,
  }
  return {
    ...(drawn(gaugeFace(marks, show, practice.units), 172) as object),
    width: 190,
    margin: [12, 0, 0, 0],
  } as Content
}
