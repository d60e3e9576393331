import { answerOf } from '../../answer/sheet'
import { inWords } from '../../job/questions'
import type { JobDocument } from '../../job/document'
import type { JobRecord } from '../../job/records'
import { ofKind } from '../../job/records'
import { siteTime } from '../../job/siteTime'
import { valveYear } from '../../job/valveYear'
import type { Show } from '../../units/format'
import type { Solution } from '../solve'
import { shutOffsAsked } from './leaving'

/** A label that hangs on a thing: what it is, and what whoever stands before it needs. */
export interface Label {
  readonly id: string
  readonly title: string
  readonly lines: readonly string[]
}

/** The day on the site's clock that a step was last signed; undefined while it is not. */
const dayOf = (
  entries: readonly JobRecord[],
  step: string,
  site: JobDocument,
): string | undefined => {
  const signed = ofKind(entries, 'step').findLast(
    ({ body }) => body.stepId === step && body.skipped === undefined,
  )
  return signed && siteTime(signed.at, site).slice(0, 10)
}

/**
 * The labels of a job, from its design and from what was recorded of it. A day that nobody recorded
 * is left to be written by hand.
 */
export function labelsOf(
  solution: Solution,
  entries: readonly JobRecord[],
  show: Show,
): readonly Label[] {
  const { practice, document } = solution
  const { shutOffs } = document.handover
  return [
    ...ofHeating(solution, entries, show),
    ...ofHotWater(solution, show),
    ...ofReliefs(solution, show),
    ...ofGas(solution, show),
    ...shutOffsAsked(document).map((one) => ({
      id: `shut-${one}`,
      title: shutTitles[one],
      lines: [shutOffs[one].trim() || 'where: ________________'],
    })),
  ].map(({ id, title, lines }) => ({
    id,
    title: inWords(title, practice.words),
    lines: lines.map((text) => inWords(text, practice.words)),
  }))
}

const shutTitles = {
  gas: 'Gas shuts here',
  water: 'Water shuts here',
  power: 'Electricity shuts here',
}
const written = (day: string | undefined) => `Set on ${day ?? '____________'}`

function ofHeating(
  { vessel, document }: Solution,
  entries: readonly JobRecord[],
  show: Show,
): readonly Label[] {
  const v = answerOf(vessel)
  if (!v) return []
  return [
    {
      id: 'vessel',
      title: '{vessel}, heating',
      lines: [
        `Charge ${show(v.need.chargeGauge_Pa, 'water-pressure')}, water side empty`,
        written(dayOf(entries, 'heating.vessel-charge', document)),
      ],
    },
    {
      id: 'fill',
      title: 'Heating, at the gauge',
      lines: [
        `Cold ${show(v.fillGauge_Pa, 'water-pressure')}`,
        v.forecast.outcome === 'settles'
          ? `Hot, up to ${show(v.forecast.hotGauge_Pa + v.vesselHead_Pa, 'water-pressure')}`
          : 'Hot: not worked out',
      ],
    },
  ]
}

function ofHotWater({ safety }: Solution, show: Show): readonly Label[] {
  const a = answerOf(safety)
  if (!a?.vesselWanted) return []
  return [
    {
      id: 'potable-vessel',
      title: '{vessel}, hot water',
      lines: [
        `Charge ${show(a.chargeGauge_Pa, 'water-pressure')}, water side empty`,
        written(undefined),
      ],
    },
  ]
}

const ofReliefs = ({ relief, document }: Solution, show: Show): readonly Label[] =>
  (answerOf(relief)?.valves ?? []).map(({ valve, setGauge_Pa, openTemp_K }) => ({
    id: `relief-${valve.id}`,
    title: valve.name,
    lines: [
      `Set ${show(setGauge_Pa, 'water-pressure')}${openTemp_K === undefined ? '' : `, ${show(openTemp_K, 'temperature')}`}`,
      `Year ${valveYear(valve, document) ?? '________'}`,
      'Never plug it',
    ],
  }))

function ofGas({ gas, document }: Solution, show: Show): readonly Label[] {
  const a = answerOf(gas)
  if (!a) return []
  const read = document.survey.gasWorkingGauge_Pa
  return [
    {
      id: 'gas-working',
      title: 'Gas, working pressure',
      lines: [
        `At the meter ${read ? `${show(read.value, 'gas-pressure')} read` : '________ not read'}`,
        `Farthest appliance ${show(a.index.inletGauge_Pa ?? a.index.farGauge_Pa, 'gas-pressure')} computed`,
      ],
    },
  ]
}

/** What a label's code holds: plain words, no address and no person. */
export const labelCode = (
  label: Label,
  job: { readonly number: string; readonly day: string },
): string => [`Job ${job.number}`, label.title, ...label.lines, `printed ${job.day}`].join('; ')
