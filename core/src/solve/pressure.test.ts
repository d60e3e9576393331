import fc from 'fast-check'
import type { Finding } from '../answer/finding'
import { drawingSvg } from '../answer/svg'
import { cycleTraceDrawing } from '../sheets/heat/cycleTrace'
import { dischargeElevation } from '../sheets/relief/dischargeElevation'
import { ladderOf, pressureLadder } from '../sheets/vessel/pressureLadder'
import { pressureTemperature } from '../sheets/vessel/pressureTemperature'
import { pumpCurveDrawing } from '../sheets/circuit/pumpCurve'
import { storeLadder, storeLadderOf } from '../sheets/safety/storeLadder'
import type { JobDocument } from '../job/document'
import { blankAppliance } from '../job/document'
import { applyEdits, readDocument } from '../job/edits'
import { blankHotWater } from '../job/hotWaterDocument'
import { blankRelief, blankSafety } from '../job/pressureDocument'
import { heatingCycle } from '../methods/plant/heatingCycle'
import { practices } from '../practice/practices'
import type { PracticeName } from '../practice/practiceNames'
import { usualInlet } from '../methods/inlet-group/inletGroup'
import { showIn } from '../units/format'
import type { CircuitAnswer } from '../sheets/circuit/answer'
import { house, read } from './house.testing'
import { asDesigned, cycleOf, pressureView } from '../sheets/vessel/pressureModel'
import type { ReliefsAnswer } from '../sheets/relief/answer'
import type { SafetyAnswer } from '../sheets/safety/answer'
import type { VesselAnswer } from '../sheets/vessel/answer'
import { answerOf } from '../answer/sheet'
import { solve } from './solve'

const ids = (findings: readonly Finding[]) => findings.map((finding) => finding.id)
const found = (job: JobDocument, sheet: 'circuit' | 'vessel' | 'safety' | 'relief') => {
  const one = solve(job)[sheet]
  return one.applies ? ids(one.findings) : []
}
interface Answers {
  readonly circuit: CircuitAnswer
  readonly vessel: VesselAnswer
  readonly safety: SafetyAnswer
  readonly relief: ReliefsAnswer
}
function answer<K extends keyof Answers>(job: JobDocument, sheet: K): Answers[K] {
  const got: unknown = answerOf<unknown>(solve(job)[sheet])
  if (!got) throw new Error(`no answer on ${sheet}`)
  return got as Answers[K]
}
const heated = (
  change: Partial<NonNullable<JobDocument['heating']>>,
  practice: PracticeName = 'uk-ireland',
) => {
  const job = house(practice)
  if (job.heating) job.heating = { ...job.heating, ...change }
  return job
}
const pipe = (id: string, change: object = {}) => ({
  id,
  name: id,
  material: 'copper-en1057' as const,
  size: null,
  length_m: read(20),
  run_m: null,
  bends: 4,
  zoneId: null,
  carries: 'all' as const,
  ...change,
})

