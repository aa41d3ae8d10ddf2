import { fieldSpec } from '../fields'
import type { Scene } from '../drawing'
import { amountOf, minorDigits, minorOf } from '../selling'
import { goodsOfEntry } from '../shop'
import { type Catalogue, entryName, stopsAbove } from '../catalogue'
import type { Entry, PageType, ToldAs } from '../model'
import { secondText, startOfDay as clockAtStart, isDay, momentIn, instantText } from '../time'
import { momentField } from './starts'
import { sharedPicture } from './shared'
import { startOfDay, toldTimes } from './times'
import { KINDS, pictureOfPage, toldAs, toldReading, toldText } from './told'

/** What a page is about, as JSON-LD in the words of schema.org. */

type Thing = Record<string, unknown>

const filled = (thing: Thing): Thing =>
  Object.fromEntries(Object.entries(thing).filter(([, v]) => v !== undefined && v !== null && v !== ''))

const nameOfPerson = (scene: Scene): string | undefined => {
  const { subject, catalogue } = scene
  const told = toldText('person', scene)
  const own = subject.kind === 'entry' && subject.entry.person
  return told || (own ? catalogue.people.get(own)?.name : undefined)
}
const person = (scene: Scene): Thing | undefined => {
  const name = nameOfPerson(scene)
  return name ? { '@type': 'Person', name } : undefined
}

/** A moment or a day as ISO 8601, from the field that a role is told from, or from another. */
function momentOf(role: 'starts' | 'ends', otherwise: unknown, scene: Scene): string | undefined {
  const said = toldReading(role, scene)?.value ?? otherwise
  if (isDay(said)) return said
  const at = typeof said === 'string' ? momentIn(said, scene.catalogue.site.settings.timeZone) : null
  return at === null ? undefined : instantText(at)
}

/** Whether something that is sold can be had. */
function availability({ subject, catalogue }: Scene): Thing {
  if (subject.kind !== 'entry' || !subject.type.sells) return {}
  const around = { catalogue, taken: catalogue.taken, now: clockAtStart(catalogue.today) }
  const there = goodsOfEntry(subject.entry.id, around).some(({ left }) => left !== 0)
  return { availability: `https://schema.org/${there ? 'InStock' : 'SoldOut'}` }
}

/** What something costs, as an offer. */
function offer(otherwise: unknown, scene: Scene): Thing | undefined {
  const price = toldReading('price', scene)?.value ?? otherwise
  const { currency } = scene.catalogue.site.settings
  const minor = minorOf(price, currency)
  return minor === null
    ? undefined
    : {
        '@type': 'Offer',
        price: amountOf(minor, currency).toFixed(minorDigits(currency)),
        priceCurrency: currency,
        url: scene.catalogue.site.settings.origin + scene.page.address,
        ...availability(scene),
      }
}

const isDayOnly = (entry: Entry, at: number, { site }: Catalogue): boolean =>
  isDay(entry.date) && startOfDay(entry.date, site.settings.timeZone) === at

function datesOf(entry: Entry, { catalogue }: Scene): Thing {
  const { published, updated } = toldTimes(entry, catalogue)
  return {
    // Where no more is known than the day, no more is told.
    datePublished:
      published === null ? undefined : isDayOnly(entry, published, catalogue) ? entry.date : secondText(published),
    dateModified: updated === null ? undefined : secondText(updated),
  }
}

const FIELDS: Readonly<Partial<Record<ToldAs, (entry: Entry, type: PageType, scene: Scene) => Thing>>> = {
  event(entry, type, scene) {
    const { catalogue } = scene
    const { name } = catalogue.site.settings
    const place = toldText('place', scene) || entry.terms.flatMap((id) => catalogue.terms.get(id)?.title ?? [])[0]
    const own = momentField(type)
    return {
      startDate: momentOf('starts', own ? entry.fields[own] : undefined, scene),
      endDate: momentOf('ends', undefined, scene),
      location: { '@type': 'Place', name: place ? `${place}, ${name}` : name, address: name },
      performer: person(scene),
      offers: offer(undefined, scene),
    }
  },
  article: (entry, type, scene) => ({
    headline: entryName(entry, type),
    ...datesOf(entry, scene),
    author: person(scene),
  }),
  product: (entry, type, scene) => ({
    offers: offer(
      entry.fields[type.sells?.price ?? type.fields.find((f) => fieldSpec(f.kind).roles.includes('price'))?.id ?? ''],
      scene,
    ),
  }),
  work: (_entry, type, scene) => (type.tells?.from?.person ? { creator: person(scene) } : {}),
}

function entryThing(entry: Entry, type: PageType, scene: Scene): Thing {
  const { origin } = scene.catalogue.site.settings
  const as = toldAs(type)
  const image = sharedPicture(pictureOfPage(scene))
  return filled({
    '@type': KINDS[as].schema,
    name: entryName(entry, type),
    description: toldText('description', scene) || entry.summary,
    url: origin + scene.page.address,
    image: image && origin + image,
    ...FIELDS[as]?.(entry, type, scene),
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
