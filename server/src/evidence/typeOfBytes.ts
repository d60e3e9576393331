import type { Evidence } from '@hestian/core'

export type EvidenceType = Evidence['type']

/** What a file is by its first bytes, whatever it calls itself. */
export function typeOfBytes(bytes: Buffer): EvidenceType | 'heic' | undefined {
  const ascii = (from: number, to: number) => bytes.subarray(from, to).toString('latin1')
  if (bytes[0] === 0xff && bytes[1] === 0xd8 && bytes[2] === 0xff) return 'image/jpeg'
  if (ascii(1, 4) === 'PNG' && bytes[0] === 0x89) return 'image/png'
  if (ascii(0, 4) === 'RIFF' && ascii(8, 12) === 'WEBP') return 'image/webp'
  if (ascii(0, 5) === '%PDF-') return 'application/pdf'
  if (ascii(4, 8) === 'ftyp' && /^(heic|heix|hevc|mif1|msf1|avif)/.test(ascii(8, 12))) return 'heic'
  return undefined
}
