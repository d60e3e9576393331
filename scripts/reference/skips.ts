/**
 * Calculations that Hestian has no use for, with the reason. A kind that is in neither list fails.
 */
export const skips: Readonly<Record<string, string>> = {}
