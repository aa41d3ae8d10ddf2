import type { Catalogue } from '../catalogue'
import { isRichDoc } from '../rich'
import { fill } from './chunk'
import type { Formats } from './format'
import { contentChunk } from './rich'
import { sceneOf } from './scene'

/** Rich text as HTML, as visitors get it, for what is read outside of a page; empty for what is none. */
export function richHtml(value: unknown, catalogue: Catalogue, formats: Formats): string {
  return isRichDoc(value) ? fill([contentChunk(value)], sceneOf(catalogue, formats, catalogue.notFound)) : ''
}
