import type { LabelSheetId } from '@hestian/core'
import {
  labelCode,
  labelsOf,
  labelsOn,
  labelSheets,
  paperInks,
  showIn,
  siteTime,
} from '@hestian/core'
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces'
import type { HandoverFacts } from './paper'

const mm = 72 / 25.4
/** Left free inside a label's edge, mm: sheets are never fed quite straight. */
const edge = 3

export interface LabelsAsked {
  readonly sheet: LabelSheetId
  /** The first label of the sheet that is still there, from 1. */
  readonly from: number
  /** Which labels; none asks for all. */
  readonly only: readonly string[]
}

/**
 * Labels on a sheet of them, each with a code of plain text; the first of them where the sheet
 * still has some.
 */
export function labelSheet(
  { state, solution, printedAt }: HandoverFacts,
  { sheet, from, only }: LabelsAsked,
): TDocumentDefinitions {
  const size = labelSheets[sheet]
  const show = showIn(solution.practice.units)
  const labels = labelsOf(solution, state.records, show).filter(
    ({ id }) => only.length === 0 || only.includes(id),
  )
  const job = { number: state.number, day: siteTime(printedAt, state.document).slice(0, 10) }
  // Five lines stand on the lowest of them.
  const small = size.height < 30 ? 0.86 : 1
  const code = Math.min(size.height - 2 * edge, 26)
  const content = labels.map((label, i): Content => {
    const place = (from - 1 + i) % labelsOn(sheet)
    const x = size.left + (place % size.across) * (size.width + size.gapX)
    const y = size.top + Math.floor(place / size.across) * (size.height + size.gapY)
    return {
      columns: [
        {
          width: (size.width - 2 * edge - code - 2) * mm,
          stack: [
            { text: label.title, bold: true, fontSize: 9.5 * small },
            ...label.lines.map((text) => ({ text, fontSize: 8.5 * small })),
            { text: `Job ${state.number}`, fontSize: 7 * small },
          ],
        },
        { qr: labelCode(label, job), fit: code * mm, eccLevel: 'L' },
      ],
      columnGap: 2 * mm,
      absolutePosition: { x: (x + edge) * mm, y: (y + edge) * mm },
      ...(place === 0 && i > 0 ? { pageBreak: 'before' as const } : {}),
    }
  })
  return {
    pageSize: size.paper,
    pageMargins: [0, 0, 0, 0],
    info: { title: `${state.document.site.name}: labels` },
    defaultStyle: { font: 'Text', lineHeight: 1.05, color: paperInks.ink },
    content: content.length > 0 ? content : [{ text: 'There is nothing to label.', margin: 40 }],
  }
}
