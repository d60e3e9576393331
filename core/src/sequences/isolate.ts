import { toSi } from '../units/units'
import type { Practice } from '../practice/practice'
import { degrees, scald } from './common'
import { set } from './plant'
import type { Guard, LeavesOff, StepPart } from './step'
import { back, seen } from './step'

/**
 * Taking a wet plant out of use and giving it back: the same for a section of a building and for
 * the exchange of one part.
 */

/** Above it, nothing is opened: below it a hand can stay on. Common practice, no source. */
const openedMost_C = 40
const openedMost_K = toSi(openedMost_C, 'C')

/**
 * A gauge at rest on no pressure; what a dial may show all the same. Common practice, no source.
 */
const noPressure_Pa = 5000

export const heatOff = (of: string, name: string, burns: boolean): StepPart => ({
  id: 'heat-off',
  title: 'Heat and pump off, locked, proved dead.',
  short: 'Heat and pump off',
  ticket: 'electrical',
  why: 'Pump first, then power, then gas, then valves: a pump that runs against shut valves boils what it holds.',
  hazard: 'Dead is what a tester says, not what a switch says.',
  guards: [
    seen('pump', 'Pump stopped'),
    seen('dead', 'Isolated, locked off, proved dead', set('supply', of, 'dead')),
    seen(
      'flame-out',
      burns ? 'Burner and pilot out' : 'Nothing else heats it',
      set('flame', of, 'out'),
    ),
  ],
  effects: { ...set('supply', of, 'dead'), ...set('flame', of, 'out') },
  leavesOff: [
    {
      key: 'power',
      name: `Supply of ${name}`,
      state: 'power-off',
      where: 'isolator, locked, label on it',
      backBefore: 'power-on',
      waits: true,
      thing: { id: `supply.${of}`, off: 'dead', back: 'on' },
    },
  ],
})

export const cooled = (of: string, practice: Practice): StepPart => ({
  id: 'cooled',
  title: `Let it cool below ${degrees(practice, openedMost_C)}.`,
  short: 'Cooled',
  why: 'Under pressure it flashes to steam; let down hot it takes the skin with it.',
  hazard: scald(practice),
  guards: [seen('hand', 'A hand can stay on the hottest part')],
  effects: set('heat', of, 'cooled'),
  reading: {
    label: 'Hottest part',
    measure: 'temperature',
    most: openedMost_K,
    limitSays: 'so cool before anything is opened (common practice, no source)',
  },
})

export const coldShut = (of: string, name: string, how: Pick<StepPart, 'title'>): StepPart => ({
  id: 'cold-shut',
  title: how.title,
  short: 'Cold shut',
  why: 'Each by name on the strip: nobody opens a valve on somebody who has a pipe apart.',
  guards: [seen('in-order', 'Shut in order, each labelled')],
  effects: set('cold', of, 'shut'),
  leavesOff: [
    {
      key: 'cold',
      name,
      state: 'shut',
      where: 'labelled where it is',
      backBefore: 'refill',
      waits: true,
      thing: { id: `cold.${of}`, off: 'shut', back: 'open' },
    },
  ],
})

export const letDown = (of: string, school: string | undefined): StepPart => ({
  id: 'let-down',
  title: 'Let the pressure down at an open outlet.',
  short: 'Let down',
  why: 'The gauge at 0 proves it; a stuck gauge is proved by the open outlet.',
  ...(school === undefined ? {} : { school }),
  guards: [
    seen('outlet', 'Let down through a drain or outlet, not through the relief'),
    seen('runs-out', 'It runs out and stays out: the valves hold'),
  ],
  effects: set('pressure', of, 'none'),
  leavesOff: [
    {
      key: 'drain',
      name: 'Drain or outlet for letting down',
      state: 'opened',
      where: 'hose to the floor drain',
      backBefore: 'refill',
    },
  ],
  reading: {
    label: 'Gauge after letting down',
    measure: 'water-pressure',
    most: noPressure_Pa,
    limitSays: 'no pressure, as near as a gauge shows it',
  },
})

export const refill = (
  of: string,
  how: {
    readonly before: readonly Guard[]
    readonly leavesOff?: readonly LeavesOff[]
    readonly title?: string
  },
): StepPart => ({
  id: 'refill',
  title: how.title ?? 'Drain shut, refill slowly.',
  short: 'Refilled slowly',
  why: 'Slowly, with an outlet open at the top: surge loosens joints, and air left in goes on leaving for days.',
  guards: [
    ...how.before,
    back('drain', 'Drain and outlet shut'),
    back('cold', 'Cold opened slowly'),
    seen('vented', 'Runs at the top without spitting, vents bled', set('water', of, 'vented')),
    seen('dry', 'Every joint that was touched wiped and dry'),
  ],
  effects: {
    ...set('cold', of, 'open'),
    ...set('water', of, 'vented'),
    ...set('pressure', of, 'under'),
  },
  admits: 'pressure',
  ...(how.leavesOff ? { leavesOff: how.leavesOff } : {}),
})

export const powerLast = (of: string): StepPart => ({
  id: 'power-on',
  title: 'Pump vented, then energy back last.',
  short: 'Power on',
  ticket: 'electrical',
  why: 'In the reverse order of isolation: water, vents, pump valves, power, pump running, burner.',
  guards: [
    seen('pump', 'Pump valves open, pump vented before it runs'),
    back('power', 'Supply put back on'),
  ],
  effects: set('supply', of, 'on'),
  admits: 'power',
})
