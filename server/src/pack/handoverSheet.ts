import { paperInks, showIn } from '@hestian/core'
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces'
import { cautions, open, signatures, workings } from './closing'
import { survey } from './found'
import type { HandoverFacts } from './paper'
import { paper, witnessOf } from './paper'
import { printedSheets } from './printedSheets'
import { commissioning, handTestsRead, holdPoints, proving, visits } from './recorded'
import { madeSafe, unsafeSection, workList } from './workList'

/** The handover sheet: answers with their workings, the test with its trace, the commissioning record, what is open, and the cautions. */
export function handoverSheet(facts: HandoverFacts): TDocumentDefinitions {
  const { state, solution, judgement } = facts
  const show = showIn(solution.practice.units)
  const witness = witnessOf(facts)
  const banner = bannerOf(state)
  return paper({
    title: `${state.document.site.name}: handover`,
    foot: `Job ${state.number}, ${state.frozen ? `revision ${state.frozen}` : 'draft, not signed'}`,
    content: [
      { text: state.document.site.name, font: 'Head', bold: true, fontSize: 24, headlineLevel: 1 },
      {
        text: [
          state.document.site.address || 'No address given',
          `.  ${solution.practice.label}.  Job ${state.number}`,
          state.frozen ? `, revision ${state.frozen}.` : ', draft.',
        ],
        margin: [0, 2, 0, 8],
        color: paperInks['ink-2'],
      },
      ...(banner
        ? [{ text: banner, bold: true, color: paperInks.stop, margin: [0, 0, 0, 6] } as Content]
        : []),
      ...printedSheets(solution, show),
      ...survey(facts, show),
      ...proving(judgement, show, witness),
      ...handTestsRead(facts, show, witness),
      ...holdPoints(facts, show),
      ...commissioning(judgement, show, witness),
      ...visits(judgement, witness),
      ...madeSafe(state.records, witness),
      ...workList(judgement, solution, show, witness),
      ...unsafeSection(judgement, solution, witness),
      ...open(facts, show),
      ...workings(solution, show),
      ...cautions(solution, show),
      ...signatures(facts, witness),
    ] as Content[],
  })
}

/** What has to be known before anything on the sheet is believed: that nobody signed it, or that nobody here did. */
export function bannerOf({ frozen, revisions }: HandoverFacts['state']): string | undefined {
  if (!frozen) return 'Draft: not signed. Do not hand over.'
  return revisions.some((one) => one.letter === frozen && one.imported)
    ? 'Imported from a file: the signature was not verified here.'
    : undefined
}
