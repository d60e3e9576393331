/** More readings than this are no test of a pipe. */
export const mostReadings = 20_000
