import type { FieldValue } from '../../tree'
import { READINGS, type Reading, type ReadingSpec } from '../../fields'
import type { Term } from '../../model'
import { isRichDoc } from '../../rich'
import { safeAddress } from '../../addresses'
import {
  attribute,
  escapeHtml,
  AS_USUAL,
  writeValue,
  contentChunk,
  type Scene,
  readingAddress,
  textChunk,
  img,
  keptFill,
  type Fill,
} from '../../drawing'

/** How the value of a field is drawn where elements show it: as words that may lead somewhere, as pictures, as files. */

type Draw = (reading: Reading, value: FieldValue, scene: Scene, linked: boolean) => string

function pictures({ value }: Reading, _: FieldValue, { catalogue }: Scene): string {
  const ids = Array.isArray(value) ? value : [value]
  let html = ''
  for (const id of ids) {
    const picture = catalogue.pictures.get(String(id))
    if (picture) html += img(picture, picture.alt, { sizes: '33vw' })
  }
  return html && `<span class="of-pics">${html}</span>`
}

function documents({ value }: Reading): string {
  let html = ''
  for (const file of Array.isArray(value) ? (value as { name?: unknown; address?: unknown }[]) : []) {
    const href = typeof file.address === 'string' ? safeAddress(file.address) : null
    if (href) html += `<li><a${attribute('href', href)}>${escapeHtml(String(file.name ?? href))}</a></li>`
  }
  return html && `<ul>${html}</ul>`
}

const text: Draw = (reading, value, scene, linked) => {
  const written = writeValue(reading, value, scene)
  if (!written) return ''
  const html = escapeHtml(written)
  const href = linked ? readingAddress(reading, scene) : null
  const shown = href ? `<a${attribute('href', href)}>${html}</a>` : html
  return escapeHtml(value.before ?? '') + shown + escapeHtml(value.after ?? '')
}

/** Terms lead each to its own page, where they have one. */
const terms: Draw = (reading, value, scene, linked) => {
  if (!linked) return text(reading, value, scene, false)
  const { catalogue, formats } = scene
  const found = (reading.value as string[]).flatMap((id) => catalogue.terms.get(id) ?? [])
  const write = (term: Term): string => {
    const page = catalogue.page(`term:${term.id}`)
    const title = escapeHtml(term.title)
    return page ? `<a${attribute('href', page.address)}>${title}</a>` : title
  }
  const html = formats.listOf(found, value.format ?? AS_USUAL, write, escapeHtml)
  return html && escapeHtml(value.before ?? '') + html + escapeHtml(value.after ?? '')
}

/** Most values are words, so that one look tells. */
export const isBlock = (html: string): boolean =>
  html.charCodeAt(0) === 60 && (html.startsWith('<div') || html.startsWith('<ul'))

const rich: Draw = (reading, field, scene, linked) => {
  if (field.format?.first !== undefined) return text(reading, field, scene, linked)
  const { value } = reading
  const chunk = isRichDoc(value) ? contentChunk(value) : ''
  const html = typeof chunk === 'string' ? chunk : chunk(scene)
  return html && `<div class="of-rich">${html}</div>`
}

/** Each way in which kinds of field are drawn. */
const DRAW: Readonly<Record<ReadingSpec['drawn'], Draw>> = {
  words: text,
  images: pictures,
  files: documents,
  terms,
  rich,
}

/** What a reading comes to as HTML, between the words around it. */
export const readingHtml = (reading: Reading, value: FieldValue, scene: Scene, linked: boolean): string =>
  DRAW[READINGS[reading.kind].drawn](reading, value, scene, linked)

/** What stands in where a field says nothing. */
export function fallbackFill(value: FieldValue): Fill {
  const fallback = textChunk(value.fallback)
  return typeof fallback === 'string' ? () => fallback : fallback
}

/** The value of a field; what it came to for a value is kept. */
export const valueFill = (value: FieldValue, linked: boolean): Fill =>
  keptFill(value, (reading, scene) => readingHtml(reading, value, scene, linked), fallbackFill(value))
