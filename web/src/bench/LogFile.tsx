import type { LogClock, LogColumns, Sample } from '@hestian/core'
import { guessColumns, logPressures, readLog } from '@hestian/core'
import Papa from 'papaparse'
import { useState } from 'react'
import { FileTrigger } from 'react-aria-components'
import styled from 'styled-components'
import { useReadBy } from '../job/JobContext'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { phone } from '../ui/phone'
import type { Log } from './log'

/** Larger files are no log of a pipe test. */
const mostBytes = 5e6
const clocks: readonly { readonly id: LogClock; readonly text: string }[] = [
  { id: 'year-first', text: 'Clock, year first' },
  { id: 'day-first', text: 'Clock, day first' },
  { id: 'month-first', text: 'Clock, month first' },
  { id: 'seconds', text: 'Seconds from the start' },
  { id: 'minutes', text: 'Minutes from the start' },
]
const units = {
  mbar: 'mbar',
  kPa: 'kPa',
  psi: 'psi',
  inwc: 'in wc',
  Pa: 'Pa',
} as const satisfies Record<(typeof logPressures)[number], string>
const none = 'none'

/** A logger's file: its columns are said, what comes of them is shown before anything is taken. */
export function LogFile({
  log,
  onLog,
}: {
  readonly log: Log | undefined
  readonly onLog: (log: Log) => void
}) {
  const [says, setSays] = useState<string>()
  const open = async (file: File | undefined) => {
    if (!file) return
    if (file.size > mostBytes) return setSays('At most 5 MB: cut the file to the test.')
    const { data } = Papa.parse<string[]>((await file.text()).trim(), { skipEmptyLines: 'greedy' })
    const [head = [], first = head] = data
    if (data.length < 3 || head.length < 2)
      return setSays('A table is wanted: a row a reading, a column for time, one for pressure.')
    setSays(undefined)
    onLog({
      name: file.name,
      rows: data,
      columns: guessColumns(head, first, -new Date().getTimezoneOffset()),
      start_ms: Date.now(),
    })
  }
  return (
    <>
      <FileTrigger
        acceptedFileTypes={['.csv', '.txt', '.tsv', 'text/csv', 'text/plain']}
        onSelect={(files) => void open(files?.[0])}
      >
        <Button>{log ? `Another file than ${log.name}` : 'Choose the file'}</Button>
      </FileTrigger>
      <Says role="alert">{says}</Says>
      {log && <Columns log={log} onLog={onLog} />}
      {log && <Preview log={log} />}
    </>
  )
}

function Columns({ log, onLog }: { readonly log: Log; readonly onLog: (log: Log) => void }) {
  const { columns, rows } = log
  const set = (change: Partial<LogColumns>) => onLog({ ...log, columns: { ...columns, ...change } })
  const heads = (rows[0] ?? []).map((text, i) => ({
    id: String(i),
    text: `${i + 1}: ${text.trim().slice(0, 40) || 'no head'}`,
  }))
  const hours = columns.zone_min / 60
  return (
    <Fields>
      <Choice
        labelled
        label="Time is column"
        value={String(columns.time)}
        options={heads}
        onChoose={(next) => set({ time: Number(next) })}
      />
      <Choice
        labelled
        label="Written as"
        value={columns.clock}
        options={clocks}
        onChoose={(clock) => set({ clock })}
      />
      <Choice
        labelled
        label="Pressure is column"
        value={String(columns.pressure)}
        options={heads}
        onChoose={(next) => set({ pressure: Number(next) })}
      />
      <Choice
        labelled
        label="In"
        value={columns.pressureUnit}
        options={logPressures.map((id) => ({ id, text: units[id] }))}
        onChoose={(pressureUnit) => set({ pressureUnit })}
      />
      <Choice
        labelled
        label="Temperature is column"
        value={columns.temp === null ? none : String(columns.temp)}
        options={[{ id: none, text: 'none' }, ...heads]}
        onChoose={(next) => set({ temp: next === none ? null : Number(next) })}
      />
      <Choice
        labelled
        label="Temperature in"
        value={columns.tempUnit}
        options={
          [
            { id: 'C', text: '°C' },
            { id: 'F', text: '°F' },
          ] as const
        }
        onChoose={(tempUnit) => set({ tempUnit })}
      />
      <Choice
        labelled
        label="Decimals after"
        value={columns.decimalComma ? 'comma' : 'point'}
        options={
          [
            { id: 'point', text: 'a point' },
            { id: 'comma', text: 'a comma' },
          ] as const
        }
        onChoose={(next) => set({ decimalComma: next === 'comma' })}
      />
      <Choice
        labelled
        label="Clock ahead of UTC by"
        value={String(hours)}
        options={zones(hours)}
        onChoose={(next) => set({ zone_min: Number(next) * 60 })}
      />
    </Fields>
  )
}

/** Whole and half hours round the world, and the one that is set. */
const zones = (own: number) =>
  [...new Set([own, ...Array.from({ length: 53 }, (_, i) => -12 + i / 2)])]
    .sort((a, b) => a - b)
    .map((hours) => ({ id: String(hours), text: `${hours} h` }))

/** What comes of the file as its columns are said. */
function Preview({ log }: { readonly log: Log }) {
  const { show, dates } = useReadBy()
  const { samples, wrong } = readLog(log.rows, log.columns, log.start_ms)
  const [first, last] = [samples[0], samples[samples.length - 1]]
  const p = (sample: Sample) => show(sample.gauge_Pa, 'gas-pressure')
  return (
    <div role="status">
      {first && last && samples.length > 1 ? (
        <p>
          <b>{samples.length} readings</b>, from {p(first)} at {dates.timeOf(first.at_ms)} to{' '}
          {p(last)} at {dates.timeOf(last.at_ms)}
          {first.temp_K === undefined
            ? ', without a temperature'
            : `, from ${show(first.temp_K, 'temperature', 1)}`}
          . It settles from the first of them.
        </p>
      ) : (
        <p>
          <b>Nothing to read yet:</b> say which column is what.
        </p>
      )}
      {wrong.slice(0, 5).map((one) => (
        <Says key={one}>{one}</Says>
      ))}
      {wrong.length > 5 && <Says>And {wrong.length - 5} more rows left out.</Says>}
    </div>
  )
}

const Says = styled.p`
  font-size: var(--small);
  color: var(--ink-2);
`
const Fields = styled.div`
  display: grid;
  grid-template-columns: repeat(4, minmax(0, 1fr));
  gap: 10px 18px;
  margin: 10px 0;
  ${phone} {
    grid-template-columns: 1fr 1fr;
  }
`