describe('heating circuit', () => {
  const job = () =>
    heated({
      zones: [
        {
          id: 'all',
          name: 'House',
          heatZoneId: null,
          load_W: read(12000),
          difference_K: null,
          alone: false,
        },
        {
          id: 'small',
          name: 'Annexe',
          heatZoneId: null,
          load_W: read(3000),
          difference_K: null,
          alone: false,
        },
      ],
      pipes: [
        pipe('mains'),
        pipe('to-all', { zoneId: 'all' }),
        pipe('to-small', { zoneId: 'small' }),
      ],
    })
  test('flows add up where all run together, and the worst way is the index', () => {
    const { zones, flow_m3_s, index } = answer(job(), 'circuit')
    expect(zones.reduce((sum, zone) => sum + zone.flow_m3_s, 0)).toBeCloseTo(flow_m3_s, 12)
    expect(index.loss_Pa).toBe(Math.max(...zones.map((zone) => zone.loss_Pa)))
    expect(index.surplus_Pa).toBe(0)
  })
  test('a zone fed alone counts by itself', () => {
    const alone = applyEdits(job(), [{ path: ['heating', 'zones', 1, 'alone'], value: true }])
    expect(answer(alone, 'circuit').flow_m3_s).toBeLessThan(answer(job(), 'circuit').flow_m3_s)
  })
  test('more heat never asks for less pump', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 2000, max: 30000, noNaN: true }),
        fc.double({ min: 1, max: 2, noNaN: true }),
        (load, k) => {
          const loss = (watts: number) =>
            answer(
              heated({
                zones: [
                  {
                    id: 'all',
                    name: 'House',
                    heatZoneId: null,
                    load_W: read(watts),
                    difference_K: null,
                    alone: false,
                  },
                ],
                pipes: [pipe('mains', { size: '22 mm' })],
              }),
              'circuit',
            ).index.loss_Pa
          expect(loss(load * k)).toBeGreaterThanOrEqual(loss(load))
        },
      ),
      { numRuns: 25 },
    ))
  test('a pipe that is too small says so and offers the size that does', () => {
    const small = applyEdits(job(), [{ path: ['heating', 'pipes', 0, 'size'], value: '15 mm' }])
    const { circuit } = solve(small)
    const finding = circuit.applies
      ? circuit.findings.find((one) => one.id === 'pipe-too-fast')
      : undefined
    expect(finding?.remedy?.label).toMatch(/^use (22|28) mm$/)
    expect(found(applyEdits(small, finding?.remedy?.edits ?? []), 'circuit')).not.toContain(
      'pipe-too-fast',
    )
  })
  test('heat that nobody gave is missing, not nought', () => {
    const { circuit } = solve(
      applyEdits(job(), [{ path: ['heating', 'zones', 0, 'load_W'], value: null }]),
    )
    expect(circuit.applies && circuit.missing.map((gap) => gap.what)).toContain('Heat of House')
    expect(circuit.applies && circuit.answer).toBeUndefined()
  })
  test('a zone of the heat page lends its heat', () => {
    const linked = applyEdits(job(), [
      {
        path: ['heat', 'zones'],
        value: [{ id: 'z', name: 'House', heat: { by: 'typed', load_W: read(9000) } }],
      },
      { path: ['heating', 'zones', 0, 'load_W'], value: null },
      { path: ['heating', 'zones', 0, 'heatZoneId'], value: 'z' },
    ])
    expect(answer(linked, 'circuit').zones[0]?.load_W).toBe(9000)
  })
  test('glycol: more flow, more water to expand, and a frost that is checked', () => {
    const cold = applyEdits(job(), [
      {
        path: ['heating', 'fluid'],
        value: { kind: 'propylene-glycol', massFraction: read(0.2), coldestTemp_K: read(258.15) },
      },
    ])
    expect(answer(cold, 'circuit').flow_m3_s).toBeGreaterThan(answer(job(), 'circuit').flow_m3_s)
    expect(answer(cold, 'vessel').need.expansion_m3).toBeGreaterThan(
      answer(job(), 'vessel').need.expansion_m3,
    )
    expect(found(cold, 'circuit')).toEqual(
      expect.arrayContaining(['glycol-freezes', 'glycol-figures']),
    )
    expect(
      found(
        applyEdits(cold, [{ path: ['heating', 'fluid', 'massFraction'], value: read(0.55) }]),
        'circuit',
      ),
    ).toContain('glycol-not-covered')
  })
  test('content by type is in pencil and carries its range', () => {
    const typed = answer(
      heated({
        emitters: [
          {
            id: 'rads',
            name: 'Radiators',
            zoneId: 'all',
            type: 'panel-double',
            count: 10,
            loadEach_W: null,
            waterEach_m3: null,
          },
        ],
      }),
      'circuit',
    ).content
    expect(typed.assumed_m3).toBeCloseTo(12000 * 3.6e-6, 9)
    expect(typed.between_m3[1] - typed.between_m3[0]).toBeCloseTo(0.5 * typed.assumed_m3, 9)
  })
  test('the boiler’s least flow is held against the smallest zone', () => {
    const starved = applyEdits(job(), [
      { path: ['heating', 'boilerLeastFlow_m3_s'], value: read(1e-4) },
    ])
    expect(found(starved, 'circuit')).toContain('boiler-least-flow')
    expect(
      found(
        applyEdits(starved, [
          {
            path: ['heating', 'parts'],
            value: [
              {
                id: 'h',
                name: 'Header',
                kind: 'low-loss-header',
                zoneId: null,
                drop_Pa: null,
                atFlow_m3_s: null,
                water_m3: null,
              },
            ],
          },
        ]),
        'circuit',
      ),
    ).not.toContain('boiler-least-flow')
  })
})

