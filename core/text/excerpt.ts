import { folded } from './find'

/** A bit of a text, and whether it is one of the words that were looked for. */
export interface Bit {
  text: string
  met: boolean
}

/** So much of a text is looked through for a sentence to show, in characters. */
export const MOST_READ = 20_000
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
    const text = folded(found[0])
    const word = words.findIndex((w) => text.startsWith(w))
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

const END_OF_SENTENCE = /[.!?](?=\s|$)|\n/g

/** Gives the sentence, from where to where, that holds a place of a text. Places are asked for from the front to the back. */
function sentencesOf(text: string): (at: number) => [number, number] {
  const ends = text.matchAll(END_OF_SENTENCE)
  let [from, to] = [0, 0]
  return (at) => {
    while (to <= at && to < text.length) {
      const end = ends.next().value
      ;[from, to] = [to, end ? end.index + 1 : text.length]
    }
    return [from, to]
  }
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
  const sentenceAt = sentencesOf(text)
  let best: { met: Met; span: [number, number]; count: number } | null = null
  for (let i = 0; i < met.length;) {
    const span = sentenceAt(met[i]!.at)
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
