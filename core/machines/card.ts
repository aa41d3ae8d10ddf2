import { markOf } from '../edits'
import type { Scene } from '../drawing'
import type { Page } from '../model'
import { toldAs } from './told'

/** How the title of a page looks where it stands: taken from the layout that says it. */
export interface TitleLook {
  /** `#rrggbb`. */
  ground: string
  ink: string
  /** The address of the font that titles are set in, and how heavy it is drawn. */
  font: string
  weight: number
}

/** What a picture says and how, that is drawn where a page without one is shared. */
export interface SharedCard extends TitleLook {
  title: string
  /** What kind of page it is; empty where there is none to tell. */
  kind: string
  /** The name of the site; where that is the title, its line. */
  below: string
  /** The language of its words (BCP 47). */
  locale: string
}

/** In pixels: what those who show links ask for. */
export const CARD_SIZE = { width: 1200, height: 630 } as const

const MOST_TITLE = 140

function kindOf({ subject, catalogue, page }: Scene): string {
  if (page.kind === 'home') return ''
  // That it is a page is seen.
  if (subject.kind === 'entry') return toldAs(subject.type) === 'page' ? '' : subject.type.name
  if (subject.kind === 'term') return catalogue.taxonomies.get(subject.term.taxonomy)?.name ?? ''
  return ''
}

/** The picture of a page, as what is drawn. */
export function cardOf(scene: Scene, look: TitleLook): SharedCard {
  const { page, catalogue } = scene
  const { name, tagline, locale } = catalogue.site.settings
  const title = page.kind === 'home' ? name : page.title || name
  const letters = [...title]
  const said = letters.length > MOST_TITLE ? `${letters.slice(0, MOST_TITLE - 1).join('')}…` : title
  return { ...look, title: said, kind: kindOf(scene), below: title === name ? tagline : name, locale }
}

const FOLDER = '/_of/shared/'

/** Where the picture of a page stands; another picture, another address. */
export const cardAddress = (page: Pick<Page, 'key'>, card: SharedCard): string =>
  `${FOLDER}${markOf(JSON.stringify(card))}/${encodeURIComponent(page.key)}.png`

/** Of which page a path (without escapes) asks for the picture, and by which mark; null for other paths. */
export function cardAt(path: string): { key: string; mark: string } | null {
  const found = /^\/_of\/shared\/([a-z0-9-]{1,40})\/([\w:-]{1,200})\.png$/.exec(path)
  return found ? { mark: found[1]!, key: found[2]! } : null
}
