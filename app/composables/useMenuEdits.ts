import { nanoid } from 'nanoid'
import {
  insertItem,
  moveItem,
  newMenu,
  removeItem,
  setItem,
  type Id,
  type Link,
  type Menu,
  type OutlinePosition,
} from '#core/model'
import { useMenus } from '~/stores/menus'

/** What a hand does to menus and their items; each is one edit, and one step of undo. */
export function useMenuEdits() {
  const store = useMenus()
  const menus = computed(() => store.document?.menus ?? [])

  /** Makes a menu and gives its id; null when it was refused. */
  function addMenu(name: string): Id | null {
    const item = newMenu(store.document!, name)
    return store.apply({ kind: 'insert', at: ['menus'], index: menus.value.length, item }) ? item.id : null
  }
  const nameMenu = (menu: Menu, name: string) =>
    store.apply({ kind: 'set', at: ['menus', menu.id, 'name'], value: name })
  const removeMenu = (id: Id) => store.apply({ kind: 'remove', at: ['menus'], id })

  function addItem(menu: Menu, spot: OutlinePosition, link: Link = ''): Id | null {
    const item = { id: nanoid(10), label: '', link, items: [] }
    return store.apply(insertItem(menu, item, spot)) ? item.id : null
  }
  const say = (menu: Menu, id: Id, label: string) => store.apply(setItem(menu, id, 'label', label))
  const lead = (menu: Menu, id: Id, link: Link) => store.apply(setItem(menu, id, 'link', link))
  const place = (menu: Menu, id: Id, spot: OutlinePosition) => store.apply(moveItem(menu, id, spot))
  const take = (menu: Menu, id: Id) => store.apply(removeItem(menu, id))

  return { store, menus, addMenu, nameMenu, removeMenu, addItem, say, lead, place, take }
}
