import { mostReadings } from './mostReadings'
import type { Sample } from '../gas-tightness/run'
import type { UnitName } from '../../units/units'
import { toSi } from '../../units/units'
import { ranges } from '../../units/measure'

/** How the instants of a file are written: a clock, or counted from its first reading. */
export const logClocks = ['year-first', 'day-first', 'month-first', 'seconds', 'minutes'] as const
export type LogClock = (typeof logClocks)[number]

export const logPressures = ['mbar', 'kPa', 'psi', 'inwc', 'Pa'] as const satisfies UnitName[]
export const logTemps = ['C', 'F'] as const satisfies UnitName[]

/** Which column of a logger's file is what. Columns count from 0. */
export interface LogColumns {
  readonly time: number
  readonly clock: LogClock
  readonly pressure: number
  readonly pressureUnit: (typeof logPressures)[number]
  readonly temp: number | null
  readonly tempUnit: (typeof logTemps)[number]
  readonly decimalComma: boolean
  /** How far the logger's clock is ahead of UTC, minutes. */
  readonly zone_min: number
}

export interface ReadLog {
  readonly samples: readonly Sample[]
  /** What is wrong with rows that were left out, a sentence each. */
  readonly wrong: readonly string[]
}

const mostSentences = 20

/**
 * The readings of a logger's file, oldest first: what its columns are is said, nothing is guessed
 * silently. A row that cannot be read is left out and told by its number. Files that count from
 * nothing begin at the given instant, ms since 1970.
 */
export function readLog(
  rows: readonly (readonly string[])[],
  columns: LogColumns,
  start_ms: number,
): ReadLog {
  const wrong: string[] = []
  const samples = new Map<number, Sample>()
  rows.forEach((row, i) => {
    const read = readRow(row, columns, start_ms)
    if (typeof read === 'string') {
      // The head of the file is no reading, and nobody has to be told.
      if (i > 0) wrong.push(`Row ${i + 1}: ${read}`)
    } else samples.set(read.at_ms, read)
  })
  const ordered = [...samples.values()].sort((a, b) => a.at_ms - b.at_ms)
  const told =
    wrong.length > mostSentences
      ? [...wrong.slice(0, mostSentences), `And ${wrong.length - mostSentences} more.`]
      : wrong
  return ordered.length > mostReadings
    ? {
        samples: [],
        wrong: [`${ordered.length} readings; a test takes at most ${mostReadings}. Cut the file.`],
      }
    : { samples: ordered, wrong: told }
}

function readRow(row: readonly string[], columns: LogColumns, start_ms: number): Sample | string {
  const cell = (column: number) => row[column] ?? ''
  const at_ms = instantOf(cell(columns.time), columns, start_ms)
  if (at_ms === undefined) return `“${cell(columns.time)}” is no time of that kind.`
  const pressure = numberOf(cell(columns.pressure), columns)
  if (pressure === undefined) return `“${cell(columns.pressure)}” is no pressure.`
  const gauge_Pa = toSi(pressure, columns.pressureUnit)
  if (Math.abs(gauge_Pa) > ranges['gas-pressure'].hard[1])
    return `${cell(columns.pressure)} ${columns.pressureUnit} is no pressure of a gas test.`
  if (columns.temp === null) return { at_ms, gauge_Pa }
  const temp_K = tempOf(cell(columns.temp), columns)
  return temp_K === undefined
    ? `“${cell(columns.temp)}” is no temperature of a pipe.`
    : { at_ms, gauge_Pa, temp_K }
}

/** The temperature of a pipe, K; undefined for what is none or cannot be one. */
function tempOf(text: string, columns: LogColumns): number | undefined {
  const temp = numberOf(text, columns)
  const temp_K = temp === undefined ? NaN : toSi(temp, columns.tempUnit)
  return temp_K >= 230 && temp_K <= 360 ? temp_K : undefined
}

