import type { JobRecord, Show, Solution, Ticket, Working } from '@hestian/core'
import {
  offWords,
  ofKind,
  paperInks,
  severityWords,
  smellOfGas,
  ticketWords,
  word,
  tickets,
  writeOut,
  solvedSpecs,
} from '@hestian/core'
import type { Content } from 'pdfmake/interfaces'
import type { HandoverFacts, Witness } from './paper'
import { basisWords, bold, drawnSignature, rows, section } from './paper'

/** Findings in one line each, and what is off: their reasons stand among the deviations. */
export function openInShort({ solution, judgement }: HandoverFacts, show: Show): Content[] {
  const findings = Object.values(judgement.sheets).flatMap((sheet) => sheet.findings)
  const off = judgement.off.map(({ body }) => `${body.name}, ${offWords[body.state]}`)
  return [
    section('Open'),
    ...(findings.length === 0
      ? [{ text: 'No finding is open.' }]
      : [
          rows(
            [40, '*'],
            findings.map((finding) => [
              bold(severityWords[finding.severity]),
              word(finding, solution.practice, show).head,
            ]),
          ),
        ]),
    {
      text: off.length === 0 ? 'Nothing is off on site.' : `Off on site: ${off.join('; ')}.`,
      bold: off.length > 0,
      margin: [0, 4, 0, 0],
    },
    ...judgement.snags.map(({ body }) => ({
      text: `Snag: ${body.what}, ${body.owner}, ${body.due ?? 'no date'}.`,
    })),
  ]
}

export function workings(solution: Solution, show: Show): Content[] {
  const lines = solvedSpecs.flatMap(({ id }) => {
    const sheet = solution[id]
    return sheet.applies ? sheet.workings() : []
  })
  if (lines.length === 0) return []
  return [
    section('Workings'),
    rows(
      [150, '*'],
      lines.map((working: Working) => {
        const { put, result } = writeOut(working, show)
        return [
          bold(working.title),
          {
            stack: [
              { text: working.formula },
              { text: [put, ' = ', bold(result)] },
              {
                text: `${working.source.says} (${basisWords[working.source.basis]})`,
                color: paperInks['ink-3'],
                fontSize: 9,
              },
            ],
          },
        ]
      }),
    ),
  ]
}

export function cautions({ practice, gas }: Solution, show: Show): Content[] {
  return [
    section('Cautions'),
    {
      ul: [
        'This sheet says which checks were made. It does not say that the installation complies with anything: local code, the maker’s instructions and licensed practice come first.',
        'A blocked or plugged relief valve can burst a vessel. Never plug, cap or valve its discharge.',
        `Hot water scalds: within seconds at ${show(333.15, 'temperature')}, within minutes at ${show(322.15, 'temperature')} (as remembered, check the current edition).`,
        ...(gas.applies
          ? [
              `Smell of gas: ${smellOfGas(practice)}`,
              'Carbon monoxide cannot be smelt. Keep a working alarm and have the flue looked at every year.',
              'Householder: look, read the gauge, set the dial. Leave covers, gas and safety valves to those who hold the ticket.',
            ]
          : []),
      ],
    },
  ]
}

export function signatures(
  { state }: HandoverFacts,
  witness: Witness,
  {
    last = witness.sealed,
    asked = tickets,
  }: { readonly last?: string; readonly asked?: readonly Ticket[] } = {},
): Content[] {
  const signed = state.records.flatMap((record) =>
    record.body.kind === 'signature' ? [{ record, body: record.body }] : [],
  )
  const imported = new Set(state.revisions.filter((one) => one.imported).map((one) => one.letter))
  const words = asked.map((ticket) => ticketWords[ticket])
  /** The tickets of whoever signed, as their papers say them; older signatures have only their names. */
  const held = ({ papers, ticketsHeld }: (typeof signed)[number]['body']): string =>
    (papers ?? ticketsHeld.map((name) => ticketWords[name as Ticket] ?? name))
      .filter((said) => words.some((one) => said.startsWith(one)))
      .join('; ')
  return [
    section('Signatures'),
    signed.length === 0
      ? { text: 'Not signed.' }
      : rows(
          [60, '*', 120],
          signed.map(({ record, body }) => [
            `Revision ${body.revision}`,
            {
              stack: [
                bold(body.typedName),
                {
                  text: [witness.nameOf(record.by), held(body)].filter(Boolean).join(': '),
                  color: paperInks['ink-2'],
                },
                ...(body.drawn ? [drawnSignature(body.drawn)] : []),
                ...(body.sha256
                  ? [
                      {
                        text: `SHA-256 of the design as signed: ${body.sha256}`,
                        color: paperInks['ink-3'],
                        fontSize: 7.5,
                      },
                    ]
                  : []),
                ...(imported.has(body.revision)
                  ? [{ text: 'Imported; signature not verified here.', color: paperInks.look }]
                  : []),
              ],
            },
            witness.day(record.at),
          ]),
        ),
    ...redactions(state.records, witness),
    {
      text: `${last} The job’s own file is attached to this PDF.`,
      color: paperInks['ink-3'],
      fontSize: 9,
      margin: [0, 8, 0, 0],
    },
  ]
}

/** Somebody was erased since: what is printed is not letter by letter what was signed. */
const redactions = (records: readonly JobRecord[], witness: Witness): readonly Content[] =>
  ofKind(records, 'redacted').map(({ at, by, body }) => ({
    text: `Redacted on ${witness.day(at)} by ${witness.nameOf(by)} (${body.because}): ${body.what}.${
      body.revisions.length > 0
        ? ' The SHA-256 above is that of the design as it was signed, before.'
        : ''
    }`,
    margin: [0, 6, 0, 0],
  }))
