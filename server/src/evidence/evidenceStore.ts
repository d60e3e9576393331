import type { Clock } from '../app/parts'
import { Refusal } from '../app/refusal'
import type { Database } from '../db/database'
import { storageFailure } from '../db/storageFailure'
import { EvidenceTable } from '../db/tables'
import { EvidenceFiles, sha256 } from './evidenceFiles'
import type { Looked } from './lookAtFile'
import type { EvidenceType } from './typeOfBytes'
import { typeOfBytes } from './typeOfBytes'

export type LookAt = (bytes: Buffer, type: EvidenceType) => Promise<Looked>

interface Stored {
  readonly hash: string
  readonly type: EvidenceType
  readonly bytes: number
}

/** Photographs and papers: what is here, and its files. */
export class EvidenceStore {
  private readonly files: EvidenceFiles

  constructor(
    private readonly db: Database,
    dataFolder: string,
    private readonly clock: Clock,
    private readonly lookAt: LookAt,
  ) {
    this.files = new EvidenceFiles(dataFolder)
    this.files.prepare()
  }

  /**
   * Keeps a file; one that is here and sound is not written again, one that went missing or rotten
   * is healed. Refused: another hash, another kind of file, one that cannot be unpacked or has too
   * many pixels, one that says where it was taken.
   */
  async put(hash: string, bytes: Buffer): Promise<Stored> {
    if (sha256(bytes) !== hash)
      throw new Refusal(
        'not-evidence',
        'The file does not have the hash it was sent under; it was damaged on the way. Send it again.',
      )
    const type = typeOfBytes(bytes)
    if (type === 'heic')
      throw new Refusal(
        'not-evidence',
        'This is a HEIC photograph, which many browsers cannot show. Send it as JPEG: on the phone, choose “most compatible” for the camera.',
      )
    if (!type)
      throw new Refusal('not-evidence', 'This is neither a photograph (JPEG, PNG, WebP) nor a PDF.')
    const sound = (await this.isListed(hash)) && (await this.files.read(hash)) !== undefined
    if (!sound) await this.keep({ hash, type, bytes: bytes.length }, bytes)
    return { hash, type, bytes: bytes.length }
  }

  async get(hash: string): Promise<{ readonly type: EvidenceType; readonly bytes: Buffer }> {
    const row = await this.db.read((manager) =>
      manager.getRepository(EvidenceTable).findOneBy({ hash }),
    )
    if (!row)
      throw new Refusal('no-such-evidence', 'No photograph or paper of this hash is kept here.')
    const bytes = await this.files.read(hash)
    if (!bytes)
      throw new Refusal(
        'evidence-damaged',
        'This photograph or paper is missing or damaged on the server. Add it once more from where it was taken: that heals it.',
      )
    return { type: row.type as EvidenceType, bytes }
  }

  /** Removes files that nothing names any more. */
  async forget(hashes: readonly string[]): Promise<void> {
    for (const hash of hashes) await this.files.remove(hash)
  }

  private async keep(stored: Stored, bytes: Buffer): Promise<void> {
    const looked = await this.lookAt(bytes, stored.type)
    if (!looked.ok) throw new Refusal('not-evidence', looked.says)
    try {
      await this.files.write(stored.hash, bytes)
    } catch (error) {
      throw storageFailure(error)
    }
    await this.db.write((manager) =>
      manager.query('INSERT OR IGNORE INTO evidence (hash, type, bytes, at) VALUES (?, ?, ?, ?)', [
        stored.hash,
        stored.type,
        stored.bytes,
        this.clock.now(),
      ]),
    )
  }

  private isListed = (hash: string): Promise<boolean> =>
    this.db.read(
      async (manager) => (await manager.getRepository(EvidenceTable).findOneBy({ hash })) !== null,
    )
}
