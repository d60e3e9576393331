import type { BoardPage, BoardQuery } from '@hestian/core'
import { Bench } from '../app/app.testing'
import { boardQueries } from './board'

const bench = new Bench()
beforeAll(() => bench.open())
afterAll(() => bench.end())

const sorts: readonly BoardQuery['sort'][] = ['changed', 'name', 'number', 'stage', 'waiting']
const asked = (more: Partial<BoardQuery> = {}): BoardQuery => ({
  ...{ find: '', stage: 'all', archived: 'no', sort: 'changed', page: 1, size: 25 },
  ...more,
})
/** How the database goes about a question. */
const planOf = (sql: string, values: readonly unknown[]): Promise<string> =>
  bench.app.db.raw((connection) =>
    (connection.prepare(`EXPLAIN QUERY PLAN ${sql}`).all(...values) as { detail: string }[])
      .map(({ detail }) => detail)
      .join('; '),
  )

test.each(
  sorts.flatMap((sort) => [
    asked({ sort }),
    asked({ sort, find: 'high street' }),
    asked({ sort, stage: 'design' }),
    asked({ sort, archived: 'yes', find: 'mill' }),
  ]),
)('%j: a page is found without reading a single design', async (query) => {
  const { rows, count, values } = boardQueries(query)
  const plan = await planOf(rows, [...values, 25, 0])
  // What is read of the jobs themselves is read by the number of its row, for the page alone.
  const reads = plan.split('; ').filter((step) => /^(SEARCH|SCAN) job\b/.test(step))
  expect(reads).toHaveLength(2)
  expect(reads[0]).toMatch(/USING COVERING INDEX job_(board|name|changed) \(archived=\?/)
  expect(reads[1]).toBe('SEARCH job USING INTEGER PRIMARY KEY (rowid=?)')
  // The page itself is put in order again; all that was found is only where no index keeps the
  // order.
  const isKept = query.stage === 'all' && ['changed', 'name'].includes(query.sort)
  expect(plan.match(/TEMP B-TREE FOR/g)).toHaveLength(isKept ? 1 : 2)
  expect(await planOf(count, values)).toMatch(/^SEARCH job USING COVERING INDEX/)
})

test('pages follow each other in the order asked for, none twice, none left out', async () => {
  for (let i = 0; i < 13; i++) await bench.newJob(`job-${i}x`, `House ${(i * 5) % 13}`)
  for (const sort of sorts)
    for (const find of ['', 'house']) {
      const seen: string[] = []
      for (let page = 1; page <= 3; page++) {
        const url = `/jobs?sort=${sort}&find=${find}&page=${page}&size=5`
        const { rows, total } = (await bench.send('GET', url)).body as unknown as BoardPage
        expect(total).toBe(13)
        seen.push(...rows.map(({ name }) => name))
      }
      expect(new Set(seen).size).toBe(13)
      if (sort === 'name') expect(seen).toEqual([...seen].sort())
    }
})

test.each([
  ['', 13],
  ['&stage=survey', 13],
  ['&stage=design', 0],
  ['&find=house', 13],
  ['&find=house&stage=survey', 13],
  ['&find=house&stage=design', 0],
  ['&archived=yes', 0],
])(
  '%j: as many are counted on the first page, the last and one behind it',
  async (narrowed, all) => {
    for (const page of [1, 3, 9]) {
      const url = `/jobs?sort=name&page=${page}&size=5${narrowed}`
      const { total } = (await bench.send('GET', url)).body as unknown as BoardPage
      expect({ page, total }).toEqual({ page, total: all })
    }
  },
)
