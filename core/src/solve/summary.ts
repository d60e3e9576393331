import type { BoardStage } from './boardStages'
import { boardStages } from './boardStages'
import type { JobDocument } from '../job/document'
import type { PracticeName } from '../practice/practiceNames'
import { ticketsToCheck } from './ticketRules'
import { ticketWords } from '../practice/tickets'
import type { Records } from './records'
import type { Judgement } from './judge'
import { judge } from './judge'
import type { JudgedStep } from './judgeSteps'
import { openVisit } from './visits'
import { stageOfSheet } from './sheetIds'
import type { SheetId } from './sheetIds'
import { solve } from './solve'
import { openUnsafe } from './unsafe'
import { kindsOf } from '../work/kinds'
import { inWords } from '../job/questions'
import { practices } from '../practice/practices'

/** Raised when a summary says something else of the same job: stored ones are then made again. */
export const summaryVersion = 7

export interface Summary {
  readonly id: string
  readonly number: string
  readonly name: string
  readonly address: string
  readonly practice: PracticeName
  readonly stage: BoardStage
  readonly sheet: SheetId
  /** What it waits for, in a few words. */
  readonly waits: string
  /** Who can do that: a ticket, or anybody. */
  readonly waitsOn: string
  readonly stops: number
  readonly fixes: number
  readonly off: number
  readonly snags: number
  /** Unsafe situations that nobody has put right. */
  readonly unsafe: number
  /** What the work is; empty while nobody has said. */
  readonly work: string
  /** Share of each stage, in the order of {@link boardStages} without the last. */
  readonly shares: readonly number[]
  readonly frozen: string | null
}

/** What of a stored job its summary is made from. */
export interface Summarised {
  readonly id: string
  readonly number: string
  readonly document: JobDocument
  readonly frozen: string | null
  readonly records: Records['entries']
  readonly samples: Records['samples']
}

/**
 * A job as the board shows it: its stage, what it waits for and on whom, and what is off on its
 * site. Pure.
 */
export function summaryOf(state: Summarised): Summary {
  const solution = solve(state.document)
  const judgement = judge(solution, {
    entries: state.records,
    samples: state.samples,
    frozen: state.frozen,
  })
  const { stage, sheet } = standing(judgement)
  const count = (severity: 'stop' | 'fix') =>
    Object.values(judgement.sheets).reduce(
      (sum, one) => sum + one.findings.filter((finding) => finding.severity === severity).length,
      0,
    )
  return {
    id: state.id,
    number: state.number,
    name: state.document.site.name,
    address: state.document.site.address,
    practice: state.document.practice,
    stage,
    sheet,
    waits: [
      stage === 'done' ? 'handed over' : waitsFor(judgement, sheet),
      ...promised(judgement),
    ].join('; '),
    waitsOn: stage === 'done' ? '' : waitsOn(judgement, sheet),
    stops: count('stop'),
    fixes: count('fix'),
    off: judgement.off.length,
    snags: judgement.snags.length,
    unsafe: openUnsafe(judgement.unsafe).length,
    work: kindsOf(state.document)
      .map(({ name }) => inWords(name, practices[state.document.practice].words))
      .join('; '),
    frozen: state.frozen,
    shares: boardStages
      .slice(0, -1)
      .map((id) => judgement.stages.find((one) => one.id === id && one.of > 0)?.share ?? 0),
  }
}

/** How far the job is: the first stage that is open, and the sheet of it that is. */
function standing({ stages, sheets }: Judgement): {
  readonly stage: BoardStage
  readonly sheet: SheetId
} {
  const open = stages.find((stage) => stage.of > 0 && stage.checked < stage.of)
  if (!open || sheets.handover.state === 'checked') return { stage: 'done', sheet: 'handover' }
  const sheet =
    open.sheets.find(
      (id) => !['checked', 'does-not-apply', 'invited'].includes(sheets[id].state),
    ) ?? 'handover'
  return { stage: boardStages.find((one) => one === stageOfSheet(sheet)) ?? 'survey', sheet }
}

const nextStep = ({ steps }: Judgement): JudgedStep | undefined =>
  steps.find((one) => one.progress.state === 'now')

/** A step that an apprentice signed and nobody has countersigned. */
const awaiting = ({ steps }: Judgement): JudgedStep | undefined =>
  steps.find(({ progress }) => 'awaits' in progress && progress.awaits === true)

/** What a sheet waits for, in a few words. */
function waitsFor(judgement: Judgement, sheet: SheetId): string {
  const waiting = sheet === 'steps' ? awaiting(judgement) : undefined
  if (waiting)
    return `a countersign for step ${waiting.number}, ${waiting.step.short.toLowerCase()}`
  const step = sheet === 'steps' ? nextStep(judgement) : undefined
  if (step) return stepWords(step)
  if (sheet === 'handover') return 'its signature'
  const { name, state, missing } = judgement.sheets[sheet]
  if (state === 'ready') return `${name} to be checked`
  return state === 'stop' ? `a stop on ${name}` : (missing[0]?.what ?? name)
}

function stepWords({ step, number, progress }: JudgedStep): string {
  const guard = progress.state === 'now' ? progress.openGuards[0]?.guard.text : undefined
  const says = `step ${number}, ${step.short.toLowerCase()}`
  return guard ? `${says}: ${guard.charAt(0).toLowerCase()}${guard.slice(1)}` : says
}

/** Who can do that: a ticket, or anybody. */
function waitsOn(judgement: Judgement, sheet: SheetId): string {
  if (sheet === 'steps' && awaiting(judgement)) return 'a lead installer or the owner'
  const ticket = sheet === 'steps' ? nextStep(judgement)?.step.ticket : undefined
  const isReady = judgement.sheets[sheet].state === 'ready'
  const ofSheet = isReady ? ticketsToCheck(sheet) : []
  const tickets = ticket ? [ticket] : ofSheet
  return tickets.length > 0
    ? `somebody with a ${tickets.map((one) => ticketWords[one]).join(' and a ')}`
    : ''
}

/** As much of a text as a row of the board has room for. */
const inShort = (text: string): string =>
  text.length > 60 ? `${text.slice(0, 59).trimEnd()}…` : text

/**
 * What visits leave to be done: that one goes on, what the last one left, and the snag that was
 * promised first.
 */
function promised({ visits, snags }: Judgement): readonly string[] {
  const last = visits.at(-1)
  const due = snags.flatMap(({ body }) => (body.due === null ? [] : [{ ...body, due: body.due }]))
  const [first] = due.sort((a, b) => a.due.localeCompare(b.due))
  return [
    ...(openVisit(visits) ? ['a visit goes on'] : []),
    ...(last?.ended && last.ended.body.left !== ''
      ? [`left: ${inShort(last.ended.body.left)}`]
      : []),
    ...(first ? [`promised for ${first.due}: ${inShort(first.what)}`] : []),
  ]
}
