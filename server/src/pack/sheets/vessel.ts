import type { Show, Solution, VesselAnswer } from '@hestian/core'
import {
  answerOf,
  asDesigned,
  paperInks,
  pressureLadder,
  pressureTemperature,
  pressureView,
} from '@hestian/core'
import type { Content } from 'pdfmake/interfaces'
import { bold, drawn, section } from '../paper'

/** The heating vessel, its charge and its ladder of pressures. */
export function printVessel(solution: Solution, show: Show): Content[] {
  const { practice } = solution
  const vessel = answerOf(solution.vessel)
  if (!vessel)
    return [
      section('Heating vessel'),
      {
        text: solution.vessel.applies
          ? 'The heating vessel is not designed.'
          : solution.vessel.because,
      },
    ]
  return [
    section('Heating vessel'),
    { text: answerLine(vessel, solution, show), fontSize: 12 },
    ladder(vessel, solution, show),
    {
      text: `Charge before filling, vessel isolated and its water side empty: ${show.set(vessel.pumpUp.gauge_Pa)} (worked out: ${show(vessel.pumpUp.gauge_Pa, 'water-pressure')}) at ${show(vessel.pumpUp.dayTemp_K, 'temperature')}.`,
      margin: [0, 4, 0, 0],
    },
    drawn(
      pressureTemperature(pressureView(vessel, asDesigned), show, practice.units, {
        width: 620,
        height: 260,
      }),
      420,
    ),
  ]
}

function answerLine(vessel: VesselAnswer, { practice }: Solution, show: Show): Content {
  const bar = (gauge_Pa: number) => show(gauge_Pa, 'water-pressure')
  const { fitted_m3, forecast } = vessel
  const has = fitted_m3 > 0
  return [
    bold(has ? show(fitted_m3, 'small-volume') : 'The built-in vessel'),
    ` ${practice.words.vessel}${has ? '' : ' is enough'}, charged to `,
    bold(bar(vessel.need.chargeGauge_Pa)),
    ' before filling, filled to ',
    bold(bar(vessel.fillGauge_Pa)),
    ' cold. ',
    forecast.outcome === 'settles'
      ? `Hot, ${bar(forecast.hotGauge_Pa)} is to be expected; the relief is set to ${bar(vessel.inputs.reliefSetGauge_Pa)}.`
      : '',
  ]
}

function ladder(vessel: VesselAnswer, { practice, document }: Solution, show: Show): Content {
  const { inputs, content } = vessel
  const drawing = pressureLadder(
    vessel,
    practice,
    show,
    { width: 366, height: 330 },
    document.heating?.deliveredChargeGauge_Pa?.value,
  )
  return {
    columns: [
      { width: 300, stack: [drawn(drawing, 290)] },
      {
        width: '*',
        stack: [
          {
            text: 'All pressures gauge, at the fill point.',
            color: paperInks['ink-2'],
            margin: [0, 8, 0, 4],
          },
          {
            text: `System water ${show(inputs.system_m3, 'volume')}, of which ${show(content.assumed_m3, 'volume')} assumed.`,
          },
        ],
      },
    ],
  }
}
