import { nodeName } from '#core/elements'
import { isPlace, pathIn } from '#core/layouts'
import { type Fill, type Layout, type TreeNode, childrenOf, find } from '#core/tree'
import { styleProperty } from '#core/styles'

const MOST_NAMED = 3

/** What places of pieces say themselves, in a few words. */
export function useFillWords() {
  /** Looks and parts by what they are of: "Size of Heading". */
  function looksIn(fills: readonly Fill[], tree: Layout, place: string): string {
    const words = fills.map((fill) => {
      const node = find(tree, pathIn(place, fill.id))?.node
      const what = fill.kind === 'setStyle' ? (styleProperty(fill.property)?.label ?? fill.property) : 'a part'
      return `${what} of ${node ? nodeName(node) : 'something'}`
    })
    const named = [...new Set(words)]
    return named.slice(0, MOST_NAMED).join(', ') + (named.length > MOST_NAMED ? ' and more' : '')
  }
  return { looksIn }
}

/** Something in a piece, where it is drawn. */
export interface ThingInPiece {
  path: string
  depth: number
  node: TreeNode
}

/** The rows and elements that are drawn of a place, without the columns between them. */
export function thingsIn(tree: Layout, place: string): ThingInPiece[] {
  const found: ThingInPiece[] = []
  const look = (node: Layout | TreeNode, depth: number): void => {
    for (const child of childrenOf(node)) {
      const inside = child.id.startsWith(pathIn(place, ''))
      const listed = inside && child.kind !== 'column' && child.kind !== 'place'
      if (listed) found.push({ path: child.id, depth, node: child })
      if (!isPlace(child)) look(child, listed ? depth + 1 : depth)
    }
  }
  look(tree, 0)
  return found
}
