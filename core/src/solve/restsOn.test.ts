import { answerOf } from '../answer/sheet'
import { applyEdits } from '../job/edits'
import { JobDocument } from '../job/document'
import type { JobRecord } from '../job/records'
import { upgradeDocument } from '../job/upgrades/upgradeDocument'
import stored from '../job/upgrades/fixtures/version4.json'
import { juniperRidge, kestrelWeir, saltbushFerry } from '../../../demo/src/documents'
import { judge } from './judge'
import { restsOn } from './restsOn'
import { inputsOf } from './restsOn'
import type { Answers, SolvedSheetId } from './sheets'
import { solvedSpecs } from './sheets'
import type { Solution } from './solve'
import { solve, solver } from './solve'

const kestrel = JobDocument.parse(upgradeDocument(stored))

/** Proofs of the stored job as they were given before sheets said their inputs themselves. */
const givenFirst = {
  site: '6fb04f88fe2ea3a2',
  readings: '1d3f29d311db4896',
  plates: '3bfb46f1cc6bb58a',
  place: '952440a43e23c16d',
  heat: '71b46c5e4e0d7f7b',
  circuit: 'dcff1f3990131c4b',
  vessel: 'e18fc7559fa4cf56',
  safety: 'b287bc2ffcf6cfeb',
  relief: 'f67d634da36fe07d',
  gas: 'eddb478f7e6cca59',
  water: 'b0f448547f75869a',
} as const

/** The rowing club with a second boiler on the same water. */
const twoBoilers = (): JobDocument => {
  const job = kestrelWeir()
  const [boiler] = job.appliances
  if (!boiler) throw new Error('no boiler')
  return { ...job, appliances: [...job.appliances, { ...boiler, id: 'second', name: 'Second' }] }
}

const proof = (sheet: string, restsOn: string): JobRecord => ({
  id: `proof-${sheet}`,
  at: '2026-05-12T10:00:00Z',
  by: 'A. Fitter',
  body: { kind: 'sheet-checked', sheet, restsOn },
})
const proofOf = (document: JobDocument, sheet: SolvedSheetId, restsOn: string) =>
  judge(solve(document), { entries: [proof(sheet, restsOn)], samples: {} }).sheets[sheet].proof

describe('a proof', () => {
  test.each(Object.entries(givenFirst) as [SolvedSheetId, string][])(
    'of %s that was given under the first way still holds',
    (sheet, print) => {
      expect(proofOf(kestrel, sheet, print)).toBeDefined()
      expect(proofOf(kestrel, sheet, `${print.slice(1)}0`)).toBeUndefined()
    },
  )
  test('is open again when what its sheet reads is changed, and stays when it is not', () => {
    const given = restsOn('vessel', kestrel, {})
    const higher = applyEdits(kestrel, [
      { path: ['survey', 'topEmitterHeight_m', 'value'], value: 7.5 },
    ])
    const further = applyEdits(kestrel, [{ path: ['gas', 'segments', 0, 'elbows'], value: 9 }])
    expect(proofOf(higher, 'vessel', given)).toBeUndefined()
    expect(proofOf(further, 'vessel', given)).toBeDefined()
  })
  test.each([
    ['gas', juniperRidge(), ['survey', 'looked', 'location', 'answer'], 'cellar', 'propane-low'],
    ['heat', kestrelWeir(), ['site', 'building'], 'care', undefined],
    ['heat', kestrelWeir(), ['site', 'olderConsent'], 'yes', undefined],
    [
      'vessel',
      twoBoilers(),
      ['appliances', 4, 'maxWorkingGauge_Pa', 'value'],
      1e5,
      'relief-above-weakest',
    ],
    ['circuit', kestrelWeir(), ['water', 'makeUp', 'device'], 'double-check', 'make-up-too-weak'],
  ] as const)(
    'of %s is open again, and a page that remembers says so, when what a danger hangs on changes',
    (sheet, job, path, value, finding) => {
      const remembers = solver()
      const before = remembers(job)
      const answers = (of: Solution) =>
        Object.fromEntries(solvedSpecs.map(({ id }) => [id, answerOf<unknown>(of[id])]))
      const changed = applyEdits(job, [{ path: [...path], value }])
      const after = remembers(changed)
      expect(restsOn(sheet, changed, answers(after))).not.toBe(restsOn(sheet, job, answers(before)))
      if (finding) expect(after.findings.map(({ id }) => id)).toContain(finding)
    },
  )
  test('stays when a photograph is added: it proves an input and is none', () => {
    const given = restsOn('vessel', kestrel, {})
    const photographed = applyEdits(kestrel, [
      {
        path: ['appliances', 0, 'photos'],
        value: [{ hash: 'a'.repeat(64), type: 'image/jpeg', name: 'plate.jpg', bytes: 1000 }],
      },
    ])
    expect(restsOn('vessel', photographed, {})).toBe(given)
  })
})

/** Every leaf of a document with another value its schema takes. */
function* changes(
  value: unknown,
  path: (string | number)[] = [],
): Generator<{ path: (string | number)[]; value: unknown }> {
  const key = path.at(-1)
  if (key === 'version' || key === 'id' || key === 'practice') return
  if (typeof value === 'number')
    yield { path, value: Number.isInteger(value) ? value + 1 : value * 1.31 }
  else if (typeof value === 'boolean') yield { path, value: !value }
  else if (typeof value === 'object' && value !== null) {
    if (path.length > 0) yield { path, value: null }
    // Of rows that are alike two are enough.
    for (const [name, one] of Object.entries(value).slice(0, Array.isArray(value) ? 2 : 200))
      yield* changes(one, [...path, Array.isArray(value) ? Number(name) : name])
  } else if (value === 'yes' || value === 'no')
    yield { path, value: value === 'yes' ? 'no' : 'yes' }
}

