import { applyEdits } from '../../job/edits'
import type { JobDocument } from '../../job/document'
import { blankGasEnd, blankGasSegment } from '../../job/gasDocument'
import type { GasSegment } from '../../job/gasDocument'
import { inchWater_Pa, psi_Pa } from '../../units/units'
import { house, read, twoPounds } from '../../solve/house.testing'
import { answerOf } from '../../answer/sheet'
import { solve } from '../../solve/solve'
import { lockUpShares } from './gasOn'
import { sizesBeside } from './sizesBeside'

const found = (job: JobDocument) => {
  const sheet = solve(job).gas
  return sheet.applies
    ? sheet.findings.filter((one) => one.severity !== 'note').map((one) => one.id)
    : []
}
const notes = (job: JobDocument) => {
  const sheet = solve(job).gas
  return sheet.applies ? sheet.findings.map((one) => one.id) : []
}
const answer = (job: JobDocument) => {
  const one = answerOf(solve(job).gas)
  if (!one) throw new Error('no answer')
  return one
}
const with0 = (job: JobDocument, key: keyof GasSegment, value: unknown) =>
  applyEdits(job, [{ path: ['gas', 'segments', 0, key], value }])

describe('two stages', () => {
  test('the drop of an appliance counts from its regulator, and the working pressure at the meter is the meter’s', () => {
    const solved = answer(twoPounds())
    expect(solved.supply.meterGauge_Pa).toBeCloseTo(2 * psi_Pa, 6)
    expect(solved.conditions.meterGauge_Pa).toBeCloseTo(8 * inchWater_Pa, 6)
    expect(solved.indexRun).toEqual([solved.index.id])
    expect(solved.pipes.find((one) => one.id === 'first')?.conditions.method).toBe('nfpa54-high')
    expect(found(twoPounds())).toEqual([])
    expect(notes(twoPounds())).toContain('gas-regulator-locks')
  })
  test('the workings show both equations and what is left over the regulator', () => {
    const sheet = solve(twoPounds()).gas
    const titles = sheet.applies
      ? sheet
          .workings()
          .map((one) => `${one.title} ${one.formula}`)
          .join('\n')
      : ''
    expect(titles).toMatch(/p1² − p2²/)
    expect(titles).toMatch(/drop = Cr/)
    expect(titles).toMatch(/Left over the regulator/)
  })
  test('a regulator that gets too little, or vents into the room, stops', () => {
    const job = twoPounds()
    const starved = applyEdits(job, [
      { path: ['survey', 'gasWorkingGauge_Pa'], value: read(9 * inchWater_Pa) },
      { path: ['gas', 'segments', 0, 'regulator', 'drop_Pa'], value: read(400) },
      { path: ['gas', 'segments', 0, 'size'], value: '1/2' },
    ])
    expect(found(starved)).toContain('gas-regulator-starved')
    expect(
      found(
        applyEdits(job, [{ path: ['gas', 'segments', 0, 'regulator', 'vent'], value: 'inside' }]),
      ),
    ).toContain('gas-regulator-vent')
  })
  test('one without its setting is waited for, not guessed', () => {
    const sheet = solve(
      applyEdits(twoPounds(), [
        { path: ['gas', 'segments', 0, 'regulator', 'outGauge_Pa'], value: null },
      ]),
    ).gas
    expect(sheet.applies && sheet.missing.map((gap) => gap.what)).toEqual([
      'What the regulator at the end of first is set to',
    ])
  })
  test('a smaller first pipe shows what it would leave the regulator', () => {
    const rows = sizesBeside(answer(twoPounds()), 'first')
    const own = rows.find((row) => row.current)
    const wider = rows.at(-1)
    expect(own?.over_Pa).toBeLessThanOrEqual(0)
    expect(wider?.worst_Pa).toBeLessThan(own?.worst_Pa ?? 0)
  })
  test('elsewhere than in North America two stages are called unusual', () =>
    expect(notes(twoPounds('uk-ireland'))).toContain('gas-stages-unusual'))
})

