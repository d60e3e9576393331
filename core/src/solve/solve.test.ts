import { sheetIds } from './sheetIds'
import { sheetList } from './sheets'
import fc from 'fast-check'
import { findingIds } from './wording'
import { sources } from '../answer/sources'
import { word } from './wording'
import { writeOut } from '../answer/working'
import { gasTree } from '../sheets/gas/gasTree'
import { ladderOf, pressureLadder } from '../sheets/vessel/pressureLadder'
import { spread } from '../answer/drawing'
import { drawingSvg } from '../answer/svg'
import type { JobDocument } from '../job/document'
import type { Known } from '../job/known'
import { blankHeating } from '../job/pressureDocument'
import { blankAppliance, blankDocument, JobDocument as Schema } from '../job/document'
import { house, read } from './house.testing'
import { applyEdits, readDocument } from '../job/edits'
import { practiceNames } from '../practice/practiceNames'
import { practices } from '../practice/practices'
import { showIn } from '../units/format'
import { worst } from '../answer/sheet'
import { sizesBeside } from '../sheets/gas/sizesBeside'
import { solve } from './solve'

const guess = (value: number): Known => ({ value, basis: 'assumed', from: '' })

const vesselOf = (job: JobDocument) => {
  const { vessel } = solve(job)
  if (!vessel.applies) throw new Error(vessel.because)
  return vessel
}
const gasOf = (job: JobDocument) => {
  const { gas } = solve(job)
  if (!gas.applies) throw new Error(gas.because)
  return gas
}
const ids = (findings: readonly { id: string }[]) => findings.map((finding) => finding.id)

test.each(practiceNames)('%s: a house read in full gets a vessel and a gas pipe', (practice) => {
  const vessel = vesselOf(house(practice))
  const gas = gasOf(house(practice))
  expect(vessel.answer?.fitted_m3).toBeGreaterThan(0)
  expect(gas.answer?.index.appliance?.name).toBe('Boiler')
  expect(worst(gas.findings)).not.toBe('stop')
  expect(vessel.answer?.inputs.method).toBe(practice === 'north-america' ? 'handbook' : 'en12828')
  expect(vessel.answer?.other.method).toBe(practice === 'north-america' ? 'en12828' : 'handbook')
})
test('a blank job asks for things and never throws', () =>
  fc.assert(
    fc.property(fc.constantFrom(...practiceNames), fc.boolean(), (practice, heated) => {
      const job = blankDocument({ name: 'x', address: '', practice })
      if (heated) job.heating = blankHeating(null)
      const solution = solve(job)
      expect(solution.gas.applies && solution.gas.missing.length).toBeGreaterThan(0)
    }),
  ))
test('the vessel is sized on the limit, or on the flow temperature with a note that says why', () => {
  const job = house()
  const onFlow = applyEdits(job, [
    { path: ['survey', 'sizeOn'], value: { on: 'flow', because: 'the limit is a backstop' } },
  ])
  expect(vesselOf(job).answer?.inputs.maxTemp_K).toBe(358.15)
  expect(vesselOf(onFlow).answer?.inputs.maxTemp_K).toBe(348.15)
  expect(ids(vesselOf(onFlow).findings)).toContain('sized-on-flow-temperature')
})
test('a relief above the weakest part stops, and its remedy clears it', () => {
  const job = applyEdits(house(), [{ path: ['heating', 'reliefSetGauge_Pa'], value: read(4e5) }])
  const finding = vesselOf(job).findings.find((one) => one.id === 'relief-above-weakest')
  expect(finding?.severity).toBe('stop')
  expect(ids(vesselOf(applyEdits(job, finding?.remedy?.edits ?? [])).findings)).not.toContain(
    'relief-above-weakest',
  )
})
test('a vessel chosen too small stops, and its remedy clears it', () => {
  const job = applyEdits(house(), [{ path: ['heating', 'vesselSize_m3'], value: 0.008 }])
  const finding = vesselOf(job).findings.find((one) => one.id === 'vessel-too-small')
  expect(finding?.remedy?.label).toMatch(/take the/)
  expect(worst(vesselOf(applyEdits(job, finding?.remedy?.edits ?? [])).findings)).not.toBe('stop')
})
test('no room under the relief is said with both pressures and no size', () => {
  const sheet = vesselOf(
    applyEdits(house(), [{ path: ['survey', 'topEmitterHeight_m'], value: read(30) }]),
  )
  expect(sheet.answer).toBeUndefined()
  expect(ids(sheet.findings)).toEqual(['no-room-under-relief'])
})
test('North America: the real forecast past the final pressure says by how much', () => {
  const job = applyEdits(house('north-america'), [
    { path: ['heating', 'reliefSetGauge_Pa'], value: read(206842.7) },
  ])
  const sheet = vesselOf(job)
  const hot = sheet.answer?.forecast
  const over =
    hot?.outcome === 'settles' && hot.hotGauge_Pa > (sheet.answer?.need.finalGauge_Pa ?? 0) + 500
  expect(ids(sheet.findings).includes('forecast-eats-margin')).toBe(over)
})
test('the gas design starts from the working pressure; unread, from the practice’s, in pencil; never from static', () => {
  const unread = applyEdits(house(), [{ path: ['survey', 'gasWorkingGauge_Pa'], value: null }])
  expect(gasOf(house()).answer?.conditions.meterGauge_Pa).toBe(2050)
  expect(gasOf(unread).answer?.conditions.meterGauge_Pa).toBe(
    practices['uk-ireland'].gas.assumedWorking_Pa['natural-gas'],
  )
  expect(ids(gasOf(unread).findings)).toContain('gas-working-assumed')
})
test('net plates are counted gross', () => {
  const net = applyEdits(house(), [{ path: ['appliances', 0, 'inputSaid'], value: 'net' }])
  expect((gasOf(net).answer?.total_W ?? 0) / (gasOf(house()).answer?.total_W ?? 1)).toBeCloseTo(
    1.11,
    6,
  )
})
test('a pipe too small for the allowance stops; letting Hestian choose clears it', () => {
  const job = applyEdits(house(), [{ path: ['gas', 'segments', 0, 'size'], value: '10 mm' }])
  const finding = gasOf(job).findings.find((one) => one.id === 'gas-drop-over-allowance')
  expect(finding?.severity).toBe('stop')
  expect(worst(gasOf(applyEdits(job, finding?.remedy?.edits ?? [])).findings)).not.toBe('stop')
})
test('chosen sizes satisfy the table as well as the calculation', () =>
  expect(ids(gasOf(house()).findings)).not.toContain('gas-table-stricter'))
