import { sources } from '../../answer/sources'
import type { Working } from '../../answer/working'
import type { WaterAnswer } from './answer'

const bySource = {
  hunter: sources.hunter,
  'loading-units': sources.en806Units,
  scenario: sources.continuity,
  'all-open': sources.continuity,
} as const

const byTable = 'q by the table, at most all outlets together'
const byFormula: Readonly<Record<WaterAnswer['designBy'], string>> = {
  hunter: byTable,
  'loading-units': byTable,
  scenario: 'the busiest moment of the pattern',
  'all-open': 'all outlets together',
}

/**
 * The arithmetic of the water feed: what runs at once, the main under it, and every pipe on the way
 * to the index outlet.
 */
export function waterWorkings(answer: WaterAnswer): readonly Working[] {
  const { index, curve, loop, fill } = answer
  const way = answer.pipes.filter((pipe) => answer.indexRun.includes(pipe.id))
  const rise_m = way.reduce((sum, pipe) => sum + pipe.pipe.rise_m, 0)
  const lost_Pa = way.reduce((sum, pipe) => sum + pipe.drop_Pa, 0)
  return [
    {
      circuit: 'water',
      title: 'At once',
      formula: byFormula[answer.designBy],
      put: '{total_m3_s}',
      figures: { total_m3_s: answer.total_m3_s },
      result: 'total_m3_s',
      source: bySource[answer.designBy],
    },
    {
      circuit: 'water',
      title: 'At the main with that running (gauge)',
      formula: curve ? 'p = p_static − k · q^(1/0.54)' : 'p = p_static, its fall not known',
      put: '{staticGauge_Pa} at {total_m3_s}',
      figures: {
        staticGauge_Pa: answer.staticGauge_Pa,
        total_m3_s: answer.total_m3_s,
        sourceGauge_Pa: answer.sourceGauge_Pa,
      },
      result: 'sourceGauge_Pa',
      source: sources.hydrantFlow,
    },
    ...way.map((pipe): Working => ({
      circuit: 'water',
      title: `${pipe.segment.name}, ${pipe.size.name}`,
      formula:
        'drop = (f · L/d + K) · density · v²/2, f by Colebrook–White, and what parts on the way lose',
      put: '{flow_m3_s} at {velocity_m_s} through {bore_m}, {length_m}; by Hazen–Williams {hazen_Pa}',
      figures: {
        flow_m3_s: pipe.flow_m3_s,
        velocity_m_s: pipe.velocity_m_s,
        bore_m: pipe.size.bore_m,
        length_m: pipe.pipe.length_m,
        hazen_Pa: pipe.hazenWilliams_Pa,
        drop_Pa: pipe.drop_Pa,
      },
      result: 'drop_Pa',
      source: sources.colebrook,
    })),
    {
      circuit: 'water',
      title: `Left at ${index.end?.outlet.name ?? 'the outlet'}, ${index.side} (gauge)`,
      formula: 'p = p_main − drops − density · g · rise',
      put: '{sourceGauge_Pa} − {lost_Pa} − {rise_m} of water',
      figures: {
        sourceGauge_Pa: answer.sourceGauge_Pa,
        lost_Pa,
        rise_m,
        leftGauge_Pa: index.farGauge_Pa,
      },
      result: 'leftGauge_Pa',
      source: sources.arithmetic,
    },
    ...answer.waits.map(({ pipe, volume_m3, wait_s }): Working => ({
      circuit: 'water',
      title: `Wait at ${pipe.end?.outlet.name ?? pipe.segment.name}`,
      formula: 't = content of the still pipe / hot flow',
      put: '{volume_m3} / {flow_m3_s}',
      figures: { volume_m3, flow_m3_s: pipe.end?.each_m3_s ?? 0, wait_s },
      result: 'wait_s',
      source: sources.arithmetic,
    })),
    ...(loop
      ? [
          {
            circuit: 'water' as const,
            title: 'Flow of the secondary return',
            formula: 'q = heat lost / (density · c · drop)',
            put: '{allLoss_W} / (density · c · {drop_K})',
            figures: {
              allLoss_W: loop.answer.loss_W,
              drop_K: loop.drop_K,
              loopFlow_m3_s: loop.answer.flow_m3_s,
            },
            result: 'loopFlow_m3_s',
            source: sources.loopBalance,
          },
        ]
      : []),
    ...(fill
      ? [
          {
            circuit: 'water' as const,
            title: 'Filling the heating through the feed valve',
            formula: 't = content / flow',
            put: '{content_m3} / {feed_m3_s}',
            figures: {
              content_m3: fill.content_m3,
              feed_m3_s: fill.feed_m3_s,
              feed_s: fill.feed_s,
            },
            result: 'feed_s',
            source: sources.fillFlow,
          },
        ]
      : []),
  ]
}
