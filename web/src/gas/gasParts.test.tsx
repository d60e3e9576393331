/** @jest-environment jsdom */
import type { GasAnswer, GasSegment, JobDocument } from '@hestian/core'
import { solve } from '@hestian/core'
import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { useState } from 'react'
import { demoJob } from '../job/demoJob.testing'
import { JobStand } from '../job/jobStand.testing'
import { useDesign } from '../job/JobContext'
import { choose, press, write } from '../ui/hands.testing'
import { GasOn } from './GasOn'
import { GasPipeEditor } from './GasPipeEditor'
import { IfThisSize } from './IfThisSize'

let after: JobDocument
let gone: number
afterEach(cleanup)

const club = () => demoJob('kestrel-weir')
const answerOf = (document: JobDocument): GasAnswer => {
  const { gas } = solve(document)
  if (!gas.applies || !gas.answer) throw new Error('The gas is not solved.')
  return gas.answer
}
const pipe = (id: string) => after.gas.segments.find((one) => one.id === id) as GasSegment
const spaced = (text: string) => text.replace(/\s/g, ' ')

/** What is drawn of a job as it is solved; what needs an answer stands once there is one. */
function open(document: JobDocument, what: (answer: GasAnswer | undefined) => React.ReactNode) {
  after = document
  gone = 0
  function Solved() {
    const { gas } = useDesign().solution
    return what(gas.applies ? gas.answer : undefined)
  }
  render(
    <JobStand job={document} onEdit={(_, next) => (after = next)}>
      <Solved />
    </JobStand>,
  )
}

describe('one gas pipe', () => {
  const edit = (id: string, document = club()) =>
    open(document, () => <GasPipeEditor id={id} onGone={() => gone++} />)

  test('leaves only from what does not hang on it, so that no ring can be made', () => {
    edit('b')
    press(/Leaves from$/)
    const offered = screen.getAllByRole('option').map(({ textContent }) => textContent)
    expect(offered).toEqual(['The meter', 'End of Meter to A', 'End of A to galley range'])
    fireEvent.click(screen.getByRole('option', { name: 'End of A to galley range' }))
    expect(pipe('b').from).toBe('to-range')
  })

  test('another material gives its size up, another size is kept as chosen by hand', () => {
    edit('b')
    choose(/Size$/, '22 mm')
    expect(pipe('b').size).toBe('22 mm')
    press(/Material$/)
    const others = screen
      .getAllByRole('option')
      .filter(({ ariaSelected }) => ariaSelected !== 'true')
    fireEvent.click(others[others.length - 1] as HTMLElement)
    expect(pipe('b').material).not.toBe('copper-en1057')
    expect(pipe('b').size).toBeNull()
  })

  test('what stands at its end is asked only where it ends at an appliance', () => {
    edit('b')
    expect(screen.queryByRole('button', { name: /Shut-off within reach$/ })).toBeNull()
    expect(screen.getByRole('button', { name: /A regulator at the far end$/ })).toBeTruthy()
    cleanup()
    edit('to-boiler')
    expect(screen.queryByRole('button', { name: /A regulator at the far end$/ })).toBeNull()
    choose(/Shut-off within reach$/, 'No')
    choose(/Connected by$/, 'A flexible connector')
    expect(pipe('to-boiler').end).toMatchObject({ shutOff: 'no', connector: 'flexible' })
    expect(screen.getByText('The connector loses')).toBeTruthy()
    choose(/Shut-off within reach$/, 'not settled')
    expect(pipe('to-boiler').end).toMatchObject({ shutOff: null, connector: 'flexible' })
  })

  test('a sediment trap is asked for where the practice wants one, and nowhere else', () => {
    edit('to-boiler')
    expect(screen.queryByRole('button', { name: /Sediment trap$/ })).toBeNull()
    cleanup()
    const there = demoJob('juniper-ridge')
    const fed = there.gas.segments.find(({ applianceId }) => applianceId !== null)
    edit(fed?.id ?? '', there)
    choose(/Sediment trap$/, 'Yes')
    expect(pipe(fed?.id ?? '').end.trap).toBe('yes')
  })

  test('a regulator is asked what it lets out, passes and loses; taken away it takes all with it', () => {
    edit('b')
    choose(/A regulator at the far end$/, 'A line regulator')
    expect(pipe('b').regulator).toEqual({
      outGauge_Pa: null,
      drop_Pa: null,
      most_m3_s: null,
      vent: null,
    })
    choose(/Vent of the regulator$/, 'Into the room')
    expect(pipe('b').regulator?.vent).toBe('inside')
    expect(screen.getByText('The regulator is set to')).toBeTruthy()
    choose(/A regulator at the far end$/, 'None')
    expect(pipe('b').regulator).toBeNull()
    expect(screen.queryByText('The regulator is set to')).toBeNull()
  })

  test('is taken out by its own name, and what hung on it hangs on what fed it', () => {
    edit('b')
    write('Name', 'Under the floor')
    expect(screen.getByRole('region', { name: 'Pipe: Under the floor' })).toBeTruthy()
    press('Remove this pipe')
    expect(gone).toBe(1)
    expect(after.gas.segments.map(({ id }) => id)).not.toContain('b')
    expect(pipe('to-boiler').from).toBe('a')
  })
})

