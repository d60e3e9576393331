import { kestrelWeir } from '../../../../demo/src/documents'
import type { JobDocument } from '../../job/document'
import type { JobRecord } from '../../job/records'
import { practices } from '../../practice/practices'
import type { PracticeName } from '../../practice/practiceNames'
import { showIn } from '../../units/format'
import { foundOf, judgeReadings, unanswered } from './judged'
import { runningKinds } from './kinds'
import type { Found, Given } from './spec'
import { atOf } from './spec'

const known = (value: number) => ({ value, basis: 'read' as const, from: 'plate' })
/** A boiler of 30 kW gross, from 17 to 25 mbar at its inlet. */
const house = (practice: PracticeName = 'uk-ireland'): JobDocument => {
  const job = kestrelWeir()
  return {
    ...job,
    practice,
    appliances: [
      {
        ...(job.appliances[0] as JobDocument['appliances'][number]),
        kind: 'boiler',
        input_W: known(30_000),
        inputSaid: 'gross',
        minInletGauge_Pa: known(1700),
        maxInletGauge_Pa: known(2500),
      },
    ],
  }
}
const found = (id: string, given: Given, document = house()): Found => {
  const kind = runningKinds.find((one) => one.id === id)
  if (!kind) throw new Error(`no kind ${id}`)
  const practice = practices[document.practice]
  const appliance = kind.at === 'once' ? undefined : document.appliances[0]
  const said = foundOf(kind, given, atOf(document, practice, appliance), showIn(practice.units))
  // Figures keep their unit beside them on a line.
  return JSON.parse(JSON.stringify(said).replace(/[\u00a0\u202f]/g, ' ')) as Found
}
const figure = ({ figures }: Found, label: string) =>
  figures.find((one) => one.label === label)?.told

describe('gas pressure with everything on', () => {
  const good = { static_Pa: 2300, working_Pa: 2020, meter_Pa: 2100 }
  test.each([
    [
      'the pipe takes less than is allowed',
      {},
      'passed',
      undefined,
      /0\.80 mbar of the 1\.00 mbar/,
    ],
    [
      'it takes more',
      { working_Pa: 1990 },
      'failed',
      'fix',
      /takes 1\.10 mbar; 1\.00 mbar is allow/,
    ],
    ['static above the plate hurts', { static_Pa: 2510 }, 'failed', 'stop', /the plate allows 25/],
    [
      'too little is left',
      { working_Pa: 1690, meter_Pa: 1750 },
      'failed',
      'fix',
      /the plate asks 17/,
    ],
    [
      'the meter gives too little',
      { working_Pa: 1820, meter_Pa: 1880 },
      'failed',
      'fix',
      /supplier/,
    ],
    ['working above static', { static_Pa: 2000 }, 'cannot-tell', undefined, /swapped/],
    ['more at the appliance', { meter_Pa: 2000 }, 'cannot-tell', undefined, /Read both again/],
  ])('%s', (_, change, outcome, severity, says) => {
    const said = found('gas-pressure', { ...good, ...change })
    expect(said).toMatchObject({ outcome, ...(severity ? { severity } : {}) })
    expect(said.says).toMatch(says)
  })
  test('a plate that nobody read is no pass', () => {
    const unread = house()
    const [boiler] = unread.appliances
    const job = { ...unread, appliances: [{ ...boiler, maxInletGauge_Pa: null }] } as JobDocument
    expect(found('gas-pressure', good, job).outcome).toBe('cannot-tell')
  })
  test('what it rises by at lock-up stands beside', () =>
    expect(figure(found('gas-pressure', good), 'Rises when nothing burns')).toBe('2.80 mbar'))
})

describe('burner pressure against the maker’s table', () => {
  const table = { maker_max_Pa: 1250, maker_min_Pa: 300, tolerance_Pa: 10 }
  test.each([
    ['both within', { max_Pa: 1255, min_Pa: 290 }, 'passed'],
    ['just the tolerance', { max_Pa: 1260, min_Pa: 300 }, 'passed'],
    ['past it at maximum', { max_Pa: 1261, min_Pa: 300 }, 'failed'],
    ['past it at minimum', { max_Pa: 1250, min_Pa: 289 }, 'failed'],
  ])('%s', (_, read, outcome) =>
    expect(found('burner-pressure', { ...table, ...read }).outcome).toBe(outcome),
  )
  test('a burner that does not modulate has no minimum', () =>
    expect(
      found('burner-pressure', { maker_max_Pa: 1250, max_Pa: 1250, tolerance_Pa: 10 }).outcome,
    ).toBe('passed'))
  test('without a tolerance there is no verdict', () =>
    expect(found('burner-pressure', { maker_max_Pa: 1250, max_Pa: 1250 }).says).toMatch(/Toleran/))
})

// Domain 3.11: 2 ft3 in 36 s at 1,030 Btu/ft3 is 206,000 Btu/h; UK kW = m3/h times 10.92 at 39.3 MJ/m3.
describe('gas rate by the meter', () => {
  test('2 ft³ in 36 s at 1,030 Btu/ft³ is 206,000 Btu/h', () => {
    const said = found(
      'gas-rate',
      { volume_m3: 2 * 0.028316846592, time_s: 36, heat_J_m3: 1030 * 37258.9458 },
      house('north-america'),
    )
    expect(figure(said, 'Input, gross')).toMatch(/^206(,000)?(\.0)? (k?Btu\/h|MBH)/)
  })
  test.each([
    [0.0916, 120, 'passed'],
    [0.0961, 120, 'passed'],
    [0.0963, 120, 'failed'],
    [0.087, 120, 'failed'],
  ])('%s m³ in %s s against 30 kW: %s', (volume_m3, time_s, outcome) =>
    expect(found('gas-rate', { volume_m3, time_s }).outcome).toBe(outcome),
  )
  test('pressure and warmth at the meter bring the volume to 15 °C', () => {
    const plain = found('gas-rate', { volume_m3: 0.0916, time_s: 120 })
    const cold = found('gas-rate', {
      volume_m3: 0.0916,
      time_s: 120,
      meter_Pa: 2000,
      temp_K: 278.15,
    })
    expect(figure(plain, 'Input, gross')).not.toBe(figure(cold, 'Input, gross'))
  })
  test('a volume of nothing cannot tell', () =>
    expect(found('gas-rate', { volume_m3: 0, time_s: 60 }).outcome).toBe('cannot-tell'))
})

