import { createHash } from 'node:crypto'
import { mkdirSync } from 'node:fs'
import { open, readFile, rename } from 'node:fs/promises'
import { join } from 'node:path'
import type { Evidence } from '@hestian/core'
import exifr from 'exifr'
import type { Clock } from '../app/parts'
import { Refusal } from '../app/refusal'
import type { Database } from '../db/database'
import { EvidenceTable } from '../db/tables'

type EvidenceType = Evidence['type']

/** What a file is by its first bytes, whatever it calls itself. */
function typeOfBytes(bytes: Buffer): EvidenceType | 'heic' | undefined {
  const ascii = (from: number, to: number) => bytes.subarray(from, to).toString('latin1')
  if (bytes[0] === 0xff && bytes[1] === 0xd8 && bytes[2] === 0xff) return 'image/jpeg'
  if (ascii(1, 4) === 'PNG' && bytes[0] === 0x89) return 'image/png'
  if (ascii(0, 4) === 'RIFF' && ascii(8, 12) === 'WEBP') return 'image/webp'
  if (ascii(0, 5) === '%PDF-') return 'application/pdf'
  if (ascii(4, 8) === 'ftyp' && /^(heic|heix|hevc|mif1|msf1|avif)/.test(ascii(8, 12))) return 'heic'
  return undefined
}

/** Photographs and papers, each a file named by the SHA-256 of its bytes in one folder that can be copied. */
export class EvidenceStore {
  private readonly folder: string

  constructor(
    private readonly db: Database,
    dataFolder: string,
    private readonly clock: Clock,
  ) {
    this.folder = join(dataFolder, 'evidence')
    mkdirSync(this.folder, { recursive: true })
  }

  /** Keeps a file; one that is here already is not written again. Refused: another hash, another kind of file, a photograph that says where it was taken. */
  async put(
    hash: string,
    bytes: Buffer,
  ): Promise<{ hash: string; type: EvidenceType; bytes: number }> {
    if (createHash('sha256').update(bytes).digest('hex') !== hash)
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
    if (await saysWhere(type, bytes))
      throw new Refusal(
        'not-evidence',
        'This photograph says where it was taken. Take that out first; the page does it by itself.',
      )
    const known = await this.db.source.getRepository(EvidenceTable).findOneBy({ hash })
    if (!known) {
      await this.write(hash, bytes)
      await this.db.inTurn(() =>
        this.db.source.query(
          'INSERT OR IGNORE INTO evidence (hash, type, bytes, at) VALUES (?, ?, ?, ?)',
          [hash, type, bytes.length, this.clock.now()],
        ),
      )
    }
    return { hash, type, bytes: bytes.length }
  }

  async get(hash: string): Promise<{ readonly type: EvidenceType; readonly bytes: Buffer }> {
    const row = await this.db.source.getRepository(EvidenceTable).findOneBy({ hash })
    if (!row)
      throw new Refusal('no-such-evidence', 'No photograph or paper of this hash is kept here.')
    return { type: row.type as EvidenceType, bytes: await readFile(join(this.folder, hash)) }
  }

  /** On disk and synced before its row says that it is there. */
  private async write(hash: string, bytes: Buffer): Promise<void> {
    const path = join(this.folder, hash)
    const file = await open(`${path}.part`, 'w')
    try {
      await file.writeFile(bytes)
      await file.sync()
    } finally {
      await file.close()
    }
    await rename(`${path}.part`, path)
  }
}

async function saysWhere(type: EvidenceType, bytes: Buffer): Promise<boolean> {
  if (type !== 'image/jpeg' && type !== 'image/png') return false
  try {
    const place = (await exifr.gps(bytes)) as { latitude?: number } | undefined
    return place?.latitude !== undefined
  } catch {
    return false
  }
}
