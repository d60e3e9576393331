import { answerOf } from '../../answer/sheet'
import { fitted } from '../../job/asked'
import type { JobDocument, ApplianceKind } from '../../job/document'
import { burnsGas } from '../../job/fields'
import { hotWaterHeater } from '../../job/hotWaterHeater'
import { inWords } from '../../job/questions'
import { safeOutlet } from '../../practice/safeOutlet'
import { smellOfGas } from '../../practice/smellOfGas'
import type { Show } from '../../units/format'
import type { Solution } from '../solve'
import type { JudgedLeaving } from './leaving'
import { shutOffsAsked } from './leaving'

/** A question that somebody in the house asks, and its answer line by line. */
export interface HouseholderAnswer {
  readonly id: HouseholderQuestion
  readonly asks: string
  readonly says: readonly string[]
  /** Part of the answer is not known: it says so instead of leaving it out. */
  readonly lacks: boolean
}

export const householderQuestions = {
  have: 'What do I have?',
  normal: 'What is normal?',
  shut: 'Where do I shut it?',
  'top-up': 'How do I top it up?',
  drips: 'What do I do when it drips?',
  danger: 'It smells, or an alarm sounds?',
  call: 'Whom do I call?',
  visit: 'When is the next visit?',
} as const
export type HouseholderQuestion = keyof typeof householderQuestions

/**
 * The householder's page: eight questions, answered from the job in plain words. What is not known
 * is said to be not known.
 */
export function householderPage(
  solution: Solution,
  leaving: readonly JudgedLeaving[],
  show: Show,
): readonly HouseholderAnswer[] {
  const answers: Readonly<Record<HouseholderQuestion, Answered>> = {
    have: have(solution),
    normal: normal(solution, show),
    shut: shut(solution.document),
    'top-up': topUp(solution, show),
    drips: drips(solution),
    danger: danger(solution, leaving),
    call: call(solution.document),
    visit: visit(solution.document),
  }
  return (Object.keys(householderQuestions) as HouseholderQuestion[]).map((id) => ({
    id,
    asks: householderQuestions[id],
    says: answers[id].says.map((text) => inWords(text, solution.practice.words)),
    lacks: answers[id].lacks ?? false,
  }))
}

interface Answered {
  readonly says: readonly string[]
  readonly lacks?: boolean
}

const plainKinds: Readonly<Record<ApplianceKind, string>> = {
  boiler: 'a boiler',
  'instantaneous-heater': 'a {instantaneousHeater}, which makes hot water as it runs',
  'storage-heater': 'a {storageHeater} that keeps hot water',
  'electric-storage-heater': 'an electric {storageHeater} that keeps hot water',
  'heat-pump-heater': 'a heat pump {storageHeater}: it makes hot water slowly, from the air',
  'indirect-cylinder': 'a store of hot water that the boiler heats',
  'solid-fuel-boiler': 'a boiler that burns wood or coal',
  'solar-collector': 'solar panels that warm the hot water',
  cooktop: 'a gas cooker',
  'other-gas': 'something that burns gas',
}

function have({ document, vessel }: Solution): Answered {
  const here = fitted(document.appliances)
  const v = answerOf(vessel)
  if (here.length === 0) return { says: ['Nobody has written down what stands here.'], lacks: true }
  return {
    says: [
      ...here.map(({ name, kind, maker }) => {
        const plate = [maker?.make, maker?.model].filter(Boolean).join(' ')
        return `${name}: ${plainKinds[kind]}${plate ? ` (${plate})` : ''}.`
      }),
      ...(v
        ? [
            'The heating is a closed ring of water: the {vessel} takes up what warm water grows by, the {reliefValve} lets some out before anything bursts.',
          ]
        : []),
    ],
  }
}

function normal({ document, practice, vessel }: Solution, show: Show): Answered {
  const v = answerOf(vessel)
  const gauge = (): Answered => {
    if (!document.heating) return { says: [] }
    if (document.heating.system === 'open-vented')
      return { says: ['There is no gauge to watch: the tank above keeps it full.'] }
    if (!v || v.forecast.outcome !== 'settles')
      return {
        says: ['What the gauge should read is not worked out yet: ask before you top up.'],
        lacks: true,
      }
    return {
      says: [
        `The gauge reads about ${show(v.fillGauge_Pa, 'water-pressure')} when the heating is cold, and up to ${show(v.forecast.hotGauge_Pa + v.vesselHead_Pa, 'water-pressure')} when it is hot. Between the two is normal.`,
      ],
    }
  }
  const { says, lacks } = gauge()
  const most = safeOutlet(practice, document.site).temp_K
  return {
    says: [
      ...says,
      ...(document.hotWater && hotWaterHeater(document)
        ? [
            `Hot water scalds. Where you wash it should be no hotter than ${show(most, 'temperature')}; try it with your hand before a child goes in.`,
          ]
        : []),
      'It goes on and off by itself. That is not a fault.',
    ],
    lacks: lacks ?? false,
  }
}