describe('heating vessel', () => {
  test.each([
    ['between', 'plain-valve', 'vessel-can-be-shut'],
    ['between', 'zone-valve', 'vessel-on-zone'],
    ['side', 'delivery', 'vessel-after-pump'],
    ['from', 'above', 'vessel-from-above'],
    ['carriedBy', 'pipe', 'vessel-hangs-on-pipe'],
  ])('%s %s is found', (key, value, id) =>
    expect(
      found(applyEdits(house(), [{ path: ['heating', 'position', key], value }]), 'vessel'),
    ).toContain(id),
  )
  test('a vessel upstairs needs less charge, and the gauge below shows the water between', () => {
    const [low, high] = [
      answer(house(), 'vessel'),
      answer(heated({ vesselHeight_m: read(3) }), 'vessel'),
    ]
    expect(low.need.chargeGauge_Pa - high.need.chargeGauge_Pa).toBeCloseTo(3 * 9810, 6)
    expect(high.fillGauge_Pa - high.fillAtVesselGauge_Pa).toBeCloseTo(high.vesselHead_Pa, 9)
    expect(high.vesselHead_Pa / (999.7 * 9.80665 * 3)).toBeCloseTo(1, 3)
  })
  test('a relief below the vessel lifts sooner', () =>
    expect(
      answer(heated({ vesselHeight_m: read(3), reliefHeight_m: read(0) }), 'vessel').need
        .finalGauge_Pa,
    ).toBeLessThan(
      answer(heated({ vesselHeight_m: read(3), reliefHeight_m: read(3) }), 'vessel').need
        .finalGauge_Pa,
    ))
  test('charged on a cold day it is pumped up to less', () => {
    const cold = answer(heated({ dayTemp_K: read(278.15) }), 'vessel')
    expect(cold.pumpUp.gauge_Pa).toBeLessThan(cold.need.chargeGauge_Pa)
    expect(
      (cold.pumpUp.gauge_Pa + cold.inputs.atmosphere_Pa) /
        (cold.need.chargeGauge_Pa + cold.inputs.atmosphere_Pa),
    ).toBeCloseTo(278.15 / 293.15, 9)
  })
  test('several vessels share what is needed, each by its own charge', () => {
    const alone = answer(house(), 'vessel')
    const shared = answer(
      heated({
        furtherVessels: [
          {
            id: 'v',
            name: 'Old one',
            volume_m3: read(0.005),
            chargeGauge_Pa: read(alone.need.chargeGauge_Pa),
            maxWorkingGauge_Pa: read(6e5),
            position: null,
            maker: null,
          },
        ],
      }),
      'vessel',
    )
    expect(alone.need.neededNew_m3 - shared.need.neededNew_m3).toBeCloseTo(0.005, 9)
  })
  test('a charge under the head above it is stopped; set well, it is used', () => {
    expect(found(heated({ chargeGauge_Pa: read(2e4) }), 'vessel')).toContain('charge-below-head')
    expect(answer(heated({ chargeGauge_Pa: read(1e5) }), 'vessel').need.chargeGauge_Pa).toBe(1e5)
  })
  test('a diaphragm stretched past its maker’s limit is found', () =>
    expect(found(heated({ vesselAcceptance: read(0.1) }), 'vessel')).toContain(
      'vessel-over-acceptance',
    ))
  test('a vessel rated under the relief is stopped', () =>
    expect(found(heated({ vesselMaxWorkingGauge_Pa: read(2e5) }), 'vessel')).toContain(
      'relief-above-weakest',
    ))
  // Domain 3.3: 12 psi serves 18.5 ft, so a two-storey house needs nothing changed; 32 ft does.
  test('a preset 12 psi suits two storeys and not four', () => {
    const at = (height_m: number) =>
      found(
        applyEdits(house('north-america'), [
          { path: ['survey', 'topEmitterHeight_m'], value: read(height_m) },
        ]),
        'vessel',
      )
    expect(at(5.6)).toContain('preset-suits')
    expect(at(9.75)).toContain('feed-to-be-set')
  })
  test('near the boil is said', () => {
    const hot = applyEdits(house(), [
      { path: ['survey', 'highLimitTemp_K'], value: read(383.15) },
      { path: ['heating', 'chargeGauge_Pa'], value: read(6e4) },
    ])
    expect(answer(hot, 'vessel').vapourMargin_Pa ?? 0).toBeLessThan(
      answer(house(), 'vessel').vapourMargin_Pa ?? 0,
    )
  })
  test('the view of the design starts at its fill and the faults lie above it', () => {
    const vessel = answer(house(), 'vessel')
    const sound = pressureView(vessel, asDesigned)
    expect(sound.curve[0]?.gauge_Pa ?? 0).toBeCloseTo(vessel.fillAtVesselGauge_Pa, -1)
    expect(sound.reliefOpens_K).toBeUndefined()
    expect(pressureView(vessel, { ...asDesigned, chargeLost_Pa: 6e4 }).hotGauge_Pa).toBeGreaterThan(
      sound.hotGauge_Pa,
    )
    expect(pressureView(vessel, { ...asDesigned, isolated: true }).reliefOpens_K).toBeDefined()
    expect(heatingCycle(cycleOf(vessel, asDesigned, 4e5)).openings).toBe(0)
  })
})

