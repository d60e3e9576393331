/** @jest-environment jsdom */
import type { HeatAnswer, JobDocument } from '@hestian/core'
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react'
import type { Answered, Asked } from '../work/asked'
import { demoJob } from '../job/demoJob.testing'
import { JobStand } from '../job/jobStand.testing'
import { useDesign } from '../job/JobContext'
import { button, choose, enter, press } from '../ui/hands.testing'
import { WorkerHere } from '../work/workerHere.testing'
import { DrawOff } from './DrawOff'
import { OutputSetting } from './OutputSetting'

// There is no canvas here: the browser journeys draw on one.
jest.mock('./lateCharts', () => ({ ChartRoom: () => null, DayChart: () => <p>the day drawn</p> }))

let after: JobDocument
beforeEach(() => sessionStorage.clear())
afterEach(() => {
  cleanup()
  jest.useRealTimers()
})

function Heat({ of: Part }: { readonly of: (props: { answer: HeatAnswer }) => React.ReactNode }) {
  const { heat } = useDesign().solution
  return heat.applies && heat.answer ? <Part answer={heat.answer} /> : <p>no answer</p>
}
function open(job: JobDocument, part: (props: { answer: HeatAnswer }) => React.ReactNode) {
  after = job
  render(
    <JobStand job={job} onEdit={(_, next) => (after = next)}>
      <Heat of={part} />
    </JobStand>,
  )
}
const text = () => document.body.textContent.replace(/\s+/g, ' ')

describe('setting the output', () => {
  test('the heating is set to what the building needs, hot water stays at full output', () => {
    open(demoJob('kestrel-weir'), OutputSetting)
    expect(text()).toMatch(
      /The building needs [\d.]+ kW on the coldest day: set the heating to about [\d.]+ kW/,
    )
    enter('Heating output set to', '15 kW', 'Read')
    expect(after.heat.heatingSet_W).toMatchObject({ value: 15_000, basis: 'read' })
    press(/^Heating output set to/)
    fireEvent.click(screen.getByRole('button', { name: 'Take it out' }))
    expect(after.heat.heatingSet_W).toBeNull()
  })

  test('a boiler that cannot go so low is set no lower than it goes', () => {
    const job = demoJob('kestrel-weir')
    open({ ...job, heat: { ...job.heat } }, ({ answer }) => (
      <OutputSetting
        answer={{
          ...answer,
          load_W: 4000,
          suggestedHeating_W: 4000,
          mild_W: 1000,
          ...chosenAt(answer, 6000),
        }}
      />
    ))
    expect(text()).toMatch(/set the heating to about 6\.0 kW/)
    expect(text()).toMatch(
      /It cannot go below 6\.0 kW; a mild day asks 1\.0 kW, so it starts and stops then\./,
    )
  })

  const chosenAt = (answer: HeatAnswer, leastOutput_W: number): Pick<HeatAnswer, 'chosen'> => {
    const [option] = answer.options
    if (!option?.figures) throw new Error('There is no option with figures.')
    return { chosen: { ...option, figures: { ...option.figures, leastOutput_W } } }
  }

  test('compensation and what goes first are said', () => {
    open(demoJob('kestrel-weir'), OutputSetting)
    const before = after.heat.priority
    choose(/Compensation/, 'By the load')
    fireEvent.click(screen.getByRole('switch', { name: /Hot water goes first/ }))
    expect(after.heat).toMatchObject({ compensation: 'load', priority: !before })
  })
})

