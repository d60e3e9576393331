import { asStaff } from '../../server/src/people/staff.testing'
import type { JobDocument, JobFile } from '@hestian/core'
import {
  assumedValues,
  inspectionItems,
  isSmall,
  JobFile as JobFileSchema,
  judge,
  leansOn,
  lookQuestions,
  practiceNames,
  practices,
  rangeOf,
  readDocument,
  sheetIds,
  showIn,
  solve,
  summaryOf,
  templateOf,
  blankDocument,
  word,
  writeOut,
} from '@hestian/core'
import { demoJobs, people } from '../../demo/src/index'
import { handoverSheet } from '../../server/src/pack/handoverSheet'
import { inspectionReport } from '../../server/src/pack/inspectionReport'

const jobs = Object.entries(demoJobs()) as [string, JobFile][]
const everywhere = jobs.flatMap(([name, file]) =>
  practiceNames.map(
    (practice) => [name, practice, { ...file.document, practice } as JobDocument, file] as const,
  ),
)
const broken = /NaN|undefined|null|Infinity|\[object|\{\w+\}|–\s/

describe.each(everywhere)('%s by the rules of %s', (_, practice, document, file) => {
  const solution = solve(document)
  const show = showIn(practices[practice].units)
  const sheets = [
    solution.site,
    solution.readings,
    solution.plates,
    solution.place,
    solution.heat,
    solution.vessel,
    solution.gas,
    solution.tightness,
  ]

  test('every finding is a sentence with its figures, a reason and a source', () => {
    for (const finding of solution.findings) {
      const { head, why } = word(finding, solution.practice, show)
      expect(`${finding.id}: ${head}`).not.toMatch(broken)
      expect(`${finding.id}: ${why}`).not.toMatch(broken)
      expect(head).toMatch(/\.$/)
      expect(finding.source.says.length).toBeGreaterThan(5)
    }
  })
  test('every working can be written out, in the job’s units, with its source', () => {
    for (const sheet of sheets) {
      if (!sheet.applies) continue
      for (const working of sheet.workings()) {
        const { put, result } = writeOut(working, show)
        expect(`${working.title}: ${put} = ${result}`).not.toMatch(broken)
        expect(Object.keys(working.figures)).toContain(working.result)
        expect(working.source.says.length).toBeGreaterThan(5)
      }
    }
  })
  test('every place a finding speaks of is a place of the document, or of the page', () => {
    for (const finding of solution.findings) {
      const [head] = finding.place.split('.')
      expect([
        'survey',
        'site',
        'appliances',
        'parts',
        'heating',
        'heat',
        'hotWater',
        'reliefs',
        'pan',
        'gas',
        'water',
        'schools',
        'inspection',
        'work',
      ]).toContain(head)
    }
  })
  test('a one-press remedy leaves a document that its schema accepts', () => {
    for (const finding of solution.findings)
      for (const edit of finding.remedy?.edits ?? []) {
        const copy = structuredClone(document) as unknown as Record<string, unknown>
        let at: Record<string | number, unknown> = copy
        for (const key of edit.path.slice(0, -1)) at = at[key] as Record<string | number, unknown>
        at[edit.path[edit.path.length - 1] ?? ''] = edit.value
        expect(readDocument(copy)).toMatchObject({ ok: true })
      }
  })
  test('an inspection has a limit for every item and names none twice', () => {
    const items = inspectionItems(document, practices[practice], show)
    expect(new Set(items.map((item) => item.id)).size).toBe(items.length)
    for (const item of items)
      expect(`${item.name} ${item.limit} ${item.found ?? ''}`).not.toMatch(broken)
  })
  test('the board, the pack and the report say it without a hole', () => {
    const state = { ...file, document, revisions: [], importedAt: null }
    const judgement = judge(solution, { entries: file.records, samples: file.samples })
    const facts = {
      state,
      solution,
      judgement,
      people: asStaff(people),
      printedAt: '2026-11-25T10:00:00.000Z',
    }
    for (const printed of [handoverSheet(facts), inspectionReport(facts, new Map())]) {
      const texts: string[] = []
      JSON.stringify(printed, (key, value: unknown) => {
        if (key === 'text' && typeof value === 'string') texts.push(value)
        return value
      })
      for (const text of texts) expect(text).not.toMatch(/NaN|undefined|\[object|\{\w+\}/)
      expect(texts.join(' ')).toContain(document.site.name)
    }
    const row = summaryOf(state)
    expect(sheetIds).toContain(row.sheet)
    expect(row.waits).not.toMatch(broken)
    expect(row.shares.every((share) => share >= 0 && share <= 1)).toBe(true)
  })
})

test.each(jobs)('%s is a job file, and is one again after it was written and read', (_, file) => {
  const read = JobFileSchema.safeParse(JSON.parse(JSON.stringify(file)))
  expect(read.success && read.data).toEqual(JSON.parse(JSON.stringify(file)))
})

/** Jobs whose work is a whole plant. */
const whole = jobs.filter(([, { document }]) => !isSmall(document))

test.each(whole)(
  '%s was surveyed whole: every question it asks is answered and recorded',
  (_, file) => {
    const { place, readings, site } = solve(file.document)
    expect(
      [place, readings, site].flatMap((sheet) => (sheet.applies ? sheet.missing : [])),
    ).toEqual([])
    const recorded = new Set(file.records.map((record) => record.id))
    for (const { key } of lookQuestions) {
      const seen = file.document.survey.looked[key]
      if (seen) expect(recorded).toContain(seen.recordId)
    }
  },
)

test.each(whole)('%s has its ways of heating compared, and one chosen', (_, file) => {
  const { heat } = solve(file.document)
  if (!heat.applies || !heat.answer) throw new Error('no heat sheet')
  expect(heat.answer.options.length).toBeGreaterThanOrEqual(2)
  expect(heat.answer.options.every((one) => one.comparison !== undefined)).toBe(true)
  expect(heat.answer.chosen).toBeDefined()
})

test.each(jobs)(
  'what %s leans on is assumed, and the answer is another one past the edges found',
  (_, file) => {
    for (const sheet of ['vessel', 'gas', 'heat'] as const)
      for (const leaning of leansOn(file.document, sheet)) {
        const assumed = assumedValues(file.document).find(
          (one) => one.path.join() === leaning.path.join(),
        )
        expect(assumed?.known.basis).toBe('assumed')
        expect(assumed && rangeOf(assumed.known, assumed.measure)).toEqual(leaning.between)
        expect(leaning.from).toBeLessThanOrEqual(leaning.value)
        expect(leaning.to).toBeGreaterThanOrEqual(leaning.value)
        expect(leaning.holds).toBe(
          leaning.from <= leaning.between[0] * (1 + 1e-9) &&
            leaning.to >= leaning.between[1] * (1 - 1e-9),
        )
      }
  },
)

test.each(jobs)(
  '%s as a template opens, solves, and claims nothing that was measured',
  (_, file) => {
    const copy = templateOf(file.document, {
      name: 'Again',
      number: file.number,
      blank: blankDocument({ name: 'x', address: '', practice: file.document.practice }),
    })
    expect(readDocument(JSON.parse(JSON.stringify(copy)))).toMatchObject({ ok: true })
    expect(JSON.stringify(copy)).not.toMatch(/"basis":"(measured|read)"/)
    expect(solve(copy).vessel.applies).toBe(solve(file.document).vessel.applies)
  },
)
