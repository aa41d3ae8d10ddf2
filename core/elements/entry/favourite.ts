import { PAGE_STYLES, ICON_CSS, attribute, escapeHtml, iconSvg, plainText } from '../../drawing'
import { BUTTON_CSS, BUTTON_LOOK, ICON } from '../words'
import { type ElementSpec, prop } from '../base'

export const favourite: ElementSpec = {
  type: 'favourite',
  name: 'Favourite button',
  about: 'Marks the entry as a favourite of the visitor, kept in their browser. Without script it is not there.',
  group: 'Entry',
  props: {
    mark: { kind: 'text', label: 'To mark it', default: 'Mark as a favourite', most: 80 },
    marked: { kind: 'text', label: 'Once it is marked', default: 'A favourite', most: 80 },
    icon: { ...ICON, default: 'heart' },
    look: BUTTON_LOOK,
  },
  parts: { icon: { label: 'Icon' } },
  states: ['hover', 'focus'],
  ground: 'look',
  css: [ICON_CSS, BUTTON_CSS, PAGE_STYLES.favourite],
  summary: () => '',
  draw(element, compile) {
    compile.script('favourites')
    const say = (name: string) => prop(element, favourite, name)
    const open = `<button type="button" hidden${compile.attributes(element, 'btn', 'favourite', compile.look(say('look')))}`
    const icon = compile.shows(element, 'icon') ? `<span${compile.part(element, 'icon')}>` : ''
    return (scene) => {
      if (scene.subject.kind !== 'entry') return ''
      const said = (name: 'mark' | 'marked') =>
        plainText(say(name), scene) || String(favourite.props[name]!.default as string)
      const svg = icon && iconSvg(plainText(say('icon'), scene).trim().toLowerCase())
      const sign = svg && `${icon}${svg}</span>`
      const words = attribute('data-mark', said('mark')) + attribute('data-marked', said('marked'))
      const which = attribute('data-favourite', scene.subject.entry.id)
      return `${open}${which}${words} aria-pressed="false">${sign}<span data-label>${escapeHtml(said('mark'))}</span></button>`
    }
  },
}
