import type { SheetId, StageId } from '@hestian/core'

/** Stages in working order, the first lowest on the riser. */
export const stageNames: Readonly<Record<StageId, string>> = {
  survey: 'Survey', design: 'Design', plan: 'Plan', prove: 'Prove', commission: 'Commission', handover: 'Handover', aftercare: 'Aftercare',
}

export const stageOf = (sheet: SheetId): StageId => (({ S: 'survey', D: 'design', P: 'prove', C: 'commission', H: 'handover' }) as const)[sheet[0] as 'S' | 'D' | 'P' | 'C' | 'H']
