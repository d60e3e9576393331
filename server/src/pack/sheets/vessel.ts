import type { Show, Solution } from '@hestian/core'
import {
  answerOf,
  asDesigned,
  paperInks,
  pressureLadder,
  pressureTemperature,
  pressureView,
} from '@hestian/core'
import type { Content } from 'pdfmake/interfaces'
import { section, drawn, bold } from '../paper'

/** The heating vessel, its charge and its ladder of pressures. */
export function printVessel(solution: Solution, show: Show): Content[] {
  const { practice, document } = solution
  const vessel = answerOf(solution.vessel)
  return [
    section('Heating vessel'),
    ...(vessel
      ? [
          {
            text: [
              bold(
                vessel.fitted_m3 > 0
                  ? show(vessel.fitted_m3, 'small-volume')
                  : 'The built-in vessel',
              ),
              ` ${practice.words.vessel}${vessel.fitted_m3 > 0 ? '' : ' is enough'}, charged to `,
              bold(show(vessel.need.chargeGauge_Pa, 'water-pressure')),
              ' before filling, filled to ',
              bold(show(vessel.fillGauge_Pa, 'water-pressure')),
              ' cold. ',
              vessel.forecast.outcome === 'settles'
                ? `Hot, ${show(vessel.forecast.hotGauge_Pa, 'water-pressure')} is to be expected; the relief is set to ${show(vessel.inputs.reliefSetGauge_Pa, 'water-pressure')}.`
                : '',
            ],
            fontSize: 12,
          } as Content,
          {
            columns: [
              {
                width: 300,
                stack: [
                  drawn(
                    pressureLadder(
                      vessel,
                      practice,
                      show,
                      { width: 366, height: 330 },
                      document.heating?.deliveredChargeGauge_Pa?.value,
                    ),
                    290,
                  ),
                ],
              },
              {
                width: '*',
                stack: [
                  {
                    text: 'All pressures gauge, at the fill point.',
                    color: paperInks['ink-2'],
                    margin: [0, 8, 0, 4],
                  },
                  {
                    text: `System water ${show(vessel.inputs.system_m3, 'volume')}, of which ${show(vessel.content.assumed_m3, 'volume')} assumed.`,
                  },
                ],
              },
            ],
          } as Content,
          {
            text: `Charge before filling, vessel isolated and its water side empty: ${show(vessel.pumpUp.gauge_Pa, 'water-pressure')} at ${show(vessel.pumpUp.dayTemp_K, 'temperature')}.`,
            margin: [0, 4, 0, 0],
          } as Content,
          drawn(
            pressureTemperature(pressureView(vessel, asDesigned), show, practice.units, {
              width: 620,
              height: 260,
            }),
            420,
          ),
        ]
      : [
          {
            text: solution.vessel.applies
              ? 'The heating vessel is not designed.'
              : solution.vessel.because,
          },
        ]),
  ]
}
