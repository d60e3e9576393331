import { createHash } from 'node:crypto'
import { readdirSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import sharp from 'sharp'
import { exifOfPlace } from '../../../e2e/exif'
import { Bench } from '../app/app.testing'

let bench: Bench
beforeEach(async () => {
  bench = new Bench()
  await bench.open()
})
afterEach(() => bench.end())

const hashOf = (bytes: Buffer) => createHash('sha256').update(bytes).digest('hex')
const put = (bytes: Buffer) =>
  bench.send('PUT', `/evidence/${hashOf(bytes)}`, bytes, {
    'content-type': 'application/octet-stream',
  })
const files = () => readdirSync(join(bench.folder, 'evidence'))
const blank = (width: number, height: number, channels: 3 | 4 = 3) =>
  sharp({
    create: { width, height, channels, background: { r: 120, g: 130, b: 140, alpha: 0.5 } },
    limitInputPixels: false,
  })
const noisy = async (format: 'png' | 'jpeg' | 'webp') =>
  sharp({
    create: {
      width: 300,
      height: 200,
      channels: 3,
      background: '#fff',
      noise: { type: 'gaussian', mean: 128, sigma: 60 },
    },
  })
    .toFormat(format)
    .toBuffer()

describe('a picture is unpacked before it is kept', () => {
  test.each(['png', 'jpeg', 'webp'] as const)('a whole %s is kept', async (format) => {
    expect((await put(await noisy(format))).status).toBe(201)
  })
  test.each(['png', 'jpeg', 'webp'] as const)('one %s that is cut off is not', async (format) => {
    const whole = await noisy(format)
    expect(await put(whole.subarray(0, Math.floor(whole.length * 0.6)))).toMatchObject({
      status: 400,
      body: { code: 'not-evidence', says: expect.stringMatching(/cut off/) as string },
    })
    expect(files()).toEqual([])
  })
  test('a transparent one that is cut off neither', async () => {
    const whole = await blank(400, 300, 4).png({ compressionLevel: 0 }).toBuffer()
    expect((await put(whole.subarray(0, whole.length - 4000))).status).toBe(400)
  })
  test('one of 144 million pixels is refused, though its file is small', async () => {
    const huge = await blank(12_000, 12_000).png({ compressionLevel: 9 }).toBuffer()
    expect(huge.length).toBeLessThan(2_000_000)
    expect(await put(huge)).toMatchObject({
      status: 400,
      body: { says: expect.stringMatching(/144 million pixels; at most 50/) as string },
    })
  }, 30_000)
  test.each(['jpeg', 'png', 'webp'] as const)(
    'a %s that says where it was taken is refused',
    async (format) => {
      const placed = await blank(60, 40)
        .toFormat(format)
        .withExif({
          IFD3: {
            GPSLatitudeRef: 'N',
            GPSLatitude: '51/1 30/1 0/1',
            GPSLongitudeRef: 'E',
            GPSLongitude: '0/1 7/1 0/1',
          },
        })
        .toBuffer()
      expect(exifOfPlace().length).toBeGreaterThan(0)
      expect(await put(placed)).toMatchObject({
        status: 400,
        body: { says: expect.stringMatching(/where it was taken/) as string },
      })
    },
  )
  test('a paper that ends too early, or says where it was made, is refused', async () => {
    expect((await put(Buffer.from('%PDF-1.7\n1 0 obj'))).status).toBe(400)
    const placed = Buffer.from('%PDF-1.7 <exif:GPSLatitude>51</exif:GPSLatitude> startxref 0 %%EOF')
    expect((await put(placed)).body.says).toMatch(/where it was taken/)
  })
})

test('six hands that send one file at once all have it kept, once', async () => {
  const photo = await noisy('jpeg')
  const answers = await Promise.all(Array.from({ length: 6 }, () => put(photo)))
  expect(answers.map((answer) => answer.status)).toEqual([201, 201, 201, 201, 201, 201])
  expect(files()).toEqual([hashOf(photo)])
})

describe('a file that goes bad on the disk', () => {
  test.each([
    ['missing', (path: string) => rmSync(path)],
    ['rotten', (path: string) => writeFileSync(path, 'rot')],
  ])('is said to be, never served, and healed by the next upload: %s', async (_, spoil) => {
    const photo = await noisy('png')
    const hash = hashOf(photo)
    await put(photo)
    expect((await bench.send('GET', `/evidence/${hash}`)).raw).toEqual(photo)
    spoil(join(bench.folder, 'evidence', hash))
    expect(await bench.send('GET', `/evidence/${hash}`)).toMatchObject({
      status: 410,
      body: { code: 'evidence-damaged', says: expect.stringMatching(/heals it/) as string },
    })
    expect((await put(photo)).status).toBe(201)
    expect((await bench.send('GET', `/evidence/${hash}`)).raw).toEqual(photo)
  })
  test('halves that a crash left are taken away at the next start', async () => {
    await bench.close()
    writeFileSync(join(bench.folder, 'evidence', 'abc.part'), 'half')
    await bench.open()
    expect(files()).toEqual([])
  })
})

test('what was uploaded is never a page of its own', async () => {
  const photo = await noisy('png')
  await put(photo)
  const { headers } = await bench.send('GET', `/evidence/${hashOf(photo)}`)
  expect(headers).toMatchObject({
    'content-disposition': 'attachment',
    'x-content-type-options': 'nosniff',
    'content-security-policy': "default-src 'none'",
  })
})
