/** @jest-environment jsdom */
import type { Heating, JobDocument, VesselAnswer } from '@hestian/core'
import { showIn, solve } from '@hestian/core'
import { cleanup, render, screen, within } from '@testing-library/react'
import { demoJob, withHeating } from '../job/demoJob.testing'
import { JobStand } from '../job/jobStand.testing'
import { useDesign } from '../job/JobContext'
import { choose, press, write } from '../ui/hands.testing'
import { ChargeFirst } from './ChargeFirst'
import { VesselPosition } from './VesselPosition'
import { WeakParts } from './WeakParts'

let after: JobDocument
afterEach(cleanup)

const heating = () => after.heating as Heating
const answerOf = (job: JobDocument): VesselAnswer => {
  const { vessel } = solve(job)
  if (!vessel.applies || !vessel.answer) throw new Error('The vessel is not solved.')
  return vessel.answer
}
function open(job: JobDocument, what: (answer: VesselAnswer | undefined) => React.ReactNode) {
  after = job
  function Solved() {
    const { vessel } = useDesign().solution
    return what(vessel.applies ? vessel.answer : undefined)
  }
  render(
    <JobStand job={job} onEdit={(_, next) => (after = next)}>
      <Solved />
    </JobStand>,
  )
}

describe('parts with a pressure limit', () => {
  const parts = (change: Partial<Heating> = { weakParts: [], furtherVessels: [] }) =>
    open(withHeating(change), () => <WeakParts />)

  test('are added with nothing known of them, named, and asked whether the pump adds to them', () => {
    parts()
    expect(screen.queryByRole('table')).toBeNull()
    press('Add a part with a pressure limit')
    press('Add a part with a pressure limit')
    expect(heating().weakParts).toMatchObject([
      { name: 'New part', maxWorkingGauge_Pa: null, aboveFill_m: null, afterPump: null },
      { name: 'New part' },
    ])
    write('Part 1', ' Plate exchanger ')
    choose(/^.*Plate exchanger: Between pump and/, 'Yes')
    expect(heating().weakParts[0]).toMatchObject({ name: 'Plate exchanger', afterPump: 'yes' })
    expect(heating().weakParts[1]?.afterPump).toBeNull()
    press('Remove Plate exchanger')
    expect(heating().weakParts.map(({ name }) => name)).toEqual(['New part'])
  })

  test('up to six further vessels stand beside, each with what lies between it and the boiler', () => {
    parts()
    for (let n = 0; n < 6; n++) press('Add a vessel that is there anyway')
    expect(screen.queryByRole('button', { name: 'Add a vessel that is there anyway' })).toBeNull()
    write('Vessel 2', 'In the loft')
    choose(/Between In the loft and the boiler/, 'a zone valve')
    expect(heating().furtherVessels[1]?.position).toMatchObject({ between: 'zone-valve' })
    expect(heating().furtherVessels[0]?.position).toBeNull()
    press('Remove In the loft')
    expect(heating().furtherVessels).toHaveLength(5)
  })
})

describe('how the vessel is connected', () => {
  const asked = () =>
    within(screen.getByRole('table', { name: 'How the vessel is connected' }))
      .queryAllByRole('rowheader')
      .map(({ textContent }) => textContent)
  const connected = (job: JobDocument) => open(job, (answer) => <VesselPosition answer={answer} />)

  test('is asked in four questions, none of which is answered for one', () => {
    const blank = { side: null, between: null, from: null, carriedBy: null }
    connected(withHeating({ position: blank }))
    expect(asked()).toEqual([
      'Side of the pump',
      'Between it and the boiler',
      'Connected',
      'Carried by',
    ])
    choose(/Between it and the boiler/, 'a plain valve')
    choose(/Carried by/, 'its pipe')
    expect(heating().position).toEqual({
      ...blank,
      between: 'plain-valve',
      carriedBy: 'pipe',
    })
  })

  test('is not asked of one that is in the boiler', () => {
    connected(withHeating({ vesselSize_m3: 0 }))
    expect(asked()).toEqual([])
    expect(screen.queryByText(/weighs/)).toBeNull()
  })

  test('says what the bracket has to carry, and the size as it is sold beside', () => {
    const here = demoJob('kestrel-weir')
    connected(here)
    const kg = Math.round(answerOf(here).fitted_m3 * 1000)
    expect(screen.getByText(`full of water it weighs about ${kg} kg more`)).toBeTruthy()
    cleanup()
    connected(withHeating({ vesselSize_m3: 0.0166 }, demoJob('juniper-ridge')))
    expect(screen.getByText(/weighs about \d+ kg more \([\d.]+.US.gal\)/)).toBeTruthy()
  })
})

describe('charged before filling', () => {
  const charge = (job: JobDocument) =>
    open(job, (answer) => answer && <ChargeFirst answer={answer} />)
  const figure = () => document.querySelector('b')?.textContent

  test('a cold day asks for less on the gauge than the design reads warm', () => {
    const job = demoJob('kestrel-weir')
    const cold = { value: 278.15, basis: 'measured' as const, from: 'Thermometer' }
    const show = showIn(solve(job).practice.units)
    charge(withHeating({ dayTemp_K: null }))
    const usual = answerOf(withHeating({ dayTemp_K: null })).pumpUp
    expect(figure()).toBe(show.set(usual.gauge_Pa))
    cleanup()
    charge(withHeating({ dayTemp_K: cold }))
    const now = answerOf(withHeating({ dayTemp_K: cold }))
    expect(now.pumpUp.gauge_Pa).toBeLessThan(now.need.chargeGauge_Pa)
    expect(figure()).toBe(show.set(now.pumpUp.gauge_Pa))
    expect(document.body.textContent).toContain(show(now.need.chargeGauge_Pa, 'water-pressure'))
  })
})
