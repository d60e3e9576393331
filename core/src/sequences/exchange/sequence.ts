import type { Appliance } from '../../job/document'
import { burnsGas } from '../../job/fields'
import type { Exchange, ExchangedPart } from '../../job/workDocument'
import { waterOf } from '../asked'
import { scald } from '../common'
import { coldShut, cooled, heatOff, letDown, powerLast, refill } from '../isolate'
import { set } from '../plant'
import type { Guard, SequenceJob, SequenceSpec, StepPart } from '../step'
import { back, seen } from '../step'

interface Exchanged {
  readonly exchange: Exchange
  readonly plant: Appliance
  /** The key of its water side. */
  readonly of: string
  readonly name: string
  readonly isBoiler: boolean
}

const exchangedIn = ({ document }: SequenceJob): Exchanged | undefined => {
  const { exchange } = document.work
  const plant = document.appliances.find(({ id }) => id === exchange?.plantId)
  return exchange && plant
    ? {
        exchange,
        plant,
        of: waterOf(document, plant),
        name: plant.name,
        isBoiler: plant.kind === 'boiler' || plant.kind === 'solid-fuel-boiler',
      }
    : undefined
}

const exchangeOf = (job: SequenceJob): Exchanged => {
  const found = exchangedIn(job)
  if (!found) throw new RangeError('nothing is exchanged')
  return found
}

const partNames = {
  'relief-valve': '{reliefValve}',
  'temperature-pressure-valve': '{temperatureRelief}',
  'expansion-vessel': '{vessel}',
  'reducing-valve': '{reducingValve}',
  'inlet-group': 'inlet group',
} as const satisfies Readonly<Record<ExchangedPart, string>>

const partName = ({ practice }: SequenceJob, part: ExchangedPart): string =>
  partNames[part].replace(/\{(\w+)\}/, (_, word: string) => practice.words[word] ?? word)

const isRelief = (part: ExchangedPart): boolean =>
  part === 'relief-valve' || part === 'temperature-pressure-valve'

/** How far it is emptied before a part comes out. */
const emptied = {
  'relief-valve': 'Drained to below the valve, air let in',
  'temperature-pressure-valve': 'Drained to below the valve, air let in',
  'expansion-vessel': 'Isolated at its service valve, its water side let out',
  'reducing-valve': 'Pipe on both sides empty',
  'inlet-group': 'Pipe on both sides empty, the store held back by its valve',
} as const satisfies Readonly<Record<ExchangedPart, string>>

const outGuards = {
  'relief-valve': [
    seen('why', 'Why it is exchanged is written down: a cause, or “not found”'),
    seen('held', 'Two wrenches: the larger holds the fixed part'),
  ],
  'temperature-pressure-valve': [
    seen('why', 'Why it is exchanged is written down: a cause, or “not found”'),
    seen('held', 'Two wrenches; the probe drawn out straight'),
  ],
  'expansion-vessel': [
    seen('supported', 'Old {vessel} supported: it may be full of water'),
    seen('weighed', 'Whether it was full is written down: a full one has lost its membrane'),
  ],
  'reducing-valve': [seen('strainer', 'Strainer looked at: what came out of it is written down')],
  'inlet-group': [seen('order', 'Order and arrows of the old one photographed')],
} as const satisfies Readonly<Record<ExchangedPart, readonly Guard[]>>

