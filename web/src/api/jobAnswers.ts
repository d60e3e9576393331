import { JobState as StateOfToday, upgradeFile } from '@hestian/core'
import { z } from 'zod'

/**
 * What answers about whole jobs are checked against: the document's schemas, which the board does
 * without.
 */
export { GaugeState, Instrument } from '@hestian/core'

/**
 * A job as the server gives it today, or as a copy that was kept before this version came says it.
 */
export const JobState = z.preprocess(upgradeFile, StateOfToday)
