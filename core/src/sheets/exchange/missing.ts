import type { Missing } from '../../answer/sheet'
import type { Exchange } from '../../job/workDocument'
import type { Decides } from '../unsettled'
import { unsettled } from '../unsettled'
import type { ExchangeAnswer } from './answer'

export const isRelief = ({ part }: Exchange): boolean =>
  part === 'relief-valve' || part === 'temperature-pressure-valve'
/** Causes that go on once the valve is new, until they are put right themselves. */
const staying: readonly (Exchange['cause'] | undefined)[] = [
  'vessel',
  'feed-lets-by',
  'coil-leaks',
  'closed-system',
  'setting',
]
export const causeStays = ({ cause }: Exchange): boolean => staying.includes(cause)

/** What an exchange asks: each decides something, and no more is asked. */
export function exchangeAsks({ exchange, plant, old, fresh }: Rows): readonly Decides[] {
  const relief = isRelief(exchange)
  const { part } = exchange
  const isVessel = part === 'expansion-vessel'
  const row = (place: string, what: string, answer: unknown, asked = true): Decides => ({
    place: `work.exchange.${place}`,
    what,
    answer,
    asked,
  })
  return [
    row('plant.max', `Maximum working pressure of ${plant.name}`, plant.maxWorkingGauge_Pa, relief),
    row('plant.input', `Heat input of ${plant.name}`, plant.input_W ?? plant.output_W, relief),
    row(
      'plantBelow_m',
      `How far ${plant.name} stands below ${fresh.name}`,
      exchange.plantBelow_m,
      relief,
    ),
    row('reliefGauge_Pa', 'Set pressure of the relief behind it', exchange.reliefGauge_Pa, !relief),
    row('old.set', `Set pressure of ${old.name}`, old.setGauge_Pa, !isVessel),
    row('new.set', `Set pressure of ${fresh.name}`, fresh.setGauge_Pa, !isVessel),
    row(
      'new.openTemp',
      `Opening temperature of ${fresh.name}`,
      fresh.openTemp_K,
      part === 'temperature-pressure-valve',
    ),
    row('old.capacity', `Capacity of ${old.name}`, old.capacity_W, relief),
    row('new.capacity', `Capacity of ${fresh.name}`, fresh.capacity_W, relief),
    row('old.volume', `Volume of ${old.name}`, old.volume_m3, isVessel),
    row('new.volume', `Volume of ${fresh.name}`, fresh.volume_m3, isVessel),
    row(
      'new.working',
      `Maximum working pressure of ${fresh.name}`,
      exchange.newMaxWorkingGauge_Pa,
      isVessel,
    ),
    row('new.charge', `Charge of ${fresh.name}, gauged`, fresh.chargeGauge_Pa, isVessel),
    row('connection', 'Connection of the new one beside the old', exchange.connection),
    row(
      'between',
      `What stands between it and ${plant.name}`,
      exchange.between,
      relief || isVessel,
    ),
    row(
      'endSafe',
      'Whether its discharge ends in sight and scalds nobody',
      exchange.endSafe,
      relief,
    ),
    row('cause', 'Why it let water out, or that no cause was found', exchange.cause, relief),
    row(
      'causeSays',
      'What was looked at, where no cause was found',
      exchange.causeSays.trim() === '' ? null : exchange.causeSays,
      relief && exchange.cause === 'not-found',
    ),
    row(
      'causeDone',
      'Whether the cause is put right',
      exchange.causeDone,
      relief && causeStays(exchange),
    ),
  ]
}

type Rows = Pick<ExchangeAnswer, 'exchange' | 'plant' | 'old' | 'fresh'>

export const exchangeMissing = (rows: Rows): readonly Missing[] => unsettled(exchangeAsks(rows))
