/** @jest-environment jsdom */
import type { HotWaterSafety, JobDocument } from '@hestian/core'
import { usualInlet } from '@hestian/core'
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react'
import { demoJob } from '../job/demoJob.testing'
import { JobStand } from '../job/jobStand.testing'
import { button, choose, press } from '../ui/hands.testing'
import { CutOuts } from './CutOuts'
import { InletGroup } from './InletGroup'

let after: JobDocument
afterEach(cleanup)

const club = () => demoJob('kestrel-weir')
const withSafety = (change: Partial<HotWaterSafety>): JobDocument => {
  const { hotWater, ...job } = club()
  if (!hotWater) throw new Error('The club makes no hot water.')
  return { ...job, hotWater: { ...hotWater, safety: { ...hotWater.safety, ...change } } }
}
const safety = () => after.hotWater?.safety as HotWaterSafety
const kinds = () => safety().inlet.map(({ kind }) => kind)
const open = (job: JobDocument, what: React.ReactNode) => {
  after = job
  render(
    <JobStand job={job} onEdit={(_, next) => (after = next)}>
      {what}
    </JobStand>,
  )
}

describe('the inlet group', () => {
  const begin = (inlet: HotWaterSafety['inlet'] = []) => open(withSafety({ inlet }), <InletGroup />)
  const group = () => screen.getByRole('list', { name: 'Inlet group, in the way of the water' })
  const shown = () => [...group().querySelectorAll('b')].map(({ textContent }) => textContent)

  test('begins with the usual order, which ends at the store', () => {
    begin()
    press('Begin with the usual order')
    expect(kinds()).toEqual(usualInlet)
    expect(kinds().at(-1)).toBe('store')
    expect(new Set(safety().inlet.map(({ id }) => id)).size).toBe(usualInlet.length)
    expect(screen.queryByRole('button', { name: 'Begin with the usual order' })).toBeNull()
    expect(shown()).toHaveLength(usualInlet.length)
  })

  test('a part that is added stands before the store', () => {
    begin()
    press('Begin with the usual order')
    choose(/Add a part$/, 'Strainer')
    expect(kinds()).toEqual([...usualInlet.slice(0, -1), 'strainer', 'store'])
  })

  test('is put in another order; the first goes no nearer the main, the last no nearer the store', () => {
    begin()
    press('Begin with the usual order')
    const [first = '', second = ''] = shown()
    expect(button(`${first}: nearer the main`).disabled).toBe(true)
    press(`${first}: nearer the store`)
    expect(shown().slice(0, 2)).toEqual([second, first])
    press(`${first}: nearer the main`)
    expect(shown().slice(0, 2)).toEqual([first, second])
    const last = shown().at(-1) ?? ''
    expect(button(`${last}: nearer the store`).disabled).toBe(true)
    press(`Remove ${second}`)
    expect(shown()).not.toContain(second)
    expect(kinds()).toHaveLength(usualInlet.length - 1)
  })

  test('an arrow that points the wrong way is said of that part alone; a store has none', () => {
    begin()
    press('Begin with the usual order')
    const arrows = screen.getAllByRole('switch', { name: /arrow against the flow/ })
    expect(arrows).toHaveLength(usualInlet.length - 1)
    fireEvent.click(arrows[1] as HTMLElement)
    expect(
      safety()
        .inlet.map(({ reversed }) => reversed)
        .indexOf(true),
    ).toBe(1)
    expect(safety().inlet.filter(({ reversed }) => reversed)).toHaveLength(1)
  })

  test('where the cold for mixers comes from is asked, and nothing is taken for an answer', () => {
    open(withSafety({ balancedCold: null }), <InletGroup />)
    choose(/Cold for mixers is taken/, 'before it, from the main')
    expect(safety().balancedCold).toBe('before-reducing')
  })
})

describe('what cuts the heat off', () => {
  const cutOuts = (change: Partial<HotWaterSafety>) => open(withSafety(change), <CutOuts />)

  test('is asked for each thing that heats the store', () => {
    cutOuts({ cutOut: null, immersion: null })
    const table = screen.getByRole('table', { name: 'Cut-outs' })
    const heads = within(table).getAllByRole('rowheader')
    expect(heads.map(({ textContent }) => textContent)).toEqual([
      'Cut-out of the store',
      'Immersion heater',
    ])
    choose(/Cut-out of the store/, 'resets itself')
    expect(safety().cutOut).toBe('resets-itself')
    expect(safety().immersion).toBeNull()
  })

  test('an immersion heater that is there is asked what it gives; one that is not, nothing', () => {
    cutOuts({ immersion: null })
    expect(screen.queryByText('Immersion heater gives')).toBeNull()
    choose(/Immersion heater$/, 'without one')
    expect(screen.getByText('Immersion heater gives')).toBeTruthy()
    choose(/Immersion heater$/, 'none')
    expect(screen.queryByText('Immersion heater gives')).toBeNull()
  })
})
