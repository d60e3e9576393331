/** @jest-environment jsdom */
import type { CircuitAnswer, Heating, JobDocument } from '@hestian/core'
import { materials, showIn, solve } from '@hestian/core'
import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { demoJob, withHeating } from '../job/demoJob.testing'
import { useDesign } from '../job/JobContext'
import { JobStand } from '../job/jobStand.testing'
import { button, choose, enter, press, write } from '../ui/hands.testing'
import { CircuitInputs } from './CircuitInputs'
import { CircuitPage } from './CircuitPage'
import { Parts } from './CircuitParts'
import { Emitters } from './Emitters'
import { Pipes } from './Pipes'
import { WaterContent } from './WaterContent'
import { Zones } from './Zones'

let after: JobDocument
beforeEach(() => sessionStorage.clear())
afterEach(cleanup)

const heating = () => after.heating as Heating
const answerOf = (job: JobDocument): CircuitAnswer => {
  const { circuit } = solve(job)
  if (!circuit.applies || !circuit.answer) throw new Error('The circuit is not solved.')
  return circuit.answer
}
function open(job: JobDocument, what: (answer: CircuitAnswer | undefined) => React.ReactNode) {
  after = job
  function Solved() {
    const { circuit } = useDesign().solution
    return what(circuit.applies ? circuit.answer : undefined)
  }
  render(
    <JobStand job={job} onEdit={(_, next) => (after = next)}>
      <Solved />
    </JobStand>,
  )
}
const measured = (value: number) => ({ value, basis: 'measured' as const, from: 'Tape' })

describe('zones', () => {
  const zones = (job = demoJob('kestrel-weir')) => open(job, (answer) => <Zones answer={answer} />)

  test('those of the heat page are taken with their names, each its heat from there', () => {
    zones(withHeating({ zones: [] }))
    const { zones: found } = after.heat
    press(found.length === 1 ? 'Take the zone of the heat page' : /^Take the \d+ zones/)
    expect(heating().zones.map(({ name, heatZoneId }) => [name, heatZoneId])).toEqual(
      found.map(({ name, id }) => [name, id]),
    )
    expect(heating().zones.every(({ load_W }) => load_W === null)).toBe(true)
    expect(screen.queryByRole('button', { name: /^Take the/ })).toBeNull()
  })

  test('one that is typed here loses its heat as soon as it takes it from the heat page', () => {
    const [heatZone] = demoJob('kestrel-weir').heat.zones
    zones(withHeating({ zones: [] }))
    press('Add a zone')
    expect(heating().zones[0]).toMatchObject({ name: 'New zone', heatZoneId: null, alone: false })
    enter('Heat of New zone', '4 kW')
    expect(heating().zones[0]?.load_W?.value).toBeCloseTo(4000, 6)
    choose(/Heat of New zone from/, heatZone?.name ?? '')
    expect(heating().zones[0]).toMatchObject({ heatZoneId: heatZone?.id, load_W: null })
    expect(screen.queryByRole('button', { name: /^Heat of New zone:/ })).toBeNull()
  })

  test('say their flow and what they lose; the worst is the index and is not throttled', () => {
    const job = demoJob('kestrel-weir')
    const answer = answerOf(job)
    const show = showIn(solve(job).practice.units)
    zones(job)
    expect(answer.zones.length).toBeGreaterThan(1)
    for (const { zone, flow_m3_s, loss_Pa } of answer.zones) {
      const row = document.querySelector(
        `[data-place="heating.zones.${heating().zones.findIndex(({ id }) => id === zone.id)}"]`,
      )
      expect(row?.textContent).toContain(show.figure(flow_m3_s, 'water-flow'))
      expect(row?.textContent).toContain(show.figure(loss_Pa, 'water-pressure'))
    }
    const index = answer.zones.find(({ isIndex }) => isIndex)
    const worst = Math.max(...answer.zones.map(({ loss_Pa }) => loss_Pa))
    expect(index?.loss_Pa).toBe(worst)
    expect(screen.getAllByText('index')).toHaveLength(1)
  })

  test('one fed alone is balanced with nothing', () => {
    zones()
    const [first] = heating().zones
    const toggles = screen.getAllByRole('switch', { name: 'fed alone' })
    fireEvent.click(toggles[0] as HTMLElement)
    expect(heating().zones[0]).toMatchObject({ id: first?.id, alone: true })
    expect(screen.getAllByText('alone')).toHaveLength(1)
  })

  test('one is named, given another difference, and taken out', () => {
    zones(withHeating({ zones: [] }))
    press('Add a zone')
    write('Zone 1', '  Upstairs ')
    enter('Flow less return of Upstairs', '15 K')
    expect(heating().zones[0]).toMatchObject({
      name: 'Upstairs',
      difference_K: { basis: 'assumed' },
    })
    expect(heating().zones[0]?.difference_K?.value).toBeCloseTo(15, 6)
    press('Remove Upstairs')
    expect(heating().zones).toEqual([])
    expect(screen.queryByRole('table')).toBeNull()
  })
})

