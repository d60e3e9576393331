/** The Exif block of a photograph that says it was taken at 52.5 N, 1.25 E. */
export function exifOfPlace(): Buffer {
  const tiff = Buffer.alloc(132)
  let at = 0
  const u16 = (value: number) => {
    at = tiff.writeUInt16LE(value, at)
  }
  const u32 = (value: number) => {
    at = tiff.writeUInt32LE(value, at)
  }
  const letter = (text: string) => {
    tiff.write(`${text}\0`, at, 'latin1')
    at += 4
  }
  tiff.write('II', 0, 'latin1')
  at = 2
  u16(42)
  u32(8)
  u16(1)
  u16(0x8825)
  u16(4)
  u32(1)
  u32(26)
  u32(0)
  const figures = 26 + 2 + 4 * 12 + 4
  u16(4)
  u16(1)
  u16(2)
  u32(2)
  letter('N')
  u16(2)
  u16(5)
  u32(3)
  u32(figures)
  u16(3)
  u16(2)
  u32(2)
  letter('E')
  u16(4)
  u16(5)
  u32(3)
  u32(figures + 24)
  u32(0)
  for (const figure of [52, 1, 30, 1, 0, 1, 1, 1, 15, 1, 0, 1]) u32(figure)
  return Buffer.concat([Buffer.from('Exif\0\0', 'latin1'), tiff])
}

/** A JPEG with an Exif block put in after its first two bytes. */
export function withExif(jpeg: Buffer, exif: Buffer): Buffer {
  const length = Buffer.alloc(2)
  length.writeUInt16BE(exif.length + 2)
  return Buffer.concat([
    jpeg.subarray(0, 2),
    Buffer.from([0xff, 0xe1]),
    length,
    exif,
    jpeg.subarray(2),
  ])
}
