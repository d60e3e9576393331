import type { BoardStage } from './boardStages'
import { boardStages } from './boardStages'
import type { JobDocument } from '../job/document'
import type { PracticeName } from '../practice/practiceNames'
import { ticketsToCheck } from './ticketRules'
import { ticketWords } from '../practice/tickets'
import type { Records } from './records'
import { judge } from './judge'
import { stageOfSheet } from './sheets'
import type { SheetId } from './sheetIds'
import { solve } from './solve'
import { openUnsafe } from './unsafe'
import { kindsOf } from '../work/kinds'
import { inWords } from '../job/questions'
import { practices } from '../practice/practices'

/** Raised when a summary says something else of the same job: stored ones are then made again. */
export const summaryVersion = 5

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

/** A job as the board shows it: its stage, what it waits for and on whom, and what is off on its site. Pure. */
export function summaryOf(state: Summarised): Summary {
  const solution = solve(state.document)
  const judgement = judge(solution, {
    entries: state.records,
    samples: state.samples,
    frozen: state.frozen,
  })
  const stages = judgement.stages.filter((stage) => stage.of > 0)
  const open = stages.find((stage) => stage.checked < stage.of)
  const sheet =
    open?.sheets.find(
      (id) => !['checked', 'does-not-apply', 'invited'].includes(judgement.sheets[id].state),
    ) ?? 'handover'
  const stage =
    !open || judgement.sheets.handover.state === 'checked'
      ? ('done' as const)
      : (boardStages.find((one) => one === stageOfSheet(sheet)) ?? 'survey')
  const step = judgement.steps.find((one) => one.progress.state === 'now')
  const waiting = judgement.sheets[sheet]
  const guard = step?.progress.state === 'now' ? step.progress.openGuards[0]?.guard.text : undefined
  const waits =
    stage === 'done'
      ? 'handed over'
      : sheet === 'steps' && step
        ? `step ${step.number}, ${step.step.short.toLowerCase()}${guard ? `: ${guard.charAt(0).toLowerCase()}${guard.slice(1)}` : ''}`
        : sheet === 'handover'
          ? 'its signature'
          : waiting.state === 'ready'
            ? `${waiting.name} to be checked`
            : waiting.state === 'stop'
              ? `a stop on ${waiting.name}`
              : (waiting.missing[0]?.what ?? waiting.name)
  const tickets =
    sheet === 'steps' && step?.step.ticket
      ? [step.step.ticket]
      : waiting.state === 'ready'
        ? ticketsToCheck(sheet)
        : []
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
    sheet: stage === 'done' ? 'handover' : sheet,
    waits,
    waitsOn:
      stage === 'done'
        ? ''
        : tickets.length > 0
          ? `somebody with a ${tickets.map((ticket) => ticketWords[ticket]).join(' and a ')}`
          : '',
    stops: count('stop'),
    fixes: count('fix'),
    off: judgement.off.length,
    snags: judgement.snags.length,
    unsafe: openUnsafe(judgement.unsafe).length,
    work: kindsOf(state.document)
      .map(({ name }) => inWords(name, practices[state.document.practice].words))
      .join('; '),
    frozen: state.frozen,
    shares: boardStages.slice(0, -1).map((id) => stages.find((one) => one.id === id)?.share ?? 0),
  }
}