function stored(
  practice: PracticeName = 'uk-ireland',
  safety: Partial<typeof blankSafety> = {},
): JobDocument {
  const job = house(practice)
  job.appliances = [
    ...job.appliances,
    {
      ...blankAppliance({ id: 'store', name: 'Cylinder', kind: 'indirect-cylinder' }),
      water_m3: read(0.125),
      maxWorkingGauge_Pa: read(6e5),
    },
  ]
  job.hotWater = {
    ...blankHotWater,
    storeTemp_K: read(333.15),
    safety: {
      ...blankSafety,
      reducingGauge_Pa: read(3e5),
      expansionReliefGauge_Pa: read(6e5 * 0.9),
      temperatureReliefGauge_Pa: read(6e5),
      temperatureReliefTemp_K: read(363.15),
      inlet: usualInlet.map((kind, i) => ({ id: `${i}`, kind, reversed: false, maker: null })),
      cutOut: 'by-hand',
      cutOutTemp_K: read(355.15),
      immersion: 'none',
      balancedCold: 'after-reducing',
      ...safety,
    },
  }
  job.survey.looked.mainCheckValve = { answer: 'yes', basis: 'measured', from: 'Seen' }
  return job
}

describe('hot water safety', () => {
  // Domain 3.4: 125 L from 10 to 60 °C, 3.0 to 5.4 bar wants 5.6 L; 5.4 is nine tenths of 6.
  test('125 L from 3.0 to 5.4 bar wants 5.6 L', () => {
    const job = stored('uk-ireland', {
      expansionReliefGauge_Pa: read(6e5),
      temperatureReliefGauge_Pa: read(7e5),
    })
    job.appliances = job.appliances.map((one) =>
      one.id === 'store' ? { ...one, maxWorkingGauge_Pa: read(8e5) } : one,
    )
    expect((answer(job, 'safety').needed_m3 ?? 0) * 1000).toBeCloseTo(5.6, 1)
  })
  test('sound, it has nothing but the word on who may work on it', () =>
    expect(found(stored(), 'safety')).toEqual(['unvented-ticket']))
  test.each<[string, Partial<typeof blankSafety>]>([
    ['relief-above-store', { temperatureReliefGauge_Pa: read(7e5) }],
    ['expansion-above-temperature', { expansionReliefGauge_Pa: read(6e5) }],
    ['temperature-relief-hot', { temperatureReliefTemp_K: read(378.15) }],
    ['store-reliefs-assumed', { temperatureReliefGauge_Pa: null }],
    ['cut-out-resets', { cutOut: 'resets-itself' }],
    ['cut-out-none', { cutOut: 'none' }],
    ['cut-out-hot', { cutOutTemp_K: read(370.15) }],
    ['immersion-no-cut-out', { immersion: 'no-cut-out' }],
    ['mixers-unbalanced', { balancedCold: 'before-reducing' }],
    ['potable-vessel-small', { vesselSize_m3: 0.001 }],
    ['potable-charge-off', { vesselChargeGauge_Pa: read(2e5) }],
    [
      'supply-leaves-no-room',
      { expansionReliefGauge_Pa: read(3.2e5), temperatureReliefGauge_Pa: read(3.3e5) },
    ],
    ['inlet-not-there', { inlet: [{ id: '0', kind: 'stop-valve', reversed: false, maker: null }] }],
    [
      'inlet-valve-between',
      {
        inlet: [...usualInlet.slice(0, -1), 'service-valve' as const, 'store' as const].map(
          (kind, i) => ({ id: `${i}`, kind, reversed: false, maker: null }),
        ),
      },
    ],
  ])('%s is found, and its remedy takes it away', (id, change) => {
    const job = stored('uk-ireland', change)
    const { safety } = solve(job)
    const finding = safety.applies ? safety.findings.find((one) => one.id === id) : undefined
    expect(finding).toBeDefined()
    if (finding?.remedy)
      expect(found(applyEdits(job, finding.remedy.edits), 'safety')).not.toContain(id)
  })
  test('an open system asks for no vessel', () => {
    const job = stored()
    for (const key of [
      'mainReducingValve',
      'mainCheckValve',
      'mainBackflowPreventer',
      'mainMeterCheck',
      'mainStreetCheck',
    ] as const)
      job.survey.looked[key] = { answer: 'no', basis: 'measured', from: 'Seen' }
    // A check valve of the store's own group shuts the way back, whatever the main has.
    expect(answer(job, 'safety').vesselWanted).toBe(true)
    const open = applyEdits(job, [
      {
        path: ['hotWater', 'safety', 'inlet'],
        value: [
          { id: 'stop', kind: 'stop-valve', reversed: false, maker: null },
          { id: 'in', kind: 'store', reversed: false, maker: null },
        ],
      },
    ])
    expect(answer(open, 'safety').vesselWanted).toBe(false)
  })
  test('a bigger vessel never lets the store get to a higher pressure', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...practices['uk-ireland'].vessel.sizes_m3),
        fc.constantFrom(...practices['uk-ireland'].vessel.sizes_m3),
        (a, b) => {
          const hot = (size: number) => {
            const { forecast } = answer(stored('uk-ireland', { vesselSize_m3: size }), 'safety')
            return forecast?.outcome === 'settles' ? forecast.hotGauge_Pa : Infinity
          }
          expect(hot(Math.max(a, b))).toBeLessThanOrEqual(hot(Math.min(a, b)) + 0.1)
        },
      ),
      { numRuns: 30 },
    ))
})

