import { coldestTemp_K } from '../../job/coldestTemp'
import type { JobDocument } from '../../job/document'
import { hotWaterHeater } from '../../job/hotWaterHeater'
import type { ReliefValve } from '../../job/pressureDocument'
import { siteAtmosphere_Pa } from '../../job/siteAtmosphere'
import { genericCapacity_W, genericFor, genericValves } from '../../methods/relief/catalogue'
import { membraneInlet_m, potableInlet_m } from '../../methods/relief/selection'
import type { Relieving } from '../../methods/relief/steam'
import { steamOfPower, usualOverpressure } from '../../methods/relief/steam'
import type { Practice } from '../../practice/practice'
import type { SafetyAnswer } from '../safety/answer'
import { partsUnderRelief } from '../underRelief'
import type { GuardedPart, LimitedPart, ReliefAnswer } from './answer'
import { heatSources, protectedPower_W } from './heatSources'
import type { DischargeRules } from './judgeDischarge'
import { judgeDischarge } from './judgeDischarge'

/** What a valve is set to, gauge: its tag, else what the practice usually fits. */
function settingOf(
  valve: ReliefValve,
  { heating }: JobDocument,
  { vessel, safety: rules }: Practice,
  safety: SafetyAnswer | undefined,
): number {
  if (valve.guards === 'heating')
    return heating?.reliefSetGauge_Pa?.value ?? vessel.reliefUsualGauge_Pa
  const temperature_Pa = safety?.temperatureReliefGauge_Pa ?? rules.temperatureReliefGauge_Pa
  if (valve.guards === 'temperature') return temperature_Pa
  return safety?.expansionReliefGauge_Pa ?? rules.expansionReliefGauge_Pa ?? temperature_Pa
}

const genericOf = (valve: ReliefValve) => genericValves.find((one) => one.id === valve.size)

const capacityOf = (valve: ReliefValve, relieving: Relieving): number | undefined => {
  const generic = genericOf(valve)
  return valve.capacity_W?.value ?? (generic && genericCapacity_W(generic, relieving))
}

/**
 * What all valves on the same water let out together; while one of them is not known, this one
 * alone.
 */
function together_W(
  valve: ReliefValve,
  { reliefs }: JobDocument,
  relieving: Relieving,
): number | undefined {
  const all = reliefs
    .filter((one) => one.guards === valve.guards)
    .map((one) => capacityOf(one, relieving))
  return all.some((one) => one === undefined)
    ? capacityOf(valve, relieving)
    : all.reduce<number>((sum, one) => sum + (one ?? 0), 0)
}

/** Inlet that the selection table asks, m; undefined where it does not cover the case. */
function tableInlet_m(
  valve: ReliefValve,
  document: JobDocument,
  power_W: number,
  setGauge_Pa: number,
): number | undefined {
  if (valve.guards === 'heating') return membraneInlet_m(power_W, setGauge_Pa)
  const store_m3 = hotWaterHeater(document)?.water_m3?.value
  return store_m3 === undefined ? undefined : potableInlet_m({ store_m3, heater_W: power_W })
}

/** A boiler's relief has neither the tundish nor the table of a store's. */
const rulesFor = (valve: ReliefValve, rules: DischargeRules): DischargeRules =>
  valve.guards === 'heating' ? { ...rules, tundish: 'may', table: 'full-size' } : rules

function partsBehind(
  valve: ReliefValve,
  document: JobDocument,
  setGauge_Pa: number,
): readonly GuardedPart[] {
  const { heating, hotWater } = document
  if (valve.guards === 'heating')
    return heating
      ? partsUnderRelief(document, heating, {
          reliefSetGauge_Pa: setGauge_Pa,
          vesselName: 'Vessel',
        })
      : []
  const heater = hotWater ? hotWaterHeater(document) : undefined
  return heater
    ? [
        {
          name: heater.name,
          limitGauge_Pa: heater.maxWorkingGauge_Pa?.value,
          seenGauge_Pa: setGauge_Pa,
        },
      ]
    : []
}

