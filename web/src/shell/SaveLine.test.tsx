/** @jest-environment jsdom */
import { cleanup, render, screen } from '@testing-library/react'
import { JobParts } from '../job/JobContext'
import type { Job } from '../job/JobContext'
import type { SaveState } from '../job/useDraft'
import { SaveLine } from './SaveLine'

afterEach(cleanup)

interface At {
  readonly save?: SaveState
  readonly says?: string
  readonly waiting?: number
  readonly notSent?: number
  readonly isLate?: boolean
}
function says({ save = 'saved', says, waiting = 0, notSent = 0, isLate = false }: At): string {
  cleanup()
  const job = {
    design: { draft: { save, says } },
    sending: { waiting, notSent, isLate },
  } as unknown as Job
  render(
    <JobParts job={job}>
      <SaveLine />
    </JobParts>,
  )
  return screen.getByRole('status').textContent
}
const states: readonly SaveState[] = ['saved', 'saving', 'waiting', 'conflict', 'refused']

test('it says Saved only where the server has everything and the figures are of it', () => {
  const isSaved = (at: At) => says(at) === 'Saved'
  expect(states.filter((save) => isSaved({ save }))).toEqual(['saved'])
  expect(isSaved({ waiting: 1 })).toBe(false)
  expect(isSaved({ notSent: 1 })).toBe(false)
  expect(isSaved({ isLate: true })).toBe(false)
})

test('what could not be sent is said before what waits, and that before what is saved', () => {
  expect(says({ notSent: 2, waiting: 3, isLate: true })).toBe('2 not sent')
  expect(says({ waiting: 3, isLate: true })).toBe('Figures follow …')
  expect(says({ waiting: 3 })).toBe('Kept here, 3 to send')
  expect(says({ waiting: 3, save: 'waiting' })).toBe('Kept here, 3 to send')
})

test('two versions and a refusal are never hidden behind what waits', () => {
  for (const save of ['conflict', 'refused'] as const) {
    expect(says({ save, waiting: 3, notSent: 1, isLate: true })).toBe(says({ save }))
    expect(says({ save })).toMatch(/^(Two versions|Not saved)$/)
  }
})

test('why it is not saved is said beside it', () => {
  expect(says({ save: 'refused', says: 'The job is signed.' })).toBe('Not saved The job is signed.')
  expect(says({ save: 'saved', says: 'old' })).toBe('Saved')
})
