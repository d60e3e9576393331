import type { Evidence } from '@hestian/core'
import { evidenceNamed, inWords, paperInks, recordSays } from '@hestian/core'
import type { Content } from 'pdfmake/interfaces'
import type { HandoverFacts, Witness } from '../paper'

/** Pictures by the hash of what they show. One that cannot be read any more is not among them. */
export type Pictures = ReadonlyMap<string, string>

export const photographsOf = ({ document, records }: HandoverFacts['state']): readonly Evidence[] =>
  evidenceNamed([document, records]).filter(({ type }) => type !== 'application/pdf')

/** The photographs of the job two by two, each with what it was taken for. */
export function photographs(
  { state, solution }: HandoverFacts,
  witness: Witness,
  pictures: Pictures,
): Content[] {
  const { words } = solution.practice
  const taken = (hash: string): string => {
    const record = state.records.find(({ body }) =>
      evidenceNamed(body).some((one) => one.hash === hash),
    )
    return record
      ? `${inWords(recordSays(record.body), words)}. ${witness.who(record)}`
      : 'On the design.'
  }
  const cells = photographsOf(state).map(({ hash, name }) => {
    const image = pictures.get(hash)
    return {
      width: '*',
      unbreakable: true,
      margin: [0, 0, 0, 12],
      stack: [
        image
          ? { image, fit: [240, 190] }
          : { text: 'This photograph cannot be read any more.', bold: true },
        { text: `${name || 'Photograph'}. ${taken(hash)}`, fontSize: 9 },
        { text: `SHA-256 ${hash}`, fontSize: 6.5, color: paperInks['ink-3'] },
      ],
    }
  })
  return Array.from(
    { length: Math.ceil(cells.length / 2) },
    (_, i) =>
      ({
        columns: [cells[2 * i], cells[2 * i + 1] ?? { text: '', width: '*' }],
        columnGap: 16,
      }) as Content,
  )
}
