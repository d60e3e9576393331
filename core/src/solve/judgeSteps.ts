import type { Guard, Step, StepReading } from '../sequences/sequence'
import type { JobRecord } from '../job/records'
import { ofKind } from '../job/records'
import type { OffItem } from './offStrip'
import { offKeyOf } from './offStrip'

export interface GuardState {
  readonly guard: Guard
  readonly holds: boolean
  readonly at?: string
}

export type StepState =
  | {
      readonly state: 'done'
      readonly at: string
      readonly by: string
      readonly recordId: string
      readonly si?: number
      readonly within: boolean | undefined
    }
  | {
      readonly state: 'now' | 'after'
      readonly guards: readonly GuardState[]
      readonly openGuards: readonly GuardState[]
    }

export interface JudgedStep {
  readonly step: Step
  readonly number: number
  readonly progress: StepState
}

/** Whether a reading is inside its limits; undefined when the design gives none. */
export function withinLimits(reading: StepReading, si: number): boolean | undefined {
  if (reading.least === undefined && reading.most === undefined) return undefined
  const slack = Math.max(1e-6 * Math.abs(si), 0.001)
  return (
    (reading.least === undefined || si >= reading.least - slack) &&
    (reading.most === undefined || si <= reading.most + slack)
  )
}

/** What a test took off or shut and named this step for: it is back before the step is signed. */
const leftByTests = ({ id }: Step, off: readonly OffItem[]): readonly Guard[] =>
  off
    .filter(({ body }) => body.stepId === undefined && body.backBefore === id)
    .map((item) => ({
      kind: 'put-back',
      offKey: item.id,
      text: `Back in place: ${item.body.name}`,
    }))

const confirmation = 'guard:'

export function judgeSteps(
  steps: readonly Step[],
  entries: readonly JobRecord[],
  off: readonly OffItem[],
  gasTight: boolean,
): readonly JudgedStep[] {
  const records = ofKind(entries, 'step')
  const confirmed = (id: string) =>
    records.filter((record) => record.body.stepId === `${confirmation}${id}`)
  let reached = true
  return steps.map((step, index): JudgedStep => {
    const signed = records.filter((record) => record.body.stepId === step.id).at(-1)
    if (signed) {
      const { at, by, id, body } = signed
      return {
        step,
        number: index + 1,
        progress: {
          state: 'done',
          at,
          by,
          recordId: id,
          ...(body.si === undefined ? {} : { si: body.si }),
          within:
            step.reading && body.si !== undefined ? withinLimits(step.reading, body.si) : undefined,
        },
      }
    }
    const guards = [...leftByTests(step, off), ...step.guards].map((guard): GuardState => {
      if (guard.kind === 'gas-tight') return { guard, holds: gasTight }
      if (guard.kind === 'put-back')
        return {
          guard,
          holds: !off.some((item) => offKeyOf(item) === guard.offKey),
        }
      const seen = confirmed(`${step.id}/${guard.id}`).at(-1)
      return { guard, holds: seen !== undefined, ...(seen ? { at: seen.at } : {}) }
    })
    const progress: StepState = {
      state: reached ? 'now' : 'after',
      guards,
      openGuards: guards.filter((guard) => !guard.holds),
    }
    reached = false
    return { step, number: index + 1, progress }
  })
}

/** The record id of a confirmation by eye, as a step record names it. */
export const confirmationId = (stepId: string, guardId: string): string =>
  `${confirmation}${stepId}/${guardId}`
