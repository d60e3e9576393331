import type { Evidence } from '@hestian/core'
import { outbox } from './outbox'

/** Longest side of a kept photograph, px, and how much of its detail is kept. */
const longest_px = 1600
const quality = 0.82
const largest_bytes = 20 * 1024 * 1024

export type Kept =
  { readonly ok: true; readonly evidence: Evidence } | { readonly ok: false; readonly says: string }

const refuse = (says: string): Kept => ({ ok: false, says })

/**
 * Makes evidence of a file and queues it: a photograph is drawn anew at a smaller size, which
 * leaves behind everything its file said of camera and place; the place is read first and kept
 * beside it only on purpose. A PDF is kept as it is.
 */
export async function keepEvidence(
  file: File,
  jobId: string,
  { keepPlace }: { readonly keepPlace: boolean },
): Promise<Kept> {
  if (!('subtle' in crypto))
    return refuse(
      'This browser keeps photographs only on localhost or over HTTPS. What you typed is kept all the same.',
    )
  const head = new Uint8Array(await file.slice(0, 16).arrayBuffer())
  const ascii = (from: number, to: number) => String.fromCharCode(...head.slice(from, to))
  if (ascii(4, 8) === 'ftyp')
    return refuse(
      `${file.name} is a HEIC photograph, which this browser cannot read. Take it as JPEG: on the phone, choose “most compatible” for the camera, or send it to yourself as JPEG.`,
    )
  if (ascii(0, 5) === '%PDF-')
    return file.size > largest_bytes
      ? refuse(`${file.name} is ${Math.round(file.size / 1e6)} MB; a paper may be 20 MB.`)
      : queue(file, 'application/pdf', file.name, jobId)
  const picture = await createImageBitmap(file).catch(() => undefined)
  if (!picture) return refuse(`${file.name} is neither a photograph (JPEG, PNG, WebP) nor a PDF.`)
  const place = keepPlace ? await placeOf(file) : undefined
  const scale = Math.min(1, longest_px / Math.max(picture.width, picture.height))
  const canvas = new OffscreenCanvas(
    Math.max(1, Math.round(picture.width * scale)),
    Math.max(1, Math.round(picture.height * scale)),
  )
  canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height)
  picture.close()
  const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality })
  return queue(blob, 'image/jpeg', file.name.replace(/\.[a-z]+$/i, '') + '.jpg', jobId, place)
}

async function placeOf(file: File): Promise<Evidence['place']> {
  try {
    const { default: exifr } = await import('exifr')
    const place = (await exifr.gps(file)) as { latitude?: number; longitude?: number } | undefined
    return place?.latitude !== undefined && place.longitude !== undefined
      ? { latitude: place.latitude, longitude: place.longitude }
      : undefined
  } catch {
    return undefined
  }
}

async function queue(
  blob: Blob,
  type: Evidence['type'],
  name: string,
  jobId: string,
  place?: Evidence['place'],
): Promise<Kept> {
  const hash = await sha256(await blob.arrayBuffer())
  await outbox.add({ kind: 'evidence', id: hash, jobId, type, blob })
  return {
    ok: true,
    evidence: {
      hash,
      type,
      name: name.slice(0, 200),
      bytes: blob.size,
      ...(place ? { place } : {}),
    },
  }
}

const sha256 = async (bytes: ArrayBuffer): Promise<string> =>
  Array.from(new Uint8Array(await crypto.subtle.digest('SHA-256', bytes)), (byte) =>
    byte.toString(16).padStart(2, '0'),
  ).join('')
