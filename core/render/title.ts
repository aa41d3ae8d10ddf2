import type { DrawnTree } from '../layouts'
import { walk } from '../tree'

const KNOWN = new WeakMap<DrawnTree, boolean>()

/** True when what is drawn of a layout holds a heading of level 1. */
export function hasTitle(tree: DrawnTree): boolean {
  let titled = KNOWN.get(tree)
  if (titled === undefined) KNOWN.set(tree, (titled = holdsTitle(tree)))
  return titled
}

function holdsTitle(tree: DrawnTree): boolean {
  for (const node of walk(tree))
    if (node.kind === 'element' && node.type === 'heading' && node.props.level === '1') return true
  return false
}
