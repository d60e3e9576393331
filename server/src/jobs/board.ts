import type { BoardPage, BoardQuery, BoardRow } from '@hestian/core'
import { boardStages } from '@hestian/core'
import type { DatabaseReader } from '../db/database'
import { lowSpace_bytes } from '../db/freeSpace'
import type { JobRow } from '../db/tables'

const orders: Readonly<Record<BoardQuery['sort'], string>> = {
  changed: 'changedAt DESC',
  name: 'name COLLATE NOCASE ASC',
  number: 'CAST(number AS INTEGER) DESC',
  stage: `CASE stage ${boardStages.map((stage, i) => `WHEN '${stage}' THEN ${i}`).join(' ')} END ASC, changedAt DESC`,
  waiting: 'stops DESC, off DESC, fixes DESC, changedAt ASC',
}

/** Indexes that keep the whole board in an order, with what is searched beside it. */
const kept: Readonly<Partial<Record<BoardQuery['sort'], string>>> = {
  changed: 'job_changed',
  name: 'job_name',
}

type Listed = Omit<
  JobRow,
  | 'draft'
  | 'saveNumber'
  | 'createdAt'
  | 'summaryVersion'
  | 'searchable'
  | 'recordCount'
  | 'importedAt'
>

/** A job that was never summed up (it cannot be read) still has its number. */
const rowOf = ({ archived, unreadable, shares, ...row }: Listed): BoardRow => {
  const known =
    row.practice === '' ? { practice: 'uk-ireland', stage: 'survey', sheet: 'site' } : {}
  return {
    ...row,
    ...known,
    name: row.name || `Job ${row.number}`,
    archived: archived === 1,
    unreadable: unreadable === 1,
    shares: JSON.parse(shares) as number[],
  } as BoardRow
}

const columns = [
  ...['id', 'number', 'name', 'address', 'practice', 'stage', 'sheet', 'waits', 'waitsOn', 'stops'],
  ...['fixes', 'off', 'snags', 'unsafe', 'work', 'shares', 'frozen', 'archived', 'changedAt'],
  'unreadable',
].join(', ')

interface Asked {
  readonly rows: string
  readonly count: string
  /** What both are asked with; the rows then want how many, and how many before. */
  readonly values: readonly (string | number)[]
}

/**
 * How the rows of a page are found and counted. They are found in an index alone and only then
 * read: which one is said where the database would take one that leads it through every row.
 */
export function boardQueries({ find, stage, archived, sort }: BoardQuery): Asked {
  const words = find.toLowerCase().split(/\s+/).filter(Boolean)
  const where = [
    'archived = ?',
    ...words.map(() => `searchable LIKE ? ESCAPE '\\'`),
    ...(stage === 'all' ? [] : ['stage = ?']),
  ].join(' AND ')
  const inOrder = stage === 'all' ? kept[sort] : undefined
  const from = `job INDEXED BY ${inOrder ?? 'job_board'}`
  const order = `${orders[sort]}, id`
  return {
    rows: `SELECT ${columns} FROM job JOIN (SELECT rowid AS at FROM ${from} WHERE ${where} ORDER BY ${order} LIMIT ? OFFSET ?) AS found ON job.rowid = found.at ORDER BY ${order}`,
    count: `SELECT COUNT(*) AS total FROM ${words.length > 0 ? 'job INDEXED BY job_board' : 'job'} WHERE ${where}`,
    values: [
      archived === 'yes' ? 1 : 0,
      ...words.map((word) => `%${word.replace(/[\\%_]/g, '\\$&')}%`),
      ...(stage === 'all' ? [] : [stage]),
    ],
  }
}

/**
 * The board from the stored summaries: searched, filtered, sorted and cut into pages by the
 * database.
 */
export async function readBoard(
  db: DatabaseReader,
  query: BoardQuery,
  free_bytes: number | undefined,
): Promise<BoardPage> {
  const { rows: findRows, count, values } = boardQueries(query)
  return db.read(async (manager) => {
    const before = (query.page - 1) * query.size
    const rows = await manager.query<Listed[]>(findRows, [...values, query.size, before])
    const stages = await manager.query<{ stage: string; jobs: number; withOff: number }[]>(
      'SELECT stage, COUNT(*) AS jobs, SUM(off > 0) AS withOff FROM job WHERE archived = 0 GROUP BY stage',
    )
    const [away] = await manager.query<{ jobs: number; withOff: number | null }[]>(
      'SELECT COUNT(*) AS jobs, SUM(off > 0) AS withOff FROM job WHERE archived = 1',
    )
    const [damaged] = await manager.query<{ jobs: number }[]>(
      'SELECT COUNT(*) AS jobs FROM job WHERE unreadable = 1 AND archived = 0',
    )
    const sum = (key: 'jobs' | 'withOff') => stages.reduce((all, row) => all + row[key], 0)
    const byStage = Object.fromEntries(stages.map((row) => [row.stage, row.jobs]))
    const countAll = async (): Promise<number> => {
      // A page that is not full is the last one, and counts itself; what nobody narrows is counted
      // already.
      if (rows.length < query.size && (rows.length > 0 || before === 0)) return before + rows.length
      if (query.find.trim() === '' && query.archived === 'no')
        return query.stage === 'all' ? sum('jobs') : (byStage[query.stage] ?? 0)
      const [counted] = await manager.query<{ total: number }[]>(count, [...values])
      return counted?.total ?? 0
    }
    return {
      rows: rows.map(rowOf),
      total: await countAll(),
      page: query.page,
      size: query.size,
      jobs: sum('jobs'),
      withOff: sum('withOff'),
      archived: away?.jobs ?? 0,
      archivedWithOff: away?.withOff ?? 0,
      unreadable: damaged?.jobs ?? 0,
      byStage,
      free_bytes: free_bytes ?? null,
      lowSpace: free_bytes !== undefined && free_bytes < lowSpace_bytes,
    }
  })
}
