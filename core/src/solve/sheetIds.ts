/**
 * The sheets by name, in working order: for the wire and for pages that show a job without solving
 * it. `sheets.ts` has the sheets themselves, in the same order.
 */
export const sheetIds = [
  'work',
  'site',
  'readings',
  'plates',
  'place',
  'inspection',
  'exchange',
  'heat',
  'circuit',
  'vessel',
  'safety',
  'relief',
  'gas',
  'water',
  'tightness',
  'by-hand',
  'steps',
  'list',
  'handover',
] as const
export type SheetId = (typeof sheetIds)[number]

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
