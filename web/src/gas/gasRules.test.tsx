/** @jest-environment jsdom */
import type { JobDocument } from '@hestian/core'
import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { demoJob } from '../job/demoJob.testing'
import { JobStand } from '../job/jobStand.testing'
import { button, choose, enter, press, write } from '../ui/hands.testing'
import { GasRules } from './GasRules'

let after: JobDocument
afterEach(cleanup)
const club = () => demoJob('kestrel-weir')
const ridge = () => demoJob('juniper-ridge')
function open(job: JobDocument) {
  after = job
  render(
    <JobStand job={job} onEdit={(_, next) => (after = next)}>
      <GasRules />
    </JobStand>,
  )
}
const offered = () => screen.getAllByRole('option').map(({ textContent }) => textContent)

test('the equation is the practice’s until another is chosen, and is again', () => {
  open(club())
  press(/Equation$/)
  const [own = '', ...others] = offered()
  expect(own).toMatch(/^The practice’s: /)
  expect(others).toHaveLength(2)
  expect(others.some((name) => own.endsWith(name ?? ''))).toBe(false)
  fireEvent.click(screen.getByRole('option', { name: 'Renouard’s formula' }))
  expect(after.gas.method).toBe('renouard')
  choose(/Equation$/, own)
  expect(after.gas.method).toBeNull()
})

test('a share of the load asks by which rule, and says that it is assumed', () => {
  open(club())
  expect(screen.queryByLabelText('By which rule')).toBeNull()
  choose(/Burning at once$/, 'A share, by a declared rule')
  expect(after.gas.diversity).toEqual({
    ratio: { value: 0.8, basis: 'assumed', from: '' },
    rule: 'Rule to be named',
  })
  write('By which rule', 'Two cookers in three, the owner’s rule')
  expect(after.gas.diversity?.rule).toBe('Two cookers in three, the owner’s rule')
  write('By which rule', ' ')
  expect(after.gas.diversity?.rule).toBe('Two cookers in three, the owner’s rule')
  choose(/Burning at once$/, 'Everything')
  expect(after.gas.diversity).toBeNull()
  expect(screen.queryByLabelText('By which rule')).toBeNull()
})

test('the share itself can be written', () => {
  open(club())
  choose(/Burning at once$/, 'A share, by a declared rule')
  enter('Share that burns at once', '70 %', 'Read')
  expect(after.gas.diversity?.ratio).toMatchObject({
    value: expect.closeTo(0.7, 12),
    basis: 'read',
  })
})

test('bonding is not looked at until somebody says', () => {
  open({ ...club(), gas: { ...club().gas, bonded: null } })
  expect(button(/Gas pipe bonded to earth$/).textContent).toMatch(/not looked at/)
  choose(/Gas pipe bonded to earth$/, 'No')
  expect(after.gas.bonded).toBe('no')
  choose(/Gas pipe bonded to earth$/, 'not looked at')
  expect(after.gas.bonded).toBeNull()
})

test('which meter measures is asked where pipe that was here is judged by it', () => {
  open(club())
  choose(/The meter, for pipe that was here$/, 'Ultrasonic, E6')
  expect(after.gas.meterKind).toBe('ultrasonic-meter-E6')
  choose(/The meter, for pipe that was here$/, 'not named: no fall allowed')
  expect(after.gas.meterKind).toBeNull()
  cleanup()
  open(ridge())
  expect(screen.queryByRole('button', { name: /The meter, for pipe/ })).toBeNull()
})

test('height is asked for where it takes from the input, and only there', () => {
  open(ridge())
  press(/At 7.?200/)
  const share = offered().find((text) => text?.endsWith('as set on site')) ?? ''
  expect(share).toMatch(/^Sized for \d\d/)
  fireEvent.click(screen.getByRole('option', { name: share }))
  expect(after.gas.derated).toBe(true)
  cleanup()
  const low = ridge()
  open({
    ...low,
    survey: { ...low.survey, elevation_m: { value: 100, basis: 'read', from: 'Map' } },
  })
  expect(screen.queryByRole('button', { name: /At 3/ })).toBeNull()
  cleanup()
  const high = club()
  open({
    ...high,
    survey: { ...high.survey, elevation_m: { value: 2000, basis: 'read', from: 'Map' } },
  })
  expect(screen.queryByRole('button', { name: /At 2/ })).toBeNull()
})
test('what the meter loses and holds is written with where it comes from, and taken out', () => {
  open(club())
  enter('The meter itself loses, at full load', '0.5 mbar', 'Read')
  expect(after.gas.meterDrop_Pa).toMatchObject({ value: 50, basis: 'read' })
  enter('Meter and regulator hold', '8 L', 'Read')
  expect(after.gas.meterVolume_m3?.value).toBeCloseTo(0.008, 12)
})

test('propane has no meter that holds gas; natural gas takes what is usual', () => {
  open(club())
  expect(document.body.textContent).toMatch(/Meter and regulator hold.*as usual here/)
  cleanup()
  open(ridge())
  expect(document.body.textContent).toMatch(/Meter and regulator hold.*none/)
})
