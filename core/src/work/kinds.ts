import type { JobDocument } from '../job/document'
import type { WorkKindId } from '../job/workDocument'
import type { TickItemId } from './tickItems'

/** A kind of work: what it asks for. What it does not name is left as an invitation. */
export interface WorkKind {
  readonly id: WorkKindId
  /** As it stands on the page, the board and the papers; the practice's words in braces. */
  readonly name: string
  readonly says: string
  /** Sheets it asks for, beside the work itself, its list and the handover. */
  readonly sheets: readonly string[]
  readonly list: readonly TickItemId[]
  /** Something comes out: asbestos, heat and power are asked for first. */
  readonly takesOut: boolean
  /**
   * What it isolates, opens and gives back has steps of its own: the list does not ask for it
   * again.
   */
  readonly stepped?: true
  /** A one-page record instead of the whole pack. */
  readonly small: boolean
  /** Parts of the document it cannot be without. */
  readonly needs: readonly ('heating' | 'hot-water' | 'inspecting')[]
}

const survey = ['site', 'readings', 'plates', 'place'] as const
const boilerSheets = [...survey, 'heat', 'vessel', 'relief', 'gas', 'tightness', 'steps'] as const
const heaterSheets = [...survey, 'heat', 'safety', 'relief', 'gas', 'tightness', 'steps'] as const

/** The kinds of work, the one list of them. */
export const workKindList = [
  {
    id: 'heating-new',
    name: 'New heating with a boiler',
    says: 'A circuit, its boiler and everything round it, from the survey to the handover.',
    sheets: [...boilerSheets, 'circuit', 'safety', 'water'],
    list: ['flame-work', 'water-test', 'backflow-tested', 'back-on'],
    takesOut: false,
    small: false,
    needs: ['heating'],
  },
  {
    id: 'boiler-exchanged',
    name: 'Boiler exchanged',
    says: 'A new boiler on a circuit that stays: vessel, relief and gas are worked out again, the circuit if you like.',
    sheets: boilerSheets,
    list: ['isolated', 'gas-shut', 'flame-work', 'backflow-tested', 'back-on'],
    takesOut: true,
    small: false,
    needs: ['heating'],
  },
  {
    id: 'stored-hot-water',
    name: 'Stored hot water, new or exchanged',
    says: 'A store with its inlet group, reliefs, discharge and water feed.',
    sheets: [...survey, 'heat', 'safety', 'relief', 'water', 'steps'],
    list: ['isolated', 'flame-work', 'back-on'],
    takesOut: true,
    small: false,
    needs: ['hot-water'],
  },
  {
    id: 'storage-heater-exchanged',
    name: 'Storage water heater exchanged',
    says: 'Gas, electric or heat pump: plate, relief, vessel, supply, and the taps at the end.',
    sheets: heaterSheets,
    list: ['isolated', 'flame-work', 'back-on'],
    takesOut: true,
    small: false,
    needs: ['hot-water'],
  },
  {
    id: 'instantaneous-heater',
    name: '{instantaneousHeater}, new or exchanged',
    says: 'What it can heat at once, its gas at full rate, the relief it needs.',
    sheets: heaterSheets,
    list: ['isolated', 'flame-work', 'back-on'],
    takesOut: true,
    small: false,
    needs: ['hot-water'],
  },
  {
    id: 'safety-part-exchanged',
    name: 'One safety part exchanged',
    says: 'A {reliefValve}, {temperatureRelief}, {vessel}, {reducingValve} or inlet group: a dozen questions, the steps, one page.',
    sheets: ['exchange', 'steps'],
    list: ['back-on'],
    takesOut: true,
    stepped: true,
    small: true,
    needs: [],
  },
  {
    id: 'burner-part-exchanged',
    name: 'Burner or gas valve part exchanged',
    says: 'The right part, the gas proven again, burner pressure and combustion read.',
    sheets: ['plates', 'steps'],
    list: ['back-on'],
    takesOut: true,
    stepped: true,
    small: true,
    needs: [],
  },
  {
    id: 'leak-made-safe',
    name: 'Gas leak found, made safe and retested',
    says: 'Made safe is one thing, mended another: both are recorded, the first at once.',
    sheets: [],
    list: ['leak-found', 'repaired', 'retest', 'soap', 'purged', 'back-on'],
    takesOut: false,
    small: true,
    needs: [],
  },
  {
    id: 'pipework-restored',
    name: 'Pipework in use cut out and restored',
    says: 'A section emptied, cut, made good, tested and back in use.',
    sheets: ['steps'],
    list: ['section', 'flame-work', 'back-on'],
    takesOut: true,
    stepped: true,
    small: true,
    needs: [],
  },
  {
    id: 'inspection-only',
    name: 'Inspection only',
    says: 'Looked at, held against its limits, reported. Nothing is adjusted.',
    sheets: ['site', 'inspection'],
    list: ['told'],
    takesOut: false,
    small: true,
    needs: ['inspecting'],
  },
  {
    id: 'commissioning-only',
    name: 'Commissioning of what others built',
    says: 'Filled, vented, started and measured; their design is checked as far as you fill it in.',
    sheets: ['site', 'readings', 'plates', 'tightness', 'steps'],
    list: ['built-by', 'backflow-tested', 'back-on'],
    takesOut: false,
    small: false,
    needs: [],
  },
] as const satisfies readonly WorkKind[]

