/** @jest-environment jsdom */
import type { Judgement } from '@hestian/core'
import { cleanup, render, screen } from '@testing-library/react'
import { MemoryRouter } from 'react-router'
import { house } from '../../../core/src/solve/house.testing'
import { Site } from '../../../core/src/solve/onSite.testing'
import { Riser } from './Riser'
import { stageNames } from './stages'

afterEach(cleanup)

const judged = () => new Site(house()).judge()
type Stage = Judgement['stages'][number]
const withStage = (id: Stage['id'], change: Partial<Stage>): Judgement => {
  const judgement = judged()
  return {
    ...judgement,
    stages: judgement.stages.map((one) => (one.id === id ? { ...one, ...change } : one)),
  }
}
const open = (judgement: Judgement, current: Stage['id'] = 'design') =>
  render(
    <MemoryRouter>
      <Riser judgement={judgement} jobId="job" current={current} />
    </MemoryRouter>,
  )
const linkOf = (id: Stage['id']) => screen.getByRole('link', { name: new RegExp(stageNames[id]) })

test('each stage that has sheets leads to its first, and the one that is open is named', () => {
  const judgement = judged()
  open(judgement)
  for (const { id, of, sheets } of judgement.stages)
    if (of > 0) expect(linkOf(id).getAttribute('href')).toBe(`/jobs/job/${sheets[0]}`)
  expect(linkOf('design').getAttribute('aria-current')).toBeTruthy()
  expect(linkOf('survey').getAttribute('aria-current')).toBeNull()
})

test('a stage says how far it is, and never more than was checked', () => {
  const { of } = judged().stages.find(({ id }) => id === 'design') ?? { of: 0 }
  expect(of).toBeGreaterThan(1)
  open(withStage('design', { checked: 0 }))
  expect(linkOf('design').textContent).toContain('not begun')
  cleanup()
  open(withStage('design', { checked: 1 }))
  expect(linkOf('design').textContent).toContain(`1 of ${of} checked`)
  cleanup()
  open(withStage('design', { checked: of }))
  expect(linkOf('design').textContent).toMatch(/ ?checked$/)
  expect(linkOf('design').textContent).not.toContain(`of ${of}`)
})

test('a stage of steps counts steps', () => {
  open(withStage('commission', { steps: { done: 3, of: 17 } }))
  expect(linkOf('commission').textContent).toContain('3 of 17 done')
})

/** How high the pipe is filled: the way from its foot to the line of the level. */
const level = () => Number(document.querySelector('rect')?.getAttribute('height'))

test('the pipe fills with what is checked, and looking at a stage fills nothing', () => {
  const { of } = judged().stages.find(({ id }) => id === 'survey') ?? { of: 1 }
  open(judged(), 'survey')
  const empty = level()
  cleanup()
  open(judged(), 'handover')
  expect(level()).toBe(empty)
  cleanup()
  open(withStage('survey', { share: 0.2 }), 'survey')
  const fifth = level()
  cleanup()
  open(withStage('survey', { share: 0.9 }), 'survey')
  expect(level()).toBeGreaterThan(fifth)
  cleanup()
  open(withStage('survey', { checked: of }), 'survey')
  expect(level()).toBeGreaterThan(empty)
})
