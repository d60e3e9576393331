import type { PaperId, Show } from '@hestian/core'
import { changedSheets, paperInks, papersOf, sheetNames, showIn } from '@hestian/core'
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces'
import { workings } from './closing'
import { survey } from './found'
import type { HandoverFacts, Witness } from './paper'
import { beginsPaper, paper, witnessOf } from './paper'
import { certificate } from './papers/certificate'
import { householder } from './papers/householder'
import type { Pictures } from './papers/photographs'
import { photographs } from './papers/photographs'
import { deviations, service, settings } from './papers/plain'
import { printedSheets } from './printedSheets'
import { commissioning, handTestsRead, holdPoints, proving, visits } from './recorded'
import { madeSafe, workList } from './workList'

type Prints = (facts: HandoverFacts, show: Show, witness: Witness, pictures: Pictures) => Content[]

/** What each paper prints. */
const prints: Readonly<Record<PaperId, Prints>> = {
  householder,
  certificate,
  tests: (facts, show, witness) => [
    ...proving(facts.judgement, show, witness),
    ...handTestsRead(facts, show, witness),
    ...holdPoints(facts, show),
  ],
  commissioning: ({ state, solution, judgement }, show, witness) => [
    ...commissioning(judgement, show, witness),
    ...visits(judgement, witness),
    ...madeSafe(state.records, witness),
    ...workList(judgement, solution, show, witness),
  ],
  design: (facts, show) => [
    ...printedSheets(facts.solution, show),
    ...survey(facts, show),
    ...workings(facts.solution, show),
  ],
  settings,
  deviations,
  photographs: (facts, _, witness, pictures) => photographs(facts, witness, pictures),
  service,
}

/**
 * The pack: the papers asked for, or all that are due; each begins a page, has a bookmark, and
 * alone has no cover.
 */
export function handoverSheet(
  facts: HandoverFacts,
  asked: readonly PaperId[] = [],
  pictures: Pictures = new Map(),
): TDocumentDefinitions {
  const { state, solution, judgement } = facts
  const show = showIn(solution.practice.units)
  const witness = witnessOf(facts)
  const papers = papersOf(solution, judgement, state.records).filter(({ id, due }) =>
    asked.length === 0 ? due : asked.includes(id),
  )
  const alone = papers.length === 1 ? papers[0] : undefined
  return paper({
    title: `${state.document.site.name}: ${alone?.name ?? 'handover'}`,
    foot: `Job ${state.number}, ${state.frozen ? `revision ${state.frozen}` : 'draft, not signed'}. ${witness.printed}`,
    size: solution.practice.handover.paper,
    content: [
      ...(alone ? [] : cover(facts)),
      ...papers.flatMap(({ id, name }, i): Content[] => [
        {
          text: name,
          font: 'Head',
          bold: true,
          fontSize: alone ? 22 : 20,
          headlineLevel: beginsPaper,
          tocItem: true,
          outline: true,
          // The cover and the householder's page stand by themselves.
          ...(!alone && (i === 0 || papers[i - 1]?.id === 'householder')
            ? { pageBreak: 'before' as const }
            : { margin: [0, alone ? 0 : 22, 0, 0] }),
        } as Content,
        ...heading(facts),
        ...prints[id](facts, show, witness, pictures),
      ]),
    ],
  })
}

/** Whose paper it is, and what has to be known before anything on it is believed. */
function heading({ state, solution }: HandoverFacts): Content[] {
  const banner = bannerOf(state)
  return [
    {
      text: [
        `${state.document.site.name}. ${state.document.site.address || 'No address given'}`,
        `.  ${solution.practice.label}.  Job ${state.number}`,
        state.frozen ? `, revision ${state.frozen}.` : ', draft.',
      ],
      margin: [0, 1, 0, 4],
      color: paperInks['ink-2'],
    },
    ...(banner
      ? [{ text: banner, bold: true, color: paperInks.stop, margin: [0, 0, 0, 4] } as Content]
      : []),
  ]
}

function cover(facts: HandoverFacts): Content[] {
  const { state, solution, judgement } = facts
  const left = papersOf(solution, judgement, state.records).filter(({ due }) => !due)
  return [
    { text: state.document.site.name, font: 'Head', bold: true, fontSize: 26, headlineLevel: 1 },
    ...heading(facts),
    {
      toc: { title: { text: 'In this pack', font: 'Head', bold: true, fontSize: 14 } },
      margin: [0, 14, 0, 10],
    } as Content,
    ...(left.length === 0
      ? []
      : [
          {
            text: `Not in it: ${left.map(({ name, because }) => `${name} (${because.replace(/\.$/, '')})`).join('; ')}.`,
            color: paperInks['ink-2'],
          } as Content,
        ]),
    ...changes(facts),
    {
      text: 'The job’s own file is attached to this PDF. It says which checks were made; it does not say that the installation complies with anything: local code, the maker’s instructions and licensed practice come first.',
      margin: [0, 14, 0, 0],
    },
  ]
}

/** What came after an earlier signature. */
function changes({ state, before }: HandoverFacts): Content[] {
  if (!before) return []
  const changed = changedSheets(before.document, state.document).map((id) => sheetNames[id])
  return [
    {
      text:
        changed.length === 0
          ? `Nothing of the design was changed since revision ${before.letter}.`
          : `Changed since revision ${before.letter}: ${changed.join(', ')}. The papers of that revision hold no longer where they differ.`,
      bold: true,
      margin: [0, 10, 0, 0],
    } as Content,
  ]
}

/**
 * What has to be known before anything on the sheet is believed: that nobody signed it, or that
 * nobody here did.
 */
export function bannerOf({ frozen, revisions }: HandoverFacts['state']): string | undefined {
  if (!frozen) return 'Draft: not signed. Do not hand over.'
  return revisions.some((one) => one.letter === frozen && one.imported)
    ? 'Imported from a file: the signature was not verified here.'
    : undefined
}
