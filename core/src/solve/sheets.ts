import type { SheetId } from './sheetIds'
import type { Sheet } from '../answer/sheet'
import { tightnessSpec } from '../bench/gas-tightness/sheet'
import type { JobDocument } from '../job/document'
import type { Practice } from '../practice/practice'
import { handTestsSpec } from '../bench/by-hand/sheet'
import { stepsSpec } from '../sequences/sheet'
import { circuitSpec } from '../sheets/circuit/sheet'
import { exchangeSpec } from '../sheets/exchange/sheet'
import { gasSpec } from '../sheets/gas/sheet'
import { guarded } from '../sheets/guarded'
import { heatSpec } from '../sheets/heat/sheet'
import { inspectionSpec } from '../sheets/inspection/sheet'
import { placeSpec } from '../sheets/place/sheet'
import { platesSpec } from '../sheets/plates/sheet'
import { readingsSpec } from '../sheets/readings/sheet'
import { reliefSpec } from '../sheets/relief/sheet'
import { safetySpec } from '../sheets/safety/sheet'
import type { RecordedSpec, SheetSpec } from '../sheets/sheetSpec'
import { siteSpec } from '../sheets/site/sheet'
import { vesselSpec } from '../sheets/vessel/sheet'
import { waterSpec } from '../sheets/water/sheet'
import { listSpec, workSpec } from '../work/sheet'
import { handoverSpec } from './handoverSheet'

/**
 * The sheets in working order: the one list that solve, judge, the tabs, the board and the papers
 * fold over. A sheet stands after those whose answers it takes. Names and stages stand beside it,
 * in `sheetIds.ts`, in the same order.
 */
export const sheetList = [
  workSpec,
  siteSpec,
  readingsSpec,
  platesSpec,
  placeSpec,
  inspectionSpec,
  exchangeSpec,
  heatSpec,
  circuitSpec,
  vesselSpec,
  safetySpec,
  reliefSpec,
  gasSpec,
  waterSpec,
  tightnessSpec,
  handTestsSpec,
  stepsSpec,
  listSpec,
  handoverSpec,
] as const satisfies readonly { readonly id: SheetId }[]

type Listed = (typeof sheetList)[number]
type Solved = Extract<Listed, { readonly inputs: unknown }>
export type SolvedSheetId = Solved['id']

/** The answer of every sheet of the design, by its id. */
export type Answers = {
  readonly [S in Solved as S['id']]: ReturnType<S['solve']> extends Sheet<infer A> ? A : never
}
export type Sheets = { readonly [Id in SolvedSheetId]: Sheet<Answers[Id]> }

/**
 * A sheet of the design as the folds see it: what it takes of others is checked where it is
 * declared.
 */
export type AnySpec = SheetSpec<SolvedSheetId, unknown, Partial<Answers>>
type AnyRecorded = RecordedSpec<SheetId>

// The list is wider than the sum of its members' types: each solves with its own part of the
// answers.
export const solvedSpecs = sheetList.filter(
  (spec) => 'inputs' in spec,
) as unknown as readonly AnySpec[]
export const recordedSpecs = sheetList.filter(
  (spec) => 'judge' in spec,
) as unknown as readonly AnyRecorded[]

const specs = new Map<SheetId, AnySpec | AnyRecorded | typeof handoverSpec>(
  sheetList.map((spec) => [spec.id, spec as unknown as AnySpec]),
)
export const specOf = (id: SheetId): AnySpec | AnyRecorded | typeof handoverSpec => {
  const spec = specs.get(id)
  if (!spec) throw new RangeError(`no sheet ${id}`)
  return spec
}
export const solvedSpec = (id: SolvedSheetId): AnySpec => specOf(id) as AnySpec
export const isSolved = (id: SheetId): id is SolvedSheetId => 'inputs' in specOf(id)

/** Solves one sheet, a figure outside its method being its own stop. */
export const solveSheet = (
  spec: AnySpec,
  document: JobDocument,
  practice: Practice,
  answers: Partial<Answers>,
): Sheet<unknown> => guarded(spec.place, () => spec.solve(document, practice, answers))