test('the sizes beside a pipe lose more when smaller, less when larger, and are held against the table too', () => {
  const answer = gasOf(house()).answer
  if (!answer) throw new Error('no answer')
  const rows = sizesBeside(answer, 'a')
  expect(rows.filter((row) => row.current).map((row) => row.size.name)).toEqual([
    answer.index.pipe.size.name,
  ])
  expect([...rows].map((row) => row.worst_Pa).sort((a, b) => b - a)).toEqual(
    rows.map((row) => row.worst_Pa),
  )
  expect(rows.find((row) => row.current)).toMatchObject({ worst_Pa: answer.index.dropTo_Pa })
  expect(rows[0]?.tableRefuses_m3_s !== undefined || (rows[0]?.over_Pa ?? 0) > 0).toBe(true)
  expect(sizesBeside(answer, 'nothing')).toEqual([])
})
test('an appliance that no pipe reaches stops', () => {
  const job = house()
  job.appliances.push({
    ...blankAppliance({ id: 'hob', name: 'Hob', kind: 'cooktop' }),
    input_W: read(9000),
  })
  expect(ids(gasOf(job).findings)).toContain('gas-appliance-unfed')
})
test('a job without a heating circuit has no vessel sheet and starts its heater', () => {
  const job = applyEdits(house(), [
    { path: ['heating'], value: null },
    { path: ['appliances', 0, 'kind'], value: 'storage-heater' },
  ])
  const solution = solve(job)
  expect(solution.vessel.applies).toBe(false)
  const [first] = solution.sequences.list
  expect(first?.steps.length).toBeGreaterThanOrEqual(10)
  expect(first?.steps.map(({ id }) => id)).toContain('gas-heater.boiler.isolate')
})
test('what is rated below the test is disconnected and capped, what is not known too, the rest is shut', () => {
  const job = applyEdits(house('north-america'), [
    { path: ['appliances', 0, 'maxTestGauge_Pa'], value: read(3500) },
    { path: ['gas', 'meterMaxTestGauge_Pa'], value: null },
  ])
  const preparations = (of: JobDocument) => {
    const { tightness } = solve(of)
    const tests = tightness.applies ? tightness.answer?.tests : undefined
    return tests?.find(({ id }) => id === 'tightness')?.preparations ?? []
  }
  expect(preparations(job).map((one) => [one.id, one.action, one.because])).toEqual([
    ['meter', 'disconnect-and-cap', 'limit-unknown'],
    ['boiler', 'disconnect-and-cap', 'limit-below-test'],
  ])
  const british = preparations(house())
  expect(british.map((one) => one.action)).toEqual(british.map(() => 'shut'))
  expect(british.length).toBeGreaterThan(1)
})
test('solving is pure: the same document, the same answer, and the document untouched', () => {
  const job = house()
  const before = JSON.stringify(job)
  expect(vesselOf(job).answer?.need).toEqual(vesselOf(job).answer?.need)
  expect(JSON.stringify(job)).toBe(before)
})

