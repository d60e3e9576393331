import type { RecordBody } from '../job/records'
import type { Person } from '../practice/tickets'
import { lacking, ticketWords } from '../practice/tickets'
import type { Judgement } from './judge'
import type { JudgedStep } from './judgeSteps'
import { confirmationId } from './judgeSteps'
import { offKeyOf } from './offStrip'

/** Why something is off after a leak, as the off strip says it. */
export const leakMadeSafe = 'a leak made safe'

/** What a request to sign, confirm or put back becomes: records to append, or a sentence that says why not. */
export type Signing =
  | { readonly ok: true; readonly bodies: readonly RecordBody[] }
  | {
      readonly ok: false
      readonly code:
        'not-yet' | 'guard-open' | 'ticket-missing' | 'reading-missing' | 'no-such-step'
      readonly says: string
    }

const refuse = (code: Exclude<Signing, { ok: true }>['code'], says: string): Signing => ({
  ok: false,
  code,
  says,
})
const find = (judgement: Judgement, stepId: string): JudgedStep | undefined =>
  judgement.steps.find((one) => one.step.id === stepId)

/** Confirms one guard by eye. Guards are confirmed in their order: the lever is back before the outlet is shut. */
export function confirmGuard(judgement: Judgement, stepId: string, guardId: string): Signing {
  const judged = find(judgement, stepId)
  if (!judged || judged.progress.state === 'done')
    return refuse('no-such-step', 'This step is not open.')
  if (judged.progress.state === 'after')
    return refuse('not-yet', `Step ${judged.number} comes after one that is still open.`)
  const { guards } = judged.progress
  const index = guards.findIndex(({ guard }) => guard.kind === 'seen' && guard.id === guardId)
  if (index < 0) return refuse('no-such-step', 'This step has no such guard.')
  // Confirmed already, by another hand or the same one pressing again: once is enough.
  if (guards[index]?.holds) return { ok: true, bodies: [] }
  const before = guards.slice(0, index).find((guard) => !guard.holds)
  if (before) return refuse('guard-open', `First: ${before.guard.text}.`)
  return {
    ok: true,
    bodies: [{ kind: 'step', stepId: confirmationId(stepId, guardId), guards: [] }],
  }
}

/** Signs a step: every guard holds, its reading is given, and the person holds its ticket. What it leaves off goes on the off strip. */
export function signStep(
  judgement: Judgement,
  stepId: string,
  person: Person,
  reading?: { readonly si: number; readonly typed: string },
): Signing {
  const judged = find(judgement, stepId)
  if (!judged || judged.progress.state === 'done')
    return refuse('no-such-step', 'This step is not open.')
  const { step, progress, number } = judged
  if (progress.state === 'after')
    return refuse('not-yet', `Step ${number} comes after one that is still open.`)
  const missingTickets = lacking(person, step.ticket ? [step.ticket] : [])
  if (missingTickets.length > 0)
    return refuse(
      'ticket-missing',
      `${person.name} has no ${missingTickets.map((ticket) => ticketWords[ticket]).join(' or ')}; this step needs one to be signed.`,
    )
  const open = progress.openGuards[0]
  if (open) return refuse('guard-open', `Still open: ${open.guard.text}.`)
  if (step.reading && reading === undefined)
    return refuse('reading-missing', `This step needs its reading: ${step.reading.label}.`)
  return {
    ok: true,
    bodies: [
      {
        kind: 'step',
        stepId,
        guards: progress.guards.map(({ guard }) => guard.text),
        ...(reading ? { si: reading.si, typed: reading.typed } : {}),
      },
      ...step.leavesOff.map((left): RecordBody => ({
        kind: 'off',
        name: left.name,
        state: left.state,
        where: left.where,
        because: step.short,
        backBefore: left.backBefore,
        stepId: `${step.id}#${left.key}`,
      })),
    ],
  }
}

/** What is ticked on a work list: done with what it asks to be written down, or not called for here and why. */
export interface Ticking {
  readonly answer: 'done' | 'not-here'
  readonly because: string
  readonly text: string
  readonly reading?: { readonly si: number; readonly typed: string }
}

/** Ticks an item of the work list: what it asks is given, and the person holds its ticket. Ticked again, the later one counts. */
export function tickItem(
  judgement: Pick<Judgement, 'items'>,
  itemId: string,
  person: Person,
  { answer, because, text, reading }: Ticking,
): Signing {
  const judged = judgement.items.find((one) => one.item.id === itemId)
  if (!judged) return refuse('no-such-step', 'That is not on this work list.')
  const { item } = judged
  const missingTickets = lacking(person, item.ticket ? [item.ticket] : [])
  if (missingTickets.length > 0)
    return refuse(
      'ticket-missing',
      `${person.name} has no ${missingTickets.map((ticket) => ticketWords[ticket]).join(' or ')}; this needs one to be ticked.`,
    )
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

/** Why nothing is lit again yet: a leak that is made safe is not mended, or something shut or capped keeps the gas away; undefined where nothing speaks against it. */
function notToBeLit({ sheets, off }: Judgement): string | undefined {
  if (sheets.list.findings.some(({ id }) => id === 'made-safe-not-mended'))
    return 'Nothing is lit again before a gas test has passed: the leak is made safe, not mended.'
  const gas = off.find(({ body }) => body.because === leakMadeSafe && body.state !== 'unlit')
  return gas && `First put back: ${gas.body.name}.`
}

/** Puts something back. Power, and gas at a heater, wait for their step and the guards before them. */
export function putBack(judgement: Judgement, offId: string): Signing {
  const item = judgement.off.find((one) => one.id === offId)
  if (!item) return refuse('no-such-step', 'That is already back, or was never off.')
  const unlit = item.body.state === 'unlit' ? notToBeLit(judgement) : undefined
  if (unlit !== undefined) return refuse('guard-open', unlit)
  const key = offKeyOf(item)
  const left = judgement.steps
    .flatMap(({ step }) => step.leavesOff.map((leaves) => ({ leaves, step })))
    .find(
      ({ leaves, step }) => leaves.key === key && item.body.stepId === `${step.id}#${leaves.key}`,
    )
  if (left?.leaves.waits) {
    const target = find(judgement, left.leaves.backBefore)
    if (target && target.progress.state === 'after')
      return refuse(
        'guard-open',
        `${item.body.name} stays ${item.body.state === 'power-off' ? 'off' : 'shut'} until step ${target.number}: ${target.step.short}.`,
      )
    if (target && target.progress.state === 'now') {
      const index = target.progress.guards.findIndex(
        ({ guard }) => guard.kind === 'put-back' && guard.offKey === key,
      )
      const before = target.progress.guards.slice(0, index).find((guard) => !guard.holds)
      if (before) return refuse('guard-open', `Not yet. First: ${before.guard.text}.`)
    }
  }
  return { ok: true, bodies: [{ kind: 'put-back', off: offId }] }
}
