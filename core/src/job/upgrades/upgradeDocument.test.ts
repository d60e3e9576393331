import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { JobDocument } from '../document'
import { from1 } from './from1'
import { upgradeDocument } from './upgradeDocument'

/** Documents as each version stored them: the rowing club's, from the day it was made on. */
const stored = (version: number): { readonly [key: string]: unknown } =>
  JSON.parse(readFileSync(join(__dirname, `fixtures/version${version}.json`), 'utf8')) as never

const second = (): ReturnType<typeof stored> => {
  const { schools, ...made } = from1({ ...stored(1) })
  return { ...made, schools }
}

test.each([
  ['1', stored(1)],
  ['2', second()],
  ['3', stored(3)],
  ['4', stored(4)],
  ['5', stored(5)],
  ['6', stored(6)],
  ['7', stored(7)],
  ['8', stored(8)],
])('a document of version %s comes forward whole', (version, document) => {
  expect(String(document.version)).toBe(version)
  const read = JobDocument.safeParse(upgradeDocument(document))
  expect(read.error?.issues ?? []).toEqual([])
  expect(read.data?.site.name).toBe((document.site as { name: string }).name)
  const named = (rows: unknown) => (rows as { name: string }[]).map((row) => row.name)
  expect(named(read.data?.appliances)).toEqual(named(document.appliances))
  expect(named(read.data?.gas.segments)).toEqual(
    named((document.gas as { segments: unknown }).segments),
  )
})

test('a step of before does not change with what today’s blank parts hold', () => {
  const forward = upgradeDocument(stored(1)) as JobDocument
  // Written down on the day the steps were frozen.
  expect(Object.keys(forward).sort()).toEqual(
    [
      ...[
        'appliances',
        'gas',
        'handover',
        'heat',
        'heating',
        'holdPoints',
        'hotWater',
        'pan',
        'parts',
        'practice',
      ],
      'prices',
      ...['reliefs', 'schools', 'site', 'survey', 'version', 'water', 'work'],
    ].sort(),
  )
  expect(Object.keys(forward.heating ?? {})).toHaveLength(30)
  expect(Object.keys(forward.survey)).toHaveLength(26)
})

test('what is no document of ours comes back as it is', () => {
  for (const raw of [null, 5, 'text', [], { version: 99 }, { version: 'one' }])
    expect(upgradeDocument(raw)).toEqual(raw)
})
