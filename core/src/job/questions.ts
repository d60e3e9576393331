import { withArticles } from '../answer/sentence'
/** A question that is answered by looking. Texts hold `{word}` where the practice has its own. */
export interface LookQuestion {
  readonly key: string
  readonly section: 'main' | 'gas' | 'place' | 'air' | 'services'
  readonly label: string
  /** What the answer decides, shown with the question. */
  readonly why: string
  readonly how: string
  readonly answers: readonly { readonly id: string; readonly text: string }[]
}

const yesNo = [
  { id: 'yes', text: 'Yes' },
  { id: 'no', text: 'No' },
] as const
const closes =
  'Any one of these keeps expanding water from going back: then the hot water needs a {vessel} of its own.'

/**
 * Everything that is looked at on a survey, in the order one walks: the main, the gas, the place,
 * its air, its services.
 */
export const lookQuestions = [
  {
    key: 'mainStopValve',
    section: 'main',
    label: 'The {shutOff} on the main',
    why: 'Everything else hangs on being able to shut it.',
    how: 'Turn it, and open a {tap}',
    answers: [
      { id: 'works', text: 'Works' },
      { id: 'fails', text: 'Does not hold' },
      { id: 'none', text: 'None found' },
    ],
  },
  {
    key: 'mainReducingValve',
    section: 'main',
    label: 'Pressure reducing valve on the main',
    why: closes,
    how: 'Follow the pipe from where it comes in',
    answers: yesNo,
  },
  {
    key: 'mainCheckValve',
    section: 'main',
    label: 'Check valve on the main',
    why: closes,
    how: 'An arrow on a short body',
    answers: yesNo,
  },
  {
    key: 'mainBackflowPreventer',
    section: 'main',
    label: 'Backflow preventer on the main',
    why: closes,
    how: 'Two test cocks, or a vented body',
    answers: yesNo,
  },
  {
    key: 'mainMeterCheck',
    section: 'main',
    label: 'Water meter with a check valve in it',
    why: closes,
    how: 'Marked on the meter',
    answers: yesNo,
  },
  {
    key: 'mainStreetCheck',
    section: 'main',
    label: 'Water company says: a check valve in the street',
    why: 'Seeing none of the others is not proof that the system is open.',
    how: 'Ask the water company',
    answers: yesNo,
  },
  {
    key: 'gasSmell',
    section: 'gas',
    label: 'Smell of gas anywhere',
    why: 'It stops everything else and is reported.',
    how: 'Meter, joints, appliances; never with a flame',
    answers: yesNo,
  },
  {
    key: 'location',
    section: 'place',
    label: 'Where it stands or will stand',
    why: 'Decides ignition height, pan, frost and who is in the way.',
    how: 'Look',
    answers: [
      { id: 'garage', text: 'Garage' },
      { id: 'utility', text: 'Utility or plant room' },
      { id: 'kitchen', text: 'Kitchen' },
      { id: 'cupboard', text: 'Cupboard' },
      { id: 'cellar', text: 'Cellar' },
      { id: 'attic', text: 'Attic' },
      { id: 'crawl-space', text: 'Crawl space' },
      { id: 'outdoors', text: 'Outdoors' },
    ],
  },
  {
    key: 'vehiclePath',
    section: 'place',
    label: 'A vehicle can reach it',
    why: 'It then needs a guard that a car cannot push.',
    how: 'Look',
    answers: yesNo,
  },
  {
    key: 'livingBelow',
    section: 'place',
    label: 'Attic, or living space below',
    why: 'A leak comes through a ceiling: a {pan} with its own drain.',
    how: 'Look',
    answers: yesNo,
  },
  {
    key: 'shakes',
    section: 'place',
    label: 'The ground shakes here',
    why: 'Straps at the upper and lower third, flexible connectors.',
    how: 'Local map',
    answers: yesNo,
  },
  {
    key: 'freezing',
    section: 'place',
    label: 'It can freeze here',
    why: 'Pipes, condensate and the discharge end need protection.',
    how: 'Ask, and look for an outside wall',
    answers: yesNo,
  },
  {
    key: 'corrosiveAir',
    section: 'place',
    label: 'Salt, chlorine or solvents in the air',
    why: 'They eat heat exchangers and cases; air is then taken from elsewhere.',
    how: 'Ask what is stored or washed here',
    answers: yesNo,
  },
  {
    key: 'serviceClearance',
    section: 'place',
    label: 'Room to work on it',
    why: 'What cannot be reached is not serviced.',
    how: 'Tape, against the manual',
    answers: [
      { id: 'kept', text: 'Kept' },
      { id: 'short', text: 'Too little' },
    ],
  },
  {
    key: 'combustibles',
    section: 'place',
    label: 'Clearance to what can burn',
    why: 'Wood dries out and catches fire years later.',
    how: 'Tape, against the manual',
    answers: [
      { id: 'kept', text: 'Kept' },
      { id: 'short', text: 'Too little' },
    ],
  },
  {
    key: 'reliefReach',
    section: 'place',
    label: '{reliefValve}: lever within reach, outlet in sight',
    why: 'One that is hidden weeps for years and is never tried.',
    how: 'Look',
    answers: [
      { id: 'yes', text: 'Yes' },
      { id: 'hidden', text: 'Hidden' },
      { id: 'blocked', text: 'Plugged or capped' },
      { id: 'none', text: 'None there yet' },
    ],
  },
  {
    key: 'airSource',
    section: 'air',
    label: 'Air for burning',
    why: 'A flame short of air makes carbon monoxide.',
    how: 'Openings, or a sealed appliance',
    answers: [
      { id: 'sealed', text: 'Sealed, from outside' },
      { id: 'room-enough', text: 'From the room, enough' },
      { id: 'room-short', text: 'From the room, too little' },
    ],
  },
  {
    key: 'openFlued',
    section: 'air',
    label: 'An open-flued appliance stands or stays here',
    why: 'Then the draught is tried before anything is removed, and again after.',
    how: 'A draught hood, or a flame open to the room',
    answers: yesNo,
  },
  {
    key: 'flueRoute',
    section: 'air',
    label: 'Route for the {flue}',
    why: 'It decides the appliance as often as the heat does.',
    how: 'Walk it to its end',
    answers: [
      { id: 'clear', text: 'Clear' },
      { id: 'needs-work', text: 'Needs work' },
      { id: 'blocked', text: 'Blocked or unsound' },
    ],
  },
  {
    key: 'drain',
    section: 'services',
    label: 'Drain for discharge and condensate',
    why: 'Hot water and acid both have to go somewhere safe.',
    how: 'Pour a bucket',
    answers: [
      { id: 'gravity', text: 'By gravity' },
      { id: 'pumped', text: 'Only pumped' },
      { id: 'none', text: 'None' },
    ],
  },
  {
    key: 'powerIsolator',
    section: 'services',
    label: 'Electrical supply with an isolator of its own',
    why: 'Switching off the heating must not switch off the hot water too.',
    how: 'Switch it, and see what stops',
    answers: [
      { id: 'own', text: 'Its own' },
      { id: 'shared', text: 'Shared' },
      { id: 'none', text: 'None' },
    ],
  },
  {
    key: 'dripLoop',
    section: 'services',
    label: 'Cords make a drip loop below the socket',
    why: 'Water runs along a cord into whatever is at its end.',
    how: 'Look',
    answers: [
      { id: 'yes', text: 'Yes' },
      { id: 'no', text: 'No' },
      { id: 'no-cord', text: 'No cord' },
    ],
  },
] as const satisfies readonly LookQuestion[]

