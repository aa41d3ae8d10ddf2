// Whatever comes to read this file must know the package, which tells no types.
// eslint-disable-next-line @typescript-eslint/triple-slash-reference
/// <reference path="../types/wawoff2.d.ts" />
import { readFile } from 'node:fs/promises'
import { type Font, create } from 'fontkit'
import sharp from 'sharp'
import decompress from 'wawoff2/decompress.js'
import { escapeHtml } from '../../core/drawing'
import { CARD_SIZE, type SharedCard } from '../../core/machines'

/** The picture that is drawn where a page is shared that has none: its title, in the colours and the font of its layout. */

const EDGE = 84
const SIZES = [92, 78, 66, 56, 48] as const
const LEADING = 1.14
const MOST_LINES = 3
const SMALL = 32

/** A font at a weight, where it can be drawn at several. */
function weighed(font: Font, weight: number): Font {
  const axis = font.variationAxes.wght
  return axis ? font.getVariation({ wght: Math.min(axis.max, Math.max(axis.min, weight)) }) : font
}

const FONTS = new Map<string, Promise<Font>>()
const MOST_FONTS = 12

/** The font in a file; kept, since a site has few. */
function fontAt(path: string): Promise<Font> {
  let font = FONTS.get(path)
  if (!font) {
    if (FONTS.size >= MOST_FONTS) FONTS.clear()
    // Weights are told apart in fonts that are unpacked alone.
    font = readFile(path)
      .then(decompress)
      .then((bytes) => create(Buffer.from(bytes)) as Font)
    FONTS.set(path, font)
    font.catch(() => FONTS.delete(path))
  }
  return font
}

/** Words measured and drawn in a font at a size. */
class Setter {
  constructor(
    private readonly font: Font,
    readonly size: number,
  ) {}

  private get scale(): number {
    return this.size / this.font.unitsPerEm
  }

  width(text: string): number {
    return this.font.layout(text).advanceWidth * this.scale
  }

  /** A line of text as SVG, its left end at `x` and its base line at `y`; letters that the font lacks as the machine has them. */
  line(text: string, x: number, y: number, ink: string): string {
    const { glyphs, positions } = this.font.layout(text)
    if (glyphs.some((glyph) => glyph.id === 0))
      return `<text x="${x}" y="${y}" font-size="${this.size}" font-family="sans-serif" fill="${ink}">${escapeHtml(text)}</text>`
    let at = 0
    let paths = ''
    glyphs.forEach((glyph, i) => {
      const { xAdvance, xOffset, yOffset } = positions[i]!
      const path = glyph.path.toSVG()
      if (path) paths += `<path transform="translate(${at + xOffset} ${yOffset})" d="${path}"/>`
      at += xAdvance
    })
    return `<g fill="${ink}" transform="translate(${x} ${y}) scale(${this.scale} ${-this.scale})">${paths}</g>`
  }

  /** Words in lines no wider than so much; a word that is wider stands alone, cut. */
  lines(text: string, width: number): string[] {
    const lines: string[] = []
    for (const word of text.split(/\s+/).filter(Boolean)) {
      const last = lines.at(-1)
      const longer = last === undefined ? word : `${last} ${word}`
      if (last !== undefined && this.width(longer) <= width) lines[lines.length - 1] = longer
      else lines.push(this.cut(word, width))
    }
    return lines
  }

  cut(text: string, width: number): string {
    if (this.width(text) <= width) return text
    const letters = [...text]
    let [fits, over] = [1, letters.length]
    while (over - fits > 1) {
      const middle = (fits + over) >> 1
      if (this.width(`${letters.slice(0, middle).join('')}…`) <= width) fits = middle
      else over = middle
    }
    return `${letters.slice(0, fits).join('')}…`
  }
}

/** The largest size at which a title stands in its lines; the smallest cuts it. */
function setTitle(font: Font, title: string, width: number): { setter: Setter; lines: string[] } {
  for (const size of SIZES) {
    const setter = new Setter(font, size)
    const lines = setter.lines(title, width)
    if (lines.length <= MOST_LINES && !lines.some((line) => line.endsWith('…') && !title.endsWith('…')))
      return { setter, lines }
  }
  const setter = new Setter(font, SIZES.at(-1)!)
  const lines = setter.lines(title, width)
  const kept = lines.slice(0, MOST_LINES)
  if (lines.length > MOST_LINES) kept[MOST_LINES - 1] = setter.cut(`${kept[MOST_LINES - 1]!} …`, width)
  return { setter, lines: kept }
}

/** The picture as SVG, its letters as shapes. */
export async function cardSvg({ title, kind, below, ground, ink, weight }: SharedCard, font: string): Promise<string> {
  const { width, height } = CARD_SIZE
  const face = await fontAt(font)
  const wide = width - 2 * EDGE
  const { setter, lines } = setTitle(weighed(face, weight), title.trim() || below, wide)
  const small = new Setter(weighed(face, 450), SMALL)
  const step = setter.size * LEADING
  const first = (height - step * (lines.length - 1)) / 2 + setter.size * 0.3
  const words = lines.map((line, i) => setter.line(line, EDGE, Math.round(first + i * step), ink))
  const foot = height - EDGE
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}">` +
    `<rect width="${width}" height="${height}" fill="${ground}"/>` +
    `<path d="M${EDGE} ${foot - 62}H${width - EDGE}" stroke="${ink}" stroke-opacity=".35" stroke-width="2"/>` +
    (kind ? small.line(small.cut(kind, wide), EDGE, EDGE + SMALL, ink) : '') +
    words.join('') +
    small.line(small.cut(below, wide), EDGE, foot, ink) +
    '</svg>'
  )
}

/** The picture as PNG. */
export async function drawSharedCard(card: SharedCard, font: string): Promise<Buffer> {
  return sharp(Buffer.from(await cardSvg(card, font)))
    .png({ palette: true, colours: 64 })
    .toBuffer()
}
