import { looksAskedOf } from '#core/elements'
import { type Box, type BoxOf, moveEdge, together } from '#core/editor'
import type { Edit } from '#core/layouts'
import { type Row, type TreeNode, childrenOf } from '#core/tree'
import { type StyleProperty, refuseStyle, styleProperty } from '#core/styles'
import { useBench } from '~/stores/bench'

/** An edge on the page that is taken hold of to size something. */
export interface SizeHandle {
  key: string
  label: string
  /** Where it lies, in pixels of the page. */
  x: number
  y: number
  /** Which way it is dragged, and whether towards the beginning makes it more. */
  along: 'x' | 'y'
  turned: boolean
  value: number
  unit: string
  /** Pixels of the page to one unit of the value. */
  per: number
  /** The space that it measures. */
  space?: Box
  set(value: number): void
}

const SIDES = [
  ['Top', 'y', 1],
  ['Right', 'x', -1],
  ['Bottom', 'y', -1],
  ['Left', 'x', 1],
] as const

/** The sort of sides that a property is one of: `padding` of `paddingTop`. */
export const sidesOf = (property: string): string => property.replace(/(Top|Right|Bottom|Left)$/, '')

/** The middle of a side of a box, so far inside it. */
function onSide(box: Box, side: string, inside: number): { x: number; y: number } {
  const middle = { x: box.x + box.width / 2, y: box.y + box.height / 2 }
  if (side === 'Top') return { ...middle, y: box.y + inside }
  if (side === 'Bottom') return { ...middle, y: box.y + box.height - inside }
  if (side === 'Left') return { ...middle, x: box.x + inside }
  return { ...middle, x: box.x + box.width - inside }
}

/** The strip along a side of a box, so deep; outside of it where `depth` is less than nothing. */
function strip(box: Box, side: string, depth: number): Box {
  const { x, y, width, height } = box
  const [deep, out] = [Math.abs(depth), depth < 0]
  if (side === 'Top') return { x, y: out ? y - deep : y, width, height: deep }
  if (side === 'Bottom') return { x, y: out ? y + height : y + height - deep, width, height: deep }
  if (side === 'Left') return { x: out ? x - deep : x, y, width: deep, height }
  return { x: out ? x + width : x + width - deep, y, width: deep, height }
}

/** On things smaller than this on the screen, in pixels, handles stand outside, so that none lies over the words. */
const SMALL = 56
const OUTSIDE = 9

/** The edges of the thing in hand that can be taken hold of, where they are drawn now, on a page shown at a scale. */
export function useSizeHandles(
  node: TreeNode,
  boxOf: BoxOf,
  scale: number,
  drawn: (property: string) => number,
): SizeHandle[] {
  const bench = useBench()
  const box = boxOf(node.id)
  if (!box) return []
  const small = { x: box.width * scale < SMALL, y: box.height * scale < SMALL }
  const asked = new Set(looksAskedOf(node).map((p) => p.name))

  /** The four sides where they are joined, else the one. */
  function withJoined(property: StyleProperty): StyleProperty[] {
    const sides = sidesOf(property.name)
    if (!bench.joined.has(sides)) return [property]
    return SIDES.flatMap(([side]) => styleProperty(sides + side) ?? []).filter((p) => asked.has(p.name))
  }

  function setLook(property: StyleProperty, value: number): void {
    const rounded = Math.round(value)
    const kept =
      property.ask.kind === 'length' ? Math.max(property.ask.min, Math.min(property.ask.max, rounded)) : rounded
    if (refuseStyle(property, kept) !== null) return
    const edits = withJoined(property).map(({ name }): Edit => {
      return { kind: 'setStyle', id: node.id, property: name, step: bench.step, value: kept }
    })
    bench.apply(together('step', edits))
  }

  function look(name: string, at: { x: number; y: number }, more: Partial<SizeHandle>): SizeHandle[] {
    const property = styleProperty(name)
    if (!property || !asked.has(name)) return []
    const value = Math.round(drawn(name))
    const set = (v: number) => setLook(property, v)
    return [
      { key: name, label: property.label, along: 'y', turned: false, unit: 'px', per: 1, value, set, ...at, ...more },
    ]
  }

  const paddings = SIDES.flatMap(([side, along, sign]) => {
    const depth = drawn(`padding${side}`)
    return look(`padding${side}`, onSide(box, side, small[along] ? -OUTSIDE / scale : depth), {
      along,
      turned: sign < 0,
      space: strip(box, side, depth),
    })
  })
  const margins = SIDES.filter(([side]) => side === 'Top' || side === 'Bottom').flatMap(([side, along, sign]) => {
    const depth = drawn(`margin${side}`)
    const at = onSide(box, side, small.y ? Math.min(-depth, -OUTSIDE / scale) : -depth)
    // Beside the middle, so that it never lies on the handle of the inside.
    return look(
      `margin${side}`,
      { ...at, x: box.x + box.width * 0.25 },
      { along, turned: sign > 0, space: strip(box, side, -depth) },
    )
  })
  const bottom = { x: box.x + box.width * 0.75, y: box.y + box.height + (small.y ? OUTSIDE / scale : 0) }
  const heights = asked.has('pictureHeight')
    ? look('pictureHeight', bottom, { value: Math.round(box.height) })
    : look('minHeight', bottom, { value: Math.round(box.height) })
  return [...paddings, ...margins, ...heights, ...gaps(), ...edges()]

  /** The space between the things in a column, or the columns of a row. */
  function gaps(): SizeHandle[] {
    const [a, b] = childrenOf(node).map((c) => boxOf(c.id))
    if (!a || !b) return []
    if (node.kind === 'row') {
      const at = { x: a.x + a.width, y: a.y + Math.min(a.height, b.height) * 0.8 }
      return b.x > a.x ? look('gap', at, { along: 'x', value: Math.round(b.x - a.x - a.width) }) : []
    }
    const at = { x: a.x + a.width * 0.5, y: a.y + a.height }
    return node.kind === 'column' ? look('flow', at, { value: Math.round(b.y - a.y - a.height) }) : []
  }

  /** The edges between columns that stand beside each other. */
  function edges(): SizeHandle[] {
    if (node.kind !== 'row') return []
    const unit = box!.width / 12
    return node.children.slice(0, -1).flatMap((column, i): SizeHandle[] => {
      const [a, b] = [boxOf(column.id), boxOf(node.children[i + 1]!.id)]
      if (!a || !b || b.x <= a.x) return []
      const set = (span: number) => void bench.apply(moveEdge(node as Row, i, Math.round(span) - column.span))
      const at = { x: (a.x + a.width + b.x) / 2, y: a.y + Math.min(a.height, b.height) / 2 }
      const label = `Edge between columns ${i + 1} and ${i + 2}`
      return [
        { key: `edge${i}`, label, ...at, along: 'x', turned: false, value: column.span, unit: 'of 12', per: unit, set },
      ]
    })
  }
}