/** The part that would go first: the least between what it stands and what it sees. */
const weakestOf = (parts: readonly GuardedPart[]): ReliefAnswer['weakest'] =>
  parts
    .filter((part): part is LimitedPart => part.limitGauge_Pa !== undefined)
    .sort((a, b) => a.limitGauge_Pa - a.seenGauge_Pa - (b.limitGauge_Pa - b.seenGauge_Pa))[0]

const capacityFrom = (valve: ReliefValve): ReliefAnswer['capacityFrom'] => {
  if (valve.capacity_W) return 'tag'
  return genericOf(valve) ? 'generic' : 'none'
}

/** What is protected, as the practice's rule takes it: by output where every plate has one. */
const protectsBy = (valve: ReliefValve, document: JobDocument, { relief }: Practice) =>
  relief.protects === 'output' && heatSources(valve, document).every((one) => one.output_W)
    ? ('output' as const)
    : ('input' as const)

interface Judged {
  readonly relieving: Relieving
  readonly openTemp_K: number | undefined
  readonly power_W: number | undefined
}

/** The discharge of a valve whose outlet is known. */
function dischargeOf(
  valve: ReliefValve,
  document: JobDocument,
  rules: DischargeRules,
  { relieving, openTemp_K, power_W }: Judged,
): ReliefAnswer['discharge'] {
  const outlet = valve.outlet ?? genericOf(valve)?.outlet
  if (!outlet) return undefined
  const carries_W = valve.guards === 'expansion' ? 0 : capacityOf(valve, relieving)
  return judgeDischarge(
    valve.discharge,
    {
      ...relieving,
      outlet,
      capacity_W: carries_W ?? 0,
      power_W: power_W ?? 0,
      openTemp_K: openTemp_K ?? nearBoiling_K,
      coldTemp_K: coldestTemp_K(document) ?? usualCold_K,
      backDecides: valve.guards === 'heating' && rules.table === 'approved-g',
    },
    rulesFor(valve, rules),
  )
}
/**
 * Of water let out by pressure alone, and of the main, where nobody has read them. Common practice,
 * no source.
 */
const nearBoiling_K = 363.15
const usualCold_K = 283.15

/**
 * One relief valve: setting, capacity against what heats the water, the parts behind it, where its
 * water goes. Gauge pressures.
 */
export function answerValve(
  valve: ReliefValve,
  document: JobDocument,
  practice: Practice,
  safety: SafetyAnswer | undefined,
  rules: DischargeRules,
): ReliefAnswer {
  const setGauge_Pa = settingOf(valve, document, practice, safety)
  const relieving = {
    setGauge_Pa,
    overpressure: usualOverpressure,
    atmosphere_Pa: siteAtmosphere_Pa(document),
  }
  const openTemp_K =
    valve.guards === 'temperature'
      ? (safety?.temperatureReliefTemp_K ?? practice.safety.temperatureReliefTemp_K)
      : undefined
  const power_W = protectedPower_W(valve, document, practice)
  const parts = partsBehind(valve, document, setGauge_Pa)
  const known = power_W !== undefined
  return {
    valve,
    setGauge_Pa,
    openTemp_K,
    parts,
    weakest: weakestOf(parts),
    protects_W: power_W,
    protectsName:
      heatSources(valve, document)
        .map((one) => one.name)
        .join(' and ') || 'the heater',
    by: protectsBy(valve, document, practice),
    capacity_W: capacityOf(valve, relieving),
    together_W: together_W(valve, document, relieving),
    capacityFrom: capacityFrom(valve),
    steam_kg_s: known ? steamOfPower(power_W, relieving).steam_kg_s : undefined,
    tableInlet_m: known ? tableInlet_m(valve, document, power_W, setGauge_Pa) : undefined,
    would: known ? genericFor(power_W, relieving) : undefined,
    discharge: dischargeOf(valve, document, rules, { relieving, openTemp_K, power_W }),
  }
}
