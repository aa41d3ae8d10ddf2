import { type FieldValue, isFieldValue } from '../tree'
import { type Reading, type Term, isRichDoc, safeAddress } from '../site'
import {
  attribute,
  escapeHtml,
  AS_USUAL,
  writeReading,
  both,
  contentChunk,
  type Scene,
  readingAddress,
  textChunk,
  img,
  keptFill,
} from '../drawing'
import { type ElementSpec, prop } from './spec'
import { RICH_CSS } from './text'
import { describe } from './words'

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
  const written = writeReading(reading, value.format ?? AS_USUAL, scene.formats, scene.catalogue)
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
const isBlock = (html: string): boolean =>
  html.charCodeAt(0) === 60 && (html.startsWith('<div') || html.startsWith('<ul'))

/** Kinds of field that are not written as a line of text. */
const DRAW: Partial<Record<Reading['kind'], Draw>> = {
  picture: pictures,
  pictures,
  documents,
  terms,
  rich: ({ value }, _value, scene) => {
    const chunk = isRichDoc(value) ? contentChunk(value) : ''
    const html = typeof chunk === 'string' ? chunk : chunk(scene)
    return html && `<div class="of-rich">${html}</div>`
  },
}

export const field: ElementSpec = {
  type: 'field',
  name: 'Field',
  about: 'One field with its label, in the format you choose; nothing at all when it is empty.',
  group: 'Entry',
  props: {
    value: {
      kind: 'field',
      label: 'Field',
      default: { kind: 'field', of: 'page', field: 'title' },
    },
    label: { kind: 'text', label: 'Label', default: '', most: 120 },
    arrange: {
      kind: 'choice',
      label: 'Label stands',
      default: 'before',
      options: [
        { value: 'before', label: 'Before the value' },
        { value: 'above', label: 'Above it' },
        { value: 'table', label: 'Left, value right' },
      ],
    },
    linked: { kind: 'yes-no', label: 'Lead to its page', default: true },
  },
  css: [
    RICH_CSS,
    '.of-field{overflow-wrap:break-word}.of-field .of-label{font-weight:600}.of-above .of-label{display:block}' +
      '.of-table{display:flex;gap:1em;justify-content:space-between}.of-table .of-value{text-align:right}' +
      '.of-pics{display:grid;grid-template-columns:repeat(auto-fill,minmax(9em,1fr));gap:.5em}.of-field ul{padding-left:1.2em}',
  ],
  parts: { label: { label: 'Label', words: 'label' }, value: { label: 'Value', hides: false } },
  summary: (props, names) => describe(props.value, names),
  draw(element, compile) {
    const value = prop(element, field, 'value')
    if (!isFieldValue(value)) return ''
    const linked = prop(element, field, 'linked') === true
    const arrange = String(prop(element, field, 'arrange'))
    const open = `<div${compile.attributes(element, 'field', ...(arrange === 'before' ? [] : [arrange]))}>`
    const label = compile.shows(element, 'label') ? textChunk(prop(element, field, 'label')) : ''
    const nameOpen = `<span${compile.part(element, 'label', 'label')}${compile.words('label')}>`
    const own = compile.part(element, 'value', 'value')
    // A value by itself needs no box of its own, unless it has looks of its own.
    const bare = own === ' class="of-value"'
    const wrap = (name: string, html: string): string => {
      if (!html) return ''
      if (!name && bare) return `${open}${html}</div>`
      // Paragraphs and lists cannot stand inside a line.
      const tag = isBlock(html) ? 'div' : 'span'
      const before = name && `${nameOpen}${name}</span> `
      return `${open}${before}<${tag}${own}>${html}</${tag}></div>`
    }
    const write = (reading: Reading, scene: Scene) => (DRAW[reading.kind] ?? text)(reading, value, scene, linked)
    const fallback = textChunk(value.fallback)
    const otherwise = typeof fallback === 'string' ? () => fallback : fallback
    // A label that is known is kept with what it stands beside.
    if (typeof label === 'string')
      return keptFill(
        value,
        (reading, scene) => wrap(label, write(reading, scene)),
        (scene) => wrap(label, otherwise(scene)),
      )
    return both(label, keptFill(value, write, otherwise), wrap)
  },
}
