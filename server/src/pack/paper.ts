import type { Drawing, JobDocument, JobState, Judgement, Solution, Staff } from '@hestian/core'
import { clockSaid, drawingSvg, paperInks, siteTime, ticketsOn, ticketWords } from '@hestian/core'
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces'

export interface HandoverFacts {
  readonly state: JobState
  readonly solution: Solution
  readonly judgement: Judgement
  readonly people: readonly Staff[]
  readonly printedAt: string
  /** The last entry of the log of changes as it was printed. */
  readonly chain?: { readonly seq: number; readonly hash: string }
  /** The design as it was signed last before, where it was. */
  readonly before?: { readonly letter: string; readonly document: JobDocument }
}

export const basisWords = {
  published: 'published',
  'published-equation': 'published equation',
  'from-memory': 'as remembered, check the current edition',
  'common-practice': 'common practice',
  assumed: 'assumed',
} as const

export const bold = (text: string) => ({ text, bold: true })

export const head = (...texts: readonly string[]) => texts.map(bold)

/** Who did what when, on the site's clock. */
export interface Witness {
  readonly nameOf: (id: string) => string
  readonly day: (at: string) => string
  readonly who: (did: { readonly by: string; readonly at: string }) => string
  /** When, and by whose clock. */
  readonly printed: string
  /**
   * The last entry of the log of changes, so that nothing before it can be altered unseen; nothing
   * where that is not known.
   */
  readonly seal: string
  /** The line at the end of a paper: both. */
  readonly sealed: string
}

export function witnessOf({
  state: { document },
  people,
  printedAt,
  chain,
}: Pick<HandoverFacts, 'state' | 'people' | 'printedAt' | 'chain'>): Witness {
  const nameOf = (id: string) => people.find((person) => person.id === id)?.name ?? id
  const day = (at: string) => siteTime(at, document)
  const printed = `Printed ${day(printedAt)}. ${clockSaid(document)}`
  const seal = chain ? ` Log of changes: entry ${chain.seq}, ${chain.hash.slice(0, 32)}.` : ''
  return {
    nameOf,
    day,
    who: ({ by, at }) => `${nameOf(by)}, ${day(at)}`,
    printed,
    seal,
    sealed: `${printed}${seal}`,
  }
}

/** The tickets somebody held when they did it, in this place, as their papers say them. */
export function ticketsSaid(
  { by, at }: { readonly by: string; readonly at: string },
  { people, state: { document } }: Pick<HandoverFacts, 'people' | 'state'>,
): string {
  const holds = people.find(({ id }) => id === by)?.holds ?? []
  const { tickets: good } = ticketsOn(holds, document.practice, siteTime(at, document))
  const said = good.map((ticket) => {
    const paper = holds.find(
      (one) =>
        one.ticket === ticket && (one.practice === null || one.practice === document.practice),
    )
    return paper?.number ? `${ticketWords[ticket]} ${paper.number}` : ticketWords[ticket]
  })
  return said.length > 0 ? `holds ${said.join(', ')}` : 'no ticket on file for that day'
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

export const drawn = (drawing: Drawing, width: number): Content => ({
  svg: drawingSvg(drawing, 'Text'),
  width,
  margin: [0, 4, 0, 6],
})

/** A signature as it was drawn. */
export const drawnSignature = (path: string): Content => ({
  svg: `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 300 100"><path d="${path}" fill="none" stroke="${paperInks.ink}" stroke-width="2"/></svg>`,
  width: 180,
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

interface Placed {
  readonly headlineLevel?: number
  readonly startPosition: { readonly verticalRatio: number }
}
/** The title of a paper in a pack: it begins a page unless most of one is left. */
export const beginsPaper = 3
const roomLeft = 0.45

/**
 * A paper, on A4 where nothing else is said: its name at the top, its own line at the foot of every
 * page.
 */
export const paper = (of: {
  readonly title: string
  readonly foot: string
  readonly size?: 'A4' | 'LETTER'
  readonly content: readonly Content[]
}): TDocumentDefinitions =>
  ({
    pageSize: of.size ?? 'A4',
    pageMargins: [46, 46, 46, 54],
    version: '1.7',
    tagged: true,
    language: 'en',
    displayTitle: true,
    info: { title: of.title },
    defaultStyle: { font: 'Text', fontSize: 10, lineHeight: 1.15, color: paperInks.ink },
    pageBreakBefore: (node: Placed, around: { getFollowingNodesOnPage: () => unknown[] }) =>
      (node.headlineLevel === 2 && around.getFollowingNodesOnPage().length < 6) ||
      (node.headlineLevel === beginsPaper && node.startPosition.verticalRatio > roomLeft),
    footer: (page: number, pages: number) => ({
      margin: [46, 12, 46, 0],
      columns: [
        { text: of.foot, color: paperInks['ink-3'], fontSize: 9, width: '*' },
        {
          text: `${page} of ${pages}`,
          width: 'auto',
          alignment: 'right',
          color: paperInks['ink-3'],
          fontSize: 9,
        },
      ],
    }),
    content: [...of.content],
  }) as TDocumentDefinitions
