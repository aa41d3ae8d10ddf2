import { PAGE_STYLES, richChunk, wrapFilled } from '../../drawing'
import { type RichNode, isRichDoc } from '../../rich'
import { LANGUAGE, inLanguage, type ElementSpec, prop, describe } from '../base'

/** The looks of running text, shared by the text element and by entry content. */
export const RICH_CSS = PAGE_STYLES.rich

const hasLink = (nodes: readonly RichNode[] = []): boolean =>
  nodes.some((n) => n.marks?.some((m) => m.type === 'link') || hasLink(n.content))

export const text: ElementSpec = {
  type: 'text',
  name: 'Text',
  about: 'Paragraphs, lists and links, with dynamic fields anywhere inside.',
  group: 'Words',
  props: {
    text: {
      kind: 'rich',
      label: 'Text',
      default: { type: 'doc', content: [{ type: 'paragraph', content: [{ type: 'text', text: 'Write here.' }] }] },
    },
    language: LANGUAGE,
  },
  linked: ({ props }) => isRichDoc(props.text) && hasLink(props.text.content),
  css: [RICH_CSS],
  summary: (props, names) => describe(props.text, names),
  draw(element, compile) {
    const doc = prop(element, text, 'text')
    return isRichDoc(doc)
      ? wrapFilled(
          inLanguage(
            `<div${compile.attributes(element, 'rich')}${compile.words('text')}`,
            prop(element, text, 'language'),
          ),
          richChunk(doc),
          '</div>',
        )
      : ''
  },
}
