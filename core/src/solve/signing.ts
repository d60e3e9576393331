import type { Evidence } from '../job/known'
import type { BodyOf, RecordBody } from '../job/records'
import type { Person, Ticket } from '../practice/tickets'
import { may, mayNotSays } from '../practice/permissions'
import { lacking, lackingSays } from '../practice/tickets'
import type { TickItem } from '../work/tickItems'
import type { Judgement } from './judge'
import { confirmationId, leftId, leftOf } from '../sequences/state'
import type { DangerState, GuardState, JudgedSequence, JudgedStep, StepState } from './judgeSteps'
import type { LeavesOff, Step } from '../sequences/step'
import type { OffItem } from './offStrip'
import { backChanges, changesBy, dangersNow, nowId, withinLimits } from './judgeSteps'

/** Why something is off after a leak, as the off strip says it. */
export const leakMadeSafe = 'a leak made safe'

/**
 * What a request to sign, confirm or put back becomes: records to append, or a sentence that says
 * why not.
 */
export type Signing =
  | { readonly ok: true; readonly bodies: readonly RecordBody[] }
  | {
      readonly ok: false
      readonly code:
        'not-yet' | 'guard-open' | 'ticket-missing' | 'reading-missing' | 'no-such-step' | 'may-not'
      readonly says: string
    }

const refuse = (code: Exclude<Signing, { ok: true }>['code'], says: string): Signing => ({
  ok: false,
  code,
  says,
})
interface Found {
  readonly judged: JudgedStep
  readonly sequence: JudgedSequence
}
const find = (judgement: Judgement, stepId: string): Found | undefined => {
  for (const sequence of judgement.work.sequences)
    for (const judged of sequence.steps) if (judged.step.id === stepId) return { judged, sequence }
  return undefined
}

const notOpen = refuse('no-such-step', 'This step is not open.')
const tooEarly = ({ number }: JudgedStep): Signing =>
  refuse('not-yet', `Step ${number} comes after one that is still open or waits for a countersign.`)

/** What an apprentice signs counts when somebody has countersigned it. */
const awaiting = ({ role }: Person): Pick<BodyOf<'step'>, 'awaits'> =>
  role === 'apprentice' ? { awaits: true } : {}

const dangerous = ([first]: readonly DangerState[]): Signing | undefined =>
  first && refuse('guard-open', first.says)

const withoutTicket = (
  person: Person,
  ticket: Ticket | undefined,
  what: string,
): Signing | undefined => {
  const missing = lacking(person, ticket ? [ticket] : [])
  return missing.length === 0
    ? undefined
    : refuse('ticket-missing', `${lackingSays(person, missing)}; ${what}`)
}

/** A step that is next, or why nothing is done in it. */
type NextStep =
  | {
      readonly judged: JudgedStep
      readonly progress: Extract<StepState, { state: 'now' | 'after' }>
    }
  | { readonly refused: Signing }

function nextStep(judgement: Judgement, stepId: string): NextStep {
  const judged = find(judgement, stepId)?.judged
  if (!judged) return { refused: notOpen }
  const { progress } = judged
  if (progress.state === 'done' || progress.state === 'skipped') return { refused: notOpen }
  return progress.state === 'after' ? { refused: tooEarly(judged) } : { judged, progress }
}

/**
 * Confirms one guard by eye. Guards are confirmed in their order: the lever is back before the
 * outlet is shut. What would bring a danger is not confirmed.
 */
export function confirmGuard(judgement: Judgement, stepId: string, guardId: string): Signing {
  const next = nextStep(judgement, stepId)
  if ('refused' in next) return next.refused
  const { guards, dangers } = next.progress
  // Looked at again out of reach of the server: each time it is, it is recorded.
  if (guards.some(({ guard }) => nowId(guard) === guardId))
    return { ok: true, bodies: [confirmed(stepId, guardId)] }
  const index = guards.findIndex(({ guard }) => guard.kind === 'seen' && guard.id === guardId)
  const found = guards[index]
  if (found?.guard.kind !== 'seen') return refuse('no-such-step', 'This step has no such guard.')
  // Confirmed already, by another hand or the same one pressing again: once is enough.
  if (found.holds) return { ok: true, bodies: [] }
  const before = guards.slice(0, index).find((guard) => !guard.holds)
  if (before) return refuse('guard-open', `First: ${before.guard.text}.`)
  const danger =
    dangerous(dangers) ?? dangerous(dangersNow(found.guard.sets ?? {}, judgement.work.plant))
  return danger ?? { ok: true, bodies: [confirmed(stepId, guardId)] }
}

const confirmed = (stepId: string, guardId: string): RecordBody => ({
  kind: 'step',
  stepId: confirmationId(stepId, guardId),
  guards: [],
})

/** What is given with a step's signature. */
export interface SignedWith {
  readonly reading?: { readonly si: number; readonly typed: string } | undefined
  /** Of a reading outside its limits. */
  readonly cause?: string | undefined
  readonly action?: string | undefined
  readonly photos?: readonly Evidence[] | undefined
}

