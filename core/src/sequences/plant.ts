import type { JobDocument } from '../job/document'

/**
 * The installation as the work on it sees it: things that stand one way or another, what is known
 * of each, and what must never come together. A thing is named by its kind and what it belongs to,
 * as in `water.heating`. What nobody has recorded is unknown, and unknown never reads as fine.
 */

/** What there is of an installation, and how it may stand; `{of}` is what it belongs to. */
export const thingKinds = {
  supply: {
    says: 'the electricity of {of}',
    values: { on: 'on', off: 'off', dead: 'off and proved dead' },
  },
  heat: { says: 'what is in {of}', values: { cooled: 'cool enough to open', hot: 'hot' } },
  water: {
    says: 'the water side of {of}',
    values: { empty: 'empty', full: 'full, with air in it', vented: 'full and vented' },
  },
  pressure: { says: '{of}', values: { none: 'without pressure', under: 'under pressure' } },
  relief: {
    says: 'the relief of {of} with its discharge',
    values: { 'in-place': 'in place and open to its end', away: 'not in place' },
  },
  outlet: { says: 'the outlet at {of}', values: { open: 'open', shut: 'shut' } },
  lever: {
    says: 'the fast-fill lever of {of}',
    values: { over: 'over', automatic: 'on automatic' },
  },
  link: { says: 'the filling link of {of}', values: { linked: 'on', off: 'off and capped' } },
  latch: {
    says: 'the zone valves of {of}',
    values: { latched: 'latched by hand', automatic: 'on automatic' },
  },
  cold: { says: 'the cold inlet of {of}', values: { open: 'open', shut: 'shut' } },
  part: { says: 'the part at {of}', values: { out: 'out', in: 'in and made up' } },
  flame: { says: 'the burner of {of}', values: { out: 'out', lit: 'lit' } },
  gas: { says: 'the gas at {of}', values: { on: 'on', shut: 'shut' } },
  proof: {
    says: 'the gas pipe to {of}',
    values: { proved: 'tested tight as it is', open: 'not tested tight as it is' },
  },
  purged: { says: 'the gas pipe at {of}', values: { gas: 'purged to gas', air: 'full of air' } },
  flue: {
    says: 'the way out of burnt gas of {of}',
    values: { whole: 'seen whole and drawing', open: 'not whole' },
  },
  wire: {
    says: 'the sensor wire of {of}',
    values: { parted: 'parted', whole: 'whole' },
  },
  joint: { says: 'the gas joint at {of}', values: { apart: 'apart', made: 'made or capped' } },
  bond: { says: 'the temporary bond at {of}', values: { on: 'on', off: 'off' } },
  dosed: { says: 'the water of {of}', values: { high: 'dosed', rinsed: 'fit to drink' } },
} as const satisfies Readonly<
  Record<string, { readonly says: string; readonly values: Readonly<Record<string, string>> }>
>
export type ThingKind = keyof typeof thingKinds
export type ThingId = `${ThingKind}.${string}`
export type ValueOf<K extends ThingKind> = keyof (typeof thingKinds)[K]['values'] & string

/** Things and how they stand after something was done or seen. */
export type Changes = Readonly<Partial<Record<ThingId, string>>>

/** A thing set to a value of its own kind. */
export const set = <K extends ThingKind>(kind: K, of: string, value: ValueOf<K>): Changes => ({
  [`${kind}.${of}` as ThingId]: value,
})

/** How a thing is known to stand, and since when. */
export interface SeenAs {
  readonly value: string
  readonly at: string
  readonly by: string
}
/** What is known of the installation. What is not in it is unknown. */
export type PlantState = ReadonlyMap<string, SeenAs>

/** What a guard or a danger asks of one thing: one of these values, or none of them. */
export interface Condition {
  readonly thing: ThingId
  readonly values: readonly string[]
  readonly not?: true
}
export const is = <K extends ThingKind>(
  kind: K,
  of: string,
  ...values: readonly ValueOf<K>[]
): Condition => ({ thing: `${kind}.${of}`, values })
export const isNot = <K extends ThingKind>(
  kind: K,
  of: string,
  ...values: readonly ValueOf<K>[]
): Condition => ({ thing: `${kind}.${of}`, values, not: true })

export type Three = 'yes' | 'no' | 'unknown'

/** Whether a condition is met: unknown while nobody has recorded how the thing stands. */
export function met({ thing, values, not }: Condition, known: PlantState): Three {
  const seen = known.get(thing)
  if (seen === undefined) return 'unknown'
  return values.includes(seen.value) === (not === undefined) ? 'yes' : 'no'
}

/** All of several: no as soon as one is not met, unknown while none is and one is unknown. */
export function metAll(conditions: readonly Condition[], known: PlantState): Three {
  const told = conditions.map((one) => met(one, known))
  if (told.includes('no')) return 'no'
  return told.includes('unknown') ? 'unknown' : 'yes'
}