describe('what stands before an appliance', () => {
  const job = house('north-america')
  const end = (change: object) =>
    with0(job, 'end', {
      ...blankGasEnd,
      shutOff: 'yes',
      trap: 'yes',
      connector: 'rigid',
      ...change,
    })
  test('no shut-off stops, no trap is to fix where the practice asks for one', () => {
    expect(found(end({ shutOff: 'no' }))).toContain('gas-no-shut-off')
    expect(found(end({ trap: 'no' }))).toContain('gas-no-trap')
    expect(
      found(with0(house('uk-ireland'), 'end', { ...blankGasEnd, shutOff: 'yes', trap: 'no' })),
    ).not.toContain('gas-no-trap')
  })
  test('rigid where the ground shakes is to fix, flexible is not', () => {
    const shaking = (connector: string) =>
      applyEdits(end({ connector }), [
        {
          path: ['survey', 'looked', 'shakes'],
          value: { answer: 'yes', basis: 'measured', from: 'Seen' },
        },
      ])
    expect(found(shaking('rigid'))).toContain('gas-rigid-where-it-shakes')
    expect(found(shaking('flexible'))).not.toContain('gas-rigid-where-it-shakes')
  })
  test('the connector’s loss comes off what the appliance gets', () => {
    const lossy = answer(end({ connector: 'flexible', connectorDrop_Pa: read(40) }))
    expect(lossy.index.inletGauge_Pa).toBeCloseTo(lossy.index.farGauge_Pa - 40, 9)
    const starved = applyEdits(end({ connector: 'flexible', connectorDrop_Pa: read(1000) }), [])
    expect(found(starved)).toContain('gas-below-minimum')
  })
  test('over the allowance stops; with the maker’s own table on file it is to be measured, unless it starves', () => {
    const thin = applyEdits(job, [
      { path: ['gas', 'segments', 0, 'size'], value: '1/2' },
      { path: ['gas', 'segments', 0, 'length_m'], value: read(25) },
      { path: ['appliances', 0, 'minInletGauge_Pa'], value: read(1000) },
    ])
    expect(found(thin)).toContain('gas-drop-over-allowance')
    const paper = { hash: 'a'.repeat(64), type: 'application/pdf', name: 'table.pdf', bytes: 1000 }
    const tabled = applyEdits(thin, [
      { path: ['gas', 'segments', 0, 'end', 'makerTable'], value: paper },
    ])
    expect(found(tabled)).toContain('gas-maker-table')
    expect(found(tabled)).not.toContain('gas-drop-over-allowance')
    expect(
      found(
        applyEdits(tabled, [{ path: ['appliances', 0, 'minInletGauge_Pa'], value: read(2000) }]),
      ),
    ).toEqual(expect.arrayContaining(['gas-drop-over-allowance', 'gas-below-minimum']))
  })
  test('not bonded is to fix', () =>
    expect(found(applyEdits(job, [{ path: ['gas', 'bonded'], value: 'no' }]))).toContain(
      'gas-not-bonded',
    ))
})

describe('for how much the pipes are sized', () => {
  test('at height, with the inputs brought down, less flows; the note says which', () => {
    const high = applyEdits(house('north-america'), [
      { path: ['survey', 'elevation_m'], value: read(2200) },
    ])
    const derated = applyEdits(high, [{ path: ['gas', 'derated'], value: true }])
    expect(answer(derated).total_m3_s).toBeLessThan(answer(high).total_m3_s * 0.8)
    expect([notes(high).includes('gas-altitude'), notes(derated).includes('gas-derated')]).toEqual([
      true,
      true,
    ])
  })
  test('what is kept for later is carried now', () => {
    const kept = applyEdits(house(), [
      {
        path: ['gas', 'segments', 1],
        value: {
          ...blankGasSegment({
            id: 'later',
            name: 'Capped',
            from: 'meter',
            material: 'copper-en1057',
          }),
          length_m: read(3),
          reserve_W: read(10000),
        },
      },
    ])
    expect(answer(kept).total_W).toBeCloseTo(answer(house()).total_W + 10000, 6)
  })
  test('a declared share is named, and brings the load down', () => {
    const job = twoPounds()
    const shared = applyEdits(job, [
      { path: ['gas', 'diversity'], value: { ratio: read(0.7), rule: 'House rule' } },
    ])
    expect(answer(shared).total_W).toBeLessThan(answer(job).total_W)
    expect(notes(shared)).toContain('gas-diversified')
  })
  test.each(['nfpa54-low', 'darcy', 'renouard'] as const)(
    '%s may be chosen whatever the practice, and its working names its source',
    (method) => {
      const chosen = applyEdits(house('north-america'), [
        { path: ['gas', 'method'], value: method },
      ])
      const sheet = solve(chosen).gas
      expect(answer(chosen).conditions.method).toBe(method)
      expect(sheet.applies && sheet.workings()[1]?.source.says).toMatch(
        { 'nfpa54-low': /NFPA 54/, darcy: /Darcy/, renouard: /Renouard/ }[method],
      )
    },
  )
})

test('from lock-up to the meter’s outlet: 150 Pa, of which the meter 60 and the regulator the rest; more than all of it is not believed', () => {
  expect(lockUpShares(house())).toBeUndefined()
  expect(
    lockUpShares(applyEdits(house(), [{ path: ['gas', 'meterDrop_Pa'], value: read(60) }])),
  ).toEqual({ regulator_Pa: 90, meter_Pa: 60 })
  expect(
    lockUpShares(applyEdits(house(), [{ path: ['gas', 'meterDrop_Pa'], value: read(200) }])),
  ).toBeUndefined()
})

describe('speed of the gas', () => {
  /**
   * Two hundred kilowatts of propane for a great allowance: the drop alone would let a narrow pipe
   * pass.
   */
  const fast = (size: string | null) =>
    applyEdits(twoPounds(), [
      { path: ['appliances', 0, 'input_W'], value: read(200000) },
      { path: ['gas', 'segments', 0, 'size'], value: size },
      { path: ['survey', 'gasWorkingGauge_Pa'], value: read(5 * psi_Pa) },
    ])
  test('a pipe chosen by hand that runs too fast is to fix, and letting Hestian choose mends it', () => {
    const sheet = solve(fast('1/2')).gas
    const finding = sheet.applies
      ? sheet.findings.find((one) => one.id === 'gas-too-fast')
      : undefined
    expect(finding?.figures?.speed_m_s).toBeGreaterThan(20)
    expect(found(applyEdits(fast('1/2'), finding?.remedy?.edits ?? []))).not.toContain(
      'gas-too-fast',
    )
  })
  test('sizes left to Hestian keep the limit', () => {
    for (const pipe of answer(fast(null)).pipes)
      expect(pipe.velocity_m_s).toBeLessThanOrEqual(20 * 1.001)
  })
})
