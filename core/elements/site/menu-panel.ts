import { PAGE_STYLES, escapeHtml } from '../../drawing'
import { PANEL_CSS, PANEL_PARTS, PANEL_PROPS, panelOf } from './folding'
import { type ItemLooks, list } from './menu-items'
import { type ElementSpec, prop } from '../base'

export const menuPanel: ElementSpec = {
  type: 'menu-panel',
  name: 'Panel of menus',
  about:
    'One button behind which several menus stand together, in an order of choice, where there is no room for them.',
  group: 'Site',
  props: {
    menus: {
      kind: 'items',
      label: 'Menus',
      default: [],
      one: 'Menu',
      named: 'menu',
      most: 12,
      of: {
        menu: { kind: 'menu', essential: true, label: 'Menu', default: null },
        title: { kind: 'yes-no', label: 'Show its name', default: false },
      },
    },
    fold: {
      kind: 'choice',
      label: 'Stands here',
      default: 'narrow',
      options: [
        { value: 'narrow', label: 'On narrow windows' },
        { value: 'medium', label: 'On narrow and medium ones' },
        { value: 'always', label: 'Always' },
      ],
    },
    ...PANEL_PROPS,
  },
  css: [PAGE_STYLES.menuPanel, PANEL_CSS],
  parts: {
    name: { label: 'Name', hides: false },
    link: { label: 'Link', hides: false, states: ['hover', 'focus', 'current'] },
    ...PANEL_PARTS,
  },
  summary: ({ menus }, names) =>
    Array.isArray(menus)
      ? menus.map(({ props }) => (typeof props.menu === 'string' ? names.menu(props.menu) : null) ?? '?').join(', ')
      : 'no menu chosen',
  draw(element, compile) {
    const items = prop(element, menuPanel, 'menus')
    if (!Array.isArray(items) || items.length === 0) return ''
    const say = (name: string) => prop(element, menuPanel, name)
    const fold = String(say('fold'))
    const attributes = compile.attributes(element, 'panel', ...(fold === 'always' ? [] : [`below-${fold}`]))
    const link = compile.part(element, 'link')
    const looks: ItemLooks = { link, above: link, levels: 3, drops: false, more: '', pictures: false }
    const nameOpen = `<p${compile.part(element, 'name', 'panel-name')}>`
    const within = panelOf(element, compile, say)
    return (scene) => {
      const lists = items.map(({ props }) => {
        const chosen = typeof props.menu === 'string' ? scene.menus.get(props.menu) : undefined
        const { html } = list(chosen?.items ?? [], scene, looks)
        return html && `${props.title === true ? `${nameOpen}${escapeHtml(chosen!.name)}</p>` : ''}${html}`
      })
      const html = lists.join('')
      if (!html) return ''
      const landmark = compile.region === 'header' ? 'Menus' : `Menus, ${compile.region}`
      return `<nav${attributes} aria-label="${landmark}">${within(html, scene)}</nav>`
    }
  },
}
