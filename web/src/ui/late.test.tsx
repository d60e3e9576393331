/**
 * @jest-environment jsdom
 */
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react'
import type { ComponentType } from 'react'
import { useState } from 'react'
import { late } from './late'
import { lateOnes } from './lateOnes'

afterEach(cleanup)

interface Said {
  readonly says: string
  readonly onClose?: () => void
}
const Part = ({ says }: Said) => <p>{says}</p>

/** A part whose piece comes, or does not, when the test says so. */
function waiting() {
  const given: ((answer: Promise<ComponentType<Said>>) => void)[] = []
  const One = late<Said>(() => new Promise((resolve) => given.push(resolve)), <i>fetching</i>)
  return { One, given }
}
const settle = async (work: () => void): Promise<void> =>
  act(async () => {
    work()
    await new Promise((resolve) => setTimeout(resolve))
  })

test('until its piece is here its place is kept; then it is drawn, and at once from then on', async () => {
  const { One, given } = waiting()
  await settle(() => void render(<One says="here" />))
  expect(screen.getByText('fetching')).toBeTruthy()
  await settle(() => given[0]?.(Promise.resolve(Part)))
  expect(screen.getByText('here')).toBeTruthy()
  cleanup()
  render(<One says="again" />)
  expect(screen.getByText('again')).toBeTruthy()
  expect(given).toHaveLength(1)
})

test('what is fetched ahead is drawn in the turn it is opened in', async () => {
  const { One, given } = waiting()
  expect(lateOnes).toContain(One)
  const fetched = One.fetch()
  given[0]?.(Promise.resolve(Part))
  await fetched
  render(<One says="here" />)
  expect(screen.getByText('here')).toBeTruthy()
})

test('a piece that cannot be fetched is said, can be left, and is asked for again when opened again', async () => {
  const { One, given } = waiting()
  function Opener() {
    const [isOpen, setOpen] = useState(false)
    return (
      <>
        <button onClick={() => setOpen(true)}>Open</button>
        {isOpen && <One says="here" notHere="Write it on paper." onClose={() => setOpen(false)} />}
      </>
    )
  }
  render(<Opener />)
  const open = () => settle(() => void fireEvent.click(screen.getByText('Open')))
  await open()
  await settle(() => given[0]?.(Promise.reject(new Error('no signal'))))
  expect(screen.getByRole('alert').textContent).toMatch('Write it on paper.')
  fireEvent.click(screen.getByRole('button', { name: 'Close' }))
  expect(screen.queryByRole('alert')).toBeNull()
  await open()
  expect(screen.getByText('fetching')).toBeTruthy()
  await settle(() => given[1]?.(Promise.resolve(Part)))
  expect(screen.getByText('here')).toBeTruthy()
})
