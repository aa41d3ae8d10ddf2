import {
  PAGE_STYLES,
  FOCUS_CSS,
  type Chunk,
  attribute,
  escapeHtml,
  img,
  isOwnFilm,
  linkAddress,
  pictureOf,
  plainText,
} from '../../drawing'
import { type ElementSpec, prop, describe } from '../base'

export const film: ElementSpec = {
  type: 'film',
  name: 'Film',
  about: 'A still until it is pressed; then the film plays in its place, or is gone to where it lies elsewhere.',
  group: 'Pictures',
  props: {
    film: { kind: 'link', label: 'Film', default: null, dynamic: true, hint: 'A file of the site, or an address.' },
    still: { kind: 'picture', label: 'Still', default: null, dynamic: true },
    title: { kind: 'text', label: 'Title', default: '', most: 200 },
    play: { kind: 'text', label: 'Button', default: 'Play the film', most: 80 },
  },
  madeOf: ['words', 'pictures'],
  parts: {
    play: { label: 'Button', hides: false, states: ['hover', 'focus'] },
    title: { label: 'Title', words: 'title' },
  },
  ground: 'own',
  css: [FOCUS_CSS, PAGE_STYLES.film],
  summary: (props, names) => describe(props.title, names) || describe(props.film, names),
  draw(element, compile) {
    const say = (name: string) => prop(element, film, name)
    const open = `<figure${compile.attributes(element, 'filmbox')}>`
    const play = `<span${compile.part(element, 'play', 'play')}>`
    const captionOpen = `<figcaption${compile.part(element, 'title')}${compile.words('title')}>`
    const captioned = compile.shows(element, 'title')
    compile.script('film')
    const drawn: Chunk = (scene) => {
      const href = linkAddress(say('film'), scene)
      if (!href) return ''
      const still = pictureOf(say('still'), scene)
      const title = escapeHtml(plainText(say('title'), scene))
      // One elsewhere is led to, and nothing of it is asked for before that.
      const own = isOwnFilm(href) ? ' data-film' : ''
      const picture = still ? img(still, '', { sizes: compile.sizes }) : ''
      const words = escapeHtml(plainText(say('play'), scene) || 'Play the film')
      const about = title && `<span class="of-sr">: ${title}</span>`
      const caption = title && captioned ? `${captionOpen}${title}</figcaption>` : ''
      return `${open}<a${attribute('href', href)}${own}>${picture}${play}${words}${about}</span></a>${caption}</figure>`
    }
    return drawn
  },
}
