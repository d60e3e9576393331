import type { StageId } from '../sheets/sheetSpec'

/**
 * The sheets by name, in working order, each with its stage: for the wire and for pages that show a
 * job without solving it. `sheets.ts` has the sheets themselves, in the same order. Codes (S1, D2)
 * are counted from where they stand, so that a new one can stand between.
 */
const named = {
  work: ['Work', 'survey'],
  site: ['Site', 'survey'],
  readings: ['Readings', 'survey'],
  plates: ['Rating plates', 'survey'],
  place: ['Place', 'survey'],
  inspection: ['Inspection', 'survey'],
  exchange: ['Exchange', 'design'],
  heat: ['Heat and hot water', 'design'],
  circuit: ['Heating circuit', 'design'],
  vessel: ['Heating vessel', 'design'],
  safety: ['Hot water safety', 'design'],
  relief: ['Relief and discharge', 'design'],
  gas: ['Gas supply', 'design'],
  water: ['Water feed', 'design'],
  tightness: ['Gas tightness', 'test'],
  'by-hand': ['Tests by hand', 'test'],
  steps: ['Steps on site', 'commission'],
  list: ['Work list', 'commission'],
  handover: ['Handover', 'handover'],
} as const satisfies Readonly<Record<string, readonly [name: string, stage: StageId]>>

export type SheetId = keyof typeof named
export const sheetIds = Object.keys(named) as unknown as readonly [SheetId, ...SheetId[]]

export const sheetNames = Object.fromEntries(sheetIds.map((id) => [id, named[id][0]])) as Readonly<
  Record<SheetId, string>
>

export const stageOfSheet = (sheet: SheetId): StageId => named[sheet][1]

/** Stages in their order; those of later subjects have no sheets yet. */
const stages: readonly StageId[] = [
  'survey',
  'design',
  'plan',
  'test',
  'commission',
  'handover',
  'aftercare',
]
export const stageSheets = Object.fromEntries(
  stages.map((stage) => [stage, sheetIds.filter((id) => stageOfSheet(id) === stage)]),
) as unknown as Readonly<Record<StageId, readonly SheetId[]>>

/** A sheet's code: its stage's letter and its place in it. */
export const sheetCode = (sheet: SheetId): string => {
  const stage = stageOfSheet(sheet)
  return `${stage.charAt(0).toUpperCase()}${stageSheets[stage].indexOf(sheet) + 1}`
}

/** Sheets as records of the first version named them. */
export const oldSheetIds: Readonly<Record<string, SheetId>> = {
  S1: 'site',
  S2: 'readings',
  S3: 'plates',
  D1: 'vessel',
  D2: 'gas',
  P1: 'tightness',
  C1: 'steps',
  H1: 'handover',
}
