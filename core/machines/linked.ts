import type { Scene } from '../drawing'
import { type Entry, type PageType, entryName, momentIn, stopsAbove } from '../site'
import { momentField } from './calendar'
import { sharedPicture } from './shared'

/** What a page is about, as JSON-LD in the words of schema.org. */

type Thing = Record<string, unknown>

/** What an entry is: something that takes place, something that is told, something that is sold, or a work. */
function kindOf(type: PageType): 'Event' | 'Article' | 'Product' | 'WebPage' | 'CreativeWork' {
  if (momentField(type)) return 'Event'
  if (type.dated) return 'Article'
  if (type.fields.some((f) => f.kind === 'money')) return 'Product'
  return type.tree ? 'WebPage' : 'CreativeWork'
}

const filled = (thing: Thing): Thing =>
  Object.fromEntries(Object.entries(thing).filter(([, v]) => v !== undefined && v !== null && v !== ''))

const FIELDS: Readonly<Record<string, (entry: Entry, type: PageType, scene: Scene) => Thing>> = {
  Event(entry, type, { catalogue }) {
    const { timeZone, name } = catalogue.site.settings
    const at = momentIn(String(entry.fields[momentField(type)!] ?? ''), timeZone)
    const place = entry.terms.flatMap((id) => catalogue.terms.get(id)?.title ?? [])[0]
    return {
      startDate: at === null ? undefined : new Date(at).toISOString(),
      location: { '@type': 'Place', name: place ? `${place}, ${name}` : name, address: name },
      performer: entry.person && { '@type': 'Person', name: catalogue.people.get(entry.person)?.name },
    }
  },
  Article: (entry, _, { catalogue }) => ({
    headline: entryName(entry, catalogue.types.get(entry.type)),
    datePublished: entry.date,
    author: entry.person && { '@type': 'Person', name: catalogue.people.get(entry.person)?.name },
  }),
  Product(entry, type, { catalogue }) {
    const price = entry.fields[type.fields.find((f) => f.kind === 'money')!.id]
    if (typeof price !== 'number') return {}
    return { offers: { '@type': 'Offer', price: price.toFixed(2), priceCurrency: catalogue.site.settings.currency } }
  },
}

function entryThing(entry: Entry, type: PageType, scene: Scene): Thing {
  const { origin } = scene.catalogue.site.settings
  const kind = kindOf(type)
  const image = sharedPicture(entry.picture ? scene.catalogue.pictures.get(entry.picture) : undefined)
  return filled({
    '@type': kind,
    name: entryName(entry, type),
    description: entry.summary,
    url: origin + scene.page.address,
    image: image && origin + image,
    ...FIELDS[kind]?.(entry, type, scene),
  })
}

function subjectThing(scene: Scene): Thing | null {
  const { subject, page, catalogue } = scene
  const { origin, name, search } = catalogue.site.settings
  if (page.kind === 'home') {
    const searching = { '@type': 'SearchAction', target: `${origin}/search?q={q}`, 'query-input': 'required name=q' }
    return filled({ '@type': 'WebSite', name, url: `${origin}/`, potentialAction: search === false ? null : searching })
  }
  if (subject.kind === 'entry') return entryThing(subject.entry, subject.type, scene)
  if (subject.kind !== 'person') return null
  const { person } = subject
  return filled({
    '@type': 'Person',
    name: person.name,
    jobTitle: person.role,
    description: person.about,
    url: origin + page.address,
  })
}

/** The way down to a page from home, by the stops that can be gone to. */
function trailThing({ page, catalogue }: Scene): Thing | null {
  const { origin, name } = catalogue.site.settings
  if (page.kind === 'home' || !page.address) return null
  const stops = [...stopsAbove(catalogue, page, name), { label: page.title, address: page.address }]
  return {
    '@type': 'BreadcrumbList',
    itemListElement: stops
      .filter((stop) => stop.address !== null)
      .map((stop, i) => ({ '@type': 'ListItem', position: i + 1, name: stop.label, item: origin + stop.address! })),
  }
}

/** Everything that is told of a page; null where there is nothing to tell. */
export function linkedData(scene: Scene): Thing | null {
  const things = [subjectThing(scene), trailThing(scene)].filter((t): t is Thing => t !== null)
  return things.length > 0 ? { '@context': 'https://schema.org', '@graph': things } : null
}

/** As it stands in a page: nothing in it ends its element. */
export const linkedText = (thing: Thing): string => JSON.stringify(thing).replaceAll('<', '\\u003c')
