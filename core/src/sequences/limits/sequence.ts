import { applianceOf, boilersStarted } from '../asked'
import { limitActs } from '../common'
import { is, set } from '../plant'
import type { LeavesOff, SequenceSpec, StepPart } from '../step'
import { back, seen, stands } from '../step'

const of = 'heating'

const off = (key: string, backBefore: string): LeavesOff => ({
  key,
  name: 'Boiler and pump supply, for the limits',
  state: 'power-off',
  where: 'isolator, fuse in the tool bag',
  backBefore,
  waits: true,
  thing: { id: 'supply.heating', off: 'dead', back: 'on' },
})

const isolated = (id: string, again: boolean, backBefore: string): StepPart => ({
  id: again ? 'dead-again' : 'dead',
  title: again ? 'Isolate again before the wire is remade.' : 'Isolate, and prove it dead.',
  short: again ? 'Dead again' : 'Dead for the wire',
  ticket: 'electrical',
  why: 'A wire is parted and remade dead, each time. The fuse is in the tool bag, not beside the board.',
  guards: [
    seen('proved', 'Proved dead at the terminals with a tester that was tried before and after', {
      ...set('supply', of, 'dead'),
      ...set('flame', id, 'out'),
      ...set('flame', of, 'out'),
    }),
  ],
  effects: set('supply', of, 'dead'),
  leavesOff: [off(again ? 'power-again' : 'power', backBefore)],
})

const parted = (name: string): StepPart => ({
  id: 'part',
  title: 'Part the wire of a limit or sensor.',
  short: 'Wire parted',
  ticket: 'electrical',
  why: 'A broken wire must read as a limit that has acted. One made by closing a contact is disarmed by the same break.',
  guards: [
    stands('Proved dead', is('supply', of, 'dead')),
    seen('apart', 'Parted at the terminal, its end made safe'),
  ],
  effects: set('wire', of, 'parted'),
  leavesOff: [
    {
      key: 'wire',
      name: `Sensor wire of ${name}`,
      state: 'disconnected',
      where: 'at the terminal, end made safe',
      backBefore: 'remade',
      thing: { id: 'wire.heating', off: 'parted', back: 'whole' },
    },
  ],
})

const broken: StepPart = {
  id: 'broken',
  title: 'Covers shut, power on: call for heat.',
  short: 'Broken wire stops it',
  ticket: 'electrical',
  why: 'The burner must not start. One after the other, each sensor wire is tried so.',
  guards: [
    seen('covers', 'Covers shut'),
    back('power', 'Supply put back on for the trial'),
    seen('stays-out', 'Called for heat: the burner does not start'),
  ],
  effects: set('supply', of, 'on'),
  admits: 'power',
}

const remade: StepPart = {
  id: 'remade',
  title: 'Remake the wire, and the next ones likewise.',
  short: 'Wires remade',
  ticket: 'electrical',
  why: 'What was parted for a trial is what fails in the first winter.',
  guards: [
    back('wire', 'Wire remade, pulled at'),
    seen('each', 'Every sensor wire was tried so, each parted and remade dead'),
  ],
  effects: set('wire', of, 'whole'),
}

const acting = (isFirst: boolean): StepPart => ({
  id: 'act',
  ...(isFirst ? { was: 'limits' } : {}),
  title: 'Make every limit act.',
  short: 'Limits act',
  ticket: 'electrical',
  why: 'A limit that has never stopped a burner is a hope.',
  guards: [
    seen('covers', 'Covers shut'),
    back('power-again', 'Supply put back on'),
    ...limitActs,
    seen('out', 'The burner stopped each time'),
  ],
  effects: set('supply', of, 'on'),
  admits: 'power',
})

/**
 * Each limit stops the burner when it acts and when its wire breaks; every handling of a wire dead.
 */
export const limits: SequenceSpec = {
  id: 'limits',
  name: ({ document }, id) => `Limits of ${applianceOf(document, id).name}`,
  at: ({ document }) => boilersStarted(document).map(({ id }) => id),
  plant: (_job, id) => ({ wet: [], burning: [{ of: id }] }),
  steps: ({ document }, id) => [
    isolated(id, false, 'broken'),
    parted(applianceOf(document, id).name),
    broken,
    isolated(id, true, 'act'),
    remade,
    acting(boilersStarted(document)[0]?.id === id),
  ],
}
