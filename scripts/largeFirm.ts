import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { performance } from 'node:perf_hooks'
import type { JobFile } from '@hestian/core'
import { demoJobs } from '../demo/src/index'
import type { App } from '../server/src/app/app'
import { buildApp } from '../server/src/app/app'
import { sayLimit } from './limits'

// A firm of many years on one machine: whole jobs of every kind the demo has, and rows of the board
// beside them, each with a design of its own. Asked over HTTP as a page asks. Alone: npx tsx
// scripts/largeFirm.ts [jobs] [rows]

const limit_ms = 100
const files = Object.values(demoJobs()) as JobFile[]
const largest = `whole-${files.findIndex(({ document }) => document.site.name.includes('Kestrel'))}`
const runs = 6

/** Medians of five, in ms, beside the limit of an issue; the first of six warms up. */
export async function largeFirm(jobs = 1000, rows = 100_000): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'hestian-large-'))
  const limits = { streams: 60, uploads: 600, imports: 1e6, signIns: 1000 }
  const app = await buildApp({ dataFolder: folder, limits })
  const { http, people, sessions, db, summaries } = app
  await people.add([{ id: 'lead', name: 'Lead', role: 'lead', tickets: [] }])
  const headers = { cookie: `hestian=${await sessions.begin({ personId: 'lead' }, 'a bench')}` }
  const ask: Ask = async (method, url, payload) => {
    const start = performance.now()
    const { statusCode, body } = await http.inject({
      ...{ method, url, headers },
      ...(payload ? { payload } : {}),
    })
    const took_ms = performance.now() - start
    if (statusCode >= 300) throw new Error(`${method} ${url}: ${body}`)
    return took_ms
  }
  for (let i = 0; i < jobs; i++) await ask('POST', '/api/import', wholeJob(i))
  await summaries.settled()
  await addRows(db, Math.max(0, rows - jobs), jobs)
  await readPages(ask, rows)
  await saveOften(ask, app)
  await http.close()
  rmSync(folder, { recursive: true })
}

type Ask = (method: 'GET' | 'POST' | 'PUT', url: string, payload?: object) => Promise<number>

function wholeJob(i: number): JobFile {
  const file = files[i % files.length] as JobFile
  const { site } = file.document
  const document = { ...file.document, site: { ...site, name: `${site.name} ${i}` } }
  return { ...file, id: `whole-${i}`, document }
}

async function readPages(ask: Ask, rows: number): Promise<void> {
  const board = '/api/jobs?page=1&size=25&sort='
  const pages: readonly (readonly [string, string])[] = [
    ...['changed', 'name', 'number', 'stage', 'waiting'].map(
      (sort) => [`board of ${rows} rows by ${sort}`, `${board}${sort}`] as const,
    ),
    [`board of ${rows} rows, deep inside`, `/api/jobs?page=${rows / 50}&size=25&sort=name`],
    [`search of ${rows} rows, many found`, `${board}changed&find=high%20street`],
    [`search of ${rows} rows, one found`, `${board}changed&find=house%2077123%20`],
    [`search of ${rows} rows, none found`, `${board}name&find=nowhere`],
    ['a whole job opened', `/api/jobs/${largest}`],
    ['a whole job exported', `/api/jobs/${largest}/export`],
  ]
  for (const [name, url] of pages) {
    const took: number[] = []
    for (let i = 0; i < runs; i++) took.push(await ask('GET', url))
    sayLimit(name, took.slice(1), limit_ms)
  }
}

async function saveOften(ask: Ask, { jobs, summaries }: App): Promise<void> {
  const took: number[] = []
  for (let i = 0; i < runs; i++) {
    const { document, saveNumber } = await jobs.state(largest)
    const body = { document, saveNumber, by: 'lead' }
    took.push(await ask('PUT', `/api/jobs/${largest}/draft`, body))
    await summaries.settled()
  }
  sayLimit('a whole job saved', took.slice(1), limit_ms)
}

/**
 * Rows of jobs that were only begun, each with a design as large as one: written below the store,
 * which would take an hour over it.
 */
async function addRows(
  db: Awaited<ReturnType<typeof buildApp>>['db'],
  count: number,
  from: number,
): Promise<void> {
  await db.raw((connection) => {
    const [first] = connection.prepare(`SELECT * FROM job WHERE frozen IS NULL LIMIT 1`).all() as [
      Record<string, unknown>,
    ]
    const columns = Object.keys(first)
    const insert = connection.prepare(
      `INSERT INTO job (${columns.map((one) => `"${one}"`).join()}) VALUES (${columns.map(() => '?').join()})`,
    )
    const stages = ['survey', 'design', 'test', 'commission', 'handover']
    connection.exec('BEGIN')
    for (let i = 0; i < count; i++) {
      const name = `House ${from + i}`
      const address = `${i % 200} High Street`
      const row: Record<string, unknown> = {
        ...first,
        ...{
          id: `row-${i}`,
          number: String(10_000 + i),
          name,
          address,
          archived: i % 10 === 0 ? 1 : 0,
        },
        searchable: `${10_000 + i} ${name} ${address} `.toLowerCase(),
        changedAt: new Date(1.6e12 + ((i * 7919) % count) * 1e6).toISOString(),
        ...{ stage: stages[i % stages.length], stops: i % 3, off: i % 17 === 0 ? 1 : 0 },
      }
      insert.run(...columns.map((one) => row[one]))
    }
    connection.exec('COMMIT')
  })
}

if (process.argv[1]?.endsWith('largeFirm.ts'))
  await largeFirm(Number(process.argv[2] ?? 1000), Number(process.argv[3] ?? 100_000))
