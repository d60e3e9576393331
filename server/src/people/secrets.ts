import { createHash, randomBytes } from 'node:crypto'
import { hash, verify } from '@node-rs/argon2'

/** A secret that cannot be guessed, for a cookie or a link: 256 bits. */
export const newToken = (): string => randomBytes(32).toString('base64url')

/** What is kept of a token: whoever reads the database cannot come in with it. */
export const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex')

/**
 * Argon2id with the library's own costs (19 MB, two passes), which are those of OWASP's cheat sheet
 * on storing passwords, from memory.
 */
export const passwordHash = (password: string): Promise<string> => hash(password)

/** A hash of nobody's, so that a name that is not here takes as long as one that is. */
const nobodys = passwordHash(newToken())

export async function isPassword(kept: string | null, given: string): Promise<boolean> {
  const right = await verify(kept ?? (await nobodys), given).catch(() => false)
  return kept !== null && right
}
