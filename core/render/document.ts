import { type Scene, type ScriptName, attribute, escapeHtml } from '../drawing'
import { SHOP_FORM_HTML, scriptTag, shopSays } from '../elements'
import {
  MANIFEST,
  SEARCH_FILE,
  type TitleLook,
  descriptionOf,
  iconAddress,
  linkedData,
  linkedText,
  machineLinks,
  sharedAs,
  titleOf,
} from '../machines'
import type { Page } from '../model'
import { WORKING_KINDS } from '../catalogue'
import { directionOf } from '../text'
import type { Region } from '../tree'
import { type AskedHead, askedHead } from './asked'
import { type Program, draw } from './program'

/** The document around the regions of a page. */

export type Regions = Partial<Record<Region, Program>>

/** What programs are told of a page: how it is shared, what goes with it, and what it is about. */
function toldOf(scene: Scene, title: string, description: string, look: TitleLook, query: string): string {
  const { page, catalogue } = scene
  const shared = sharedAs(scene, title, description, look, query)
  const links = machineLinks(page, catalogue)
  const linked = linkedData(scene)
  return (
    shared.map(([name, said]) => `<meta property="${name}"${attribute('content', said)}>`).join('') +
    links.map((l) => `<link rel="alternate" type="${l.type}"${attribute('href', l.address)}>`).join('') +
    (linked ? `<script type="application/ld+json">${linkedText(linked)}</script>` : '')
  )
}

const beside = (rel: string, page: Page, query: string | null | undefined): string =>
  query === null || query === undefined ? '' : `<link rel="${rel}"${attribute('href', (page.address || '/') + query)}>`

/** How the site is marked, searched, and stands among other applications. */
function siteLinks({ catalogue }: Scene): string {
  const { name, search } = catalogue.site.settings
  const [small, touch] = [iconAddress(catalogue, 32), iconAddress(catalogue, 180)]
  return (
    `<link rel="icon"${small ? ` type="image/png" sizes="32x32"${attribute('href', small)}` : ' href="data:,"'}>` +
    (touch ? `<link rel="apple-touch-icon"${attribute('href', touch)}><link rel="manifest" href="${MANIFEST}">` : '') +
    (search === false
      ? ''
      : `<link rel="search" type="application/opensearchdescription+xml"${attribute('title', name)} href="${SEARCH_FILE}">`)
  )
}

/** What stands before the CSS in the head of a page; the same for everybody, and kept with the page. */
function headOf(scene: Scene, asked: AskedHead | null, look: TitleLook): string {
  const { page, catalogue } = scene
  const { settings } = catalogue.site
  const description = descriptionOf(scene)
  const title = titleOf(scene, asked?.screen)
  // They are about what one visitor has or does: no engine lists them, and nobody shares them.
  const isPrivate = WORKING_KINDS.has(page.kind)
  return (
    `<!DOCTYPE html><html${attribute('lang', settings.locale)} dir="${directionOf(settings.locale)}">` +
    `<head><meta charset="utf-8"><title>${escapeHtml(title)}</title>` +
    '<meta name="viewport" content="width=device-width, initial-scale=1">' +
    (description ? `<meta name="description"${attribute('content', description)}>` : '') +
    (isPrivate || asked?.indexed === false ? '<meta name="robots" content="noindex">' : '') +
    (isPrivate
      ? ''
      : `<link rel="canonical"${attribute('href', settings.origin + page.address + (asked?.query ?? ''))}>`) +
    beside('prev', page, asked?.previous) +
    beside('next', page, asked?.next) +
    (isPrivate ? '' : toldOf(scene, title, description, look, asked?.query ?? '')) +
    siteLinks(scene)
  )
}

/** What is kept of a page holds as long as nothing of the catalogue changes. */
const HEADS = new WeakMap<Page, { state: unknown; look: TitleLook; made: string; seen: Iterable<string> }>()

function head(scene: Scene, asked: AskedHead | null, look: TitleLook): string {
  if (asked) return headOf(scene, asked, look)
  const { catalogue } = scene
  const { state } = catalogue
  const kept = HEADS.get(scene.page)
  if (kept?.state === state && kept.look === look) {
    catalogue.seeAll(kept.seen)
    return kept.made
  }
  const { made, seen } = catalogue.watch(() => headOf(scene, null, look))
  HEADS.set(scene.page, { state, look, made, seen })
  return made
}

/** What is sent with a page besides its HTML: what asks for its fonts, its CSS, the names of its scripts. */
export interface Sent {
  fonts: string
  css: string
  scripts: readonly ScriptName[]
  /** How its title looks. */
  look: TitleLook
  /** Whether something on it belongs to the form of the shop. */
  shop: boolean
}

/** A whole page. */
export function document(
  scene: Scene,
  { fonts, css, scripts, look, shop }: Sent,
  { header, intro, body, footer }: Regions,
): string {
  return (
    head(scene, askedHead(scene.lists(scene.page), scene), look) +
    `${fonts}<style>${css}</style>` +
    scripts.map(scriptTag).join('') +
    '</head><body><a class="of-skip" href="#main">Skip to content</a>' +
    (shop ? SHOP_FORM_HTML : '') +
    (header ? `<header>${draw(header, scene)}</header>` : '') +
    '<main id="main">' +
    (intro ? `<div class="of-intro">${draw(intro, scene)}</div>` : '') +
    (shop ? shopSays(scene) : '') +
    (body ? `<div class="of-body">${draw(body, scene)}</div>` : '') +
    '</main>' +
    (footer ? `<footer>${draw(footer, scene)}</footer>` : '') +
    '</body></html>'
  )
}
