import { meterNode } from '../../methods/network/tree'
import type { GasAnswer } from './answer'
import type { Show } from '../../units/format'
import type { Drawing } from '../../answer/drawing'
import { networkTree } from '../networkTree'

/**
 * The gas pipes over the pressure of the stage that the index appliance is on, on one axis of
 * effective length.
 */
export function gasTree(answer: GasAnswer, show: Show, width: number, selected?: string): Drawing {
  const { index, conditions } = answer
  const atMeter = index.root === meterNode
  const far = new Map(answer.pipes.map((pipe) => [pipe.id, pipe.farGauge_Pa]))
  const ends = answer.pipes.filter((pipe) => pipe.appliance).length
  return networkTree(
    {
      title: `Gas pipes from the meter to ${ends} ${ends === 1 ? 'appliance' : 'appliances'}, with the pressure along the way to ${index.appliance?.name ?? 'the index appliance'}`,
      source: 'meter',
      indexId: index.id,
      indexRun: answer.indexRun,
      pipes: answer.pipes.map((pipe) => ({
        id: pipe.id,
        from: pipe.segment.from,
        length_m: pipe.effective_m,
        bore_m: pipe.pipe.size.bore_m,
        body: 'gas-fill',
        outline: 'gas',
        size: pipe.pipe.size.name,
        lengthText: show(pipe.segment.length_m?.value ?? 0, 'length'),
        pencil: pipe.segment.length_m?.basis === 'assumed',
        drop: `−${show.figure(pipe.drop_Pa, 'gas-pressure')}`,
        says: `${pipe.segment.name}, ${pipe.pipe.size.name}, drop ${show(pipe.drop_Pa, 'gas-pressure')}`,
        ...(pipe.appliance
          ? {
              end: {
                title: pipe.appliance.name,
                below: show(pipe.pipe.load_W, 'power'),
                shutOff: pipe.segment.end.shutOff !== 'no',
              },
            }
          : {}),
        ...(pipe.pipe.regulator
          ? { passes: show(pipe.pipe.regulator.outGauge_Pa, 'gas-pressure') }
          : {}),
      })),
      staircase: {
        startText: [
          { text: show.figure(conditions.meterGauge_Pa, 'gas-pressure'), bold: true },
          {
            text: ` ${show.unit('gas-pressure')} ${atMeter ? 'at the meter' : 'after the regulator'}`,
          },
        ],
        start_Pa: conditions.meterGauge_Pa,
        startPencil: atMeter && answer.meterAssumed,
        limit_Pa: conditions.meterGauge_Pa - answer.indexAllowed_Pa,
        limitText: 'the minimum that may be left',
        far_Pa: (id) => far.get(id) ?? conditions.meterGauge_Pa,
        figure: (gauge_Pa) => show.figure(gauge_Pa, 'gas-pressure'),
        ink: 'gas',
        spare_Pa: answer.indexAllowed_Pa - index.dropTo_Pa,
      },
    },
    width,
    selected,
  )
}
