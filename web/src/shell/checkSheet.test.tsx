/** @jest-environment jsdom */
import type { JobDocument, JobRecord, JudgedSheet, Person, SheetId } from '@hestian/core'
import { blankDocument, judge, sheetNames, solve } from '@hestian/core'
import { act, cleanup, render, screen } from '@testing-library/react'
import { demoJobs } from '../../../demo/src/index'
import { house } from '../../../core/src/solve/house.testing'
import { JobStand, lead } from '../job/jobStand.testing'
import { button, press } from '../ui/hands.testing'
import { CheckSheet } from './CheckSheet'

afterEach(cleanup)

interface Standing {
  readonly entries?: readonly JobRecord[]
  readonly person?: Person
}
function open(job: JobDocument, sheet: SheetId, { entries = [], person = lead }: Standing = {}) {
  const sent: { path: string; body: object }[] = []
  render(
    <JobStand
      job={job}
      entries={entries}
      person={person}
      onAct={(path, body) => {
        sent.push({ path, body })
        return true
      }}
    >
      <CheckSheet sheet={sheet} />
    </JobStand>,
  )
  return sent
}
const all = Object.entries(demoJobs()).map(([name, file]) => {
  const records = { entries: file.records, samples: {} }
  return { name, file, sheets: judge(solve(file.document), records).sheets }
})
const cases = all.flatMap(({ name, file, sheets }) =>
  (Object.keys(sheetNames) as SheetId[]).map((id) => ({ name, id, file, judged: sheets[id] })),
)

/** What stands at the end of a sheet, by how it stands. */
const says: Readonly<Record<JudgedSheet['state'], (judged: JudgedSheet) => RegExp>> = {
  checked: () => /^Checked( by .*, on .*)?\. A later change to what it rests on opens it again\./,
  'does-not-apply': () => /It counts as done\./,
  'not-begun': () => /^Not begun: nobody has said yet what there is on this job\./,
  invited: () => /^This work does not ask for this sheet\./,
  ready: () => /^Check this sheetYour name stands beside it\.$/,
  stop: () => /^Check this sheet: waits for a stop to be cleared$/,
  incomplete: ({ missing }) =>
    new RegExp(
      `^Check this sheet: waits for ${missing.length === 1 ? 'one thing' : `${missing.length} things`}Missing: `,
    ),
}

test.each(cases)('$name, $id: says how it stands and no more', ({ file, id, judged }) => {
  open(file.document, id, { entries: file.records })
  const said = document.body.textContent.replaceAll(/\s/g, ' ')
  expect(said).toMatch(says[judged.state](judged))
  // Only what is ready can be checked.
  const buttons = screen.queryAllByRole<HTMLButtonElement>('button')
  expect(buttons.filter(({ disabled }) => !disabled)).toHaveLength(judged.state === 'ready' ? 1 : 0)
})

test('the demo shows more than one way in which a sheet can stand', () =>
  expect(new Set(cases.map(({ judged }) => judged.state)).size).toBeGreaterThan(3))

const ready = cases.find(({ judged }) => judged.state === 'ready')

test('checking sends the sheet, once however often it is pressed', async () => {
  if (!ready) throw new Error('no sheet of the demo is ready')
  const sent = open(ready.file.document, ready.id, { entries: ready.file.records })
  press('Check this sheet')
  expect(button('Check this sheet').disabled).toBe(true)
  press('Check this sheet')
  await act(() => Promise.resolve())
  expect(sent).toEqual([{ path: '/checks', body: { sheet: ready.id } }])
})

test('an apprentice may look and is told who checks', () => {
  if (!ready) throw new Error('no sheet of the demo is ready')
  const person: Person = { ...lead, id: 'young', role: 'apprentice' }
  const sent = open(ready.file.document, ready.id, { entries: ready.file.records, person })
  expect(button(/waits for a lead installer or the owner/).disabled).toBe(true)
  expect(sent).toEqual([])
})

test('three of what is missing are named, and that there is more', () => {
  const many = cases.find(
    ({ judged }) => judged.state === 'incomplete' && judged.missing.length > 3,
  )
  if (!many) throw new Error('no sheet of the demo misses four things')
  open(many.file.document, many.id, { entries: many.file.records })
  const [one, two, three, four] = many.judged.missing.map(({ what }) => what)
  expect(document.body.textContent).toContain(`Missing: ${one}; ${two}; ${three} and more.`)
  expect(document.body.textContent).not.toContain(`; ${four}`)
})

test('what is settled leads to the next sheet that the work asks for', () => {
  const settled = cases.find(({ judged }) => judged.state === 'checked')
  if (!settled) throw new Error('no sheet of the demo is checked')
  open(settled.file.document, settled.id, { entries: settled.file.records })
  const next = screen
    .getByRole('link', { name: /^Next: / })
    .getAttribute('href')
    ?.split('/')[3]
  const sheets = all.find(({ name }) => name === settled.name)?.sheets
  expect(sheets?.[next as SheetId].state).not.toBe('invited')
})

test('a job of which nothing is said yet is sent to where that begins', () => {
  const site = { name: 'Blank', address: '', practice: 'uk-ireland' as const }
  const blank = blankDocument(site)
  const bare: JobDocument = { ...blank, work: { ...blank.work, kinds: house().work.kinds } }
  const judged = judge(solve(bare), { entries: [], samples: {} }).sheets
  const id = (Object.keys(judged) as SheetId[]).find((one) => judged[one].state === 'not-begun')
  if (!id) throw new Error('no sheet is not begun')
  open(bare, id)
  expect(screen.getByRole('link', { name: 'Rating plates' }).getAttribute('href')).toBe(
    '/jobs/job/plates',
  )
})
