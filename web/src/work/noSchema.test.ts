import type { JobDocument, JobFile } from '@hestian/core'
import { practices } from '@hestian/core'
import { demoJobs } from '../../../demo/src/index'
import type * as Answering from './answers'
import type { Answered, Asked } from './asked'
import * as nothing from './noSchema'

/** What the worker answers; where `bare`, with nothing in the place of the schemas. */
function answered(asked: readonly Asked[], bare: boolean): readonly Answered[] {
  const heard: Answered[] = []
  jest.isolateModules(() => {
    if (bare) jest.doMock('zod', () => nothing)
    else jest.dontMock('zod')
    const { answers } = jest.requireActual<typeof Answering>('./answers')
    const answersTo = answers()
    for (const one of asked) answersTo(one, (message) => heard.push(message))
  })
  return heard
}

const files: readonly (readonly [string, JobFile])[] = Object.entries(demoJobs())

const questions = ({ document, records, samples }: JobFile): readonly Asked[] => {
  const { units } = practices[document.practice]
  const job = { n: 1, document, units, records: { entries: records, samples, frozen: null } }
  return [
    { kind: 'solve', job },
    { kind: 'leans', document, sheets: ['vessel'] },
    { kind: 'change', document, to: 'north-america' },
  ]
}

it.each(files)('solves %s the same where no schema stands', (_, file) => {
  const plain = (bare: boolean) => JSON.parse(JSON.stringify(answered(questions(file), bare)))
  const [with_, without] = [plain(false), plain(true)]
  expect(without).toEqual(with_)
  expect(with_[0].job.found.findings.length).toBeGreaterThan(0)
})

it('says so where something would be read by a schema after all', () => {
  const read = (document: unknown) =>
    (nothing.z as { parse: (of: unknown) => JobDocument }).parse(document)
  expect(() => read({})).toThrow('Nothing is read by a schema where a job is solved.')
})
