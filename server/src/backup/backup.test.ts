import { createHash } from 'node:crypto'
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { JobFile } from '@hestian/core'
import { paperPdf } from '../../../demo/src/evidence'
import { demoJobs } from '../../../demo/src/index'
import { Bench } from '../app/app.testing'
import { backup } from './backup'
import { restore } from './restore'
import { verify } from './verify'

let bench: Bench
let beside: string
let file: string
const paper = paperPdf('Manual', ['one page'])
const hash = createHash('sha256').update(paper).digest('hex')
const madeAt = '2026-11-27T10:00:00.000Z'

beforeEach(async () => {
  bench = new Bench()
  await bench.open()
  beside = mkdtempSync(join(tmpdir(), 'hestian-backup-'))
  file = join(beside, 'firm.zip')
  await bench.send('POST', '/import', demoJobs()['saltbush-ferry'] as JobFile)
  await bench.send('PUT', `/evidence/${hash}`, paper, { 'content-type': 'application/pdf' })
})
afterEach(async () => {
  await bench.end()
  rmSync(beside, { recursive: true })
})

test('a firm is backed up while it works, restored elsewhere and is all there', async () => {
  const made = await backup(bench.folder, file, madeAt)
  expect(made).toMatchObject({ evidence: [{ hash, bytes: paper.length }], missing: [] })
  const out = (await bench.send('GET', '/jobs/saltbush-ferry/export')).body
  const restored = join(beside, 'restored')
  await restore(file, restored)
  expect(await verify(restored)).toEqual({ jobs: 1, evidence: 1, faults: [] })
  await bench.close()
  await bench.open({ dataFolder: restored })
  expect((await bench.send('GET', '/jobs/saltbush-ferry/export')).body).toEqual(out)
  expect((await bench.send('GET', `/evidence/${hash}`)).raw).toEqual(paper)
})

describe('a restore refuses and leaves nothing', () => {
  const restored = () => join(beside, 'restored')
  const refused = async (pattern: RegExp) => {
    await expect(restore(file, restored())).rejects.toThrow(pattern)
    expect(existsSync(restored())).toBe(false)
  }
  test('where something is already', async () => {
    await backup(bench.folder, file, madeAt)
    await expect(restore(file, bench.folder)).rejects.toThrow(/not empty.*never writes over/)
  })
  test('what is cut off', async () => {
    await backup(bench.folder, file, madeAt)
    writeFileSync(file, readFileSync(file).subarray(0, 2000))
    await refused(/is damaged/)
  })
  test('what rotted inside, and says where', async () => {
    await backup(bench.folder, file, madeAt)
    const bytes = readFileSync(file)
    const at = bytes.indexOf(paper)
    expect(at).toBeGreaterThan(0)
    bytes[at + 5] = 0x58
    writeFileSync(file, bytes)
    await refused(new RegExp(`is damaged: evidence/${hash}`))
  })
  test('what is no backup at all', async () => {
    writeFileSync(file, 'hello')
    await refused(/is damaged/)
  })
})

test('a backup says what was missing when it was made, and verify finds it', async () => {
  rmSync(join(bench.folder, 'evidence', hash))
  expect(await backup(bench.folder, file, madeAt)).toMatchObject({ evidence: [], missing: [hash] })
  expect(await verify(bench.folder)).toMatchObject({
    faults: [expect.stringMatching(new RegExp(`${hash} is missing`)) as string],
  })
})

test('verify names a job that cannot be read', async () => {
  await bench.app.db.raw((raw) => raw.exec(`UPDATE job SET draft = '{}'`))
  expect((await verify(bench.folder)).faults).toEqual([
    expect.stringMatching(/^Job 0421 cannot be read/),
    expect.stringMatching(/^Job saltbush-ferry is not what was written down/),
  ])
})

test('where there is nothing to back up it says so', async () => {
  await expect(backup(beside, file, madeAt)).rejects.toThrow(/nothing to back up/)
})