/** What must never come together, whichever step or hand would bring it about. */
export interface Hazard {
  readonly id: string
  /** What would happen, as a sentence. */
  readonly says: string
  /** The danger is there when all of these are. */
  readonly when: readonly Condition[]
  /** It lies in the change of this one thing, not in how things stay. */
  readonly changing?: ThingId
}

/** A water side: a circuit with its boilers, a store, a heater, a section that is emptied. */
export interface Wet {
  readonly of: string
  /** How it is filled, where that can be forgotten. */
  readonly filledBy?: 'lever' | 'link'
  /** It holds drinking water that may stand dosed. */
  readonly dosed?: true
  /** A length of pipe with no relief of its own. */
  readonly bare?: true
}

const relieved = (of: string): readonly Hazard[] => [
  {
    id: `no-relief.${of}`,
    says: 'It would stand under pressure without its relief: the relief and its discharge come first.',
    when: [is('pressure', of, 'under'), isNot('relief', of, 'in-place')],
  },
  {
    id: `heat-no-relief.${of}`,
    says: 'It would be heated without its relief: the relief and its discharge come first.',
    when: [is('heat', of, 'hot'), isNot('relief', of, 'in-place')],
  },
]

const dry = (of: string): readonly Hazard[] => [
  {
    id: `dry-start.${of}`,
    says: 'It would run dry: nothing gets power before the water side is full and vented.',
    when: [is('supply', of, 'on'), isNot('water', of, 'vented')],
  },
  {
    id: `dry-flame.${of}`,
    says: 'It would be fired dry: no flame before the water side is full and vented.',
    when: [is('flame', of, 'lit'), isNot('water', of, 'vented')],
  },
]

const opened = (of: string): readonly Hazard[] => [
  {
    id: `opened-hot.${of}`,
    says: 'It would be opened hot: it scalds within seconds.',
    when: [is('part', of, 'out'), isNot('heat', of, 'cooled')],
    changing: `part.${of}`,
  },
  {
    id: `opened-under-pressure.${of}`,
    says: 'It would be open while it is under pressure: let down before, made up after.',
    when: [is('part', of, 'out'), isNot('pressure', of, 'none')],
  },
  {
    id: `opened-live.${of}`,
    says: 'It would be open while its heat or pump can start: electricity off first, on last.',
    when: [is('part', of, 'out'), isNot('supply', of, 'off', 'dead')],
  },
  {
    id: `filled-open.${of}`,
    says: 'Water would be let into an open pipe: every part is in and made up first.',
    when: [is('cold', of, 'open'), isNot('part', of, 'in')],
    changing: `cold.${of}`,
  },
  {
    id: `wire-live.${of}`,
    says: 'A wire would be handled live: isolate, and prove it dead, each time.',
    when: [isNot('supply', of, 'dead')],
    changing: `wire.${of}`,
  },
]

/** What is forgotten on the way from filling to heating. */
const forgotten = {
  lever: (of: string): readonly Hazard[] => [
    {
      id: `main-on-shut.${of}`,
      says: 'Full mains pressure would land on it: the lever goes back before the outlet is shut.',
      when: [is('lever', of, 'over'), isNot('outlet', of, 'open')],
    },
    {
      id: `lever-stays.${of}`,
      says: 'It would be heated with the fast-fill lever over.',
      when: [is('heat', of, 'hot'), isNot('lever', of, 'automatic')],
    },
  ],
  link: (of: string): readonly Hazard[] => [
    {
      id: `link-stays.${of}`,
      says: 'Heating water could pass into the main: the filling link comes off before it is heated.',
      when: [is('heat', of, 'hot'), isNot('link', of, 'off')],
    },
  ],
  dose: (of: string): readonly Hazard[] => [
    {
      id: `drunk-dosed.${of}`,
      says: 'Water with a high dose would be heated and drawn: it is rinsed out first.',
      when: [is('heat', of, 'hot'), isNot('dosed', of, 'rinsed')],
    },
  ],
} as const

const wet = ({ of, filledBy, dosed, bare }: Wet): readonly Hazard[] => [
  ...dry(of),
  ...(bare ? [] : relieved(of)),
  ...opened(of),
  ...(filledBy ? forgotten[filledBy](of) : []),
  ...(dosed ? forgotten.dose(of) : []),
]

/** Something that burns gas, or a pipe that is opened. */
export interface Burning {
  readonly of: string
  /** Metal pipe that is cut: bonded across and purged before. */
  readonly cut?: true
}

