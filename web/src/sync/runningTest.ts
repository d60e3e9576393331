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

/**
 * Keeps the screen of a phone awake while a test runs; where the browser cannot, it sleeps as ever.
 */
export function useAwake(running: boolean): void {
  useEffect(() => {
    if (!running || !('wakeLock' in navigator)) return
    let held: WakeLockSentinel | undefined
    let isOver = false
    const ask = () => {
      if (document.visibilityState !== 'visible') return
      navigator.wakeLock.request('screen').then(
        (lock) => {
          held = lock
          if (isOver) void lock.release()
        },
        () => undefined,
      )
    }
    ask()
    // It lets go by itself when the page is put aside.
    document.addEventListener('visibilitychange', ask)
    return () => {
      isOver = true
      document.removeEventListener('visibilitychange', ask)
      void held?.release()
    }
  }, [running])
}

/** Whether any page of this browser shows a running test. */
export async function isTestRunning(): Promise<boolean> {
  const { held = [] } = (await navigator.locks?.query()) ?? {}
  return held.some((one) => one.name === lock)
}
