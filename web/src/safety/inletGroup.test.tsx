/** @jest-environment jsdom */
import type { JobDocument } from '@hestian/core'
import { inletWords, inWords, practices, usualInlet } from '@hestian/core'
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react'
import { demoJob } from '../job/demoJob.testing'
import { JobStand } from '../job/jobStand.testing'
import { button, choose, press } from '../ui/hands.testing'
import { InletGroup } from './InletGroup'

afterEach(cleanup)

const club = (inlet?: readonly []): JobDocument => {
  const job = demoJob('kestrel-weir')
  if (!job.hotWater) throw new Error('no hot water')
  const safety = { ...job.hotWater.safety, ...(inlet ? { inlet: [] } : {}) }
  return { ...job, hotWater: { ...job.hotWater, safety } }
}
function open(job: JobDocument) {
  let last = job
  render(
    <JobStand
      job={job}
      onEdit={(_, document) => {
        last = document
      }}
    >
      <InletGroup />
    </JobStand>,
  )
  return { safety: () => last.hotWater?.safety, kinds: () => kindsOf(last) }
}
const kindsOf = ({ hotWater }: JobDocument) => hotWater?.safety.inlet.map(({ kind }) => kind)
const { words } = practices['uk-ireland']
const say = (kind: keyof typeof inletWords) => inWords(inletWords[kind], words)
const line = () =>
  within(screen.getByRole('list', { name: 'Inlet group, in the way of the water' }))
    .getAllByRole('listitem')
    .map((one) => one.querySelector('b')?.textContent)

test('it begins with the usual order, as the practice names its parts', () => {
  const { kinds } = open(club([]))
  expect(screen.queryByRole('list', { name: /Inlet group/ })).toBeNull()
  press('Begin with the usual order')
  expect(kinds()).toEqual(usualInlet)
  expect(line()).toEqual(usualInlet.map(say))
  expect(screen.queryByRole('button', { name: 'Begin with the usual order' })).toBeNull()
})

test('a part moves one place nearer the main or the store, and the ends go no further', () => {
  const { kinds } = open(club([]))
  press('Begin with the usual order')
  const [first, second, ...rest] = usualInlet
  if (!first || !second) throw new Error('the usual order is too short')
  expect(button(`${say(first)}: nearer the main`).disabled).toBe(true)
  expect(button(`${say(usualInlet.at(-1) ?? first)}: nearer the store`).disabled).toBe(true)
  press(`${say(first)}: nearer the store`)
  expect(kinds()).toEqual([second, first, ...rest])
  press(`${say(first)}: nearer the main`)
  expect(kinds()).toEqual(usualInlet)
})

test('what is added stands before the store, and what is taken away is gone', () => {
  const { kinds } = open(club([]))
  press('Begin with the usual order')
  const before = kinds() ?? []
  const store = before.indexOf('store')
  choose(/Add a part/, say('check-valve'))
  const after = kinds() ?? []
  expect(after).toHaveLength(before.length + 1)
  if (store >= 0) expect(after.at(-1)).toBe('store')
  expect(after.filter((kind) => kind === 'check-valve').length).toBe(
    before.filter((kind) => kind === 'check-valve').length + 1,
  )
  press(new RegExp(`Remove ${say('reducing-valve')}`, 'i'))
  expect(kinds()).not.toContain('reducing-valve')
})

test('an arrow against the flow is kept of the part that has it, and of no other', () => {
  const { safety } = open(club([]))
  press('Begin with the usual order')
  const arrows = screen.getAllByRole('switch', { name: /arrow against the flow/ })
  expect(arrows).toHaveLength(usualInlet.filter((kind) => kind !== 'store').length)
  const [, second] = arrows
  if (second) fireEvent.click(second)
  expect(safety()?.inlet.map(({ reversed }) => reversed)).toEqual(usualInlet.map((_, i) => i === 1))
})

test('where the cold for mixers is taken is asked, not taken for granted', () => {
  const { safety } = open(club())
  choose(/Cold for mixers is taken/, 'before it, from the main')
  expect(safety()?.balancedCold).toBe('before-reducing')
})

test('a job without stored hot water has no group', () => {
  open({ ...demoJob('kestrel-weir'), hotWater: null })
  expect(screen.queryByText('Inlet group')).toBeNull()
})
