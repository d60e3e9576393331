/** @jest-environment jsdom */
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react'
import { useState } from 'react'
import { house } from '../../../core/src/solve/house.testing'
import { JobStand } from '../job/jobStand.testing'
import { choose } from '../ui/hands.testing'
import type { Log } from './log'
import { samplesOf } from './log'
import { LogFile } from './LogFile'

let kept: Log | undefined
beforeEach(() => (kept = undefined))
afterEach(cleanup)

function Page() {
  const [log, setLog] = useState<Log>()
  kept = log
  return <LogFile log={log} onLog={setLog} />
}
async function open(text: string, size?: number): Promise<void> {
  render(
    <JobStand job={house()}>
      <Page />
    </JobStand>,
  )
  const file = new File([text], 'log.csv', { type: 'text/csv' })
  // The window of this test knows files, not how to read them.
  Object.assign(file, { text: () => Promise.resolve(text) })
  if (size !== undefined) Object.defineProperty(file, 'size', { value: size })
  const input = document.querySelector('input[type=file]')
  if (!input) throw new Error('no file can be chosen')
  fireEvent.change(input, { target: { files: [file] } })
  await waitFor(() =>
    expect(screen.queryByRole('status') ?? screen.getByRole('alert').textContent).toBeTruthy(),
  )
}
const said = () => screen.getByRole('status').textContent
const readings = () => (kept ? samplesOf(kept) : [])

const plain = [
  'Time;Pressure mbar;Temp',
  '2026-11-24 09:00:00;20.0;16.0',
  '2026-11-24 09:01:00;19.9;16.1',
  '2026-11-24 09:02:00;19.9;16.1',
].join('\n')

test('a file is read, and what comes of it is said before anything is taken', async () => {
  await open(plain)
  expect(said()).toMatch(/^3 readings, from 20\S*.mbar at .* to 19\S*.mbar at .*, from 16\.0.°C/)
  expect(readings().map(({ gauge_Pa }) => Math.round(gauge_Pa))).toEqual([2000, 1990, 1990])
  expect((readings()[1]?.at_ms ?? 0) - (readings()[0]?.at_ms ?? 0)).toBe(60_000)
})

test.each([
  ['a unit', /^(\S.* )?In\b/, 'kPa', (log: Log) => log.columns.pressureUnit === 'kPa'],
  [
    'a clock',
    /Written as/,
    'Minutes from the start',
    (log: Log) => log.columns.clock === 'minutes',
  ],
  ['no temperature', /Temperature is column/, 'none', (log: Log) => log.columns.temp === null],
  ['a comma', /Decimals after/, 'a comma', (log: Log) => log.columns.decimalComma],
] as const)('%s is said where the guess is another', async (_, list, option, isSaid) => {
  await open(plain)
  choose(list, option)
  expect(kept && isSaid(kept)).toBe(true)
})

test('rows that cannot be read are named, and the others count', async () => {
  await open(`${plain}\n2026-11-24 09:03:00;open;16.1\n`)
  expect(said()).toMatch(/3 readings/)
  expect(said()).toMatch(/row 5|5/)
  expect(readings()).toHaveLength(3)
})

test.each([
  ['no table', 'a line\nanother'],
  ['one row', 'Time;Pressure\n09:00;20'],
])('%s is refused in a sentence', async (_, text) => {
  await open(text)
  expect(screen.getByRole('alert').textContent).toMatch(/A table is wanted/)
  expect(kept).toBeUndefined()
})

test('what is too large to be a log is refused unread', async () => {
  await open(plain, 6e6)
  expect(screen.getByRole('alert').textContent).toMatch(/At most 5 MB/)
  expect(kept).toBeUndefined()
})
