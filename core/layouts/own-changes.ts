import equal from 'fast-deep-equal'
import type { Id } from '../model'
import {
  type Change,
  type Defaults,
  type Fill,
  type Item,
  type Layout,
  type LayoutElement,
  type Noted,
  type Row,
  type Setting,
  STEPS,
  type WidthStep,
  type StyleValue,
  type Styles,
  type TreeNode,
  type Value,
  childrenOf,
  standingsOf,
} from '../tree'
import { orUnset } from './draft-values'
import { settingKey } from './edits'

/** What a variation says differently from its base, told apart from what it shows; see `docs/variations.md`. */

/** Which of some numbers, each by its place, form the longest run that grows: what need not be moved. */
function longestRun(numbers: readonly number[]): Set<number> {
  const ends: number[] = []
  const before = new Array<number>(numbers.length)
  numbers.forEach((n, i) => {
    let [low, high] = [0, ends.length]
    while (low < high) {
      const middle = (low + high) >> 1
      if (numbers[ends[middle]!]! < n) low = middle + 1
      else high = middle
    }
    before[i] = ends[low - 1] ?? -1
    ends[low] = i
  })
  const run = new Set<number>()
  for (let at = ends.at(-1) ?? -1; at >= 0; at = before[at]!) run.add(at)
  return run
}

/**
 * Which of some siblings need not be moved to stand as they do: as many as can be of those that nobody is known to have
 * moved, and of the others those that stand right among them.
 */
function staying(places: readonly number[], moved: readonly boolean[]): Set<number> {
  const others = places.flatMap((_, i) => (moved[i] ? [] : [i]))
  const run = new Set([...longestRun(others.map((i) => places[i]!))].map((i) => others[i]!))
  places.forEach((place, i) => {
    if (!moved[i]) return
    const fits = [...run].every((j) => j < i === places[j]! < place)
    if (fits) run.add(i)
  })
  return run
}

/** Tells a tree apart from the base that it was made from. */
class Difference {
  readonly changes: Change[] = []
  private readonly of: ReadonlyMap<Id, Noted>
  private readonly now: ReadonlyMap<Id, Noted>

  constructor(
    private readonly base: Layout,
    private readonly tree: Layout,
    private readonly moved: ReadonlySet<Id>,
  ) {
    this.of = standingsOf(base)
    this.now = standingsOf(tree)
  }

  find(): Change[] {
    this.stand(this.tree, this.base)
    for (const [id, { parent }] of this.of)
      if (!this.now.has(id) && (parent === this.base.id || this.now.has(parent)))
        this.changes.push({ kind: 'gone', id })
    this.spans(this.tree)
    this.looks({ of: undefined }, this.base.defaults, this.tree.defaults)
    this.values(this.tree)
    return this.changes
  }

  /** What stands in a holder, and in all that it holds; a holder that is the base's very own differs nowhere. */
  private stand(holder: Layout | TreeNode, before: Layout | TreeNode): void {
    if (holder === before) return
    const children = childrenOf(holder)
    const places = new Map(childrenOf(before).map((c, i) => [c.id, i]))
    const known = children.filter((c) => places.has(c.id))
    const run = staying(
      known.map((c) => places.get(c.id)!),
      known.map((c) => this.moved.has(c.id)),
    )
    const still = new Set(known.filter((_, i) => run.has(i)).map((c) => c.id))
    let after: Id | null = null
    for (const child of children) {
      if (this.of.has(child.id)) {
        if (!still.has(child.id)) this.changes.push({ kind: 'move', id: child.id, parent: holder.id, after })
      } else this.changes.push({ kind: 'put', parent: holder.id, after, node: this.withoutOld(child) })
      after = child.id
    }
    for (const child of children) this.within(child)
  }

  private within(node: TreeNode): void {
    const before = this.of.get(node.id)?.node
    if (before) this.stand(node, before)
    else this.standNew(node)
  }

  /** In what is its own, only what is the base's has to be said: the rest came with it. */
  private standNew(holder: TreeNode): void {
    let after: Id | null = null
    for (const child of childrenOf(holder)) {
      if (this.of.has(child.id)) this.changes.push({ kind: 'move', id: child.id, parent: holder.id, after })
      after = child.id
    }
    for (const child of childrenOf(holder)) this.within(child)
  }

  /** Something of its own without what is the base's in it. */
  private withoutOld(node: TreeNode): TreeNode {
    if (!node.children) return node
    const children = (node.children as TreeNode[]).filter((c) => !this.of.has(c.id)).map((c) => this.withoutOld(c))
    return { ...node, children } as TreeNode
  }

  private spans(holder: Layout | TreeNode): void {
    const before = holder.kind === 'layout' ? undefined : this.of.get(holder.id)?.node
    if (before === holder) return
    if (holder.kind === 'row') this.rowSpans(holder, before as Row | undefined)
    for (const child of childrenOf(holder)) this.spans(child)
  }

  private rowSpans(row: Row, before: Row | undefined): void {
    const had = new Map(before?.children.map((c) => [c.id, c.span]))
    const same = before
      ? row.children.length === had.size && row.children.every((c) => had.get(c.id) === c.span)
      : row.children.every((c) => !this.of.has(c.id))
    if (same) return
    const spans = Object.fromEntries(row.children.map((c) => [c.id, c.span]))
    this.changes.push({ kind: 'spans', row: row.id, spans })
  }

