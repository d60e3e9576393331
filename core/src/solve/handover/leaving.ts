import { fitted } from '../../job/asked'
import type { JobDocument } from '../../job/document'
import { burnsGas } from '../../job/fields'
import { inWords } from '../../job/questions'
import type { BodyOf, JobRecord } from '../../job/records'
import { ofKind } from '../../job/records'
import type { Practice } from '../../practice/practice'
import { isSmall } from '../../work/kinds'
import { workItems } from '../../work/list'

/** Something that is looked at once more before one leaves. */
export interface LeavingItem {
  readonly id: string
  /** As it is when it is done; the practice's words in braces. */
  readonly says: string
  readonly why: string
  /** What has to be written down with it; none where a mark is enough. */
  readonly write?: string
  readonly applies: (document: JobDocument) => boolean
}

const burns = (document: JobDocument): boolean =>
  fitted(document.appliances).some(({ kind }) => burnsGas(kind) || kind === 'solid-fuel-boiler')
const isNewHere = (document: JobDocument): boolean =>
  document.appliances.some(({ stay }) => stay === 'new')

/** What is asked before one leaves, in the order one walks. Common practice, no source. */
export const leavingItems = [
  {
    id: 'back-on',
    says: 'Water, gas and power are on again wherever they were on before',
    why: 'What was shut for the work and forgotten is found by whoever comes home to it.',
    applies: () => true,
  },
  {
    id: 'seals',
    says: 'Seals that the maker put on gas valve and limits are whole, or what was broken is written down',
    why: 'A broken seal without a reason makes the next engineer distrust every setting behind it.',
    applies: (document) => isNewHere(document) && burns(document),
  },
  {
    id: 'settings',
    says: 'Settings that were changed from the factory’s are written down',
    why: 'A reset or a new board brings the factory’s back, and nobody remembers.',
    write: 'Which, from what to what; “none” where nothing was changed',
    applies: isNewHere,
  },
  {
    id: 'filters',
    says: 'Filter and strainer were cleaned after the first running',
    why: 'The first hours bring down most of the dirt; a full strainer looks like a weak {pump}.',
    applies: (document) => document.heating !== null,
  },
  {
    id: 'aerators',
    says: 'Aerators and shower heads are rinsed and back on',
    why: 'They catch what the flushing loosened, and then the heater is blamed.',
    applies: (document) => document.hotWater !== null,
  },
  {
    id: 'labels',
    says: 'Labels hang at {vessel}, {reliefValve} and shut-offs',
    why: 'Whoever shuts something in a hurry reads no manual.',
    applies: (document) => document.heating !== null || document.hotWater !== null,
  },
  {
    id: 'alarm',
    says: 'A carbon monoxide alarm stands where its maker says, and sounded when it was tested',
    why: 'Carbon monoxide cannot be smelt; an alarm is the only thing awake at night.',
    applies: burns,
  },
  {
    id: 'photographed',
    says: 'The finished work is photographed, with plates, valves and labels in the picture',
    why: 'In eight years it is the only thing that shows how it stood.',
    applies: () => true,
  },
  {
    id: 'shown',
    says: 'Whoever lives here was shown what shuts where, what the gauge reads, the controls, and what to do when something smells or drips',
    why: 'What was shown by hand is remembered at night; what was handed over as paper is not.',
    write: 'Who was shown it',
    applies: () => true,
  },
] as const satisfies readonly LeavingItem[]

export interface JudgedLeaving {
  readonly id: string
  readonly says: string
  readonly why: string
  readonly write?: string
  readonly answered?: {
    readonly recordId: string
    readonly at: string
    readonly by: string
    readonly body: BodyOf<'leaving'>
  }
}

/**
 * What is asked of this job before one leaves, with what was last answered to it. A small job asks
 * none of it, and nothing is asked that stands in the work list.
 */
export function judgeLeaving(
  document: JobDocument,
  practice: Practice,
  entries: readonly JobRecord[],
): readonly JudgedLeaving[] {
  if (isSmall(document)) return []
  const listed = new Set<string>(workItems(document).map(({ id }) => id))
  const records = ofKind(entries, 'leaving')
  return (leavingItems as readonly LeavingItem[])
    .filter((item) => !listed.has(item.id) && item.applies(document))
    .map(({ id, says, why, write }) => {
      const last = records.findLast(({ body }) => body.item === id)
      return {
        id,
        says: inWords(says, practice.words),
        why: inWords(why, practice.words),
        ...(write === undefined ? {} : { write }),
        ...(last
          ? { answered: { recordId: last.id, at: last.at, by: last.by, body: last.body } }
          : {}),
      }
    })
}

/** Where a householder shuts things, as far as they are here. */
export const shutOffsAsked = (document: JobDocument): readonly ('gas' | 'water' | 'power')[] => [
  ...(fitted(document.appliances).some(({ kind }) => burnsGas(kind)) ||
  document.gas.segments.length > 0
    ? (['gas'] as const)
    : []),
  'water',
  'power',
]

const shutWords = { gas: 'gas', water: 'water', power: 'the electricity' } as const

/** What the householder's page still lacks, each in a line. */
export function householderLacks(document: JobDocument): readonly string[] {
  if (isSmall(document)) return []
  const { shutOffs, call } = document.handover
  return [
    ...shutOffsAsked(document)
      .filter((one) => shutOffs[one].trim() === '')
      .map((one) => `Where ${shutWords[one]} is shut is not said`),
    ...(call.name.trim() === '' || call.phone.trim() === ''
      ? ['Whom the householder calls is not said']
      : []),
  ]
}
