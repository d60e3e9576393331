import { sources } from '../../answer/sources'
import type { WeepCause } from '../../job/workDocument'
import { type ExchangeAnswer, type MatchPoint, pointNames } from './answer'
import { causeStays, isRelief } from './missing'
import type { ExchangeFinding } from './wording'

const placeOf = {
  set: 'new.set',
  temperature: 'new.openTemp',
  capacity: 'new.capacity',
  volume: 'new.volume',
  working: 'new.working',
  connection: 'connection',
} as const

/** Why a relief let water out, as the second half of a sentence. */
export const causeWords: Readonly<Record<WeepCause, string>> = {
  vessel: 'the {vessel} is flat, waterlogged, too small or shut off',
  'feed-lets-by': 'the feed lets by or its lever was left over',
  'coil-leaks': 'the coil leaks the main into the heating',
  'closed-system': 'the system is closed and nothing takes the expansion',
  'old-seat': 'its seat is old or has grit under it',
  lifted: 'it was lifted and did not reseat',
  setting: 'the pressure it stands at is too near its setting',
  'not-weeping': 'it did not: it is exchanged for its age or kind',
  'not-found': 'no cause was found',
}

/** The new part against the plant first, then against the old one, then what stands round it. */
export function exchangeFindings(answer: ExchangeAnswer): readonly ExchangeFinding[] {
  return [
    ...answer.points.flatMap((point) => (point.fits === false ? misfit(point, answer) : [])),
    ...differences(answer),
    ...around(answer),
    ...weeping(answer),
  ]
}

type Misfit = Pick<ExchangeFinding, 'id' | 'names' | 'figures' | 'source'>

/** A point at which the new part is wrong for the plant, whatever the old one was. */
function misfit(point: MatchPoint, answer: ExchangeAnswer): ExchangeFinding[] {
  const { asks, fresh: value = 0, like } = point
  if (!asks) return []
  const said = saidOf(point.id, answer, {
    value,
    limit: asks.value,
    asBefore: like ? 'as-before' : '',
  })
  return said ? [{ ...said, severity: 'stop', place: `work.exchange.${placeOf[point.id]}` }] : []
}

function saidOf(
  id: MatchPoint['id'],
  { exchange, plant, fresh }: ExchangeAnswer,
  {
    value,
    limit,
    asBefore,
  }: { readonly value: number; readonly limit: number; readonly asBefore: string },
): Misfit | undefined {
  const plateGauge_Pa = plant.maxWorkingGauge_Pa?.value ?? limit
  if (id === 'set' && isRelief(exchange))
    return {
      id: 'exchange-over-plant',
      source: sources.maker,
      names: [fresh.name, plant.name, asBefore],
      figures: { setGauge_Pa: value, limitGauge_Pa: limit, plateGauge_Pa },
    }
  if (id === 'set')
    return {
      id: 'exchange-reduces-high',
      source: sources.trade,
      names: [fresh.name, asBefore],
      figures: { setGauge_Pa: value, limitGauge_Pa: limit },
    }
  if (id === 'temperature')
    return {
      id: 'exchange-too-hot',
      source: sources.trade,
      names: [fresh.name, asBefore],
      figures: { openTemp_K: value, limitTemp_K: limit },
    }
  if (id === 'capacity')
    return {
      id: 'exchange-short',
      source: sources.maker,
      names: [fresh.name, plant.name, asBefore],
      figures: { capacity_W: value, protects_W: limit },
    }
  if (id === 'working')
    return {
      id: 'exchange-vessel-weak',
      source: sources.maker,
      names: [fresh.name],
      figures: { limitGauge_Pa: value, setGauge_Pa: limit },
    }
  return
}

/** Where it fits the plant and is another than the old one all the same. */
function differences({ points, exchange, old, fresh }: ExchangeAnswer): ExchangeFinding[] {
  const volume = points.find((point) => point.id === 'volume')
  const smaller: ExchangeFinding[] =
    volume?.like === false
      ? [
          {
            id: 'exchange-vessel-smaller',
            severity: 'fix',
            place: 'work.exchange.new.volume',
            source: sources.trade,
            names: [fresh.name],
            figures: { volume_m3: volume.fresh ?? 0, old_m3: volume.old ?? 0 },
          },
        ]
      : []
  const differs = points
    .filter((point) => point.id !== 'volume' && point.like === false && point.fits === true)
    .map((point) => pointNames[point.id].toLowerCase())
  const all = [
    ...differs,
    ...(exchange.connection === 'adapted' || exchange.connection === 'larger'
      ? ['connection']
      : []),
  ]
  return all.length === 0
    ? smaller
    : [
        ...smaller,
        {
          id: 'exchange-not-like',
          severity: 'note',
          place: 'work.exchange.match',
          source: sources.trade,
          names: [fresh.name, old.name, all.join(', ')],
        },
      ]
}

function around({ exchange, plant, old, fresh }: ExchangeAnswer): ExchangeFinding[] {
  const { part, between, connection, endSafe } = exchange
  const shuts =
    (isRelief(exchange) && between !== null && between !== 'nothing') ||
    (part === 'expansion-vessel' && between === 'plain-valve')
  const one = (id: ExchangeFinding['id'], place: string, names: readonly string[]) => ({
    id,
    severity: 'stop' as const,
    place: `work.exchange.${place}`,
    source: sources.trade,
    names,
  })
  return [
    ...(shuts ? [one('exchange-shut', 'between', [fresh.name, plant.name])] : []),
    ...(connection === 'smaller'
      ? [one('exchange-narrow', 'connection', [fresh.name, old.name])]
      : []),
    ...(isRelief(exchange) && endSafe === 'no'
      ? [one('exchange-end', 'endSafe', [fresh.name])]
      : []),
  ]
}

function weeping({ exchange, old }: ExchangeAnswer): ExchangeFinding[] {
  const { cause, causeDone, causeSays } = exchange
  if (!isRelief(exchange) || cause === null) return []
  if (cause === 'not-found' && causeSays.trim() !== '')
    return [
      {
        id: 'weep-not-found',
        severity: 'note',
        place: 'work.exchange.cause',
        source: sources.trade,
        names: [old.name, causeSays.trim()],
      },
    ]
  return causeStays(exchange) && causeDone === 'no'
    ? [
        {
          id: 'weep-cause-left',
          severity: 'fix',
          place: 'work.exchange.causeDone',
          source: sources.trade,
          names: [old.name, causeWords[cause]],
        },
      ]
    : []
}
