import type { MenuItem } from '../../model'
import { type Scene, attribute, escapeHtml, img, linkAddress } from '../../drawing'

/** How the items of a menu are written. */
export interface ItemLooks {
  /** Attributes of every link, and of those to pages above the one shown. */
  link: string
  above: string
  /** How many levels are shown. */
  levels: number
  /** Whether lists below drop down, each with a button of its own for hands and keys. */
  drops: boolean
  /** What such a button is called after its item, escaped. */
  more: string
  /** Whether such a list shows the picture of the page that it belongs to. */
  pictures: boolean
}

interface DrawnItem {
  html: string
  /** Whether the page shown is in it. */
  here: boolean
}

const NOTHING: DrawnItem = { html: '', here: false }

/** Whether a page lies below the one at an address. */
const isBelow = (address: string, href: string): boolean => href !== '/' && address.startsWith(`${href}/`)

function pictureFor(item: MenuItem, scene: Scene): string {
  if (typeof item.link !== 'object') return ''
  const { catalogue } = scene
  const page = catalogue.page(item.link.page)
  const of = page?.entry ? catalogue.entries.get(page.entry) : page?.term ? catalogue.terms.get(page.term) : undefined
  const picture = of?.picture ? catalogue.pictures.get(of.picture) : undefined
  return picture ? img(picture, '', { sizes: '320px' }) : ''
}

/** Items without a place to go keep their label when they have items below them, and are left out otherwise. */
function item(of: MenuItem, scene: Scene, looks: ItemLooks, level: number): DrawnItem {
  const href = linkAddress(of.link, scene) ?? ''
  const picture = looks.pictures && level === 1 && of.items.length > 0 ? pictureFor(of, scene) : ''
  const last = picture && `<li class="of-menu-pic">${picture}</li>`
  const inner = level < looks.levels ? list(of.items, scene, looks, level + 1, last) : NOTHING
  if (!href && !inner.html) return NOTHING
  const isHere = href !== '' && href === scene.page.address
  const isAbove = !isHere && (inner.here || (href !== '' && isBelow(scene.page.address ?? '', href)))
  // Without words of its own it goes by what its page is called.
  const title = typeof of.link === 'object' ? scene.catalogue.page(of.link.page)?.title : undefined
  const text = escapeHtml(of.label || title || '')
  const current = isHere ? ' aria-current="page"' : ''
  const link = `<a${isAbove ? looks.above : looks.link}${attribute('href', href)}${current}>${text}</a>`
  const opens = inner.html && looks.drops
  const shown = href ? link : opens ? '' : `<span>${text}</span>`
  // What leads nowhere is itself what opens its list.
  const summary = href ? `<summary aria-label="${text}: ${looks.more}"></summary>` : `<summary>${text}</summary>`
  const button = opens ? `<details${href ? ' class="of-more"' : ''}>${summary}</details>` : ''
  return { html: `<li>${shown}${button}${inner.html}</li>`, here: isHere || inner.here }
}

/** A list of items with all that is below them, and `last` behind them; empty where there are none. */
export function list(items: readonly MenuItem[], scene: Scene, looks: ItemLooks, level = 1, last = ''): DrawnItem {
  let [html, here] = ['', false]
  for (const one of items) {
    const drawn = item(one, scene, looks, level)
    html += drawn.html
    here ||= drawn.here
  }
  return { html: html && `<ul>${html}${last}</ul>`, here }
}

/** Part of a menu, where it is cut in two around a mark. */
export function halfOf(items: readonly MenuItem[], half: string): readonly MenuItem[] {
  const middle = Math.ceil(items.length / 2)
  return half === 'first' ? items.slice(0, middle) : half === 'second' ? items.slice(middle) : items
}
