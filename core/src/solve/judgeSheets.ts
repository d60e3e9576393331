import type { Missing, Sheet } from '../answer/sheet'
import { worst, answerOf } from '../answer/sheet'
import type { JobDocument } from '../job/document'
import type { JobRecord } from '../job/records'
import { ofKind } from '../job/records'
import { fingerprint } from '../job/merge'
import type { Recorded, RecordedGasTest, RecordedSequence } from '../sheets/sheetSpec'
import type { Step } from '../sequences/step'
import type { JudgedSequence, JudgedWork, Plant } from './judgeSteps'
import { changesBy } from './judgeSteps'
import type { JudgedTest } from './judgeTests'
import type { Records } from './records'
import { restedOnFirst } from './restedOn'
import { restsOn } from './restsOn'
import { isSheetAsked } from './askedSheets'
import { inspectedAgainst } from './inspectedAgainst'
import { lastInspected } from '../sheets/inspection/sheet'
import type { SheetId } from './sheetIds'
import type { AnySpec, Answers, SolvedSheetId } from './sheets'
import { oldSheetIds, sheetIds, sheetNames } from './sheetIds'
import { isSolved, recordedSpecs, solvedSpecs } from './sheets'
import type { Solution } from './solve'
import type { Finding } from '../answer/finding'

/**
 * What a sheet's state is made from: what it says, what the records owe it, and what a proof of it
 * is held against.
 */
interface Standing {
  readonly sheet: Sheet<unknown>
  readonly owed: readonly Missing[]
  readonly restsOn: string
  /** The same under the first way of telling. */
  readonly restedOn: () => string | undefined
}

/** What was recorded, as sheets judge by it. */
export function recordedOf(
  entries: readonly JobRecord[],
  {
    tests,
    gasTests,
    gasTight,
    work,
  }: {
    readonly tests: readonly JudgedTest[]
    readonly gasTests: readonly RecordedGasTest[]
    readonly gasTight: boolean
    readonly work: JudgedWork
  },
): Recorded {
  const last = tests.at(-1)
  return {
    entries,
    gasTests,
    gasTight,
    ...(last ? { lastTestId: last.testId } : {}),
    sequences: work.sequences.map((one) => recordedSequence(one, work.plant)),
  }
}

function recordedSequence(
  { sequence, steps, done, waits }: JudgedSequence,
  plant: Plant,
): RecordedSequence {
  const next = steps.find(({ progress }) => progress.state === 'now')
  const said = ({ number, step }: JudgedSequence['steps'][number]) => ({
    number,
    short: step.short,
  })
  return {
    id: sequence.id,
    name: sequence.name,
    done,
    of: steps.length,
    waits,
    ...(next ? { next: said(next) } : {}),
    outside: steps
      .filter(({ progress }) => progress.state === 'done' && progress.within === false)
      .map(said),
    awaiting: steps
      .filter(({ progress }) => 'awaits' in progress && progress.awaits === true)
      .map(said),
    skipped: steps.flatMap(({ step, progress }) =>
      progress.state === 'skipped'
        ? [
            {
              id: step.id,
              short: step.short,
              because: progress.because,
              leavesUnknown: leavesUnknown(step, plant),
            },
          ]
        : [],
    ),
  }
}

/**
 * Passed over, a step leaves what it would have set unknown, unless something else was seen to set
 * it.
 */
const leavesUnknown = (step: Step, { known }: Plant): boolean =>
  Object.keys(changesBy(step)).some((thing) => !known.has(thing))

/** The state of every sheet: a fold over the list of them. */
export function judgeSheets(
  solution: Solution,
  { entries, frozen }: Records,
  recorded: Recorded,
): Readonly<Record<SheetId, JudgedSheet>> {
  const proofs = ofKind(entries, 'sheet-checked')
  const judged = (id: SheetId, standing: Standing): JudgedSheet => {
    const { sheet } = standing
    const name = sheetNames[id]
    const asked = isSheetAsked(id, solution.document)
    if (frozen && id === 'work' && solution.document.work.kinds.length === 0)
      return { ...signedBefore, id, name }
    if (!sheet.applies)
      return {
        id,
        name,
        state: notApplying(solution.document, asked),
        missing: [],
        findings: [],
        restsOn: '',
        because: sheet.because,
      }
    const missing = [...sheet.missing, ...standing.owed]
    const proof = proofs.findLast(
      ({ body }) =>
        (oldSheetIds[body.sheet] ?? body.sheet) === id &&
        (frozen ||
          body.restsOn === standing.restsOn ||
          (isToldTheFirstWay(body.restsOn) && body.restsOn === standing.restedOn())),
    )
    return {
      id,
      name,
      state: stateOf(sheet, {
        missing: frozen && proof ? [] : missing,
        isChecked: proof !== undefined,
        asked,
      }),
      missing,
      findings: sheet.findings,
      restsOn: standing.restsOn,
      ...(proof ? { proof: { at: proof.at, by: proof.by } } : {}),
    }
  }
  const states: Partial<Record<SheetId, JudgedSheet>> = {
    handover: handover(solution, { entries, frozen }),
  }
  for (const spec of solvedSpecs)
    states[spec.id] = judged(spec.id, solvedStanding(spec, solution, recorded))
  for (const spec of recordedSpecs)
    states[spec.id] = judged(spec.id, recordedStanding(spec, solution, recorded))
  const { inspection } = states
  if (inspection && solution.document.survey.inspecting)
    states.inspection = {
      ...inspection,
      findings: [...inspection.findings, ...inspectedAgainst(solution, lastInspected(entries))],
    }
  return Object.fromEntries(sheetIds.map((id) => [id, states[id]])) as Record<SheetId, JudgedSheet>
}