/** Whether a reading is one that wants a cause and an action beside it. */
export const wantsCause = ({ step }: JudgedStep, si: number | undefined): boolean =>
  step.reading !== undefined && si !== undefined && withinLimits(step.reading, si) === false

/**
 * Signs a step: every guard holds, its reading is given, nothing that must never come together
 * would, and the person holds its ticket. A reading outside its limits wants its cause and what was
 * done. What it leaves off goes on the off strip.
 */
export function signStep(
  judgement: Judgement,
  stepId: string,
  person: Person,
  given: SignedWith = {},
): Signing {
  const next = nextStep(judgement, stepId)
  if ('refused' in next) return next.refused
  const { judged, progress } = next
  const { step } = judged
  const cannot =
    withoutTicket(person, step.ticket, 'this step needs one to be signed.') ??
    stillOpen(progress.openGuards) ??
    unread(judged, given) ??
    dangerous(dangersNow(changesBy(step), judgement.work.plant))
  if (cannot) return cannot
  const guards = progress.guards.map(({ guard }) => guard.text)
  const signed = { ...signedBody(judged, guards, given), ...awaiting(person) }
  return { ok: true, bodies: [signed, ...leftOff(step, judgement.off)] }
}

const stillOpen = ([open]: readonly GuardState[]): Signing | undefined =>
  open &&
  refuse('guard-open', `Still open: ${open.guard.text}${open.because ? ` (${open.because})` : ''}.`)

/** What is missing of a reading: itself, or what it comes from where it is outside its limits. */
function unread(judged: JudgedStep, given: SignedWith): Signing | undefined {
  const { reading } = judged.step
  if (reading && given.reading === undefined)
    return refuse('reading-missing', `This step needs its reading: ${reading.label}.`)
  const told = [given.cause, given.action].every((text) => (text ?? '').trim().length >= 3)
  return wantsCause(judged, given.reading?.si) && !told
    ? refuse(
        'reading-missing',
        'The reading is outside its limits: say what it comes from, and what was done.',
      )
    : undefined
}

function signedBody(
  judged: JudgedStep,
  guards: string[],
  { reading, cause = '', action = '', photos = [] }: SignedWith,
): BodyOf<'step'> {
  return {
    kind: 'step',
    stepId: judged.step.id,
    guards,
    ...(reading ? { si: reading.si, typed: reading.typed } : {}),
    ...(wantsCause(judged, reading?.si) ? { cause: cause.trim(), action: action.trim() } : {}),
    ...(photos.length > 0 ? { photos: [...photos] } : {}),
  }
}

/**
 * What goes on the strip with a step; what is still there from before it was taken back is there
 * already.
 */
const leftOff = (step: Step, off: readonly OffItem[]): readonly RecordBody[] =>
  step.leavesOff
    .filter((left) => !off.some(({ body }) => body.stepId === leftId(step, left)))
    .map((left): RecordBody => ({
      kind: 'off',
      name: left.name,
      state: left.state,
      where: left.where,
      because: step.short,
      backBefore: left.backBefore,
      stepId: leftId(step, left),
    }))

/**
 * Passes a step over with a reason: by whoever may sign it. It makes nothing of the plant, so what
 * rests on it stays unknown.
 */
export function skipStep(
  judgement: Judgement,
  stepId: string,
  person: Person,
  because: string,
): Signing {
  const next = nextStep(judgement, stepId)
  if ('refused' in next) return next.refused
  const ticket = withoutTicket(person, next.judged.step.ticket, 'so it is not theirs to pass over.')
  if (ticket) return ticket
  if (because.trim().length < 3) return refuse('reading-missing', 'Say why it is passed over.')
  const skipped = because.trim().slice(0, 200)
  return {
    ok: true,
    bodies: [{ kind: 'step', stepId, guards: [], skipped, ...awaiting(person) }],
  }
}

/**
 * Stands up for what an apprentice signed: by somebody else who may, and who holds the ticket of
 * the step.
 */
export function countersignStep(judgement: Judgement, stepId: string, person: Person): Signing {
  const judged = find(judgement, stepId)?.judged
  const progress = judged?.progress
  if (!judged || !progress || !('recordId' in progress))
    return refuse(
      'no-such-step',
      'This step is not signed yet, so there is nothing to countersign.',
    )
  if (!may(person, 'countersign')) return refuse('may-not', mayNotSays(person, 'countersign'))
  if (person.id === progress.by)
    return refuse('may-not', `${person.name} signed this step: somebody else countersigns it.`)
  const ticket = withoutTicket(person, judged.step.ticket, 'so it is not theirs to countersign.')
  if (ticket) return ticket
  // Countersigned already, by another hand or the same one pressing again: once is enough.
  if (progress.awaits === undefined) return { ok: true, bodies: [] }
  return { ok: true, bodies: [{ kind: 'countersigned', stepId, step: progress.recordId }] }
}

/** A row that takes another back. */
export interface Undoing {
  readonly replaces: string
  readonly reason: string
}

/**
 * Takes a step back, by whoever may sign it: a new row with a reason. What it had made of the plant
 * is unknown from then on.
 */
