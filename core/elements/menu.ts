import type { MenuItem } from '../site'
import { attribute, escapeHtml, type Scene, linkAddress } from '../drawing'
import { type ElementSpec, prop } from './spec'

/** Items without a place to go keep their label when they have items below them, and are left out otherwise. */
function item({ label, link, items }: MenuItem, scene: Scene, own: string): string {
  const href = linkAddress(link, scene)
  const below = list(items, scene, own)
  if (!href && !below) return ''
  const current = href && href === scene.page.address ? ' aria-current="page"' : ''
  // Without words of its own it goes by what its page is called.
  const text = escapeHtml(label || (typeof link === 'object' && scene.catalogue.page(link.page)?.title) || '')
  const shown = href ? `<a${own}${attribute('href', href)}${current}>${text}</a>` : `<span>${text}</span>`
  return `<li>${shown}${below}</li>`
}

/** `own` are the attributes of every link. */
function list(items: readonly MenuItem[], scene: Scene, own: string): string {
  let html = ''
  for (const i of items) html += item(i, scene, own)
  return html && `<ul>${html}</ul>`
}

export const menu: ElementSpec = {
  type: 'menu',
  name: 'Menu',
  about: 'A named tree of links, in a line or as a list.',
  group: 'Site',
  props: {
    menu: { kind: 'menu', label: 'Menu', default: null },
    direction: {
      kind: 'choice',
      label: 'Runs',
      default: 'across',
      options: [
        { value: 'across', label: 'Across' },
        { value: 'down', label: 'Down' },
      ],
    },
    title: { kind: 'yes-no', label: 'Show its name', default: false },
  },
  css: [
    '.of-menu ul{list-style:none;padding:0}.of-menu a{color:inherit;text-decoration:none}.of-menu a:hover{text-decoration:underline}' +
      '.of-menu a[aria-current]{text-decoration:underline;text-decoration-thickness:2px;text-underline-offset:.4em}' +
      '.of-across>ul{margin:-.2em -.65em}.of-across li{position:relative;display:inline-block;margin:.2em .65em}' +
      '.of-across ul ul{display:none;position:absolute;left:-.8em;top:100%;z-index:5;min-width:11em;padding:.4em 0;text-align:left;' +
      'background:var(--c-paper,#fff);color:var(--c-ink,#000);border:1px solid}' +
      '.of-across li:hover>ul,.of-across li:focus-within>ul{display:block}' +
      '.of-across ul ul li{display:block;margin:.3em .8em}.of-down li+li{margin-top:.35em}.of-down ul ul{padding-left:1em;margin-top:.35em}' +
      '.of-menu-name{font-weight:600;margin-bottom:.5em}',
  ],
  parts: {
    name: { label: 'Name', hides: false },
    link: { label: 'Link', hides: false, states: ['hover', 'focus', 'current'] },
  },
  summary: (props, names) =>
    typeof props.menu === 'string' ? (names.menu(props.menu) ?? 'a menu that no longer exists') : 'no menu chosen',
  draw(element, compile) {
    const id = prop(element, menu, 'menu')
    if (typeof id !== 'string') return ''
    const named = prop(element, menu, 'title') === true
    const attributes = compile.attributes(element, 'menu', String(prop(element, menu, 'direction')))
    const link = compile.part(element, 'link')
    const nameOpen = `<p${compile.part(element, 'name', 'menu-name')}>`
    return (scene) => {
      const chosen = scene.menus.get(id)
      const html = chosen ? list(chosen.items, scene, link) : ''
      if (!html) return ''
      const label = escapeHtml(chosen!.name)
      // The same menu may stand in the header and in the footer; landmarks are told apart by their names.
      const landmark = compile.region === 'header' ? label : `${label}, ${compile.region}`
      const title = named ? `${nameOpen}${label}</p>` : ''
      return `<nav${attributes} aria-label="${landmark}">${title}${html}</nav>`
    }
  },
}