export type LookKey = (typeof lookQuestions)[number]['key']
export type LookAnswer<K extends LookKey> = Extract<
  (typeof lookQuestions)[number],
  { key: K }
>['answers'][number]['id']

export const lookQuestion = (key: LookKey): LookQuestion =>
  lookQuestions.find((question) => question.key === key) ?? lookQuestions[0]

/** What an answer says, as the page writes it. */
export const answerText = (key: LookKey, answer: string): string =>
  lookQuestion(key).answers.find((one) => one.id === answer)?.text ?? answer

/** A text with the practice's words in the place of their names in braces. */
export const withWords = (text: string, words: Readonly<Record<string, string>>): string =>
  withArticles(text.replace(/\{(\w+)\}/g, (_, key: string) => words[key] ?? key))

/** Texts that were said already, by the words they were said in; begun anew when there are many. */
const saidIn = new WeakMap<object, Map<string, string>>()
const mostSaid = 4000

/**
 * A text with the practice's own words in place of `{word}`. A sentence that begins with one begins
 * with a capital. Every step of a job says its texts with every key that is pressed: what was said
 * is kept.
 */
export function inWords(text: string, words: Readonly<Record<string, string>>): string {
  const known = saidIn.get(words) ?? new Map<string, string>()
  const before = known.get(text)
  if (before !== undefined) return before
  const put = withWords(text, words)
  const said = put.charAt(0).toUpperCase() + put.slice(1)
  if (known.size >= mostSaid) known.clear()
  saidIn.set(words, known.set(text, said))
  return said
}

/** What must hold while a draught is tried; without all of it the smoke proves nothing. */
export const draughtConditions = [
  { id: 'windows-shut', text: 'Windows and outside doors shut' },
  { id: 'fans-on', text: 'Every exhaust fan on, dryer too' },
  { id: 'appliances-on', text: 'Every gas appliance burning' },
  { id: 'flue-hot', text: 'Appliance run until its {flue} is hot' },
] as const

export type DraughtCondition = (typeof draughtConditions)[number]['id']

export interface DraughtTrial {
  readonly held: readonly DraughtCondition[]
  readonly smoke: 'in' | 'hovers' | 'out'
}

/**
 * Verdict of a draught trial. Smoke that comes out fails, whatever was not yet in place; smoke
 * drawn in passes only with every condition held. Source: sources.trade.
 */
export function judgeDraught({ held, smoke }: DraughtTrial): {
  readonly outcome: 'passed' | 'failed' | 'cannot-tell'
  readonly without: readonly DraughtCondition[]
} {
  const without = draughtConditions.map((one) => one.id).filter((id) => !held.includes(id))
  if (smoke === 'out') return { outcome: 'failed', without }
  if (smoke === 'hovers')
    return { outcome: without.length === 0 ? 'failed' : 'cannot-tell', without }
  return { outcome: without.length === 0 ? 'passed' : 'cannot-tell', without }
}
