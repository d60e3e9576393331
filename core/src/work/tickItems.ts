import type { ExchangedPart } from '../job/workDocument'
import type { Ticket } from '../practice/tickets'
import type { Measure } from '../units/measure'

export const tickGroups = ['before', 'work', 'test', 'after'] as const
export type TickGroup = (typeof tickGroups)[number]

/**
 * One thing of a work list: done or not called for here, by whom, when, and with what reading.
 * Words in braces are the practice's.
 */
export interface TickItem {
  readonly id: string
  readonly group: TickGroup
  readonly says: string
  /** What it decides or guards against. */
  readonly why: string
  readonly ticket?: Ticket
  readonly reading?: { readonly label: string; readonly measure: Measure }
  /** Something to write down with it, needed. */
  readonly text?: string
  /** Only where one of these parts is exchanged. */
  readonly parts?: readonly ExchangedPart[]
  /** It cannot be passed over with a reason. */
  readonly always?: true
  /** That none is called for, or another firm did it, anyone says; its ticket is for doing it. */
  readonly anyoneSaysNotHere?: true
  /** Asked on lists of before, and a step of a sequence now: shown where it was ticked. */
  readonly before?: true
}

const reliefs: readonly ExchangedPart[] = ['relief-valve', 'temperature-pressure-valve']

/**
 * Every item there is, in the order of work. Common practice, no source; the maker's instructions
 * and local rules come first.
 */
