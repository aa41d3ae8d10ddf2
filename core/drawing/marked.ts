import type { Entry } from '../model'
import { richText } from '../rich'
import { type Bit, MOST_READ, excerptOf, markedText, askedWords } from '../text'
import { escapeHtml } from './escape'
import type { Scene } from './scene'

/** Words that were searched for, marked where they stand. */

const html = (bits: readonly Bit[]): string =>
  bits.map(({ text, met }) => (met ? `<mark>${escapeHtml(text)}</mark>` : escapeHtml(text))).join('')

/** What was searched for on a page, as it was met: the words themselves, or those nearest to them. */
export const wordsMet = ({ query, near }: Scene): readonly string[] => (query ? askedWords(near || query) : [])

/** A text with the words marked that it has of those searched for. */
export const marked = (text: string, words: readonly string[]): string =>
  words.length === 0 ? escapeHtml(text) : html(markedText(text, words))

/** Of an entry, the sentence around the words that were found, else its summary; empty where it has none. */
export function excerpt({ summary, content }: Entry, words: readonly string[]): string {
  const found = excerptOf(summary, words) ?? (words.length > 0 ? excerptOf(richText(content, MOST_READ), words) : null)
  return found ? html(found) : escapeHtml(summary)
}
