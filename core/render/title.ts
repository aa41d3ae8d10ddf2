import { elementSpec } from '../elements'
import type { DrawnTree } from '../layouts'
import { tally } from '../tree'

const titles = tally((node) => (node.kind === 'element' && elementSpec(node.type)?.titles?.(node) ? 1 : 0))

/** True when what is drawn of a layout says the title of its page. */
export const hasTitle = (tree: DrawnTree): boolean => titles(tree) > 0
