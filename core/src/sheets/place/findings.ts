import type { Severity } from '../../answer/finding'
import type { PlaceFinding } from './wording'
import { sources } from '../../answer/sources'
import type { JobDocument } from '../../job/document'
import type { Practice } from '../../practice/practice'
import { schools, sideOf } from '../../practice/schools'
import type { LookKey } from '../../job/questions'
import { draughtConditions, inWords, judgeDraught, lookQuestion } from '../../job/questions'

const find = (
  id: PlaceFinding['id'],
  severity: Severity,
  key: LookKey,
  names: readonly string[] = [],
  figures: Record<string, number> = {},
): PlaceFinding => ({
  id,
  severity,
  place: `survey.looked.${key}`,
  source: sources.trade,
  names,
  figures,
})

type Says = (key: LookKey) => string | undefined

/** What is found where a question has an answer; nothing where it has another, or none. */
type ByAnswer = Readonly<
  Partial<Record<LookKey, Readonly<Record<string, (key: LookKey, says: Says) => PlaceFinding>>>>
>
const finds =
  (id: PlaceFinding['id'], severity: Severity, ...names: readonly string[]) =>
  (key: LookKey) =>
    find(id, severity, key, names)
const tooNear = (key: LookKey) => find('clearance-short', 'fix', key, [lookQuestion(key).label])

const reachAndAir: ByAnswer = {
  reliefReach: {
    blocked: finds('relief-blocked', 'stop'),
    hidden: finds('relief-out-of-reach', 'fix'),
  },
  flueRoute: {
    blocked: finds('flue-unsound', 'stop', 'is blocked or unsound'),
    'needs-work': finds('flue-unsound', 'fix', 'needs work'),
  },
  airSource: { 'room-short': finds('combustion-air-short', 'stop') },
  vehiclePath: { yes: finds('vehicle-path', 'fix') },
}
const groundAndServices: ByAnswer = {
  shakes: { yes: finds('straps-wanted', 'note') },
  freezing: { yes: finds('frost', 'note') },
  corrosiveAir: {
    yes: (key, says) => find('corrosive-air', says('airSource') === 'sealed' ? 'note' : 'fix', key),
  },
  serviceClearance: { short: tooNear },
  combustibles: { short: tooNear },
  drain: { none: finds('no-drain', 'fix'), pumped: finds('drain-pumped', 'note') },
  powerIsolator: {
    none: finds('supply-shared', 'fix', 'has no isolator'),
    shared: finds('supply-shared', 'fix', 'is shared'),
  },
  dripLoop: { no: finds('no-drip-loop', 'note') },
}

const answered = (table: ByAnswer, says: Says): readonly PlaceFinding[] =>
  (Object.keys(table) as LookKey[]).flatMap((key) => {
    const answer = says(key)
    const made = answer === undefined ? undefined : table[key]?.[answer]
    return made ? [made(key, says)] : []
  })

type Draught = 'passed' | 'failed' | 'cannot-tell' | 'not-needed' | 'not-tried'

const draughtFinding = (
  id: PlaceFinding['id'],
  severity: Severity,
  names: readonly string[] = [],
): PlaceFinding => ({ id, severity, place: 'survey.draught', source: sources.trade, names })

/** Whether the flue draws, where something open-flued depends on it. */
function draughtOf(
  { survey: { draught } }: JobDocument,
  practice: Practice,
  says: Says,
): { readonly draught: Draught; readonly findings: readonly PlaceFinding[] } {
  if (!draught)
    return says('openFlued') === 'yes'
      ? { draught: 'not-tried', findings: [draughtFinding('draught-not-tried', 'fix')] }
      : { draught: 'not-needed', findings: [] }
  const judged = judgeDraught(draught)
  if (judged.outcome === 'failed')
    return { draught: 'failed', findings: [draughtFinding('draught-failed', 'stop')] }
  if (judged.outcome === 'passed') return { draught: 'passed', findings: [] }
  const without = draughtConditions
    .filter((one) => judged.without.includes(one.id))
    .map((one) => inWords(one.text, practice.words).toLowerCase())
    .join(', ')
  const names = [without || 'a clear draught either way']
  return {
    draught: 'cannot-tell',
    findings: [draughtFinding('draught-cannot-tell', 'fix', names)],
  }
}

/** A flame too near the floor of a garage, where vapour of petrol lies. */
function ignitionLow({ survey }: JobDocument, practice: Practice, says: Says) {
  const height_m = survey.ignitionHeight_m?.value
  const least_m = practice.survey.garageFlame_m
  if (says('location') !== 'garage' || says('airSource') === 'sealed') return undefined
  if (height_m === undefined || height_m >= least_m - 1e-6) return undefined
  return {
    ...find('ignition-low', 'fix', 'location', [], { height_m, least_m }),
    place: 'survey.ignitionHeight_m',
  }
}

function panWanted(document: JobDocument, practice: Practice, says: Says) {
  const below = says('livingBelow')
  if (below === 'yes')
    return find('pan-wanted', 'note', 'livingBelow', ['A leak here comes through a ceiling.'])
  const always = sideOf('safetyPan', practice.name, document.schools) === 'a'
  if (below !== 'no' || !always) return undefined
  const school = `The school chosen: ${schools.safetyPan.a.because}.`
  return find('pan-wanted', 'note', 'livingBelow', [school])
}

/** What the place, its air and its services ask for. */
export function placeFindings(
  document: JobDocument,
  practice: Practice,
): { readonly findings: readonly PlaceFinding[]; readonly draught: Draught } {
  const says: Says = (key) => document.survey.looked[key]?.answer
  const { draught, findings } = draughtOf(document, practice, says)
  return {
    draught,
    findings: [
      ...findings,
      ...answered(reachAndAir, says),
      ...[ignitionLow, panWanted].flatMap((rule) => rule(document, practice, says) ?? []),
      ...answered(groundAndServices, says),
    ],
  }
}
