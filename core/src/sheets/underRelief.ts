import { fitted } from '../job/asked'
import type { JobDocument } from '../job/document'
import { noFlowHead_Pa } from '../job/heatingPump'
import type { Heating } from '../job/pressureDocument'
import { waterDensity_kg_m3 } from '../methods/water/water'
import { gravity_m_s2 } from '../units/units'

/** A part of the circuit and what it sees, gauge, while the relief valve lifts. */
export interface PartUnderRelief {
  readonly name: string
  readonly place: string
  readonly limitGauge_Pa: number
  readonly seenGauge_Pa: number
}

/** Cold water is the heaviest: what stands below the valve sees most of it. */
const coldest_K = 277.15

interface Standing {
  readonly name: string
  readonly place: string
  readonly limit: { readonly value: number } | null
  readonly aboveFill: { readonly value: number } | null
  readonly afterPump: boolean
}

function standingsOf(
  { appliances }: JobDocument,
  heating: Heating,
  vesselName: string,
): Standing[] {
  return [
    ...fitted(appliances)
      .filter((one) => one.kind === 'boiler')
      .map((boiler) => ({
        name: boiler.name,
        place: `appliances.${appliances.indexOf(boiler)}.maxWorkingGauge_Pa`,
        limit: boiler.maxWorkingGauge_Pa,
        aboveFill: boiler.aboveFill_m,
        afterPump: heating.boilerAfterPump === 'yes',
      })),
    ...heating.weakParts.map((part, i) => ({
      name: part.name,
      place: `heating.weakParts.${i}`,
      limit: part.maxWorkingGauge_Pa,
      aboveFill: part.aboveFill_m,
      afterPump: part.afterPump === 'yes',
    })),
    {
      name: vesselName,
      place: 'heating.vesselMaxWorkingGauge_Pa',
      limit: heating.vesselMaxWorkingGauge_Pa,
      aboveFill: heating.vesselHeight_m,
      afterPump: false,
    },
    ...heating.furtherVessels.map((vessel, i) => ({
      name: vessel.name,
      place: `heating.furtherVessels.${i}`,
      limit: vessel.maxWorkingGauge_Pa,
      aboveFill: null,
      afterPump: false,
    })),
  ]
}

/**
 * Every part of a sealed circuit whose limit is known, with what it sees while the relief lifts at
 * `reliefSetGauge_Pa`: the setting, the water between the two, and between the pump's discharge and
 * the vessel its no-flow head. A part without a height stands at the fill point, the relief too.
 * Gauge, Pa. Source: sources.arithmetic.
 */
export function partsUnderRelief(
  document: JobDocument,
  heating: Heating,
  {
    reliefSetGauge_Pa,
    vesselName,
  }: { readonly reliefSetGauge_Pa: number; readonly vesselName: string },
): readonly PartUnderRelief[] {
  const relief_m = heating.reliefHeight_m?.value ?? 0
  const perMetre_Pa = waterDensity_kg_m3(coldest_K) * gravity_m_s2
  const head_Pa = noFlowHead_Pa(heating) ?? 0
  return standingsOf(document, heating, vesselName).flatMap(
    ({ name, place, limit, aboveFill, afterPump }) =>
      limit
        ? [
            {
              name,
              place,
              limitGauge_Pa: limit.value,
              seenGauge_Pa:
                reliefSetGauge_Pa +
                perMetre_Pa * (relief_m - (aboveFill?.value ?? 0)) +
                (afterPump ? head_Pa : 0),
            },
          ]
        : [],
  )
}

/** The part that would go first: the least between what it stands and what it sees. */
export const firstToGo = (parts: readonly PartUnderRelief[]): PartUnderRelief | undefined =>
  [...parts].sort(
    (a, b) => a.limitGauge_Pa - a.seenGauge_Pa - (b.limitGauge_Pa - b.seenGauge_Pa),
  )[0]
