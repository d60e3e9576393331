import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'

/** All the text of a PDF, spaces folded. */
export async function textOfPdf(file: Buffer): Promise<string> {
  const pdf = await getDocument({ data: new Uint8Array(file), verbosity: 0 }).promise
  const pages = await Promise.all(
    Array.from({ length: pdf.numPages }, async (_, i) =>
      (await (await pdf.getPage(i + 1)).getTextContent()).items
        .map((item) => ('str' in item ? item.str : ''))
        .join(' '),
    ),
  )
  return pages.join(' ').replace(/\s+/g, ' ')
}
