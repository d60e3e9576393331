/** @jest-environment jsdom */
import type { HeatAnswer, HotWater, JobDocument, Outlet, Zone } from '@hestian/core'
import { outletFlow_m3_s, showIn, solve, usualScenario, zoneLoad_W } from '@hestian/core'
import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { demoJob } from '../job/demoJob.testing'
import { JobStand } from '../job/jobStand.testing'
import { useDesign } from '../job/JobContext'
import { choose, enter, field, press, write } from '../ui/hands.testing'
import { Demand } from './Demand'
import { Scenario } from './Scenario'
import { StorageTemperature } from './StorageTemperature'

let after: JobDocument
beforeEach(() => sessionStorage.clear())
afterEach(cleanup)

const withHotWater = (
  change: Partial<HotWater>,
  { hotWater, ...job }: JobDocument = demoJob('kestrel-weir'),
): JobDocument => {
  if (!hotWater) throw new Error('There is no hot water.')
  return { ...job, hotWater: { ...hotWater, ...change } }
}
const withZones = (zones: readonly Zone[]): JobDocument => {
  const job = demoJob('kestrel-weir')
  return { ...job, heat: { ...job.heat, zones: [...zones] } }
}
const hotWater = () => after.hotWater as HotWater
function open(job: JobDocument, what: (answer: HeatAnswer | undefined) => React.ReactNode) {
  after = job
  function Solved() {
    const { heat } = useDesign().solution
    return what(heat.applies ? heat.answer : undefined)
  }
  render(
    <JobStand job={job} onEdit={(_, next) => (after = next)}>
      <Solved />
    </JobStand>,
  )
}
const plain = (text: string | null | undefined) => text?.replaceAll('\u00a0', ' ')
const valueOf = (label: string) =>
  plain(
    screen.getByRole('button', { name: new RegExp(`^${label}:`) }).getAttribute('aria-label'),
  )?.slice(label.length + 2)

describe('the heat of the zones', () => {
  const zones = (list: readonly Zone[] = []) => open(withZones(list), () => <Demand />)

  test('the first is the whole building; it is known from a loss sheet or by an estimate', () => {
    zones()
    press('Add a zone or room')
    expect(after.heat.zones).toMatchObject([
      { name: 'Whole building', heat: { by: 'typed', load_W: null } },
    ])
    expect(valueOf('Heat of Whole building')).toMatch(/^\? kW, not known/)
    enter('Heat of Whole building', '9.5 kW', 'Measured')
    expect(after.heat.zones[0]?.heat).toMatchObject({ by: 'typed', load_W: { value: 9500 } })
    press('Add a zone or room')
    expect(after.heat.zones[1]?.name).toBe('New zone')
  })

  test('an estimate asks area and age, and what it comes to stands in pencil', () => {
    zones()
    press('Add a zone or room')
    choose(/How the heat of Whole building is known/, 'Estimate')
    expect(after.heat.zones[0]?.heat).toEqual({
      ...{ by: 'estimate', area_m2: null, age: '1976-1995' },
    })
    enter('Area of Whole building', '120 m2', 'Measured')
    const sum = () =>
      document.querySelector<HTMLElement>('[data-place="heat.zones.0"] > span.tnum:last-of-type')
    const before = zoneLoad_W(after.heat.zones[0] as Zone)
    expect(before).toBeGreaterThan(0)
    const { units } = solve(after).practice
    expect(sum()?.textContent).toBe(showIn(units)(before, 'power'))
    expect(sum()?.dataset.pencil).toBe('true')
    choose(/Age of Whole building/, 'built before 1940')
    expect(zoneLoad_W(after.heat.zones[0] as Zone)).toBeGreaterThan(before)
    choose(/How the heat of Whole building is known/, 'Loss sheet')
    expect(sum()?.dataset.pencil).toBeUndefined()
    expect(sum()?.textContent).toBe('')
  })

  test('the sum of all stands at the head; one that is taken out leaves it', () => {
    const kW = (id: string, load: number): Zone => ({
      ...{ id, name: id },
      heat: { by: 'typed', load_W: { value: load, basis: 'read', from: 'Loss sheet' } },
    })
    zones([kW('Hall', 6000), kW('Loft', 1500)])
    expect(plain(document.body.textContent)).toContain('7.5 kW in all')
    press('Remove Loft')
    expect(after.heat.zones.map(({ name }) => name)).toEqual(['Hall'])
    expect(plain(document.body.textContent)).toContain('6.0 kW in all')
  })
})

