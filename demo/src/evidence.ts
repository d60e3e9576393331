import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Evidence } from '@hestian/core'

const folder = join(process.cwd(), 'demo/evidence')

/** A page of a maker's paper, all of it invented: the least a PDF can be. */
export function paperPdf(title: string, lines: readonly string[]): Buffer {
  const text = [title, '', ...lines]
    .map(
      (line, i) =>
        `BT /F1 ${i === 0 ? 18 : 11} Tf 56 ${770 - i * 20} Td (${line.replace(/[()\\]/g, '\\$&')}) Tj ET`,
    )
    .join('\n')
  const objects = [
    '<< /Type /Catalog /Pages 2 0 R >>',
    '<< /Type /Pages /Kids [3 0 R] /Count 1 >>',
    '<< /Type /Page /Parent 2 0 R /MediaBox [0 0 595 842] /Contents 4 0 R /Resources << /Font << /F1 5 0 R >> >> >>',
    `<< /Length ${text.length} >>\nstream\n${text}\nendstream`,
    '<< /Type /Font /Subtype /Type1 /BaseFont /Helvetica >>',
  ]
  let body = '%PDF-1.4\n'
  const offsets = objects.map((object, i) => {
    const at = body.length
    body += `${i + 1} 0 obj\n${object}\nendobj\n`
    return at
  })
  const table = offsets.map((at) => `${String(at).padStart(10, '0')} 00000 n \n`).join('')
  return Buffer.from(
    `${body}xref\n0 ${objects.length + 1}\n0000000000 65535 f \n${table}trailer\n<< /Size ${objects.length + 1} /Root 1 0 R >>\nstartxref\n${body.length}\n%%EOF\n`,
    'latin1',
  )
}

const page = (what: string, kind: 'Manual' | 'Installation instructions') =>
  paperPdf(`${kind}: ${what}`, [
    'Invented for a demonstration. No such appliance exists.',
    'Keep this paper with the appliance.',
    kind === 'Manual'
      ? 'Service once a year. Relief discharge must stay in sight.'
      : 'Clearances: 50 mm at the sides, 600 mm in front. Gas inlet as on the plate.',
  ])

const things = [
  'system boiler',
  '300 L cylinder',
  'galley range',
  'drying cabinet',
  'bunkhouse boiler',
  'instantaneous heater',
  '170 L storage heater',
  'kiosk cooktop',
] as const
export type PaperOf = (typeof things)[number]

const fileName = (thing: PaperOf, kind: 'manual' | 'installation') =>
  `${thing.toLowerCase().replaceAll(' ', '-')}-${kind}.pdf`

/** The papers of the demo by file name. */
export const demoPapers = (): Readonly<Record<string, Buffer>> =>
  Object.fromEntries(
    things.flatMap((thing) => [
      [fileName(thing, 'manual'), page(thing, 'Manual')],
      [fileName(thing, 'installation'), page(thing, 'Installation instructions')],
    ]),
  )

const evidence = (name: string, type: Evidence['type'], bytes: Buffer): Evidence => ({
  hash: createHash('sha256').update(bytes).digest('hex'),
  type,
  name,
  bytes: bytes.length,
})

/** Both papers of an appliance, as its document names them. */
export const papersOf = (thing: PaperOf) => ({
  manual: evidence(fileName(thing, 'manual'), 'application/pdf', page(thing, 'Manual')),
  installation: evidence(
    fileName(thing, 'installation'),
    'application/pdf',
    page(thing, 'Installation instructions'),
  ),
  charts: null,
})

/** A drawn photograph that lies in demo/evidence. */
export const photo = (name: string): Evidence =>
  evidence(name, 'image/png', readFileSync(join(folder, name)))
