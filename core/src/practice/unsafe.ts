import type { Source } from '../answer/sources'
import type { PracticeName } from './practiceNames'

/** How bad it is: it may hurt somebody now, or it may if something else goes wrong. */
export const unsafeClasses = ['immediate', 'at-risk'] as const
export type UnsafeClass = (typeof unsafeClasses)[number]

export interface UnsafeRules {
  /** The classes as they are called here, and what each asks for. */
  readonly classes: Readonly<Record<UnsafeClass, { readonly name: string; readonly asks: string }>>
  /** Who is told beside the person responsible. */
  readonly tell: string
  readonly label: string
  readonly source: Source
}

const remembered = (says: string): Source => ({
  basis: 'from-memory',
  says: `${says}, as remembered: check the current edition`,
})

/** What an unsafe situation is called in each place, and what is done about it. All from memory. */
export const unsafeRules: Readonly<Record<PracticeName, UnsafeRules>> = {
  'uk-ireland': {
    classes: {
      immediate: {
        name: 'Immediately dangerous',
        asks: 'With consent it is disconnected or shut off there and then; without it the gas emergency line is told before you leave.',
      },
      'at-risk': {
        name: 'At risk',
        asks: 'With consent it is turned off, and not used until it is put right.',
      },
    },
    tell: 'The responsible person in writing; the landlord; some situations by law to the safety authority',
    label: 'Do not use',
    source: remembered('UK unsafe situations procedure'),
  },
  'north-america': {
    classes: {
      immediate: {
        name: 'Immediate hazard',
        asks: 'Shut off, disconnected or capped, and tagged. It stays off until somebody licensed has put it right.',
      },
      'at-risk': {
        name: 'Hazard to be corrected',
        asks: 'May run until the date on the notice where the local rule allows it; tagged with that date.',
      },
    },
    tell: 'The owner and the occupant in writing; the gas supplier; the authority having jurisdiction where its rule asks',
    label: 'Hazard tag',
    source: remembered('Practice of gas suppliers and local authorities'),
  },
  'australia-new-zealand': {
    classes: {
      immediate: {
        name: 'Immediately unsafe',
        asks: 'Made safe: disconnected or isolated and sealed. The technical regulator or the network is told as the local rule asks.',
      },
      'at-risk': {
        name: 'Not safe as it is',
        asks: 'A defect notice with a date; turned off where the person responsible agrees.',
      },
    },
    tell: 'The owner in writing; the technical regulator or network operator as the local rule asks',
    label: 'Defect notice',
    source: remembered('State and territory gas rules, New Zealand gas regulations'),
  },
}
