/**
 * Parts of a job's pages that are fetched when they are first shown. Each is fetched ahead too, once
 * a job is open: what is unsafe, or not connected yet, is said where there is no signal.
 */
export const lateParts: readonly (() => Promise<unknown>)[] = [
  () => import('../ui/Day'),
  () => import('../job/WhoMenu'),
  () => import('../job/SignInAgain'),
  () => import('../network/TableReader'),
  () => import('../network/csv'),
  () => import('../heat/DayChart'),
  () => import('../heat/OptionsChart'),
  () => import('exifr'),
]
