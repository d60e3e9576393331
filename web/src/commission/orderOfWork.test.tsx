/** @jest-environment jsdom */
import type { JudgedSequence } from '@hestian/core'
import { cleanup, render, screen, within } from '@testing-library/react'
import { house } from '../../../core/src/solve/house.testing'
import { apprentice, lead, Site } from '../../../core/src/solve/onSite.testing'
import { signStep, skipStep } from '../../../core/src/solve/signing'
import { JobStand } from '../job/jobStand.testing'
import { press } from '../ui/hands.testing'
import { OrderOfWork } from './OrderOfWork'

afterEach(cleanup)

function open(
  site: Site,
  shown?: string,
  sequences: readonly JudgedSequence[] = site.judge().work.sequences,
) {
  const picked: string[] = []
  render(
    <JobStand job={house()}>
      <OrderOfWork sequences={sequences} shown={shown} onPick={(id) => picked.push(id)} />
    </JobStand>,
  )
  return { picked, sequences }
}
const heating = (sequences: readonly JudgedSequence[]) => {
  const found = sequences.find(({ sequence }) => sequence.id === 'heating')
  if (!found) throw new Error('no sequence of the heating')
  return found
}
const order = () => screen.getByRole('complementary', { name: 'The order of work' })
const rows = () => within(order()).getAllByRole('listitem')

test('every sequence has its line; only that of the step one looks at is open', () => {
  const site = new Site(house())
  const { sequences } = open(site, site.now('heating')?.step.id)
  const heads = within(order())
    .getAllByRole('button')
    .filter((one) => one.hasAttribute('aria-expanded'))
  expect(heads.map((one) => one.textContent)).toEqual(
    [...sequences]
      .sort((a, b) => Number(a.waits) - Number(b.waits))
      .map(({ sequence, done, steps }) => `${sequence.name}${done} of ${steps.length}`),
  )
  expect(heads.filter((one) => one.getAttribute('aria-expanded') === 'true')).toHaveLength(1)
  expect(rows()).toHaveLength(heating(sequences).steps.length)
})

test('what is done is counted over the sequences that are asked for', () => {
  const site = new Site(house())
  site.until('heating.purge', 'heating')
  const { sequences } = open(site)
  const asked = sequences.filter(({ waits }) => !waits)
  const done = asked.reduce((sum, one) => sum + one.done, 0)
  expect(done).toBeGreaterThan(2)
  const of = asked.reduce((sum, one) => sum + one.steps.length, 0)
  expect(order().textContent).toContain(`${done} of ${of} done`)
})

test('what nothing waits for stands apart, and is not counted', () => {
  const site = new Site(house())
  site.until('heating.purge', 'heating')
  const sequences = site
    .judge()
    .work.sequences.map((one) => ({ ...one, waits: one.sequence.id === 'heating' }))
  expect(heating(sequences).done).toBeGreaterThan(2)
  open(site, undefined, sequences)
  expect(order().textContent).toMatch(/^The order of work0 of \d+ done/)
  expect(order().textContent).toContain('nothing waits for it')
})

test('a step says when it was done or read, which is now, and what the others come after', () => {
  const site = new Site(house())
  const first = site.now('heating')
  if (first) site.do(first)
  open(site, site.now('heating')?.step.id)
  expect(rows()[0]?.textContent).toMatch(/20 Nov$/)
  expect(rows()[1]?.textContent).toMatch(/now$/)
  expect(rows()[1]?.querySelector('[aria-current="step"]')).not.toBeNull()
  expect(rows()[2]?.textContent).toMatch(/after 2$/)
})

test('a head leads to the step that is next in it, a row to its own', () => {
  const site = new Site(house())
  const first = site.now('heating')
  if (first) site.do(first)
  const next = site.now('heating')?.step
  const { picked, sequences } = open(site, next?.id)
  press(new RegExp(`^${heating(sequences).sequence.name}`))
  within(rows()[0] ?? order())
    .getByRole('button')
    .click()
  expect(picked).toEqual([next?.id, first?.step.id])
})

test('what is next says what it waits for', () => {
  const site = new Site(house())
  const waiting = site
    .judge()
    .work.sequences.flatMap(({ steps }) => steps)
    .find(
      ({ progress }) =>
        progress.state === 'now' &&
        progress.openGuards.some(({ guard, leadsTo }) => guard.kind !== 'seen' && leadsTo),
    )
  if (!waiting) throw new Error('nothing waits for anything')
  open(site, waiting.step.id)
  const row = rows()[waiting.number - 1]
  expect(row?.textContent).toMatch(/waits for: /)
})

test('a step that was passed over says so, with its day', () => {
  const site = new Site(house())
  const first = site.now('heating')?.step
  site.take(skipStep(site.judge(), first?.id ?? '', lead, 'Done before we came'))
  open(site, first?.id)
  expect(rows()[0]?.textContent).toMatch(/passed over20 Nov$/)
})

test('what an apprentice signed waits for a countersign', () => {
  const site = new Site(house())
  const free = () => site.now('heating')?.step
  while (free()?.ticket !== undefined) {
    const now = site.now('heating')
    if (now) site.do(now)
  }
  const step = free()
  if (!step) throw new Error('every step wants a ticket')
  for (const guard of step.guards) site.hold(step, guard)
  const signed = signStep(
    site.judge(),
    step.id,
    { ...apprentice, role: 'apprentice' },
    step.reading ? { reading: { si: step.reading.target ?? 1e5, typed: '' } } : {},
  )
  if (!signed.ok) throw new Error(signed.says)
  signed.bodies.forEach((body) => site.add(body, { by: apprentice.id }))
  open(site, step.id)
  const at = site.step(step.id).number
  expect(rows()[at - 1]?.textContent).toContain('waits for a countersign')
})