const burning = ({ of, cut }: Burning): readonly Hazard[] => [
  {
    id: `flame-unproved.${of}`,
    says: 'There would be a flame on a gas pipe that is not proved: the tightness test comes first.',
    when: [is('flame', of, 'lit'), isNot('proof', of, 'proved')],
  },
  {
    id: `flame-unpurged.${of}`,
    says: 'There would be a flame on a pipe full of air: it is purged first.',
    when: [is('flame', of, 'lit'), isNot('purged', of, 'gas')],
  },
  {
    id: `flame-no-flue.${of}`,
    says: 'Burnt gas would stay in the room: its way out is seen whole first.',
    when: [is('flame', of, 'lit'), isNot('flue', of, 'whole')],
  },
  {
    id: `gas-into-open.${of}`,
    says: 'Gas would come out of an open joint: it is made or capped first.',
    when: [is('gas', of, 'on'), isNot('joint', of, 'made')],
    changing: `gas.${of}`,
  },
  {
    id: `cut-live.${of}`,
    says: 'A gas pipe would be opened with gas in it: shut, secured and proved gone first.',
    when: [is('joint', of, 'apart'), isNot('gas', of, 'shut')],
    changing: `joint.${of}`,
  },
  ...(cut
    ? [
        {
          id: `cut-gassed.${of}`,
          says: 'A pipe would be cut with gas left in it: it is purged to air first.',
          when: [is('joint', of, 'apart'), isNot('purged', of, 'air')],
          changing: `joint.${of}` as const,
        },
        {
          id: `cut-unbonded.${of}`,
          says: 'A metal pipe would stand apart without a bond across it: it may carry the current of a fault elsewhere in the house.',
          when: [is('joint', of, 'apart'), isNot('bond', of, 'on')],
        },
      ]
    : []),
]

/** What of a job is wet, and what burns. The circuit with its boilers goes by `heating`. */
export interface PlantKeys {
  readonly wet: readonly Wet[]
  readonly burning: readonly Burning[]
}

/** The dangers of an installation. */
export const hazardsOf = (keys: PlantKeys): readonly Hazard[] => [
  ...keys.wet.flatMap(wet),
  ...keys.burning.flatMap(burning),
]

/** A danger that a change would bring, or that cannot be told from it. */
export interface Danger {
  readonly hazard: Hazard
  /** `yes`, it would be there; `unknown`, nobody has recorded enough to tell. */
  readonly there: Exclude<Three, 'no'>
  /** What of it is so, or is not known, beside what is changed. */
  readonly because: readonly Condition[]
}

/** How things would stand after a change. */
export function after(known: PlantState, changes: Changes, at = '', by = ''): PlantState {
  const next = new Map(known)
  for (const [thing, value] of Object.entries(changes))
    if (value !== undefined) next.set(thing, { value, at, by })
  return next
}

/** Dangers that a change has a part in. What is unknown counts as a danger. */
export function dangersOf(
  hazards: readonly Hazard[],
  known: PlantState,
  changes: Changes,
): readonly Danger[] {
  const changed = new Set(Object.keys(changes))
  if (changed.size === 0) return []
  const next = after(known, changes)
  return hazards.flatMap((hazard): readonly Danger[] => {
    const touched = hazard.changing
      ? changed.has(hazard.changing)
      : hazard.when.some(({ thing }) => changed.has(thing))
    if (!touched) return []
    const there = metAll(hazard.when, next)
    if (there === 'no') return []
    return [{ hazard, there, because: hazard.when.filter(({ thing }) => !changed.has(thing)) }]
  })
}

/** What a key of the plant is called in a sentence. */
export function keyName(document: JobDocument, key: string): string {
  if (key === 'heating') return 'the heating'
  if (key === 'section') return 'the part of the building that is out of use'
  if (key === 'gas-pipe') return 'the pipe that is cut'
  const appliance = document.appliances.find(({ id }) => id === key)
  return appliance ? appliance.name : 'the plant'
}

const split = (thing: string): readonly [ThingKind, string] => {
  const dot = thing.indexOf('.')
  return [thing.slice(0, dot) as ThingKind, thing.slice(dot + 1)]
}

/** A thing by its name. */
export function thingName(thing: string, document: JobDocument): string {
  const [kind, of] = split(thing)
  return thingKinds[kind].says.replace('{of}', keyName(document, of))
}

/** How a thing stands, in words. */
export function valueWords(thing: string, value: string): string {
  const [kind] = split(thing)
  return (thingKinds[kind].values as Readonly<Record<string, string>>)[value] ?? value
}

/** What is known of a thing, as a clause: `the water side of the heating is empty`. */
export function standsSo(thing: string, known: PlantState, document: JobDocument): string {
  const seen = known.get(thing)
  const name = thingName(thing, document)
  return seen
    ? `${name} is ${valueWords(thing, seen.value)}`
    : `nobody has recorded how it is with ${name}`
}

/** Why something may not be done now. */
export function dangerSays({ hazard, because }: Danger, known: PlantState, document: JobDocument) {
  const clauses = because.map(({ thing }) => standsSo(thing, known, document))
  return clauses.length === 0 ? hazard.says : `${hazard.says} Now: ${clauses.join('; ')}.`
}