describe('what burns', () => {
  const all = ['boiler', 'range', 'cabinet']
  function Burning({ answer, from }: { answer: GasAnswer; from: readonly string[] }) {
    const [on, setOn] = useState<ReadonlySet<string>>(new Set(from))
    return (
      <>
        <GasOn answer={answer} on={on} onChange={setOn} />
        <output>{[...on].sort().join(' ')}</output>
      </>
    )
  }
  const burn = (from: readonly string[], document = club()) =>
    open(document, (answer) => answer && <Burning answer={answer} from={from} />)
  const said = () => spaced(document.querySelector('p')?.textContent ?? '')

  test('with all of it the pressure lost adds up from lock-up to the index appliance', () => {
    burn(all)
    const figures =
      said()
        .match(/\d+\.\d\d mbar/g)
        ?.map(parseFloat) ?? []
    const [lock = 0, ...rest] = figures
    const aims = rest.pop() ?? 0
    expect(rest.length).toBeGreaterThanOrEqual(3)
    expect(lock - rest.reduce((sum, one) => sum + one, 0)).toBeCloseTo(aims, 1)
    expect(said()).toMatch(/in the pipe to System boiler\. The test aims at/)
  })

  test('where lock-up was not read it says only what is designed for', () => {
    const job = club()
    burn(all, { ...job, survey: { ...job.survey, gasStaticGauge_Pa: null } })
    expect(said()).toBe('Everything at full rate: what the pipe is designed for.')
  })

  test('what the connector loses is named beside the pipe', () => {
    const job = club()
    const lost = { value: 20, basis: 'read' as const, from: 'Sheet' }
    const segments = job.gas.segments.map((one) =>
      one.id === 'to-boiler'
        ? { ...one, end: { ...one.end, connector: 'flexible' as const, connectorDrop_Pa: lost } }
        : one,
    )
    burn(all, { ...job, gas: { ...job.gas, segments } })
    expect(said()).toContain('to System boiler, 0.20 mbar in its connector. The test aims at')
  })

  test('with part of it says so, and with none that nothing drops', () => {
    burn(['range'])
    expect(said()).toMatch(/^Part load, [\d.]+ m³\/h, still from the full-load pressure/)
    press('Galley range')
    expect(said()).toBe('Nothing burns: no drop anywhere.')
    press('System boiler')
    press('Drying cabinet')
    expect(document.querySelector('output')?.textContent).toBe('boiler cabinet')
  })
})

describe('if this were another size', () => {
  const hold = (id: string) =>
    open(club(), (answer) => answer && <IfThisSize answer={answer} id={id} />)

  test('the one that stands is marked, another is taken by a press, and then stands', () => {
    hold('to-cabinet')
    const { size } = answerOf(club()).pipes.find((one) => one.id === 'to-cabinet')?.pipe ?? {}
    const current = document.querySelector('li[data-current]')
    expect(current?.querySelector('b')?.textContent).toBe(size?.name)
    const [other] = screen.getAllByRole('button', { name: /^Use/ })
    fireEvent.click(other as HTMLElement)
    const taken = pipe('to-cabinet').size
    expect(taken).not.toBeNull()
    expect(taken).not.toBe(size?.name)
    expect(document.querySelector('li[data-current] b')?.textContent).toBe(taken)
  })
})
