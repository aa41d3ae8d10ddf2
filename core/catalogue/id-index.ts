import type { Id } from '../model'

/** Ids by keys, of which most have one, which is held by itself. */
export class IdIndex {
  private readonly held = new Map<string, Id | Set<Id>>()

  add(key: string | null, id: Id): void {
    if (key === null) return
    const there = this.held.get(key)
    if (there === undefined) this.held.set(key, id)
    else if (typeof there !== 'string') there.add(id)
    else if (there !== id) this.held.set(key, new Set([there, id]))
  }

  remove(key: string | null, id: Id): void {
    if (key === null) return
    const there = this.held.get(key)
    if (there === id) this.held.delete(key)
    else if (typeof there === 'object') there.delete(id)
  }

  get(key: string): readonly Id[] {
    const there = this.held.get(key)
    return there === undefined ? [] : typeof there === 'string' ? [there] : [...there]
  }
}
