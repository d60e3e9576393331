/** The stages that the board sorts by, in their order. */
export const boardStages = ['survey', 'design', 'test', 'commission', 'handover', 'done'] as const
export type BoardStage = (typeof boardStages)[number]
