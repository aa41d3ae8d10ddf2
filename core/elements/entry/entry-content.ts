import { anchoredChunk, unlessLeftOut } from '../../drawing'
import { RICH_CSS } from '../words'
import type { ElementSpec } from '../base'

export const entryContent: ElementSpec = {
  type: 'entry-content',
  name: 'Entry content',
  about: 'What writers wrote: the content of the entry that the page shows.',
  group: 'Entry',
  regions: ['body'],
  once: true,
  props: {},
  linked: true,
  css: [RICH_CSS],
  summary: () => '',
  draw(element, compile) {
    const open = `<div${compile.attributes(element, 'rich', 'content')}>`
    return unlessLeftOut('content', (scene) => {
      const { subject } = scene
      const doc = subject.kind === 'entry' ? subject.entry.content : null
      const chunk = doc ? anchoredChunk(doc) : ''
      const html = typeof chunk === 'string' ? chunk : chunk(scene)
      return html && `${open}${html}</div>`
    })
  },
}