const answersOf = (solution: Solution): Partial<Answers> =>
  Object.fromEntries(solvedSpecs.map(({ id }) => [id, answerOf<unknown>(solution[id])]))

/** What a sheet says. */
const said = (solution: Solution, id: SolvedSheetId): string => {
  const sheet = solution[id]
  return sheet.applies
    ? JSON.stringify([sheet.missing, sheet.findings, sheet.answer])
    : sheet.because
}

test.each([
  ['Kestrel Weir', kestrelWeir()],
  ['Juniper Ridge', juniperRidge()],
  ['Saltbush Ferry', saltbushFerry()],
] as const)(
  'a sheet of %s says another thing only when one of its inputs is another',
  (_name, job) => {
    const before = solve(job)
    const unseen = new Set<string>()
    for (const edit of changes(job)) {
      const changed = applyEdits(job, [edit])
      if (!JobDocument.safeParse(changed).success) continue
      const after = solve(changed)
      for (const spec of solvedSpecs) {
        const { id } = spec
        const was = inputsOf(spec, job, answersOf(before))
        const is = inputsOf(spec, changed, answersOf(after))
        const isInput = was.length !== is.length || was.some((one, i) => one !== is[i])
        if (!isInput && said(after, id) !== said(before, id))
          unseen.add(`${id} reads ${edit.path.join('.')}`)
      }
    }
    expect([...unseen]).toEqual([])
  },
)

test('with its memory a job is solved as it is without, whatever was typed before', () => {
  const job = kestrelWeir()
  const remembers = solver()
  const edits = [...changes(job)].filter((_, i) => i % 23 === 0)
  for (const edit of edits.flatMap((one) => [one, undefined])) {
    const document = edit ? applyEdits(job, [edit]) : job
    if (!JobDocument.safeParse(document).success) continue
    const [plain, kept] = [solve(document), remembers(document)]
    for (const { id } of solvedSpecs) expect(said(kept, id)).toBe(said(plain, id))
    expect(kept.sequences).toEqual(plain.sequences)
  }
})

test.each([
  ['Kestrel Weir', kestrelWeir()],
  ['Juniper Ridge', juniperRidge()],
  ['Saltbush Ferry', saltbushFerry()],
] as const)('the steps of %s are what they would be without the memory', (_name, job) => {
  const remembers = solver()
  remembers(job)
  for (const edit of [...changes(job)].filter((_, i) => i % 5 === 0)) {
    const document = applyEdits(job, [edit])
    if (!JobDocument.safeParse(document).success) continue
    expect(JSON.stringify(remembers(document).sequences)).toBe(
      JSON.stringify(solve(document).sequences),
    )
  }
})

test('a sequence is made again only when what it asked of the job is another', () => {
  const job = kestrelWeir()
  const remembers = solver()
  const before = remembers(job).sequences.list
  const after = (path: (string | number)[], value: unknown) =>
    remembers(applyEdits(job, [{ path, value }]))
      .sequences.list.filter((one) => !before.includes(one))
      .map(({ id }) => id.split('.')[0])
  expect(after(['gas', 'segments', 0, 'length_m', 'value'], 7)).not.toContain('heating')
  expect(after(['survey', 'topEmitterHeight_m', 'value'], 7.5)).toContain('heating')
})

test('with its memory only what reads the change is solved again', () => {
  const job = kestrelWeir()
  const remembers = solver()
  const before = remembers(job)
  const after = remembers(
    applyEdits(job, [{ path: ['gas', 'segments', 0, 'length_m', 'value'], value: 7 }]),
  )
  const again = solvedSpecs.map(({ id }) => id).filter((id) => after[id] !== before[id])
  expect(again).toEqual(['gas', 'tightness'])
})

test('what one sheet asks reopens no other that does not rest on it', () => {
  const job = kestrelWeir()
  const proofs = new Map(solvedSpecs.map(({ id }) => [id, restsOn(id, job, answersOf(solve(job)))]))
  const reopened = (path: (string | number)[], value: unknown) => {
    const changed = applyEdits(job, [{ path, value }])
    const answers = answersOf(solve(changed))
    return solvedSpecs
      .map(({ id }) => id)
      .filter((id) => restsOn(id, changed, answers) !== proofs.get(id))
  }
  expect(reopened(['survey', 'looked', 'drain', 'answer'], 'pumped')).toEqual([
    'place',
    'safety',
    'relief',
  ])
  expect(reopened(['survey', 'visitedOn'], '2026-11-01')).toEqual(['site'])
  expect(reopened(['heating', 'chargeGauge_Pa'], null)).toEqual([])
  expect(reopened(['heating', 'vesselSize_m3'], 0.025)).toEqual(['vessel'])
  expect(reopened(['gas', 'segments', 0, 'elbows'], 5)).toEqual(['gas', 'tightness'])
  expect(reopened(['hotWater', 'outlets', 0, 'tempered'], 'no')).toEqual(['heat', 'water'])
  expect(reopened(['appliances', 1, 'water_m3', 'value'], 0.29)).toEqual([
    'plates',
    'safety',
    'relief',
  ])
})
