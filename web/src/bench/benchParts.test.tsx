/** @jest-environment jsdom */
import type { GasTest, JobDocument, JudgedGasTest, JudgedTest, RecordBody } from '@hestian/core'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { act, cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react'
import { house } from '../../../core/src/solve/house.testing'
import { Site } from '../../../core/src/solve/onSite.testing'
import { useStanding } from '../job/JobContext'
import { JobStand } from '../job/jobStand.testing'
import { button, choose, field, press, type } from '../ui/hands.testing'
import { AfterTest } from './AfterTest'
import { Prepare } from './Prepare'
import { RunningTest } from './RunningTest'
import { Soap } from './Soap'
import { TestVerdict } from './TestVerdict'

const gauge = {
  ...{ id: 'mano', name: 'Manometer one', streams: true, simulated: false, state: 'live' },
  ...{ resolution_Pa: 1, reads: [], values: {} },
}
let gauges: readonly object[]
let instruments: readonly object[]
let recorded: RecordBody[]
let acts: { readonly path: string; readonly body: object }[]
let isGranted: boolean
beforeEach(() => {
  ;[gauges, instruments, recorded, acts, isGranted] = [[gauge], [], [], [], true]
  sessionStorage.clear()
  localStorage.clear()
  globalThis.fetch = ((url: string) => {
    const answer = url.endsWith('/gauges') ? gauges : instruments
    const text = JSON.stringify(answer)
    return Promise.resolve({
      ...{ ok: true, status: 200, headers: new Headers(), text: () => Promise.resolve(text) },
    })
  }) as unknown as typeof fetch
  globalThis.AbortSignal.timeout ??= () => new AbortController().signal
})
afterEach(cleanup)

interface Stood {
  readonly test: JudgedTest | undefined
  readonly gasTest: JudgedGasTest | undefined
}
function Standing({ children }: { readonly children: (stood: Stood) => React.ReactNode }) {
  const { tests, gasTests } = useStanding().judgement
  return children({ test: tests.at(-1), gasTest: gasTests.find(({ id }) => id === 'tightness') })
}

/** Draws a part of the bench as a site stands; what is recorded is kept. */
async function open(
  site: Site,
  part: (stood: Stood) => React.ReactNode,
  { frozen = false } = {},
): Promise<void> {
  await act(async () => {
    render(
      <QueryClientProvider client={new QueryClient()}>
        <JobStand
          job={site.document}
          frozen={frozen}
          entries={[...site.records]}
          samples={site.samples}
          onRecord={(body) => recorded.push(body) > 0}
          onAct={(path, body) => acts.push({ path, body }) > 0 && isGranted}
        >
          <Standing>{part}</Standing>
        </JobStand>
      </QueryClientProvider>,
    )
    await Promise.resolve()
  })
}
const said = () => document.body.textContent.replace(/\s/g, ' ')
const nobody = () => undefined

/** A house whose one tightness test fell by so much. */
function tested(fall_Pa: number, job: JobDocument = house()): Site {
  const site = new Site(job)
  site.tightness(fall_Pa, 'tightness')
  return site
}
const verdict =
  (more: Partial<Parameters<typeof TestVerdict>[0]> = {}) =>
  ({ test, gasTest }: Stood) =>
    test && <TestVerdict {...{ test, gasTest, onAgain: nobody, next: undefined }} {...more} />
const testIdOf = (site: Site): string => site.judge().tests[0]?.testId ?? ''
const tightnessOf = (site: Site) => site.judge().gasTests.find(({ id }) => id === 'tightness')
const jointsOf = (site: Site): readonly string[] =>
  tightnessOf(site)?.register.flatMap(({ joints }) => joints.map(({ id }) => id)) ?? []

describe('the verdict on a test', () => {
  test('that held waits for the test point, and clears nothing before', async () => {
    await open(tested(0), verdict())
    expect(said()).toMatch(/The pipe is tight; last comes the test point\./)
    expect(said()).toMatch(/One step left/)
    expect(said()).toMatch(/It clears nothing yet\./)
    expect(said()).toMatch(/By the rule: passed/)
  })

  test('is told in what it lost, by both statements', async () => {
    await open(tested(1200), verdict())
    expect(said()).toMatch(/It lost 7\.\d+ mbar in 2 min\./)
    expect(said()).toMatch(/By the rule: failed/)
    expect(said()).toMatch(/By the figures: failed/)
    expect(said()).toMatch(/It clears nothing\./)
    expect(said()).not.toMatch(/tight as far/)
  })

  test('with the point dry is as far as the test can see', async () => {
    const site = tested(0)
    site.add({ kind: 'test-point', testId: testIdOf(site), soaped: 'dry' })
    await open(site, verdict())
    expect(said()).toMatch(/The pipe is tight as far as this test can see\./)
    expect(said()).not.toMatch(/clears nothing/)
    expect(said()).toMatch(/Screw back, soaped: dry\. lead/)
  })

  test('with a joint that bubbles is a leak, whatever the gauge says', async () => {
    const site = tested(0)
    const [first = ''] = jointsOf(site)
    site.add({
      ...{ kind: 'soaped', testId: testIdOf(site), joints: [first] },
      ...{ where: 'At the meter', result: 'bubbles' },
    })
    await open(site, verdict())
    expect(said()).toMatch(/It held, but a joint bubbles: that is a leak\./)
    expect(said()).toMatch(/It leaks/)
    expect(screen.queryByText(/Last: the test point/)).toBeNull()
    expect(field('Repaired: what was done').value).toMatch(/at the meter: $/)
  })

  test('of pipes that were changed since is no verdict on these', async () => {
    const site = tested(0)
    const [segment] = site.document.gas.segments
    if (!segment) throw new Error('no pipe')
    const longer = { ...segment, length_m: { ...segment.length_m, value: 11 } }
    const changed = { ...site.document, gas: { ...site.document.gas, segments: [longer] } }
    await open(Object.assign(Object.create(site), { document: changed }) as Site, verdict())
    expect(said()).toMatch(/changed since it passed: test them as they are now/)
    expect(said()).toMatch(/Test again/)
    expect(said()).toMatch(/It clears nothing yet/)
  })

  test('of pipes that were repaired since asks for it again, and names who mended what', async () => {
    const site = tested(0)
    site.add({ kind: 'repaired', testId: testIdOf(site), what: 'olive remade' })
    await open(site, verdict())
    expect(said()).toMatch(/repaired since it passed: test it again/)
    expect(said()).toMatch(/Repaired: olive remade \(lead,/)
  })

  test('of a test that the job no longer asks for says what it is, and no more', async () => {
    await open(tested(0), ({ test }) => verdict()({ test, gasTest: undefined }))
    expect(said()).toMatch(/The pipe is tight as far as this test can see/)
    expect(screen.queryByText(/Every joint, soaped/)).toBeNull()
  })

  test('with few readings cannot tell', async () => {
    const site = tested(0)
    site.samples = Object.fromEntries(
      Object.entries(site.samples).map(([id, all]) => [id, all.slice(0, 1)]),
    )
    await open(site, verdict())
    expect(said()).toMatch(/The test cannot tell\./)
    expect(said()).not.toMatch(/tight as far/)
  })
})

describe('after a test', () => {
  const after =
    (more: Partial<Parameters<typeof AfterTest>[0]> = {}) =>
    ({ test, gasTest }: Stood) =>
      test && <AfterTest {...{ test, gasTest, onAgain: nobody, next: undefined }} {...more} />

  test('that held the point is soaped, and what it showed is recorded', async () => {
    const site = tested(0)
    await open(site, after())
    press('Screw back, soaped: dry')
    expect(recorded).toEqual([{ kind: 'test-point', testId: testIdOf(site), soaped: 'dry' }])
    await waitFor(() => expect(said()).toMatch(/Screw back, soaped: dry\. lead/))
  })

  test('a point that bubbles is a leak: remade, mended, made safe', async () => {
    await open(tested(0), after())
    press('It bubbles')
    expect(said()).toMatch(/It bubbles\. Remake it, and soap it again under pressure/)
    expect(screen.getByRole('form', { name: 'Repair' })).toBeTruthy()
    expect(said()).toMatch(/Made safe/i)
    press('Screw back, soaped: dry')
    expect(recorded.map((body) => body.kind === 'test-point' && body.soaped)).toEqual([
      ...['bubbles', 'dry'],
    ])
  })

  test('that fell nothing is offered but to mend, until it is said what was mended', async () => {
    const site = tested(600)
    await open(site, after())
    expect(screen.queryByRole('button', { name: 'Test again' })).toBeNull()
    expect(screen.queryByText(/Last: the test point/)).toBeNull()
    expect(button(/^Record the repair/).disabled).toBe(true)
    type('Repaired: what was done', 'ok')
    expect(button(/say what was done/).disabled).toBe(true)
    type('Repaired: what was done', ' olive at joint 7 remade ')
    fireEvent.submit(screen.getByRole('form', { name: 'Repair' }))
    expect(acts).toEqual([
      {
        path: `/tests/${testIdOf(site)}/repair`,
        body: { what: 'olive at joint 7 remade' },
      },
    ])
    await act(() => Promise.resolve())
  })

  test.each([
    ['that the server refused stays typed, over a reload', false, 'olive remade'],
    ['that it took is typed no more', true, ''],
  ])('a repair %s', async (_, granted, left) => {
    isGranted = granted
    const site = tested(600)
    await open(site, after())
    type('Repaired: what was done', 'olive remade')
    fireEvent.submit(screen.getByRole('form', { name: 'Repair' }))
    await act(() => Promise.resolve())
    cleanup()
    await open(site, after())
    expect(field('Repaired: what was done').value).toBe(left)
  })

  test('that was mended the same is made again, before any other', async () => {
    const site = tested(600)
    site.add({ kind: 'repaired', testId: testIdOf(site), what: 'olive remade' })
    let again = 0
    const next = { name: 'Existing', onPress: nobody }
    await open(site, after({ onAgain: () => again++, next }))
    expect(screen.queryByRole('button', { name: /^Next/ })).toBeNull()
    press('Test again')
    expect(again).toBe(1)
  })

  test('that is done the next is one press away', async () => {
    const site = tested(0)
    site.add({ kind: 'test-point', testId: testIdOf(site), soaped: 'dry' })
    let begun = 0
    await open(site, after({ next: { name: 'Existing', onPress: () => begun++ } }))
    press('Next: Existing')
    expect(begun).toBe(1)
    expect(button('Test again')).toBeTruthy()
  })

  test('of a signed job nothing can be recorded, and the joints are still to be read', async () => {
    await open(tested(600), after(), { frozen: true })
    expect(screen.getByRole('list', { name: 'Joints' })).toBeTruthy()
    expect(screen.queryByRole('form')).toBeNull()
    expect(screen.queryByRole('button', { name: /^All dry/ })).toBeNull()
    press(/^Joint by joint/)
    expect(screen.queryByRole('button', { name: /^Dry/ })).toBeNull()
    expect(screen.queryByRole('form')).toBeNull()
  })
})

describe('joints soaped', () => {
  const soap = ({ gasTest }: Stood) => gasTest && <Soap gasTest={gasTest} />
  const name = 'Meter to boiler'
  const mark = () => screen.getByRole('list', { name: 'Joints' }).querySelector('svg')?.outerHTML

  test('are counted, and all that are open are said dry at once', async () => {
    const site = tested(0)
    const joints = jointsOf(site)
    await open(site, soap)
    expect(said()).toMatch(new RegExp(`0 of ${joints.length} since the test`))
    expect(said()).toMatch(new RegExp(`${joints.length} joints; 0 dry`))
    press(`All dry: ${name}`)
    expect(recorded).toEqual([
      {
        ...{ kind: 'soaped', testId: testIdOf(site), joints, result: 'dry' },
        where: `${name}, ${joints.length} joints`,
      },
    ])
    await waitFor(() => expect(said()).toMatch(new RegExp(`${joints.length} dry`)))
    expect(screen.queryByRole('button', { name: /^All dry/ })).toBeNull()
  })

  test('one by one, a bubble stays what it is when the rest are said dry', async () => {
    const site = tested(0)
    await open(site, soap)
    press(`Joint by joint: ${name}`)
    expect(mark()).not.toContain('--stop')
    press(`Bubbles: Bend 2, ${name}`)
    await waitFor(() => expect(mark()).toContain('--stop'))
    await waitFor(() => expect(said()).toMatch(/0 dry, 1 bubbles/))
    press(`Close: ${name}`)
    press(`All dry: ${name}`)
    const [, second] = recorded
    const left = jointsOf(site).filter((id) => !id.endsWith('.bend-2'))
    expect(second?.kind === 'soaped' && second.joints).toEqual(left)
    await waitFor(() => expect(said()).toMatch(new RegExp(`${left.length} dry, 1 bubbles`)))
  })

  test('what was soaped before the test began is not counted', async () => {
    const site = tested(0)
    site.add({
      ...{ kind: 'soaped', testId: testIdOf(site), joints: [...jointsOf(site)] },
      ...{ where: 'all', result: 'dry' },
    })
    site.tightness(0, 'tightness')
    await open(site, soap)
    expect(said()).toMatch(/0 of \d+ since the test/)
  })

  test('a joint is mended and soaped dry: the last word counts', async () => {
    const site = tested(0)
    await open(site, soap)
    press(`Joint by joint: ${name}`)
    press(`Bubbles: Bend 1, ${name}`)
    press(`Dry: Bend 1, ${name}`)
    await waitFor(() => expect(said()).toMatch(/; 1 dry/))
    expect(said()).not.toMatch(/bubbles;|1 bubbles/)
  })

  test('how they were made is recorded with the time they cure', async () => {
    jest.useFakeTimers({ now: Date.UTC(2026, 10, 20, 12), doNotFake: ['queueMicrotask'] })
    await open(tested(0), soap)
    press(`Joint by joint: ${name}`)
    expect(button('Record: say how').disabled).toBe(true)
    choose(/Made how/, 'Threaded')
    choose(/Made to last/, 'Comes off again')
    choose(/Cures from now/, '4 hours')
    fireEvent.submit(screen.getByRole('form', { name: 'How its joints were made' }))
    expect(recorded).toEqual([
      {
        ...{ kind: 'joints-made', pipe: 'a', how: 'threaded', lasts: 'temporary' },
        curesUntil_ms: Date.UTC(2026, 10, 20, 16),
      },
    ])
    expect(said()).toMatch(/joints, threaded, temporary; 0 dry; cures until/)
    jest.useRealTimers()
  })

  test('before any test there is nothing to soap for', async () => {
    await open(new Site(house()), soap)
    expect(screen.queryByRole('button', { name: /^All dry/ })).toBeNull()
    press(`Joint by joint: ${name}`)
    expect(screen.queryByRole('button', { name: /^Dry/ })).toBeNull()
    expect(screen.getByRole('form', { name: 'How its joints were made' })).toBeTruthy()
  })
})

describe('a test under way', () => {
  const running = ({ test }: Stood) => test && <RunningTest test={test} />
  /** A test streamed so far: seconds since it began, and how far it fell by then. */
  function streaming(seconds: number, fell: (at_s: number) => number, reading = 'streamed'): Site {
    const site = tested(0)
    const testId = testIdOf(site)
    const ends = site.records.findIndex(({ body }) => body.kind === 'test-ended')
    site.records.splice(ends, 1)
    for (const { body } of site.records)
      if (body.kind === 'test-begun') Object.assign(body, { reading, gaugeId: 'mano' })
    site.samples = {
      [testId]: (site.samples[testId] ?? [])
        .slice(0, seconds + 1)
        .map((one, at_s) => ({ ...one, gauge_Pa: one.gauge_Pa - fell(at_s) })),
    }
    return site
  }
  const settle_s = (site: Site) => site.judge().tests[0]?.run.plan.stabilise_s ?? 0

  test('settles first', async () => {
    await open(
      streaming(20, () => 0),
      running,
    )
    expect(screen.getByRole('status').textContent).toMatch(/^Settling\./)
    expect(said()).toMatch(/left to settle/)
    expect(screen.getByRole('timer').textContent).toMatch(/^0?0:40$/)
  })

  test('holds, falls, and says how much of what it may', async () => {
    const settled = settle_s(tested(0)) + 40
    await open(
      streaming(settled, () => 0),
      running,
    )
    expect(screen.getByRole('status').textContent).toMatch(/^Holding\. Down 0/)
    cleanup()
    await open(
      streaming(settled, (at_s) => (at_s < settled - 30 ? 0 : 20 * (at_s - settled + 30))),
      running,
    )
    expect(screen.getByRole('status').textContent).toMatch(/^Falling\. Down [56]/)
  })

  test('a gauge gone silent is said so, whatever stands in large figures', async () => {
    gauges = [{ ...gauge, state: 'silent' }]
    await open(
      streaming(20, () => 0),
      running,
    )
    await waitFor(() => expect(said()).toMatch(/gauge silent/))
    cleanup()
    gauges = [gauge]
    await open(
      streaming(20, () => 0),
      running,
    )
    await waitFor(() => expect(said()).toMatch(/live/))
    expect(said()).not.toMatch(/gauge silent/)
  })

  test('read by eye has no countdown of its own, but a clock that asks', async () => {
    await open(
      streaming(0, () => 0, 'typed'),
      running,
    )
    expect(screen.queryByRole('timer')).toBeNull()
    expect(field('The gauge reads')).toBeTruthy()
  })

  test('says what it can see and what it cannot', async () => {
    await open(
      streaming(20, () => 0),
      running,
    )
    expect(screen.getByText('It can see')).toBeTruthy()
    expect(said()).toMatch(/Anything past what was shut or capped/)
    expect(screen.getByText('No verdict yet')).toBeTruthy()
  })
})

describe('before the pump', () => {
  const planned = (job = house()): GasTest => {
    const found = new Site(job).judge().gasTests.find(({ id }) => id === 'tightness')
    if (!found) throw new Error('no test')
    return found.test
  }
  const opened = async (before: readonly string[] = [], job = house()) => {
    await open(new Site(job), () => <Prepare test={planned(job)} before={before} />)
    await waitFor(() => expect(screen.getByRole('radiogroup')).toBeTruthy())
  }
  const tickAll = () => screen.getAllByRole('checkbox').forEach((box) => void fireEvent.click(box))

  test('everything is prepared, one after the other, before it begins', async () => {
    await opened()
    const { length } = screen.getAllByRole('checkbox')
    expect(button(/^Begin: waits/).textContent).toBe(
      `Begin: waits for ${length === 1 ? 'one thing' : `${length} things`} to prepare`,
    )
    tickAll()
    await waitFor(() => expect(button('Begin: let it settle').disabled).toBe(false))
    press('Begin: let it settle')
    const [sent] = acts
    expect(sent?.path).toBe('/tests')
    expect(sent?.body).toMatchObject({
      ...{ test: 'tightness', how: { reading: 'streamed', gaugeId: 'mano' } },
      prepared: [...planned().preparations, ...planned().confirms].map(({ id }) => id),
      off: planned().preparations.map(({ name, action }) => ({
        ...{ name, state: action === 'shut' ? 'shut' : 'disconnected' },
        because: 'gas tightness test',
      })),
    })
    await act(() => Promise.resolve())
  })

  test('what is taken back is to be prepared again', async () => {
    await opened()
    tickAll()
    const [first] = screen.getAllByRole('checkbox')
    if (first) fireEvent.click(first)
    expect(button(/^Begin: waits for one thing to prepare/).disabled).toBe(true)
  })

  test('tests that come first are named, however ready all else is', async () => {
    await opened(['Strength', 'Existing pipe'])
    tickAll()
    expect(button('Begin: waits for strength and existing pipe').disabled).toBe(true)
  })

  test('a part rated below the test is taken off for what it is rated', async () => {
    const job = house()
    const [boiler] = job.appliances
    if (!boiler) throw new Error('no boiler')
    boiler.maxTestGauge_Pa = { value: 1500, basis: 'read', from: 'Plate' }
    await opened([], job)
    expect(said()).toMatch(/Boiler disconnected, pipe capped ?rated 15\S* ?mbar, below the test/)
    cleanup()
    boiler.maxTestGauge_Pa = null
    await opened([], job)
    expect(said()).toMatch(/maximum test pressure not known, so it is taken off/)
  })

  describe('what reads it', () => {
    const pick = (name: RegExp) => fireEvent.click(screen.getByRole('radio', { name }))
    const begin = async () => {
      press('Begin: let it settle')
      await act(() => Promise.resolve())
      return (acts[0]?.body as { readonly how: object }).how
    }

    test('a gauge that is not heard is waited for', async () => {
      gauges = [{ ...gauge, state: 'silent' }]
      await opened()
      tickAll()
      await waitFor(() => expect(button('Begin: waits for the gauge').disabled).toBe(true))
      cleanup()
      gauges = []
      await opened()
      tickAll()
      expect(screen.getByRole('radio', { name: 'Gauge: silent' })).toBeTruthy()
      expect(button('Begin: waits for the gauge').disabled).toBe(true)
    })

    test('a gauge too coarse for the rule begins nothing', async () => {
      await opened()
      tickAll()
      pick(/^Digital gauge/)
      type('Smallest step it shows', '1 mbar')
      expect(button(/waits for a gauge with steps of .* or less/).disabled).toBe(true)
      type('Smallest step it shows', 'fine')
      expect(button('Begin: waits for a resolution').disabled).toBe(true)
      type('Smallest step it shows', '0 mbar')
      expect(button('Begin: waits for a resolution').disabled).toBe(true)
      type('Smallest step it shows', '0.1 mbar')
      type('Instrument and its number', 'Gauge 7')
      expect(await begin()).toMatchObject({
        ...{ reading: 'typed', kind: 'digital', resolution_Pa: 10, instrument: 'Gauge 7' },
      })
    })

    test('a water gauge shows what an eye sees, and asks for no step', async () => {
      await opened()
      tickAll()
      pick(/^Water gauge/)
      expect(screen.queryByLabelText('Smallest step it shows')).toBeNull()
      expect(await begin()).toMatchObject({
        ...{ kind: 'water-gauge', resolution_Pa: 25, instrument: 'Water gauge' },
      })
    })

    test('a gauge of the firm’s list brings its step and how it is calibrated', async () => {
      const listed = {
        ...{ id: 'seven', name: 'Gauge seven', serial: '77', kind: 'digital', step_Pa: 5 },
        ...{ most_Pa: 10000, accuracy: '', calibratedUntil: '2020-01-01', retired: false },
      }
      instruments = [
        listed,
        { ...listed, id: 'old', name: 'Old one', retired: true },
        { ...listed, id: 'scales', name: 'Thermometer', kind: 'thermometer' },
      ]
      await opened()
      tickAll()
      await waitFor(() => pick(/^Gauge seven, no\. 77.*ran out on 2020-01-01/))
      expect(screen.queryByRole('radio', { name: /Old one|Thermometer/ })).toBeNull()
      expect(await begin()).toMatchObject({ instrumentId: 'seven', resolution_Pa: 5 })
    })

    test('a gauge that is heard may be said to be one of the list', async () => {
      instruments = [
        {
          ...{ id: 'seven', name: 'Gauge seven', serial: '77', kind: 'digital', step_Pa: 5 },
          ...{ most_Pa: 10000, accuracy: '', calibratedUntil: null, retired: false },
        },
      ]
      await opened()
      tickAll()
      await waitFor(() => choose(/On the firm’s list it is/, 'Gauge seven 77'))
      expect(await begin()).toEqual({
        ...{ reading: 'streamed', gaugeId: 'mano', instrumentId: 'seven' },
      })
    })

    test('a logger’s file is waited for until it holds readings', async () => {
      await opened()
      tickAll()
      pick(/^A logger/)
      expect(button('Begin: waits for a file with readings').disabled).toBe(true)
      expect(within(document.body).queryByText('Read the test from the file')).toBeNull()
    })
  })
})
