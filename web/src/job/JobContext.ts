// The one door of a job: a page comes with the frame that solves it, and the build keeps what both
// stand on in one piece.
export { JobProvider } from './JobProvider'
export * from './jobParts'
export { useOnceShown } from './useOnceShown'
