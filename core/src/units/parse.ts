import { quantityIn } from './format'
import type { Measure } from './measure'
import { echoUnit, isNext0, ranges } from './measure'
import type { Unit, UnitName } from './units'
import { fromSi, toSi, units } from './units'

/**
 * What was made of a text. `question` is asked before an unusual value is used; it never refuses.
 */
export type Parsed =
  | {
      readonly outcome: 'understood'
      readonly si: number
      readonly unit: UnitName
      readonly echo: string
      readonly question?: string
    }
  | {
      readonly outcome: 'ambiguous'
      readonly says: string
      readonly readings: readonly { readonly si: number; readonly text: string }[]
    }
  | { readonly outcome: 'refused'; readonly says: string }

const longestEntry = 80

/**
 * Reads a quantity as people write it: `12 psi`, `0,83 bar`, `7 in wc`, `24 ft 6 in`, `-3 °C`. A
 * bare number takes `shown`. Comma and point are both decimal and a space groups digits; a comma
 * before exactly three digits is offered both ways. Gives SI (gauge pressure stays gauge). Never
 * throws: what it cannot read it says, with what it accepts.
 */
export function parseQuantity(text: string, measure: Measure, shown: UnitName): Parsed {
  const tidy = text
    .normalize('NFKC')
    .replace(/[\u2212\u2013]/g, '-')
    .replace(/[\s\u2009\u202f]+/g, ' ')
    .trim()
  if (tidy === '') return refused('Nothing is written here.', shown)
  if (tidy.length > longestEntry)
    return refused(
      `That is ${tidy.length} characters long; a value and its unit fit in ${longestEntry}.`,
      shown,
    )
  const [first, second] = splitParts(tidy)
  if (!first) return refused(`“${tidy}” does not start with a number.`, shown)

  const unit = first.word === '' ? shown : unitOf(first.word, measure)
  if (!unit) return unknownUnit(first.word, measure, shown)
  const readings = readNumber(first.digits)
  if (readings.length === 0) return refused(`“${first.digits}” is not one number.`, shown)

  const extra = second ? smallerPart(second, measure) : 0
  if (extra === undefined)
    return refused(`“${tidy}” holds two figures; only lengths may, as in 24 ft 6 in.`, shown)
  const [only, other] = readings.map((figure) => toSi(figure, unit) + extra)
  if (only === undefined) return refused(`“${tidy}” is not one number.`, shown)
  if (other !== undefined) {
    const choices = readings.map((figure, index) => ({
      si: index === 0 ? only : other,
      text: `${trimmed(figure)} ${units[unit].symbol}`,
    }))
    return {
      outcome: 'ambiguous',
      says: `“${first.digits}” can be read two ways: is it ${choices.map((c) => c.text).join(' or ')}?`,
      readings: choices,
    }
  }
  return withinRange(only, measure, unit, shown)
}

/** What a second figure adds, SI: inches to feet. Undefined where there can be none. */
function smallerPart(part: Part, measure: Measure): number | undefined {
  const unit = unitOf(part.word, measure)
  const [figure, other] = readNumber(part.digits)
  if (ranges[measure].kind !== 'length' || !unit || figure === undefined || other !== undefined)
    return undefined
  return toSi(figure, unit)
}

/**
 * Judges a value already in SI against what the measure can be: the same answer that typing it
 * would give.
 */
export function withinRange(
  si: number,
  measure: Measure,
  unit: UnitName,
  shown: UnitName = unit,
): Parsed {
  if (!Number.isFinite(si)) return refused('That is not a finite number.', shown)
  const says = cannotBe(si, measure, unit)
  if (says !== undefined) return { outcome: 'refused', says }
  const { usual } = ranges[measure]
  const inShown = (value: number) => quantityIn(value, unit)
  const second = unit === shown ? echoUnit(measure, unit) : shown
  const echo = [quantityIn(si, unit), ...(second ? [quantityIn(si, second)] : [])].join(' = ')
  const unusual = si < usual[0] || si > usual[1]
  return {
    outcome: 'understood',
    si,
    unit,
    echo,
    ...(unusual
      ? {
          question: `${echo} is unusual here: ${inShown(usual[0])} to ${inShown(usual[1])} is common. Is the unit right?`,
        }
      : {}),
  }
}

/** Why a value is none that the measure can have. */
function cannotBe(si: number, measure: Measure, unit: UnitName): string | undefined {
  const { hard, least = 0 } = ranges[measure]
  const inShown = (value: number) => quantityIn(value, unit)
  if (si < hard[0] || si > hard[1]) {
    const below = measure === 'temperature' && si < 0 ? ' That is below absolute zero.' : ''
    return `${inShown(si)} cannot be.${below} Accepted: ${inShown(hard[0])} to ${inShown(hard[1])}.`
  }
  return isNext0(si, measure)
    ? `That is next to nothing. Accepted: 0, or from ${fromSi(least, unit).toPrecision(2)} ${units[unit].symbol} on. Is the unit right?`
    : undefined
}

const refused = (what: string, shown: UnitName): Parsed => ({
  outcome: 'refused',
  says: `${what} Write a number with a unit, such as ${example(shown)}.`,
})

