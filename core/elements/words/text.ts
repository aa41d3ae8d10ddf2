import { richChunk, wrapFilled } from '../../drawing'
import { type RichNode, isRichDoc } from '../../rich'
import { LANGUAGE, inLanguage, type ElementSpec, prop, describe } from '../base'

/** The looks of running text, shared by the text element and by entry content. */
export const RICH_CSS =
  '.of-rich>*+*{margin-top:.8em}.of-rich ul,.of-rich ol{padding-left:1.3em}.of-rich li+li{margin-top:.25em}' +
  '.of-rich blockquote{padding-left:1em;border-left:2px solid var(--q-edge,currentColor);font-style:var(--q-style,italic)}' +
  '.of-rich hr{border:0;border-top:1px solid currentColor;opacity:.3}.of-rich{overflow-wrap:break-word}' +
  '.of-table{overflow-x:auto}.of-rich table{border-collapse:collapse;min-width:100%}' +
  '.of-rich th,.of-rich td{padding:.4em .6em;border-bottom:1px solid var(--t-edge,color-mix(in srgb,currentColor 25%,transparent));text-align:start;vertical-align:top}' +
  '.of-rich th{background:var(--t-head,none)}.of-rich tr:nth-child(even)>td{background:var(--t-stripe,none)}' +
  '.of-rich figcaption{margin-top:.4em;font-size:.85em;opacity:.8}.of-rich video{max-width:100%}'

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
