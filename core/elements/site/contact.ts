import {
  PAGE_STYLES,
  type Chunk,
  type Compile,
  type Fill,
  both,
  escapeHtml,
  hrefChunk,
  join,
  plainText,
  textChunk,
  wrapFilled,
} from '../../drawing'
import { safeAddress } from '../../addresses'
import type { LayoutElement, Value } from '../../tree'
import { type ElementSpec, prop, describe } from '../base'

const part = (label: string) => ({ label }) as const

/** A line of details with a part of its own, hidden where it is said so. */
function line(element: LayoutElement, compile: Compile, name: string, chunk: Chunk): Chunk {
  return compile.shows(element, name) ? wrapFilled(`<p${compile.part(element, name)}>`, chunk, '</p>') : ''
}

/** Words that lead where they say: a mail address, or a telephone number, which is never parted at the end of a line. */
const leading =
  (value: Value, address: (words: string) => string, shown = escapeHtml): Fill =>
  (scene) => {
    const words = plainText(value, scene)
    const href = words && safeAddress(address(words))
    return href ? `<a href="${escapeHtml(href)}">${shown(words)}</a>` : escapeHtml(words)
  }
const unbroken = (words: string): string => escapeHtml(words).replaceAll(' ', '&nbsp;')

export const contact: ElementSpec = {
  type: 'contact',
  name: 'Contact details',
  about: 'A name, an address, telephone and mail, each of which can be called or written to.',
  group: 'Site',
  props: {
    name: { kind: 'text', label: 'Name', default: '', most: 200 },
    street: { kind: 'text', label: 'Street', default: '', most: 200 },
    place: { kind: 'text', label: 'Postal code and place', default: '', most: 200 },
    country: { kind: 'text', label: 'Country', default: '', most: 120 },
    telephone: { kind: 'text', label: 'Telephone', default: '', most: 60 },
    mail: { kind: 'text', label: 'Mail address', default: '', most: 200 },
    way: { kind: 'text', label: 'Words of the way there', default: '', most: 120 },
    link: { kind: 'link', label: 'The way there leads to', default: null, dynamic: true },
  },
  parts: {
    name: part('Name'),
    address: part('Address'),
    telephone: part('Telephone'),
    mail: part('Mail address'),
    way: part('Way there'),
  },
  begins: { name: { kind: 'field', of: 'site', field: 'name' } },
  css: [PAGE_STYLES.contact],
  summary: (props, names) => describe(props.name, names),
  draw(element, compile) {
    const text = (name: string) => textChunk(prop(element, contact, name))
    const break_ = (chunk: Chunk) => wrapFilled('', chunk, '<br>')
    const address = both(join(break_(text('street')), break_(text('place'))), text('country'), (above, country) =>
      country ? above + country : above.replace(/<br>$/, ''),
    )
    const way = both(hrefChunk(prop(element, contact, 'link')), text('way'), (href, words) =>
      href && words ? `<a href="${href}">${words}</a>` : words,
    )
    const lines = join(
      line(element, compile, 'name', wrapFilled('<strong>', text('name'), '</strong>')),
      line(element, compile, 'address', address),
      line(
        element,
        compile,
        'telephone',
        leading(prop(element, contact, 'telephone'), (t) => `tel:${t.replace(/[^\d+]/g, '')}`, unbroken),
      ),
      line(
        element,
        compile,
        'mail',
        leading(prop(element, contact, 'mail'), (t) => `mailto:${t}`),
      ),
      line(element, compile, 'way', way),
    )
    return wrapFilled(`<address${compile.attributes(element, 'contact')}>`, lines, '</address>')
  },
}
