import { Node, mergeAttributes } from '@tiptap/core'
import { TableKit } from '@tiptap/extension-table'
import type { AnyExtension } from '@tiptap/vue-3'
import type { Catalogue } from '#core/catalogue'
import { safeAddress } from '#core/addresses'
import { pictureAddress } from '#core/drawing'

/** A block that stands for one thing: chosen whole, with what is said of it as attributes. */
const whole = (
  name: string,
  attributes: readonly string[],
  tag: string,
  draw: (attrs: Record<string, string | null>) => unknown[],
) =>
  Node.create({
    name,
    group: 'block',
    atom: true,
    draggable: true,
    addAttributes: () =>
      Object.fromEntries(
        attributes.map((key) => [
          key,
          {
            default: null,
            parseHTML: (element: HTMLElement) => element.getAttribute(`data-${key}`),
            renderHTML: (attrs: Record<string, unknown>) => (attrs[key] ? { [`data-${key}`]: attrs[key] } : {}),
          },
        ]),
      ),
    parseHTML: () => [{ tag: `${tag}[data-${attributes[0]}]` }],
    renderHTML: ({ node, HTMLAttributes }) =>
      [tag, mergeAttributes(HTMLAttributes, { class: 'rich-whole' }), ...draw(node.attrs)] as never,
  })

/** What the text of an entry may hold besides words: tables, pictures of the site, films by their address. */
export function richBlocks(catalogue: () => Catalogue): AnyExtension[] {
  const picture = whole('picture', ['id', 'alt', 'caption'], 'figure', ({ id, alt, caption }) => {
    const found = catalogue().pictures.get(id ?? '')
    const shown = found
      ? ['img', { src: pictureAddress(found), alt: alt ?? found.alt, draggable: 'false' }]
      : ['span', {}, 'a picture that is gone']
    return [shown, ...(caption ? [['figcaption', {}, caption]] : [])]
  })
  const film = whole('film', ['address', 'title'], 'p', ({ address, title }) => [`Film: ${title ?? address ?? ''}`])
  return [TableKit.configure({ table: { resizable: false } }), picture, film]
}

/** The address of a film, if it is one that may be led to. */
export const filmAddress = (typed: string): string | null => safeAddress(typed.trim())
