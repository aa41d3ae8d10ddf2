import {
  PAGE_STYLES,
  type Scene,
  AS_USUAL,
  attribute,
  escapeHtml,
  kindOfFile,
  readValue,
  textChunk,
  fill,
} from '../../drawing'
import type { SiteDocument } from '../../fields'
import { safeAddress } from '../../addresses'
import { isFieldValue } from '../../tree'
import { type ElementSpec, prop, describe } from '../base'

const KILO = 1000
const SIZES = ['byte', 'kilobyte', 'megabyte', 'gigabyte'] as const

/** How large a file is, in the unit in which people say it. */
function sizeText(bytes: number, { formats }: Scene): string {
  const step = bytes < KILO ? 0 : Math.min(SIZES.length - 1, Math.floor(Math.log(bytes) / Math.log(KILO)))
  const size = bytes / KILO ** step
  return formats.number(size < 10 && step > 0 ? Math.round(size * 10) / 10 : Math.round(size), AS_USUAL, SIZES[step])
}

/** Kinds that people know by the letters at the end of a name; pages of sites have none. */
const kindText = (address: string): string => {
  const kind = kindOfFile(address.split(/[?#]/)[0]!)
  return /^(html?|php|aspx?)$/.test(kind) ? '' : kind.toUpperCase()
}

export const documents: ElementSpec = {
  type: 'documents',
  name: 'Documents',
  about: 'The documents of the entry, each with its kind, its size and how many pages it has, where they are known.',
  group: 'Entry',
  props: {
    value: {
      kind: 'field',
      essential: true,
      label: 'Of the field',
      default: { kind: 'field', of: 'page', field: 'documents' },
      kinds: ['documents'],
    },
    heading: { kind: 'text', label: 'Above them', default: '', most: 120 },
    one: { kind: 'text', label: 'For one page', default: '# page', most: 60 },
    other: { kind: 'text', label: 'For several', default: '# pages', most: 60 },
  },
  parts: {
    heading: { label: 'Above them', words: 'heading' },
    link: { label: 'Link', hides: false, states: ['hover', 'focus'] },
    kind: { label: 'Kind' },
    size: { label: 'Size' },
    pages: { label: 'How many pages' },
  },
  linked: true,
  css: [PAGE_STYLES.documents],
  summary: (props, names) => describe(props.value, names),
  draw(element, compile) {
    const say = (name: string) => prop(element, documents, name)
    const value = say('value')
    if (!isFieldValue(value)) return ''
    const open = `<div${compile.attributes(element, 'documents')}>`
    const headOpen = `<p${compile.part(element, 'heading')}${compile.words('heading')}>`
    const heading = compile.shows(element, 'heading') ? textChunk(say('heading')) : ''
    const link = compile.part(element, 'link')
    const counted = { one: String(say('one')), other: String(say('other')) }
    const toldIn = (name: string): ((text: string) => string) => {
      if (!compile.shows(element, name)) return () => ''
      const spanOpen = `<span${compile.part(element, name)}>`
      return (text) => text && `${spanOpen}${escapeHtml(text)}</span>`
    }
    const told = { kind: toldIn('kind'), size: toldIn('size'), pages: toldIn('pages') }
    const pagesText = (pages: number, { formats }: Scene): string =>
      formats.counted(pages, formats.number(pages, AS_USUAL), counted)

    const item = ({ name, address, size, pages }: SiteDocument, scene: Scene): string => {
      const href = safeAddress(address)
      if (!href) return ''
      const facts = [
        told.kind(kindText(href)),
        told.size(size === undefined ? '' : sizeText(size, scene)),
        told.pages(pages === undefined ? '' : pagesText(pages, scene)),
      ]
      const called = escapeHtml(name.trim() || href)
      return `<li><a${link}${attribute('href', href)}>${called}</a> ${facts.filter(Boolean).join(' · ')}</li>`
    }
    return (scene) => {
      const found = readValue(value, scene)
      const files = found && !('literal' in found) && found.kind === 'documents' ? (found.value as SiteDocument[]) : []
      const items = files.map((file) => item(file, scene)).join('')
      if (items === '') return ''
      const head = fill([heading], scene)
      return `${open}${head && `${headOpen}${head}</p>`}<ul>${items}</ul></div>`
    }
  },
}
