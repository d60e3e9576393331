import type { JobDocument } from './document'

/** Coldest incoming water that is known: the year's, or the day's own reading. */
export const coldestTemp_K = ({ survey }: JobDocument): number | undefined =>
  survey.incomingColdestTemp_K?.value ?? survey.incomingTemp_K?.value
