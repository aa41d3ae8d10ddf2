import { PAGE_STYLES, attribute, escapeHtml, join, textChunk } from '../../drawing'
import { BUTTON_CSS, BUTTON_LOOK } from '../words'
import { type ElementSpec, prop } from '../base'

export const searchBox: ElementSpec = {
  type: 'search-box',
  name: 'Search box',
  about: 'A field to search the site with, filled with what was searched for.',
  group: 'Site',
  form: 'is',
  props: {
    label: { kind: 'text', label: 'Label', default: 'Search this site', most: 80 },
    button: { kind: 'text', label: 'Button', default: 'Search', most: 40 },
    suggests: {
      kind: 'yes-no',
      label: 'Offers pages while one types',
      default: false,
      hint: 'Where the browser runs scripts.',
    },
    look: { ...BUTTON_LOOK, label: 'Look of the button' },
  },
  css: [PAGE_STYLES.searchBox, BUTTON_CSS],
  parts: {
    label: { label: 'Label', words: 'label' },
    field: { label: 'Field', hides: false, states: ['hover', 'focus'] },
    button: { label: 'Button', words: 'button', states: ['hover', 'focus'] },
  },
  begins: { suggests: true },
  summary: () => '',
  draw(element, compile) {
    const label = textChunk(prop(element, searchBox, 'label'))
    // A label that is not shown is heard all the same.
    const labelled = compile.shows(element, 'label')
      ? join(`<span${compile.part(element, 'label')}${compile.words('label')}>`, label, '</span>')
      : join('<span class="of-sr">', label, '</span>')
    const button = compile.shows(element, 'button')
      ? join(
          `<button type="submit"${compile.part(element, 'button', 'btn', compile.look(prop(element, searchBox, 'look')))}${compile.words('button')}>`,
          textChunk(prop(element, searchBox, 'button')),
          '</button>',
        )
      : ''
    const suggests = prop(element, searchBox, 'suggests') === true
    if (suggests) compile.script('suggest')
    const list = suggests ? attribute('data-suggest', `of-offers-${element.id}`) : ''
    return join(
      `<search${compile.attributes(element, 'search-box')}><form action="/search" method="get"><label>`,
      labelled,
      `<input type="search" name="q" maxlength="200"${list}${compile.part(element, 'field')} value="`,
      ({ query }) => escapeHtml(query),
      '"></label>',
      button,
      '</form></search>',
    )
  },
}
