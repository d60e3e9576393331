/**
 * How much one job may hold. What is stored keeps to the same limits as what is imported, so that
 * everything stored can be exported.
 */
export const jobLimits = {
  records: 200_000,
  revisions: 200,
  /** Of one test: a day at two readings a second. */
  samples: 200_000,
} as const