describe('emitters', () => {
  const emitters = (change: Partial<Heating> = { emitters: [] }) =>
    open(withHeating(change), (answer) => <Emitters answer={answer} />)

  test('the first brings a zone where there is none', () => {
    emitters({ emitters: [], zones: [] })
    press(/^Add /)
    const [zone] = heating().zones
    expect(zone).toMatchObject({ name: 'Whole house', load_W: null })
    expect(heating().emitters).toMatchObject([
      { zoneId: zone?.id, type: null, count: 1, loadEach_W: null, waterEach_m3: null },
    ])
    press(/^Add /)
    expect(heating().zones).toHaveLength(1)
    expect(new Set(heating().emitters.map(({ id }) => id)).size).toBe(2)
  })

  test('one is named, typed, counted and put in another zone', () => {
    emitters()
    const other = heating().zones[1]
    press(/^Add /)
    write('Emitter 1', 'Radiators in the hall')
    choose(/^Type of Radiators in the hall|Type of Radiators in the hall$/, 'Panel, double')
    write('How many of Radiators in the hall', '7')
    choose(/Zone of Radiators in the hall/, other?.name ?? '')
    expect(heating().emitters[0]).toMatchObject({
      ...{ name: 'Radiators in the hall', type: 'panel-double', count: 7, zoneId: other?.id },
    })
  })

  test('what its type holds stands in pencil until its own water is known', () => {
    emitters()
    press(/^Add /)
    write('Emitter 1', 'Radiators')
    choose(/Type of Radiators$/, 'Panel, double')
    enter('Heat of each of Radiators', '1200 W')
    write('How many of Radiators', '4')
    const whole = answerOf(after).content.parts.find(({ name }) => name === 'Radiators')
    const each = showIn(solve(after).practice.units)((whole?.water_m3 ?? NaN) / 4, 'small-volume')
    const said = button(/^Water in each of Radiators: .*, assumed$/).getAttribute('aria-label')
    expect(said?.replaceAll('\u00a0', ' ')).toBe(
      `Water in each of Radiators: ${each.replaceAll('\u00a0', ' ')}, assumed`,
    )
    expect(heating().emitters[0]?.waterEach_m3).toBeNull()
    enter('Water in each of Radiators', '6 l', 'Read')
    expect(heating().emitters[0]?.waterEach_m3).toMatchObject({ basis: 'read' })
    expect(heating().emitters[0]?.waterEach_m3?.value).toBeCloseTo(0.006, 9)
    expect(
      screen.queryByRole('button', { name: /^Water in each of Radiators: .*, assumed$/ }),
    ).toBe(null)
  })
})

test('two of one name each say what they hold by their own heat', () => {
  const emitter = (id: string, load_W: number): Heating['emitters'][number] => ({
    ...{ id, name: 'Radiators', zoneId: demoJob('kestrel-weir').heating?.zones[0]?.id ?? '' },
    ...{ type: 'panel-double', count: 1, waterEach_m3: null },
    loadEach_W: measured(load_W),
  })
  open(withHeating({ emitters: [emitter('a', 1000), emitter('b', 3000)] }), (answer) => (
    <>
      <Emitters answer={answer} />
      {answer && <WaterContent answer={answer} />}
    </>
  ))
  const said = screen
    .getAllByRole('button', { name: /^Water in each of Radiators/ })
    .map((one) => /: ([\d.]+)/.exec(one.getAttribute('aria-label') ?? '')?.[1])
  expect(said).toEqual(['3.6', '10.8'])
  const bars = [...document.querySelectorAll('#water-content li')]
  expect(bars.filter((bar) => bar.textContent.startsWith('Radiators'))).toHaveLength(2)
})

