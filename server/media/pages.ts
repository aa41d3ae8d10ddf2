import { PDFDocument } from 'pdf-lib'

/** How many pages a PDF has; null where it cannot be read, or says what cannot be. */
export async function countPages(bytes: Buffer): Promise<number | null> {
  try {
    const pdf = await PDFDocument.load(bytes, { ignoreEncryption: true, updateMetadata: false })
    const pages = pdf.getPageCount()
    return Number.isSafeInteger(pages) && pages > 0 ? pages : null
  } catch {
    // Whatever the library says of a file that it cannot read comes to the same: nothing is known.
    return null
  }
}
