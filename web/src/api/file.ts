import { Refused } from '@hestian/core'
import { ApiError } from './client'
import { signedOut } from './signedOut'

/** A paper takes a worker some seconds; more than this is a machine that hangs. */
const patience_ms = 60_000

/** A file of the server's making; an {@link ApiError} says why there is none. */
export async function fetchFile(path: string): Promise<Blob> {
  let response: Response
  try {
    response = await fetch(`/api${path}`, { signal: AbortSignal.timeout(patience_ms) })
  } catch {
    throw new ApiError(
      'offline',
      'The server does not answer: it makes the papers. Try again when it does.',
    )
  }
  if (response.ok) return response.blob()
  const refused = Refused.safeParse(await response.json().catch(() => undefined))
  if (refused.success && refused.data.code === 'not-signed-in') signedOut.tell()
  if (refused.success) throw new ApiError(refused.data.code, refused.data.says)
  throw new ApiError('offline', 'The server could not make it. Nothing of the job is lost.')
}