/**
 * Whether a proof was given under the first way of telling what a sheet rests on: only then is it
 * worth telling it so again.
 */
const isToldTheFirstWay = (told: string): boolean => !told.startsWith('2:')

/** A job that was signed before anybody was asked what the work is. */
const signedBefore = {
  state: 'does-not-apply',
  missing: [],
  findings: [],
  restsOn: '',
  because: 'Signed before this was asked.',
} as const

/**
 * Nothing has been said of what is or comes here: no appliance, no circuit, no hot water, no pipe.
 */
const isUndecided = ({ appliances, heating, hotWater, gas, water }: JobDocument): boolean =>
  appliances.length === 0 &&
  heating === null &&
  hotWater === null &&
  gas.segments.length === 0 &&
  water.segments.length === 0

/** A sheet that does not apply; one that the work does not ask for may still be filled. */
const notApplying = (document: JobDocument, asked: boolean): JudgedSheet['state'] => {
  if (!asked) return 'invited'
  return isUndecided(document) ? 'not-begun' : 'does-not-apply'
}

/** What the work does not ask for owes nothing; what is filled of it is judged all the same. */
const stateOf = (
  { findings }: Extract<Sheet<unknown>, { applies: true }>,
  {
    missing,
    isChecked,
    asked,
  }: { readonly missing: readonly Missing[]; readonly isChecked: boolean; readonly asked: boolean },
): JudgedSheet['state'] => {
  if (worst(findings) === 'stop') return 'stop'
  if (!asked && (missing.length > 0 || !isChecked)) return 'invited'
  if (missing.length > 0) return 'incomplete'
  return isChecked ? 'checked' : 'ready'
}

/** The answers of a solution, by sheet. */
export const answersOf = (solution: Solution): Partial<Answers> =>
  Object.fromEntries(solvedSpecs.map(({ id }) => [id, answerOf<unknown>(solution[id])]))

const told = new WeakMap<Solution, Map<SolvedSheetId, string>>()

/**
 * What a sheet of a solution rests on: told once, since a solution never changes and is judged anew
 * with every record.
 */
function restsOnIn(solution: Solution, id: SolvedSheetId): string {
  const prints = told.get(solution) ?? new Map<SolvedSheetId, string>()
  told.set(solution, prints)
  const print = prints.get(id) ?? restsOn(id, solution.document, answersOf(solution))
  prints.set(id, print)
  return print
}

function solvedStanding(spec: AnySpec, solution: Solution, recorded: Recorded): Standing {
  const { document } = solution
  const owed = spec.owes?.(recorded)
  const suffix = owed?.restsOn ?? ''
  return {
    sheet: solution[spec.id],
    owed: owed?.missing ?? [],
    restsOn: `${restsOnIn(solution, spec.id)}${suffix}`,
    restedOn: () => {
      const first = restedOnFirst(spec.id, document, answersOf(solution))
      return first && `${first}${suffix}`
    },
  }
}

function recordedStanding(
  spec: (typeof recordedSpecs)[number],
  solution: Solution,
  recorded: Recorded,
): Standing {
  const { document, practice } = solution
  const { sheet, restsOn: own, after } = spec.judge(document, practice, recorded)
  const before = after as SheetId | undefined
  const design = before && isSolved(before) ? before : undefined
  return {
    sheet,
    owed: [],
    restsOn: design ? `${restsOnIn(solution, design)}${own}` : own,
    restedOn: () =>
      design &&
      (solution[design].applies
        ? `${restedOnFirst(design, document, answersOf(solution))}${own}`
        : `${spec.id}${own}`),
  }
}

/** A frozen design is the signed one, whatever the version of the document it was signed in. */
function handover(
  { document }: Solution,
  { entries, frozen }: Pick<Records, 'entries' | 'frozen'>,
): JudgedSheet {
  const signature = ofKind(entries, 'signature').findLast(({ body }) =>
    frozen ? body.revision === frozen : body.restsOn === fingerprint(document),
  )
  return {
    id: 'handover',
    name: sheetNames.handover,
    state: signature ? 'checked' : 'incomplete',
    missing: [],
    findings: [],
    restsOn: '',
    ...(signature ? { proof: { at: signature.at, by: signature.by } } : {}),
  }
}

/**
 * `not-begun`: nobody has said yet what there is on this job, so nothing can be said not to apply.
 * `invited`: the work does not ask for it; it may be filled, and what is filled is judged.
 */
export type SheetState =
  'checked' | 'ready' | 'stop' | 'incomplete' | 'does-not-apply' | 'not-begun' | 'invited'

export interface JudgedSheet {
  readonly id: SheetId
  readonly name: string
  readonly state: SheetState
  readonly missing: readonly Missing[]
  readonly findings: readonly Finding[]
  readonly proof?: { readonly at: string; readonly by: string }
  readonly restsOn: string
  readonly because?: string
}
