import type { Show, Solution } from '@hestian/core'
import { answerOf, gasTree } from '@hestian/core'
import type { Content } from 'pdfmake/interfaces'
import { section, drawn, rows, bold } from '../paper'

/** The gas pipes, from the meter to the index appliance. */
export function printGas(solution: Solution, show: Show): Content[] {
  const gas = answerOf(solution.gas)
  return [
    section('Gas supply'),
    ...(gas
      ? [
          {
            text: [
              bold(`${gas.index.pipe.size.name}`),
              ` to ${gas.index.appliance?.name ?? 'the index appliance'}; `,
              bold(show(gas.index.dropTo_Pa, 'gas-pressure')),
              ` of the ${show(gas.indexAllowed_Pa, 'gas-pressure')} allowed, ${show(gas.index.farGauge_Pa, 'gas-pressure')} left with everything burning.`,
            ],
            fontSize: 12,
            margin: [0, 8, 0, 0],
          } as Content,
          drawn(gasTree(gas, show, 820), 503),
          rows(
            ['*', 60, 70, 70, 60, 70],
            [
              ['Pipe', 'Size', 'Length', 'Flow', 'Drop', 'Far end'].map((text) => ({
                text,
                bold: true,
              })),
              ...gas.pipes.map((pipe) => [
                pipe.segment.name,
                pipe.pipe.size.name,
                show(pipe.segment.length_m?.value ?? 0, 'length'),
                show(pipe.flow_m3_s, 'gas-flow'),
                show(pipe.drop_Pa, 'gas-pressure'),
                show(pipe.farGauge_Pa, 'gas-pressure'),
              ]),
            ],
            1,
          ),
        ]
      : [
          { text: solution.gas.applies ? 'The gas supply is not designed.' : solution.gas.because },
        ]),
  ]
}
