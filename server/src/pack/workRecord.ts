import type { Exchange, ExchangeAnswer, Maker, Show, Solution, Ticket } from '@hestian/core'
import {
  answerOf,
  causeStays,
  causeWords,
  inWords,
  isRelief,
  kindsOf,
  paperInks,
  severityWords,
  showIn,
  tickets,
  word,
  pointNames,
} from '@hestian/core'
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces'
import { signatures } from './closing'
import { bannerOf } from './handoverSheet'
import type { HandoverFacts } from './paper'
import { bold, head, paper, rows, section, witnessOf } from './paper'
import { stepsInShort, visits } from './recorded'
import { madeSafe, unsafeSection, workList } from './workList'

/**
 * The record of a small job on one page: what was done, the match, the list with who and when, what
 * is open, the signature.
 */
export function workRecord(facts: HandoverFacts): TDocumentDefinitions {
  const { state, solution, judgement } = facts
  const show = showIn(solution.practice.units)
  const witness = witnessOf(facts)
  const banner = bannerOf(state)
  const { words } = solution.practice
  const kinds = kindsOf(state.document)
  return paper({
    title: `${state.document.site.name}: work record`,
    foot: `Job ${state.number}, work record${state.frozen ? `, revision ${state.frozen}` : ', not signed'}.${witness.seal}`,
    content: [
      { text: state.document.site.name, font: 'Head', bold: true, fontSize: 20, headlineLevel: 1 },
      {
        text: `${state.document.site.address || 'No address given'}. ${solution.practice.label}. Job ${state.number}.`,
        color: paperInks['ink-2'],
      },
      {
        text:
          kinds.length === 0
            ? 'Nobody has said what the work was.'
            : `${kinds.map(({ name }) => inWords(name, words)).join('; ')}.`,
        fontSize: 12,
        bold: true,
        margin: [0, 4, 0, 0],
      },
      ...(banner
        ? [{ text: banner, bold: true, color: paperInks.stop, margin: [0, 4, 0, 0] } as Content]
        : []),
      ...exchanged(solution, show),
      ...madeSafe(state.records, witness),
      ...stepsInShort(judgement, show, witness),
      ...visits(judgement, witness),
      ...workList(judgement, solution, show, witness),
      ...openHere(facts, show),
      ...unsafeSection(judgement, solution, witness),
      // On one page: the seal stands in its foot, and of the tickets only what this work asks for.
      ...signatures(facts, witness, { last: witness.printed, asked: ticketsAsked(judgement) }),
      {
        text: 'It says which checks were made, not that anything complies: local code, the maker’s instructions and licensed practice come first. A blocked or plugged relief can burst a vessel; hot water scalds.',
        color: paperInks['ink-2'],
        fontSize: 9,
        margin: [0, 6, 0, 0],
      },
    ] as Content[],
  })
}

const ticketsAsked = ({ work, items }: HandoverFacts['judgement']): readonly Ticket[] => {
  const asked = [
    ...work.sequences.flatMap(({ steps }) => steps.map(({ step }) => step.ticket)),
    ...items.map(({ item }) => item.ticket),
  ]
  return tickets.filter((ticket) => asked.includes(ticket))
}

const plateOf = (maker: Maker | null): string =>
  maker ? [maker.make, maker.model, maker.serial].filter(Boolean).join(', ') : ''

function exchanged(solution: Solution, show: Show): Content[] {
  const answer = answerOf<ExchangeAnswer>(solution.exchange)
  if (!answer) return []
  const { exchange, plant, old, fresh, points } = answer
  const { words } = solution.practice
  const cause = exchange.cause
  return [
    section('The exchange'),
    rows(
      [100, '*', 110, 130],
      [
        head('', `${plant.name} asks`, old.name, fresh.name),
        ...points.map((point) => [
          pointNames[point.id],
          point.asks
            ? `${point.asks.way === 'most' ? 'at most' : 'at least'} ${show(point.asks.value, point.measure)}`
            : '',
          point.old === undefined ? 'not read' : show(point.old, point.measure),
          {
            text: `${point.fresh === undefined ? 'not read' : show(point.fresh, point.measure)}${point.fits === false ? ', does not fit' : ''}`,
            bold: true,
            ...(point.fits === false ? { color: paperInks.stop } : {}),
          },
        ]),
        ['Plate', plateOf(plant.maker), plateOf(old.maker), plateOf(fresh.maker)],
      ],
      1,
    ),
    ...(isRelief(exchange)
      ? [
          {
            text: cause
              ? `Why it let water out: ${inWords(causeWords[cause], words)}${exchange.causeSays ? ` (${exchange.causeSays})` : ''}.${mended(exchange)}`
              : 'Why it let water out is not said.',
            margin: [0, 4, 0, 0],
          } as Content,
        ]
      : []),
  ]
}

const mended = (exchange: Exchange): string => {
  if (!causeStays(exchange)) return ''
  return exchange.causeDone === 'yes' ? ' Put right.' : ' Not put right.'
}

/** What is not in order, in few words. */
function openHere({ solution, judgement }: HandoverFacts, show: Show): Content[] {
  const found = Object.values(judgement.sheets)
    .filter(({ state }) => state !== 'does-not-apply')
    .flatMap((sheet) => sheet.findings)
    .filter((finding) => finding.severity !== 'note' || finding.place.startsWith('work.'))
  const off = judgement.off.map(({ body }) => body.name)
  return [
    ...(found.length === 0
      ? []
      : [
          section('Open'),
          rows(
            [40, '*'],
            found.map((finding) => {
              const { head: says, why } = word(finding, solution.practice, show)
              return [bold(severityWords[finding.severity]), { text: [bold(says), ` ${why}`] }]
            }),
          ),
        ]),
    ...(off.length === 0
      ? []
      : [{ text: `Off on site: ${off.join(', ')}.`, bold: true, margin: [0, 4, 0, 0] } as Content]),
  ]
}