const inGuards = {
  'relief-valve': [
    seen('match', 'Kind, set pressure, capacity and thread held against the old and the plant'),
    seen('turned', 'Hand-tight and a turn or so, its tag left on, lever reachable'),
    seen('end', 'Discharge connected, falling, its end in sight; nothing between'),
  ],
  'temperature-pressure-valve': [
    seen('match', 'Set pressure, temperature, capacity, thread and length of the probe fit'),
    seen('turned', 'Hand-tight and a turn or so, its tag left on, lever reachable'),
    seen('end', 'Discharge connected, falling, its end in sight; nothing between'),
  ],
  'expansion-vessel': [
    seen('supported', 'Supported, hand-tight at first, its service valve open and secured'),
    seen('label', 'Label with charge and date on it'),
  ],
  'reducing-valve': [
    seen('arrow', 'Arrow with the flow, strainer clean'),
    seen('set', 'Set as the design asks: a changed pressure is held against every part behind it'),
  ],
  'inlet-group': [
    seen('arrow', 'Arrows with the flow, in the order its maker draws'),
    seen('no-valve', 'No valve from the relief to the store'),
    seen('set', 'A changed set pressure is held against every part behind it'),
  ],
} as const satisfies Readonly<Record<ExchangedPart, readonly Guard[]>>

const out = (job: SequenceJob): StepPart => {
  const { exchange, of } = exchangeOf(job)
  return {
    id: 'out',
    title: `Take the old ${partName(job, exchange.part)} out.`,
    short: 'Old part out',
    ...ticketOf(job),
    why: 'As far as the part needs, and no further.',
    evidence: 'Old and new part side by side, tags in sight',
    guards: [seen('emptied', emptied[exchange.part]), ...outGuards[exchange.part]],
    effects: {
      ...set('part', of, 'out'),
      ...set('water', of, 'full'),
      ...(isRelief(exchange.part) ? set('relief', of, 'away') : {}),
    },
  }
}

const ticketOf = (job: SequenceJob): Pick<StepPart, 'ticket'> =>
  job.practice.unventedTicket && !exchangeOf(job).isBoiler ? { ticket: 'unvented' } : {}

const charge = (job: SequenceJob): readonly StepPart[] => {
  const { exchange } = exchangeOf(job)
  if (exchange.part !== 'expansion-vessel') return []
  const asked = job.document.parts.find(({ id }) => id === exchange.newId)?.chargeGauge_Pa?.value
  const tolerance = job.practice.vessel.fillTolerance_Pa
  return [
    {
      id: 'charge',
      title: 'Set the charge of the new one, water side empty.',
      short: 'Charge, empty',
      why: 'Factory charge leaks in store. Read against water it is the water’s pressure.',
      guards: [seen('empty', 'Water side open and empty')],
      reading: {
        label: 'Charge, gauge',
        measure: 'water-pressure',
        ...(asked === undefined
          ? {}
          : { target: asked, least: asked - tolerance, most: asked + tolerance }),
        limitSays: 'within the fill tolerance of the charge for this plant',
      },
    },
  ]
}

const fitIn = (job: SequenceJob): StepPart => {
  const { exchange, of } = exchangeOf(job)
  return {
    id: 'in',
    title: `Fit the new ${partName(job, exchange.part)}.`,
    short: 'New part in',
    ...ticketOf(job),
    why: 'Sealed as its maker says, left unstrained. Brass nuts crack later.',
    guards: [
      ...inGuards[exchange.part],
      ...(isRelief(exchange.part)
        ? []
        : [
            seen(
              'relief',
              'The relief and its discharge are in place and open',
              set('relief', of, 'in-place'),
            ),
          ]),
    ],
    effects: { ...set('part', of, 'in'), ...set('relief', of, 'in-place') },
  }
}

const usesLink = (job: SequenceJob): boolean =>
  exchangeOf(job).isBoiler && job.practice.fillBy === 'filling-link'

const linkOff = (of: string): StepPart => ({
  id: 'link-off',
  title: 'Filling link off and capped.',
  short: 'Link off',
  why: 'A link left on lets the main into the heating, and heating water into the main.',
  guards: [back('link', 'Link shut, disconnected and capped')],
  effects: set('link', of, 'off'),
})

