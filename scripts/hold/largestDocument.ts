import type { JobDocument } from '@hestian/core'
import { JobDocument as JobDocumentSchema } from '@hestian/core'

/** A row again and again, each with an id and name of its own. */
const many = <Row extends { readonly id: string; readonly name?: string }>(
  rows: readonly Row[],
  most: number,
): Row[] =>
  rows.length === 0
    ? []
    : Array.from({ length: most }, (_, i) => {
        const row = structuredClone(rows[i % rows.length] as Row)
        return i < rows.length ? row : { ...row, id: `${row.id.slice(0, 50)}-${i}` }
      })

/** The fullest document that the caps of the schema let a hand make of another one. */
export function largestDocument(document: JobDocument): JobDocument {
  const { gas, water, heat, hotWater, heating } = document
  const tree = <Row extends { readonly id: string; readonly from: string }>(
    rows: readonly Row[],
  ): Row[] =>
    many(rows, 600).map((row, i, all) => ({
      ...row,
      // Two leave from each, so that it is both deep and wide.
      from: i === 0 ? 'meter' : (all[Math.floor((i - 1) / 2)]?.id ?? 'meter'),
    }))
  return JobDocumentSchema.parse({
    ...document,
    gas: { ...gas, segments: tree(gas.segments).map((one) => ({ ...one, size: null })) },
    water: { ...water, segments: tree(water.segments).map((one) => ({ ...one, size: null })) },
    heat: { ...heat, zones: many(heat.zones, 60), options: many(heat.options, 5) },
    hotWater: hotWater && {
      ...hotWater,
      outlets: many(hotWater.outlets, 60),
      scenario: many(hotWater.scenario, 300),
    },
    heating: heating && {
      ...heating,
      zones: many(heating.zones, 60),
      emitters: many(heating.emitters, 200),
      pipes: many(heating.pipes, 200),
      parts: many(heating.parts, 60),
      weakParts: many(heating.weakParts, 50),
      furtherVessels: many(heating.furtherVessels, 6),
    },
    appliances: many(document.appliances, 50),
    parts: many(document.parts, 50),
    reliefs: many(document.reliefs, 12),
  })
}
