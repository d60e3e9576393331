import type { InspectionVerdict } from '@hestian/core'
import { inspectionItems, inspectionWords, paperInks, showIn } from '@hestian/core'
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces'
import type { HandoverFacts } from './paper'
import { paper, rows, section, witnessOf } from './paper'

const inks: Readonly<Record<InspectionVerdict, string>> = {
  sound: paperInks.pass,
  'look-again': paperInks.look,
  unsafe: paperInks.stop,
  'not-inspected': paperInks.pencil,
}

/**
 * A short report of an inspection: every item with its verdict, the limit it was held against, what
 * was seen, and what was not looked at and why.
 */
export function inspectionReport(
  facts: HandoverFacts,
  pictures: ReadonlyMap<string, string>,
): TDocumentDefinitions {
  const { state, solution, judgement } = facts
  const show = showIn(solution.practice.units)
  const items = inspectionItems(state.document, solution.practice, show)
  const witness = witnessOf(facts)
  const count = (verdict: InspectionVerdict) =>
    items.filter((item) => judgement.inspected[item.id]?.body.verdict === verdict).length
  const title = `${state.document.site.name}: inspection`
  return paper({
    title,
    foot: `Job ${state.number}, inspection`,
    content: [
      { text: title, font: 'Head', bold: true, fontSize: 24, headlineLevel: 1 },
      {
        text: `${state.document.site.address || 'No address given'}. ${solution.practice.label}. Visited ${state.document.survey.visitedOn ?? 'on a day not noted'}.`,
        margin: [0, 2, 0, 8],
        color: paperInks['ink-2'],
      },
      {
        text: [
          {
            text: `${count('unsafe')} unsafe, ${count('look-again')} to look at again, ${count('sound')} sound, ${count('not-inspected')} not inspected`,
            bold: true,
          },
          `, ${items.filter((item) => !judgement.inspected[item.id]).length} not reached.`,
        ],
        fontSize: 12,
      },
      ...[...new Set(items.map((item) => item.area))].flatMap((area): Content[] => [
        section(area),
        rows(
          [150, 78, '*'],
          items
            .filter((item) => item.area === area)
            .map((item) => {
              const seen = judgement.inspected[item.id]
              const photos = (seen?.body.photos ?? []).flatMap((photo) => {
                const image = pictures.get(photo.hash)
                return image ? [{ image, width: 120, margin: [0, 3, 0, 0] } as Content] : []
              })
              return [
                {
                  stack: [
                    { text: item.name, bold: true },
                    { text: `Held against: ${item.limit}`, fontSize: 9, color: paperInks['ink-3'] },
                  ],
                },
                seen
                  ? {
                      text: inspectionWords[seen.body.verdict],
                      bold: true,
                      color: inks[seen.body.verdict],
                    }
                  : { text: 'not reached', color: paperInks.pencil },
                {
                  stack: [
                    {
                      text: seen
                        ? [
                            seen.body.because ? `Not inspected because ${seen.body.because}. ` : '',
                            seen.body.note,
                          ]
                        : '',
                    },
                    ...(seen
                      ? [
                          {
                            text: witness.who(seen),
                            fontSize: 9,
                            color: paperInks['ink-3'],
                          },
                        ]
                      : []),
                    ...photos,
                  ],
                },
              ]
            }),
        ),
      ]),
      ...(judgement.snags.length > 0
        ? [
            section('Snags'),
            rows(
              ['*', 120, 80],
              judgement.snags.map(({ body }) => [body.what, body.owner, body.due ?? 'no date']),
            ),
          ]
        : []),
      section('What this is'),
      {
        text: 'What was seen on the day, held against the limits named. It is not a certificate, and says nothing of what could not be seen. Local code, the maker’s instructions and licensed practice come first.',
      },
      {
        text: witness.sealed,
        color: paperInks['ink-3'],
        fontSize: 9,
        margin: [0, 8, 0, 0],
      },
    ] as Content[],
  })
}
