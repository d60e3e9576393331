import { fitted } from '../../job/asked'
import type { JobDocument } from '../../job/document'
import { noFlowHead_Pa } from '../../job/heatingPump'
import type { Heating } from '../../job/pressureDocument'
import type { Practice } from '../../practice/practice'
import type { Decides } from '../unsettled'

/** How the circuit is made, as far as the vessel and the limits of its parts go by it. */
function circuitDecides(
  heating: Heating,
  { words }: Practice,
  hasBoiler: boolean,
  fitted_m3: number,
): readonly Decides[] {
  const pushed =
    (fitted_m3 > 0 && heating.position.side === 'delivery') ||
    heating.boilerAfterPump === 'yes' ||
    heating.weakParts.some((part) => part.afterPump === 'yes')
  return [
    {
      place: 'heating.system',
      what: 'Whether the circuit is sealed or open to the air',
      answer: heating.system,
    },
    {
      place: 'heating.boilerAfterPump',
      what: `Whether the ${words.pump} pushes through the boiler before the water passes the ${words.vessel}`,
      answer: heating.boilerAfterPump,
      asked: hasBoiler,
    },
    {
      place: 'heating.pumpId',
      what: `No-flow head of the ${words.pump}`,
      answer: noFlowHead_Pa(heating),
      asked: pushed,
    },
  ]
}

/** Boilers and other parts that the relief must not lift too late for. */
function partDecides(
  { appliances }: JobDocument,
  { weakParts }: Heating,
  { words }: Practice,
): readonly Decides[] {
  return [
    ...fitted(appliances)
      .filter((one) => one.kind === 'boiler')
      .map((boiler) => ({
        place: `appliances.${appliances.indexOf(boiler)}.maxWorkingGauge_Pa`,
        what: `Maximum working pressure of ${boiler.name}`,
        answer: boiler.maxWorkingGauge_Pa,
      })),
    ...weakParts.flatMap((part, i): Decides[] => [
      {
        place: `heating.weakParts.${i}`,
        what: `Maximum working pressure of ${part.name}`,
        answer: part.maxWorkingGauge_Pa,
      },
      {
        place: `heating.weakParts.${i}`,
        what: `Whether ${part.name} stands between the ${words.pump} and the ${words.vessel}`,
        answer: part.afterPump,
      },
    ]),
  ]
}

const furtherDecides = ({ furtherVessels }: Heating): readonly Decides[] =>
  furtherVessels.flatMap((vessel, i) => [
    {
      place: `heating.furtherVessels.${i}`,
      what: `Maximum working pressure of ${vessel.name}`,
      answer: vessel.maxWorkingGauge_Pa,
    },
    {
      place: `heating.furtherVessels.${i}`,
      what: `What stands between ${vessel.name} and the circuit`,
      answer: vessel.position?.between,
    },
  ])

/** The vessel that is fitted: what it stands and how it is joined. */
function ownDecides(heating: Heating, { words }: Practice): readonly Decides[] {
  const { position } = heating
  const place = 'heating.position'
  return [
    {
      place: 'heating.vesselMaxWorkingGauge_Pa',
      what: `Maximum working pressure of the ${words.vessel}`,
      answer: heating.vesselMaxWorkingGauge_Pa,
    },
    {
      place,
      what: `Whether the ${words.vessel} stands on the suction side of the ${words.pump}`,
      answer: position.side,
    },
    {
      place,
      what: `What stands between the ${words.vessel} and the boiler`,
      answer: position.between,
    },
    { place, what: `From where the ${words.vessel} is joined`, answer: position.from },
    { place, what: `What carries the ${words.vessel}`, answer: position.carriedBy },
  ]
}

/**
 * What has to be known of the circuit before anybody may call its vessel sound; its size can be
 * computed without it.
 */
export const vesselDecides = (
  document: JobDocument,
  heating: Heating,
  practice: Practice,
  fitted_m3: number,
): readonly Decides[] => [
  ...circuitDecides(
    heating,
    practice,
    fitted(document.appliances).some((one) => one.kind === 'boiler'),
    fitted_m3,
  ),
  ...partDecides(document, heating, practice),
  ...furtherDecides(heating),
  ...(fitted_m3 > 0 ? ownDecides(heating, practice) : []),
]
