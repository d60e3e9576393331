import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { JobState } from './jobAnswers'

test('a copy of a job that was kept before this version came is read as this version says it', () => {
  const fixtures = join(__dirname, '../../../core/src/job/upgrades/fixtures')
  const document = JSON.parse(readFileSync(join(fixtures, 'version5.json'), 'utf8')) as object
  const kept = {
    ...{ id: 'club', number: '0417', saveNumber: 1, frozen: null, importedAt: null },
    document,
    revisions: [{ letter: 'A', at: '2026-11-20T10:00:00Z', by: 'a', signed: true }],
    records: [
      {
        ...{ id: 'record-one', at: '2026-11-20T10:00:00Z', by: 'a' },
        body: { kind: 'prove-sheet', sheet: 'gas', restsOn: 'v1:abc' },
      },
    ],
    samples: {},
  }
  expect(JobState.parse(kept)).toMatchObject({
    document: { version: 9, work: { kinds: [] } },
    revisions: [{ letter: 'A', signed: true }],
    records: [{ body: { kind: 'sheet-checked' } }],
  })
})
