import type { RichDoc, RichNode } from '../core/rich'

const text = (t: string): RichNode => ({ type: 'text', text: t })

/** `*words*` become emphasis and `[label](address)` a link; nothing else is read. */
function inline(source: string): RichNode[] {
  const nodes: RichNode[] = []
  const pattern = /\*([^*]+)\*|\[([^\]]+)\]\(([^)]+)\)/g
  let at = 0
  for (const match of source.matchAll(pattern)) {
    if (match.index > at) nodes.push(text(source.slice(at, match.index)))
    if (match[1]) nodes.push({ ...text(match[1]), marks: [{ type: 'italic' }] })
    else nodes.push({ ...text(match[2]!), marks: [{ type: 'link', attrs: { href: match[3] } }] })
    at = match.index + match[0].length
  }
  if (at < source.length) nodes.push(text(source.slice(at)))
  return nodes
}

/** Rich text from plain lines: `## ` begins a heading, `- ` an item of a list, anything else a paragraph. */
export function rich(...lines: string[]): RichDoc {
  const content: RichNode[] = []
  for (const line of lines) {
    if (line.startsWith('## ')) content.push({ type: 'heading', attrs: { level: 2 }, content: inline(line.slice(3)) })
    else if (line.startsWith('- ')) {
      const item = { type: 'listItem', content: [{ type: 'paragraph', content: inline(line.slice(2)) }] }
      const last = content.at(-1)
      if (last?.type === 'bulletList') last.content!.push(item)
      else content.push({ type: 'bulletList', content: [item] })
    } else content.push({ type: 'paragraph', content: inline(line) })
  }
  return { type: 'doc', content }
}
