import { execFileSync } from 'node:child_process'
import { readdirSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import type { APIRequestContext } from '@playwright/test'
import { expect } from '@playwright/test'
import { OwnServer } from './ownServer'
import { textOfPdf } from './pdf'
import { signIn, test } from './test'

// What a firm has comes back as it was: job by job out of its files, and whole out of a backup.

type Id = 'kestrel-weir' | 'juniper-ridge' | 'saltbush-ferry' | 'thornfield-scout-hut'

interface Held {
  /** Every figure, record and reading. */
  readonly state: Readonly<Record<'document' | 'records' | 'samples' | 'frozen', unknown>>
  /** All the words of its pack, less when it was printed. */
  readonly pack: string
}

async function heldOf(request: APIRequestContext, address: string, id: string): Promise<Held> {
  const url = `${address}/api/jobs/${id}`
  const { document, records, samples, frozen } = (await (
    await request.get(url)
  ).json()) as Held['state']
  const answer = await request.get(`${url}/handover.pdf`, { timeout: 90_000 })
  expect(answer.status()).toBe(200)
  const text = await textOfPdf(await answer.body())
  expect(text.length).toBeGreaterThan(2000)
  return {
    state: { document, records, samples, frozen },
    pack: text.replace(/Printed [^.]+\./g, ''),
  }
}

/** The log of another folder is another log. */
const lessLog = ({ pack, ...held }: Held): Held => ({
  ...held,
  pack: pack.replace(/Log of changes: entry \d+, [0-9a-f]+\./g, ''),
})

const allOf = async (request: APIRequestContext, address: string, jobs: readonly Id[]) => {
  const held: Record<string, Held> = {}
  for (const id of jobs) held[id] = await heldOf(request, address, id)
  return held
}

test('jobs exported, the folder wiped, the jobs imported: the same answers, the same pack', async ({
  page: { request },
}) => {
  test.setTimeout(240_000)
  const jobs = ['saltbush-ferry', 'thornfield-scout-hut'] as const
  const server = await OwnServer.begin()
  const take = async (id: string, body: Buffer) => {
    const answer = await request.post(`${server.address}/api/import`, {
      data: body,
      headers: { 'content-type': 'application/zip' },
    })
    expect({ id, status: answer.status() }).toEqual({ id, status: 201 })
  }
  const give = async (id: string, from = '') =>
    (await request.get(`${from}/api/jobs/${id}/export.zip`)).body()
  try {
    await signIn(request, 'maren-oduya', server.address)
    for (const id of jobs) await take(id, await give(id))
    const before = await allOf(request, server.address, jobs)
    const files = new Map<string, Buffer>()
    for (const id of jobs) files.set(id, await give(id, server.address))
    await server.stop()
    for (const name of readdirSync(server.data))
      rmSync(join(server.data, name), { recursive: true })
    await server.start()
    await signIn(request, 'maren-oduya', server.address)
    for (const [id, file] of files) await take(id, file)
    const after = await allOf(request, server.address, jobs)
    for (const id of jobs) expect(lessLog(after[id] as Held)).toEqual(lessLog(before[id] as Held))
  } finally {
    await server.end()
  }
})

test('the drill: copied, killed, put back on a new machine, verified: the same answers, pack and log', async ({
  page: { request },
}) => {
  test.setTimeout(240_000)
  const jobs = ['kestrel-weir', 'juniper-ridge'] as const
  const [old, next] = [await OwnServer.begin(), await OwnServer.begin()]
  try {
    await signIn(request, 'maren-oduya', old.address)
    for (const id of jobs) {
      const data = await (await request.get(`/api/jobs/${id}/export.zip`)).body()
      const headers = { 'content-type': 'application/zip' }
      await request.post(`${old.address}/api/import`, { data, headers })
    }
    const before = await allOf(request, old.address, jobs)
    const made = await request.post(`${old.address}/api/backups`, {
      data: { id: 'backup-to-move', by: 'maren-oduya' },
    })
    expect(made.status()).toBe(201)
    const { name } = (await made.json()) as { name: string }
    // As a machine that dies.
    await old.stop()
    await next.stop()
    for (const one of readdirSync(next.data)) rmSync(join(next.data, one), { recursive: true })
    const told = (act: string, what: string) =>
      execFileSync(process.execPath, ['--import', 'tsx', 'scripts/backup.ts', act, what], {
        env: { ...process.env, HESTIAN_DATA: next.data },
        encoding: 'utf8',
      })
    expect(told('restore', join(old.data, 'backups', name))).toContain('all as they were')
    expect(told('verify', next.data)).toContain('all sound')
    await next.start()
    await signIn(request, 'maren-oduya', next.address)
    expect(await allOf(request, next.address, jobs)).toEqual(before)
  } finally {
    await old.end()
    await next.end()
  }
})
