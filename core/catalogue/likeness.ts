import { folded } from '../text'
import type { Page } from '../model'

/** Which page somebody may have meant by an address that is none: by likeness of address and title. */

export interface Likely {
  page: string
  /** From 0 to 1. */
  sure: number
}

const MOST_FOUND = 3
/** Below this it is no more than chance. */
const LEAST = 0.3

/** Pairs of neighbouring letters, each as often as it stands there. */
function pairsOf(words: string): Map<string, number> {
  const pairs = new Map<string, number>()
  for (let i = 0; i + 1 < words.length; i++) {
    const pair = words.slice(i, i + 2)
    pairs.set(pair, (pairs.get(pair) ?? 0) + 1)
  }
  return pairs
}

interface Pairs {
  of: Map<string, number>
  count: number
}
const counted = (words: string): Pairs => ({ of: pairsOf(words), count: Math.max(0, words.length - 1) })

/** The coefficient of Sørensen and Dice over pairs of letters, from 0 to 1. */
function dice(a: Pairs, b: Pairs): number {
  if (a.count === 0 || b.count === 0) return 0
  let shared = 0
  for (const [pair, n] of a.of) shared += Math.min(n, b.of.get(pair) ?? 0)
  return (2 * shared) / (a.count + b.count)
}

const plain = (words: string): string =>
  folded(words)
    .replace(/\.[a-z0-9]{1,5}$/, '')
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim()

const partsOf = (path: string): string[] => path.split('/').filter(Boolean).map(plain).filter(Boolean)

/** How like two lists of folders are: those that are the same, of the longer one. */
function sameFolders(a: readonly string[], b: readonly string[]): number {
  const most = Math.max(a.length, b.length)
  return most === 0 ? 1 : a.filter((part) => b.includes(part)).length / most
}

/**
 * The likeliest pages for an address, the likeliest first; none where chance alone would find as much. What the address
 * ends with counts most, against what a page's address ends with and against its title; the folders before it count less.
 */
export function likeliest(address: string, pages: readonly Page[]): Likely[] {
  const asked = partsOf(address)
  const last = asked.at(-1)
  if (last === undefined) return []
  const [end, folders] = [counted(last), asked.slice(0, -1)]
  const found: Likely[] = []
  for (const { key, kind, address: own, title } of pages) {
    if (!own || kind === 'not-found' || kind === 'search') continue
    const parts = partsOf(own)
    const byEnd = Math.max(dice(end, counted(parts.at(-1) ?? '')), dice(end, counted(plain(title))))
    if (byEnd < LEAST) continue
    const sure = Math.min(1, 0.85 * byEnd + 0.15 * sameFolders(folders, parts.slice(0, -1)))
    if (sure >= LEAST) found.push({ page: key, sure: Math.round(sure * 100) / 100 })
  }
  return found.sort((a, b) => b.sure - a.sure || (a.page < b.page ? -1 : 1)).slice(0, MOST_FOUND)
}
