import type { Answers } from './sheets'
import { askedOf } from '../job/asked'
import { coldestTemp_K } from '../job/coldestTemp'
import type { JobDocument } from '../job/document'
import { burnsGas } from '../job/fields'
import { fitted } from '../job/asked'
import { heatingBoiler } from '../job/heatingBoiler'
import { hotWaterHeater } from '../job/hotWaterHeater'
import { withoutUnfilled } from '../job/unfilled'
import { fingerprint } from '../job/merge'
import { heaterLeast_m3_s } from '../job/heaterLeast'

/*
 * What a proof rested on until sheets said their inputs themselves (`restsOn` of src/solve/judge.ts). Proofs given then are still held
 * against it. Frozen: never edited, whatever sheets read today.
 */
type RestedOn = (document: JobDocument, answers: Partial<Answers>) => unknown

const restedOn: Readonly<Record<string, RestedOn>> = {
  site: ({ site, survey, practice }) => ({
    site,
    elevation: survey.elevation_m,
    top: survey.topEmitterHeight_m,
    outlet: survey.topOutletHeight_m,
    supplies: survey.supplies,
    visited: survey.visitedOn,
    practice,
  }),
  readings: (document) => ({
    ...document.survey,
    looked: Object.fromEntries(
      [...askedOf(document, 'main'), ...askedOf(document, 'gas')].map(({ key }) => [
        key,
        document.survey.looked[key],
      ]),
    ),
    supplies: null,
    draught: null,
    visitedOn: null,
    placePhotos: null,
  }),
  plates: ({ appliances, parts }) => ({
    plates: appliances.map(({ papers: _papers, photos: _photos, ...plate }) => plate),
    parts,
  }),
  place: ({ survey, schools }) => ({
    looked: survey.looked,
    draught: survey.draught,
    ignitionHeight_m: survey.ignitionHeight_m,
    schools: schools.safetyPan,
  }),
  heat: (document) => ({
    heat: document.heat,
    hotWater: document.hotWater && { ...document.hotWater, safety: undefined },
    schools: document.schools,
    practice: document.practice,
    cold: coldestTemp_K(document),
    main: document.survey.mainPoints,
    static: document.survey.coldMainStaticGauge_Pa,
    height: document.survey.topOutletHeight_m,
    distance: document.survey.gasDistance_m,
    meter: document.survey.gasMeter_m3_s,
  }),
  circuit: ({ heating, heat, survey, practice }) =>
    heating && {
      circuit: {
        zones: heating.zones,
        emitters: heating.emitters,
        pipes: heating.pipes,
        parts: heating.parts,
        fluid: heating.fluid,
        pumpId: heating.pumpId,
        pumpHead_Pa: heating.pumpHead_Pa,
        pumpMost_m3_s: heating.pumpMost_m3_s,
        boilerLeastFlow_m3_s: heating.boilerLeastFlow_m3_s,
      },
      heat: [heat.zones, heat.flowTemp_K],
      flow: survey.maxFlowTemp_K,
      practice,
    },
  vessel: (document) => {
    const { survey, heating, heat, practice } = document
    const {
      papers: _papers,
      photos: _photos,
      ...plate
    } = heatingBoiler(document) ?? { papers: null, photos: null }
    return {
      survey: {
        elevation_m: survey.elevation_m,
        filled: survey.fillTemp_K,
        flow: survey.maxFlowTemp_K,
        limit: survey.highLimitTemp_K,
        top: survey.topEmitterHeight_m,
        sizeOn: survey.sizeOn,
      },
      heating,
      heat: [heat.zones, heat.flowTemp_K],
      boiler: plate,
      practice,
    }
  },
  safety: (document) => ({
    safety: document.hotWater?.safety,
    store: document.hotWater?.storeTemp_K,
    heater: { ...hotWaterHeater(document), papers: null, photos: null },
    looked: document.survey.looked,
    static: document.survey.coldMainStaticGauge_Pa,
    cold: [document.survey.incomingTemp_K, document.survey.incomingColdestTemp_K],
    elevation: document.survey.elevation_m,
    practice: document.practice,
    schools: document.schools,
  }),
  relief: ({ reliefs, pan, parts, appliances, schools, survey, practice, heating, hotWater }) => ({
    reliefs,
    pan,
    parts: parts.map((part) => ({ ...part, photos: null })),
    appliances: appliances.map((one) => ({ ...one, papers: null, photos: null })),
    schools,
    looked: survey.looked,
    elevation: survey.elevation_m,
    practice,
    heating: heating && [
      heating.reliefSetGauge_Pa,
      heating.weakParts,
      heating.furtherVessels,
      heating.vesselMaxWorkingGauge_Pa,
    ],
    safety: hotWater?.safety ?? null,
  }),
  gas: ({ gas, prices, appliances, survey, practice }) => ({
    gas,
    prices,
    burners: fitted(appliances)
      .filter((one) => burnsGas(one.kind))
      .map(({ papers: _papers, photos: _photos, ...plate }) => plate),
    survey: [
      survey.gasWorkingGauge_Pa,
      survey.gasLoad,
      survey.fuel,
      survey.elevation_m,
      survey.looked.shakes,
    ],
    practice,
  }),
  water: (document, { circuit }) => {
    const { water, prices, hotWater, survey, schools, practice } = document
    return {
      water,
      prices,
      outlets: hotWater?.outlets,
      scenario: hotWater?.scenario,
      wanted: hotWater?.wantedGauge_Pa,
      store: hotWater?.storeTemp_K,
      reducing: hotWater?.safety.reducingGauge_Pa,
      survey: [
        survey.coldMainStaticGauge_Pa,
        survey.mainPoints,
        survey.incomingTemp_K,
        survey.incomingColdestTemp_K,
        survey.looked.mainReducingValve,
      ],
      schools: [schools.simultaneousUse, schools.hotWaterTemperature],
      least: heaterLeast_m3_s(document),
      content: circuit?.content.total_m3,
      practice,
    }
  },
}

/** Sheets that were proven under the name of another. */
const firstNames: Readonly<Record<string, string>> = { tightness: 'gas', steps: 'vessel' }

/**
 * The fingerprint that a proof of a sheet was given for under the first way; undefined for a sheet
 * that did not exist then.
 */
export const restedOnFirst = (
  sheet: string,
  document: JobDocument,
  answers: Partial<Answers>,
): string | undefined => {
  const of = restedOn[firstNames[sheet] ?? sheet]
  return of && fingerprint(of(withoutUnfilled(document), withoutUnfilled(answers)))
}
