import { z } from 'zod'
import { id, known } from './known'

/** What the work is, one or several; the data of each stands in `work/`. */
export const workKinds = [
  'heating-new',
  'boiler-exchanged',
  'stored-hot-water',
  'storage-heater-exchanged',
  'instantaneous-heater',
  'safety-part-exchanged',
  'burner-part-exchanged',
  'leak-made-safe',
  'pipework-restored',
  'inspection-only',
  'commissioning-only',
] as const
export type WorkKindId = (typeof workKinds)[number]

/** Safety parts that are exchanged one for one. */
export const exchangedParts = [
  'relief-valve',
  'temperature-pressure-valve',
  'expansion-vessel',
  'reducing-valve',
  'inlet-group',
] as const
export type ExchangedPart = (typeof exchangedParts)[number]

/** Why a relief let water out. `not-found` wants a reason beside it. */
export const weepCauses = [
  'vessel',
  'feed-lets-by',
  'coil-leaks',
  'closed-system',
  'old-seat',
  'lifted',
  'setting',
  'not-weeping',
  'not-found',
] as const
export type WeepCause = (typeof weepCauses)[number]

const yesNo = z.enum(['yes', 'no']).nullable()

/**
 * One safety part exchanged: the plant it guards and the old and the new part are rows of the
 * document; here is what stands between them.
 */
export const Exchange = z.object({
  part: z.enum(exchangedParts),
  /** Rows of `appliances` and `parts`. */
  plantId: id,
  oldId: id,
  newId: id,
  /** Of the plant below the part; a plant that stands above it is below 0. */
  plantBelow_m: known('height'),
  /** Connection of the new one beside that of the old. */
  connection: z.enum(['same', 'larger', 'adapted', 'smaller']).nullable(),
  between: z.enum(['nothing', 'lockable', 'plain-valve']).nullable(),
  /** Its discharge ends where it is seen and nobody is scalded. */
  endSafe: yesNo,
  /**
   * Setting of the relief behind a vessel or a reducing valve, and the maximum working pressure of
   * a new vessel.
   */
  reliefGauge_Pa: known('water-pressure'),
  newMaxWorkingGauge_Pa: known('water-pressure'),
  cause: z.enum(weepCauses).nullable(),
  causeSays: z.string().max(300),
  /** The cause is put right, not the valve alone. */
  causeDone: yesNo,
})
export type Exchange = z.infer<typeof Exchange>

export const Work = z.object({
  /** Empty while nobody has said; everything is then asked. */
  kinds: z
    .array(z.enum(workKinds))
    .max(workKinds.length)
    .refine((kinds) => new Set(kinds).size === kinds.length, 'one kind of work twice'),
  exchange: Exchange.nullable(),
})
export type Work = z.infer<typeof Work>
export const blankWork: Work = { kinds: [], exchange: null }

export const blankExchange = (
  rows: Pick<Exchange, 'part' | 'plantId' | 'oldId' | 'newId'>,
): Exchange => ({
  ...rows,
  plantBelow_m: null,
  connection: null,
  between: null,
  endSafe: null,
  reliefGauge_Pa: null,
  newMaxWorkingGauge_Pa: null,
  cause: null,
  causeSays: '',
  causeDone: null,
})
