import fc from 'fast-check'
import { gasTree } from './gasTree'
import { drawingSvg } from '../../answer/svg'
import { waterTree } from '../water/waterTree'
import { word } from '../../solve/wording'
import { writeOut } from '../../answer/working'
import { materialsFor, materials } from '../../methods/materials/pipes'
import { JobDocument } from '../../job/document'
import { blankHotWater } from '../../job/hotWaterDocument'
import { practiceNames } from '../../practice/practiceNames'
import { practices } from '../../practice/practices'
import { showIn } from '../../units/format'
import { house, read } from '../../solve/house.testing'
import { judge } from '../../solve/judge'
import { answerOf } from '../../answer/sheet'
import { solve } from '../../solve/solve'
import { waterSizesBeside } from '../water/waterSizes'
import { sizesBeside } from './sizesBeside'
import { gasWithOn } from './gasOn'
import { realWater } from '../water/realWater'

const ids = ['a', 'b', 'c', 'd', 'e', 'f', 'g']
const length = fc.option(
  fc.constantFrom(0, 1e-3, 0.3, 4, 60, 1000).map((value) => read(value)),
  { nil: null },
)
const from = fc.constantFrom('meter', ...ids, 'nowhere')
const shared = (carried: 'gas' | 'water') => ({
  length_m: length,
  elbows: fc.nat(200),
  branchTees: fc.nat(9),
  from,
  material: fc.constantFrom(...materialsFor(carried)),
  sized: fc.nat(12),
  named: fc.constantFrom('catalogue', 'chosen', 'wrong'),
})
const sizeOf = ({
  material,
  sized,
  named,
}: {
  readonly material: keyof typeof materials
  readonly sized: number
  readonly named: string
}) =>
  named === 'chosen'
    ? null
    : named === 'wrong'
      ? '13.7 mm'
      : (materials[material].sizes[sized % materials[material].sizes.length]?.name ?? null)
const yesNo = fc.constantFrom('yes' as const, 'no' as const, null)

const gasRows = fc.array(
  fc.record({
    ...shared('gas'),
    applianceId: fc.constantFrom('boiler', 'range', 'gone', null),
    regulated: fc.constantFrom(null, 0, 900, 2000, 50000),
    vent: fc.constantFrom('outside' as const, 'limiter' as const, 'inside' as const, null),
    shutOff: yesNo,
    reserve: fc.constantFrom(null, 0, 15000),
  }),
  { maxLength: 7 },
)
const waterRows = fc.array(
  fc.record({
    ...shared('water'),
    rise: fc.constantFrom(null, -30, 0, 2, 40),
    part: fc.constantFrom(null, 0, 30000),
    partFlow: fc.constantFrom(null, 0, 3e-4),
    end: fc.constantFrom(
      { kind: 'heater' as const },
      { kind: 'make-up' as const },
      { kind: 'outlet' as const, outletId: 'shower', count: 2 },
      { kind: 'outlet' as const, outletId: 'gone', count: 1 },
      null,
    ),
  }),
  { maxLength: 7 },
)

/**
 * Rows put right enough to be computed: each leaves from an earlier one, has a length and a size
 * that is made, and what hangs on a pipe others leave from is taken off it.
 */
function tidied<
  R extends {
    readonly from: string
    readonly length_m: ReturnType<typeof read>
    readonly named: string
    readonly sized: number
  },
>(rows: readonly R[], takeOff: (row: R) => R): readonly R[] {
  const tidy = rows.map((row, i) => ({
    ...row,
    from: i === 0 ? 'meter' : (ids[row.sized % i] ?? 'meter'),
    length_m: row.length_m && row.length_m.value > 0 ? row.length_m : read(3),
    named: row.named === 'wrong' ? 'chosen' : row.named,
  }))
  return tidy.map((row, i) => (tidy.some((other) => other.from === ids[i]) ? takeOff(row) : row))
}

/**
 * A job with any two trees that a hand could leave behind: rings, orphans, nothing measured, sizes
 * nobody makes, loads anywhere.
 */
