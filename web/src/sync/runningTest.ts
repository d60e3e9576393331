import { useEffect } from 'react'

const lock = 'hestian-running-test'

/** Marks this page as one that shows a running test, for every page of this browser to see. */
export function useRunningTest(running: boolean): void {
  useEffect(() => {
    if (!running || !navigator.locks) return
    const end = new AbortController()
    let release = (): void => end.abort()
    void navigator.locks
      .request(
        lock,
        { mode: 'shared', signal: end.signal },
        () => new Promise<void>((resolve) => (release = resolve)),
      )
      .catch(() => undefined)
    return () => release()
  }, [running])
}

/** Whether any page of this browser shows a running test. */
export async function isTestRunning(): Promise<boolean> {
  const { held = [] } = (await navigator.locks?.query()) ?? {}
  return held.some((one) => one.name === lock)
}
