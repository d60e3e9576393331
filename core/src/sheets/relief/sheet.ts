import { reliefWordings } from './wording'
import { reliefSentence } from './sentence'
import { added, sheetSpec } from '../sheetSpec'
import type { ReliefFinding } from './wording'
import type { Appliance, JobDocument } from '../../job/document'
import type { ReliefValve } from '../../job/pressureDocument'
import type { Practice } from '../../practice/practices'
import { sideOf } from '../../practice/schools'
import { genericCapacity_W, genericFor, genericValves } from '../../methods/relief/catalogue'
import type { DischargeRules } from './judgeDischarge'
import { judgeDischarge } from './judgeDischarge'
import { membraneInlet_m, potableInlet_m } from '../../methods/relief/selection'
import { steamOfPower, usualOverpressure } from '../../methods/relief/steam'
import { fuelGases, grossInput_W } from '../../methods/gas/fuel'
import { partsUnderRelief } from '../underRelief'
import { fitted } from '../../job/asked'
import { heatingBoiler } from '../../job/heatingBoiler'
import { panNeed } from './panNeed'
import { reliefFindings } from './findings'
import { reliefWorkings } from './workings'
import type { SafetyAnswer } from '../safety/answer'
import { hotWaterHeater } from '../../job/hotWaterHeater'
import type { Decides } from '../unsettled'
import { unsettled } from '../unsettled'
import type { Missing, Sheet } from '../../answer/sheet'
import { coldestTemp_K } from '../../job/coldestTemp'
import { siteAtmosphere_Pa } from '../../job/siteAtmosphere'
import type { GuardedPart, ReliefAnswer, ReliefsAnswer } from './answer'

const inch = 0.0254
/** Height of an open end by the two schools, m. Source: domain practice, no source. */
export const endHeights_m = {
  a: [1.5 * inch, 6 * inch],
  b: [6 * inch, 24 * inch],
} as const satisfies Record<'a' | 'b', readonly [number, number]>

/** Gross input or output of an appliance as the practice's rule takes it, W; undefined while its plate is not read. */
export function protects_W(
  appliance: Appliance,
  document: JobDocument,
  practice: Practice,
): number | undefined {
  const { input_W, output_W, inputSaid } = appliance
  if (practice.relief.protects === 'output' && output_W) return output_W.value
  if (!input_W) return output_W?.value
  const gas = fuelGases[practice.name][document.survey.fuel]
  return grossInput_W(input_W.value, inputSaid, gas)
}

/** Every relief valve: setting, capacity, parts behind it, and where its water goes. */
export function reliefSheet(
  document: JobDocument,
  practice: Practice,
  safety: SafetyAnswer | undefined,
): Sheet<ReliefsAnswer> {
  const wantsHeating = document.heating !== null
  const heater = document.hotWater ? hotWaterHeater(document) : undefined
  if (!wantsHeating && !heater)
    return { applies: false, because: 'Nothing on this job holds hot water under pressure.' }
  const end_m = endHeights_m[sideOf('dischargeEnd', practice.name, document.schools)]
  const rules: DischargeRules = { ...practice.relief.discharge, end_m }
  const valves = document.reliefs.map((valve) =>
    answerValve(valve, document, practice, safety, rules),
  )
  const answer: ReliefsAnswer = { valves, pan: panNeed(document, practice), end_m }
  const findings: readonly ReliefFinding[] = reliefFindings(document, practice, answer)
  return {
    applies: true,
    answer,
    missing: missingForRelief(document, practice, wantsHeating, heater, answer.pan.wanted),
    findings,
    workings: () => reliefWorkings(answer),
  }
}

