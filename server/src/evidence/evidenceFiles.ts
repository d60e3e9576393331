import { createHash, randomUUID } from 'node:crypto'
import { existsSync, mkdirSync, readdirSync, rmSync } from 'node:fs'
import { open, readFile, rename, rm } from 'node:fs/promises'
import { join } from 'node:path'

export const sha256 = (bytes: Buffer): string => createHash('sha256').update(bytes).digest('hex')

/** Files named by the SHA-256 of their bytes in one folder that can be copied. */
export class EvidenceFiles {
  readonly folder: string

  constructor(dataFolder: string) {
    this.folder = join(dataFolder, 'evidence')
  }

  /** Makes the folder, and takes away halves that a crash left. */
  prepare(): void {
    mkdirSync(this.folder, { recursive: true })
    for (const name of readdirSync(this.folder))
      if (name.endsWith('.part')) rmSync(join(this.folder, name), { force: true })
  }

  pathOf = (hash: string): string => join(this.folder, hash)
  has = (hash: string): boolean => existsSync(this.pathOf(hash))

  /** The bytes, or undefined where they are missing or no longer what they were. */
  async read(hash: string): Promise<Buffer | undefined> {
    const bytes = await readFile(this.pathOf(hash)).catch(() => undefined)
    return bytes && sha256(bytes) === hash ? bytes : undefined
  }

  remove = (hash: string): Promise<void> => rm(this.pathOf(hash), { force: true })

  /** Whole and synced under its name, or not at all. */
  async write(hash: string, bytes: Buffer): Promise<void> {
    const part = `${this.pathOf(hash)}.${randomUUID()}.part`
    try {
      const file = await open(part, 'wx')
      try {
        await file.writeFile(bytes)
        await file.sync()
      } finally {
        await file.close()
      }
      await rename(part, this.pathOf(hash))
      await syncFolder(this.folder)
    } catch (error) {
      await rm(part, { force: true })
      throw error
    }
  }
}

/** A new name is on disk only once its folder is. */
async function syncFolder(path: string): Promise<void> {
  const folder = await open(path, 'r')
  try {
    await folder.sync()
  } finally {
    await folder.close()
  }
}