test('every working shows its figures in the job’s units and ends in its result', () => {
  for (const practice of practiceNames) {
    const show = showIn(practices[practice].units)
    for (const working of [
      ...vesselOf(house(practice)).workings(),
      ...gasOf(house(practice)).workings(),
    ]) {
      const { put, result } = writeOut(working, show)
      expect(put).not.toMatch(/\{|NaN|undefined/)
      // The shipped fonts hold Latin letters: a Greek one would print as an empty box.
      expect(`${working.title} ${working.formula} ${put}`).not.toMatch(
        /[^\u0020-\u00ff\u2009-\u2026\u2212]/,
      )
      expect(result).toMatch(/\d/)
      expect(working.source.says.length).toBeGreaterThan(5)
    }
  }
})
test('every finding has a sentence in every practice', () => {
  for (const id of findingIds)
    for (const practice of practiceNames) {
      const { head, why } = word(
        {
          id,
          severity: 'note',
          place: '',
          source: sources.trade,
          names: ['The first part', 'the second part', 'the third part'],
        },
        practices[practice],
        showIn(practices[practice].units),
      )
      expect(head).toMatch(/[.]$/)
      expect(why.length).toBeGreaterThan(10)
    }
})

test('the ladder climbs in order, gaps name what they need, and a wrong charge stands out', () => {
  const answer = vesselOf(house()).answer
  if (!answer) throw new Error('no answer')
  const { rungs, bays } = ladderOf(answer, practices['uk-ireland'], 1.5e5)
  expect(rungs.map((rung) => rung.gauge_Pa)).toEqual(
    [...rungs.map((rung) => rung.gauge_Pa)].sort((a, b) => a - b),
  )
  expect(rungs.find((rung) => rung.id === 'delivered')?.outOfOrder).toBe(true)
  expect(bays.every((bay) => bay.verdict === 'pass')).toBe(true)
  const svg = drawingSvg(
    pressureLadder(
      answer,
      practices['uk-ireland'],
      showIn(practices['uk-ireland'].units),
      { width: 360, height: 360 },
      1.5e5,
    ),
  )
  expect(svg).toContain('hot maximum')
  expect(svg).not.toMatch(/NaN|undefined/)
})
test('the gas drawing holds every pipe once, and nothing that is not a number', () => {
  const answer = gasOf(house()).answer
  if (!answer) throw new Error('no answer')
  const drawing = gasTree(answer, showIn(practices['uk-ireland'].units), 800, 'a')
  expect(drawing.shapes.filter((shape) => shape.kind === 'pick')).toHaveLength(1)
  expect(drawingSvg(drawing)).not.toMatch(/NaN|undefined/)
})
test('labels are spread apart inside their limits', () =>
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 20, max: 300, noNaN: true }), { maxLength: 8 }),
      (wanted) => {
        const placed = [...spread(wanted, 22, 10, 360)].sort((a, b) => a - b)
        placed.slice(1).forEach((value, i) => expect(value - (placed[i] ?? 0)).toBeGreaterThan(20))
        placed.forEach((value) => {
          expect(value).toBeGreaterThanOrEqual(9.9)
          expect(value).toBeLessThanOrEqual(360.1)
        })
      },
    ),
  ))

test('a document survives JSON unchanged', () =>
  fc.assert(
    fc.property(
      fc.record({
        height: fc.oneof(fc.constant(0), fc.double({ min: 0.001, max: 50, noNaN: true })),
        name: fc
          .string({ minLength: 1, maxLength: 60 })
          .filter((text) => text.trim() === text && text !== ''),
        practice: fc.constantFrom(...practiceNames),
      }),
      ({ height, name, practice }) => {
        const job = { ...house(practice), site: { ...house().site, name } }
        job.survey.topEmitterHeight_m = guess(height)
        const back = readDocument(JSON.parse(JSON.stringify(job)))
        expect(back.ok && back.document).toEqual(job)
      },
    ),
  ))
test.each([
  [null],
  [[]],
  ['text'],
  [{}],
  [{ version: 99 }],
  [
    {
      ...house(),
      survey: { ...house().survey, maxFlowTemp_K: { value: -300, basis: 'read', from: '' } },
    },
  ],
])('what is not a document is refused with a sentence', (raw) => {
  const result = readDocument(raw)
  expect(result.ok).toBe(false)
  expect('says' in result && result.says.length).toBeGreaterThan(5)
})
test('the schema says what a name is and what a temperature may be', () => {
  const result = Schema.safeParse({ ...house(), site: { ...house().site, name: ' ' } })
  expect(result.error?.issues[0]?.message).toBe('needs a name')
})

test('the sheets stand in the order of their names', () =>
  expect(sheetList.map(({ id }) => id)).toEqual([...sheetIds]))
