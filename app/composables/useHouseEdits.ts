import { nanoid } from 'nanoid'
import type { At, PlainEdit } from '#core/edits'
import { FILLED, type SiteStyle, type NamedLook, type OwnFont, PLAIN_HOUSE } from '#core/styles'
import type { LooksKey, StyleValue, Styles } from '#core/tree'
import { useHouse } from '~/stores/house'

/** What a hand does to the house style; each is one edit, and one step of undo. */
export function useHouseEdits() {
  const store = useHouse()
  const house = computed<SiteStyle>(() => store.document ?? PLAIN_HOUSE)

  /** Says something at a place; null takes away what may be left unsaid. */
  function set(at: At, value: unknown): boolean {
    return store.apply(value === null ? { kind: 'set', at, unset: true } : { kind: 'set', at, value })
  }
  const insert = (at: string, index: number, item: { id: string }): boolean =>
    store.apply({ kind: 'insert', at: [at], index, item })
  const remove = (at: 'palette' | 'looks' | 'fonts', id: string): boolean =>
    store.apply({ kind: 'remove', at: [at], id })
  const move = (at: 'palette' | 'looks', id: string, index: number): boolean =>
    store.apply({ kind: 'move', at: [at], id, index })

  /** A colour with an id that tells what it was called first, and its place in the palette for good. */
  function addColour(name: string, value: string): string | null {
    const taken = new Set(house.value.palette.map((c) => c.id))
    const base =
      name
        .toLowerCase()
        .replace(/[^a-z0-9]+/g, '-')
        .replace(/^-|-$/g, '')
        .slice(0, 30) || 'colour'
    let id = base
    for (let n = 2; taken.has(id); n++) id = `${base}-${n}`
    return insert('palette', taken.size, { id, name, value } as { id: string }) ? id : null
  }

  /** Another look, like one that there is. */
  function addLook(name: string, like: NamedLook = FILLED): string | null {
    const look: NamedLook = { ...like, id: nanoid(10), name }
    return insert('looks', house.value.looks.length, look) ? look.id : null
  }

  /** Several looks of a named look in one state, as one step. */
  function setLooks(look: NamedLook, at: LooksKey, values: { property: string; value: StyleValue | null }[]) {
    const next: Styles = { ...(at ? look.looks[at] : look.styles) }
    for (const { property, value } of values) {
      if (value === null) delete next[property]
      else next[property] = { wide: value }
    }
    const edit: PlainEdit = at
      ? { kind: 'set', at: ['looks', look.id, 'looks'], value: { ...look.looks, [at]: next } }
      : { kind: 'set', at: ['looks', look.id, 'styles'], value: next }
    return store.apply(edit)
  }

  function addFont(font: OwnFont): boolean {
    return insert('fonts', house.value.fonts.length, font)
  }

  return { store, house, set, remove, move, addColour, addLook, setLooks, addFont }
}
