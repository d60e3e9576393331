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

const row = (place: string, what: string, answer: unknown, asked = true): Decides => ({
  place: `work.exchange.${place}`,
  what,
  answer,
  asked,
})

const plantAsks = ({ exchange, plant, fresh }: Rows): readonly Decides[] => {
  const relief = isRelief(exchange)
  const input = plant.input_W ?? plant.output_W
  const below = `How far ${plant.name} stands below ${fresh.name}`
  return [
    row('plant.max', `Maximum working pressure of ${plant.name}`, plant.maxWorkingGauge_Pa, relief),
    row('plant.input', `Heat input of ${plant.name}`, input, relief),
    row('plantBelow_m', below, exchange.plantBelow_m, relief),
    row('reliefGauge_Pa', 'Set pressure of the relief behind it', exchange.reliefGauge_Pa, !relief),
  ]
}

/** What is read from both tags. */
function tagAsks({ exchange, old, fresh }: Rows): readonly Decides[] {
  const relief = isRelief(exchange)
  const isVessel = exchange.part === 'expansion-vessel'
  const opens = exchange.part === 'temperature-pressure-valve'
  const max = `Maximum working pressure of ${fresh.name}`
  return [
    row('old.set', `Set pressure of ${old.name}`, old.setGauge_Pa, !isVessel),
    row('new.set', `Set pressure of ${fresh.name}`, fresh.setGauge_Pa, !isVessel),
    row('new.openTemp', `Opening temperature of ${fresh.name}`, fresh.openTemp_K, opens),
    row('old.capacity', `Capacity of ${old.name}`, old.capacity_W, relief),
    row('new.capacity', `Capacity of ${fresh.name}`, fresh.capacity_W, relief),
    row('old.volume', `Volume of ${old.name}`, old.volume_m3, isVessel),
    row('new.volume', `Volume of ${fresh.name}`, fresh.volume_m3, isVessel),
    row('new.working', max, exchange.newMaxWorkingGauge_Pa, isVessel),
    row('new.charge', `Charge of ${fresh.name}, gauged`, fresh.chargeGauge_Pa, isVessel),
  ]
}

function roundAsks({ exchange, plant }: Rows): readonly Decides[] {
  const relief = isRelief(exchange)
  const { between, endSafe, cause, causeDone, connection } = exchange
  const says = exchange.causeSays.trim() === '' ? null : exchange.causeSays
  const shuts = relief || exchange.part === 'expansion-vessel'
  return [
    row('connection', 'Connection of the new one beside the old', connection),
    row('between', `What stands between it and ${plant.name}`, between, shuts),
    row('endSafe', 'Whether its discharge ends in sight and scalds nobody', endSafe, relief),
    row('cause', 'Why it let water out, or that no cause was found', cause, relief),
    row(
      'causeSays',
      'What was looked at, where no cause was found',
      says,
      relief && cause === 'not-found',
    ),
    row('causeDone', 'Whether the cause is put right', causeDone, relief && causeStays(exchange)),
  ]
}

type Rows = Pick<ExchangeAnswer, 'exchange' | 'plant' | 'old' | 'fresh'>

/** What an exchange still has to be told: each decides something, and no more is asked. */
export const exchangeMissing = (rows: Rows): readonly Missing[] =>
  unsettled([...plantAsks(rows), ...tagAsks(rows), ...roundAsks(rows)])
