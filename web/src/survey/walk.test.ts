import { blankAppliance, blankDocument, blankHeating, blankHotWater } from '@hestian/core'
import { isAnswered, walkOf } from './walk'

const blank = () => blankDocument({ name: 'House', address: '', practice: 'uk-ireland' })
const keys = (document: ReturnType<typeof blank>) => walkOf(document).map((stop) => stop.key)

test('the walk comes in from the street: connected, main, gas, place, services, and nothing is asked twice', () => {
  const walked = keys(blank())
  const order = [
    'supply-water',
    'mainStopValve',
    'coldMainStaticGauge_Pa',
    'main',
    'gasSmell',
    'gasWorkingGauge_Pa',
    'location',
    'airSource',
    'drain',
  ]
  expect(order.map((key) => walked.indexOf(key))).toEqual(
    [...order.map((key) => walked.indexOf(key))].sort((a, b) => a - b),
  )
  expect(Math.min(...order.map((key) => walked.indexOf(key)))).toBe(0)
  expect(new Set(walked).size).toBe(walked.length)
})

test('it asks only what the job has a use for', () => {
  const job = blank()
  expect(keys(job)).not.toContain('topEmitterHeight_m')
  expect(keys({ ...job, heating: blankHeating(null) })).toEqual(
    expect.arrayContaining(['topEmitterHeight_m', 'fillTemp_K']),
  )
  expect(keys({ ...job, hotWater: blankHotWater })).toContain('topOutletHeight_m')
  const cylinder = {
    ...job,
    appliances: [blankAppliance({ id: 'c', name: 'Cylinder', kind: 'indirect-cylinder' })],
  }
  expect(keys(cylinder)).not.toContain('gasSmell')
  expect(keys(cylinder)).toContain('plate-c-water_m3')
  expect(keys(job)).not.toContain('draught')
  const open = {
    ...job,
    survey: {
      ...job.survey,
      looked: {
        ...job.survey.looked,
        openFlued: { answer: 'yes' as const, basis: 'measured' as const, from: 'Seen' },
      },
    },
  }
  expect(keys(open)).toContain('draught')
})

test('an answer makes its question answered, and no other', () => {
  const job = blank()
  const answered = {
    ...job,
    survey: {
      ...job.survey,
      supplies: { ...job.survey.supplies, gas: { state: 'not-yet' as const, expected: null } },
    },
  }
  const change = walkOf(job).filter((stop) => isAnswered(stop, answered) !== isAnswered(stop, job))
  expect(change.map((stop) => stop.key)).toEqual(['supply-gas'])
})
