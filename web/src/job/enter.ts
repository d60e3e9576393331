import { z } from 'zod'
import { ApiError, call } from '../api/client'

/** Sends what lets somebody in; gives why it did not, or nothing where it did. */
export async function enter(path: string, body: object): Promise<string | undefined> {
  try {
    await call('POST', path, z.unknown(), body)
    return undefined
  } catch (error) {
    return error instanceof ApiError ? error.message : 'That could not be sent. Try again.'
  }
}

/**
 * Ends the session of this browser, with the copies of jobs that it kept; what is not sent yet
 * stays.
 */
export async function leave(): Promise<void> {
  await enter('/session/end', {})
  const names = await globalThis.caches?.keys().catch(() => [])
  const kept = ['jobs', 'board', 'people', 'session', 'evidence']
  for (const name of names ?? []) if (kept.includes(name)) await caches.delete(name)
  location.assign('/')
}
