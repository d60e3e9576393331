/** @jest-environment jsdom */
import type { JobDocument, PartKind, ReliefValve } from '@hestian/core'
import { blankPart, blankRelief } from '@hestian/core'
import { cleanup, render, screen } from '@testing-library/react'
import { demoJob } from '../job/demoJob.testing'
import { JobStand } from '../job/jobStand.testing'
import { button, choose, press, write } from '../ui/hands.testing'
import { ReliefPage } from './ReliefPage'

let after: JobDocument
afterEach(cleanup)

function open(document: JobDocument) {
  after = document
  render(
    <JobStand job={document} onEdit={(_, next) => (after = next)}>
      <ReliefPage />
    </JobStand>,
  )
}

const club = () => demoJob('kestrel-weir')
const [atBoiler] = club().reliefs as [ReliefValve]
/** The club with its first valve alone, that one changed. */
const withValve = (change: Partial<ReliefValve>): JobDocument => ({
  ...club(),
  reliefs: [{ ...atBoiler, ...change }],
})
const valve = () => after.reliefs[0] as ReliefValve
const pieces = () => valve().discharge.pieces
const said = () => screen.getByRole('region', { name: atBoiler.name }).textContent

test('what there is to guard decides which valves may be added, and each is named for it', () => {
  open({ ...club(), reliefs: [], parts: [] })
  press('Add the safety valve of the heating')
  press('Add the expansion safety valve')
  press(/^Add the temperature/)
  expect(after.reliefs.map(({ guards }) => guards)).toEqual(['heating', 'expansion', 'temperature'])
  expect(valve().name).toBe('Safety valve of the heating')
  expect(new Set(after.reliefs.map(({ id }) => id)).size).toBe(3)
  // A heating may have two; hot water has one of each.
  expect(button('Add the safety valve of the heating')).toBeTruthy()
  expect(screen.queryByRole('button', { name: 'Add the expansion safety valve' })).toBeNull()
})

test('of two parts of one name only the weaker is called the weakest', () => {
  const job = withValve({})
  const known = (value: number) => ({ value, basis: 'read' as const, from: 'Plate' })
  const old = (id: string, limit_Pa: number) => ({
    ...{ id, name: 'Old radiators', maxWorkingGauge_Pa: known(limit_Pa) },
    ...{ aboveFill_m: known(2), afterPump: 'no' as const },
  })
  const weakParts = [old('a', 6e5), old('b', 2e5)]
  open({ ...job, heating: job.heating && { ...job.heating, weakParts } })
  const heads = screen.getAllByRole('rowheader', { name: /^Old radiators/ })
  expect(heads.map(({ textContent }) => textContent.endsWith(', the weakest'))).toEqual([
    false,
    true,
  ])
})

test('without hot water only the heating has one to add', () => {
  open({ ...club(), reliefs: [], parts: [], hotWater: null })
  expect(screen.getAllByRole('button', { name: /^Add the/ })).toHaveLength(1)
})

test('valves that are there and stay are taken from the rating plates with what their tags say', () => {
  const known = (value: number) => ({ value, basis: 'read' as const, from: 'Tag' })
  const part = (
    name: string,
    kind: PartKind,
    circuit: 'heating' | 'hot-water' | 'main',
    more = {},
  ) => ({ ...blankPart({ id: name, name, kind, circuit }), ...more })
  const job = club()
  open({
    ...job,
    heating: job.heating && { ...job.heating, reliefSetGauge_Pa: null },
    reliefs: [],
    parts: [
      part('By the boiler', 'relief-valve', 'heating', {
        setGauge_Pa: known(3e5),
        capacity_W: known(80e3),
        stay: 'stays',
      }),
      part('On the store', 'temperature-pressure-valve', 'hot-water', { stay: 'stays' }),
      part('In the way of the cold', 'relief-valve', 'main', { stay: 'stays' }),
      part('On a radiator loop', 'temperature-pressure-valve', 'heating', { stay: 'stays' }),
      part('Old one', 'relief-valve', 'heating', { stay: 'goes' }),
      part('A vessel', 'expansion-vessel', 'heating', { stay: 'stays' }),
    ],
  })
  press('Take the 3 valves from Rating plates')
  expect(after.reliefs.map(({ name, guards }) => [name, guards])).toEqual([
    ['By the boiler', 'heating'],
    ['On the store', 'temperature'],
    ['In the way of the cold', 'expansion'],
  ])
  expect(valve().capacity_W).toEqual(known(80e3))
  expect(after.heating?.reliefSetGauge_Pa).toEqual(known(3e5))
  expect(screen.queryByRole('button', { name: /from Rating plates/ })).toBeNull()
})

describe('what a valve carries', () => {
  test('is held against what is put in, as a picture and in words', () => {
    open(withValve({}))
    expect(screen.getByRole('img', { name: /45\.0\skW of 90\.0\skW/ })).toBeTruthy()
    expect(said()).toMatch(/45\.0\skW, the output of System boiler, of the 90\.0\skW it carries/)
    expect(screen.getByRole('img', { name: 'enough' })).toBeTruthy()
  })

  test('is not enough by a little, and says stop', () => {
    const known = { value: 44.9e3, basis: 'read' as const, from: 'Tag' }
    open(withValve({ capacity_W: known }))
    expect(screen.getByRole('img', { name: /45\.0\skW of 44\.9\skW/ })).toBeTruthy()
    expect(screen.getByRole('img', { name: 'too little' })).toBeTruthy()
  })

  test('is not made up where the tag is not read: no picture, no mark', () => {
    open(withValve({ capacity_W: null, size: null }))
    expect(said()).toMatch(/It has to carry 45\.0\skW, the output of System boiler\. Read its tag/)
    expect(screen.queryByRole('img', { name: / of / })).toBeNull()
    expect(screen.queryByRole('img', { name: 'enough' })).toBeNull()
  })

  test('a generic size brings its outlet, the tag leaves both', () => {
    open(withValve({ size: null, outlet: null, capacity_W: null }))
    choose(/Generic size of/, 'DN20')
    expect(valve().size).toBe('DN20')
    const { outlet } = valve()
    expect(outlet).not.toBeNull()
    choose(/Generic size of/, 'by its tag')
    expect(valve().size).toBeNull()
    expect(valve().outlet).toBe(outlet)
  })
})