describe('pipes', () => {
  const pipes = (job = withHeating({ pipes: [] })) =>
    open(job, (answer) => <Pipes answer={answer} />)

  test('one begins with nothing known of it; all it has is the longest way until one is typed', () => {
    pipes()
    press('Add a pipe')
    expect(heating().pipes).toMatchObject([
      { name: 'New pipe', size: null, length_m: null, run_m: null, bends: 0, carries: 'all' },
    ])
    enter('Length of New pipe', '22 m')
    expect(heating().pipes[0]?.run_m).toBeNull()
    expect(button(/^Longest way through New pipe: 22.*m, assumed$/)).toBeTruthy()
    enter('Longest way through New pipe', '14 m')
    expect(heating().pipes[0]?.run_m?.value).toBe(14)
    expect(heating().pipes[0]?.length_m?.value).toBe(22)
  })

  test('another material takes the size with it, for it has none of that name', () => {
    pipes()
    press('Add a pipe')
    const { material } = heating().pipes[0] as Heating['pipes'][number]
    const size = materials[material].sizes[2]?.name ?? ''
    choose(/Size of New pipe/, size)
    expect(heating().pipes[0]?.size).toBe(size)
    choose(/Material of New pipe/, materials['pex-s5'].label)
    expect(heating().pipes[0]).toMatchObject({ material: 'pex-s5', size: null })
    choose(/Size of New pipe/, materials['pex-s5'].sizes[0]?.name ?? '')
    expect(heating().pipes[0]?.size).toBe(materials['pex-s5'].sizes[0]?.name)
  })

  test('carries all zones, one of them, or one emitter of it', () => {
    pipes()
    press('Add a pipe')
    const [zone] = heating().zones
    choose(/What New pipe carries/, `${zone?.name}, one emitter`)
    expect(heating().pipes[0]).toMatchObject({ zoneId: zone?.id, carries: 'one-emitter' })
    choose(/What New pipe carries/, zone?.name ?? '')
    expect(heating().pipes[0]).toMatchObject({ zoneId: zone?.id, carries: 'all' })
    choose(/What New pipe carries/, 'all zones')
    expect(heating().pipes[0]).toMatchObject({ zoneId: null, carries: 'all' })
  })

  test('say the size that is chosen for one, how fast and what is lost', () => {
    const job = demoJob('kestrel-weir')
    const solved = answerOf(job).pipes
    const show = showIn(solve(job).practice.units)
    pipes(job)
    expect(solved.length).toBeGreaterThan(1)
    for (const { pipe, velocity_m_s, loss_Pa } of solved) {
      const row = document.querySelector(
        `[data-place="heating.pipes.${heating().pipes.findIndex(({ id }) => id === pipe.id)}"]`,
      )
      expect(row?.textContent).toContain(show.figure(velocity_m_s, 'velocity', 2))
      expect(row?.textContent).toContain(show.figure(loss_Pa, 'water-pressure', 3))
    }
    const chosen = solved.find((one) => one.chosen)
    if (!chosen) throw new Error('No size is chosen in this job.')
    expect(screen.getAllByText(`for me: ${chosen.size.name}`).length).toBeGreaterThan(0)
  })

  test('one is taken out and the others stay as they are', () => {
    pipes(demoJob('kestrel-weir'))
    const [first, ...rest] = heating().pipes
    press(`Remove ${first?.name}`)
    expect(heating().pipes).toEqual(rest)
  })
})

describe('parts in the flow', () => {
  const parts = (change: Partial<Heating> = { parts: [] }) =>
    open(withHeating(change), (answer) => <Parts answer={answer} />)

  test('the usual ones are offered until they stand there, any other at any time', () => {
    parts()
    press('Add a filter')
    expect(heating().parts).toMatchObject([
      { name: 'Filter', kind: 'filter', zoneId: null, drop_Pa: null, atFlow_m3_s: null },
    ])
    expect(screen.queryByRole('button', { name: 'Add a filter' })).toBeNull()
    press('Add another part')
    press('Add another part')
    expect(heating().parts.map(({ kind }) => kind)).toEqual(['filter', 'other', 'other'])
    press('Remove Filter')
    expect(button('Add a filter')).toBeTruthy()
  })

  test('a loss at a flow is scaled to what flows here; until both are known it is assumed', () => {
    parts()
    press('Add a boiler')
    const here = () =>
      document.querySelector<HTMLElement>(
        '[data-place="heating.parts.0"] > :nth-last-child(2) span',
      )
    expect(here()?.dataset.pencil).toBe('true')
    enter('Loss of Boiler', '20 kPa')
    enter('Flow at which Boiler loses it', '20 l/min')
    const [solved] = answerOf(after).parts
    const show = showIn(solve(after).practice.units)
    expect(solved?.loss_Pa).toBeGreaterThan(0)
    expect(here()?.textContent).toBe(show.figure(solved?.loss_Pa ?? NaN, 'water-pressure', 3))
    expect(here()?.dataset.pencil).toBeUndefined()
  })

  test('one stands in a zone and is of another kind', () => {
    parts()
    const [zone] = heating().zones
    press('Add another part')
    write('Part 1 in the flow', 'Valve upstairs')
    choose(/Kind of Valve upstairs/, 'Zone valve')
    choose(/Where Valve upstairs stands/, zone?.name ?? '')
    expect(heating().parts[0]).toMatchObject({
      ...{ name: 'Valve upstairs', kind: 'zone-valve', zoneId: zone?.id },
    })
  })
})

