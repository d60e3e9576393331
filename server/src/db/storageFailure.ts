import { Refusal } from '../app/refusal'

const codeOf = (error: unknown): string => {
  if (typeof error !== 'object' || error === null) return ''
  const { code, driverError } = error as { code?: unknown; driverError?: unknown }
  if (typeof code === 'string') return code
  return driverError === undefined ? '' : codeOf(driverError)
}

/**
 * What a failing disk is called to a person; anything that is no fault of the disk stays what it
 * is.
 */
export function storageFailure(error: unknown): unknown {
  const code = codeOf(error)
  if (code === 'SQLITE_FULL' || code === 'ENOSPC' || code === 'EDQUOT')
    return new Refusal(
      'disk-full',
      'The disk of the server is full, so this was not stored. What you typed is kept here and is sent again; make room on the server.',
    )
  if (/^SQLITE_(IOERR|READONLY|CANTOPEN|CORRUPT|NOTADB|BUSY|LOCKED)/.test(code) || code === 'EIO')
    return new Refusal(
      'storage-failed',
      'The server cannot write to its disk, so this was not stored. What you typed is kept here and is sent again; the server’s log says more.',
    )
  return error
}
