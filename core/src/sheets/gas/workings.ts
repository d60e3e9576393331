import { sources } from '../../answer/sources'
import type { Working } from '../../answer/working'
import type { GasConditions } from '../../methods/gas/network'
import { inSquares } from '../../methods/gas/network'
import { pathTo } from '../../methods/network/tree'
import type { GasAnswer, GasPipeAnswer } from './answer'

const equations: Readonly<
  Record<GasConditions['method'], { readonly formula: string; readonly source: Working['source'] }>
> = {
  'nfpa54-low': {
    formula: 'drop = Cr · L · [Q^0.381 / (19.17 · D)]^(1/0.206)  (in wc, ft, ft³/h, in)',
    source: sources.nfpa54Low,
  },
  'nfpa54-high': {
    formula: 'p1² − p2² = Cr · L / Y · [Q^0.381 / (18.93 · D)]^(1/0.206)  (psi abs, ft, ft³/h, in)',
    source: sources.nfpa54High,
  },
  darcy: {
    formula: 'drop = f · L/d · density · v²/2, f by Colebrook–White',
    source: sources.colebrook,
  },
  isothermal: {
    formula: 'p1² − p2² = 2 · p · f · L/d · density · v²/2, f by Colebrook–White',
    source: sources.isothermalPipe,
  },
  renouard: {
    formula: 'drop = 23 200 · d_r · L · Q^1.82 · D^−4.82  (mbar, m, m³/h, mm)',
    source: sources.renouard,
  },
  'renouard-medium': {
    formula: 'p1² − p2² = 48.6 · d_r · L · Q^1.82 · D^−4.82  (bar abs, m, m³/h, mm)',
    source: sources.renouard,
  },
}

/** What one pipe loses, and the regulator at its far end. */
function workingsOf(pipe: GasPipeAnswer): Working[] {
  const { formula, source } = equations[pipe.conditions.method]
  const speed = pipe.conditions.method === 'darcy' || pipe.conditions.method === 'isothermal'
  return [
    {
      circuit: 'gas',
      title: `${pipe.segment.name}, ${pipe.pipe.size.name}`,
      formula,
      put: speed
        ? '{flow_m3_s} at {velocity_m_s} through {bore_m}, {effective_m} with fittings'
        : '{flow_m3_s} through {bore_m}, {effective_m} with fittings',
      figures: {
        flow_m3_s: pipe.flow_m3_s,
        bore_m: pipe.pipe.size.bore_m,
        effective_m: pipe.effective_m,
        velocity_m_s: pipe.velocity_m_s,
        drop_Pa: pipe.drop_Pa,
      },
      result: 'drop_Pa',
      source,
    },
    ...(pipe.pipe.regulator
      ? [
          {
            circuit: 'gas' as const,
            title: `Left over the regulator after ${pipe.segment.name}`,
            formula: 'left = p_before − p_set − own loss',
            put: '{beforeGauge_Pa} − {outGauge_Pa} − {own_Pa}',
            figures: {
              beforeGauge_Pa: pipe.farGauge_Pa,
              outGauge_Pa: pipe.pipe.regulator.outGauge_Pa,
              own_Pa: pipe.pipe.regulator.drop_Pa,
              left_Pa:
                pipe.farGauge_Pa - pipe.pipe.regulator.outGauge_Pa - pipe.pipe.regulator.drop_Pa,
            },
            result: 'left_Pa',
            source: sources.lineRegulator,
          },
        ]
      : []),
  ]
}

/**
 * The arithmetic of the supply: the load, then every pipe on the way to the index appliance, stage
 * by stage.
 */
export function gasWorkings(answer: GasAnswer): readonly Working[] {
  const { gas, supply } = answer
  const way = pathTo(
    answer.pipes.map((pipe) => pipe.segment),
    answer.index.id,
  ).flatMap(({ id }) => answer.pipes.filter((pipe) => pipe.id === id))
  const stage_Pa = answer.conditions.meterGauge_Pa
  return [
    {
      circuit: 'gas',
      title:
        supply.shareRatio < 1
          ? 'Gas with the declared share burning'
          : 'Gas with everything burning',
      formula: 'Q = sum of gross input / heating value',
      put: '{total_W} / {grossHeat_J_m3}',
      figures: {
        total_W: answer.total_W,
        grossHeat_J_m3: gas.grossHeat_J_m3,
        total_m3_s: answer.total_m3_s,
      },
      result: 'total_m3_s',
      source: sources.continuity,
    },
    ...way.flatMap(workingsOf),
    {
      circuit: 'gas',
      title: `At ${answer.index.appliance?.name ?? 'the appliance'} (gauge)`,
      formula: inSquares(answer.conditions.method)
        ? 'p = √(p_begin² − sum of squares), absolute'
        : 'p = p_begin − sum of drop',
      put: '{meterGauge_Pa} − {dropTo_Pa}',
      figures: {
        meterGauge_Pa: stage_Pa,
        dropTo_Pa: answer.index.dropTo_Pa,
        farGauge_Pa: answer.index.farGauge_Pa,
      },
      result: 'farGauge_Pa',
      source: sources.arithmetic,
    },
  ]
}
