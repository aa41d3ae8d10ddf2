/** Small pieces of SVG. Coordinates are in the picture's own units; colours are hex codes. */

export const n = (value: number): string => String(Math.round(value * 10) / 10)

export const polar = (cx: number, cy: number, r: number, turn: number): [number, number] => {
  const angle = (turn - 0.25) * 2 * Math.PI
  return [cx + r * Math.cos(angle), cy + r * Math.sin(angle)]
}

export function svg(width: number, height: number, ...parts: string[]): string {
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}">${parts.join('')}</svg>`
}

export const rect = (x: number, y: number, w: number, h: number, fill: string, more = ''): string =>
  `<rect x="${n(x)}" y="${n(y)}" width="${n(w)}" height="${n(h)}" fill="${fill}"${more}/>`

export const circle = (cx: number, cy: number, r: number, fill: string, more = ''): string =>
  `<circle cx="${n(cx)}" cy="${n(cy)}" r="${n(r)}" fill="${fill}"${more}/>`

export const path = (d: string, fill: string, more = ''): string => `<path d="${d}" fill="${fill}"${more}/>`

export const line = (a: [number, number], b: [number, number], stroke: string, width: number): string =>
  `<path d="M${n(a[0])} ${n(a[1])}L${n(b[0])} ${n(b[1])}" stroke="${stroke}" stroke-width="${n(width)}" stroke-linecap="round"/>`

export const stroke = (colour: string, width: number): string => ` stroke="${colour}" stroke-width="${n(width)}"`

export const words = (x: number, y: number, size: number, fill: string, text: string, more = ''): string =>
  `<text x="${n(x)}" y="${n(y)}" font-size="${n(size)}" fill="${fill}" text-anchor="middle" font-family="Georgia,'Times New Roman',serif"${more}>${text}</text>`
