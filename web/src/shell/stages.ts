import type { StageId } from '@hestian/core'

/** Stages in working order, the first lowest on the riser. */
export const stageNames: Readonly<Record<StageId, string>> = {
  survey: 'Survey',
  design: 'Design',
  plan: 'Plan',
  test: 'Test',
  commission: 'Commission',
  handover: 'Handover',
  aftercare: 'Aftercare',
}
