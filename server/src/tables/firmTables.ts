import { Instrument, practiceLabels, ticketWords } from '@hestian/core'
import type { EntityManager } from 'typeorm'
import type { LogRow } from '../db/changeLog'
import type { DatabaseReader } from '../db/database'
import type { JobRow } from '../db/tables'
import { listDeleted } from '../jobs/deleteJob'
import { listPeople } from '../people/peopleStore'
import type { Table } from './csv'

/**
 * The firm's own lists: its jobs as the board has them, people with their tickets, gauges, the log
 * of changes, what was deleted.
 */
export async function firmTables(db: DatabaseReader): Promise<readonly Table[]> {
  const people = await peopleTable(db)
  return [people, ...(await db.read(stored))]
}

async function peopleTable(db: DatabaseReader): Promise<Table> {
  const people = await listPeople(db)
  return {
    name: 'people',
    heads: ['id', 'name', 'role', 'ticket', 'place', 'number', 'issuer', 'until'],
    rows: people.flatMap(({ id, name, role, holds }) =>
      holds.length === 0
        ? [[id, name, role]]
        : holds.map(({ ticket, practice, number, issuer, until }) => [
            ...[id, name, role, ticketWords[ticket]],
            ...[practice === null ? 'everywhere' : practiceLabels[practice], number, issuer, until],
          ]),
    ),
  }
}

/** Of one state of the database. */
async function stored(manager: EntityManager): Promise<readonly Table[]> {
  const jobs = await manager.query<JobRow[]>('SELECT * FROM job ORDER BY number')
  const gauges = await manager.query<{ body: string }[]>('SELECT body FROM instrument')
  const changes = await manager.query<LogRow[]>('SELECT * FROM log ORDER BY seq')
  return [
    {
      name: 'jobs',
      heads: [
        ...['id', 'number', 'name', 'address', 'practice', 'work', 'stage', 'waits_for'],
        ...['waits_on', 'stops', 'fixes', 'off', 'snags', 'unsafe', 'signed', 'archived'],
        ...['created', 'changed'],
      ],
      rows: jobs.map((row) => [
        ...[
          row.id,
          row.number,
          row.name,
          row.address,
          row.practice,
          row.work,
          row.stage,
          row.waits,
        ],
        ...[row.waitsOn, row.stops, row.fixes, row.off, row.snags, row.unsafe, row.frozen],
        ...[row.archived === 1, row.createdAt, row.changedAt],
      ]),
    },
    {
      name: 'gauges',
      heads: ['id', 'name', 'serial', 'kind', 'step_Pa', 'most_Pa', 'accuracy', 'until', 'retired'],
      rows: gauges.flatMap(({ body }) => {
        const read = Instrument.safeParse(JSON.parse(body))
        if (!read.success) return []
        const { id, name, serial, kind, step_Pa, most_Pa, accuracy, ...of } = read.data
        return [
          [...[id, name, serial, kind, step_Pa, most_Pa, accuracy, of.calibratedUntil], of.retired],
        ]
      }),
    },
    {
      name: 'changes',
      heads: ['entry', 'at', 'by', 'from', 'what', 'job', 'item', 'digest', 'hash'],
      rows: changes.map(({ seq, at, by, from, what, jobId, item, digest, hash }) => [
        ...[seq, at, by, from, what, jobId, item, digest, hash],
      ]),
    },
    {
      name: 'deleted',
      heads: ['number', 'at', 'by', 'reason'],
      rows: (await listDeleted(manager)).map(({ number, at, by, reason }) => [
        ...[number, at, by, reason],
      ]),
    },
  ]
}
