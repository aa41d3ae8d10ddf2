import { type Chunk, both, plainText, join } from '../../drawing'
import { directionOf } from '../../text'
import type { Property, Value } from '../../tree'

/** Words in another language than the page's, marked so (WCAG 2.2, 3.1.2). */
export const LANGUAGE: Extract<Property, { kind: 'text' }> = {
  kind: 'text',
  label: 'Language',
  default: '',
  most: 35,
  hint: 'A code such as fr or pt-BR, where it is another than the page’s.',
}

/** A language tag as far as it is told here (BCP 47): a language, and what narrows it. */
const TAG = /^[a-z]{2,3}(?:-[a-z0-9]{2,8}){0,3}$/i

function attributesFor(words: string): string {
  const tag = words.trim()
  if (!TAG.test(tag)) return ''
  return ` lang="${tag}" dir="${directionOf(tag)}"`
}

/** An opening tag, given without its end, with the language of what stands in it. */
export function inLanguage(open: string, language: Value): Chunk {
  if (language === '' || language === null) return `${open}>`
  return typeof language === 'string'
    ? `${open}${attributesFor(language)}>`
    : join(
        both(
          open,
          (scene) => attributesFor(plainText(language, scene)),
          (a, b) => `${a}${b}>`,
        ),
      )
}