/** A figure with the file's own decimal sign; undefined for what is none. */
function numberOf(
  text: string,
  { decimalComma }: Pick<LogColumns, 'decimalComma'>,
): number | undefined {
  const plain = text.trim()
  const dotted = decimalComma ? plain.replaceAll('.', '').replace(',', '.') : plain
  return /^[-+]?\d+(\.\d+)?$/.test(dotted) ? Number(dotted) : undefined
}

function instantOf(text: string, columns: LogColumns, start_ms: number): number | undefined {
  const { clock, zone_min } = columns
  if (clock === 'seconds' || clock === 'minutes') {
    const count = numberOf(text, columns)
    return count === undefined || count < 0
      ? undefined
      : start_ms + Math.round(count * (clock === 'seconds' ? 1000 : 60_000))
  }
  const utc_ms = clockOf(text.trim(), clock)
  return utc_ms === undefined ? undefined : utc_ms - zone_min * 60_000
}

const written =
  /^(\d{1,4})[-./](\d{1,2})[-./](\d{1,4})[T ]+(\d{1,2}):(\d{2})(?::(\d{2})(?:[.,](\d{1,3}))?)?/

type Six = readonly [number, number, number, number, number, number]

/** The six figures of a written instant; seconds that are left out are none. */
const numbersOf = (parts: readonly (string | undefined)[]): Six =>
  [1, 2, 3, 4, 5, 6].map((i) => Number(parts[i] ?? 0)) as unknown as Six

/**
 * A clock as if it stood at UTC, ms since 1970; undefined for a day or an hour that there is not.
 */
function clockOf(
  text: string,
  order: Exclude<LogClock, 'seconds' | 'minutes'>,
): number | undefined {
  const parts = written.exec(text)
  if (!parts) return undefined
  const [first, second, third, hour, minute, seconds] = numbersOf(parts)
  const orders = {
    'year-first': [first, second, third],
    'day-first': [third, second, first],
    'month-first': [third, first, second],
  } as const
  const [year, month, day] = orders[order]
  const at_ms = Date.UTC(year, month - 1, day, hour, minute, seconds)
  // A thirteenth month, a thirtieth of February or a twenty-fifth hour come out as another: they
  // are none.
  const back = new Date(at_ms).toISOString()
  const two = (value: number) => String(value).padStart(2, '0')
  const same = `${year}-${two(month)}-${two(day)}T${two(hour)}:${two(minute)}:${two(seconds)}`
  if (year < 1990 || !back.startsWith(same)) return undefined
  return at_ms + Number((parts[7] ?? '0').padEnd(3, '0'))
}

/** What the head of a file seems to say; to be looked at, never taken unseen. */
export function guessColumns(
  head: readonly string[],
  first: readonly string[],
  zone_min: number,
): LogColumns {
  const find = (words: RegExp) => head.findIndex((text) => words.test(text))
  const time = Math.max(0, find(/time|date|clock|zeit|^t$/i))
  const pressure = find(/press|mbar|kpa|psi|druck|w\.?c/i)
  const temp = find(/temp|°|deg/i)
  const headOf = (column: number) => head[column] ?? ''
  const at = first[time] ?? ''
  return {
    time,
    clock: guessClock(headOf(time), at),
    pressure: pressure < 0 ? Math.min(1, head.length - 1) : pressure,
    pressureUnit: guessPressure(headOf(pressure)),
    temp: temp < 0 || temp === pressure ? null : temp,
    tempUnit: /°?\bF\b|fahr/i.test(headOf(temp)) ? 'F' : 'C',
    decimalComma: first.some((text) => /^\s*-?\d+,\d+\s*$/.test(text)),
    zone_min,
  }
}

function guessClock(head: string, at: string): LogClock {
  if (/^\d{4}[-./]/.test(at)) return 'year-first'
  if (/^\d{1,2}[-./]\d/.test(at)) return 'day-first'
  return /min/i.test(head) ? 'minutes' : 'seconds'
}

function guessPressure(head: string): LogColumns['pressureUnit'] {
  if (/kpa/i.test(head)) return 'kPa'
  if (/psi/i.test(head)) return 'psi'
  if (/w\.?c/i.test(head)) return 'inwc'
  return /\bpa\b/i.test(head) ? 'Pa' : 'mbar'
}
