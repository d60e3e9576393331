import { burners, gasBack, gasGone, gasShut, tight } from '../gasWork'
import { set } from '../plant'
import type { SequenceSpec } from '../step'
import { seen } from '../step'

const of = 'outlet'

/** A gas outlet that nothing hangs on any more: capped, not left behind a valve. */
export const gasCapped: SequenceSpec = {
  id: 'gas-capped',
  name: () => 'A gas outlet capped',
  offered: () => true,
  at: ({ document }) =>
    ['leak-made-safe', 'pipework-restored', 'burner-part-exchanged'].some((kind) =>
      document.work.kinds.includes(kind as never),
    )
      ? ['']
      : [],
  plant: () => ({ wet: [], burning: [{ of }] }),
  steps: (job) => [
    gasShut(of, {
      name: 'Gas before the outlet',
      out: 'The appliance is off, and who uses it knows',
      before: 'gas-on',
    }),
    gasGone(of),
    {
      id: 'capped',
      title: 'Take the appliance off, cap the outlet.',
      short: 'Outlet capped',
      ticket: 'gas',
      why: 'A valve is no cap: a child opens it.',
      evidence: 'The cap',
      guards: [
        seen('apart', 'Appliance taken off dead pipe', {
          ...set('joint', of, 'apart'),
          ...set('proof', of, 'open'),
        }),
        seen('cap', 'Screwed cap or plug on, sealed as its maker says', set('joint', of, 'made')),
      ],
      effects: { ...set('joint', of, 'made') },
    },
    tight(job, of),
    gasBack(job, of),
    {
      id: 'relit',
      title: 'Relight what went out with it.',
      short: 'Relit',
      ticket: 'gas',
      why: 'A pilot that went out while the gas was off is the next smell of gas.',
      guards: [
        seen(
          'lit',
          burners(job.document).length > 0
            ? `Lit and seen: ${burners(job.document).join(', ')}`
            : 'Every other burner and pilot lit and seen',
        ),
      ],
    },
  ],
}
