import { counted } from '../../answer/counted'
import { sources } from '../../answer/sources'
import type { Working } from '../../answer/working'
import type { CircuitAnswer } from './answer'

/** The arithmetic of a heating circuit, in the order one would do it on paper. */
export function circuitWorkings(answer: CircuitAnswer): readonly Working[] {
  const water = { circuit: 'water' } as const
  const { zones, pipes, parts, index, pump, running, content, common_Pa, flow_m3_s } = answer
  return [
    ...zones.map(({ zone, load_W, difference_K, flow_m3_s: own_m3_s }): Working => ({
      ...water,
      title: `Flow of ${zone.name}`,
      formula: 'Q = P / (rho · c · dT)',
      put: `{load_W} / (${answer.density_kg_m3.toFixed(0)} kg/m³ × ${answer.specificHeat_J_kgK.toFixed(0)} J/(kg K) × {difference_K})`,
      figures: { load_W, difference_K, own_m3_s },
      result: 'own_m3_s',
      source: answer.fluid.kind === 'water' ? sources.heatBalance : sources.glycolProperties,
    })),
    ...pipes.map(({ pipe, size, flow_m3_s: through_m3_s, velocity_m_s, loss_Pa }): Working => ({
      ...water,
      title: `${pipe.name}, ${size.name}`,
      formula: 'dp = (f · L/d + 0.9 per bend) · rho · v² / 2, f by Colebrook–White',
      put: `{run_m} of {bore_m} bore at {through_m3_s}, {speed_m_s}, ${counted(pipe.bends, 'bend')}`,
      figures: {
        run_m: pipe.run_m?.value ?? pipe.length_m?.value ?? 0,
        bore_m: size.bore_m,
        through_m3_s,
        speed_m_s: velocity_m_s,
        loss_Pa,
      },
      result: 'loss_Pa',
      source: sources.colebrook,
    })),
    ...parts.map(({ part, flow_m3_s: through_m3_s, loss_Pa, assumed }): Working => ({
      ...water,
      title: `${part.name}`,
      formula: 'dp = dp of the maker · (Q / Q of the maker)²',
      put: assumed
        ? 'its maker’s figure is not read: assumed'
        : '{stated_Pa} × ({through_m3_s} / {stated_m3_s})²',
      figures: {
        stated_Pa: part.drop_Pa?.value ?? 0,
        stated_m3_s: part.atFlow_m3_s?.value ?? 0,
        through_m3_s,
        loss_Pa,
      },
      result: 'loss_Pa',
      source: assumed ? sources.assumedSetting : sources.maker,
    })),
    ...zones.map(({ zone, loss_Pa, own_Pa }): Working => ({
      ...water,
      title: `Loss of ${zone.name}`,
      formula: 'dp = common pipes and parts + its own',
      put: zone.alone
        ? 'alone: the common part at its own flow, + {own_Pa}'
        : '{common_Pa} + {own_Pa}',
      figures: { common_Pa, own_Pa, loss_Pa },
      result: 'loss_Pa',
      source: sources.arithmetic,
    })),
    ...(index.zone.alone
      ? []
      : [
          {
            ...water,
            title: 'Flow of all zones together',
            formula: 'Q = sum of the zones that run together',
            put: zones
              .filter(({ zone }) => !zone.alone)
              .map((_, i) => `{zone${i}_m3_s}`)
              .join(' + '),
            figures: {
              ...Object.fromEntries(
                zones
                  .filter(({ zone }) => !zone.alone)
                  .map((one, i) => [`zone${i}_m3_s`, one.flow_m3_s]),
              ),
              together_m3_s: flow_m3_s,
            },
            result: 'together_m3_s',
            source: sources.arithmetic,
          } satisfies Working,
        ]),
    {
      ...water,
      title: `Index circuit, ${index.zone.name}`,
      formula: 'dp = common pipes and parts + those of the zone',
      put: index.zone.alone
        ? 'alone: common part at its own flow, + {own_Pa}'
        : '{common_Pa} + {own_Pa}',
      figures: { common_Pa, own_Pa: index.own_Pa, duty_Pa: index.loss_Pa },
      result: 'duty_Pa',
      source: sources.arithmetic,
    },
    ...zones
      .filter((one) => one.setting_m3_s !== undefined)
      .map((one): Working => ({
        ...water,
        title: `Balancing ${one.zone.name}`,
        formula: 'Kv = Q / √(dp / 1 bar), dp = index − its own',
        put: '{own_m3_s} / √({surplus_Pa} / 1 bar)',
        figures: {
          own_m3_s: one.flow_m3_s,
          surplus_Pa: one.surplus_Pa,
          setting_m3_s: one.setting_m3_s ?? 0,
        },
        result: 'setting_m3_s',
        source: sources.arithmetic,
      })),
    ...(pump && running
      ? [
          {
            ...water,
            title: `Where the pump settles, ${pump.label}`,
            formula: 'H0 · (1 − (Q/Qmax)²) = dp · (Q/Q design)²',
            put: '{shut_Pa} against a shut valve, {most_m3_s} at none; duty {duty_Pa} at {flow_m3_s}',
            figures: {
              shut_Pa: pump.shutHead_Pa,
              most_m3_s: pump.most_m3_s,
              duty_Pa: index.loss_Pa,
              flow_m3_s,
              settles_m3_s: running.flow_m3_s,
            },
            result: 'settles_m3_s',
            source: pump.id === 'own' ? sources.maker : sources.pumpLaw,
          } satisfies Working,
        ]
      : []),
    {
      ...water,
      title: 'Water in the circuit',
      formula: 'C = boiler + emitters + parts + pipes (pi/4 · d² · L)',
      put: content.parts.map((_, i) => `{part${i}_m3}`).join(' + ') || 'nothing yet',
      figures: {
        ...Object.fromEntries(content.parts.map((part, i) => [`part${i}_m3`, part.water_m3])),
        system_m3: content.total_m3,
      },
      result: 'system_m3',
      source: sources.arithmetic,
    },
  ]
}
