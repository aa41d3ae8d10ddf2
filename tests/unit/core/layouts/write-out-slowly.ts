import type { Fill, Layout } from '#core/tree'

/** The obvious twin of `writtenOut`: pieces copied into a copy of the whole tree, and what places say written over them. */

interface Plain {
  id: string
  kind: string
  type?: string
  props?: Record<string, unknown>
  styles?: Record<string, Record<string, unknown>>
  looks?: Record<string, Record<string, Record<string, unknown>>>
  hides?: string[]
  when?: unknown[]
  gives?: unknown
  open?: string[]
  fills?: Fill[]
  defaults?: object
  children?: Plain[]
}

const all = (node: Plain): Plain[] => [node, ...(node.children ?? []).flatMap(all)]
const isNothing = (value: object | undefined) => Object.keys(value ?? {}).length === 0
const says = (box: Plain) => !isNothing(box.props) || !isNothing(box.styles) || Boolean(box.when) || Boolean(box.gives)

/** Writes over a thing what a place says of it. */
function sayIt(root: Plain, fill: Fill): void {
  const node = all(root).find((n) => n.id === fill.id)
  if (!node) return
  if (fill.kind === 'setProperty') {
    if (!node.open?.includes(fill.property)) return
    if (fill.unset) delete node.props![fill.property]
    else node.props![fill.property] = fill.value
  } else if (fill.kind === 'setStyle') {
    const stepped = (node.styles![fill.property] ??= {})
    if (fill.value === null) delete stepped[fill.step]
    else stepped[fill.step] = fill.value
    if (isNothing(stepped)) delete node.styles![fill.property]
  } else {
    const others = (node.hides ?? []).filter((p) => p !== fill.part)
    node.hides = fill.hidden ? [...others, fill.part].sort() : others
    if (node.hides.length === 0) delete node.hides
  }
}

/** The tree with all of its pieces in it; `path` are the pieces that it is drawn in. */
export function writeOutSlowly(layouts: readonly Layout[], id: string): Layout {
  const docs = new Map(layouts.map((l) => [l.id, l]))
  const drawn = (layout: Layout): Plain => {
    const root = structuredClone(layout) as unknown as Plain
    expand(root)
    return root
  }
  const at = (place: Plain): Plain | null => {
    const piece = docs.get(String(place.props?.piece))
    if (piece?.region !== 'piece') return null
    const root = drawn(piece)
    for (const fill of place.fills ?? []) sayIt(root, fill)
    return root
  }
  const named = (place: Plain, nodes: Plain[]): Plain[] =>
    nodes.map((top) => {
      for (const node of all(top)) {
        node.id = `${place.id}.${node.id}`
      }
      if (place.when) top.when = [...place.when, ...(top.when ?? [])]
      return top
    })
  const bare = ({ children = [] }: Plain): Plain[] | null => {
    const [row] = children
    const column = row?.children?.[0]
    return children.length === 1 && row!.children!.length === 1 && !says(row!) && !says(column!)
      ? column!.children!
      : null
  }
  const expand = (node: Plain): void => {
    node.children = node.children?.flatMap((child) => {
      const alone = child.kind === 'row' && bare({ children: [child] } as Plain)
      if (alone && alone.length === 1 && alone[0]!.type === 'piece') {
        const root = at(alone[0]!)
        if (root && !bare(root)) return named(alone[0]!, root.children!)
      }
      if (child.type === 'piece' && child.kind === 'element') {
        const root = at(child)
        return root ? named(child, bare(root) ?? root.children!) : [child]
      }
      expand(child)
      return [child]
    })
    if (!node.children) delete node.children
  }
  return drawn(docs.get(id)!) as unknown as Layout
}
