import type { AnswerSentence } from '../answer/sentence'
import { sentence, strong } from '../answer/sentence'
import type { Missing, Sheet } from '../answer/sheet'
import { sources } from '../answer/sources'
import type { JobDocument } from '../job/document'
import { fingerprint } from '../job/merge'
import { ofKind } from '../job/records'
import { inWords } from '../job/questions'
import type { Recorded, RecordedSpec, Telling } from '../sheets/sheetSpec'
import { sheetSpec } from '../sheets/sheetSpec'
import type { WorkKind } from './kinds'
import { kindsOf, unsaidAppliances } from './kinds'
import { judgeItems } from './list'
import type { ListFinding, WorkFinding } from './wording'
import { listWordings, workWordings } from './wording'

export interface WorkAnswer {
  readonly kinds: readonly WorkKind[]
}

const needWords = {
  heating: 'A heating circuit, as the work says there is one',
  'hot-water': 'Hot water, as the work says there is some',
  inspecting: 'That something is inspected, as the work says',
} as const

const has = ({ heating, hotWater, survey }: JobDocument) => ({
  heating: heating !== null,
  'hot-water': hotWater !== null,
  inspecting: survey.inspecting,
})

/** What the work is: everything that is asked follows from it. */
export function workSheet(document: JobDocument): Sheet<WorkAnswer> {
  const kinds = kindsOf(document)
  const there = has(document)
  const needs = [...new Set(kinds.flatMap((kind) => kind.needs))]
  const missing: Missing[] =
    kinds.length === 0
      ? [{ place: 'work.kinds', what: 'What the work is' }]
      : needs
          .filter((need) => !there[need])
          .map((need) => ({ place: 'work.kinds', what: needWords[need] }))
  const findings = unsaidAppliances(document).map((name): WorkFinding => ({
    id: 'work-not-said',
    severity: 'fix',
    place: 'work.kinds',
    names: [name],
    source: sources.trade,
  }))
  return {
    applies: true,
    answer: kinds.length === 0 ? undefined : { kinds },
    missing,
    findings,
    workings: () => [],
  }
}

const workSentence = (answer: WorkAnswer | undefined, { practice }: Telling): AnswerSentence => ({
  head: answer
    ? sentence`${strong(answer.kinds.map(({ name }) => inWords(name, practice.words)).join('; '))}.`
    : sentence`What is ${strong('the work?')}`,
  beside: answer ? [answer.kinds.map(({ says }) => inWords(says, practice.words)).join(' ')] : [],
})

export const workSpec = sheetSpec()({
  id: 'work',
  wordings: workWordings,
  place: 'work.kinds',
  says: workSentence,
  inputs: ({ work }) => [work.kinds],
  beside: ({ appliances, heating, hotWater, survey }) => [
    appliances,
    heating !== null,
    hotWater !== null,
    survey.inspecting,
  ],
  solve: workSheet,
})

/** A leak that was made safe and not mended since. */
function notMended({ entries, gasTight, gasTests }: Recorded): ListFinding[] {
  const last = ofKind(entries, 'made-safe').at(-1)
  if (!last) return []
  // In the order of the records: the clocks of a phone and of the server are two.
  const after = entries.slice(entries.findIndex(({ id }) => id === last.id) + 1)
  const ticked = ofKind(after, 'ticked').some(
    ({ body }) => body.item === 'retest' && body.answer === 'done',
  )
  const began = new Set(ofKind(after, 'test-begun').map(({ body }) => body.testId))
  const tested = gasTight && gasTests.every(({ asked, testId = '' }) => !asked || began.has(testId))
  return !ticked && !(tested && gasTests.length > 0)
    ? [
        {
          id: 'made-safe-not-mended',
          severity: 'fix',
          place: 'list.made-safe',
          names: [last.body.where],
          source: sources.trade,
        },
      ]
    : []
}

/** What the work asks to be done and written down, ticked item by item. */
export const listSpec: RecordedSpec<'list', typeof listWordings> = {
  id: 'list',
  wordings: listWordings,
  judge: (document, practice, recorded) => {
    const items = judgeItems(document, recorded.entries)
    const unmended = notMended(recorded)
    // A leak made safe does not go away with the choice of another kind of work.
    if (items.length === 0 && unmended.length === 0)
      return {
        sheet: {
          applies: false,
          because:
            document.work.kinds.length === 0
              ? 'Nobody has said yet what the work is.'
              : 'This work has no list of its own.',
        },
        restsOn: '',
      }
    const isLeak = document.work.kinds.includes('leak-made-safe')
    const made = ofKind(recorded.entries, 'made-safe')
    return {
      sheet: {
        applies: true,
        answer: items.filter((one) => one.ticked).length,
        missing: [
          ...(isLeak && made.length === 0
            ? [{ place: 'list.made-safe', what: 'How the leak was made safe' }]
            : []),
          ...items
            .filter((one) => !one.ticked)
            .map(({ item }) => ({
              place: `list.${item.id}`,
              what: inWords(item.says, practice.words),
            })),
        ],
        findings: unmended,
        workings: () => [],
      },
      restsOn: fingerprint(items.map(({ item, ticked }) => [item.id, ticked?.recordId])),
    }
  },
}