describe('the outlets', () => {
  const outlets = (list: readonly Outlet[] = [], scenario: HotWater['scenario'] = []) =>
    open(withHotWater({ outlets: [...list], scenario }), () => <Demand />)
  const shower: Outlet = {
    ...{ id: 'shower', name: 'Shower', kind: 'shower', count: 1 },
    ...{ flow_m3_s: null, temp_K: null, tempered: null },
  }

  test('one begins as its kind, once, with nothing known; its usual flow stands in pencil', () => {
    outlets()
    choose(/Add an outlet/, 'Kitchen sink')
    expect(hotWater().outlets).toMatchObject([
      {
        ...{ name: 'Kitchen sink', kind: 'kitchen-sink', count: 1 },
        ...{ flow_m3_s: null, temp_K: null, tempered: null },
      },
    ])
    const [sink] = hotWater().outlets
    const { units } = solve(after).practice
    const usual = plain(showIn(units)(outletFlow_m3_s(sink as Outlet), 'water-flow'))
    expect(valueOf('Flow at Kitchen sink')).toBe(`${usual}, assumed`)
    expect(valueOf('Temperature wanted at Kitchen sink')).toMatch(/, assumed$/)
    expect(hotWater().outlets[0]?.flow_m3_s).toBeNull()
  })

  test('a flow by cup and watch replaces the usual one, and can be taken out again', () => {
    outlets([shower])
    const usual = valueOf('Flow at Shower')
    enter('Flow at Shower', '7 l/min', 'Measured')
    expect(hotWater().outlets[0]?.flow_m3_s?.value).toBeCloseTo(7 / 60000, 12)
    expect(valueOf('Flow at Shower')).not.toMatch(/assumed/)
    expect(screen.queryByText(/A flow in pencil is the usual one/)).toBeNull()
    press(/^Flow at Shower/)
    press('Take it out')
    expect(hotWater().outlets[0]?.flow_m3_s).toBeNull()
    expect(valueOf('Flow at Shower')).toBe(usual)
    expect(screen.getByText(/A flow in pencil is the usual one/)).toBeTruthy()
  })

  test('one is named, counted, of another kind, and asked whether it is mixed down', () => {
    outlets([shower])
    write('Outlet 1', ' Team showers ')
    write('How many of Team showers', '6')
    choose(/Kind of Team showers/, 'Bath')
    choose(/Whether Team showers is mixed down/, 'Mixing refused')
    expect(hotWater().outlets[0]).toMatchObject({
      ...{ name: 'Team showers', count: 6, kind: 'bath', tempered: 'refused' },
    })
  })

  test('one that is taken out takes its draws of the day with it, and no other', () => {
    const draw = (id: string, outletId: string) => ({
      ...{ id, outletId, open: 1, start_s: 25200, duration_s: 600 },
    })
    outlets(
      [shower, { ...shower, id: 'bath', name: 'Bath' }],
      [draw('a', 'shower'), draw('b', 'bath'), draw('c', 'shower')],
    )
    press('Remove Shower')
    expect(hotWater().outlets.map(({ id }) => id)).toEqual(['bath'])
    expect(hotWater().scenario.map(({ id }) => id)).toEqual(['b'])
  })
})

