import { set } from '../plant'
import { coldShut, cooled, heatOff, letDown, powerLast, refill } from '../isolate'
import type { SequenceJob, SequenceSpec, StepPart } from '../step'
import { back, seen, stands, tested } from '../step'
import { is } from '../plant'
import { drainsSays } from './drains'

const of = 'section'

const named = (job: SequenceJob): StepPart => ({
  id: 'named',
  title: 'Name what is without water, and for how long.',
  short: 'Named and agreed',
  why: `Neighbours, other floors and legs above the cut drain or go cold with it. ${drainsSays(job.document)}`,
  guards: [
    seen('outlets', 'Every outlet that loses water is named to those who use it'),
    seen('agreed', 'For how long is agreed with them'),
    seen('parts', 'Every part for every cut is on site, tools tried'),
  ],
})

const drained: StepPart = {
  id: 'drained',
  title: 'Air in at the top, drain it, and watch that it stays empty.',
  short: 'Proved isolated, drained',
  why: 'A valve that lets by fills the pipe behind you. Ten minutes at an open outlet show it.',
  hazard: 'The bottom of a store comes out cold, the hot comes last.',
  hold_s: 600,
  guards: [
    stands('Let down', is('pressure', of, 'none')),
    seen('air', 'Air inlet open at the top'),
    seen('empty', 'Nothing more comes at the lowest outlet'),
    seen('stays', 'Ten minutes later still nothing: the valves hold'),
  ],
  effects: set('water', of, 'empty'),
  leavesOff: [
    {
      key: 'air',
      name: 'Air inlet at the top',
      state: 'opened',
      where: 'highest outlet of the section',
      backBefore: 'refill',
    },
  ],
}

const cut: StepPart = {
  id: 'cut',
  title: 'Cut it out, and look at what was hidden.',
  short: 'Cut out',
  why: 'Rotten floor, corroded undersides and old faults are seen now or never.',
  hazard:
    'Hot work: something that burns is never near, water is at hand, and none in the last two hours before leaving.',
  evidence: 'What came out, and what it left',
  guards: [seen('caught', 'What still runs is caught, electricity below is covered')],
  effects: set('part', of, 'out'),
}

const restored: StepPart = {
  id: 'restored',
  title: 'Make it good.',
  short: 'Made good',
  why: 'What is not in the list is what leaks.',
  evidence: 'The new pipe before it is hidden',
  guards: [
    seen('joints', 'Every press recounted, every union tightened, cures waited for'),
    seen('supported', 'Supported, nothing left loose'),
  ],
  effects: set('part', of, 'in'),
}

/** A part of a building in use: emptied, cut, made good, tested and given back. */
export const drainPart: SequenceSpec = {
  id: 'drain-part',
  name: () => 'A part of the building drained and restored',
  at: ({ document }) => (document.work.kinds.includes('pipework-restored') ? [''] : []),
  plant: () => ({ wet: [{ of, bare: true }], burning: [] }),
  steps: (job) => [
    named(job),
    heatOff(of, 'what heats and pumps it', false),
    cooled(of, job.practice),
    coldShut(of, 'Valves of the section', {
      title: 'Shut its valves in order, heat’s own last.',
    }),
    letDown(
      of,
      'Shutting the boiler off alone is quick; shutting each zone or flat is slower, and legs above drop all the same. Predicted from what is on file.',
    ),
    drained,
    cut,
    restored,
    refill(of, {
      title: 'Air inlet and drain shut, refill slowly.',
      before: [back('air', 'Air inlet shut, or open only as a vent while it fills')],
    }),
    {
      id: 'tested',
      title: 'Test it before it is hidden.',
      short: 'Tested with water',
      why: 'Never above the weakest part in the section. Start, end, time and temperature.',
      guards: [
        tested('water-test-metal|water-test-plastic', '', 'Pressure test with water passed'),
      ],
    },
    powerLast(of),
    {
      id: 'taps',
      title: 'Run the taps from near to far.',
      short: 'Taps run',
      why: 'Air goes out where you stand, not where somebody opens a shower at night.',
      guards: [
        seen('air-free', 'Each runs without spitting, aerators off before and clean after'),
        seen('hot', 'Hot comes at each that had it'),
        seen('told', 'Those who use it were told that it is back'),
      ],
    },
  ],
}
