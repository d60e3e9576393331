import { fillsHeating, started } from '../asked'
import type { SequenceJob, SequenceSpec } from '../step'
import { seen } from '../step'

const potable = [
  'indirect-cylinder',
  'storage-heater',
  'electric-storage-heater',
  'heat-pump-heater',
  'instantaneous-heater',
] as const

const isFilled = ({ document }: SequenceJob): boolean =>
  fillsHeating(document) || started(document, potable).length > 0

/** Some hours later: what only time shows. */
export const secondLook: SequenceSpec = {
  id: 'second-look',
  name: () => 'The second look, some hours later',
  at: (job) => (isFilled(job) ? [''] : []),
  plant: () => ({ wet: [], burning: [] }),
  steps: ({ document, practice, targets: t }) => [
    {
      id: 'dry',
      title: 'Look at every discharge and joint again.',
      short: 'Discharges and joints dry',
      why: 'A seat that caught grit, a joint that gave: both show after hours, not minutes.',
      guards: [
        seen('hours', 'It has run and stood for some hours'),
        seen('discharges', 'Every discharge dry'),
        seen('joints', 'Every joint dry, hot and cold'),
      ],
    },
    ...(fillsHeating(document)
      ? [
          {
            id: 'cold-again',
            title: 'Read the heating cold again.',
            short: 'Cold again',
            why: `Less than it was: air is leaving, a pipe leaks, or the ${practice.words.vessel} lost its charge. More: something lets by.`,
            guards: [seen('cold', 'Cold as it was at the fill')],
            reading: {
              label: 'At the fill point, gauge',
              measure: 'water-pressure' as const,
              ...(t.fillGauge_Pa === undefined
                ? {}
                : {
                    target: t.fillGauge_Pa,
                    least: t.fillGauge_Pa - practice.vessel.fillTolerance_Pa,
                    most: t.fillGauge_Pa + practice.vessel.fillTolerance_Pa,
                  }),
              limitSays: 'within the fill tolerance of the cold fill of the design',
              symptom: 'pressure-falls' as const,
            },
          },
        ]
      : []),
  ],
}
