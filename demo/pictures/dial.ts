import type { Chance } from './chance'
import { circle, line, n, path, polar, stroke, words } from './svg'

export interface Ink {
  ground: string
  wood: string
  shade: string
  brass: string
  face: string
  ink: string
  spot: string
}

const ROMAN = ['XII', 'I', 'II', 'III', 'IIII', 'V', 'VI', 'VII', 'VIII', 'IX', 'X', 'XI']

function minutes(cx: number, cy: number, r: number, ink: string): string {
  let d = ''
  for (let i = 0; i < 60; i++) {
    const [x1, y1] = polar(cx, cy, r * (i % 5 ? 0.93 : 0.9), i / 60)
    const [x2, y2] = polar(cx, cy, r * 0.96, i / 60)
    d += `M${n(x1)} ${n(y1)}L${n(x2)} ${n(y2)}`
  }
  return path(d, 'none', stroke(ink, r * 0.011))
}

function hours(cx: number, cy: number, r: number, ink: string, style: string): string {
  let out = ''
  for (let i = 0; i < 12; i++) {
    if (style === 'batons') {
      out += line(
        polar(cx, cy, r * 0.7, i / 12),
        polar(cx, cy, r * (i % 3 ? 0.82 : 0.84), i / 12),
        ink,
        r * (i % 3 ? 0.025 : 0.05),
      )
    } else if (style === 'dots') {
      const [x, y] = polar(cx, cy, r * 0.78, i / 12)
      out += circle(x, y, r * (i % 3 ? 0.025 : 0.045), ink)
    } else {
      const [x, y] = polar(cx, cy, r * 0.75, i / 12)
      const turned = ` transform="rotate(${i * 30} ${n(x)} ${n(y)})" font-weight="600"`
      out += words(x, y + r * 0.07, r * 0.19, ink, ROMAN[i]!, turned)
    }
  }
  return out
}

/** A hand that tapers to its tip, with a spade for the hour. */
function hand(
  cx: number,
  cy: number,
  length: number,
  width: number,
  turn: number,
  ink: string,
  spade: boolean,
): string {
  const l = n(-length)
  const head = spade
    ? `M0 ${n(-length * 0.62)}C${n(-width * 3.4)} ${n(-length * 0.7)} ${n(-width * 2.2)} ${n(-length * 0.86)} 0 ${l}C${n(width * 2.2)} ${n(-length * 0.86)} ${n(width * 3.4)} ${n(-length * 0.7)} 0 ${n(-length * 0.62)}Z`
    : ''
  const body = `M${n(-width)} ${n(length * 0.16)}L${n(-width * 0.4)} ${n(-length * (spade ? 0.7 : 1))}L${n(width * 0.4)} ${n(-length * (spade ? 0.7 : 1))}L${n(width)} ${n(length * 0.16)}Z`
  return path(body + head, ink, ` transform="translate(${n(cx)} ${n(cy)}) rotate(${n(turn * 360)})"`)
}

/** A clock dial with its hands, at a time that chance chooses. */
export function dial(cx: number, cy: number, r: number, ink: Ink, chance: Chance): string {
  const style = chance.pick(['roman', 'roman', 'batons', 'dots'])
  const hour = Math.floor(chance.between(8, 11)) + 0.1
  const minute = chance.between(0.1, 0.26)
  const ring = chance.pick([0.62, 0.58, 0])
  const subsidiary = chance.next() > 0.6
  const small = subsidiary
    ? circle(cx, cy + r * 0.34, r * 0.17, 'none', stroke(ink.ink, r * 0.012)) +
      line([cx, cy + r * 0.34], polar(cx, cy + r * 0.34, r * 0.14, chance.next()), ink.ink, r * 0.014)
    : ''
  return (
    circle(cx, cy, r * 1.08, ink.brass) +
    circle(cx, cy, r * 1.02, ink.shade) +
    circle(cx, cy, r, ink.face) +
    circle(cx, cy, r * 0.97, 'none', stroke(ink.ink, r * 0.008)) +
    (ring ? circle(cx, cy, r * ring, 'none', stroke(ink.ink, r * 0.008)) : '') +
    minutes(cx, cy, r, ink.ink) +
    hours(cx, cy, r, ink.ink, style) +
    small +
    hand(cx, cy, r * 0.55, r * 0.035, (hour + minute) / 12, ink.ink, true) +
    hand(cx, cy, r * 0.85, r * 0.026, minute, ink.ink, false) +
    circle(cx, cy, r * 0.06, ink.spot)
  )
}
