import { fuelGases } from '../../methods/gas/fuel'
import type { JobDocument } from '../../job/document'
import type { BodyOf } from '../../job/records'
import type { Practice } from '../../practice/practice'
import { handTests } from './kinds'
import { madeOnNow } from './madeOn'
import { atOf } from './spec'
import type { At, Given } from './spec'

/**
 * What one reads where all is well, SI: made up, so that each kind passes on a job whose plates are
 * read.
 */
const wellRead: Readonly<Record<string, (at: At) => Given>> = {
  purge: ({ practice }) => ({
    volume_m3: 0.01,
    purged_m3: practice.purge.factor * 0.012,
    time_s: 40 * practice.purge.factor * 0.012,
    bore_m: 0.02,
    left_ratio: 1,
  }),
  'gas-pressure': ({ appliance, practice, document }) => {
    const [least, most] = practice.gas.supplyBand_Pa[document.survey.fuel]
    const working_Pa = Math.max(least, appliance?.minInletGauge_Pa?.value ?? 0) + 1
    return {
      static_Pa: Math.min(working_Pa + 100, appliance?.maxInletGauge_Pa?.value ?? most),
      working_Pa,
      meter_Pa: working_Pa + 10,
    }
  },
  'gas-rate': (at) => {
    const { input_W, inputSaid } = at.appliance ?? {}
    const gas = fuelGases[at.document.practice][at.document.survey.fuel]
    const gross_W = (input_W?.value ?? 0) * (inputSaid === 'net' ? gas.grossOverNet : 1)
    return { volume_m3: (60 * gross_W) / gas.grossHeat_J_m3, time_s: 60 }
  },
  'burner-pressure': () => ({
    ...{ maker_max_Pa: 1250, max_Pa: 1250, maker_min_Pa: 300, min_Pa: 300, tolerance_Pa: 10 },
  }),
  'combustion-high': () => ({ o2: 0.05, co: 20e-6 }),
  'combustion-low': () => ({ o2: 0.05, co: 10e-6 }),
  spillage: () => ({ smoke: 3 }),
  flushing: () => ({ run_s: 300, water: 0 }),
  disinfection: ({ practice: { disinfection: rule } }) => ({
    dose_kg_m3: rule.dose_kg_m3,
    held_s: rule.hold_s,
    left_kg_m3: rule.left_kg_m3,
    after_kg_m3: rule.drink_kg_m3,
  }),
  'tap-temperature': () => ({ washing_K: 314, far_K: 320, far_s: 5 }),
  'water-test-metal': () => ({ working_Pa: 3e5, start_Pa: 16e5, end_Pa: 16e5, held_s: 7200 }),
}

/**
 * The record of a test by hand that passes; RangeError for a kind that nobody gave good figures
 * for.
 */
export function passingTest(
  kindId: string,
  target: string,
  document: JobDocument,
  practice: Practice,
): BodyOf<'measured'> {
  const kind = handTests.find(({ id }) => id === kindId)
  const read = wellRead[kindId]
  if (!kind || !read) throw new RangeError(`no good figures for ${kindId}`)
  const at = atOf(
    document,
    practice,
    document.appliances.find(({ id }) => id === target),
  )
  const values = Object.fromEntries(
    Object.entries(read(at)).filter((entry): entry is [string, number] => entry[1] !== undefined),
  )
  const on = madeOnNow(kind, at)
  return {
    kind: 'measured',
    reading: kindId,
    target,
    values,
    typed: {},
    confirmed: kind.confirms.map(({ id }) => id),
    instrument: 'Made up',
    ...(on === undefined ? {} : { on }),
  }
}
