import { type Fill, type Scene, about, attribute, escapeHtml, excerpt, img, marked, wordsMet } from '../../drawing'
import type { Entry, Id } from '../../model'
import { entryName, entrySubject } from '../../catalogue'

/** How the plain card is drawn: its parts with their attributes, and which of them are shown. */
export interface PlainCard {
  tag: string
  title: string
  summary: string
  picture: string
  /** Whether words that were searched for are marked, with the sentence around them. */
  marks: boolean
  shows(part: string): boolean
}

const NO_WORDS: readonly string[] = []

/** The title of an entry, leading to its page. */
export function titleLink(entry: Entry, { catalogue }: Scene, words: readonly string[] = NO_WORDS): string {
  const href = catalogue.addressOf(entry.id)
  const title = marked(entryName(entry, catalogue.types.get(entry.type)), words)
  return href ? `<a${attribute('href', href)}>${title}</a>` : title
}

/** The card that is drawn when no card layout is chosen: picture, title, summary. */
export function plainCard(
  entry: Entry,
  scene: Scene,
  { tag, shows, marks, title: own, summary: ownSummary, picture: ownPicture }: PlainCard,
): string {
  const picture = entry.picture && shows('picture') ? scene.catalogue.pictures.get(entry.picture) : undefined
  const words = marks ? wordsMet(scene) : NO_WORDS
  const said = shows('summary') ? (words.length > 0 ? excerpt(entry, words) : escapeHtml(entry.summary)) : ''
  const summary = said && `<p${ownSummary}>${said}</p>`
  return (
    (picture ? `<div${ownPicture}>${img(picture, '', { sizes: '(max-width:640px) 100vw,33vw' })}</div>` : '') +
    `<${tag}${own}>${titleLink(entry, scene, words)}</${tag}>${summary}`
  )
}

/** Which card layout draws which entry of a list: the first may have its own, and so may every so many. */
export interface Cards {
  card: Id | null
  first: Id | null
  every: number
  other: Id | null
}

/** The card of the entry at a place among all of the list, from 0 on; null where the plain one is drawn. */
export function cardAt({ card, first, every, other }: Cards, at: number): Id | null {
  if (at === 0 && first) return first
  return every > 0 && other && (at + 1) % every === 0 ? other : card
}

/** Draws an entry of a list. */
export function drawCard(entry: Entry, card: Fill | undefined, scene: Scene, plain: PlainCard): string {
  return card ? card(about(scene, entrySubject(scene.catalogue, entry))) : plainCard(entry, scene, plain)
}
