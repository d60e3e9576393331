import { startEarly } from '../work/startWorker'
import { fetchPage, isSheet } from './pages'

/**
 * Fetches the pieces of the sheet at an address at once, where they would come one after the other
 * as each is drawn.
 */
export function fetchShown(path: string): void {
  const [, sheet] = /^\/jobs\/[\w-]+\/(\w+)/.exec(path) ?? []
  if (sheet === undefined) return
  startEarly()
  // What cannot be fetched now is fetched, and said, when it is drawn.
  void import('./JobShell').catch(() => undefined)
  if (isSheet(sheet)) void fetchPage(sheet)
}