const anyJob = fc
  .record({
    tidy: fc.boolean(),
    practice: fc.constantFrom(...practiceNames),
    gas: gasRows,
    water: waterRows,
    working: fc.constantFrom(null, 0, 500, 2000, 14000, 500000),
    share: fc.constantFrom(null, 0, 0.4, 1),
    static_Pa: fc.constantFrom(null, 0, 1e5, 4e5),
    designBy: fc.constantFrom('units' as const, 'scenario' as const, 'all-open' as const, null),
    method: fc.constantFrom('nfpa54-low' as const, 'darcy' as const, 'renouard' as const, null),
    returns: fc.array(fc.record({ at: fc.constantFrom(...ids, 'nowhere'), length_m: length }), {
      maxLength: 3,
    }),
    heaterLeast: fc.constantFrom(null, 0, 1e-4),
    loopDrop: fc.constantFrom(null, 0, 5),
  })
  .map(({ tidy, ...any }): JobDocument => {
    const given = tidy
      ? {
          ...any,
          static_Pa: any.static_Pa ?? 3e5,
          gas: tidied(
            any.gas.map((row) => ({
              ...row,
              applianceId: row.applianceId === 'gone' ? ('boiler' as const) : row.applianceId,
              regulated: row.regulated === 0 ? null : row.regulated,
            })),
            (row) => ({ ...row, applianceId: null }),
          ),
          water: tidied(
            any.water.map((row) => ({
              ...row,
              end: row.end?.kind === 'outlet' ? { ...row.end, outletId: 'shower' } : row.end,
            })),
            (row) => ({ ...row, end: row.end?.kind === 'heater' ? row.end : null }),
          ),
        }
      : any
    const job = house(given.practice)
    const [boiler] = job.appliances
    return {
      ...job,
      survey: {
        ...job.survey,
        gasWorkingGauge_Pa: given.working === null ? null : read(given.working),
        coldMainStaticGauge_Pa: given.static_Pa === null ? null : read(given.static_Pa),
        mainPoints: [
          {
            id: 'm',
            name: 'Tap',
            gauge_Pa: read(1.5e5),
            by: 'flow-cup',
            container_m3: null,
            filled_s: null,
            flow_m3_s: read(3e-4),
          },
        ],
      },
      appliances: boiler
        ? [
            boiler,
            { ...boiler, id: 'range', name: 'Range', kind: 'cooktop', minInletGauge_Pa: null },
          ]
        : [],
      hotWater: {
        ...blankHotWater,
        outlets: [
          {
            id: 'shower',
            name: 'Shower',
            kind: 'shower',
            count: 2,
            flow_m3_s: null,
            temp_K: null,
            tempered: 'yes',
          },
        ],
        scenario: [{ id: 's', outletId: 'shower', open: 2, start_s: 0, duration_s: 60 }],
      },
      gas: {
        ...job.gas,
        method: given.method,
        diversity: given.share === null ? null : { ratio: read(given.share), rule: 'House rule' },
        segments: given.gas.map((row, i) => ({
          id: ids[i] ?? 'z',
          name: `Pipe ${i}`,
          from: row.from,
          length_m: row.length_m,
          elbows: row.elbows,
          branchTees: row.branchTees,
          material: row.material,
          size: sizeOf(row),
          applianceId: row.applianceId,
          laid: null,
          reserve_W: row.reserve === null ? null : read(row.reserve),
          end: {
            shutOff: row.shutOff,
            trap: row.shutOff,
            connector: null,
            connectorDrop_Pa: null,
            makerTable: null,
          },
          regulator:
            row.regulated === null
              ? null
              : {
                  outGauge_Pa: row.regulated === 0 ? null : read(row.regulated),
                  drop_Pa: null,
                  most_m3_s: null,
                  vent: row.vent,
                },
        })),
      },
      water: {
        ...job.water,
        designBy: given.designBy,
        heaterLeast_m3_s: given.heaterLeast === null ? null : read(given.heaterLeast),
        loop:
          given.returns.length === 0
            ? null
            : {
                returns: given.returns.map((one, i) => ({
                  id: `r${i}`,
                  name: `Return ${i}`,
                  at: one.at,
                  length_m: one.length_m,
                  material: 'copper-en1057',
                  size: null,
                })),
                lagging_m: null,
                airTemp_K: null,
                drop_K: given.loopDrop === null ? null : read(given.loopDrop),
              },
        segments: given.water.map((row, i) => ({
          id: ids[i] ?? 'z',
          name: `Pipe ${i}`,
          from: row.from,
          length_m: row.length_m,
          rise_m: row.rise === null ? null : read(row.rise),
          elbows: row.elbows,
          branchTees: row.branchTees,
          material: row.material,
          size: sizeOf(row),
          partDrop_Pa: row.part === null ? null : read(row.part),
          partFlow_m3_s: row.partFlow === null ? null : read(row.partFlow),
          end: row.end,
        })),
      },
    }
  })

test('whatever trees a hand leaves behind, the job is solved, judged, worded, drawn and worked out', () => {
  const computed = { gas: 0, water: 0 }
  fc.assert(
    fc.property(anyJob, (job) => {
      expect(JobDocument.safeParse(job).success).toBe(true)
      const solution = solve(job)
      const show = showIn(practices[job.practice].units)
      judge(solution, { entries: [], samples: {} })
      for (const finding of solution.findings) {
        const { head, why } = word(finding, solution.practice, show)
        expect(`${head} ${why}`).not.toMatch(/NaN|undefined|Infinity/)
      }
      for (const sheet of [solution.gas, solution.water])
        if (sheet.applies)
          for (const working of sheet.workings()) {
            const { put, result } = writeOut(working, show)
            expect(`${put} ${result}`).not.toMatch(/NaN|undefined/)
          }
      const [gas, water] = [answerOf(solution.gas), answerOf(solution.water)]
      if (gas) {
        computed.gas += 1
        expect(drawingSvg(gasTree(gas, show, 366, gas.index.id))).not.toMatch(/NaN|undefined/)
        for (const pipe of gas.pipes) sizesBeside(gas, pipe.id)
        expect(gasWithOn(gas, new Set()).pipes.every((pipe) => pipe.flow_m3_s === 0)).toBe(true)
      }
      if (water) {
        computed.water += 1
        expect(drawingSvg(waterTree(water, show, 820, water.index.id))).not.toMatch(/NaN|undefined/)
        for (const pipe of water.pipes) waterSizesBeside(water, practices[job.practice], pipe.id)
        const real = realWater(
          job,
          water,
          new Map(
            water.pipes.flatMap((pipe) => (pipe.end ? [[pipe.id, pipe.end.count] as const] : [])),
          ),
        )
        for (const given of real.given.values()) expect(given.flow_m3_s).toBeGreaterThanOrEqual(0)
      }
    }),
    { numRuns: 200 },
  )
  // A good part could be computed, so that something was tried.
  expect(computed.gas).toBeGreaterThan(30)
  expect(computed.water).toBeGreaterThan(30)
})
