import type { Practice } from '../practice/practice'
import { showIn } from '../units/format'
import { toSi } from '../units/units'
import { set } from './plant'
import type { Guard, StepPart } from './step'
import { seen } from './step'

/**
 * Steps and guards that several sequences share. Common practice, no source, unless a line says
 * otherwise.
 */

/** A temperature as it is said here, to a whole degree. */
export const degrees = ({ units }: Practice, celsius: number): string =>
  showIn(units)(toSi(celsius, 'C'), 'temperature', 0)

export const scald = (practice: Practice): string =>
  `Hot water scalds: within seconds at ${degrees(practice, 60)}, within minutes at ${degrees(practice, 49)} (as remembered).`
export const smell =
  'On any smell of gas: no flame, no switches, leave, call the gas emergency number from outside.'

/** The relief and its discharge, before any pressure. */
export const reliefCheck = (
  of: string,
  practice: Practice,
  how: Pick<StepPart, 'id' | 'title' | 'was'> & { readonly rating: string },
): StepPart => ({
  id: how.id,
  ...(how.was === undefined ? {} : { was: how.was }),
  title: how.title,
  short: 'Relief and its end',
  ticket: practice.unventedTicket ? 'unvented' : 'gas',
  why: 'No pressure on any vessel without its relief, and its discharge, in place.',
  hazard: 'A blocked or plugged relief can burst a store or a boiler.',
  evidence: 'The tag of the relief, and where its discharge ends',
  guards: [
    seen('rating', how.rating),
    seen('no-valve', 'No valve, cap or plug before or after it'),
    seen('end', 'Discharge complete, falling, end in sight'),
  ],
  effects: set('relief', of, 'in-place'),
})

/** Everything is in and made up before water comes. */
export const madeUp = (of: string): Guard =>
  seen('made-up', 'Every joint made up, every drain shut', set('part', of, 'in'))

/** How a limit may be made to act, and how never. */
export const limitActs: readonly Guard[] = [
  seen('trips', 'Each acted: by its test button, a lowered setting or a warmed sensor'),
  seen('not-bridged', 'No thermostat was bridged for it, no relief made to open by heat'),
  seen('reset', 'Each reset by hand, settings back'),
]
