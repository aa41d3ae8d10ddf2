import { type Scene, plainText } from '../drawing'
import { type Catalogue, TERMS, readField } from '../catalogue'
import { READINGS, type Reading, type ReadingKind } from '../fields'
import type { Id, PageType, Picture, ToldAs, ToldRole } from '../model'
import { firstCharacters, isRichDoc, richText } from '../rich'
import { momentField } from './starts'

/** What a page says of itself to programs, and from which fields: as its page type has it, else as its fields suggest. */

/** What entries can be told as, with the name that schema.org has for it. */
export const KINDS: Readonly<Record<ToldAs, { label: string; schema: string }>> = {
  event: { label: 'Something that takes place', schema: 'Event' },
  article: { label: 'Something to read', schema: 'Article' },
  product: { label: 'Something on offer', schema: 'Product' },
  page: { label: 'A page of the site', schema: 'WebPage' },
  work: { label: 'A work or a thing', schema: 'CreativeWork' },
}

/** What can be told of an entry: what it is called, and what it is told of (null: of all). */
export const ROLES: Readonly<Record<ToldRole, { label: string; of: readonly ToldAs[] | null }>> = {
  description: { label: 'In one line', of: null },
  picture: { label: 'Picture', of: null },
  person: { label: 'By whom', of: ['event', 'article', 'work'] },
  starts: { label: 'Begins', of: ['event'] },
  ends: { label: 'Ends', of: ['event'] },
  place: { label: 'Where', of: ['event'] },
  price: { label: 'Price', of: ['product', 'event'] },
}

const suits = (kind: ReadingKind, role: ToldRole): boolean => READINGS[kind].roles.includes(role)

/** What entries of a type are told as. */
export function toldAs(type: PageType): ToldAs {
  if (type.tells?.as) return type.tells.as
  if (momentField(type)) return 'event'
  if (type.dated) return 'article'
  if (type.fields.some((f) => suits(f.kind, 'price'))) return 'product'
  return type.tree ? 'page' : 'work'
}

/** The fields of a type that suit a role, its taxonomies among them. */
export function fieldsFor(role: ToldRole, type: PageType, catalogue: Catalogue): { id: Id; label: string }[] {
  const own = type.fields.filter(({ kind }) => suits(kind, role)).map(({ id, label }) => ({ id, label }))
  if (!suits('terms', role)) return own
  const taxonomies = type.taxonomies.flatMap((id) => catalogue.taxonomies.get(id) ?? [])
  return [...taxonomies.map((t) => ({ id: TERMS + t.id, label: t.name })), ...own]
}

/** What the field says that a role is told from; null where none is chosen, or it says nothing. */
export function toldReading(role: ToldRole, scene: Scene): Reading | null {
  const { subject } = scene
  const field = subject.kind === 'entry' ? subject.type.tells?.from?.[role] : undefined
  if (field === undefined) return null
  const found = readField({ of: 'page', field }, scene)
  return found && suits(found.kind, role) ? found : null
}

/** The same as plain text; empty where there is nothing. */
export function toldText(role: ToldRole, scene: Scene): string {
  const found = toldReading(role, scene)
  if (!found || scene.subject.kind !== 'entry') return ''
  if (isRichDoc(found.value)) return richText(found.value)
  return plainText({ kind: 'field', of: 'page', field: scene.subject.type.tells!.from![role]! }, scene)
}

/** A page in one line has at most so many characters; those who list pages cut there too. */
const MOST_DESCRIPTION = 160

/** What a subject says about itself, by itself; its whole words where it has no short ones. */
function saidOf({ subject }: Scene): string {
  if (subject.kind === 'entry') return subject.entry.summary || richText(subject.entry.content, 2 * MOST_DESCRIPTION)
  if (subject.kind === 'term') return subject.term.tagline || subject.term.description
  return subject.kind === 'person' ? subject.person.about || subject.person.role : ''
}

/** What stands in the window's title, and in what lists pages; `screen` where a list goes on over several. */
export function titleOf({ page, catalogue, query }: Scene, screen = 1): string {
  const { name } = catalogue.site.settings
  const own = page.kind === 'home' ? name : page.title
  const asked = page.kind === 'search' && query ? `${own}: ${firstCharacters(query, 60)}` : own
  const at = screen > 1 ? `${asked} (${screen})` : asked
  return page.kind === 'home' ? at : `${at} – ${name}`
}

/** A page in one line, for what shows it elsewhere; the site's own line where it says nothing. */
export function descriptionOf(scene: Scene): string {
  const said = toldText('description', scene) || saidOf(scene)
  return firstCharacters(said, MOST_DESCRIPTION) || scene.catalogue.site.settings.tagline
}

/** The picture that a page is about. */
export function pictureOfPage(scene: Scene): Picture | undefined {
  const { subject, catalogue } = scene
  const told = toldReading('picture', scene)?.value
  const [first] = Array.isArray(told) ? (told as unknown[]) : [told]
  const chosen = typeof first === 'string' ? catalogue.pictures.get(first) : undefined
  if (chosen) return chosen
  const own =
    subject.kind === 'entry'
      ? subject.entry.picture
      : subject.kind === 'term'
        ? subject.term.picture
        : subject.kind === 'person'
          ? subject.person.picture
          : null
  return own ? catalogue.pictures.get(own) : undefined
}
