import type { JobDocument } from '@hestian/core'
import {
  JobDocument as JobDocumentSchema,
  judge,
  solve,
  word,
  practices,
  showIn,
} from '@hestian/core'
import { demoJobs } from '../../demo/src/index'
import { nonFinite, whatBreaks } from '../hold/isTotal'
import { largestDocument } from '../hold/largestDocument'
import { mutateDocument, seeded } from '../hold/mutateDocument'

const files = Object.entries(demoJobs())
const mutants = 25

describe.each(files)('%s', (_, file) => {
  // The long form of this is a trial of `npm run hold`: 20 000 documents.
  test(`${mutants} mutated documents are solved, judged, worded, worked out and summed up`, () => {
    const random = seeded(20_261_127)
    for (let i = 0; i < mutants; i++)
      expect(whatBreaks(mutateDocument(file.document, random), file)).toBeUndefined()
  })
  test('as full as the schema allows it is still computed', () => {
    const largest = largestDocument(file.document)
    expect(largest.appliances).toHaveLength(50)
    expect(whatBreaks(largest, file)).toBeUndefined()
  })
})

const kestrel = demoJobs()['kestrel-weir']
const withSurvey = (survey: Partial<JobDocument['survey']>): JobDocument => {
  if (!kestrel) throw new Error('no demo job')
  return JobDocumentSchema.parse({
    ...kestrel.document,
    survey: { ...kestrel.document.survey, ...survey },
  })
}
const found = (document: JobDocument) =>
  solve(document).findings.map(({ id, severity, place }) => `${severity} ${id} ${place}`)

describe('ice', () => {
  const ice = withSurvey({ fillTemp_K: { value: 263.15, basis: 'measured', from: '' } })
  test('water filled at −10 °C without glycol is a stop that says so, and the rest is computed', () => {
    const solution = solve(ice)
    expect(found(ice)).toContain('stop water-freezes survey.fillTemp_K')
    expect(solution.gas.applies && solution.gas.answer).toBeTruthy()
    expect(judge(solution, { entries: [], samples: {} }).sheets.vessel.state).toBe('stop')
    const finding = solution.findings.find((one) => one.id === 'water-freezes')
    if (!finding) throw new Error('no finding')
    const practice = practices['uk-ireland']
    expect(word(finding, practice, showIn(practice.units)).head).toMatch(/−10.*it freezes at 0/)
  })
  test('one kelvin above it is none', () => {
    const water = withSurvey({ fillTemp_K: { value: 274.15, basis: 'measured', from: '' } })
    expect(found(water).filter((text) => text.includes('water-freezes'))).toEqual([])
  })
  test('with glycol it is none until its own freezing point', () => {
    const glycol = {
      ...ice,
      heating: ice.heating && {
        ...ice.heating,
        fluid: {
          kind: 'propylene-glycol' as const,
          massFraction: { value: 0.4, basis: 'measured' as const, from: '' },
          coldestTemp_K: null,
        },
      },
    }
    expect(found(glycol).filter((text) => text.includes('water-freezes'))).toEqual([])
    expect(nonFinite({ ...solve(glycol), practice: null })).toBeUndefined()
  })
})