const shutNames = { gas: 'Gas', water: 'Water', power: 'Electricity' } as const

function shut(document: JobDocument): Answered {
  const asked = shutOffsAsked(document)
  const { shutOffs } = document.handover
  return {
    says: asked.map(
      (one) => `${shutNames[one]}: ${shutOffs[one].trim() || 'not written down. Ask today.'}`,
    ),
    lacks: asked.some((one) => shutOffs[one].trim() === ''),
  }
}

/** Share of the cold fill under which one tops up: common practice, no source. */
const lowShare = 0.8

function topUp({ document, vessel }: Solution, show: Show): Answered {
  if (!document.heating) return { says: ['There is nothing here to top up.'] }
  if (document.heating.system === 'open-vented')
    return {
      says: ['You do not: the tank above fills it. If that overflows or stands dry, call.'],
    }
  const v = answerOf(vessel)
  const { device, feedStays } = document.water.makeUp
  if (!v || device === null || (feedStays === null && device !== 'disconnected-link'))
    return {
      says: ['How this one is topped up is not written down. Do not open anything: call.'],
      lacks: true,
    }
  const often =
    'More than twice a year: it loses water somewhere, so call. Fresh water rots it from within.'
  if (feedStays === 'open')
    return {
      says: [
        `You do not. The {fillDevice} keeps it at ${show(v.fillGauge_Pa, 'water-pressure')} by itself. If the gauge falls below ${show(lowShare * v.fillGauge_Pa, 'water-pressure')} all the same, call.`,
      ],
    }
  if (device === 'none' || device === 'break-tank' || device === 'backflow-preventer')
    return {
      says: [
        `If the gauge is below ${show(lowShare * v.fillGauge_Pa, 'water-pressure')} with the heating cold, call: this one is not filled by hand.`,
        often,
      ],
    }
  return byHand(device === 'disconnected-link', v.fillGauge_Pa, show, often)
}

const byHand = (isLink: boolean, fillGauge_Pa: number, show: Show, often: string): Answered => ({
  says: [
    `Only when the gauge is below ${show(lowShare * fillGauge_Pa, 'water-pressure')} and the heating is cold.`,
    `${isLink ? 'Connect the {fillDevice}, then open' : 'Open'} the {fillDevice} a little. At ${show(fillGauge_Pa, 'water-pressure')} shut it${isLink ? ', take it off and put the caps on' : ''}.`,
    often,
  ],
})

const drips = ({ vessel, safety }: Solution): Answered => ({
  says: [
    ...(answerOf(vessel) || answerOf(safety)
      ? [
          'From the pipe of a {reliefValve}: read the gauge, write it down, call. Never plug or cap it: a blocked one can burst what it guards.',
        ]
      : []),
    'From anywhere else: shut the water, switch the power off if water is near it, call.',
  ],
})

function danger({ document, practice }: Solution, leaving: readonly JudgedLeaving[]): Answered {
  const burns = fitted(document.appliances).some(
    ({ kind }) => burnsGas(kind) || kind === 'solid-fuel-boiler',
  )
  if (!burns)
    return {
      says: ['Something smells burnt: switch the power off if you can reach it safely, and call.'],
    }
  const alarm = leaving.find(({ id }) => id === 'alarm')?.answered
  const gas = fitted(document.appliances).some(({ kind }) => burnsGas(kind))
  return {
    says: [
      ...(gas ? [`Smell of gas: ${smellOfGas(practice)}`] : []),
      'Carbon monoxide alarm, or headaches that go away outside: get everybody out into fresh air, leave it off, and call the emergency number for your place. Do not go back in to look.',
      ...(alarm?.body.answer === 'done'
        ? ['Press the test button of the alarm every month.']
        : ['No working carbon monoxide alarm was seen here. Get one before it is used.']),
    ],
    lacks: alarm?.body.answer !== 'done',
  }
}

/** A number is read off in one go. */
const unbroken = (phone: string): string => phone.trim().replaceAll(' ', '\u00a0')

function call({ handover: { call: whom } }: JobDocument): Answered {
  if (whom.name.trim() === '' || whom.phone.trim() === '')
    return { says: ['Not written down. Ask today.'], lacks: true }
  return {
    says: [
      `${whom.name}, ${unbroken(whom.phone)}.`,
      ...(whom.outOfHours.trim()
        ? [`At night and on holidays: ${unbroken(whom.outOfHours)}.`]
        : []),
      'Look, read the gauge, turn the dial: that is yours. Covers, gas and {reliefValve}s are for the {gasFitter}.',
    ],
  }
}

const visit = ({ handover }: JobDocument): Answered =>
  handover.nextVisit === null
    ? { says: ['No day is set. Once a year is usual; the maker may ask for more.'], lacks: true }
    : { says: [`On ${handover.nextVisit}.`] }
