import type { Id } from '../site'
import { type Layout, type Parent, type TreeNode, childrenOf, walk } from '../tree'

interface Noted {
  node: TreeNode
  /** Id of what holds it. */
  parent: Id
}

/**
 * A layout that is being changed: everything can be found by its id at once, and what is written to is copied
 * first, with all above it, so that the layout it was made from stays as it was and shares all else.
 */
export class LayoutDraft {
  private readonly places = new Map<Id, Noted>()
  private readonly copied = new Set<object>()
  private root: Layout

  constructor(layout: Layout) {
    this.root = layout
    this.note(layout)
  }

  get layout(): Layout {
    return this.root
  }

  private note(parent: Layout | TreeNode): void {
    for (const node of childrenOf(parent)) {
      this.places.set(node.id, { node, parent: parent.id })
      this.note(node)
    }
  }

  node(id: Id): TreeNode | undefined {
    return this.places.get(id)?.node
  }

  /** The layout itself, or something in it; undefined for what is not there. */
  holder(id: Id): Parent | undefined {
    return id === this.root.id ? this.root : this.node(id)
  }

  /** What holds a node, and where it stands in it. */
  placeOf(id: Id): { parent: Id; index: number } {
    const { node, parent } = this.places.get(id)!
    return { parent, index: childrenOf(this.holder(parent)!).indexOf(node) }
  }

  /** True when a holder is a node or stands inside it. */
  isWithin(holder: Id, node: Id): boolean {
    for (let at: Id | undefined = holder; at !== undefined; at = this.places.get(at)?.parent)
      if (at === node) return true
    return false
  }

  /** The layout, to be written to: its own list and defaults are copies. */
  writableLayout(): Layout {
    if (!this.copied.has(this.root)) {
      this.root = { ...this.root, children: [...this.root.children], defaults: { ...this.root.defaults } }
      this.copied.add(this.root)
    }
    return this.root
  }

  /** A node, to be written to: a copy of its own, and so is everything above it. */
  writable(id: Id): TreeNode {
    const place = this.places.get(id)!
    if (this.copied.has(place.node)) return place.node
    const siblings = this.childrenToWrite(place.parent)
    const { node } = place
    const copy = { ...node, props: { ...node.props }, styles: { ...node.styles } } as TreeNode
    if (copy.children) copy.children = [...copy.children] as never
    siblings[siblings.indexOf(node)] = copy
    this.copied.add(copy)
    place.node = copy
    return copy
  }

  /** The list of what something holds, to be written to; an element without places gets one. */
  private childrenToWrite(id: Id): TreeNode[] {
    const holder: Parent = id === this.root.id ? this.writableLayout() : this.writable(id)
    return (holder.children ??= []) as TreeNode[]
  }

  /** The first id in a node and all below it that stands here already. */
  taken(node: TreeNode): Id | undefined {
    if (this.places.has(node.id) || node.id === this.root.id) return node.id
    for (const { id } of walk(node)) if (this.places.has(id) || id === this.root.id) return id
    return undefined
  }

  put(parent: Id, index: number, node: TreeNode): void {
    this.childrenToWrite(parent).splice(index, 0, node)
    this.places.set(node.id, { node, parent })
    this.note(node)
  }

  take(id: Id): TreeNode {
    const { parent, index } = this.placeOf(id)
    const [node] = this.childrenToWrite(parent).splice(index, 1)
    const holder = this.holder(parent)!
    if (holder.kind === 'element' && holder.children?.length === 0) delete holder.children
    this.places.delete(id)
    for (const below of walk(node!)) this.places.delete(below.id)
    return node!
  }
}
