import type { Ref } from 'vue'
import type { MapRow } from '#core/map'

interface Hooks {
  select(row: MapRow, extend: boolean): void
  fold(row: MapRow): void
  isOpen(row: MapRow): boolean
  focus(index: number): void
}

/** Arrow keys on the rows of the Map: up and down go through them, with shift they add, left and right fold. */
export function useMapKeys(rows: Ref<readonly MapRow[]>, hooks: Hooks) {
  return (event: KeyboardEvent, index: number): void => {
    const row = rows.value[index]!
    if (event.key === 'ArrowRight' && row.kind === 'group' && !hooks.isOpen(row)) return hooks.fold(row)
    if (event.key === 'ArrowLeft' && row.kind === 'group' && hooks.isOpen(row)) return hooks.fold(row)
    const by = { ArrowDown: 1, ArrowUp: -1, PageDown: 20, PageUp: -20 }[event.key]
    if (!by) return
    event.preventDefault()
    const way = Math.sign(by)
    let next = Math.max(0, Math.min(rows.value.length - 1, index + by))
    while (rows.value[next]?.kind === 'heading') next += way
    const target = rows.value[next]
    if (!target) return
    hooks.select(target, event.shiftKey)
    hooks.focus(next)
  }
}