const byId = new Map<WorkKindId, WorkKind>(workKindList.map((kind) => [kind.id, kind]))
export const workKindOf = (id: WorkKindId): WorkKind => {
  const kind = byId.get(id)
  if (!kind) throw new RangeError(`no work ${id}`)
  return kind
}

/** What a job is, in the order of the list. */
export const kindsOf = ({ work }: JobDocument): readonly WorkKind[] =>
  workKindList.filter(({ id }) => work.kinds.includes(id))

/** Every kind is a small one: its paper is one page. */
export const isSmall = (document: JobDocument): boolean => {
  const kinds = kindsOf(document)
  return kinds.length > 0 && kinds.every(({ small }) => small)
}

/** Kinds that bring an appliance of a kind to the job; commissioning takes any. */
const brings: readonly {
  readonly kinds: readonly WorkKindId[]
  readonly appliances: readonly string[]
}[] = [
  { kinds: ['heating-new', 'boiler-exchanged'], appliances: ['boiler', 'solid-fuel-boiler'] },
  { kinds: ['stored-hot-water'], appliances: ['indirect-cylinder'] },
  {
    kinds: ['storage-heater-exchanged'],
    appliances: ['storage-heater', 'electric-storage-heater', 'heat-pump-heater'],
  },
  { kinds: ['instantaneous-heater'], appliances: ['instantaneous-heater'] },
]

/** What the work seems to be by what is filled: offered once to a job that nobody has asked. */
export function guessWork(document: JobDocument): readonly WorkKindId[] {
  const { appliances, survey, work, heating } = document
  const fresh = appliances.filter((one) => one.stay === 'new').map((one) => one.kind)
  const old = appliances.filter((one) => one.stay === 'goes').map((one) => one.kind)
  const brought = brings
    .filter((one) => one.appliances.some((kind) => fresh.includes(kind as never)))
    .map(({ kinds }): WorkKindId =>
      kinds[1] && (old.includes('boiler') || !heating) ? kinds[1] : (kinds[0] as WorkKindId),
    )
  return [
    ...brought,
    ...(work.exchange ? (['safety-part-exchanged'] as const) : []),
    ...(brought.length === 0 && survey.inspecting ? (['inspection-only'] as const) : []),
  ]
}

/** Appliances that are new here though no kind of work that was chosen brings them. */
export const unsaidAppliances = (document: JobDocument): readonly string[] =>
  document.work.kinds.length === 0 || document.work.kinds.includes('commissioning-only')
    ? []
    : document.appliances
        .filter(
          ({ stay, kind }) =>
            stay === 'new' &&
            brings.some(
              (one) =>
                one.appliances.includes(kind) &&
                !one.kinds.some((id) => document.work.kinds.includes(id)),
            ),
        )
        .map(({ name }) => name)