describe('what is filled in and what drives it', () => {
  const inputs = (change: Partial<Heating> = {}) =>
    open(withHeating(change), () => <CircuitInputs />)
  const fluid = { kind: 'water', massFraction: null, coldestTemp_K: null } as const

  test('glycol is asked how much and how cold; water is not', () => {
    inputs({ fluid })
    expect(screen.queryByRole('button', { name: /^Glycol, by mass/ })).toBeNull()
    choose(/Filled with/, 'Propylene glycol and water')
    expect(heating().fluid).toMatchObject({ kind: 'propylene-glycol', massFraction: null })
    enter('Glycol, by mass', '30 %')
    expect(heating().fluid.massFraction?.value).toBeCloseTo(0.3, 9)
    expect(button(/^Coldest it may get/)).toBeTruthy()
  })

  test('a generic pump takes the ends of the maker’s curve away, which are offered only while both stand', () => {
    inputs({ pumpId: null, pumpHead_Pa: measured(60e3), pumpMost_m3_s: measured(1e-3) })
    expect(button(/By the maker’s curve/)).toBeTruthy()
    choose(/By the maker’s curve/, 'Choose for me')
    expect(heating()).toMatchObject({ pumpId: null, pumpHead_Pa: null, pumpMost_m3_s: null })
    press(/Choose for me/)
    expect(screen.queryByRole('option', { name: 'By the maker’s curve' })).toBeNull()
  })

  test('a floor is asked what keeps it cool, radiators are not', () => {
    const emitters = demoJob('kestrel-weir').heating?.emitters ?? []
    const noFloor = emitters.filter(({ type }) => type !== 'floor-loop')
    inputs({ emitters: noFloor })
    expect(screen.queryByText('The floor has a mixer of its own')).toBeNull()
    cleanup()
    const [one] = emitters
    if (!one) throw new Error('There is no emitter.')
    inputs({
      emitters: [...noFloor, { ...one, id: 'floor', type: 'floor-loop' }],
      floorMixer: null,
    })
    choose(/The floor has a mixer of its own/, 'No')
    expect(heating().floorMixer).toBe('no')
  })
})

describe('the sheet', () => {
  test('the drawing of pump and circuit is there once it is solved', () => {
    open(demoJob('kestrel-weir'), () => <CircuitPage />)
    expect(button('Save the drawing')).toBeTruthy()
    expect(screen.getByRole('table', { name: 'Zones' })).toBeTruthy()
    cleanup()
    open(withHeating({ zones: [], emitters: [], pipes: [], parts: [] }), () => <CircuitPage />)
    expect(screen.queryByRole('button', { name: 'Save the drawing' })).toBeNull()
    expect(button('Add a zone')).toBeTruthy()
  })

  test('where there is no heating it says so, and where that is changed', () => {
    const { heating: _, ...without } = demoJob('kestrel-weir')
    open({ ...without, heating: null }, () => <CircuitPage />)
    expect(screen.getByText(/^No heating circuit/)).toBeTruthy()
    expect(screen.getByRole('link', { name: 'Rating plates' })).toBeTruthy()
    expect(screen.queryByRole('button', { name: 'Add a zone' })).toBeNull()
  })

  test('the water is listed from the most to the least, guesses in pencil, and sums up', () => {
    const job = demoJob('kestrel-weir')
    const { content } = answerOf(job)
    const show = showIn(solve(job).practice.units)
    open(job, (answer) => answer && <WaterContent answer={answer} />)
    const rows = [...document.querySelectorAll('li')]
    const sorted = [...content.parts].sort((a, b) => b.water_m3 - a.water_m3)
    expect(rows.map((row) => row.querySelector('span')?.textContent)).toEqual(
      sorted.map(({ name }) => name),
    )
    expect(rows.map((row) => row.querySelector('b')?.dataset.pencil === 'true')).toEqual(
      sorted.map(({ assumed }) => assumed),
    )
    expect(document.body.textContent).toContain(show(content.total_m3, 'volume', 1))
  })
})
