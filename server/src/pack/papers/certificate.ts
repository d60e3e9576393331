import type { Show } from '@hestian/core'
import {
  answerOf,
  fitted,
  handTestName,
  judgeHandTests,
  ofKind,
  paperInks,
  siteTime,
} from '@hestian/core'
import type { Content } from 'pdfmake/interfaces'
import { cautions, openInShort, signatures } from '../closing'
import type { HandoverFacts, Witness } from '../paper'
import { bold, drawnSignature, head, rows, section } from '../paper'
import { holdPoints, outcomeWords } from '../recorded'
import { madeSafe, unsafeSection } from '../workList'

/** What was fitted, what was tested, what is open, who signed and who received it. */
export const certificate = (facts: HandoverFacts, show: Show, witness: Witness): Content[] => [
  ...fittedHere(facts, show),
  ...tested(facts, show, witness),
  ...holdPoints(facts, show),
  ...madeSafe(facts.state.records, witness),
  ...unsafeSection(facts.judgement, facts.solution, witness),
  ...openInShort(facts, show),
  ...left(facts, witness),
  ...forms(facts),
  ...cautions(facts.solution, show),
  ...signatures(facts, witness),
  ...received(facts, witness),
]

function fittedHere({ solution }: HandoverFacts, show: Show): Content[] {
  const here = fitted(solution.document.appliances)
  const v = answerOf(solution.vessel)
  if (here.length === 0 && !v) return []
  return [
    section('What stands here'),
    rows(
      ['*', '*', 90, 80],
      [
        head('Name', 'Plate', 'Input', ''),
        ...here.map(({ name, maker, input_W, stay }) => [
          name,
          maker ? [maker.make, maker.model, maker.serial].filter(Boolean).join(', ') : 'not read',
          input_W ? show(input_W.value, 'power') : '',
          stay === 'new' ? 'new' : 'was here',
        ]),
        ...(v
          ? [
              [
                solution.practice.words.vessel.replace(/^./, (c) => c.toUpperCase()),
                `charge ${show(v.need.chargeGauge_Pa, 'water-pressure')}, filled to ${show(v.fillGauge_Pa, 'water-pressure')}`,
                v.fitted_m3 > 0 ? show(v.fitted_m3, 'small-volume') : 'the boiler’s own',
                '',
              ],
            ]
          : []),
      ],
      1,
    ),
  ]
}

/** Every test in a line; the certificates say how. */
function tested(
  { solution, judgement, state }: HandoverFacts,
  show: Show,
  witness: Witness,
): Content[] {
  const byHand = judgeHandTests(solution.document, solution.practice, state.records, show)
  const lines = [
    ...judgement.tests.map((test) => [
      test.begun.name ?? 'Tightness',
      outcomeWords[test.verdict.outcome],
      witness.who(test),
    ]),
    ...byHand.flatMap((one) =>
      one.last
        ? [
            [
              handTestName(one, solution.practice),
              outcomeWords[one.last.found.outcome],
              witness.who(one.last),
            ],
          ]
        : [],
    ),
  ]
  return [
    section('Tests'),
    lines.length === 0
      ? { text: 'No test is recorded.', bold: true }
      : rows(['*', 90, 150], [head('Test', 'Outcome', 'By whom'), ...lines], 1),
  ]
}

/** What was looked at once more before leaving: what nobody has said is not taken for done. */
function left({ judgement }: HandoverFacts, witness: Witness): Content[] {
  if (judgement.leaving.length === 0) return []
  return [
    section('Before leaving'),
    rows(
      ['*', 170, 120],
      judgement.leaving.map(({ says, answered }) => {
        if (!answered) return [says, { text: 'not said', bold: true, color: paperInks.stop }, '']
        const { answer, says: written } = answered.body
        return [
          says,
          answer === 'done' ? written || 'done' : { text: `not done: ${written}`, bold: true },
          witness.who(answered),
        ]
      }),
    ),
  ]
}

/** What a registration office answered to this revision. */
const told = ({ records, frozen, document }: HandoverFacts['state']): Content[] =>
  ofKind(records, 'notified')
    .filter(({ body }) => body.revision === frozen)
    .slice(-1)
    .map(({ at, body }) => ({
      text: [
        bold(`Notice to ${body.office}, ${siteTime(at, document).slice(0, 10)}: `),
        body.outcome === 'accepted'
          ? `taken, number ${body.number ?? ''}`
          : `${body.outcome}${body.reasons ? `: ${body.reasons.join(' ')}` : ''}`,
      ],
      margin: [0, 3, 0, 0],
    }))

function forms({ solution, state }: HandoverFacts): Content[] {
  const asked = solution.practice.handover.forms
  return [
    section('Forms of others'),
    {
      ul: asked.map(({ name, source }) => ({
        stack: [{ text: name }, { text: source.says, fontSize: 9, color: paperInks['ink-3'] }],
      })),
    },
    ...told(state),
    {
      text: 'They are filled and sent by whoever may sign them. This paper carries what they ask and takes the place of none.',
      margin: [0, 3, 0, 0],
    },
  ]
}

function received({ state }: HandoverFacts, witness: Witness): Content[] {
  const all = ofKind(state.records, 'received').filter(({ body }) => body.revision === state.frozen)
  return [
    section('Received'),
    ...(all.length === 0
      ? [
          { text: 'Not signed by whoever received it.' } as Content,
          {
            columns: [
              { text: [bold('Name'), '  ______________________________'] },
              { text: [bold('Day'), '  ______________'] },
            ],
            margin: [0, 14, 0, 0],
          } as Content,
        ]
      : all.flatMap((record): Content[] => [
          { text: [bold(record.body.name), `, ${witness.who(record)}`] },
          ...(record.body.drawn ? [drawnSignature(record.body.drawn)] : []),
        ])),
  ]
}
