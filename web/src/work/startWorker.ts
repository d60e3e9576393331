export const startWorker = (): Worker =>
  new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' })

/** One that was started before it was known what it will be asked. */
let early: Worker | undefined

/** Starts one beside what the page still waits for. */
export function startEarly(): void {
  if (early) return
  const begun = startWorker()
  // What could not be fetched is tried again by whoever asks.
  begun.onerror = () => {
    if (early === begun) early = undefined
  }
  early = begun
}

/** The one that was started before, or a new one. */
export function takeWorker(): Worker {
  const taken = early ?? startWorker()
  early = undefined
  return taken
}
