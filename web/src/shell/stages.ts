import type { StageId } from '@hestian/core'

/** Stages in working order, the first lowest on the riser. */
export const stageNames: Readonly<Record<StageId, string>> = {
  survey: 'Survey',
  design: 'Design',
  plan: 'Plan',
  prove: 'Prove',
  commission: 'Commission',
  handover: 'Handover',
  aftercare: 'Aftercare',
}