  private set(edit: Setting): void {
    this.changes.push({ kind: 'set', edit })
  }

  private values(holder: Layout | TreeNode): void {
    for (const child of childrenOf(holder)) {
      const before = this.of.get(child.id)?.node
      if (before === child) continue
      if (before) this.node(before, child)
      this.values(child)
    }
  }

  private node(before: TreeNode, after: TreeNode): void {
    const { id } = after
    this.props(id, before.props, after.props)
    this.styles(before.styles, after.styles, (look) => this.set({ kind: 'setStyle', id, ...look }))
    if ((before.name ?? '') !== (after.name ?? '')) this.set({ kind: 'rename', id, name: after.name ?? '' })
    if (!equal(before.when ?? [], after.when ?? [])) this.set({ kind: 'setWhen', id, when: after.when ?? [] })
    if ((before.look ?? '') !== (after.look ?? '')) this.set({ kind: 'setLook', id, look: after.look ?? '' })
    this.open(id, before.open, after.open)
    if (before.kind === 'element' && after.kind === 'element') this.element(before, after)
    if ('gives' in before || 'gives' in after)
      this.looks({ of: id }, (before as Row).gives ?? {}, (after as Row).gives ?? {})
  }

  private element(before: LayoutElement, after: LayoutElement): void {
    const { id } = after
    for (const at of new Set([...Object.keys(before.looks ?? {}), ...Object.keys(after.looks ?? {})]))
      this.styles(before.looks?.[at] ?? {}, after.looks?.[at] ?? {}, (look) =>
        this.set({ kind: 'setStyle', id, at, ...look }),
      )
    const [were, are] = [before.hides ?? [], after.hides ?? []]
    for (const part of new Set([...were, ...are]))
      if (were.includes(part) !== are.includes(part))
        this.set({ kind: 'hidePart', id, part, hidden: are.includes(part) })
    this.fills(id, before.fills, after.fills)
  }

  /** What a place says of its piece: each thing by itself. */
  private fills(id: Id, before: readonly Fill[] = [], after: readonly Fill[] = []): void {
    if (before === after) return
    const were = new Map(before.map((f) => [settingKey(f), f]))
    for (const fill of after) {
      if (!equal(were.get(settingKey(fill)), fill)) this.set({ kind: 'setFill', id, fill })
      were.delete(settingKey(fill))
    }
    for (const fill of were.values()) this.set({ kind: 'setFill', id, fill, unset: true })
  }

  private open(id: Id, before: readonly string[] = [], after: readonly string[] = []): void {
    for (const property of new Set([...before, ...after]))
      if (before.includes(property) !== after.includes(property))
        this.set({ kind: 'setOpen', id, property, open: after.includes(property) })
  }

  private props(id: Id, before: Record<string, Value>, after: Record<string, Value>): void {
    for (const property of new Set([...Object.keys(before), ...Object.keys(after)])) {
      const [was, is] = [before[property], after[property]]
      if (equal(was, is)) continue
      if (isItems(was) && isItems(is) && sameItems(was, is)) this.items(id, property, was, is)
      else this.set({ kind: 'setProperty', id, property, ...orUnset(is) })
    }
  }

  /** Items that are the same in the same order: each value of each by itself. */
  private items(id: Id, property: string, before: readonly Item[], after: readonly Item[]): void {
    after.forEach((item, i) => {
      const [was, is] = [before[i]!.props, item.props]
      const within = { items: property, item: item.id }
      for (const name of new Set([...Object.keys(was), ...Object.keys(is)]))
        if (!equal(was[name], is[name]))
          this.set({ kind: 'setProperty', id, property: name, within, ...orUnset(is[name]) })
    })
  }

  private looks({ of: box }: { of: Id | undefined }, before: Defaults, after: Defaults): void {
    if (before === after) return
    for (const of of new Set([...Object.keys(before), ...Object.keys(after)]))
      this.styles(before[of] ?? {}, after[of] ?? {}, (look) =>
        this.set({ kind: 'setDefault', ...(box !== undefined && { box }), of, ...look }),
      )
  }

  private styles(
    before: Styles,
    after: Styles,
    set: (look: { property: string; step: WidthStep; value: StyleValue | null }) => void,
  ): void {
    if (before === after) return
    for (const property of new Set([...Object.keys(before), ...Object.keys(after)]))
      for (const step of STEPS) {
        const [was, is] = [before[property]?.[step], after[property]?.[step]]
        if (was !== is) set({ property, step, value: is ?? null })
      }
  }
}

const isItems = (value: Value | undefined): value is Item[] => Array.isArray(value)
const sameItems = (a: readonly Item[], b: readonly Item[]): boolean =>
  a.length === b.length && a.every((item, i) => item.id === b[i]!.id)

/**
 * What a tree says differently from the base that it was made from, with nothing said twice: things put, moved and gone
 * in the order of the page, then spans, then values. Both have the same id. None when they are the same.
 * `moved` are things that are known to have been moved, where that could be told of their neighbours as well.
 */
export function changesBetween(base: Layout, tree: Layout, moved: ReadonlySet<Id> = NOBODY): Change[] {
  return base === tree ? [] : new Difference(base, tree, moved).find()
}

const NOBODY: ReadonlySet<Id> = new Set()