export function undoStep(
  judgement: Judgement,
  stepId: string,
  person: Person,
  because: string,
): Signing & { readonly undoing?: Undoing } {
  const judged = find(judgement, stepId)?.judged
  if (!judged || (judged.progress.state !== 'done' && judged.progress.state !== 'skipped'))
    return refuse('no-such-step', 'This step is not done, so there is nothing to take back.')
  const ticket = withoutTicket(person, judged.step.ticket, 'so it is not theirs to take back.')
  if (ticket) return ticket
  if (because.trim().length < 3) return refuse('reading-missing', 'Say why it is taken back.')
  return {
    ok: true,
    bodies: [{ kind: 'step-undone', stepId }],
    undoing: { replaces: judged.progress.recordId, reason: because.trim().slice(0, 200) },
  }
}

/**
 * What is ticked on a work list: done with what it asks to be written down, or not called for here
 * and why.
 */
export interface Ticking {
  readonly answer: 'done' | 'not-here'
  readonly because: string
  readonly text: string
  readonly reading?: { readonly si: number; readonly typed: string }
}

const ticketFor = (item: TickItem, answer: Ticking['answer']) =>
  answer === 'not-here' && item.anyoneSaysNotHere ? undefined : item.ticket

/**
 * Ticks an item of the work list: what it asks is given, and the person holds its ticket. Ticked
 * again, the later one counts.
 */
export function tickItem(
  judgement: Pick<Judgement, 'items'>,
  itemId: string,
  person: Person,
  { answer, because, text, reading }: Ticking,
): Signing {
  const judged = judgement.items.find((one) => one.item.id === itemId)
  if (!judged) return refuse('no-such-step', 'That is not on this work list.')
  const { item } = judged
  const ticket = withoutTicket(person, ticketFor(item, answer), 'this needs one to be ticked.')
  if (ticket) return ticket
  if (answer === 'not-here') {
    if (item.always) return refuse('reading-missing', 'This is always called for.')
    if (because.trim().length < 3)
      return refuse('reading-missing', 'Say why it is not called for here.')
    return tick({ item: itemId, answer, because: because.trim(), text: '' })
  }
  if (item.reading && reading === undefined)
    return refuse('reading-missing', `This needs its reading: ${item.reading.label}.`)
  if (item.text && text.trim() === '')
    return refuse('reading-missing', `This wants to be written down: ${item.text}.`)
  return tick({ item: itemId, answer, because: '', text: text.trim(), ...(reading ?? {}) })
}

const tick = (body: Omit<Extract<RecordBody, { kind: 'ticked' }>, 'kind'>): Signing => ({
  ok: true,
  bodies: [{ kind: 'ticked', ...body }],
})

/**
 * Why nothing is lit again yet: a leak that is made safe is not mended, or something shut or capped
 * keeps the gas away; undefined where nothing speaks against it.
 */
function notToBeLit({ sheets, off }: Judgement): string | undefined {
  if (sheets.list.findings.some(({ id }) => id === 'made-safe-not-mended'))
    return 'Nothing is lit again before a gas test has passed: the leak is made safe, not mended.'
  const gas = off.find(({ body }) => body.because === leakMadeSafe && body.state !== 'unlit')
  return gas && `First put back: ${gas.body.name}.`
}

/**
 * Puts something back. Power, and gas at a heater, wait for their step and the guards before them.
 */
export function putBack(judgement: Judgement, offId: string): Signing {
  const item = judgement.off.find((one) => one.id === offId)
  if (!item) return refuse('no-such-step', 'That is already back, or was never off.')
  const unlit = item.body.state === 'unlit' ? notToBeLit(judgement) : undefined
  if (unlit !== undefined) return refuse('guard-open', unlit)
  const left = leftOf(judgement.work.plant.sequences, item.body.stepId)?.left
  const target = left?.waits && find(judgement, left.backBefore)
  const early = left && target ? tooEarlyFor(item, target, left) : undefined
  if (early) return early
  const danger = dangerous(dangersNow(backChanges(left), judgement.work.plant))
  return danger ?? { ok: true, bodies: [{ kind: 'put-back', off: offId }] }
}

/** Power, gas and the like wait for their step, and for the guards before them in it. */
function tooEarlyFor(
  { id, body }: OffItem,
  { judged }: Found,
  left: LeavesOff,
): Signing | undefined {
  const { progress, number, step } = judged
  const named = `step ${number}: ${step.short}`
  if (progress.state === 'after')
    return refuse(
      'guard-open',
      `${body.name} stays ${body.state === 'power-off' ? 'off' : 'as it is'} until ${named}.`,
    )
  if (progress.state !== 'now') return undefined
  const index = progress.guards.findIndex(
    ({ guard }) => guard.kind === 'put-back' && (guard.offKey === left.key || guard.offKey === id),
  )
  const before = progress.guards.slice(0, Math.max(0, index)).find((guard) => !guard.holds)
  return before && refuse('guard-open', `Not yet. First: ${before.guard.text}.`)
}
