import type { Raw } from './raw'
import { isBranch } from './raw'

/** Version 8 says whose clock a job's times carry, and what of the work waits for which test. */
export const from7 = (raw: Raw): Raw => ({
  ...raw,
  version: 8,
  site: isBranch(raw.site) ? { timeZone: null, ...raw.site } : raw.site,
  holdPoints: raw.holdPoints ?? [],
})
