import type { Missing } from '../../answer/sheet'
import { fitted } from '../../job/asked'
import type { Appliance, JobDocument } from '../../job/document'
import type { DischargePiece, ReliefValve } from '../../job/pressureDocument'
import type { Practice } from '../../practice/practice'
import type { Decides } from '../unsettled'
import { unsettled } from '../unsettled'
import { protects_W } from '../protects'
import { heatSources } from './heatSources'

/** Which valves have to be there, by what holds water under pressure. */
function valvesWanted(
  { reliefs, appliances, heating }: JobDocument,
  { words, safety }: Practice,
  heater: Appliance | undefined,
): readonly Decides[] {
  const guarded = (...guards: ReliefValve['guards'][]) =>
    reliefs.find((valve) => guards.includes(valve.guards))
  const instantaneous = heater?.kind === 'instantaneous-heater'
  const store = heater !== undefined && !instantaneous
  const place = 'reliefs'
  const name = heater?.name ?? ''
  return [
    {
      place,
      what: `The ${words.reliefValve} of the heating`,
      answer: guarded('heating'),
      asked: heating !== null && fitted(appliances).some((one) => one.kind === 'boiler'),
    },
    {
      place,
      what: `The ${words.temperatureRelief} of ${name}`,
      answer: guarded('temperature'),
      asked: store,
    },
    {
      place,
      what: `The expansion ${words.reliefValve} of ${name}`,
      answer: guarded('expansion'),
      asked: store && safety.expansionReliefGauge_Pa !== undefined,
    },
    {
      place,
      what: `The ${words.reliefValve} of ${name}: it heats under the pressure of the main`,
      answer: guarded('temperature', 'expansion'),
      asked: instantaneous,
    },
    {
      place: 'heating.reliefSetGauge_Pa',
      what: `Set pressure on the tag of the ${words.reliefValve}`,
      answer: heating?.reliefSetGauge_Pa,
      asked: heating !== null && guarded('heating') !== undefined,
    },
  ]
}

/** What has to be looked at on a relief valve before anybody may call it sound. */
function valveDecides(valve: ReliefValve, i: number): readonly Decides[] {
  const { name } = valve
  const place = `reliefs.${i}`
  return [
    { place, what: `Size of ${name}`, answer: valve.outlet ?? valve.size },
    {
      place,
      what: `Whether a valve stands between ${name} and what it protects`,
      answer: valve.valveBetween,
    },
    { place, what: `Whether the lever of ${name} can be reached`, answer: valve.lever },
    {
      place,
      what: `Where the probe of ${name} sits`,
      answer: valve.probe,
      asked: valve.guards === 'temperature',
    },
  ]
}

function pieceDecides(piece: DischargePiece, place: string, name: string): readonly Decides[] {
  if (piece.kind === 'tundish')
    return [{ place, what: `Whether the tundish of ${name} can be seen`, answer: piece.visible }]
  if (piece.kind === 'pipe')
    return [{ place, what: `Length of the discharge pipe of ${name}`, answer: piece.length_m }]
  return []
}

const openEnds: readonly unknown[] = ['floor', 'outside', 'pan']

/**
 * What has to be looked at along a discharge pipe; without one there is nothing to look at, and a
 * finding says so.
 */
function dischargeDecides({ discharge, name }: ReliefValve, i: number): readonly Decides[] {
  if (discharge.pieces.length === 0) return []
  const run = `reliefs.${i}.discharge`
  const place = `${run}.end`
  return [
    ...discharge.pieces.flatMap((piece, at) => pieceDecides(piece, `${run}.${at}`, name)),
    { place, what: `Where the discharge of ${name} ends`, answer: discharge.end },
    {
      place,
      what: `How high the discharge of ${name} ends`,
      answer: discharge.endHeight_m,
      asked: openEnds.includes(discharge.end),
    },
    {
      place,
      what: `What the end of the discharge of ${name} is like`,
      answer: discharge.endThread,
    },
    {
      place,
      what: `Whether the end of the discharge of ${name} can be seen`,
      answer: discharge.endVisible,
    },
    {
      place,
      what: `Whether anybody can be scalded where ${name} discharges`,
      answer: discharge.endSafe,
    },
    {
      place,
      what: `Whether the end of the discharge of ${name} can freeze`,
      answer: discharge.endFreezes,
    },
  ]
}

/**
 * The plate of whatever heats the water behind a valve; an expansion valve lets out cold water and
 * is not held against it.
 */
const powerDecides = (
  valve: ReliefValve,
  document: JobDocument,
  practice: Practice,
): readonly Decides[] =>
  valve.guards === 'expansion'
    ? []
    : heatSources(valve, document).map((one) => ({
        place: `appliances.${document.appliances.indexOf(one)}.input_W`,
        what: `Heat input of ${one.name}`,
        answer: protects_W(one, document, practice),
      }))

/** What nobody has said yet of the relief valves, their discharge and what they protect. */
export function missingForRelief(
  document: JobDocument,
  practice: Practice,
  heater: Appliance | undefined,
  needsPan: boolean,
): Missing[] {
  const { reliefs, pan } = document
  return unsettled([
    {
      place: 'pan.fitted',
      what: `Whether a ${practice.words.pan} is fitted`,
      answer: pan.fitted,
      asked: needsPan,
    },
    ...valvesWanted(document, practice, heater),
    ...reliefs.flatMap((valve, i) => [
      ...valveDecides(valve, i),
      ...dischargeDecides(valve, i),
      ...powerDecides(valve, document, practice),
    ]),
  ])
}
