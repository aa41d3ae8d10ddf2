import { PAGE_STYLES, both, hrefChunk, richChunk, textChunk, wrapFilled } from '../../drawing'
import { isRichDoc } from '../../rich'
import { RICH_CSS } from './text'
import { type ElementSpec, prop, describe } from '../base'

export const quote: ElementSpec = {
  type: 'quote',
  name: 'Quote',
  about: 'What somebody said, with who said it.',
  group: 'Words',
  props: {
    text: {
      kind: 'rich',
      label: 'Words',
      default: {
        type: 'doc',
        content: [{ type: 'paragraph', content: [{ type: 'text', text: 'What somebody said.' }] }],
      },
    },
    source: { kind: 'text', label: 'Said by', default: '', most: 200 },
    link: { kind: 'link', label: 'Leads to', default: null, dynamic: true },
  },
  parts: { words: { label: 'Words', hides: false }, source: { label: 'Said by', words: 'source' } },
  css: [RICH_CSS, PAGE_STYLES.quote],
  summary: (props, names) => describe(props.text, names),
  draw(element, compile) {
    const doc = prop(element, quote, 'text')
    const source = textChunk(prop(element, quote, 'source'))
    const href = hrefChunk(prop(element, quote, 'link'))
    const named = both(href, source, (to, name) => (to && name ? `<a href="${to}">${name}</a>` : name))
    const below = compile.shows(element, 'source')
      ? wrapFilled(`<figcaption${compile.part(element, 'source')}${compile.words('source')}>`, named, '</figcaption>')
      : ''
    const words = isRichDoc(doc) ? richChunk(doc) : ''
    const said = wrapFilled(
      `<blockquote${compile.part(element, 'words', 'rich')}${compile.words('text')}>`,
      words,
      '</blockquote>',
    )
    return both(
      said,
      below,
      (above, who) => above && `<figure${compile.attributes(element, 'quote')}>${above}${who}</figure>`,
    )
  },
}
