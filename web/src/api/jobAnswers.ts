/** What answers about whole jobs are checked against: the document's schemas, which the board does without. */
export { GaugeState, JobState } from '@hestian/core'