describe('relief', () => {
  const guarded = (change: object = {}) => ({
    ...stored(),
    reliefs: [
      {
        ...blankRelief({ id: 'r', name: 'Valve', guards: 'heating' as const }),
        outlet: 'G3/4' as const,
        capacity_W: read(50e3),
        ...change,
      },
    ],
  })
  test('missing valves are named', () => {
    const { relief } = solve(stored())
    expect(relief.applies && relief.missing.length).toBe(3)
  })
  test('a valve that carries too little is stopped, and the generic one offered carries it', () => {
    const job = guarded({ capacity_W: read(20e3) })
    const { relief } = solve(job)
    const finding = relief.applies
      ? relief.findings.find((one) => one.id === 'relief-capacity-short')
      : undefined
    expect(finding?.severity).toBe('stop')
    expect(found(applyEdits(job, finding?.remedy?.edits ?? []), 'relief')).not.toContain(
      'relief-capacity-short',
    )
  })
  test('two valves on one circuit carry together', () => {
    const one = guarded({ capacity_W: read(20e3) })
    expect(
      found(
        {
          ...one,
          reliefs: [...one.reliefs, { ...one.reliefs[0], id: 's', name: 'Second' } as never],
        },
        'relief',
      ),
    ).not.toContain('relief-capacity-short')
  })
  test.each([
    [{ lever: 'blocked' }, 'relief-lever-blocked'],
    [{ valveBetween: 'yes' }, 'relief-can-be-shut'],
    [{ guards: 'temperature', probe: 'elsewhere' }, 'relief-probe-cold'],
    [{ capacity_W: null }, 'relief-capacity-unknown'],
    [{}, 'discharge-none'],
  ])('%j gives %s', (change, id) => expect(found(guarded(change), 'relief')).toContain(id))
  test('a valve that takes another’s place is held against it on every point', () => {
    const job = {
      ...guarded({ replacesId: 'old' }),
      parts: [
        {
          id: 'old',
          name: 'Old valve',
          kind: 'relief-valve' as const,
          circuit: 'heating' as const,
          setGauge_Pa: read(2.5e5),
          openTemp_K: null,
          capacity_W: read(80e3),
          volume_m3: null,
          chargeGauge_Pa: null,
          stay: 'goes' as const,
          madeYear: null,
          maker: null,
          photos: [],
        },
      ],
    }
    const { relief } = solve(job)
    expect(
      relief.applies && relief.findings.find((one) => one.id === 'relief-not-like')?.names?.[2],
    ).toBe('set pressure and capacity')
  })
  test('which rating it is held against is the practice’s, and is said', () => {
    const by = (practice: PracticeName) =>
      answer(
        {
          ...guarded(),
          practice,
          appliances: guarded().appliances.map((one) =>
            one.id === 'boiler' ? { ...one, output_W: read(27000) } : one,
          ),
        },
        'relief',
      ).valves[0]
    expect(by('uk-ireland')).toMatchObject({ by: 'output', protects_W: 27000 })
    expect(by('north-america')).toMatchObject({ by: 'input', protects_W: 30000 })
  })
})

