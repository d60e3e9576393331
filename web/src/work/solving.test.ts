import type { JobDocument } from '@hestian/core'
import { applyEdits, jobInWords, judge, practices, showIn, solve, solvedSpecs } from '@hestian/core'
import { demoJobs } from '../../../demo/src/index'
import type { Asked } from './asked'
import type { JobAnswer, Question } from './handed'
import { NotFetched } from './NotFetched'
import type { Heard } from './solving'
import { solving } from './solving'
import { WorkerHere } from './workerHere.testing'

const jobs = Object.entries(demoJobs()).map(([name, { document }]) => [name, document] as const)
const weir = jobs.find(([name]) => name === 'kestrel-weir')?.[1] as JobDocument
const records = { entries: [], samples: {}, frozen: null }
const questionOf = (document: JobDocument): Question => ({
  ...{ document, records },
  units: practices[document.practice].units,
})
const longer = (document: JobDocument, length_m: number) =>
  applyEdits(document, [
    {
      path: ['gas', 'segments', 0, 'length_m'],
      value: { value: length_m, basis: 'measured', from: 'a tape' },
    },
  ])

/** Workers that were started, and what each was asked. */
let workers: (WorkerHere & { readonly asked: Asked[] })[]
class Listening extends WorkerHere {
  readonly asked: Asked[] = []
  constructor() {
    super()
    workers.push(this)
  }
  override postMessage(asked: Asked) {
    this.asked.push(asked)
    super.postMessage(asked)
  }
}
const begun = () => solving(() => new Listening() as unknown as Worker)
beforeEach(() => (workers = []))

const askAll = (asking: ReturnType<typeof begun>, question: Question) =>
  new Promise<Heard>((hear) => asking.ask(question, hear))
async function ask(asking: ReturnType<typeof begun>, question: Question): Promise<JobAnswer> {
  const heard = await askAll(asking, question)
  if ('failed' in heard) throw heard.failed
  return heard
}
/** A copy without functions, arithmetic written out, as two answers are compared by. */
const plain = (solution: object): object =>
  Object.fromEntries(
    Object.entries(solution).map(([id, part]: [string, unknown]) =>
      typeof part === 'object' && part !== null && 'workings' in part
        ? [id, { ...part, workings: (part.workings as () => unknown)() }]
        : [id, part],
    ),
  )

test.each(jobs)('%s comes over as it is solved here', async (_, document) => {
  const question = questionOf(document)
  const { of, solution, judgement, inWords } = await ask(begun(), question)
  expect(of).toBe(question)
  expect(solution.document).toBe(document)
  const here = solve(document)
  expect(plain(solution)).toEqual(plain(here))
  const judged = judge(here, records)
  expect(judgement).toEqual(judged)
  expect(inWords).toEqual(jobInWords(here, judged, showIn(question.units)))
})

test('it says what day it is at the site, whatever day it is here', async () => {
  const timers = [
    'setTimeout',
    'clearTimeout',
    'setImmediate',
    'queueMicrotask',
    'nextTick',
  ] as const
  jest.useFakeTimers({ now: Date.UTC(2026, 5, 3, 20), doNotFake: [...timers] })
  const dayAt = async (timeZone: JobDocument['site']['timeZone']) => {
    const there = { ...weir, site: { ...weir.site, timeZone } }
    return (await ask(begun(), questionOf(there))).today
  }
  expect(await dayAt('Pacific/Auckland')).toBe('2026-06-04')
  expect(await dayAt('Europe/London')).toBe('2026-06-03')
  jest.setSystemTime(Date.UTC(2026, 5, 3, 5))
  expect(await dayAt('America/Vancouver')).toBe('2026-06-02')
  jest.useRealTimers()
})

test('after a change it says what another job with that change says, and keeps the rest', async () => {
  const asking = begun()
  const before = await ask(asking, questionOf(weir))
  const typed = longer(weir, 31)
  const after = await ask(asking, questionOf(typed))
  expect(plain(after.solution)).toEqual(plain((await ask(begun(), questionOf(typed))).solution))
  expect(after.solution.gas).not.toEqual(before.solution.gas)
  const kept = solvedSpecs.filter(({ id }) => after.solution[id] === before.solution[id])
  expect(kept.map(({ id }) => id)).toContain('vessel')
  expect(after.judgement.sheets.vessel).toBe(before.judgement.sheets.vessel)
})

test('only what changed is told and handed over', async () => {
  const asking = begun()
  const question = questionOf(weir)
  const before = await ask(asking, question)
  const again = { ...question, records: { ...records, frozen: 'A' } }
  const after = await ask(asking, again)
  expect(workers).toHaveLength(1)
  expect(workers[0]?.asked[1]).toEqual({ kind: 'solve', job: { n: 2, records: again.records } })
  expect(after.solution).toBe(before.solution)
  expect(after.inWords).toBe(before.inWords)
})

test('of questions that follow one another only the last is answered, and right', async () => {
  const asking = begun()
  const heard: Heard[] = []
  for (const length_m of [31, 32])
    asking.ask(questionOf(longer(weir, length_m)), (one) => heard.push(one))
  const typed = longer(weir, 33)
  const { solution } = await ask(asking, questionOf(typed))
  await new Promise((done) => setTimeout(done))
  expect(heard).toEqual([])
  expect(plain(solution)).toEqual(plain(solve(typed)))
})

test('a person reads it in their own units', async () => {
  const question = questionOf(weir)
  const units = { ...question.units, 'water-pressure': 'kPa' } as const
  const { inWords, solution } = await ask(begun(), { ...question, units })
  expect(JSON.stringify(inWords)).toContain('kPa')
  expect(solution.practice.units).toEqual(units)
})

test('a mistake of ours is told, and the next question begins anew', async () => {
  const asking = begun()
  const broken = { ...weir, heating: 7 } as unknown as JobDocument
  const heard = await askAll(asking, questionOf(broken))
  expect(heard).toMatchObject({ failed: expect.any(Error) as Error })
  const { solution } = await ask(asking, questionOf(weir))
  expect(plain(solution)).toEqual(plain(solve(weir)))
  expect(workers).toHaveLength(2)
  expect(workers[1]?.asked[0]).toMatchObject({ job: { document: weir, records } })
})

test('where it cannot be fetched that is said, and it is tried again', async () => {
  const asking = begun()
  asking.begin()
  for (const worker of workers) worker.postMessage = () => worker.onerror?.()
  const heard = await askAll(asking, questionOf(weir))
  expect('failed' in heard && heard.failed).toBeInstanceOf(NotFetched)
  await ask(asking, questionOf(weir))
  expect(workers).toHaveLength(2)
})

test('one that gives no answer is not waited for for ever, and the next is another one', async () => {
  jest.useFakeTimers({ doNotFake: ['queueMicrotask'] })
  const asking = begun()
  await ask(asking, questionOf(weir))
  for (const worker of workers) worker.postMessage = () => undefined
  const heard = askAll(asking, questionOf(longer(weir, 31)))
  jest.advanceTimersByTime(20_000)
  expect(await heard).toMatchObject({
    failed: { message: expect.stringContaining('no answer') as string },
  })
  jest.useRealTimers()
  const { solution } = await ask(asking, questionOf(longer(weir, 32)))
  expect(plain(solution)).toEqual(plain(solve(longer(weir, 32))))
})
