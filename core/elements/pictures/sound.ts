import {
  PAGE_STYLES,
  type Chunk,
  attribute,
  escapeHtml,
  isOwnSound,
  linkAddress,
  plainText,
  richChunk,
  wrapFilled,
} from '../../drawing'
import { isRichDoc } from '../../rich'
import { type ElementSpec, prop, describe } from '../base'

export const sound: ElementSpec = {
  type: 'sound',
  name: 'Sound',
  about: 'A recording of the site is played here, and fetched once it is pressed; one elsewhere is led to.',
  group: 'Pictures',
  props: {
    sound: { kind: 'link', label: 'Sound', default: null, dynamic: true, hint: 'A file of the site, or an address.' },
    title: { kind: 'text', label: 'Title', default: '', most: 200 },
    words: { kind: 'rich', label: 'What is heard, in words', default: { type: 'doc', content: [] } },
  },
  parts: { title: { label: 'Title', words: 'title' }, words: { label: 'What is heard' } },
  linked: true,
  css: [PAGE_STYLES.sound],
  summary: (props, names) => describe(props.title, names) || describe(props.sound, names),
  draw(element, compile) {
    const say = (name: string) => prop(element, sound, name)
    const open = `<figure${compile.attributes(element, 'sound')}>`
    const captionOpen = `<figcaption${compile.part(element, 'title')}${compile.words('title')}>`
    const captioned = compile.shows(element, 'title')
    const doc = say('words')
    const wordsOpen = `<div${compile.part(element, 'words', 'rich')}>`
    const words =
      compile.shows(element, 'words') && isRichDoc(doc) ? wrapFilled(wordsOpen, richChunk(doc), '</div>') : ''
    const drawn: Chunk = (scene) => {
      const href = linkAddress(say('sound'), scene)
      if (!href) return ''
      const title = escapeHtml(plainText(say('title'), scene))
      const below = typeof words === 'string' ? words : words(scene)
      // One elsewhere is led to, and nothing of it is asked for before that.
      if (!isOwnSound(href))
        return `${open}<a${attribute('href', href)}>${title || escapeHtml(href)}</a>${below}</figure>`
      const caption = title && captioned ? `${captionOpen}${title}</figcaption>` : ''
      const named = title ? ` aria-label="${title}"` : ''
      return `${open}<audio controls preload="none"${attribute('src', href)}${named}></audio>${caption}${below}</figure>`
    }
    return drawn
  },
}
