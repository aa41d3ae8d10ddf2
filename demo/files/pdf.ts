/** A plain PDF (ISO 32000-1) of pages with lines of text, deterministic, in the fonts that every reader has. */

const [WIDTH, HEIGHT, EDGE] = [595, 842, 72]

export interface PdfLine {
  text: string
  /** In points. */
  size: number
  bold?: boolean
  /** Points to the line below. */
  gap: number
}

/** Letters as the standard encoding of PDF has them; others are written as a question mark. */
const letters = (text: string): string =>
  text
    .replace(/[‘’]/g, "'")
    .replace(/[“”]/g, '"')
    .replace(/[^\x20-\x7e\xa0-\xff]/g, '?')
    .replace(/[\\()]/g, '\\$&')

function pageOf(lines: readonly PdfLine[]): string {
  let y = HEIGHT - EDGE
  let drawn = ''
  for (const { text, size, bold, gap } of lines) {
    drawn += `BT /${bold ? 'B' : 'R'} ${size} Tf ${EDGE} ${y} Td (${letters(text)}) Tj ET\n`
    y -= gap
  }
  return `${drawn}0.7 G 0.5 w ${EDGE} ${EDGE - 18} m ${WIDTH - EDGE} ${EDGE - 18} l S`
}

/** Breaks words into lines of about so many letters. */
export function brokenInto(text: string, letters: number): string[] {
  const lines: string[] = ['']
  for (const word of text.split(/\s+/)) {
    const last = lines.at(-1)!
    if (last && last.length + word.length >= letters) lines.push(word)
    else lines[lines.length - 1] = last ? `${last} ${word}` : word
  }
  return lines
}

/** The bytes of a PDF, one page for each list of lines. */
export function pdf(pages: readonly (readonly PdfLine[])[]): Buffer {
  const objects: string[] = []
  const add = (body: string) => objects.push(body)
  const kids = pages.map((_, i) => `${5 + i * 2} 0 R`)
  add('<</Type/Catalog/Pages 2 0 R>>')
  add(`<</Type/Pages/Count ${pages.length}/Kids[${kids.join(' ')}]>>`)
  for (const font of ['Times-Roman', 'Times-Bold'])
    add(`<</Type/Font/Subtype/Type1/BaseFont/${font}/Encoding/WinAnsiEncoding>>`)
  pages.forEach((lines, i) => {
    const drawn = pageOf(lines)
    add(
      `<</Type/Page/Parent 2 0 R/MediaBox[0 0 ${WIDTH} ${HEIGHT}]/Resources<</Font<</R 3 0 R/B 4 0 R>>>>/Contents ${6 + i * 2} 0 R>>`,
    )
    add(`<</Length ${drawn.length}>>stream\n${drawn}\nendstream`)
  })
  let out = '%PDF-1.4\n'
  const at = objects.map((body, i) => {
    const begins = out.length
    out += `${i + 1} 0 obj${body}endobj\n`
    return begins
  })
  const table = at.map((n) => `${String(n).padStart(10, '0')} 00000 n \n`).join('')
  const size = objects.length + 1
  out += `xref\n0 ${size}\n0000000000 65535 f \n${table}trailer<</Size ${size}/Root 1 0 R>>\nstartxref\n${out.length}\n%%EOF\n`
  return Buffer.from(out, 'latin1')
}
