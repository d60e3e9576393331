import type { EvidenceType } from './typeOfBytes'

/**
 * A picture may have so many pixels: more takes the machine's memory to unpack, and no phone needs
 * them for a rating plate.
 */
export const mostPixels = 50_000_000

/** What unpacks pictures, loaded with the first of them: a server starts sooner without it. */
const unpacker = async () => (await import('sharp')).default

export type Looked = { readonly ok: true } | { readonly ok: false; readonly says: string }

const refuse = (says: string): Looked => ({ ok: false, says })
const saysWhere = 'says where it was taken. Take that out first; the page does it by itself.'

/**
 * Unpacks a file wholly, as whoever prints it will: whether it is sound, not too large, and does
 * not say where it was taken.
 */
export async function lookAtFile(bytes: Buffer, type: EvidenceType): Promise<Looked> {
  return type === 'application/pdf' ? lookAtPaper(bytes) : lookAtPicture(bytes)
}

function lookAtPaper(bytes: Buffer): Looked {
  const end = bytes.subarray(-2048).toString('latin1')
  if (!end.includes('%%EOF'))
    return refuse(
      'This PDF ends too early; it was cut off on the way. Save it again and send that.',
    )
  if (bytes.includes('GPSLatitude')) return refuse(`This PDF ${saysWhere}`)
  return { ok: true }
}

async function lookAtPicture(bytes: Buffer): Promise<Looked> {
  const sharp = await unpacker()
  try {
    const { width, height, exif, xmp } = await sharp(bytes, { limitInputPixels: false }).metadata()
    if (width * height > mostPixels)
      return refuse(
        `This picture has ${Math.round((width * height) / 1e6)} million pixels; at most ${mostPixels / 1e6} million are accepted. Send a smaller one.`,
      )
    if (xmp?.includes('GPSLatitude') || (exif && (await hasPlace(exif))))
      return refuse(`This photograph ${saysWhere}`)
    const picture = sharp(bytes, { limitInputPixels: mostPixels, failOn: 'error' })
    await picture.resize(32, 32, { fit: 'fill' }).raw().toBuffer()
    return { ok: true }
  } catch {
    return refuse(
      'This picture cannot be unpacked: it is damaged or was cut off on the way. Take it again, or send another copy.',
    )
  }
}

async function hasPlace(exif: Buffer): Promise<boolean> {
  // The block begins with its own name, which the reader does not expect.
  const tiff = exif.subarray(0, 4).toString('latin1') === 'Exif' ? exif.subarray(6) : exif
  try {
    const { default: exifr } = await import('exifr')
    const place = (await exifr.gps(tiff)) as { latitude?: number } | undefined
    return place?.latitude !== undefined
  } catch {
    return false
  }
}

/**
 * A picture as it is printed: small enough, without transparency, of a kind that the printer knows.
 */
export async function printable(bytes: Buffer): Promise<Buffer> {
  const sharp = await unpacker()
  return sharp(bytes, { limitInputPixels: mostPixels })
    .rotate()
    .resize(1200, 1200, { fit: 'inside', withoutEnlargement: true })
    .flatten({ background: '#ffffff' })
    .jpeg({ quality: 82 })
    .toBuffer()
}