describe('a day’s draws', () => {
  /** Workers that say what they are told when they are told to. */
  let workers: {
    ended: boolean
    asked: Asked[]
    say: (answer: Answered) => void
    fail: () => void
  }[]
  beforeEach(() => {
    workers = []
    globalThis.Worker = class {
      onmessage?: (event: { data: Answered }) => void
      onerror?: () => void
      mine = {
        ended: false,
        asked: [] as Asked[],
        say: (data: Answered) => act(() => this.onmessage?.({ data })),
        fail: () => act(() => this.onerror?.()),
      }
      constructor() {
        workers.push(this.mine)
      }
      postMessage(asked: Asked) {
        this.mine.asked.push(asked)
      }
      terminate() {
        this.mine.ended = true
      }
    } as unknown as typeof Worker
    jest.useFakeTimers()
  })
  const pause = () => act(() => jest.advanceTimersByTime(600))
  const draws = (job: JobDocument = demoJob('kestrel-weir')) => {
    open(job, DrawOff)
    pause()
  }
  const last = () => {
    const worker = workers.at(-1)
    if (!worker) throw new Error('Nothing is asked.')
    return worker
  }
  const modelsOf = (asked: Asked | undefined) => {
    if (asked?.kind !== 'draws') throw new Error('No day is asked for.')
    return asked.models
  }
  /** What the real one answers. */
  const answered = (asked: Asked): Promise<Answered> =>
    new Promise((resolve) => {
      const real = new WorkerHere()
      real.onmessage = ({ data }) => {
        if (data.kind === 'draws') resolve(data)
      }
      real.postMessage(asked)
    })

  test('without outlets it says what the day waits for, and runs nothing', () => {
    const job = demoJob('kestrel-weir')
    draws({ ...job, hotWater: job.hotWater && { ...job.hotWater, scenario: [] } })
    expect(text()).toMatch(/With outlets, a pattern and an option whose figures are known/)
    expect(workers).toEqual([])
  })

  test('the day is run by itself, says how far it is, and can be stopped', () => {
    draws()
    expect(modelsOf(last().asked[0]).length).toBeGreaterThan(0)
    expect(screen.getByRole('progressbar')).toBeTruthy()
    last().say({ kind: 'progress', share: 0.4 })
    expect(screen.getByRole('progressbar').getAttribute('value')).toBe('0.4')
    press('Stop')
    expect(last().ended).toBe(true)
    expect(screen.queryByRole('progressbar')).toBeNull()
    press('Run the day')
    expect(workers).toHaveLength(2)
    expect(last().asked).toHaveLength(1)
  })

  test('a worker that breaks is said, and the day can be run again', () => {
    draws()
    last().fail()
    expect(text()).toMatch(/It could not be run here\./)
    press('Try again')
    expect(workers).toHaveLength(2)
    expect(screen.getByRole('progressbar')).toBeTruthy()
  })

  test('more layers are another day: the one under way is ended', () => {
    draws()
    choose(/Layers of the store/, '60 layers')
    expect(text()).toMatch(/every second, 60 layers/)
    pause()
    expect(workers.map(({ ended }) => ended)).toEqual([true, false])
    const layersOf = (worker: (typeof workers)[number] | undefined) =>
      JSON.stringify(modelsOf(worker?.asked[0]))
    expect(layersOf(workers[0])).not.toBe(layersOf(workers[1]))
    expect(button(/Layers of the store/)).toBeTruthy()
  })

  test('what came of it stands beside each way: when a tap turns cool, how hot the top gets', async () => {
    draws()
    const [asked] = last().asked
    if (!asked) throw new Error('Nothing is asked.')
    jest.useRealTimers()
    const answer = await answered(asked)
    if (answer.kind !== 'draws') throw new Error('No day came of it.')
    last().say(answer)
    expect(screen.getByText('the day drawn')).toBeTruthy()
    expect(text()).toMatch(/Run\. Energy in and out differ by \de-\d+ of the whole\./)
    const cool = answer.results.filter(({ outlets }) =>
      outlets.some(({ fellAt_s }) => fellAt_s !== undefined),
    )
    expect(text().match(/Every tap stays above/g)?.length ?? 0).toBe(
      answer.results.length - cool.length,
    )
    expect(screen.getAllByRole('heading', { level: 4 })).toHaveLength(answer.results.length)
    // An answer of so many ways is of another question: it is not laid beside these.
    last().say({ ...answer, results: answer.results.slice(1) })
    expect(screen.queryAllByRole('heading', { level: 4 })).toEqual([])
  })
})
