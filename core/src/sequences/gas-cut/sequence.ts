import { burners, gasBack, gasGone, gasShut, tight } from '../gasWork'
import { is, set } from '../plant'
import type { SequenceJob, SequenceSpec, StepPart } from '../step'
import { back, seen, stands } from '../step'

const of = 'gas-pipe'

const bond: StepPart = {
  id: 'bond',
  title: 'Bond across the cut before it is made.',
  short: 'Temporary bond on',
  ticket: 'gas',
  why: 'A metal pipe may carry the current of a fault somewhere else in the house. On before the cut, off only when the pipe is whole and bonded again (as remembered; check the current rule).',
  guards: [seen('clean', 'Clamped to bright metal on both sides')],
  effects: set('bond', of, 'on'),
  leavesOff: [
    {
      key: 'bond',
      name: 'Temporary bond across the cut',
      state: 'linked',
      where: 'both sides of the cut',
      backBefore: 'bonded',
      waits: true,
      thing: { id: `bond.${of}`, off: 'on', back: 'off' },
    },
  ],
}

const cut: StepPart = {
  id: 'cut',
  title: 'Cut the pipe.',
  short: 'Pipe cut',
  ticket: 'gas',
  why: 'Dead, purged and bonded: only then.',
  hazard: 'No flame, no sparks from a tool before the purge was proved.',
  guards: [
    stands('Gas shut', is('gas', of, 'shut')),
    stands('Purged to air', is('purged', of, 'air')),
    stands('Temporary bond on', is('bond', of, 'on')),
  ],
  effects: { ...set('joint', of, 'apart'), ...set('proof', of, 'open') },
}

const made: StepPart = {
  id: 'made',
  title: 'Make the pipe whole, or cap it.',
  short: 'Pipe whole',
  ticket: 'gas',
  why: 'Open ends are capped, not plugged with a rag until tomorrow.',
  guards: [seen('made', 'Every joint made, cures waited for', set('joint', of, 'made'))],
  effects: set('joint', of, 'made'),
}

const bonded: StepPart = {
  id: 'bonded',
  title: 'Main bond back, then the temporary one off.',
  short: 'Bonded again',
  ticket: 'gas',
  why: 'In the other order the pipe stands without a bond.',
  guards: [
    stands('The pipe is whole', is('joint', of, 'made')),
    seen('main', 'Main bond connected and tight'),
    back('bond', 'Temporary bond off'),
  ],
  effects: set('bond', of, 'off'),
}

const relit = ({ document }: SequenceJob): StepPart => ({
  id: 'relit',
  title: 'Relight everything by name.',
  short: 'Relit',
  ticket: 'gas',
  why: 'A pilot that went out while the gas was off is the next smell of gas.',
  guards: [
    seen('flues', 'Every {flue} as it was', set('flue', of, 'whole')),
    ...(burners(document).length > 0
      ? burners(document).map((name, i) => seen(`lit-${i}`, `${name} lit and seen`))
      : [seen('lit', 'Every burner and pilot lit and seen')]),
  ],
  effects: set('flame', of, 'lit'),
  admits: 'heat',
})

/** Metal gas pipe cut: dead, purged, bonded; whole, bonded, proved, purged, relit. */
export const gasCut: SequenceSpec = {
  id: 'gas-cut',
  name: () => 'A gas pipe cut and made whole',
  offered: () => true,
  at: ({ document }) => (document.work.kinds.includes('pipework-restored') ? [''] : []),
  plant: () => ({ wet: [], burning: [{ of, cut: true }] }),
  steps: (job) => [
    gasShut(of, {
      name: 'Gas before the cut',
      out: 'Everything that burns is out, each named to those who use it',
      before: 'gas-on',
    }),
    gasGone(of),
    bond,
    cut,
    made,
    bonded,
    tight(job, of),
    gasBack(job, of),
    relit(job),
  ],
}