describe('the pattern of the day', () => {
  const day = (change: Partial<HotWater> = { scenario: [] }) =>
    open(withHotWater(change), () => <Scenario />)
  const starts = () => hotWater().scenario.map(({ start_s }) => start_s)

  test('needs an outlet; a usual day begins it', () => {
    day({ outlets: [], scenario: [] })
    expect(screen.getByText(/add one first/)).toBeTruthy()
    cleanup()
    day()
    press('Begin with a usual day')
    const usual = [...usualScenario(demoJob('kestrel-weir'))]
    expect(starts()).toEqual(usual.map(({ start_s }) => start_s).sort((a, b) => a - b))
    expect(new Set(hotWater().scenario.map(({ id }) => id)).size).toBe(usual.length)
    expect(screen.queryByRole('button', { name: 'Begin with a usual day' })).toBeNull()
  })

  test('a draw is put where its hour belongs', () => {
    day()
    press('Add a draw')
    press('Add a draw')
    expect(starts()).toEqual([25200, 25200])
    const [first, second] = hotWater().scenario
    const at = screen.getAllByLabelText('Opened at, 07:00')[0] as HTMLElement
    fireEvent.change(at, { target: { value: '18.30' } })
    fireEvent.blur(at)
    expect(starts()).toEqual([25200, 66600])
    expect(hotWater().scenario.map(({ id }) => id)).toEqual([second?.id, first?.id])
    expect(field('Opened at, 18:30').value).toBe('18:30')
  })

  test('an hour there is not, and minutes that are none, are answered and change nothing', () => {
    day()
    press('Add a draw')
    for (const text of ['25:00', '7:75', 'noon', '']) {
      write('Opened at, 07:00', text)
      expect(screen.getByText('An hour and minutes, as in 07:15.')).toBeTruthy()
      expect(field('Opened at, 07:00').value).toBe(text)
    }
    for (const text of ['0', '1441', 'long', '-5']) {
      write('Minutes open from 07:00', text)
      expect(screen.getByText('Minutes, above 0 and at most 1440.')).toBeTruthy()
    }
    expect(hotWater().scenario[0]).toMatchObject({ start_s: 25200, duration_s: 600 })
    write('Minutes open from 07:00', '7,5')
    expect(hotWater().scenario[0]?.duration_s).toBe(450)
    expect(screen.queryByText('Minutes, above 0 and at most 1440.')).toBeNull()
  })

  test('at least one is open; which, is chosen; a draw is taken out by its hour', () => {
    day()
    press('Add a draw')
    const other = hotWater().outlets[1]
    write('How many open at 07:00', '0')
    expect(hotWater().scenario[0]?.open).toBe(1)
    write('How many open at 07:00', '3')
    choose(/What is opened at 07:00/, other?.name ?? '')
    expect(hotWater().scenario[0]).toMatchObject({ open: 3, outletId: other?.id })
    press('Remove the draw at 07:00')
    expect(hotWater().scenario).toEqual([])
  })
})

describe('how hot it is stored', () => {
  const stored = (change: Partial<HotWater>) =>
    open(withHotWater(change), (answer) => answer && <StorageTemperature answer={answer} />)
  const at = (celsius: number) => ({
    storeTemp_K: { value: celsius + 273.15, basis: 'measured' as const, from: 'Setting agreed' },
  })

  test('what keeps bacteria down is said of what is hot enough, never of what is not', () => {
    stored(at(60))
    expect(screen.getByText(/Bacteria do not live at this temperature/)).toBeTruthy()
    cleanup()
    stored(at(59.5))
    expect(screen.getByText(/Bacteria are not killed at this temperature/)).toBeTruthy()
  })

  test('hotter burns sooner, and the old and the young sooner still', () => {
    const seconds = (celsius: number) => {
      stored(at(celsius))
      const said = /in about (\d+) s/.exec(document.body.textContent)?.[1]
      expect(document.body.textContent).toContain('The old and the very young burn sooner')
      cleanup()
      return Number(said)
    }
    expect(seconds(65)).toBeLessThan(seconds(58))
  })

  test('where nothing was set, what the school takes is said as such', () => {
    stored({ storeTemp_K: null, loopLoss_W: null })
    expect(screen.getByText(/by the school$/)).toBeTruthy()
    enter('Store set to', '62 C', 'Measured')
    expect(hotWater().storeTemp_K?.value).toBeCloseTo(335.15, 6)
    expect(screen.getByText('no loop')).toBeTruthy()
  })
})
