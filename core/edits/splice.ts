/**
 * What changed between two texts that are mostly the same: what is taken out where, and what is put in its place.
 * `was` marks the text that it is meant for, so that it never lands in another.
 */
export interface Splice {
  was: string
  at: number
  drop: number
  put: string
}

function fnv(text: string, seed: number): number {
  let hash = seed
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193)
  return hash >>> 0
}

/** A short mark of a text: two runs of FNV-1a over its UTF-16 units, and its length, in base 36. */
export function markOf(text: string): string {
  return [fnv(text, 0x811c9dc5), fnv(text, 0x9e3779b9), text.length].map((n) => n.toString(36)).join('-')
}

/** The one stretch that makes a text into another. */
export function spliceBetween(before: string, after: string): Splice {
  const shorter = Math.min(before.length, after.length)
  let at = 0
  while (at < shorter && before[at] === after[at]) at++
  let behind = 0
  while (behind < shorter - at && before[before.length - 1 - behind] === after[after.length - 1 - behind]) behind++
  return { was: markOf(before), at, drop: before.length - at - behind, put: after.slice(at, after.length - behind) }
}

/** A text with what changed; null when it is not the text that this was made for. */
export function spliced(text: string, { was, at, drop, put }: Splice): string | null {
  if (markOf(text) !== was || at + drop > text.length) return null
  return text.slice(0, at) + put + text.slice(at + drop)
}