const exampleIn: Partial<Record<UnitName, string>> = { mbar: '21', inwc: '7', psi: '12', F: '180' }
const exampleOf: Partial<Record<Unit['kind'], string>> = {
  pressure: '1.2',
  temperature: '80',
  power: '30',
  length: '7.4',
}
const example = (shown: UnitName): string => {
  const unit: Unit = units[shown]
  return `${exampleIn[shown] ?? exampleOf[unit.kind] ?? '10'} ${unit.symbol}`
}

function unknownUnit(word: string, measure: Measure, shown: UnitName): Parsed {
  const { kind } = ranges[measure]
  const elsewhere = Object.values(units).find((unit: Unit) => unit.spellings.includes(squash(word)))
  const accepted = Object.values(units)
    .filter((unit: Unit) => unit.kind === kind)
    .map((unit) => unit.symbol)
    .join(', ')
  const what = elsewhere
    ? `${elsewhere.symbol} measures ${words(elsewhere.kind)}, and this is ${words(kind)}.`
    : `“${word}” is not a unit known here.`
  return {
    outcome: 'refused',
    says: `${what} Accepted: ${accepted}; a bare number means ${units[shown].symbol}.`,
  }
}

const words = (kind: string) => `a ${kind.replace('-', ' ')}`
const squash = (word: string) => word.toLowerCase().replace(/[\s.]/g, '')

function unitOf(word: string, measure: Measure): UnitName | undefined {
  const { kind } = ranges[measure]
  const wanted = squash(word)
  const names = Object.keys(units) as UnitName[]
  // Megapascal and megajoule differ from milli only by their capital.
  if (word.startsWith('MPa') && kind === 'pressure') return 'MPa'
  return names.find(
    (name) =>
      units[name].kind === kind && (units[name].spellings as readonly string[]).includes(wanted),
  )
}

interface Part {
  readonly digits: string
  readonly word: string
}

/** `24 ft 6 in` → two parts; `12` → one part with no word. */
function splitParts(text: string): readonly Part[] {
  const number = String.raw`[+-]?[.,]?\d[\d .,]*(?:[eE][+-]?\d+)?`
  const match = new RegExp(
    `^(${number})\\s*([^\\d+-].*?|)(?:\\s*(\\d[\\d.,]*)\\s*([^\\d]+))?$`,
  ).exec(text)
  if (!match?.[1] || !/\d/.test(match[1])) return []
  const first = { digits: match[1].trim(), word: (match[2] ?? '').trim() }
  // A unit may itself hold a digit (`m3/h`, `in2`): then the tail belongs to it.
  if (match[3] === undefined) return [first]
  const joined = `${first.word}${match[3]}${match[4] ?? ''}`
  const isUnit = Object.values(units).some((unit: Unit) => unit.spellings.includes(squash(joined)))
  return isUnit
    ? [{ digits: first.digits, word: joined }]
    : [first, { digits: match[3], word: (match[4] ?? '').trim() }]
}

/**
 * Every number the digits may stand for: one, two when a comma is followed by exactly three digits,
 * none when they are not a number.
 */
function readNumber(digits: string): number[] {
  // A space groups digits: by threes, as in 12 000, or it is not one number.
  if (digits.includes(' ') && !/^[+-]?\d{1,3}( \d{3})+([.,]\d+)?$/.test(digits)) return []
  const packed = digits.replace(/ /g, '')
  const [mantissa = '', exponent] = packed.split(/[eE]/)
  const power = exponent === undefined ? 0 : Number(exponent)
  const figures = plainFigures(mantissa).map((figure) => Number(figure) * 10 ** power)
  return figures.every(Number.isFinite) ? figures : []
}

/** The figures that commas and points may stand for, each with a decimal point or none. */
function plainFigures(mantissa: string): readonly string[] {
  const marks = mantissa.replace(/[^,.]/g, '')
  if (marks === '' || marks === '.') return [mantissa]
  if (marks === ',') {
    const decimal = mantissa.replace(',', '.')
    return /,\d{3}$/.test(mantissa) ? [decimal, mantissa.replace(',', '')] : [decimal]
  }
  const grouped = withoutGroups(mantissa, marks)
  return grouped === undefined ? [] : [grouped]
}

/**
 * Several marks: the last one is decimal and the others group, or all are the same and group.
 * Undefined where they do neither.
 */
function withoutGroups(mantissa: string, marks: string): string | undefined {
  const mark = marks.slice(-1)
  const grouping = mark === ',' ? '.' : ','
  const repeats = marks.indexOf(mark) < marks.length - 1
  if (repeats && marks.includes(grouping)) return undefined
  const last = mantissa.lastIndexOf(mark)
  const [whole, decimals] = repeats
    ? [mantissa, '']
    : [mantissa.slice(0, last), `.${mantissa.slice(last + 1)}`]
  const [first = '', ...groups] = whole.split(repeats ? mark : grouping)
  const wellGrouped = first.length > 0 && groups.every((group) => group.length === 3)
  return wellGrouped ? `${first}${groups.join('')}${decimals}` : undefined
}

const trimmed = (figure: number) => String(Math.round(figure * 1e6) / 1e6)
