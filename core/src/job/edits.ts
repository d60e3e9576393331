import type { Edit } from '../answer/finding'
import { blankSchools } from '../practice/schools'
import { JobDocument } from './document'
import { withoutImpossible, withUniqueIds } from './bringForward'
import { blankGasEnd, blankGasRules } from './gasDocument'
import { blankWater } from './waterDocument'
import { blankHeat, blankHotWater } from './hotWaterDocument'
import { blankHeating, blankPan, blankSafety } from './pressureDocument'
import { blankLooked, blankSurvey } from './surveyDocument'

/** A document with values written at paths; nothing else changes and the first is left alone. An unknown path is a RangeError. */
export function applyEdits(document: JobDocument, edits: readonly Edit[]): JobDocument {
  const copy: JobDocument = structuredClone(document)
  for (const { path, value } of edits) {
    let place: unknown = copy
    for (const key of path.slice(0, -1)) place = isBranch(place) ? place[key] : undefined
    const last = path[path.length - 1]
    if (last === undefined || !isBranch(place))
      throw new RangeError(`no place ${path.join('.')} in the document`)
    place[last] = value
  }
  return copy
}

const isBranch = (value: unknown): value is Record<string | number, unknown> =>
  typeof value === 'object' && value !== null

export type ReadDocument =
  | { readonly ok: true; readonly document: JobDocument }
  | { readonly ok: false; readonly says: string }

/** A document checked against its schema: the document, or where it is wrong and what is accepted. */
export function readDocument(raw: unknown): ReadDocument {
  const result = JobDocument.safeParse(upgradeDocument(raw))
  if (result.success) return { ok: true, document: result.data }
  const says = result.error.issues
    .slice(0, 3)
    .map((issue) => `${issue.path.join('.') || 'document'}: ${issue.message}`)
    .join('; ')
  return { ok: false, says }
}

/** A document that was accepted once, read again: what can no longer be in it comes forward as not looked at, with a note of what it was. */
export const readStoredDocument = (raw: unknown): ReadDocument => readDocument(forward(raw))

/** A document of any earlier version as this one accepts it, as far as that can be done without guessing. */
function forward(raw: unknown): unknown {
  const upgraded = upgradeDocument(raw)
  if (JobDocument.safeParse(upgraded).success) return upgraded
  const unique = withUniqueIds(upgraded)
  const read = JobDocument.safeParse(unique)
  return read.success ? unique : (withoutImpossible(unique, read.error.issues) ?? unique)
}

type Raw = Record<string | number, unknown>
const rows = (value: unknown): Raw[] => (Array.isArray(value) ? value.filter(isBranch) : [])

/** Version 2 asks more of the survey, and holds the heat and hot water. What version 1 did not ask is 'not looked at yet'. */
function fromFirst(raw: Raw): Raw {
  const site = isBranch(raw.site) ? raw.site : {}
  const { seismic, ...place } = site
  const shakes =
    seismic === true ? { answer: 'yes', basis: 'read', from: 'Site, earlier version' } : null
  const heats = rows(raw.appliances).some(
    (one) => one.kind !== 'boiler' && one.kind !== 'cooktop' && one.kind !== 'other-gas',
  )
  return {
    ...raw,
    version: 2,
    site: place,
    schools: blankSchools,
    parts: [],
    heat: blankHeat,
    hotWater: heats ? blankHotWater : null,
    survey: {
      ...blankSurvey,
      ...(isBranch(raw.survey) ? raw.survey : {}),
      looked: { ...blankLooked, shakes },
    },
    appliances: rows(raw.appliances).map((one) => ({
      stay: 'new',
      madeYear: null,
      papers: { manual: null, installation: null, charts: null },
      photos: [],
      ...one,
    })),
  }
}

/** Version 3 holds the whole pressure side: zones of the circuit, settings of the store, relief valves and where their water goes. */
function fromSecond(raw: Raw): Raw {
  const heating = isBranch(raw.heating) ? raw.heating : undefined
  const names = [
    ...new Set(
      rows(heating?.emitters)
        .map((one) => (typeof one.zone === 'string' ? one.zone.trim() : ''))
        .filter((zone) => zone !== ''),
    ),
  ]
  const zones = names.map((name, i) => ({
    id: `zone-${i + 1}`,
    name,
    heatZoneId: sameName(raw, name),
    load_W: null,
    difference_K: null,
    alone: false,
  }))
  const idOf = (zone: unknown) =>
    zones.find((one) => typeof zone === 'string' && one.name === zone.trim())?.id ?? null
  return {
    ...raw,
    version: 3,
    reliefs: [],
    pan: blankPan,
    schools: { ...blankSchools, ...(isBranch(raw.schools) ? raw.schools : {}) },
    hotWater: isBranch(raw.hotWater) ? { ...raw.hotWater, safety: blankSafety } : raw.hotWater,
    heating: heating
      ? {
          ...blankHeating(null),
          ...heating,
          zones,
          emitters: rows(heating.emitters).map(({ zone, ...one }) => ({
            ...one,
            zoneId: idOf(zone),
            type: null,
            loadEach_W: null,
          })),
          pipes: rows(heating.pipes).map((one) => ({
            ...one,
            run_m: null,
            bends: 0,
            zoneId: null,
            carries: 'all',
          })),
        }
      : raw.heating,
  }
}

const sameName = (raw: Raw, name: string): unknown =>
  isBranch(raw.heat) ? (rows(raw.heat.zones).find((zone) => zone.name === name)?.id ?? null) : null

/** Version 4 holds the water feed, stages of gas pressure, what stands before each appliance, and prices. */
function fromThird(raw: Raw): Raw {
  const gas = isBranch(raw.gas) ? raw.gas : {}
  return {
    ...raw,
    version: 4,
    water: blankWater,
    prices: [],
    gas: {
      ...blankGasRules,
      ...gas,
      segments: rows(gas.segments).map((one) => ({
        end: blankGasEnd,
        regulator: null,
        reserve_W: null,
        ...one,
      })),
    },
  }
}

/** Steps that bring an older document forward, by the version they start from. Version 1 is the first. */
const upgrades: Readonly<Record<number, (raw: Raw) => Raw>> = {
  1: fromFirst,
  2: fromSecond,
  3: fromThird,
}

/** Brings a document of any earlier version to the current one; anything else comes back as it is, for the schema to refuse. */
export function upgradeDocument(raw: unknown): unknown {
  let current = raw
  while (isBranch(current) && typeof current.version === 'number' && upgrades[current.version])
    current = upgrades[current.version]?.(current)
  return current
}

/** An exported job of any earlier version with every document in it brought forward; anything else comes back as it is, for the schema to refuse. */
export function upgradeFile(raw: unknown): unknown {
  if (!isBranch(raw) || Array.isArray(raw)) return raw
  const revisions = Array.isArray(raw.revisions)
    ? raw.revisions.map((one: unknown) =>
        isBranch(one) ? { ...one, document: forward(one.document) } : one,
      )
    : raw.revisions
  return {
    ...raw,
    document: forward(raw.document),
    ...(raw.revisions === undefined ? {} : { revisions }),
  }
}
