import { PAGE_STYLES, attribute, escapeHtml, fill, textChunk, unlessLeftOut, wrapFilled } from '../../drawing'
import { headingsOf } from '../../rich'
import { type ElementSpec, prop } from '../base'

/** A list of the headings of an entry's content, each leading to it. */
export const contents: ElementSpec = {
  type: 'contents',
  name: 'List of contents',
  about: 'The headings of the content of the entry, each leading to where it stands.',
  group: 'Entry',
  regions: ['intro', 'body'],
  props: {
    title: { kind: 'text', label: 'Title', default: 'On this page', most: 120 },
    deep: {
      kind: 'choice',
      label: 'Down to',
      default: '3',
      options: [
        { value: '2', label: 'Headings of level 2' },
        { value: '3', label: 'Headings of level 3' },
        { value: '4', label: 'Headings of level 4' },
      ],
    },
    least: {
      kind: 'number',
      label: 'Only from',
      default: 2,
      min: 1,
      max: 20,
      hint: 'Headings; with fewer of them it does not show.',
    },
  },
  parts: {
    title: { label: 'Title', words: 'title' },
    link: { label: 'Link', hides: false, states: ['hover', 'focus'] },
  },
  linked: true,
  css: [PAGE_STYLES.contents],
  summary: () => '',
  draw(element, compile) {
    const deep = Number(prop(element, contents, 'deep'))
    const least = Number(prop(element, contents, 'least'))
    const title = textChunk(prop(element, contents, 'title'))
    const shown = compile.shows(element, 'title')
    const titleOpen = `<p${compile.part(element, 'title')}${compile.words('title')}>`
    const own = compile.part(element, 'link')
    const open = `<nav${compile.attributes(element, 'contents')}`
    const said = wrapFilled(' aria-label="', title, '"')
    const above = shown ? wrapFilled(titleOpen, title, '</p>') : ''
    return unlessLeftOut('content', (scene) => {
      const { subject } = scene
      const doc = subject.kind === 'entry' ? subject.entry.content : null
      const found = doc ? [...headingsOf(doc).values()].filter(({ level }) => level <= deep) : []
      if (found.length < least) return ''
      const items = found.map(({ text, level, anchor }) => {
        const stands = level > 2 ? ` class="of-deep${level}"` : ''
        return `<li${stands}><a${own}${attribute('href', `#${anchor}`)}>${escapeHtml(text)}</a></li>`
      })
      return `${open}${fill([said], scene)}>${fill([above], scene)}<ol>${items.join('')}</ol></nav>`
    })
  },
}
