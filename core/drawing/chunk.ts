import type { Fill, Scene } from './scene'

/** A bit of HTML that is already known, or that is known only once there is a scene. */
export type Piece = string | Fill

/** What joined pieces were made of, so that joining them again gives one flat list. */
const PARTS = new WeakMap<Fill, Piece[]>()

/** Joins pieces; neighbours that are known are joined at once, so filling them in costs nothing later. */
export function join(...pieces: Piece[]): Piece {
  const merged = merge(pieces)
  if (merged.length === 0) return ''
  if (merged.length === 1) return merged[0]!
  const joined: Piece = (scene) => fill(merged, scene)
  PARTS.set(joined, merged)
  return joined
}

/** Neighbouring known pieces as one, joined ones taken apart; empty ones are left out. */
export function merge(pieces: readonly Piece[]): Piece[] {
  const merged: Piece[] = []
  for (const piece of pieces.flatMap((p) => (typeof p === 'string' ? p : (PARTS.get(p) ?? p)))) {
    const last = merged.length - 1
    if (typeof piece === 'string' && typeof merged[last] === 'string') merged[last] += piece
    else if (piece !== '') merged.push(piece)
  }
  return merged
}

export function fill(pieces: readonly Piece[], scene: Scene): string {
  let html = ''
  for (const piece of pieces) html += typeof piece === 'string' ? piece : piece(scene)
  return html
}

/** Wraps a piece, or gives nothing at all when the piece turns out to be empty. */
export function wrapFilled(before: Piece, piece: Piece, after: string): Piece {
  if (typeof piece === 'string') return piece ? join(before, piece, after) : ''
  if (typeof before === 'string') {
    return (scene) => {
      const html = piece(scene)
      return html ? before + html + after : ''
    }
  }
  return (scene) => {
    const html = piece(scene)
    return html ? before(scene) + html + after : ''
  }
}

/** A piece made of two others; known at once when both are. */
export function both(a: Piece, b: Piece, write: (a: string, b: string) => string): Piece {
  if (typeof a === 'string') return typeof b === 'string' ? write(a, b) : (scene) => write(a, b(scene))
  return typeof b === 'string' ? (scene) => write(a(scene), b) : (scene) => write(a(scene), b(scene))
}
