import { isRecord } from '../shape'
import { FILLED, OUTLINED, PLAIN_HOUSE } from './house'

/** A button of the first format had one look, which its outlined sort took its rounding from. */
function looksOfButton(button: unknown): unknown[] {
  const { background, colour, radius } = isRecord(button) ? button : {}
  const all = (value: unknown) => ({ wide: value })
  const painted = { colour: all(colour), background: all(background), edgeColour: all(background) }
  return [
    { ...FILLED, styles: { ...FILLED.styles, ...painted, radius: all(radius) } },
    { ...OUTLINED, styles: { ...OUTLINED.styles, radius: all(radius) } },
  ]
}

/** A house style of the first format as one of the second: everything drawn with it looks as it did. */
function fromFirst({ headingSizes, link, button, ...same }: Record<string, unknown>): unknown {
  const [h1, h2, h3, h4] = Array.isArray(headingSizes) ? (headingSizes as unknown[]) : []
  const { dark, fonts, scale, tables, quotes } = PLAIN_HOUSE
  return {
    ...same,
    format: 2,
    dark,
    fonts,
    interfaceFamily: same.textFamily,
    scale: { ratio: scale.ratio, byHand: { h1, h2, h3, h4 } },
    links: { colour: link, line: 'always' },
    looks: looksOfButton(button),
    fields: { background: '#ffffff', colour: '#1f2328', edge: same.ink, radius: 0 },
    tables,
    quotes,
  }
}

/** A house style as it is stored, of whatever format, as one of the latest. What is none is given back as it is. */
export function houseUpToDate(stored: unknown): unknown {
  return isRecord(stored) && stored.format === 1 ? fromFirst(stored) : stored
}
