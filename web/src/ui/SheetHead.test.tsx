/** @jest-environment jsdom */
import type { JobDocument, SolvedSheetId } from '@hestian/core'
import { applyEdits } from '@hestian/core'
import { cleanup, render, screen } from '@testing-library/react'
import { kestrelWeir } from '../../../demo/src/documents'
import { house } from '../../../core/src/solve/house.testing'
import { JobStand } from '../job/jobStand.testing'
import { SheetHead } from './SheetHead'

const head = (job: JobDocument, sheet: SolvedSheetId) => {
  cleanup()
  const { container } = render(
    <JobStand job={job}>
      <SheetHead sheet={sheet} />
    </JobStand>,
  )
  return (container.textContent ?? '').replace(/[\u00a0\u202f]/g, ' ')
}
const written = (path: (string | number)[], value: unknown) =>
  applyEdits(house(), [{ path, value }])

test('a sheet that stands passes, its answer first and in large', () => {
  expect(head(house(), 'gas')).toMatch(/^22 mm to the boiler; .* allowed\.Pass/)
  expect(screen.getByRole('heading', { level: 2 }).textContent).toMatch(/to the boiler/)
})

test('a stop is said as such and leads to its place', () => {
  expect(head(written(['heating', 'reliefSetGauge_Pa', 'value'], 6e5), 'vessel')).toMatch(/Stop/)
  expect(screen.getByRole('link', { name: /Stop/ }).getAttribute('href')).toMatch(/^#/)
})

test('a sheet that waits is not yet anything', () => {
  const text = head(written(['survey', 'fillTemp_K'], null), 'vessel')
  expect(text).toMatch(/^The vessel waits for one answer\.Not yet/)
  expect(text).not.toMatch(/Pass/)
})

test('what is to fix makes one look again, or is counted beside where the sheet says so itself', () => {
  expect(head(written(['gas', 'bonded'], 'no'), 'gas')).toMatch(/Pass.*One thing is to fix/)
  const weak = applyEdits(kestrelWeir(), [{ path: ['heating', 'pumpId'], value: 'generic-4' }])
  expect(head(weak, 'circuit')).toMatch(/Look again/)
  expect(head(kestrelWeir(), 'circuit')).toMatch(/Pass/)
})

test('a figure that has a working opens it', () => {
  head(house(), 'vessel')
  expect(screen.getAllByRole('button', { name: /bar$/ }).length).toBeGreaterThan(0)
})
