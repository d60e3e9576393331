import { sequenceJobs } from './sequenceJobs.testing'
import { walks } from './walk.testing'

const jobs = sequenceJobs()

describe('walks in any order that is allowed', () => {
  test.each([1, 2, 3, 4])(
    'seed %d: a hundred and fifty of them hurt nobody and forget nothing',
    (seed) => {
      const walked = walks(jobs, { count: 150, seed, actions: 400 })
      expect(walked.harmed).toEqual([])
      expect(walked.forgotten).toEqual([])
      expect(walked.finished).toBeGreaterThan(15)
    },
  )
  test.each([
    ['dry-start', 'dry start'],
    ['wire-live', 'a wire handled live'],
    ['link-stays', 'heated with the link on'],
    ['flame-unpurged', 'flame on a pipe full of air'],
  ])('without the guard of %s they come to harm', (without, harm) => {
    const walked = walks(jobs, { count: 400, seed: 1, actions: 400, without, until: harm })
    expect(walked.harmed.join('\n')).toContain(harm)
  })
})
