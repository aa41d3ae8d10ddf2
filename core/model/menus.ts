import { type Editing, type PlainEdit, plainEditing } from '../edits'
import { type Problem, problem } from '../problems'
import { exact, list, oneOf, refuse, shapeOf } from '../shape'
import { freeId } from './new-type'
import type { OutlineLine, OutlinePosition } from './outline'
import { menuShape } from './shapes'
import type { Id, Link, Menu, MenuItem } from './types'

/** All menus of a site: one document of the design, edited step by step. */
export interface MenuSet {
  format: 1
  menus: Menu[]
}

const MOST_MENUS = 200
/** Deeper ones are drawn, where they came in; nobody makes them. */
export const MENU_LEVELS = 4

const menusShape = shapeOf<MenuSet>()(
  exact({
    format: oneOf([1]),
    menus: list(menuShape, MOST_MENUS, `a site has at most ${MOST_MENUS} menus`),
  }),
)

function repeated(ids: Iterable<Id>): Id | undefined {
  const seen = new Set<Id>()
  for (const id of ids) if (seen.has(id) || !seen.add(id)) return id
  return undefined
}

function* idsIn(items: readonly MenuItem[]): Generator<Id> {
  for (const { id, items: below } of items) {
    yield id
    yield* idsIn(below)
  }
}

/** Why menus cannot be so; null when they can. Takes anything at all. */
export function refuseMenus(menus: unknown): Problem | null {
  const why = refuse(menusShape, menus)
  if (why !== null) return problem('menus-shape', { why })
  const all = (menus as MenuSet).menus
  const twice =
    repeated(all.map((m) => m.id)) ?? all.map((m) => repeated(idsIn(m.items))).find((id) => id !== undefined)
  return twice === undefined ? null : problem('menus-shape', { why: `the id ${twice} stands twice` })
}

/** How menus are edited: as a plain document. */
export const MENUS_EDITING: Editing<MenuSet, PlainEdit> = plainEditing(refuseMenus)

export const newMenu = ({ menus }: MenuSet, name: string): Menu => ({
  id: freeId(name, new Set(menus.map((m) => m.id))),
  name,
  items: [],
})

/** The items of a menu as lines, each so far indented as it stands below others. */
export function menuLines({ items }: Pick<Menu, 'items'>): OutlineLine[] {
  const lines: OutlineLine[] = []
  const put = (of: readonly MenuItem[], parent: Id | null, depth: number): void => {
    for (const { id, items: below } of of) {
      lines.push({ id, parent, depth })
      put(below, id, depth + 1)
    }
  }
  put(items, null, 0)
  return lines
}

/** An item wherever it stands in a menu, with the ids of those above it, outermost first. */
export function findItem(items: readonly MenuItem[], id: Id, above: Id[] = []): { item: MenuItem; above: Id[] } | null {
  for (const item of items) {
    if (item.id === id) return { item, above }
    const found = findItem(item.items, id, [...above, item.id])
    if (found) return found
  }
  return null
}

/** The place of the items below one, or of those at the top, in the document. */
function itemsAt(menu: Menu, parent: Id | null): string[] {
  const top = ['menus', menu.id, 'items']
  if (parent === null) return top
  const { above } = findItem(menu.items, parent)!
  return [...top, ...[...above, parent].flatMap((id) => [id, 'items'])]
}

export const insertItem = (menu: Menu, item: MenuItem, { parent, index }: OutlinePosition): PlainEdit => ({
  kind: 'insert',
  at: itemsAt(menu, parent),
  index,
  item,
})

export function removeItem(menu: Menu, id: Id): PlainEdit {
  const { above } = findItem(menu.items, id)!
  return { kind: 'remove', at: itemsAt(menu, above.at(-1) ?? null), id }
}

/** Moves an item to a spot, with all below it. */
export function moveItem(menu: Menu, id: Id, spot: OutlinePosition): PlainEdit {
  const { item, above } = findItem(menu.items, id)!
  const from = above.at(-1) ?? null
  if (from === spot.parent) return { kind: 'move', at: itemsAt(menu, from), id, index: spot.index }
  return { kind: 'batch', label: 'move an item', edits: [removeItem(menu, id), insertItem(menu, item, spot)] }
}

/** Sets what an item says or where it leads. */
export function setItem(menu: Menu, id: Id, key: 'label' | 'link', value: string | Link): PlainEdit {
  const { above } = findItem(menu.items, id)!
  return { kind: 'set', at: [...itemsAt(menu, above.at(-1) ?? null), id, key], value }
}

/** The pages that the items of a menu lead to, by their keys. */
export const pagesOfItems = (items: readonly MenuItem[]): string[] =>
  items.flatMap(({ link, items: below }) => [...(typeof link === 'object' ? [link.page] : []), ...pagesOfItems(below)])
