import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { JobFile, JobState } from '@hestian/core'
import { demoJobs } from '../../demo/src/index'
import { firm } from '../../demo/src/people'
import type { App } from '../../server/src/app/app'
import { buildApp } from '../../server/src/app/app'
import { mutateDocument, seeded } from './mutateDocument'
import type { Trial } from './trial'

type Pick = <T>(from: readonly T[]) => T

/** Addresses with everything that may stand in them. */
function addressOf(pick: Pick): readonly ['GET' | 'POST' | 'PUT', string] {
  const job = pick([
    'kestrel-weir',
    'juniper-ridge',
    'saltbush-ferry',
    'made-0',
    'ghost',
    '..%2f',
    'x'.repeat(80),
  ])
  const test = pick(['kestrel-weir-test-1', 'fuzz-test-1', 'x', 'y'.repeat(70)])
  return pick([
    ['GET', `/jobs/${job}`],
    [
      'GET',
      `/jobs?find=${pick(['a', '%25', '%00', 'x'.repeat(300)])}&sort=${pick(['name', 'odd'])}`,
    ],
    ['POST', '/jobs'],
    ['PUT', `/jobs/${job}/draft`],
    ['POST', `/jobs/${job}/records`],
    ['POST', `/jobs/${job}/tests`],
    ['POST', `/jobs/${job}/tests/${test}/${pick(['samples', 'end', 'notes', 'repair', 'top-up'])}`],
    [
      'POST',
      `/jobs/${job}/steps/${pick(['tap-temp', 'fill', 'nonsense'])}/${pick(['guards', 'sign'])}`,
    ],
    ['POST', `/jobs/${job}/off/${pick(['kestrel-weir-0001', 'x'])}/put-back`],
    [
      'POST',
      `/jobs/${job}/${pick(['checks', 'proofs', 'signatures', 'revisions', 'unfreeze', 'archive', 'duplicate'])}`,
    ],
    ['POST', '/import'],
    ['PUT', `/evidence/${'ab'.repeat(32)}`],
    ['POST', `/gauges/${pick(['manometer', 'none'])}/plant`],
    ['PUT', `/people/${pick(['maren-oduya', 'ghost'])}/units`],
  ] as const)
}

/** A body that may be right, nearly right, or nothing of the kind. */
function bodyOf(pick: Pick, random: () => number, count: number): unknown {
  const value = (): unknown =>
    pick([
      null,
      true,
      0,
      -1,
      5e-324,
      1e308,
      5e12,
      '',
      'x',
      'maren-oduya',
      '\0',
      'x'.repeat(5000),
      [],
      {},
      '2026-11-27T10:00:00.000Z',
    ])
  const file = pick(Object.values(demoJobs()))
  const act = {
    id: `fuzz-${String(count).padStart(8, '0')}`,
    by: pick(['maren-oduya', 'isla-penhallick', 'ghost']),
  }
  const bodies: (() => unknown)[] = [
    () => value(),
    () => ({ ...act, id: `made-${count % 40}`, name: 'Fuzz', address: '', practice: 'uk-ireland' }),
    () => ({
      document: mutateDocument(file.document, random),
      saveNumber: pick([1, 2, 3, 4, 5, -1]),
      by: act.by,
    }),
    () => ({ ...act, at: '2026-11-27T10:00:00.000Z', body: { ...pick(file.records).body } }),
    () => ({
      ...act,
      at: '2026-11-27T10:00:00.000Z',
      body: { kind: 'snag', what: 'a snag', owner: 'x', due: null },
    }),
    () => ({
      ...act,
      testId: 'fuzz-test-1',
      how: { reading: 'typed', kind: 'digital', resolution_Pa: 10, instrument: '', from_ms: 0 },
      prepared: ['meter', 'boiler', 'range', 'cabinet'],
      off: [],
    }),
    () => ({
      ...act,
      sample: {
        at_ms: Math.floor(random() * 3e5),
        gauge_Pa: pick([0, 2000, -1e9]),
        temp_K: pick([288, 0]),
      },
    }),
    () => ({
      ...act,
      guardId: pick(['run', 'dial', 'x']),
      reading: { si: pick([300, 1e308]), typed: 'x' },
      sheet: pick(['site', 'steps']),
      typedName: 'Maren Oduya',
      text: 'note',
      what: 'mended',
    }),
    () => ({
      ...file,
      id: `made-${count}`,
      number: pick(['0417', '9'.repeat(20), 'x\ny']),
      records: file.records.slice(0, count % 9),
    }),
    () => ({
      archived: pick([true, false]),
      by: act.by,
      id: `copy-${count % 30}`,
      name: 'Copy',
      command: 'pump',
    }),
  ]
  const body = pick(bodies)()
  if (random() < 0.5 || typeof body !== 'object' || body === null) return body
  const spoilt = structuredClone(body) as Record<string, unknown>
  const keys = Object.keys(spoilt)
  if (keys.length > 0) spoilt[pick(keys)] = value()
  return spoilt
}