function answerValve(
  valve: ReliefValve,
  document: JobDocument,
  practice: Practice,
  safety: SafetyAnswer | undefined,
  rules: DischargeRules,
): ReliefAnswer {
  const atmosphere_Pa = siteAtmosphere_Pa(document)
  const heating = valve.guards === 'heating'
  const source = heating ? heatingBoiler(document) : hotWaterHeater(document)
  const heats = heatSources(valve, document)
  const setGauge_Pa = heating
    ? (document.heating?.reliefSetGauge_Pa?.value ?? practice.vessel.reliefUsualGauge_Pa)
    : valve.guards === 'expansion'
      ? (safety?.expansionReliefGauge_Pa ??
        practice.safety.expansionReliefGauge_Pa ??
        practice.safety.temperatureReliefGauge_Pa)
      : (safety?.temperatureReliefGauge_Pa ?? practice.safety.temperatureReliefGauge_Pa)
  const openTemp_K =
    valve.guards === 'temperature'
      ? (safety?.temperatureReliefTemp_K ?? practice.safety.temperatureReliefTemp_K)
      : undefined
  const protectsPower_W = protectedPower_W(valve, document, practice)
  const relieving = { setGauge_Pa, overpressure: usualOverpressure, atmosphere_Pa }
  const generic = genericValves.find((one) => one.id === valve.size)
  const capacityOf = (one: ReliefValve) => {
    const size = genericValves.find((each) => each.id === one.size)
    return one.capacity_W?.value ?? (size && genericCapacity_W(size, relieving))
  }
  const capacity_W = capacityOf(valve)
  const all = document.reliefs.filter((one) => one.guards === valve.guards).map(capacityOf)
  const together_W = all.some((one) => one === undefined)
    ? capacity_W
    : all.reduce<number>((sum, one) => sum + (one ?? 0), 0)
  const outlet = valve.outlet ?? generic?.outlet
  const parts = partsBehind(valve, document, setGauge_Pa)
  const weakest = parts
    .flatMap(({ name, limitGauge_Pa, seenGauge_Pa }) =>
      limitGauge_Pa === undefined ? [] : [{ name, limitGauge_Pa, seenGauge_Pa }],
    )
    .sort((a, b) => a.limitGauge_Pa - a.seenGauge_Pa - (b.limitGauge_Pa - b.seenGauge_Pa))[0]
  return {
    valve,
    setGauge_Pa,
    openTemp_K,
    parts,
    weakest,
    protects_W: protectsPower_W,
    protectsName: heats.map((one) => one.name).join(' and ') || 'the heater',
    by:
      practice.relief.protects === 'output' && heats.every((one) => one.output_W)
        ? 'output'
        : 'input',
    capacity_W,
    together_W,
    capacityFrom: valve.capacity_W ? 'tag' : generic ? 'generic' : 'none',
    steam_kg_s:
      protectsPower_W === undefined
        ? undefined
        : steamOfPower(protectsPower_W, relieving).steam_kg_s,
    tableInlet_m:
      protectsPower_W === undefined
        ? undefined
        : heating
          ? membraneInlet_m(protectsPower_W, setGauge_Pa)
          : source?.water_m3
            ? potableInlet_m({ store_m3: source.water_m3.value, heater_W: protectsPower_W })
            : undefined,
    would: protectsPower_W === undefined ? undefined : genericFor(protectsPower_W, relieving),
    discharge: outlet
      ? judgeDischarge(
          valve.discharge,
          {
            ...relieving,
            outlet,
            capacity_W: valve.guards === 'expansion' ? 0 : (capacity_W ?? 0),
            power_W: protectsPower_W ?? 0,
            openTemp_K: openTemp_K ?? 363.15,
            coldTemp_K: coldestTemp_K(document) ?? 283.15,
            backDecides: heating && rules.table === 'approved-g',
          },
          rulesFor(valve, rules),
        )
      : undefined,
  }
}

/** What heats the water that a valve guards: every boiler on the circuit, or the store's own burner, element or boiler. */
function heatSources(valve: ReliefValve, document: JobDocument): readonly Appliance[] {
  if (valve.guards === 'heating')
    return fitted(document.appliances).filter((one) => one.kind === 'boiler')
  const heater = hotWaterHeater(document)
  if (heater && heater.kind !== 'indirect-cylinder') return [heater]
  const boiler = heatingBoiler(document)
  return boiler ? [boiler] : []
}

