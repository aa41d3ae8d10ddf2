import { RESERVED_PARTS } from '../addresses'
import type { Catalogue } from './catalogue'
import { ownAddress } from './pages'
import type { Entry, PageType } from '../model'

/** Who else begins addresses with a first part at the top of the site, in words; null when nobody does. */
function beginsThere(part: string, catalogue: Catalogue): string | null {
  if (RESERVED_PARTS.has(part)) return 'the site itself uses'
  const type = catalogue.site.types.find((t) => t.slug === part)
  if (type) return `${type.plural} use`
  const taxonomy = catalogue.site.taxonomies.find((t) => t.slug === part)
  return taxonomy ? `${taxonomy.plural} use` : null
}

/** Why an entry cannot have the address it asks for, as a sentence without its full stop; null when it can. */
export function takenAddress(entry: Entry, type: PageType, catalogue: Catalogue): string | null {
  const { site, entries } = catalogue
  const address = ownAddress(site, entry, entries)!
  const top = type.slug === '' && address === `/${entry.slug}` ? beginsThere(entry.slug, catalogue) : null
  if (top) return `The address ${address} is one that ${top}. Choose another last part`
  if (type.dated && /^\d{4}$/.test(entry.slug))
    return `The address ${address} is one that the years of ${type.plural} use. Choose another last part`
  const twin = catalogue.withSlug(entry.slug).find((e) => e.id !== entry.id && ownAddress(site, e, entries) === address)
  if (twin) return `Another ${type.name.toLowerCase()} has this address already: ${twin.title || twin.id}`
  const page = catalogue.pageAt(address)
  return page && page.entry !== entry.id ? `The page “${page.title}” has the address ${address} already` : null
}
