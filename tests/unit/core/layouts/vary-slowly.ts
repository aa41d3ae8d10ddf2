import { type Edit, applyEdit, checkLayout } from '#core/layouts'
import { evenSpans, type Change, type Layout, type TreeNode } from '#core/tree'

/** The obvious twin of `vary`: every change written down, one after the other, on a copy of the whole base. */

interface Plain {
  id: string
  kind: string
  span?: number
  children?: Plain[]
}

function all(node: Plain, into: Plain[] = []): Plain[] {
  into.push(node)
  for (const child of node.children ?? []) all(child, into)
  return into
}
const found = (root: Plain, id: string) => all(root).find((n) => n.id === id)
const holderOf = (root: Plain, id: string) => all(root).find((n) => n.children?.some((c) => c.id === id))
const MAY: Record<string, string[]> = {
  layout: ['row'],
  row: ['column'],
  column: ['element', 'row'],
  element: ['place'],
  place: ['row'],
}

function takeOut(root: Plain, id: string): Plain {
  const holder = holderOf(root, id)!
  const node = holder.children!.find((c) => c.id === id)!
  holder.children = holder.children!.filter((c) => c !== node)
  if (holder.kind === 'element' && holder.children.length === 0) delete holder.children
  return node
}

type Stand = Extract<Change, { kind: 'put' | 'move' }>
const nameOf = (c: Stand) => (c.kind === 'put' ? c.node.id : c.id)

/** All that stands before something in a holder, the nearest first: as the changes say, else as the base has it. */
function chain(id: string | null, parent: string, base: Plain, stands: Map<string, Stand>): string[] {
  const before: string[] = []
  let at = id
  while (at !== null && before.length < 10_000) {
    before.push(at)
    const said = stands.get(at)
    const holder = holderOf(base, at)
    const index = holder?.children!.findIndex((c) => c.id === at) ?? -1
    if (said) at = said.parent === parent ? said.after : null
    else at = holder?.id === parent && index > 0 ? holder.children![index - 1]!.id : null
  }
  return before
}

function standAll(root: Plain, base: Plain, changes: readonly Change[], waiting: Set<Change>): void {
  const list = changes.filter((c): c is Stand => c.kind === 'put' || c.kind === 'move')
  const stands = new Map(list.map((c) => [nameOf(c), c]))
  const placed = new Set<string>()
  for (const change of list) {
    const id = nameOf(change)
    const there = found(root, id)
    const holder = found(root, change.parent)
    const inItself = there && all(there).some((n) => n.id === change.parent)
    const node = there ?? (change.kind === 'put' ? (structuredClone(change.node) as unknown as Plain) : undefined)
    const clash = change.kind === 'put' && all(change.node as unknown as Plain).some((n) => found(root, n.id))
    if (
      !node ||
      !holder ||
      inItself ||
      clash ||
      (change.kind === 'put') !== !there ||
      !MAY[holder.kind]!.includes(node.kind)
    ) {
      waiting.add(change)
      continue
    }
    if (there) takeOut(root, id)
    const target = found(root, change.parent)!
    const siblings = (target.children ??= [])
    const behind = chain(change.after, change.parent, base, stands).find((s) => siblings.some((c) => c.id === s))
    let at = behind === undefined ? 0 : siblings.findIndex((c) => c.id === behind) + 1
    if (change.after !== null && behind !== change.after)
      while (at < siblings.length && placed.has(siblings[at]!.id)) at++
    siblings.splice(at, 0, node)
    placed.add(id)
  }
}

function spanAll(root: Plain, changes: readonly Change[], waiting: Set<Change>): void {
  for (const change of changes)
    if (change.kind === 'spans' && found(root, change.row)?.kind !== 'row') waiting.add(change)
  for (const row of all(root).filter((n) => n.kind === 'row')) {
    if (!found(root, row.id)) continue
    if (row.children!.length === 0) {
      takeOut(root, row.id)
      continue
    }
    const said = changes.findLast((c) => c.kind === 'spans' && c.row === row.id)
    const spans = row.children!.map((c) => (said?.kind === 'spans' ? said.spans[c.id] : undefined) ?? c.span!)
    const sum = spans.reduce((a, b) => a + b, 0)
    const shared = sum === 12 ? spans : evenSpans(row.children!.length)
    if (shared.every((n) => n >= 1)) row.children!.forEach((c, i) => (c.span = shared[i]!))
  }
}

function once(base: Layout, own: { id: string; name: string }, changes: readonly Change[]) {
  const waiting = new Set<Change>()
  const { about: _, ...rest } = base
  const before = structuredClone({ ...rest, ...own }) as unknown as Plain
  const root = structuredClone(before)
  standAll(root, before, changes, waiting)
  for (const change of changes)
    if (change.kind === 'gone') {
      if (found(root, change.id)) takeOut(root, change.id)
      else waiting.add(change)
    }
  spanAll(root, changes, waiting)
  let tree = root as unknown as Layout
  for (const change of changes) {
    if (change.kind !== 'set') continue
    const next = setIn(tree, change.edit)
    if (next) tree = next
    else waiting.add(change)
  }
  return { tree, waiting }
}