describe('drawings', () => {
  const holes = /NaN|undefined|Infinity/
  test.each(['uk-ireland', 'north-america', 'australia-new-zealand'] as const)(
    'of a whole job in %s hold every figure',
    (practice) => {
      const job = {
        ...stored(practice),
        reliefs: [
          {
            ...blankRelief({ id: 'r', name: 'Valve', guards: 'heating' as const }),
            size: 'DN20',
            discharge: {
              ...blankRelief({ id: '', name: '', guards: 'heating' }).discharge,
              pieces: [
                {
                  id: '1',
                  kind: 'pipe' as const,
                  material: 'pvc' as const,
                  size: '22 mm' as const,
                  length_m: null,
                  runs: 'up' as const,
                },
                { id: '2', kind: 'bend' as const },
                { id: '3', kind: 'tundish' as const, visible: null },
              ],
            },
          },
        ],
      }
      const [p, show] = [practices[practice], showIn(practices[practice].units)]
      const [vessel, safety, circuit, relief] = [
        answer(job, 'vessel'),
        answer(job, 'safety'),
        answer(job, 'circuit'),
        answer(job, 'relief'),
      ]
      const one = relief.valves[0]
      const size = { width: 500, height: 300 }
      for (const drawing of [
        pressureLadder(vessel, p, show, size),
        storeLadder(safety, p, show, size),
        pumpCurveDrawing(circuit, show, p.units, size),
        pressureTemperature(
          pressureView(vessel, { ...asDesigned, isolated: true }),
          show,
          p.units,
          size,
        ),
        cycleTraceDrawing(
          heatingCycle(cycleOf(vessel, { ...asDesigned, waterloggedRatio: 0.9 }, 4e5)),
          3e5,
          show,
          p.units,
          size,
        ),
        dischargeElevation(
          job.reliefs[0]?.discharge as never,
          one?.discharge?.faults ?? [],
          show,
          size,
        ),
      ]) {
        expect(drawingSvg(drawing)).not.toMatch(holes)
        expect(drawing.title).not.toMatch(holes)
      }
    },
  )
  test('both ladders climb in order', () => {
    for (const { rungs } of [
      ladderOf(answer(stored(), 'vessel'), practices['uk-ireland']),
      storeLadderOf(answer(stored(), 'safety'), practices['uk-ireland']),
    ])
      expect(rungs.map((rung) => rung.gauge_Pa)).toEqual(
        rungs.map((rung) => rung.gauge_Pa).sort((a, b) => a - b),
      )
  })
  test('only settings may be moved on a ladder', () =>
    expect(
      ladderOf(answer(stored(), 'vessel'), practices['uk-ireland'])
        .rungs.filter((rung) => rung.slide)
        .map((rung) => rung.id)
        .sort(),
    ).toEqual(['charge', 'cold-fill', 'relief']))
})

test('a document of version 2 comes forward with its zones, and nothing of it is lost', () => {
  const old = {
    ...structuredClone(house()),
    version: 2,
    hotWater: {
      outlets: [],
      scenario: [],
      storeTemp_K: null,
      wantedGauge_Pa: null,
      loopLoss_W: null,
    },
    heating: {
      boilerId: 'boiler',
      emitters: [
        { id: 'a', name: 'A', zone: 'Up', count: 2, waterEach_m3: null },
        { id: 'b', name: 'B', zone: ' Up ', count: 1, waterEach_m3: null },
        { id: 'c', name: 'C', zone: '', count: 1, waterEach_m3: null },
      ],
      pipes: [{ id: 'p', name: 'P', material: 'copper-en1057', size: '22 mm', length_m: read(9) }],
      reliefSetGauge_Pa: read(3e5),
      weakParts: [],
      vesselSize_m3: 0.018,
      deliveredChargeGauge_Pa: null,
      fillGauge_Pa: null,
    },
  } as Record<string, unknown>
  delete old.reliefs
  delete old.pan
  const result = readDocument(old)
  expect(result).toMatchObject({
    ok: true,
    document: {
      version: 9,
      reliefs: [],
      heating: {
        zones: [{ name: 'Up' }],
        vesselSize_m3: 0.018,
        emitters: [{ zoneId: 'zone-1' }, { zoneId: 'zone-1' }, { zoneId: null }],
        pipes: [{ size: '22 mm', run_m: null }],
      },
    },
  })
})
