/** @jest-environment jsdom */
import type { JobDocument, PipeSize } from '@hestian/core'
import { genericPrice, materials } from '@hestian/core'
import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { house } from '../../../core/src/solve/house.testing'
import { JobStand } from '../job/jobStand.testing'
import { button, press, rowOf, write } from '../ui/hands.testing'
import { Prices } from './Prices'

const sizes: readonly PipeSize[] = materials['copper-en1057'].sizes
const sizeOf = (name: string): PipeSize => {
  const found = sizes.find((one) => one.name === name)
  if (!found) throw new Error(`no size ${name}`)
  return found
}
const laid = [
  { material: 'copper-en1057', size: sizeOf('22 mm'), length_m: 4 },
  { material: 'copper-en1057', size: sizeOf('22 mm'), length_m: 2.5 },
  { material: 'copper-en1057', size: sizeOf('15 mm'), length_m: 3 },
] as const

let after: JobDocument
afterEach(cleanup)
function open(job = house(), frozen = false) {
  after = job
  render(
    <JobStand job={job} frozen={frozen} onEdit={(_, next) => (after = next)}>
      <Prices used={laid} cost={41.5} />
    </JobStand>,
  )
}
const priced = (perMetre: number, size = '22 mm') => {
  const job = house()
  return { ...job, prices: [{ material: 'copper-en1057' as const, size, perMetre }] }
}
const label = (size: string, unit = 'metre') =>
  new RegExp(`^Price of a ${unit} of .*copper.*, ${size}$`, 'i')
const input = (size: string) => screen.getByLabelText<HTMLInputElement>(label(size))
const rows = () => screen.getAllByRole('rowheader').map(({ textContent }) => textContent)
const generic_22 = genericPrice('copper-en1057', sizeOf('22 mm').bore_m)

test('each size that is laid has a line, with how much of it there is', () => {
  open()
  expect(rows()).toHaveLength(2)
  expect(rowOf('Copper, EN 1057, 22 mm')[0]?.replace(/\s/g, ' ')).toMatch(/6\.5 m$/)
  expect(screen.getByText('41.50 in all, by this list')).toBeTruthy()
})

test('a price is generic until the firm writes its own', () => {
  open()
  expect(input('22 mm').value).toBe(generic_22.toFixed(2))
  expect(screen.getAllByText('generic')).toHaveLength(2)
  write(label('22 mm'), '7,25')
  expect(after.prices).toEqual([{ material: 'copper-en1057', size: '22 mm', perMetre: 7.25 }])
  expect(input('22 mm').value).toBe('7.25')
  press('generic again')
  expect(after.prices).toEqual([])
})

test('the generic price typed by hand is generic again, not one of the firm', () => {
  open(priced(9))
  write(label('22 mm'), generic_22.toFixed(2))
  expect(after.prices).toEqual([])
})

test('a price of nothing is a price', () => {
  open()
  write(label('15 mm'), '0')
  expect(after.prices).toEqual([{ material: 'copper-en1057', size: '15 mm', perMetre: 0 }])
})

test.each(['-1', 'dear', '10001', '1e9'])('%s is refused with what is taken, and stays', (text) => {
  open()
  write(label('22 mm'), text)
  expect(screen.getByRole('alert').textContent).toBe('A price from 0 to 10000.')
  expect(input('22 mm').value).toBe(text)
  expect(input('22 mm').getAttribute('aria-invalid')).toBe('true')
  expect(after.prices).toEqual([])
})

test('nothing typed leaves the price as it was', () => {
  open(priced(9))
  write(label('22 mm'), '  ')
  expect(input('22 mm').value).toBe('9.00')
  expect(screen.queryByRole('alert')).toBeNull()
  expect(after.prices).toHaveLength(1)
})

test('Enter uses what is typed', () => {
  open()
  fireEvent.change(input('22 mm'), { target: { value: '8' } })
  expect(after.prices).toEqual([])
  fireEvent.keyDown(input('22 mm'), { key: 'Enter' })
  expect(after.prices).toMatchObject([{ perMetre: 8 }])
})

test('a price for a size that is not laid has a line; every size of the material has on asking', () => {
  open(priced(30, '28 mm'))
  expect(rows()).toHaveLength(3)
  press('Every size of these materials')
  expect(rows()).toHaveLength(sizes.length)
  press('Only what is laid here')
  expect(rows()).toHaveLength(3)
})

test('where feet are used it is a price a foot, kept for the metre', () => {
  open({ ...house('north-america'), prices: [] })
  const foot = screen.getByLabelText<HTMLInputElement>(label('22 mm', 'foot'))
  expect(Number(foot.value)).toBeCloseTo(generic_22 * 0.3048, 2)
  fireEvent.change(foot, { target: { value: '3.048' } })
  fireEvent.blur(foot)
  expect(after.prices[0]?.perMetre).toBeCloseTo(10, 9)
  fireEvent.change(foot, { target: { value: '4000' } })
  fireEvent.blur(foot)
  expect(screen.getByRole('alert').textContent).toBe('A price from 0 to 3048.')
})

test('a price of a size that no catalogue has is kept and said to be', () => {
  open(priced(9, '23 mm'))
  expect(document.body.textContent).toMatch(/not in the catalogue; they are kept and not used/)
  cleanup()
  open(priced(9))
  expect(document.body.textContent).not.toMatch(/not in the catalogue/)
})

test('in a signed job prices are read', () => {
  open(house(), true)
  expect(input('22 mm').readOnly).toBe(true)
  expect(button('Every size of these materials')).toBeTruthy()
})