/** One value set, on a layout that may break rules: on a small one that holds nothing but what it is about. */
function setIn(tree: Layout, edit: Edit & { id?: string; box?: string }): Layout | null {
  const id = edit.kind === 'setDefault' ? edit.box : edit.id
  if (id === undefined) {
    const result = applyEdit({ ...tree, children: [] }, edit)
    return result.ok ? { ...result.document, children: tree.children } : null
  }
  const node = found(tree as unknown as Plain, id) as unknown as TreeNode | undefined
  if (!node) return null
  const copy = structuredClone(tree)
  const target = found(copy as unknown as Plain, id) as unknown as Record<string, unknown>
  const next = setOn(node, edit)
  if (!next) return null
  for (const key of Object.keys(target)) if (key !== 'children') delete target[key]
  Object.assign(target, next, target.children ? { children: target.children } : {})
  return copy
}

type Looks = Record<string, Record<string, unknown>>

/** A thing of a layout, to be written to as one likes. */
interface Loose extends Record<string, unknown> {
  props: Record<string, unknown>
  styles: Looks
  looks?: Record<string, Looks>
  gives?: Record<string, Looks>
  hides?: string[]
  look?: string
  open?: string[]
}

function setOn(node: TreeNode, edit: Edit): Record<string, unknown> | null {
  const next = structuredClone(node) as unknown as Loose
  delete next.children
  if (edit.kind === 'rename') {
    if (edit.name) next.name = edit.name
    else delete next.name
  } else if (edit.kind === 'setWhen') {
    if (edit.when.length > 0) next.when = edit.when
    else delete next.when
  } else if (edit.kind === 'setLook') {
    if (edit.look) next.look = edit.look
    else delete next.look
  } else if (edit.kind === 'setOpen') {
    const others = (next.open ?? []).filter((property) => property !== edit.property)
    const open = [...others, ...(edit.open ? [edit.property] : [])].sort()
    if (open.length > 0) next.open = open
    else delete next.open
  } else if (edit.kind === 'hidePart') {
    if (node.kind !== 'element') return null
    const hides = [
      ...(next.hides ?? []).filter((p: string) => p !== edit.part),
      ...(edit.hidden ? [edit.part] : []),
    ].sort()
    if (hides.length > 0) next.hides = hides
    else delete next.hides
  } else if (edit.kind === 'setProperty') {
    const item =
      edit.within &&
      (next.props[edit.within.items] as { id: string; props: object }[] | undefined)?.find(
        (i) => i.id === edit.within!.item,
      )
    if (edit.within && !item) return null
    const props = (item?.props ?? next.props) as Record<string, unknown>
    if (edit.unset) delete props[edit.property]
    else props[edit.property] = edit.value
  } else if (edit.kind === 'setStyle') {
    if (edit.at !== undefined && node.kind !== 'element') return null
    if (edit.at === undefined) next.styles = lookIn(next.styles, edit)
    else next.looks = tidied({ ...next.looks, [edit.at]: lookIn(next.looks?.[edit.at] ?? {}, edit) })
    if (next.looks === undefined) delete next.looks
  } else if (edit.kind === 'setDefault') {
    if (node.kind !== 'row' && node.kind !== 'column') return null
    next.gives = tidied({ ...next.gives, [edit.of]: lookIn(next.gives?.[edit.of] ?? {}, edit) })
    if (next.gives === undefined) delete next.gives
  }
  return next
}

/** Without looks that say nothing; undefined where none are left. */
function tidied(record: Record<string, Looks>): Record<string, Looks> | undefined {
  const left = Object.entries(record).filter(([, looks]) => Object.keys(looks).length > 0)
  return left.length > 0 ? Object.fromEntries(left) : undefined
}

function lookIn(styles: Looks, { property, step, value }: { property: string; step: string; value: unknown }): Looks {
  const stepped = { ...styles[property] }
  if (value === null) delete stepped[step]
  else stepped[step] = value
  const next = { ...styles, [property]: stepped }
  if (Object.keys(stepped).length === 0) delete next[property]
  return next
}

export function varySlowly(base: Layout, own: { id: string; name: string }, changes: readonly Change[]) {
  const held = new Set<Change>()
  for (;;) {
    const { tree, waiting } = once(
      base,
      own,
      changes.filter((c) => !held.has(c)),
    )
    const may = (c: Change) => !held.has(c) && !waiting.has(c)
    const left = checkLayout(tree).length === 0 ? [] : changes.filter(may)
    const last = left.findLast((c) => c.kind !== 'set' && c.kind !== 'spans') ?? left.at(-1)
    if (!last) return { tree, waiting: changes.filter((c) => held.has(c) || waiting.has(c)) }
    held.add(last)
  }
}
