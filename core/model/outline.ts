import type { Id } from './types'

/**
 * Trees that are edited as a list of lines, each so far indented: menus and terms. What is moved takes along all that
 * stands below it. Pure positions; what they mean for a document is for whoever edits it.
 */
export interface OutlineLine {
  id: Id
  parent: Id | null
  /** 0 for what stands at the top. */
  depth: number
}

/** Where something stands among those with the same parent, itself not counted. */
export interface OutlinePosition {
  parent: Id | null
  index: number
}

/** What has parents, as lines in the order of reading; what names a parent that is not there stands at the top. */
export function linesOf(items: readonly { id: Id; parent: Id | null }[]): OutlineLine[] {
  const known = new Set(items.map((i) => i.id))
  const below = new Map<Id | null, Id[]>()
  for (const { id, parent } of items) {
    const under = parent !== null && known.has(parent) ? parent : null
    const there = below.get(under)
    if (there) there.push(id)
    else below.set(under, [id])
  }
  const lines: OutlineLine[] = []
  const seen = new Set<Id>()
  const put = (parent: Id | null, depth: number): void => {
    for (const id of below.get(parent) ?? []) {
      if (seen.has(id)) continue
      seen.add(id)
      lines.push({ id, parent, depth })
      put(id, depth + 1)
    }
  }
  put(null, 0)
  return lines
}

/** How many lines belong to the one at `at`: itself and all below it. */
export function branchLength(lines: readonly OutlineLine[], at: number): number {
  let end = at + 1
  while (end < lines.length && lines[end]!.depth > lines[at]!.depth) end++
  return end - at
}

const siblings = (lines: readonly OutlineLine[], parent: Id | null): Id[] =>
  lines.filter((l) => l.parent === parent).map((l) => l.id)

export function spotOf(lines: readonly OutlineLine[], id: Id): OutlinePosition {
  const { parent } = lines.find((l) => l.id === id)!
  return { parent, index: siblings(lines, parent).indexOf(id) }
}

export type Nudge = 'up' | 'down' | 'in' | 'out'

/** How deep what stands at and below a line reaches, counted from the line itself. */
const reach = (lines: readonly OutlineLine[], at: number): number =>
  Math.max(...lines.slice(at, at + branchLength(lines, at)).map((l) => l.depth - lines[at]!.depth))

/**
 * Where a line goes by a key: among its like, below the one before it, or beside its parent; null where it cannot.
 * `most` is how many levels there may be.
 */
export function nudged(lines: readonly OutlineLine[], id: Id, nudge: Nudge, most: number): OutlinePosition | null {
  const { parent, index } = spotOf(lines, id)
  const like = siblings(lines, parent)
  if (nudge === 'up') return index > 0 ? { parent, index: index - 1 } : null
  if (nudge === 'down') return index < like.length - 1 ? { parent, index: index + 1 } : null
  if (nudge === 'out') {
    if (parent === null) return null
    const above = spotOf(lines, parent)
    return { parent: above.parent, index: above.index + 1 }
  }
  const before = like[index - 1]
  const at = lines.findIndex((l) => l.id === id)
  if (before === undefined || lines[at]!.depth + 1 + reach(lines, at) >= most) return null
  return { parent: before, index: siblings(lines, before).length }
}

/**
 * Where a line goes that is dragged above the line at `line` (or behind the last), so far indented. What cannot be is
 * brought to the nearest that can: no deeper than below the line before it, no less deep than the line after it.
 */
export function dropped(
  lines: readonly OutlineLine[],
  id: Id,
  line: number,
  depth: number,
  most: number,
): OutlinePosition | null {
  const from = lines.findIndex((l) => l.id === id)
  const length = branchLength(lines, from)
  if (line > from && line < from + length) return null
  const others = [...lines.slice(0, from), ...lines.slice(from + length)]
  const at = line > from ? line - length : line
  const before = others[at - 1]
  const deepest = Math.min(before ? before.depth + 1 : 0, most - 1 - reach(lines, from))
  const shallowest = others[at]?.depth ?? 0
  if (deepest < shallowest) return null
  const to = Math.max(shallowest, Math.min(deepest, depth))
  // The nearest line above that is one less deep holds it.
  const parent = to === 0 ? null : others.slice(0, at).findLast((l) => l.depth === to - 1)!.id
  const index = siblings(others.slice(0, at), parent).length
  const spot = { parent, index }
  const was = spotOf(lines, id)
  return was.parent === parent && was.index === index ? null : spot
}
