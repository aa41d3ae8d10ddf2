import { secondText } from '../time'
import { type Formats, richHtml } from '../drawing'
import { type Catalogue, entryName } from '../catalogue'
import type { Entry, Page } from '../model'
import { toldTimes } from './times'
import { xml, xmlDocument, xmlText } from './xml'

/** So many of the newest stand in a feed. */
const MOST = 30
/** What an entry says of which nothing tells when it changed: nothing that readers would take for news. */
const LONG_AGO = 0

/** Links in a text lead from the site, wherever it is read. */
const absolute = (html: string, origin: string): string => html.replace(/ (href|src)="\/(?!\/)/g, ` $1="${origin}/`)

/**
 * How entries stand in a feed: as visitors are shown them, with links that lead from the site wherever it is read, or as
 * they are stored, for whoever takes them along.
 */
type As = 'shown' | 'stored'

function contentOf(entry: Entry, as: As, catalogue: Catalogue, formats: Formats): string {
  const html = richHtml(entry.content, catalogue, formats)
  const read = as === 'shown' ? absolute(html, catalogue.site.settings.origin) : html
  return read && xml('content', { type: 'html' }, xmlText(read))
}

function entryXml(entry: Entry, as: As, catalogue: Catalogue, formats: Formats): string {
  const { origin } = catalogue.site.settings
  const author = entry.person ? catalogue.people.get(entry.person)?.name : undefined
  const terms = entry.terms.flatMap((id) => catalogue.terms.get(id)?.title ?? [])
  const { published, updated } = toldTimes(entry, catalogue)
  const title = as === 'shown' ? entryName(entry, catalogue.types.get(entry.type)) : entry.title
  return xml(
    'entry',
    {},
    xml('id', {}, xmlText(`${origin}/#${entry.id}`)),
    xml('title', {}, xmlText(title)),
    xml('link', {
      rel: 'alternate',
      type: 'text/html',
      href: origin + encodeURI(catalogue.addressOf(entry.id) ?? '/'),
    }),
    xml('updated', {}, secondText(updated ?? LONG_AGO)),
    // What is taken along says the day that was written, wherever it is read in.
    ...(as === 'stored' && entry.date ? [xml('published', {}, `${entry.date}T00:00:00Z`)] : []),
    ...(as === 'shown' && published !== null ? [xml('published', {}, secondText(published))] : []),
    ...(author ? [xml('author', {}, xml('name', {}, xmlText(author)))] : []),
    ...terms.map((term) => xml('category', { term })),
    ...(entry.summary ? [xml('summary', {}, xmlText(entry.summary))] : []),
    contentOf(entry, as, catalogue, formats),
  )
}

/** What a feed is of: where it is read, and, where it has an address itself, that. */
export interface FeedHead {
  title: string
  address: string
  self: string | null
}

/** Entries as a feed (RFC 4287). */
export function feedOf(
  entries: readonly Entry[],
  { title, address, self }: FeedHead,
  as: As,
  catalogue: Catalogue,
  formats: Formats,
): string {
  const { origin, name, tagline, locale } = catalogue.site.settings
  const latest = Math.max(LONG_AGO, ...entries.map((e) => toldTimes(e, catalogue).updated ?? LONG_AGO))
  const at = (path: string): string => origin + encodeURI(path)
  return xmlDocument(
    xml(
      'feed',
      { xmlns: 'http://www.w3.org/2005/Atom', 'xml:lang': locale },
      xml('id', {}, xmlText(at(address))),
      xml('title', {}, xmlText(title)),
      ...(tagline ? [xml('subtitle', {}, xmlText(tagline))] : []),
      ...(self === null ? [] : [xml('link', { rel: 'self', type: 'application/atom+xml', href: at(self) })]),
      xml('link', { rel: 'alternate', type: 'text/html', href: at(address) }),
      xml('updated', {}, secondText(latest)),
      xml('author', {}, xml('name', {}, xmlText(name))),
      ...entries.map((entry) => entryXml(entry, as, catalogue, formats)),
    ),
  )
}

/** The newest entries of what has any to tell: of a page that lists some, or, for home, of all dated types. */
export function feedEntries(catalogue: Catalogue, page: Page): readonly Entry[] {
  if (page.kind !== 'home' || (page.type && !page.entry)) return catalogue.listing(page).slice(0, MOST)
  const dated = [...catalogue.types.values()].filter((t) => t.dated)
  const newest = dated.flatMap((t) => catalogue.entriesOfType(t.id).slice(0, MOST))
  const dateOf = (e: Entry): string => e.date ?? ''
  return newest.sort((a, b) => (dateOf(a) < dateOf(b) ? 1 : dateOf(a) > dateOf(b) ? -1 : 0)).slice(0, MOST)
}

/** A page's newest entries as a feed, to be read at an address of its own. */
export function atomOf(catalogue: Catalogue, formats: Formats, page: Page, self: string): string {
  const { name } = catalogue.site.settings
  const title = page.kind === 'home' ? name : `${page.title} – ${name}`
  return feedOf(
    feedEntries(catalogue, page),
    { title, address: page.address || '/', self },
    'shown',
    catalogue,
    formats,
  )
}
