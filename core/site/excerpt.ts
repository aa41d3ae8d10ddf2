import { folded } from './find'

/** A bit of a text, and whether it is one of the words that were looked for. */
export interface Bit {
  text: string
  met: boolean
}

/** So much of a text is looked through for a sentence to show. */
const MOST_READ = 20_000
/** About as long as two lines of running text. */
const MOST_SHOWN = 220

const WORD = /[\p{L}\p{N}]+/gu

/** The words that are looked for, as they are compared: each may be the beginning of one. */
export const askedWords = (asked: string): string[] => [...new Set((folded(asked).match(WORD) ?? []).slice(0, 12))]

interface Met {
  at: number
  end: number
  word: number
}

/** Where words of a text begin with what is looked for. */
function meetings(text: string, words: readonly string[]): Met[] {
  if (words.length === 0) return []
  const met: Met[] = []
  for (const found of text.matchAll(WORD)) {
    const word = words.findIndex((w) => folded(found[0]).startsWith(w))
    if (word >= 0) met.push({ at: found.index, end: found.index + found[0].length, word })
  }
  return met
}

function bitsOf(text: string, met: readonly Met[], from: number, to: number): Bit[] {
  const bits: Bit[] = []
  let at = from
  for (const m of met) {
    if (m.at < from || m.end > to) continue
    if (m.at > at) bits.push({ text: text.slice(at, m.at), met: false })
    bits.push({ text: text.slice(m.at, m.end), met: true })
    at = m.end
  }
  if (at < to) bits.push({ text: text.slice(at, to), met: false })
  return bits
}

/** A whole text in bits, with the words that were looked for told apart. */
export function markedText(text: string, words: readonly string[]): Bit[] {
  return bitsOf(text, meetings(text, words), 0, text.length)
}

/** Where the sentence begins and ends that holds a place. */
function sentenceAt(text: string, at: number): [number, number] {
  const before = text.slice(0, at)
  const from = Math.max(...['. ', '! ', '? ', '\n'].map((end) => before.lastIndexOf(end)))
  const behind = /[.!?](?=\s|$)|\n/.exec(text.slice(at))
  return [from < 0 ? 0 : from + 1, behind ? at + behind.index + 1 : text.length]
}

/** As much of a stretch as may be shown, around a place, cut between words. */
function around(text: string, from: number, to: number, at: number): [number, number] {
  if (to - from <= MOST_SHOWN) return [from, to]
  let start = Math.max(from, Math.min(at - MOST_SHOWN / 3, to - MOST_SHOWN))
  let end = Math.min(to, start + MOST_SHOWN)
  if (start > from) start = Math.max(start, text.indexOf(' ', start) + 1)
  if (end < to) end = Math.max(text.lastIndexOf(' ', end), start + 1)
  return [Math.min(start, at), Math.max(end, at)]
}

/**
 * The sentence of a text that holds most of the words looked for, with those told apart and an ellipsis where it is
 * cut; null where the text holds none of them.
 */
export function excerptOf(whole: string, words: readonly string[]): Bit[] | null {
  const text = whole.slice(0, MOST_READ)
  const met = meetings(text, words)
  let best: { met: Met; span: [number, number]; count: number } | null = null
  for (let i = 0; i < met.length;) {
    const span = sentenceAt(text, met[i]!.at)
    const inside = new Set<number>()
    const first = met[i]!
    for (; i < met.length && met[i]!.at < span[1]; i++) inside.add(met[i]!.word)
    if (!best || inside.size > best.count) best = { met: first, span, count: inside.size }
  }
  if (!best) return null
  const [from, to] = around(text, ...best.span, best.met.at)
  const end = Math.max(to, best.met.end)
  const bits = bitsOf(text, met, from, end)
  const [head, tail] = [bits[0], bits.at(-1)]
  if (head && !head.met) head.text = head.text.trimStart()
  if (tail && !tail.met) tail.text = tail.text.trimEnd()
  if (from > best.span[0]) bits.unshift({ text: '… ', met: false })
  if (end < best.span[1]) bits.push({ text: ' …', met: false })
  return bits.filter((b) => b.text !== '')
}