describe('its discharge', () => {
  const bare = () =>
    withValve({
      discharge: { ...blankRelief({ id: 'x', name: 'x', guards: 'heating' }).discharge },
    })

  test('is begun piece by piece; a new pipe takes the size of the last', () => {
    open(bare())
    expect(screen.queryByRole('button', { name: 'Save the drawing' })).toBeNull()
    press('Add pipe down')
    choose(/Size of piece 1/, '28 mm')
    press('Add a bend')
    press('Add a tundish')
    press('Add pipe along')
    expect(pieces().map(({ kind }) => kind)).toEqual(['pipe', 'bend', 'tundish', 'pipe'])
    expect(pieces()[3]).toMatchObject({ size: '28 mm', runs: 'falling', length_m: null })
    expect(new Set(pieces().map(({ id }) => id)).size).toBe(4)
    expect(button('Save the drawing')).toBeTruthy()
  })

  test('asks a pipe for what it is, a tundish whether it is seen, a bend nothing', () => {
    open(bare())
    press('Add pipe down')
    press('Add a tundish')
    press('Add a bend')
    choose(/Material of piece 1/, 'Copper')
    choose(/How piece 1 runs/, 'along, level')
    choose(/Piece 2 in sight/, 'hidden')
    expect(pieces()).toMatchObject([
      { kind: 'pipe', material: 'copper', runs: 'level' },
      { kind: 'tundish', visible: 'no' },
      { kind: 'bend' },
    ])
    expect(screen.queryByRole('button', { name: /piece 3/ })).toBeTruthy()
    expect(
      screen.queryByRole('button', { name: /(Material|Size|Length) of piece [23]/ }),
    ).toBeNull()
  })

  test('is put in another order; the first goes no earlier, the last no later', () => {
    open(bare())
    press('Add pipe down')
    press('Add a bend')
    press('Add a tundish')
    expect(button('Piece 1 earlier').disabled).toBe(true)
    expect(button('Piece 3 later').disabled).toBe(true)
    press('Piece 3 earlier')
    expect(pieces().map(({ kind }) => kind)).toEqual(['pipe', 'tundish', 'bend'])
    press('Piece 1 later')
    expect(pieces().map(({ kind }) => kind)).toEqual(['tundish', 'pipe', 'bend'])
    press('Remove piece 2')
    expect(pieces().map(({ kind }) => kind)).toEqual(['tundish', 'bend'])
  })

  test('ends where it is said to end, each answer by itself', () => {
    open(withValve({}))
    choose(/^.*End of the pipe of/, 'plugged or capped')
    choose(/can freeze/, 'yes')
    choose(/where nobody is scalded/, 'no')
    expect(valve().discharge).toMatchObject({
      endThread: 'capped',
      endFreezes: 'yes',
      endSafe: 'no',
    })
    expect(pieces()).toEqual(atBoiler.discharge.pieces)
  })

  test('names the length the table lets it have only where the table speaks of it', () => {
    open(club())
    const [heating] = screen.getAllByText('By the practice')
    expect(heating?.parentElement?.textContent).toBe(
      'By the practice: the table speaks of the pipe after a tundish.',
    )
    const allowed = [...document.body.textContent.matchAll(/m with \d bends? of the [\d.]+\sm/g)]
    expect(allowed.map(String)).toEqual([
      expect.stringMatching(/^m with 1 bend of the 8\.20/),
      expect.stringMatching(/^m with 2 bends of the 7\.00/),
    ])
  })
})

test('what it takes the place of is one of the valves that are there', () => {
  const old = blankPart({
    id: 'old',
    name: 'Valve of 1998',
    kind: 'relief-valve',
    circuit: 'heating',
  })
  open({ ...withValve({}), parts: [old] })
  choose(/takes the place of/, 'Valve of 1998')
  expect(valve().replacesId).toBe('old')
  choose(/takes the place of/, 'nothing')
  expect(valve().replacesId).toBeNull()
})

test('a valve keeps its name when nothing is typed, and goes when it is taken out', () => {
  open(withValve({}))
  write('Name of relief valve 1', '   ')
  expect(screen.getByRole('alert').textContent).toMatch(/This needs a name/)
  expect(valve().name).toBe(atBoiler.name)
  write('Name of relief valve 1', ' Boiler house ')
  expect(valve().name).toBe('Boiler house')
  press('Remove Boiler house')
  expect(after.reliefs).toEqual([])
})

test('a job with nothing under pressure says why, and where to say otherwise', () => {
  open({ ...club(), heating: null, hotWater: null, reliefs: [] })
  expect(screen.getByText(/^No relief valve:/)).toBeTruthy()
  expect(screen.getByRole('link', { name: 'Rating plates' })).toBeTruthy()
})
