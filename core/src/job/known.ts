import { z } from 'zod'
import { quantityIn } from '../units/format'
import type { Measure } from '../units/measure'
import { isNext0, ranges } from '../units/measure'
import type { UnitName } from '../units/units'

const siUnits: Partial<Record<(typeof ranges)[Measure]['kind'], UnitName>> = {
  pressure: 'bar',
  length: 'm',
  temperature: 'C',
  power: 'kW',
  volume: 'L',
  area: 'm2',
}

/** A schema of each measure, made once: a document asks for the same few some hundred times. */
function ofEach<S>(make: (measure: Measure) => S): (measure: Measure) => S {
  const made = new Map<Measure, S>()
  return (measure) => {
    const schema = made.get(measure) ?? make(measure)
    made.set(measure, schema)
    return schema
  }
}

/** A quantity in SI that the measure allows; its message says what is accepted. */
export const quantity = ofEach((measure) => {
  const { kind, hard } = ranges[measure]
  const unit = siUnits[kind]
  const says = unit
    ? `must be ${quantityIn(hard[0], unit)} to ${quantityIn(hard[1], unit)}`
    : `must be ${hard[0]} to ${hard[1]}`
  return z
    .number(`must be a number in SI`)
    .min(hard[0], says)
    .max(hard[1], says)
    .refine((si) => !isNext0(si, measure), `${says}; so little is a slip of the unit`)
})

export const siteBases = ['measured', 'read', 'assumed'] as const
export type SiteBasis = (typeof siteBases)[number]

/** A value of the site with how it is known; null while nobody has looked. */
export const known = ofEach((measure) =>
  z
    .object({
      value: quantity(measure),
      basis: z.enum(siteBases),
      /** Where it came from: `Plate`, `Tape, 12 May`. */
      from: z.string().max(200),
      /** The survey record it was adopted from. */
      recordId: z.string().max(60).optional(),
      /** An assumed value lies between these; without them between the usual limits of a guess. */
      between: z
        .tuple([quantity(measure), quantity(measure)])
        .refine(([least, most]) => least <= most, 'the lower figure comes first')
        .optional(),
    })
    .nullable(),
)

export type Known = z.infer<ReturnType<typeof known>>

export const id = z
  .string()
  .min(1)
  .max(60)
  .regex(/^[\w-]+$/, 'letters, digits, - and _')
export const name = z.string().trim().min(1, 'needs a name').max(120, 'at most 120 characters')
export const count = z
  .number()
  .int('must be a whole number')
  .min(0, 'must be 0 or more')
  .max(200, 'at most 200')
export const day = z.iso.date('a day, as in 2026-05-12')
export const madeYear = z
  .number()
  .int('must be a whole year')
  .min(1900, 'must be 1900 or later')
  .max(2100, 'must be 2100 or earlier')

/**
 * Who made a thing and which one it is, as its plate says. The year stands here where the thing has
 * no field of its own for it.
 */
export const Maker = z.object({
  make: z.string().max(80, 'at most 80 characters'),
  model: z.string().max(80, 'at most 80 characters'),
  serial: z.string().max(80, 'at most 80 characters'),
  year: madeYear.nullable(),
})
export type Maker = z.infer<typeof Maker>

export const evidenceTypes = ['image/jpeg', 'image/png', 'image/webp', 'application/pdf'] as const

/** A photograph or paper, kept by the SHA-256 of its bytes. */
export const Evidence = z.object({
  hash: z.string().regex(/^[0-9a-f]{64}$/, 'a SHA-256 in hex'),
  type: z.enum(evidenceTypes),
  name: z.string().max(200),
  bytes: z
    .number()
    .int()
    .min(1)
    .max(20 * 1024 * 1024),
  /** Where it was taken, kept only on purpose. Degrees. */
  place: z
    .object({ latitude: z.number().min(-90).max(90), longitude: z.number().min(-180).max(180) })
    .optional(),
})
export type Evidence = z.infer<typeof Evidence>
export const photos = z.array(Evidence).max(12, 'at most 12 photographs')

/**
 * Rows with an id each: so many at most, and no id twice, because everything that names a row means
 * one.
 */
export const rowsOf = <Row extends z.ZodType<{ readonly id: string }>>(
  row: Row,
  most: number,
  says = `at most ${most}`,
) =>
  z
    .array(row)
    .max(most, says)
    .refine(
      (rows) => new Set(rows.map((one) => one.id)).size === rows.length,
      'two rows have one id',
    )
