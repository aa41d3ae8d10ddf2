import { type RichDoc, isRichDoc, richShape, richText } from '../rich'
import { TEXT } from './comparisons'
import { UNLISTED } from './families'
import type { FieldSpec } from './spec'
import { shortened } from './text'
import { wordsOf } from './values'

const paragraphs = (words: string): RichDoc => ({
  type: 'doc',
  content: words
    .split(/\n\s*\n|\r?\n/)
    .filter((line) => line.trim())
    .map((text) => ({ type: 'paragraph', content: [{ type: 'text', text: text.trim() }] })),
})

export const rich: FieldSpec = {
  ...UNLISTED,
  label: 'Running text',
  about: 'Paragraphs with headings, lists and links.',
  roles: ['description'],
  formats: ['first'],
  shape: richShape(),
  suits: isRichDoc,
  drawn: 'rich',
  linked: true,
  convert: (value, field) => (wordsOf(value, field).trim() ? paragraphs(wordsOf(value, field)) : null),
  guess: { rank: 6, fits: (words) => words.some((w) => w.length > 300 || /<(p|div|br|ul)\b/i.test(w)) },
  comparisons: TEXT,
  input: 'rich',
  // Running text is drawn as a whole; as a line it is written only where no more than its beginning is wanted.
  write: ({ value }, format) =>
    format.first !== undefined && isRichDoc(value) ? shortened(richText(value), format) : '',
  toCell: (value, _, context) => (isRichDoc(value) ? context.html(value) : wordsOf(value)),
  toJson: (_value, _field, cell) => cell || null,
}
