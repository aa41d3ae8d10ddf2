import { elementSpec, nodeName, propertiesOf } from '../elements'
import { styleProperty } from '../styles'
import type { Edit } from './edits'
import { find, type Layout, type TreeNode } from '../tree'

function what(node: TreeNode | undefined): string {
  if (!node) return 'something'
  return node.name || node.kind === 'element' ? nodeName(node) : node.kind
}

const named = (layout: Layout, id: string) => what(find(layout, id)?.node)

/** An edit in a few words, for the undo button and the notes: "Level of Heading". `layout` names what it is about. */
export function describeEdit(edit: Edit, layout: Layout): string {
  switch (edit.kind) {
    case 'insert':
      return `add ${what(edit.node)}`
    case 'remove':
      return `remove ${named(layout, edit.id)}`
    case 'move':
      return `move ${named(layout, edit.id)}`
    case 'rename':
      return edit.id === layout.id ? 'rename the layout' : 'rename'
    case 'setSpans':
      return `spans ${edit.spans.join(' + ')}`
    case 'setStyle':
      return `${styleProperty(edit.property)?.label ?? edit.property} of ${named(layout, edit.id)}`
    case 'setDefault':
      return `${styleProperty(edit.property)?.label ?? edit.property} of every ${elementSpec(edit.of)?.name ?? edit.of}`
    case 'setProperty': {
      const node = find(layout, edit.id)?.node
      const property = node && propertiesOf(node)[edit.property]
      return `${property?.label ?? edit.property} of ${what(node)}`
    }
    case 'batch':
      return edit.label === 'step' && edit.edits[0] ? describeEdit(edit.edits[0], layout) : edit.label
  }
}
