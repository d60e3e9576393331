import type { Severity } from '../../answer/finding'
import type { PlaceFinding } from './wording'
import { sources } from '../../answer/sources'
import type { JobDocument } from '../../job/document'
import type { Practice } from '../../practice/practice'
import { schools, sideOf } from '../../practice/schools'
import type { LookKey } from '../../job/questions'
import { draughtConditions, inWords, judgeDraught, lookQuestion } from '../../job/questions'

/** What the place, its air and its services ask for. */
export function placeFindings(
  document: JobDocument,
  practice: Practice,
): {
  readonly findings: readonly PlaceFinding[]
  readonly draught: 'passed' | 'failed' | 'cannot-tell' | 'not-needed' | 'not-tried'
} {
  const { looked, draught, ignitionHeight_m } = document.survey
  const says = (key: LookKey) => looked[key]?.answer
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
  const when = (test: boolean, ...found: PlaceFinding[]) => (test ? found : [])
  const judged = draught ? judgeDraught(draught) : undefined
  const needed = says('openFlued') === 'yes'
  const draughtFinding = (
    id: PlaceFinding['id'],
    severity: Severity,
    names: readonly string[] = [],
  ): PlaceFinding => ({ id, severity, place: 'survey.draught', source: sources.trade, names })
  const always = sideOf('safetyPan', practice.name, document.schools) === 'a'
  const garage = says('location') === 'garage'
  const low = ignitionHeight_m && ignitionHeight_m.value < practice.survey.garageFlame_m - 1e-6
  const findings = [
    ...when(judged?.outcome === 'failed', draughtFinding('draught-failed', 'stop')),
    ...when(
      judged?.outcome === 'cannot-tell',
      draughtFinding('draught-cannot-tell', 'fix', [
        draughtConditions
          .filter((one) => judged?.without.includes(one.id))
          .map((one) => inWords(one.text, practice.words).toLowerCase())
          .join(', ') || 'a clear draught either way',
      ]),
    ),
    ...when(needed && !draught, draughtFinding('draught-not-tried', 'fix')),
    ...when(says('reliefReach') === 'blocked', find('relief-blocked', 'stop', 'reliefReach')),
    ...when(says('reliefReach') === 'hidden', find('relief-out-of-reach', 'fix', 'reliefReach')),
    ...when(
      says('flueRoute') === 'blocked' || says('flueRoute') === 'needs-work',
      find('flue-unsound', says('flueRoute') === 'blocked' ? 'stop' : 'fix', 'flueRoute', [
        says('flueRoute') === 'blocked' ? 'is blocked or unsound' : 'needs work',
      ]),
    ),
    ...when(says('airSource') === 'room-short', find('combustion-air-short', 'stop', 'airSource')),
    ...when(says('vehiclePath') === 'yes', find('vehicle-path', 'fix', 'vehiclePath')),
    ...when(Boolean(garage && low && says('airSource') !== 'sealed'), {
      ...find('ignition-low', 'fix', 'location', [], {
        height_m: ignitionHeight_m?.value ?? 0,
        least_m: practice.survey.garageFlame_m,
      }),
      place: 'survey.ignitionHeight_m',
    }),
    ...when(
      says('livingBelow') === 'yes' || (always && says('livingBelow') === 'no'),
      find('pan-wanted', 'note', 'livingBelow', [
        says('livingBelow') === 'yes'
          ? 'A leak here comes through a ceiling.'
          : `The school chosen: ${schools.safetyPan.a.because}.`,
      ]),
    ),
    ...when(says('shakes') === 'yes', find('straps-wanted', 'note', 'shakes')),
    ...when(says('freezing') === 'yes', find('frost', 'note', 'freezing')),
    ...when(
      says('corrosiveAir') === 'yes',
      find('corrosive-air', says('airSource') === 'sealed' ? 'note' : 'fix', 'corrosiveAir'),
    ),
    ...(['serviceClearance', 'combustibles'] as const).flatMap((key) =>
      when(says(key) === 'short', find('clearance-short', 'fix', key, [lookQuestion(key).label])),
    ),
    ...when(says('drain') === 'none', find('no-drain', 'fix', 'drain')),
    ...when(says('drain') === 'pumped', find('drain-pumped', 'note', 'drain')),
    ...when(
      says('powerIsolator') === 'shared' || says('powerIsolator') === 'none',
      find('supply-shared', 'fix', 'powerIsolator', [
        says('powerIsolator') === 'none' ? 'has no isolator' : 'is shared',
      ]),
    ),
    ...when(says('dripLoop') === 'no', find('no-drip-loop', 'note', 'dripLoop')),
  ]
  return { findings, draught: judged?.outcome ?? (needed ? 'not-tried' : 'not-needed') }
}
