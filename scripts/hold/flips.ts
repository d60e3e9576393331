import { createHash } from 'node:crypto'
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { demoJobs } from '../../demo/src/index'
import { firm } from '../../demo/src/people'
import { buildApp } from '../../server/src/app/app'
import { verify } from '../../server/src/backup/verify'
import { databasePath } from '../../server/src/db/database'
import type { RawConnection } from '../../server/src/db/sqlite'
import { openRaw } from '../../server/src/db/sqlite'
import { seeded } from './mutateDocument'
import type { Trial } from './trial'

/** A place where something is stored: its row, and the name that a fault must call it by. */
interface Place {
  readonly flip: (random: () => number) => void
  readonly undo: () => void
  readonly name: string
}

/**
 * One byte after the other is changed in what is stored, past the server: in records, revisions,
 * designs, readings, people, the log of changes itself, photographs and papers. Each must be found,
 * by name.
 */
export const flippedBytes = (times: number): Trial => ({
  name: `${times} bytes flipped in what is stored, each found`,
  run: async (seed) => {
    const random = seeded(seed)
    const folder = mkdtempSync(join(tmpdir(), 'hestian-flips-'))
    try {
      await fill(folder)
      const before = await verify(folder)
      const connection = openRaw(databasePath(folder), {})
      const places = placesOf(connection, folder)
      const says: string[] = before.faults.map((fault) => `before anything was changed: ${fault}`)
      let unseen = 0
      for (let i = 0; i < times; i++) {
        // Every kind of place as often as every other, whatever there is most of.
        const kind = Object.keys(places)[i % Object.keys(places).length] ?? ''
        const of = places[kind] ?? []
        const place = of[Math.floor(random() * of.length)]
        if (!place) continue
        place.flip(random)
        const { faults } = await verify(folder)
        place.undo()
        if (faults.some((fault) => fault.includes(place.name))) continue
        unseen++
        says.push(`${kind} ${place.name}: ${faults[0] ?? 'nothing was said'}`)
      }
      connection.close()
      const found = Object.entries(places).map(([kind, of]) => `${of.length} ${kind}`)
      return {
        tried: `${times} bytes, in ${found.join(', ')}`,
        lost: unseen,
        doubled: 0,
        thrown: before.faults.length,
        hung: 0,
        says: says.slice(0, 5),
      }
    } finally {
      rmSync(folder, { recursive: true })
    }
  },
})

/** A firm with the demo's people, jobs, photographs and papers. */
async function fill(folder: string): Promise<void> {
  const { http, people, sessions } = await buildApp({ dataFolder: folder })
  await people.add(firm)
  const personId = 'maren-oduya'
  const cookie = `hestian=${await sessions.begin({ personId }, 'a trial')}`
  for (const name of readdirSync('demo/evidence')) {
    const payload = readFileSync(join('demo/evidence', name))
    const hash = createHash('sha256').update(payload).digest('hex')
    const type = name.endsWith('.pdf') ? 'application/pdf' : 'image/png'
    await http.inject({
      ...{ method: 'PUT', url: `/api/evidence/${hash}`, payload },
      headers: { cookie, 'content-type': type },
    })
  }
  for (const payload of Object.values(demoJobs()))
    await http.inject({ method: 'POST', url: '/api/import', headers: { cookie }, payload })
  await http.inject({
    ...{ method: 'POST', url: '/api/jobs/kestrel-weir/revisions', headers: { cookie } },
    payload: { id: 'revision-one', by: personId },
  })
  await http.close()
}

/**
 * Columns whose every byte counts, by the kind of place; the name of a row is what tells it in a
 * fault.
 */
const columns = [
  ['records', 'record', 'id', ['body', 'at', 'by', 'kind']],
  ['revisions', 'revision', 'letter', ['document', 'by', 'at']],
  ['designs', 'job', 'id', ['draft', 'number']],
  ['people', 'person', 'id', ['name', 'role', 'tickets']],
  ['entries of the log', 'log', 'seq', ['at', 'by', 'from', 'digest', 'hash', 'item']],
] as const

function placesOf(
  connection: RawConnection,
  folder: string,
): Readonly<Record<string, readonly Place[]>> {
  for (const table of ['record', 'sample', 'revision', 'log'])
    for (const act of ['update', 'delete'])
      connection.exec(`DROP TRIGGER IF EXISTS ${table}_no_${act}`)
  const inTables = columns.map(([kind, table, key, names]) => {
    const where = table === 'person' ? `WHERE role <> ''` : ''
    const rows = connection.prepare(`SELECT rowid AS row, * FROM ${table} ${where}`).all() as {
      readonly [name: string]: unknown
    }[]
    const places = rows.flatMap((row) =>
      names.flatMap((name): Place[] => {
        const was = row[name]
        if (typeof was !== 'string' || was === '') return []
        const set = connection.prepare(`UPDATE ${table} SET "${name}" = ? WHERE rowid = ?`)
        const named = table === 'log' ? `entry ${String(row[key])}` : String(row[key])
        return [
          {
            flip: (random) => set.run(flipped(was, random), row.row),
            undo: () => set.run(was, row.row),
            name: named,
          },
        ]
      }),
    )
    return [kind, places] as const
  })
  return Object.fromEntries([
    ...inTables,
    ['readings', readings(connection)],
    ['photographs and papers', evidence(folder)],
  ])
}

/** Readings of tests that have ended; those of one that runs are written down when it ends. */
function readings(connection: RawConnection): readonly Place[] {
  const rows = connection
    .prepare(
      `SELECT jobId, testId, at_ms, gauge_Pa FROM sample WHERE testId IN
         (SELECT json_extract(body, '$.testId') FROM record WHERE kind = 'test-ended')`,
    )
    .all() as { jobId: string; testId: string; at_ms: number; gauge_Pa: number }[]
  const set = connection.prepare(
    'UPDATE sample SET gauge_Pa = ? WHERE jobId = ? AND testId = ? AND at_ms = ?',
  )
  return rows.map(({ jobId, testId, at_ms, gauge_Pa }) => ({
    flip: () => set.run(gauge_Pa + 0.1, jobId, testId, at_ms),
    undo: () => set.run(gauge_Pa, jobId, testId, at_ms),
    name: testId,
  }))
}

function evidence(folder: string): readonly Place[] {
  const kept = join(folder, 'evidence')
  return readdirSync(kept).map((name) => {
    const path = join(kept, name)
    const was = readFileSync(path)
    return {
      flip: (random) => {
        const now = Buffer.from(was)
        const at = Math.floor(random() * now.length)
        now[at] = (now[at] ?? 0) ^ 1
        writeFileSync(path, now)
      },
      undo: () => writeFileSync(path, was),
      name,
    }
  })
}

/** A text with one of its characters another. */
function flipped(text: string, random: () => number): string {
  const at = Math.floor(random() * text.length)
  const other = String.fromCharCode(text.charCodeAt(at) ^ 1)
  return `${text.slice(0, at)}${other}${text.slice(at + 1)}`
}
