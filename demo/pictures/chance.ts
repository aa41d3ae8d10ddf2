/** Chance that always falls the same way for the same id, so that every drawing is the same each time. */
export interface Chance {
  /** From 0 up to, not with, 1. */
  next(): number
  between(low: number, high: number): number
  pick<T>(items: readonly T[]): T
}

/** mulberry32 over an FNV-1a hash of the id. */
export function chanceOf(id: string): Chance {
  let state = 0x811c9dc5
  for (let i = 0; i < id.length; i++) state = Math.imul(state ^ id.charCodeAt(i), 0x01000193)
  const next = () => {
    state = (state + 0x6d2b79f5) | 0
    let t = Math.imul(state ^ (state >>> 15), 1 | state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
  return {
    next,
    between: (low, high) => low + next() * (high - low),
    pick: (items) => items[Math.floor(next() * items.length)]!,
  }
}
