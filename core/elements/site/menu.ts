import { PAGE_STYLES, type Scene, escapeHtml, plainText } from '../../drawing'
import { PANEL_CSS, PANEL_PARTS, PANEL_PROPS, panelOf } from './folding'
import { type ItemLooks, halfOf, list } from './menu-items'
import { withClassesOf } from './parts'
import { type ElementSpec, prop } from '../base'

const LIST_CSS = PAGE_STYLES.menuList

/** Lists that drop down: by pointer, by the button beside, by focus where no script sees to it. */
const DROP_CSS = PAGE_STYLES.menuDrop

const BROAD_CSS = PAGE_STYLES.menuBroad

export const menu: ElementSpec = {
  type: 'menu',
  name: 'Menu',
  about: 'A named tree of links, in a line or as a list; where there is no room, in a panel behind a button.',
  group: 'Site',
  props: {
    menu: { kind: 'menu', essential: true, label: 'Menu', default: null },
    half: {
      kind: 'choice',
      label: 'Shows',
      default: 'all',
      options: [
        { value: 'all', label: 'All of it' },
        { value: 'first', label: 'Its first half' },
        { value: 'second', label: 'Its second half' },
      ],
    },
    direction: {
      kind: 'choice',
      label: 'Runs',
      default: 'across',
      options: [
        { value: 'across', label: 'Across' },
        { value: 'down', label: 'Down' },
      ],
    },
    levels: { kind: 'number', label: 'Levels', default: 3, min: 1, max: 3 },
    lists: {
      kind: 'choice',
      label: 'Lists below',
      default: 'narrow',
      options: [
        { value: 'narrow', label: 'Drop down' },
        { value: 'broad', label: 'In broad panels' },
        { value: 'pictures', label: 'Broad, with a picture' },
      ],
    },
    here: {
      kind: 'choice',
      label: 'Where one is',
      default: 'line',
      options: [
        { value: 'line', label: 'A line below' },
        { value: 'box', label: 'A box around' },
        { value: 'nothing', label: 'Nothing' },
      ],
    },
    between: {
      kind: 'choice',
      label: 'Between',
      default: 'nothing',
      options: [
        { value: 'nothing', label: 'Nothing' },
        { value: 'line', label: 'A line' },
        { value: 'dot', label: 'A dot' },
        { value: 'slash', label: 'A slash' },
      ],
    },
    more: {
      kind: 'text',
      label: 'Button of a list',
      default: 'more',
      most: 60,
      hint: 'Heard after the words of its link.',
    },
    title: { kind: 'yes-no', label: 'Show its name', default: false },
    fold: {
      kind: 'choice',
      label: 'Behind a button',
      default: 'never',
      options: [
        { value: 'never', label: 'Never' },
        { value: 'narrow', label: 'On narrow windows' },
        { value: 'medium', label: 'On narrow and medium ones' },
        { value: 'always', label: 'Always' },
        { value: 'away-narrow', label: 'In the panel of menus, on narrow windows' },
        { value: 'away-medium', label: 'In the panel of menus, on narrow and medium ones' },
      ],
    },
    ...PANEL_PROPS,
  },
  css: [LIST_CSS, DROP_CSS, BROAD_CSS, PANEL_CSS],
  parts: {
    name: { label: 'Name', hides: false },
    link: { label: 'Link', hides: false, states: ['hover', 'focus', 'current'] },
    above: { label: 'Link to a page above', hides: false, states: ['hover', 'focus'] },
    ...PANEL_PARTS,
  },
  summary: (props, names) =>
    typeof props.menu === 'string' ? (names.menu(props.menu) ?? 'a menu that no longer exists') : 'no menu chosen',
  draw(element, compile) {
    const id = prop(element, menu, 'menu')
    if (typeof id !== 'string') return ''
    const say = (name: string) => prop(element, menu, name)
    const named = say('title') === true
    const fold = String(say('fold'))
    const away = fold.startsWith('away-')
    const across = say('direction') === 'across'
    const lists = String(say('lists'))
    const classes = [
      'menu',
      String(say('direction')),
      ...(fold === 'never' ? [] : away ? [fold] : [`fold-${fold}`]),
      ...(say('here') === 'nothing' ? [] : [String(say('here'))]),
      ...(say('between') === 'nothing' || !across ? [] : [`between-${String(say('between'))}`]),
      ...(across ? ['drops'] : []),
      ...(across && lists !== 'narrow' ? ['broad'] : []),
    ]
    const attributes = compile.attributes(element, ...classes)
    const link = compile.part(element, 'link')
    const looks: Omit<ItemLooks, 'more'> = {
      link,
      // The item above the page is a link like the others, with what is set for it on top.
      above: withClassesOf(compile.part(element, 'above', 'above'), link),
      levels: Number(say('levels')),
      drops: across,
      pictures: across && lists === 'pictures',
    }
    const nameOpen = `<p${compile.part(element, 'name', 'menu-name')}>`
    const within = fold === 'never' || away ? null : panelOf(element, compile, say)
    if (across) compile.script('menu')
    const more = (scene: Scene) => escapeHtml(plainText(say('more'), scene) || 'more')
    return (scene) => {
      const chosen = scene.menus.get(id)
      const { html } = list(chosen ? halfOf(chosen.items, String(say('half'))) : [], scene, {
        ...looks,
        more: more(scene),
      })
      if (!html) return ''
      const label = escapeHtml(chosen!.name)
      // The same menu may stand in the header and in the footer, or in two halves; landmarks are told apart by their names.
      const half = say('half') === 'second' ? `${label}, continued` : label
      const landmark = compile.region === 'header' ? half : `${half}, ${compile.region}`
      const title = named ? `${nameOpen}${label}</p>` : ''
      return `<nav${attributes} aria-label="${landmark}">${title}${within ? within(html, scene) : html}</nav>`
    }
  },
}
