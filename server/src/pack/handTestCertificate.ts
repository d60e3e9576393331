import type { HandTest, JudgedHandTest, Show } from '@hestian/core'
import {
  channels,
  handTestName,
  inWords,
  judgeHandTests,
  paperInks,
  seriesStrip,
  showIn,
} from '@hestian/core'
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces'
import { Refusal } from '../app/refusal'
import type { HandoverFacts, Witness } from './paper'
import { drawn, paper, rows, section, witnessOf, ticketsSaid } from './paper'
import { outcomeWords } from './recorded'

type Last = NonNullable<JudgedHandTest['last']>

/**
 * The paper of one test by hand: what was read with what, what it comes to, who, and what it does
 * not say.
 */
export function handTestCertificate(facts: HandoverFacts, recordId: string): TDocumentDefinitions {
  const { state, solution } = facts
  const { practice } = solution
  const show = showIn(practice.units)
  const witness = witnessOf(facts)
  const test = judgeHandTests(solution.document, practice, state.records, show).find(
    ({ last }) => last?.recordId === recordId,
  )
  if (!test?.last)
    throw new Refusal(
      'no-such-test',
      'That is not the last test of its kind on this job: the last one counts, and has the paper.',
    )
  const { last, kind } = test
  const name = handTestName(test, practice)
  return paper({
    title: `${state.document.site.name}: ${name}`,
    foot: `Job ${state.number}, ${name}, ${witness.day(last.at)}`,
    content: [
      {
        text: `${name}: ${outcomeWords[last.found.outcome].toLowerCase()}`,
        font: 'Head',
        bold: true,
        fontSize: 24,
        headlineLevel: 1,
        ...(last.found.outcome === 'passed' ? {} : { color: paperInks.stop }),
      } as Content,
      {
        text: `${state.document.site.name}, ${state.document.site.address || 'no address given'}. Job ${state.number}.`,
        margin: [0, 2, 0, 8],
        color: paperInks['ink-2'],
      },
      { text: last.found.says, fontSize: 12, margin: [0, 0, 0, 4] },
      section('What was read'),
      rows([200, '*'], readRows(kind, last, { show, words: practice.words })),
      ...(last.found.figures.length > 0
        ? [
            section('What follows from it'),
            rows(
              [200, '*'],
              last.found.figures.map(({ label, told }) => [label, told]),
            ),
          ]
        : []),
      ...strip(kind, last, facts),
      ...how(test, last, facts),
      { text: 'What this does not say', bold: true, margin: [0, 10, 0, 2] },
      {
        text: 'It says nothing of what was isolated or taken off, of what was changed after, or of whether the installation complies with any rule. Local code, the makers and licensed practice come first.',
      },
      {
        text: witness.sealed,
        color: paperInks['ink-3'],
        fontSize: 9,
        margin: [0, 10, 0, 0],
      },
    ] as Content[],
  })
}

function how({ kind }: JudgedHandTest, last: Last, facts: HandoverFacts): Content[] {
  const { practice } = facts.solution
  return [
    section('How, and by whom'),
    rows(
      [90, '*'],
      [
        ['By', whoSays(last, facts, witnessOf(facts))],
        ['Read with', last.instrument || 'not named'],
        ['Held against', `${kind.source(practice).says}.`],
        ['What it is for', inWords(kind.why, practice.words)],
      ],
    ),
  ]
}

/** Every ask with what was read for it, in the units of the practice. */
const readRows = (
  { asks }: HandTest,
  { given }: Last,
  { show, words }: { readonly show: Show; readonly words: Readonly<Record<string, string>> },
): string[][] => {
  const named = asks.map((ask) => ({ ask, si: given[ask.key], label: inWords(ask.label, words) }))
  const left = named.filter(({ si }) => si === undefined).map(({ label }) => label)
  return [
    ...named.flatMap(({ ask, si, label }) => {
      if (si === undefined) return []
      return [[label, 'choices' in ask ? (ask.choices[si] ?? '–') : show(si, ask.measure)]]
    }),
    ...(left.length > 0 ? [['Not read', left.join('; ')]] : []),
  ]
}

/** What an instrument sent while the clock ran. */
function strip(
  { asks }: HandTest,
  { series = [] }: Last,
  { solution: { practice } }: HandoverFacts,
): Content[] {
  const [channel] = asks.flatMap((ask) => ('live' in ask && ask.live ? [ask.live] : []))
  if (!channel || series.length < 2) return []
  const measure = channels[channel]
  const drawing = seriesStrip(
    series,
    { measure, unit: practice.units[measure], show: showIn(practice.units) },
    { width: 760, height: 170 },
  )
  return [section('Over time'), drawn(drawing, 503)]
}

const whoSays = (last: Last, facts: HandoverFacts, witness: Witness): string =>
  `${witness.who(last)}; ${ticketsSaid(last, facts)}.`
