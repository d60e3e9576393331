import type { Finding } from '../answer/finding'
import { commissioningSequence } from '../sequences/sequence'
import type { Step } from '../sequences/sequence'
import { fuelGases } from '../methods/gas/fuel'
import type { JobDocument } from '../job/document'
import type { Practice } from '../practice/practices'
import { practices } from '../practice/practices'
import type { TightnessDesign } from '../bench/gas-tightness/plan'
import type { GasAnswer } from '../sheets/gas/answer'
import { gasSheet } from '../sheets/gas/sheet'
import type { CircuitAnswer } from '../sheets/circuit/answer'
import { circuitSheet } from '../sheets/circuit/sheet'
import type { ReliefsAnswer } from '../sheets/relief/answer'
import { reliefSheet } from '../sheets/relief/sheet'
import type { SafetyAnswer } from '../sheets/safety/answer'
import { safetySheet } from '../sheets/safety/sheet'
import type { HeatAnswer } from '../sheets/heat/answer'
import { heatSheet } from '../sheets/heat/sheet'
import { guarded } from '../sheets/guarded'
import type { Sheet } from '../answer/sheet'
import type { ReadingsAnswer } from '../sheets/readings/answer'
import { placeSheet } from '../sheets/place/sheet'
import { readingsSheet } from '../sheets/readings/sheet'
import { platesSheet } from '../sheets/plates/sheet'
import { siteSheet } from '../sheets/site/sheet'
import type { VesselAnswer } from '../sheets/vessel/answer'
import { vesselSheet } from '../sheets/vessel/sheet'
import type { WaterAnswer } from '../sheets/water/answer'
import { waterSheet } from '../sheets/water/sheet'
import { tightnessSheet } from '../bench/gas-tightness/sheet'

/** Every answer, target, working and design finding of a job. A pure function of its document. */
export interface Solution {
  readonly document: JobDocument
  readonly practice: Practice
  readonly site: Sheet<{ readonly atmosphere_Pa: number }>
  readonly readings: Sheet<ReadingsAnswer>
  readonly plates: Sheet<{ readonly burners: number }>
  readonly place: ReturnType<typeof placeSheet>
  readonly heat: Sheet<HeatAnswer>
  readonly circuit: Sheet<CircuitAnswer>
  readonly vessel: Sheet<VesselAnswer>
  readonly safety: Sheet<SafetyAnswer>
  readonly relief: Sheet<ReliefsAnswer>
  readonly gas: Sheet<GasAnswer>
  readonly water: Sheet<WaterAnswer>
  readonly tightness: Sheet<TightnessDesign>
  readonly steps: readonly Step[]
  readonly findings: readonly Finding[]
}

/** Solves a whole job: composes the sheets and holds no formula. */
export function solve(document: JobDocument): Solution {
  const practice = practices[document.practice]
  const vessel = guarded('heating', () => vesselSheet(document, practice))
  const gas = guarded('gas.segments', () => gasSheet(document, practice))
  const tightness = guarded('gas', () => tightnessSheet(document, practice, gas))
  const readings = guarded('survey', () => readingsSheet(document, practice))
  const heat = guarded('heat', () => heatSheet(document, practice))
  const safety = guarded('hotWater', () =>
    safetySheet(document, practice, answerOf(readings), answerOf(heat)),
  )
  const circuit = guarded('heating', () => circuitSheet(document, practice))
  const water = guarded('water.segments', () =>
    waterSheet(document, practice, answerOf(circuit)?.content.total_m3),
  )
  const sheets = {
    site: guarded('survey.elevation_m', () => siteSheet(document)),
    readings,
    plates: platesSheet(document),
    place: placeSheet(document, practice),
    heat,
    circuit,
    vessel,
    safety,
    relief: guarded('reliefs', () => reliefSheet(document, practice, answerOf(safety))),
    gas,
    water,
    tightness,
  }
  const findings = Object.values(sheets).flatMap((sheet) => (sheet.applies ? sheet.findings : []))
  return {
    document,
    practice,
    ...sheets,
    steps: commissioningSequence(document, practice, sequenceTargets(practice, vessel, gas)),
    findings,
  }
}

/** A sheet's answer, where it applies and has one. */
export const answerOf = <A>(sheet: Sheet<A>): A | undefined =>
  sheet.applies ? sheet.answer : undefined

function sequenceTargets(practice: Practice, vessel: Sheet<VesselAnswer>, gas: Sheet<GasAnswer>) {
  const v = vessel.applies ? vessel.answer : undefined
  const g = gas.applies ? gas.answer : undefined
  const least = g?.index.appliance?.minInletGauge_Pa?.value
  return {
    ...(v
      ? {
          chargeGauge_Pa: v.pumpUp.gauge_Pa,
          fillGauge_Pa: v.fillGauge_Pa,
          reliefSetGauge_Pa: v.inputs.reliefSetGauge_Pa,
          finalGauge_Pa: v.need.finalGauge_Pa,
          fitted_m3: v.fitted_m3,
          maxFlowTemp_K: v.inputs.maxTemp_K,
        }
      : {}),
    ...(v?.forecast.outcome === 'settles' ? { hotGauge_Pa: v.forecast.hotGauge_Pa } : {}),
    ...(g ? { gasGauge_Pa: g.index.inletGauge_Pa ?? g.index.farGauge_Pa } : {}),
    ...(least === undefined
      ? {}
      : {
          gasLeastGauge_Pa: least,
          gasLeastSays: `the least inlet pressure on the plate of ${g?.index.appliance?.name ?? 'the appliance'}`,
        }),
    practice: practice.name,
  }
}

/** The fuel's data for a job. */
export const fuelOf = (document: JobDocument) => fuelGases[document.practice][document.survey.fuel]
