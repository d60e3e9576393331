import { z } from 'zod'
import type { PracticeName } from './practiceNames'

export interface School {
  readonly label: string
  readonly a: { readonly says: string; readonly because: string }
  readonly b: { readonly says: string; readonly because: string }
  /** What the practice takes when nobody chooses; `only` where it forbids the other. */
  readonly usual: Readonly<Record<PracticeName, 'a' | 'b'>>
  readonly only?: Readonly<Partial<Record<PracticeName, 'a' | 'b'>>>
}

/**
 * Matters on which good people disagree. Both reasons are shown and the choice is recorded. Source:
 * sources.trade.
 */
export const schools = {
  hotWaterTemperature: {
    label: 'Hot water temperature',
    a: {
      says: 'Store hot, mix down at the outlet',
      because: 'bacteria do not live at 60 °C, and a hot store gives more mixed water',
    },
    b: {
      says: 'Set the store low',
      because: 'nobody is scalded and less heat is lost while it stands',
    },
    usual: { 'uk-ireland': 'a', 'north-america': 'b', 'australia-new-zealand': 'a' },
    only: { 'australia-new-zealand': 'a' },
  },
  simultaneousUse: {
    label: 'How much runs at once',
    a: {
      says: 'By units from the table',
      because: 'it holds for any household and needs no questions',
    },
    b: {
      says: 'By the pattern of this household',
      because: 'five people before school are no average',
    },
    usual: { 'uk-ireland': 'a', 'north-america': 'a', 'australia-new-zealand': 'a' },
  },
  reliefLifting: {
    label: 'Lifting relief valves by their lever',
    a: {
      says: 'Lift them at a visit',
      because: 'one that is stuck protects nothing, and a light tap reseats it',
    },
    b: {
      says: 'Leave an old one alone',
      because: 'grit gets under the seat of a lifted old valve and it weeps',
    },
    usual: { 'uk-ireland': 'a', 'north-america': 'b', 'australia-new-zealand': 'a' },
  },
  safetyPan: {
    label: 'Pan under the heater',
    a: { says: 'Always', because: 'the cheapest cure for any leak, and a place to drain to' },
    b: { says: 'Only over living space', because: 'elsewhere it collects rust and hides the leak' },
    usual: { 'uk-ireland': 'b', 'north-america': 'b', 'australia-new-zealand': 'b' },
  },
  instantaneousPan: {
    label: 'Pan under an instantaneous heater',
    a: {
      says: 'As under a store',
      because: 'its joints leak like any other, and water finds the ceiling',
    },
    b: {
      says: 'None',
      because: 'it holds next to no water, and a pan under it hides the drip that warns',
    },
    usual: { 'uk-ireland': 'b', 'north-america': 'a', 'australia-new-zealand': 'b' },
  },
  dischargeEnd: {
    label: 'Where a discharge pipe ends',
    a: { says: 'At most 6 in (150 mm) above the floor', because: 'nobody is scalded standing by' },
    b: {
      says: '6 to 24 in (150 to 610 mm), or into a tundish',
      because: 'a leak is seen, and there is an air gap',
    },
    usual: { 'uk-ireland': 'b', 'north-america': 'a', 'australia-new-zealand': 'b' },
  },
  feedLeft: {
    label: 'The feed, once the circuit is full',
    a: { says: 'Left open', because: 'it refills itself and the boiler never runs dry' },
    b: { says: 'Shut', because: 'a leak then shows as falling pressure' },
    usual: { 'uk-ireland': 'b', 'north-america': 'a', 'australia-new-zealand': 'b' },
    only: { 'uk-ireland': 'b' },
  },
} as const satisfies Record<string, School>

export type SchoolName = keyof typeof schools
export const schoolNames = Object.keys(schools) as SchoolName[]

const choice = z
  .object({ side: z.enum(['a', 'b']), because: z.string().max(300), basis: z.literal('chosen') })
  .nullable()
export const schoolsShape = z.object({
  hotWaterTemperature: choice,
  simultaneousUse: choice,
  reliefLifting: choice,
  safetyPan: choice,
  instantaneousPan: choice,
  dischargeEnd: choice,
  feedLeft: choice,
})
export type Schools = z.infer<typeof schoolsShape>
export const blankSchools: Schools = {
  hotWaterTemperature: null,
  simultaneousUse: null,
  reliefLifting: null,
  safetyPan: null,
  instantaneousPan: null,
  dischargeEnd: null,
  feedLeft: null,
}

/** The side a job takes: the practice's only one, the installer's, or the practice's usual one. */
export function sideOf(name: SchoolName, practice: PracticeName, chosen: Schools): 'a' | 'b' {
  const school: School = schools[name]
  return school.only?.[practice] ?? chosen[name]?.side ?? school.usual[practice]
}
