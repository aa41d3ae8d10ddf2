import type { Id } from '../model'
import { type Layout, type Noted, type Parent, type TreeNode, childrenOf, passOn, standingsOf, walk } from '../tree'
import { fail } from '../problems'

/**
 * A layout that is being changed: everything can be found by its id at once, and what is written to is copied
 * first, with all above it, so that the layout it was made from stays as it was and shares all else.
 */
export class LayoutDraft {
  private readonly before: ReadonlyMap<Id, Noted>
  /** What stands elsewhere or is another copy than before; null for what is gone. */
  private readonly changes = new Map<Id, Noted | null>()
  private readonly copied = new Set<object>()
  private root: Layout
  /** Ids of what was put somewhere, new or moved. */
  readonly put = new Set<Id>()

  constructor(readonly from: Layout) {
    this.root = from
    this.before = standingsOf(from)
  }

  get layout(): Layout {
    return this.root
  }

  private noted(id: Id): Noted | undefined {
    const changed = this.changes.get(id)
    return changed === undefined ? this.before.get(id) : (changed ?? undefined)
  }

  node(id: Id): TreeNode | undefined {
    return this.noted(id)?.node
  }

  /** The layout itself, or something in it; undefined for what is not there. */
  holder(id: Id): Parent | undefined {
    return id === this.root.id ? this.root : this.node(id)
  }

  /** What holds a node, and where it stands in it. */
  placeOf(id: Id): { parent: Id; index: number } {
    const { node, parent } = this.noted(id)!
    return { parent, index: childrenOf(this.holder(parent)!).indexOf(node) }
  }

  /** The node and all that holds it, outermost last. */
  *upFrom(id: Id): Generator<TreeNode> {
    for (let at = this.noted(id); at; at = this.noted(at.parent)) yield at.node
  }

  /** True when a holder is a node or stands inside it. */
  isWithin(holder: Id, node: Id): boolean {
    for (const above of this.upFrom(holder)) if (above.id === node) return true
    return false
  }

  /** Everything that was written to and is still there. */
  *written(): Generator<TreeNode> {
    for (const noted of this.changes.values()) if (noted && this.copied.has(noted.node)) yield noted.node
  }

  /** The layout, to be written to: its own list is a copy. */
  writableLayout(): Layout {
    if (!this.copied.has(this.root)) {
      this.root = { ...this.root, children: [...this.root.children] }
      this.copied.add(this.root)
    }
    return this.root
  }

  /**
   * A node, to be written to: a copy of its own, and so is everything above it. Of what it holds only the list of
   * its children is a copy too; what else is written to is to be replaced.
   */
  writable(id: Id): TreeNode {
    const { node, parent } = this.noted(id)!
    if (this.copied.has(node)) return node
    const siblings = this.childrenToWrite(parent)
    const copy = { ...node } as TreeNode
    if (copy.children) copy.children = [...copy.children] as never
    siblings[siblings.indexOf(node)] = copy
    this.copied.add(copy)
    this.changes.set(id, { node: copy, parent })
    return copy
  }

  /** The list of what something holds, to be written to; an element without places gets one. */
  private childrenToWrite(id: Id): TreeNode[] {
    const holder: Parent = id === this.root.id ? this.writableLayout() : this.writable(id)
    return (holder.children ??= []) as TreeNode[]
  }

  /** Notes a node and all that it holds; an id that stands here already is refused. */
  private note(node: TreeNode, parent: Id): void {
    if (this.noted(node.id) || node.id === this.root.id) fail('id-taken', { id: node.id })
    this.changes.set(node.id, { node, parent })
    for (const child of childrenOf(node)) this.note(child, node.id)
  }

  putAt(parent: Id, index: number, node: TreeNode): void {
    this.note(node, parent)
    this.childrenToWrite(parent).splice(index, 0, node)
    this.put.add(node.id)
  }

  take(id: Id): TreeNode {
    const { parent, index } = this.placeOf(id)
    const [node] = this.childrenToWrite(parent).splice(index, 1)
    const holder = this.holder(parent)!
    if (holder.kind === 'element' && holder.children?.length === 0) delete holder.children
    this.changes.set(id, null)
    for (const below of walk(node!)) this.changes.set(below.id, null)
    return node!
  }

  /** How many nodes there are now. */
  count(): number {
    let count = this.before.size
    for (const [id, noted] of this.changes) {
      if (this.before.has(id) && !noted) count--
      if (!this.before.has(id) && noted) count++
    }
    return count
  }

  /** Whether an element of a type stands here besides one. */
  hasAnother(element: TreeNode & { kind: 'element' }): boolean {
    const same = ({ node }: Noted) => node.kind === 'element' && node.type === element.type && node.id !== element.id
    for (const noted of this.changes.values()) if (noted && same(noted)) return true
    for (const noted of this.before.values()) if (!this.changes.has(noted.node.id) && same(noted)) return true
    return false
  }

  /** Hands over what is known of where things stand, when this is taken over. */
  done(): Layout {
    passOn(this.from, this.root, this.changes)
    return this.root
  }
}
