import { counted } from '../../answer/counted'
import { sources } from '../../answer/sources'
import type { Working } from '../../answer/working'
import type { ReliefAnswer, ReliefsAnswer } from './answer'

/** The arithmetic of relief valves and their discharge. */
export const reliefWorkings = ({ valves }: ReliefsAnswer): readonly Working[] =>
  valves.flatMap((answer) => valveWorkings(answer))

function valveWorkings({
  valve,
  setGauge_Pa,
  protects_W,
  capacity_W,
  capacityFrom,
  steam_kg_s,
  by,
  discharge,
  protectsName,
}: ReliefAnswer): Working[] {
  const water = { circuit: 'water' } as const
  const figures = { setGauge_Pa, protects_W: protects_W ?? 0, capacity_W: capacity_W ?? 0 }
  const { back, carries, table } = discharge ?? {}
  return [
    ...(protects_W !== undefined && steam_kg_s !== undefined
      ? [
          {
            ...water,
            title: `Steam ${valve.name} may have to carry`,
            formula: 'm = P / h_fg at 1.1 · p_set + pa',
            put: `${by} of ${protectsName}, {protects_W}, at {setGauge_Pa}`,
            figures: { ...figures, steam_kg_s },
            result: 'steam_kg_s',
            source: sources.if97,
          } satisfies Working,
        ]
      : []),
    ...(capacityFrom === 'generic'
      ? [
          {
            ...water,
            title: `Capacity of ${valve.name}, generic`,
            formula: 'qm = 0.2883 · C · A · Kdr · √(p0/v), times h_fg',
            put: `a generic ${valve.size ?? ''} at {setGauge_Pa}, Kdr 0.4`,
            figures,
            result: 'capacity_W',
            source: sources.iso4126,
          } satisfies Working,
        ]
      : []),
    ...(back
      ? [
          {
            ...water,
            title: `Back pressure behind ${valve.name}`,
            formula: 'p1² = p2² + 2 · p2 · dp, dp by Darcy–Weisbach on steam',
            put: '{steam_kg_s} of steam to the first open point; a tenth of {setGauge_Pa} is allowed, {allowed_Pa}',
            figures: {
              ...figures,
              steam_kg_s: back.steam_kg_s,
              allowed_Pa: back.allowed_Pa,
              back_Pa: back.back_Pa,
            },
            result: 'back_Pa',
            source: sources.builtUp,
          } satisfies Working,
        ]
      : []),
    ...(carries
      ? [
          {
            ...water,
            title: `What runs off after the tundish of ${valve.name}`,
            formula: 'full bore by its own fall; the heater pushes out P / (rho · c · dT)',
            put: 'a fall of {fall_m}; {wanted_m3_s} is pushed out',
            figures: {
              fall_m: carries.fall_m,
              wanted_m3_s: carries.wanted_m3_s,
              carries_m3_s: carries.carries_m3_s,
            },
            result: 'carries_m3_s',
            source: sources.colebrook,
          } satisfies Working,
        ]
      : []),
    ...(table && table.permitted_m !== undefined
      ? [
          {
            ...water,
            title: `Length the table lets the pipe after the tundish of ${valve.name} have`,
            formula: 'M − n · b of that size',
            put: `${counted(table.bends, 'bend')}; it has {straight_m}`,
            figures: { straight_m: table.straight_m, permitted_m: table.permitted_m },
            result: 'permitted_m',
            source: sources.approvedG,
          } satisfies Working,
        ]
      : []),
  ]
}
