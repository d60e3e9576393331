import type { WaterAnswer } from './answer'
import type { Show } from '../../units/format'
import type { Drawing } from '../../answer/drawing'
import { networkTree } from '../networkTree'

/**
 * What flows and what is left at each end, where it is not what was designed: real flows of open
 * outlets.
 */
export interface DrawnReal {
  readonly far_Pa: (id: string) => number | undefined
  readonly given: (id: string) => string | undefined
  readonly sourceGauge_Pa: number
}

/**
 * The water pipes, cold and hot, over the pressure along the way to the index outlet, its height in
 * it.
 */
export function waterTree(
  answer: WaterAnswer,
  show: Show,
  width: number,
  selected?: string,
  real?: DrawnReal,
): Drawing {
  const { index } = answer
  const far = new Map(
    answer.pipes.map((pipe) => [pipe.id, real?.far_Pa(pipe.id) ?? pipe.farGauge_Pa]),
  )
  const source_Pa = real?.sourceGauge_Pa ?? answer.sourceGauge_Pa
  const at = (id: string) => far.get(id) ?? source_Pa
  const endBox = ({ id, end, side, segment }: WaterAnswer['pipes'][number]) => {
    if (end) {
      const left = real ? (real.given(id) ?? 'shut') : show.figure(at(id), 'water-pressure')
      const title = `${end.count > 1 ? `${end.count} × ` : ''}${end.outlet.name}`
      return { end: { title, below: `${side}, ${left}`, shutOff: false } }
    }
    if (segment.end?.kind !== 'make-up') return {}
    return { end: { title: 'Make-up', below: 'to the heating', shutOff: true } }
  }
  return networkTree(
    {
      title: `Water pipes from the main to ${answer.pipes.filter((pipe) => pipe.end).length} ends, with the pressure along the way to ${index.end?.outlet.name ?? 'the index outlet'}`,
      source: 'main',
      indexId: index.id,
      indexRun: answer.indexRun,
      pipes: answer.pipes.map((pipe) => ({
        id: pipe.id,
        from: pipe.segment.from,
        length_m: Math.max(pipe.pipe.length_m, 0.05),
        bore_m: pipe.size.bore_m,
        body: pipe.side === 'hot' ? 'hot-wash' : 'cold-wash',
        outline: pipe.side,
        size: pipe.size.name,
        lengthText: show(pipe.pipe.length_m, 'length'),
        pencil: pipe.segment.length_m?.basis === 'assumed',
        drop: `−${show.figure(pipe.drop_Pa, 'water-pressure')}`,
        says: `${pipe.segment.name}, ${pipe.side}, ${pipe.size.name}, drop ${show(pipe.drop_Pa, 'water-pressure')}`,
        ...endBox(pipe),
        ...(pipe.segment.end?.kind === 'heater' ? { passes: 'heater' } : {}),
      })),
      staircase: {
        startText: [
          { text: show.figure(source_Pa, 'water-pressure'), bold: true },
          { text: ` ${show.unit('water-pressure')} at the main` },
        ],
        start_Pa: source_Pa,
        startPencil: answer.curve === undefined,
        limit_Pa: answer.wantedGauge_Pa,
        limitText: 'wanted at the outlet',
        far_Pa: at,
        figure: (gauge_Pa) => show.figure(gauge_Pa, 'water-pressure'),
        ink: index.side,
        spare_Pa: at(index.id) - answer.wantedGauge_Pa,
      },
    },
    width,
    selected,
  )
}
