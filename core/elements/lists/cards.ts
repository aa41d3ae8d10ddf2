import { type Fill, type Scene, about, attribute, escapeHtml, img } from '../../drawing'
import { type Entry, type Id, entryName, entrySubject } from '../../site'

/** How the plain card is drawn: its parts with their attributes, and which of them are shown. */
export interface PlainCard {
  tag: string
  title: string
  summary: string
  picture: string
  shows(part: string): boolean
}

/** The title of an entry, leading to its page. */
export function titleLink(entry: Entry, { catalogue }: Scene): string {
  const href = catalogue.addressOf(entry.id)
  const title = escapeHtml(entryName(entry, catalogue.types.get(entry.type)))
  return href ? `<a${attribute('href', href)}>${title}</a>` : title
}

/** The card that is drawn when no card layout is chosen: picture, title, summary. */
export function plainCard(
  entry: Entry,
  scene: Scene,
  { tag, shows, title: own, summary: ownSummary, picture: ownPicture }: PlainCard,
): string {
  const picture = entry.picture && shows('picture') ? scene.catalogue.pictures.get(entry.picture) : undefined
  const summary = entry.summary && shows('summary') ? `<p${ownSummary}>${escapeHtml(entry.summary)}</p>` : ''
  return (
    (picture ? `<div${ownPicture}>${img(picture, '', { sizes: '(max-width:640px) 100vw,33vw' })}</div>` : '') +
    `<${tag}${own}>${titleLink(entry, scene)}</${tag}>${summary}`
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