export const tickItems = [
  {
    id: 'asbestos',
    group: 'before',
    says: 'Looked for asbestos: rope, board, lagging, old gaskets',
    why: 'If in doubt it is left alone and reported; nothing is broken up to see.',
  },
  {
    id: 'dead',
    group: 'before',
    says: 'Power off, locked and proven dead',
    why: 'A cover is a guard: what is behind it is taken for live until a tester says no.',
    ticket: 'electrical',
  },
  {
    id: 'cool',
    group: 'before',
    says: 'Cooled until a hand can stay on it',
    why: 'Water at 60 °C and over scalds within seconds; under pressure it flashes to steam.',
  },
  {
    id: 'isolated',
    group: 'before',
    says: 'Heat off, feed and make-up shut, what was shut put on the off strip',
    why: 'Nobody opens a valve on somebody who has a pipe apart.',
  },
  {
    id: 'let-down',
    before: true,
    group: 'before',
    says: 'Pressure let down through a drain, not through the relief',
    why: 'The gauge at 0 proves it; a stuck gauge is proven by the open drain.',
    reading: { label: 'Gauge after letting down', measure: 'water-pressure' },
    parts: [...reliefs, 'expansion-vessel', 'reducing-valve', 'inlet-group'],
  },
  {
    id: 'gas-shut',
    group: 'before',
    says: 'Gas shut before the part, shut proven',
    why: 'A valve that lets by feeds the room while the pipe is open.',
    ticket: 'gas',
  },
  {
    id: 'bonded',
    before: true,
    group: 'before',
    says: 'Pipe bridged across the cut before it is cut',
    why: 'A pipe may carry the current of a fault somewhere else in the house.',
  },
  {
    id: 'section',
    group: 'before',
    says: 'Which section is out of use, and what hangs on it',
    why: 'Neighbours, other floors and legs above the cut drain or go cold with it.',
    text: 'From where to where',
  },
  {
    id: 'leak-found',
    group: 'before',
    says: 'The leak found',
    why: 'By soap and by gauge: each finds what the other misses. Never by a flame.',
    text: 'Where it was',
    ticket: 'gas',
  },
  {
    id: 'part-number',
    before: true,
    group: 'work',
    says: 'The part is for this model and this gas',
    why: 'The maker’s list says so, not its looks.',
    text: 'Part and its number',
    ticket: 'gas',
  },
  {
    id: 'fitted',
    before: true,
    group: 'work',
    says: 'New part fitted: arrow with the flow, sealed as its maker says, left unstrained',
    why: 'Two wrenches, the larger holds the fixed part. A relief is hand-tight and a turn or so, its tag left on.',
  },
  {
    id: 'charge',
    before: true,
    group: 'work',
    says: 'Charge gauged with the water side empty, set for this plant',
    why: 'Factory charge leaks in store.',
    reading: { label: 'Charge', measure: 'water-pressure' },
    parts: ['expansion-vessel'],
  },
  {
    id: 'restored',
    before: true,
    group: 'work',
    says: 'Section made good, supported, nothing left loose',
    why: 'Every press recounted, every union tightened: what is not in the list is what leaks.',
  },
  {
    id: 'flame-work',
    group: 'work',
    says: 'Joints made with a flame: cleared round them, water at hand, the last one two hours before leaving',
    why: 'What smoulders shows after hours. How long somebody watches, and whose leave it wants, the insurer and the site say; joints pressed, pushed or threaded want none.',
    text: 'Where, and when the last flame was out',
    ticket: 'flame',
    anyoneSaysNotHere: true,
  },
  {
    id: 'repaired',
    group: 'work',
    says: 'What leaked is repaired or renewed',
    why: 'Made safe is not mended: this is the mending.',
    text: 'What was done',
    ticket: 'gas',
  },
  {
    id: 'water-test',
    group: 'test',
    says: 'Pipes tested with water, the weakest part taken into account',
    why: 'Never above the weakest part in the section. Start, end, time and temperature.',
    reading: { label: 'Held at', measure: 'water-pressure' },
  },
  {
    id: 'backflow-tested',
    group: 'test',
    says: 'The backflow preventer of the make-up tested as fitted: each check, and the port that opens',
    why: 'What was in the circuit stays out of the glass only while both checks hold. Who may test it, how often and on which form, the water company says.',
    text: 'What each check held, when the port opened, number of the report',
    ticket: 'backflow',
    anyoneSaysNotHere: true,
  },
  {
    id: 'retest',
    group: 'test',
    says: 'Tightness tested again, from the whole installation',
    why: 'What was opened is proven, and what was not is proven with it.',
    text: 'Start, end, time',
    ticket: 'gas',
  },
  {
    id: 'soap',
    group: 'test',
    says: 'Every joint that was touched wetted with leak fluid, the test screw last',
    why: 'A leak too small for the gauge shows in soap.',
    ticket: 'gas',
  },
  {
    id: 'burner-pressure',
    before: true,
    group: 'test',
    says: 'Inlet, then {burnerPressure}, by the maker’s chart for this gas and height',
    why: 'Set only with the chart in hand; measured always.',
    reading: { label: 'At the burner', measure: 'gas-pressure' },
    ticket: 'gas',
  },
  {
    id: 'combustion',
    before: true,
    group: 'test',
    says: 'Combustion read and inside the maker’s figures',
    why: 'The reading most often missing. CO is what kills.',
    text: 'CO, CO₂ and their ratio',
    ticket: 'gas',
  },
  {
    id: 'flame-proof',
    before: true,
    group: 'test',
    says: 'Flame supervision and limits act when tried',
    why: 'A gas valve that does not shut is the danger the part was bought against.',
    ticket: 'gas',
  },
  {
    id: 'refilled',
    before: true,
    group: 'after',
    says: 'Refilled slowly and vented, cold pressure read',
    why: 'Air left in goes on leaving for days and takes the pressure with it.',
    reading: { label: 'Cold', measure: 'water-pressure' },
  },
  {
    id: 'hot-read',
    before: true,
    group: 'after',
    says: 'Heated to its limit, hot pressure read',
    why: 'That the new relief is dry cold proves nothing.',
    reading: { label: 'Hot', measure: 'water-pressure' },
    parts: [...reliefs, 'expansion-vessel', 'reducing-valve', 'inlet-group'],
  },
  {
    id: 'dry',
    before: true,
    group: 'after',
    says: 'Discharge and joints dry, cold and hot',
    why: 'A paper towel says it better than an eye.',
  },
  {
    id: 'flushed',
    before: true,
    group: 'after',
    says: 'Flushed until clear, and treated as the boiler’s maker asks',
    why: 'Flux and swarf settle in the exchanger. Inhibitor is a dose, not a habit.',
    text: 'Dose, hardness, pH',
  },
  {
    id: 'disinfected',
    before: true,
    group: 'after',
    says: 'New drinking-water pipes flushed and disinfected as the practice here has it',
    why: 'Dirt and dwell from the work reach the glass.',
    text: 'How, for how long, rinsed until',
  },
  {
    id: 'tap-read',
    before: true,
    group: 'after',
    says: 'Hottest {tap} read after it has run',
    why: 'Scalding is judged at the outlet, not at the dial.',
    reading: { label: 'At the outlet', measure: 'temperature' },
  },
  {
    id: 'purged',
    group: 'after',
    says: 'Purged, relit, every burner and pilot seen',
    why: 'A pilot that went out while the gas was off is the next smell of gas.',
    ticket: 'gas',
  },
  {
    id: 'back-on',
    group: 'after',
    says: 'Everything back as it was found: valves, power, controls, feed',
    why: 'What is left off is found by the occupant at night.',
    always: true,
  },
  {
    id: 'built-by',
    group: 'before',
    says: 'Who built it, and what of their papers is here',
    why: 'What others built is commissioned on their word: tests that were not seen are made again.',
    text: 'Name, and what was handed over',
  },
  {
    id: 'told',
    group: 'after',
    says: 'What was found is told and left in writing',
    why: 'What is unsafe is said the same day, to the person whose house it is.',
    text: 'To whom',
  },
] as const satisfies readonly TickItem[]

export type TickItemId = (typeof tickItems)[number]['id']