/** What the relief behind it is set to. */
const reliefGauge_Pa = (job: SequenceJob): number | undefined => {
  const { exchange } = exchangeOf(job)
  const fresh = job.document.parts.find(({ id }) => id === exchange.newId)
  return isRelief(exchange.part) ? fresh?.setGauge_Pa?.value : exchange.reliefGauge_Pa?.value
}

/** Below this share of the relief's setting it stays dry when hot: common practice, no source. */
const hotShare = 0.9

const readings = (job: SequenceJob): readonly StepPart[] => {
  const { of, name, isBoiler } = exchangeOf(job)
  const relief = reliefGauge_Pa(job)
  return [
    {
      id: 'cold-read',
      title: 'Read the cold pressure.',
      short: 'Cold pressure',
      why: 'What it rises from decides whether the relief stays dry.',
      guards: [seen('still', 'Everything shut, at rest')],
      reading: {
        label: 'Cold, gauge',
        measure: 'water-pressure',
        ...(relief === undefined ? {} : { most: relief * hotShare }),
        limitSays: 'nine tenths of the relief’s setting (common practice, no source)',
        symptom: 'pressure-creeps',
      },
    },
    ...(usesLink(job) ? [linkOff(of)] : []),
    powerLast(of),
    {
      id: 'hot-read',
      title: `Heat ${name} to its limit, and read it.`,
      short: 'Hot pressure',
      why: 'That the new relief is dry cold proves nothing.',
      hazard: scald(job.practice),
      guards: [seen('top', isBoiler ? 'Flow at its highest setting' : 'Store at its setting')],
      effects: set('heat', of, 'hot'),
      admits: 'heat',
      reading: {
        label: 'Hot, gauge',
        measure: 'water-pressure',
        ...(relief === undefined ? {} : { most: relief * hotShare }),
        limitSays: 'nine tenths of the relief’s setting (common practice, no source)',
        symptom: 'pressure-races-up',
      },
    },
    {
      id: 'dry',
      title: 'Discharge and joints dry, cold and hot.',
      short: 'Dry',
      why: 'A paper towel says it better than an eye.',
      guards: [
        seen('discharge', 'Discharge dry'),
        seen('joints', 'Every joint that was touched dry'),
        seen('told', 'Who lives here knows what to watch, and whom to call'),
      ],
    },
  ]
}

/**
 * One safety part exchanged on a plant in use: off, cooled, let down, out, in, and back in the
 * reverse order.
 */
export const exchangeParts: SequenceSpec = {
  id: 'exchange',
  name: (job) =>
    `${capital(partName(job, exchangeOf(job).exchange.part))} exchanged at ${exchangeOf(job).name}`,
  at: (job) =>
    job.document.work.kinds.includes('safety-part-exchanged') && exchangedIn(job) ? [''] : [],
  plant: (job) => {
    const { of } = exchangeOf(job)
    return {
      wet: [{ of, ...(usesLink(job) ? { filledBy: 'link' } : {}) }],
      burning: [],
    }
  },
  steps: (job) => {
    const { of, name, plant, isBoiler } = exchangeOf(job)
    return [
      heatOff(of, name, burnsGas(plant.kind)),
      cooled(of, job.practice),
      coldShut(of, isBoiler ? `Make-up of ${name}` : `Cold inlet of ${name}`, {
        title: isBoiler ? 'Shut the make-up and the valves around it.' : 'Shut the cold inlet.',
      }),
      letDown(
        of,
        'The relief as a drain is quick, and fouls its seat each time. Here: a drain or an outlet.',
      ),
      out(job),
      ...charge(job),
      fitIn(job),
      refill(of, {
        before: [],
        ...(usesLink(job)
          ? {
              leavesOff: [
                {
                  key: 'link',
                  name: 'Filling link',
                  state: 'linked',
                  where: 'between the main and the circuit',
                  backBefore: 'link-off',
                  thing: { id: `link.${of}`, off: 'linked', back: 'off' },
                },
              ],
            }
          : {}),
      }),
      ...readings(job),
    ]
  },
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)
