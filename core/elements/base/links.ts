import { type Chunk, type Compile, both, hrefChunk, textChunk } from '../../drawing'
import type { Item, Value } from '../../tree'

/**
 * A link with words of its own, as an item of a property (`items`) says it: nothing where it has no words, nor, for
 * visitors, where it leads nowhere. `looks` are its attributes.
 */
export function linkOf({ id, props }: Item, items: string, looks: string, compile: Compile): Chunk {
  const own = looks + compile.words('label', { items, item: id })
  const value = (name: string): Value => props[name] ?? null
  return both(hrefChunk(value('link')), textChunk(value('label')), (href, label) =>
    label && (href || compile.open) ? `<a${own}${href && ` href="${href}"`}>${label}</a>` : '',
  )
}
