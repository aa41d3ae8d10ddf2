import { PAGE_STYLES, both, richChunk, textChunk, wrapFilled, type Chunk } from '../../drawing'
import { isRichDoc } from '../../rich'
import { shortHash } from '../../styles'
import { RICH_CSS } from './text'
import { type ElementSpec, prop, describe } from '../base'

export const notice: ElementSpec = {
  type: 'notice',
  name: 'Notice',
  about: 'Words that everybody should see for a while. A visitor may close it; it comes back once its words change.',
  group: 'Words',
  props: {
    text: {
      kind: 'rich',
      label: 'Text',
      default: {
        type: 'doc',
        content: [{ type: 'paragraph', content: [{ type: 'text', text: 'Something is new.' }] }],
      },
    },
    closes: { kind: 'yes-no', label: 'May be closed', default: true },
    close: { kind: 'text', label: 'Button that closes', default: 'Close', most: 40 },
  },
  parts: {
    text: { label: 'Text', hides: false, words: 'text' },
    close: { label: 'Button that closes', hides: false, states: ['hover', 'focus'] },
  },
  css: [RICH_CSS, PAGE_STYLES.notice],
  summary: (props, names) => describe(props.text, names),
  draw(element, compile) {
    const text = prop(element, notice, 'text')
    const closes = prop(element, notice, 'closes') === true
    if (!isRichDoc(text)) return ''
    const attributes = compile.attributes(element, 'notice')
    const words: Chunk = richChunk(text)
    const open = `<div${compile.part(element, 'text', 'rich')}${compile.words('text')}>`
    if (!closes) return wrapFilled(`<div${attributes} role="note">${open}`, words, '</div></div>')
    compile.script('notice')
    const close = prop(element, notice, 'close')
    const button = `<button type="button" hidden${compile.part(element, 'close')}>`
    // Known by its words: other words are another notice.
    return both(words, textChunk(close), (html, label) => {
      const shut = `${button}${label || notice.props.close!.default}</button>`
      return html && `<div${attributes} role="note" data-notice="${shortHash(html)}">${open}${html}</div>${shut}</div>`
    })
  },
}
