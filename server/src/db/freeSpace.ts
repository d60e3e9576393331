import { statfs } from 'node:fs/promises'

/**
 * Below this the board says that room runs out, bytes. Assumed: some hundred jobs with their
 * photographs.
 */
export const lowSpace_bytes = 500 * 1024 * 1024

/** Room left on the disk of a folder, bytes; undefined where the system does not say. */
export async function freeSpace_bytes(folder: string): Promise<number | undefined> {
  try {
    const { bavail, bsize } = await statfs(folder)
    return bavail * bsize
  } catch {
    return undefined
  }
}
