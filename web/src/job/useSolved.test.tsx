/** @jest-environment jsdom */
import type { JobDocument } from '@hestian/core'
import { blankDocument, practices } from '@hestian/core'
import { act, render, screen } from '@testing-library/react'
import { useLayoutEffect, useMemo, useRef, useState } from 'react'
import { press } from '../ui/hands.testing'
import { WorkerHere } from '../work/workerHere.testing'
import { useSolved } from './useSolved'

/** A worker whose answers wait until they are let through. */
let held: (() => void)[]
class Slow extends WorkerHere {
  override postMessage(...asked: Parameters<WorkerHere['postMessage']>) {
    held.push(() => super.postMessage(...asked))
  }
}
Object.assign(globalThis, { Worker: Slow })
beforeEach(() => (held = []))
const letThrough = () =>
  act(async () => {
    for (const answer of held.splice(0)) answer()
    await new Promise((done) => setTimeout(done, 20))
  })

const start = blankDocument({ name: 'A house', address: '', practice: 'uk-ireland' })
const records = { entries: [], samples: {}, frozen: null }
const { units } = practices['uk-ireland']
const elevationOf = ({ survey }: JobDocument) => survey.elevation_m?.value ?? 0
const at = (value: number): JobDocument => ({
  ...start,
  survey: { ...start.survey, elevation_m: { value, basis: 'measured', from: 'a map' } },
})

/** A figure that is moved by steps from what is shown, as a rung is. */
function Rung() {
  const [document, setDocument] = useState(start)
  const question = useMemo(() => ({ document, records, units }), [document])
  const { answer, onceShown, isLate } = useSolved(question)
  const shown = answer && elevationOf(answer.solution.document)
  const step = useRef<() => void>(undefined)
  useLayoutEffect(() => {
    step.current = () => setDocument(at((shown ?? 0) + 1))
  })
  return (
    <>
      <p>{`${elevationOf(document)} typed, ${shown ?? 'nothing'} shown${isLate ? ', late' : ''}`}</p>
      <button onClick={() => onceShown(() => step.current?.())}>Step</button>
    </>
  )
}

test('figures follow what was typed; presses meanwhile each wait for those of the one before', async () => {
  render(<Rung />)
  expect(screen.getByText('0 typed, nothing shown')).toBeTruthy()
  await letThrough()
  expect(screen.getByText('0 typed, 0 shown')).toBeTruthy()
  press('Step')
  press('Step')
  press('Step')
  expect(screen.getByText('1 typed, 0 shown')).toBeTruthy()
  await letThrough()
  expect(screen.getByText('2 typed, 1 shown')).toBeTruthy()
  await letThrough()
  expect(screen.getByText('3 typed, 2 shown')).toBeTruthy()
  await letThrough()
  expect(screen.getByText('3 typed, 3 shown')).toBeTruthy()
  expect(held).toEqual([])
})

test('what was pressed before one left is done all the same', async () => {
  let pressed = 0
  function Leaving() {
    const [document, setDocument] = useState(start)
    const question = useMemo(() => ({ document, records, units }), [document])
    const { answer, onceShown } = useSolved(question)
    return (
      <>
        <p>{answer ? 'There' : 'Not yet'}</p>
        <button onClick={() => setDocument(at(7))}>Type</button>
        <button onClick={() => onceShown(() => (pressed += 1))}>Do</button>
      </>
    )
  }
  const { unmount } = render(<Leaving />)
  await letThrough()
  press('Do')
  expect(pressed).toBe(1)
  press('Type')
  press('Do')
  expect(pressed).toBe(1)
  unmount()
  expect(pressed).toBe(2)
})

test('figures of before are said to be that once one would notice', async () => {
  render(<Rung />)
  await letThrough()
  press('Step')
  expect(screen.getByText('1 typed, 0 shown')).toBeTruthy()
  expect(await screen.findByText('1 typed, 0 shown, late')).toBeTruthy()
  await letThrough()
  expect(screen.getByText('1 typed, 1 shown')).toBeTruthy()
})
