import type { JobDocument } from '../job/document'
import { burnsGas } from '../job/fields'
import { fitted } from '../job/asked'
import { smell } from './common'
import { is, set } from './plant'
import type { Guard, SequenceJob, StepPart } from './step'
import { back, gasTight, seen, stands, tested } from './step'

/**
 * Work on a gas pipe or a gas part: dead before, proved after. Work on gas under pressure is never
 * offered.
 */

/** A gauge at rest on no gas pressure: common practice, no source. */
const noGas_Pa = 20

export const burners = (document: JobDocument): readonly string[] =>
  fitted(document.appliances)
    .filter(({ kind }) => burnsGas(kind))
    .map(({ name }) => name)

export const gasShut = (
  of: string,
  how: { readonly name: string; readonly out: string; readonly before: string },
): StepPart => ({
  id: 'gas-shut',
  title: 'Gas shut, secured, shut proved.',
  short: 'Gas shut and secured',
  ticket: 'gas',
  why: 'A valve that lets by feeds the room while the pipe is open. Work on gas under pressure is never offered here.',
  hazard: smell,
  guards: [
    seen('out', how.out, set('flame', of, 'out')),
    seen('shut', 'Shut, plugged or locked, labelled', set('gas', of, 'shut')),
    seen('holds', 'Proved that it holds'),
  ],
  effects: { ...set('gas', of, 'shut'), ...set('flame', of, 'out') },
  leavesOff: [
    {
      key: 'gas',
      name: how.name,
      state: 'shut',
      where: 'locked, labelled',
      backBefore: how.before,
      waits: true,
      thing: { id: `gas.${of}`, off: 'shut', back: 'on' },
    },
  ],
})

export const gasGone = (of: string): StepPart => ({
  id: 'gas-gone',
  title: 'Let the pressure down safely, and prove it gone.',
  short: 'Let down, purged',
  ticket: 'gas',
  why: 'What is left in a pipe comes out where it is opened.',
  hazard: 'Let down to open air with nothing that lights it near, somebody watching.',
  guards: [
    stands('Gas shut', is('gas', of, 'shut')),
    seen('let-down', 'Let down to open air, watched'),
    seen('purged', 'Purged until no gas is found at the opening', set('purged', of, 'air')),
  ],
  effects: set('purged', of, 'air'),
  reading: {
    label: 'Gauge after letting down',
    measure: 'gas-pressure',
    most: noGas_Pa,
    limitSays: 'no pressure, as near as a gauge shows it',
  },
})

/** Whether the pipes are on file, and the bench can test them. */
export const isOnFile = ({ document }: SequenceJob): boolean => document.gas.segments.length > 0

/**
 * Tightness after something was opened: the bench's test where the pipes are on file, else read
 * here.
 */
export const tight = (job: SequenceJob, of: string): StepPart => ({
  id: 'tight',
  title: 'Test the whole installation tight again.',
  short: 'Tight again',
  ticket: 'gas',
  why: 'What was opened is proved, and what was not is proved with it.',
  guards: [
    seen('made', 'Every joint made or capped', set('joint', of, 'made')),
    ...(isOnFile(job) ? [gasTight(of)] : []),
  ],
  ...(isOnFile(job)
    ? {}
    : {
        effects: set('proof', of, 'proved'),
        reading: {
          label: 'Fall over the practice’s test',
          measure: 'gas-pressure' as const,
          most: job.practice.tightness.perceptible_Pa,
          limitSays: 'what counts as no fall here; put the pipes on file and the bench judges it',
        },
      }),
})

const smelt: Guard = seen('soap', 'Every joint that was disturbed soaped dry, the test point last')

/** Gas back: purged at an outlet, soaped under pressure. */
export const gasBack = (job: SequenceJob, of: string): StepPart => ({
  id: 'gas-on',
  title: 'Gas back, purged, every disturbed joint soaped.',
  short: 'Gas on, soaped',
  ticket: 'gas',
  why: 'A leak too small for the gauge shows in soap.',
  hazard: smell,
  guards: [
    stands('Tested tight as it is', is('proof', of, 'proved')),
    back('gas', 'Gas opened again'),
    ...(isOnFile(job)
      ? [tested('purge', '', 'Purged, watched at its outlet')]
      : [seen('purged', 'Purged, watched at its outlet')]),
    smelt,
  ],
  effects: { ...set('gas', of, 'on'), ...set('purged', of, 'gas') },
  admits: 'gas',
})
