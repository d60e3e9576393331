import { createRequire } from 'node:module'
import type { TDocumentDefinitions } from 'pdfmake/interfaces'

const require = createRequire(import.meta.url)
const face = (file: string) =>
  require.resolve(
    `@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-${file}-normal.woff`,
  )
const headFace = (file: string) =>
  require.resolve(`@fontsource/special-gothic/files/special-gothic-latin-${file}-normal.woff`)

/**
 * The printer, loaded with the first paper: a server starts sooner without it. Fonts come from the
 * packages shipped with the app; nothing is fetched.
 */
async function load() {
  const { default: pdfmake } = await import('pdfmake')
  pdfmake.setFonts({
    Text: {
      normal: face('400'),
      bold: face('700'),
      italics: face('400'),
      bolditalics: face('700'),
    },
    Head: {
      normal: headFace('500'),
      bold: headFace('700'),
      italics: headFace('500'),
      bolditalics: headFace('700'),
    },
  })
  pdfmake.setUrlAccessPolicy(() => false)
  pdfmake.setLocalAccessPolicy((path) => path.includes('@fontsource'))
  return pdfmake
}
let loaded: ReturnType<typeof load> | undefined

/**
 * Prints a document, with a file embedded in it where one is given: an associated file as ISO
 * 19005-3 wants one (its kind, its day and what it is to the paper). The mark of PDF/A itself is
 * left out: it says that the file was found to conform, and no validator was run.
 */
export async function printPdf(
  definition: TDocumentDefinitions,
  attachment?: { readonly name: string; readonly text: string },
): Promise<Buffer> {
  const pdfmake = await (loaded ??= load())
  if (!attachment) return pdfmake.createPdf(definition).getBuffer()
  const src = `data:application/json;base64,${Buffer.from(attachment.text).toString('base64')}`
  return pdfmake
    .createPdf({
      ...definition,
      files: {
        job: {
          src,
          name: attachment.name,
          type: 'application/json',
          relationship: 'Data',
          modifiedDate: new Date(),
          description: 'Everything recorded on this job, for import',
        },
      },
    } as TDocumentDefinitions)
    .getBuffer()
}