/** All that can heat it at once, W; undefined while the plate of one is not read. */
function protectedPower_W(
  valve: ReliefValve,
  document: JobDocument,
  practice: Practice,
): number | undefined {
  const powers = heatSources(valve, document).map((one) => protects_W(one, document, practice))
  const immersion_W =
    valve.guards === 'heating' ? 0 : (document.hotWater?.safety.immersion_W?.value ?? 0)
  return powers.length === 0 || powers.some((power) => power === undefined)
    ? undefined
    : powers.reduce<number>((sum, power) => sum + (power ?? 0), immersion_W)
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

function missingForRelief(
  document: JobDocument,
  practice: Practice,
  wantsHeating: boolean,
  heater: Appliance | undefined,
  needsPan: boolean,
): Missing[] {
  const { reliefs, appliances, pan } = document
  const guarded = (guards: ReliefValve['guards']) =>
    reliefs.some((valve) => valve.guards === guards)
  const store = heater && heater.kind !== 'instantaneous-heater'
  const boilerHere = fitted(appliances).some((one) => one.kind === 'boiler')
  return [
    ...unsettled([
      {
        place: 'pan.fitted',
        what: `Whether a ${practice.words.pan} is fitted`,
        answer: pan.fitted,
        asked: needsPan,
      },
    ]),
    ...(wantsHeating && boilerHere && !guarded('heating')
      ? [{ place: 'reliefs', what: `The ${practice.words.reliefValve} of the heating` }]
      : []),
    ...(store && !guarded('temperature')
      ? [{ place: 'reliefs', what: `The ${practice.words.temperatureRelief} of ${heater.name}` }]
      : []),
    ...(store && practice.safety.expansionReliefGauge_Pa !== undefined && !guarded('expansion')
      ? [
          {
            place: 'reliefs',
            what: `The expansion ${practice.words.reliefValve} of ${heater.name}`,
          },
        ]
      : []),
    ...reliefs.flatMap((valve, i) =>
      valve.outlet === null && valve.size === null
        ? [{ place: `reliefs.${i}`, what: `Size of ${valve.name}` }]
        : [],
    ),
    ...reliefs.flatMap((valve, i) => unsettled(decidesOf(valve, i))),
    ...(heater?.kind === 'instantaneous-heater' && !guarded('temperature') && !guarded('expansion')
      ? [
          {
            place: 'reliefs',
            what: `The ${practice.words.reliefValve} of ${heater.name}: it heats under the pressure of the main`,
          },
        ]
      : []),
    ...(wantsHeating && guarded('heating') && !document.heating?.reliefSetGauge_Pa
      ? [
          {
            place: 'heating.reliefSetGauge_Pa',
            what: `Set pressure on the tag of the ${practice.words.reliefValve}`,
          },
        ]
      : []),
    ...reliefs.flatMap((valve) =>
      valve.guards === 'expansion'
        ? []
        : heatSources(valve, document)
            .filter((one) => protects_W(one, document, practice) === undefined)
            .map((one) => ({
              place: `appliances.${document.appliances.indexOf(one)}.input_W`,
              what: `Heat input of ${one.name}`,
            })),
    ),
  ]
}

/** What has to be looked at on a relief valve and along its discharge before anybody may call it sound. */
function decidesOf(valve: ReliefValve, i: number): readonly Decides[] {
  const { discharge, name } = valve
  const run = `reliefs.${i}.discharge`
  const runs = discharge.pieces.length > 0
  const open = discharge.end === 'floor' || discharge.end === 'outside' || discharge.end === 'pan'
  return [
    {
      place: `reliefs.${i}`,
      what: `Whether a valve stands between ${name} and what it protects`,
      answer: valve.valveBetween,
    },
    {
      place: `reliefs.${i}`,
      what: `Whether the lever of ${name} can be reached`,
      answer: valve.lever,
    },
    {
      place: `reliefs.${i}`,
      what: `Where the probe of ${name} sits`,
      answer: valve.probe,
      asked: valve.guards === 'temperature',
    },
    ...discharge.pieces.flatMap((piece, at): Decides[] =>
      piece.kind === 'tundish'
        ? [
            {
              place: `${run}.${at}`,
              what: `Whether the tundish of ${name} can be seen`,
              answer: piece.visible,
            },
          ]
        : piece.kind === 'pipe'
          ? [
              {
                place: `${run}.${at}`,
                what: `Length of the discharge pipe of ${name}`,
                answer: piece.length_m,
              },
            ]
          : [],
    ),
    {
      place: `${run}.end`,
      what: `Where the discharge of ${name} ends`,
      answer: discharge.end,
      asked: runs,
    },
    {
      place: `${run}.end`,
      what: `How high the discharge of ${name} ends`,
      answer: discharge.endHeight_m,
      asked: runs && open,
    },
    {
      place: `${run}.end`,
      what: `What the end of the discharge of ${name} is like`,
      answer: discharge.endThread,
      asked: runs,
    },
    {
      place: `${run}.end`,
      what: `Whether the end of the discharge of ${name} can be seen`,
      answer: discharge.endVisible,
      asked: runs,
    },
    {
      place: `${run}.end`,
      what: `Whether anybody can be scalded where ${name} discharges`,
      answer: discharge.endSafe,
      asked: runs,
    },
    {
      place: `${run}.end`,
      what: `Whether the end of the discharge of ${name} can freeze`,
      answer: discharge.endFreezes,
      asked: runs,
    },
  ]
}

export const reliefSpec = sheetSpec<{ safety: SafetyAnswer }>()({
  id: 'relief',
  name: 'Relief and discharge',
  stage: 'design',
  wordings: reliefWordings,
  place: 'reliefs',
  inputs: ({ reliefs, pan, parts, appliances, schools, survey, heating, hotWater }, { safety }) => [
    reliefs,
    pan,
    parts,
    appliances,
    schools,
    survey.looked,
    survey.elevation_m,
    survey.fuel,
    survey.incomingColdestTemp_K ?? survey.incomingTemp_K,
    heating?.reliefSetGauge_Pa,
    heating?.weakParts,
    heating?.furtherVessels,
    heating?.vesselMaxWorkingGauge_Pa,
    safety?.expansionReliefGauge_Pa,
    safety?.temperatureReliefGauge_Pa,
    safety?.temperatureReliefTemp_K,
    ...added({
      immersion_W: hotWater?.safety.immersion_W,
      vesselHeight_m: heating?.vesselHeight_m,
      reliefHeight_m: heating?.reliefHeight_m,
      boilerAfterPump: heating?.boilerAfterPump,
    }),
  ],
  beside: ({ heating, hotWater }) => [heating, hotWater !== null],
  solve: (document, practice, { safety }) => reliefSheet(document, practice, safety),
  says: reliefSentence,
})