/**
 * Requests of every kind, right and wrong: none is answered 500, and everything that was stored can
 * be read and exported at the end.
 */
export const fuzzedRequests = (times: number): Trial => ({
  name: `${times} fuzzed requests, everything stored read back`,
  run: async (seed) => {
    const random = seeded(seed)
    const pick: Pick = (from) => from[Math.floor(random() * from.length)] as never
    const folder = mkdtempSync(join(tmpdir(), 'hestian-fuzz-'))
    const app = await buildApp({
      dataFolder: folder,
      limits: { streams: 1e6, uploads: 1e6, imports: 1e6, signIns: 1e6 },
    })
    await app.people.add(firm)
    const personId = 'maren-oduya'
    const cookie = `hestian=${await app.sessions.begin({ personId }, 'a trial')}`
    for (const file of Object.values(demoJobs()))
      await app.http.inject({
        ...{ method: 'POST', url: '/api/import', payload: file },
        headers: { cookie },
      })
    const statuses = new Map<number, number>()
    const says: string[] = []
    let thrown = 0
    for (let i = 0; i < times; i++) {
      const [method, url] = addressOf(pick)
      const body = method === 'GET' ? undefined : bodyOf(pick, random, i)
      const answer = await app.http.inject({
        method,
        url: `/api${url}`,
        headers: { 'content-type': 'application/json', cookie },
        ...(body === undefined ? {} : { payload: JSON.stringify(body) }),
      })
      statuses.set(answer.statusCode, (statuses.get(answer.statusCode) ?? 0) + 1)
      if (answer.statusCode >= 500 && answer.statusCode !== 507) {
        thrown++
        says.push(
          `${method} ${url} ${JSON.stringify(body)?.slice(0, 200)} ${answer.payload.slice(0, 120)}`,
        )
      }
    }
    const lost = await unreadable(app, cookie, says)
    await app.http.close()
    rmSync(folder, { recursive: true })
    const answered = [...statuses]
      .sort(([a], [b]) => a - b)
      .map(([status, n]) => `${n} × ${status}`)
    return {
      tried: `${times} requests`,
      lost,
      doubled: 0,
      thrown,
      hung: 0,
      beside: answered.join(', '),
      says: says.slice(0, 5),
    }
  },
})

/** Jobs that the server cannot give back whole. */
async function unreadable(app: App, cookie: string, says: string[]): Promise<number> {
  const ids = await app.db.read((manager) => manager.query<{ id: string }[]>('SELECT id FROM job'))
  let lost = 0
  for (const { id } of ids) {
    const take = (url: string) => app.http.inject({ url, headers: { cookie } })
    const state = await take(`/api/jobs/${id}`)
    const file = await take(`/api/jobs/${id}/export`)
    const whole = JobState.safeParse(state.json()).success && JobFile.safeParse(file.json()).success
    if (whole) continue
    lost++
    says.push(`${id}: ${state.payload.slice(0, 160)}`)
  }
  return lost
}