describe('flue gas', () => {
  const good = { o2: 0.045, co: 60e-6 }
  test('4.5 % of oxygen goes with 9.2 % of CO2 and 26 % of excess air', () => {
    const said = found('combustion-high', { ...good, flue_K: 333.15, air_K: 293.15 })
    expect(said.outcome).toBe('passed')
    expect(figure(said, 'CO2')).toBe('9.2 %')
    expect(figure(said, 'CO over CO2')).toBe('0.0007')
    expect(figure(said, 'Excess air')).toMatch(/^2[4-6] %/)
    // Dry-gas balance of methane; the dew point of its flue gas is near 55 °C.
    expect(figure(said, 'Condenses below')).toMatch(/^5[4-6] °C/)
    expect(figure(said, 'Efficiency by dry flue loss, net')).toBe('98.0 %')
  })
  test.each([
    ['under the limit of commissioning', { o2: 0.045, co: 360e-6 }, 'passed', undefined],
    ['past it', { o2: 0.045, co: 372e-6 }, 'failed', 'fix'],
    ['past the limit of action', { o2: 0.045, co: 744e-6 }, 'failed', 'stop'],
    ['outside the maker’s band', { ...good, low_co2: 0.088, high_co2: 0.09 }, 'failed', 'fix'],
    ['inside it', { ...good, low_co2: 0.088, high_co2: 0.094 }, 'passed', undefined],
    [
      'oxygen and CO2 that do not belong together',
      { ...good, co2: 0.07 },
      'cannot-tell',
      undefined,
    ],
    ['both, belonging together', { ...good, co2: 0.092 }, 'passed', undefined],
    ['neither', { co: 60e-6 }, 'cannot-tell', undefined],
    ['air', { o2: 0.208, co: 0 }, 'cannot-tell', undefined],
    ['more CO2 than the gas can give', { co2: 0.125, co: 0 }, 'cannot-tell', undefined],
    [
      'flue gas colder than its air',
      { ...good, flue_K: 283, air_K: 293 },
      'cannot-tell',
      undefined,
    ],
  ])('%s', (_, given, outcome, severity) =>
    expect(found('combustion-high', given)).toMatchObject({
      outcome,
      ...(severity ? { severity } : {}),
    }),
  )
  test('in North America CO without excess air decides', () => {
    const us = house('north-america')
    expect(found('combustion-low', { o2: 0.05, co: 300e-6 }, us).outcome).toBe('passed')
    expect(found('combustion-low', { o2: 0.05, co: 310e-6 }, us)).toMatchObject({
      outcome: 'failed',
      severity: 'stop',
    })
  })
})

test('water: running under what is wanted is to put right, above static is swapped', () => {
  const given = { static_Pa: 3e5, running_Pa: 1.5e5, flow_m3_s: 2e-4 }
  expect(found('water-flow', given).outcome).toBe('passed')
  expect(found('water-flow', { ...given, running_Pa: 0.9e5 }).outcome).toBe('failed')
  expect(found('water-flow', { ...given, running_Pa: 3.1e5 }).outcome).toBe('cannot-tell')
})

describe('what was recorded', () => {
  const record = (id: string, values: Record<string, number>, target = ''): JobRecord => ({
    ...{ id, at: '2026-11-20T10:00:00Z', by: 'a' },
    body: {
      kind: 'measured',
      ...{ reading: 'water-flow', target, values, typed: {}, confirmed: [], instrument: 'bucket' },
    },
  })
  const water = (entries: JobRecord[]) =>
    judgeReadings(house(), practices['uk-ireland'], entries).find(
      ({ kind }) => kind.id === 'water-flow',
    )
  test('the last reading counts, earlier ones are counted', () => {
    const two = water([
      record('read-0001', { static_Pa: 3e5, running_Pa: 5e4, flow_m3_s: 1e-4 }),
      record('read-0002', { static_Pa: 3e5, running_Pa: 2e5, flow_m3_s: 1e-4 }),
    ])
    expect(two?.last?.found.outcome).toBe('passed')
    expect(two?.before).toBe(1)
  })
  test('every burner is asked for every kind, the outlet once', () => {
    const all = judgeReadings(house(), practices['uk-ireland'], [])
    expect(all.map(({ kind }) => kind.id)).toEqual(runningKinds.map(({ id }) => id))
  })
  test.each([
    ['nothing', {}],
    ['half of it', { static_Pa: 3e5 }],
    ['what cannot be', { static_Pa: -3e5, running_Pa: 1e5, flow_m3_s: 1 }],
    ['what is no number', { static_Pa: NaN, running_Pa: 1e5, flow_m3_s: 1e-4 }],
  ])('a record of %s cannot tell, and breaks nothing', (_, values) =>
    expect(water([record('read-0001', values)])?.last?.found.outcome).toBe('cannot-tell'),
  )
  test('each kind says what is not answered', () => {
    for (const kind of runningKinds)
      expect(unanswered(kind, {})).toHaveLength(kind.asks.filter((ask) => !ask.optional).length)
  })
})
