import type { Fill, Scene } from './scene'

/** A bit of HTML that is already known, or that is known only once there is a scene. */
export type Chunk = string | Fill

/** What joined chunks were made of, so that joining them again gives one flat list. */
const PARTS = new WeakMap<Fill, Chunk[]>()

/** Joins chunks; neighbours that are known are joined at once, so filling them in costs nothing later. */
export function join(...chunks: Chunk[]): Chunk {
  if (chunks.every((c) => typeof c === 'string')) return chunks.join('')
  const merged = merge(chunks)
  if (merged.length === 0) return ''
  if (merged.length === 1) return merged[0]!
  const joined: Chunk = (scene) => fill(merged, scene)
  PARTS.set(joined, merged)
  return joined
}

/** Neighbouring known chunks as one, joined ones taken apart; empty ones are left out. */
export function merge(chunks: readonly Chunk[]): Chunk[] {
  const merged: Chunk[] = []
  for (const chunk of chunks.flatMap((p) => (typeof p === 'string' ? p : (PARTS.get(p) ?? p)))) {
    const last = merged.length - 1
    if (typeof chunk === 'string' && typeof merged[last] === 'string') merged[last] += chunk
    else if (chunk !== '') merged.push(chunk)
  }
  return merged
}

export function fill(chunks: readonly Chunk[], scene: Scene): string {
  let html = ''
  for (const chunk of chunks) html += typeof chunk === 'string' ? chunk : chunk(scene)
  return html
}

/** Wraps a chunk, or gives nothing at all when the chunk turns out to be empty. */
export function wrapFilled(before: Chunk, chunk: Chunk, after: string): Chunk {
  if (typeof chunk === 'string') return chunk ? join(before, chunk, after) : ''
  if (typeof before === 'string') {
    return (scene) => {
      const html = chunk(scene)
      return html ? before + html + after : ''
    }
  }
  return (scene) => {
    const html = chunk(scene)
    return html ? before(scene) + html + after : ''
  }
}

/** A chunk made of two others; known at once when both are. */
export function both(a: Chunk, b: Chunk, write: (a: string, b: string) => string): Chunk {
  if (typeof a === 'string') return typeof b === 'string' ? write(a, b) : (scene) => write(a, b(scene))
  return typeof b === 'string' ? (scene) => write(a(scene), b) : (scene) => write(a(scene), b(scene))
}
