import type { Property } from '../tree'
import type { ElementSpec } from './base'

/** One mark of the small drawing by which an element is known in the palette; units are of a sheet 48 by 32. */
export interface Mark {
  kind: 'line' | 'title' | 'box' | 'picture' | 'chip' | 'rule' | 'button'
  x: number
  y: number
  width: number
  height: number
}

const WIDTH = 48
const HEIGHT = 32

/** How much of the sheet the marks of a property take, and what they are. */
type Draw = (y: number) => Mark[]

const line = (y: number, width: number): Mark => ({ kind: 'line', x: 4, y, width, height: 2 })
const words: Draw = (y) => [line(y, 40), line(y + 5, 36), line(y + 10, 26)]

const BY_KIND: Partial<Record<Property['kind'], Draw>> = {
  rich: words,
  picture: (y) => [{ kind: 'picture', x: 4, y, width: 40, height: 20 }],
  field: (y) => [{ kind: 'chip', x: 4, y, width: 26, height: 7 }],
  menu: (y) => [line(y, 9), { ...line(y, 9), x: 17 }, { ...line(y, 9), x: 30 }],
  items: (y) => [line(y, 22), line(y + 6, 26), line(y + 12, 18)],
  type: (y) => [4, 18, 32].map((x) => ({ kind: 'picture', x, y, width: 12, height: 14 })),
  card: () => [],
}

/** A text is a title where it is what the element says, and a button where it leads somewhere. */
function wordMark(spec: ElementSpec, y: number): Mark {
  const { link } = spec.props
  if (link?.kind === 'link' && link.open) return { kind: 'button', x: 4, y, width: 24, height: 10 }
  return { kind: 'title', x: 4, y, width: 32, height: 4 }
}

function marksOf(spec: ElementSpec): Mark[] {
  if (spec.places) return [4, 13, 22].map((y) => ({ kind: 'box', x: 4, y, width: 40, height: 7 }))
  const marks: Mark[] = []
  let y = 4
  for (const property of Object.values(spec.props)) {
    const next =
      property.kind === 'text' && marks.length === 0 ? [wordMark(spec, y)] : (BY_KIND[property.kind]?.(y) ?? [])
    const end = Math.max(y, ...next.map((m) => m.y + m.height + 4))
    if (next.length === 0 || end > HEIGHT + 2) continue
    marks.push(...next)
    y = end
  }
  return marks
}

/** The small drawing of an element, made from what its spec says it holds; never empty. */
export function sketchOf(spec: ElementSpec): Mark[] {
  const marks = marksOf(spec)
  if (marks.length > 0) return marks
  if (spec.styles?.minHeight) return [{ kind: 'box', x: 14, y: 6, width: 20, height: 20 }]
  if (spec.group === 'Entry' || spec.madeOf?.includes('pictures')) {
    return spec.madeOf ? [{ kind: 'picture', x: 4, y: 4, width: 40, height: 24 }] : words(8)
  }
  return [{ kind: 'rule', x: 4, y: 15, width: WIDTH - 8, height: 1 }]
}
