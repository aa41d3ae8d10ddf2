import { builtInField } from '../conditions'
import type { Design } from '../design'
import { type RuleNames, namesFrom } from '../targets'
import { Catalogue } from '../catalogue'
import type { Id } from '../model'
import { CREATABLE, type Creatable } from './create'
import type { Parcel } from './parcel'
import { type Naming, behindPage } from './structure'
import type { Unfit, UnfitKind } from './unfit'

/** What a parcel's things are called, and what of this site could stand for them. */

interface Named {
  id: string
  name: string
}
type List = readonly Named[]

const called = <T extends { id: string; name: string }>(all: Iterable<T>): Named[] => [...all]
const titled = <T extends { id: string; title: string }>(all: Iterable<T>): Named[] =>
  [...all].map(({ id, title }) => ({ id, name: title }))

const plain = (name: string): string => name.trim().normalize('NFC').toUpperCase().toLowerCase()

export class KnownThings {
  private readonly here: Readonly<Record<UnfitKind, () => List>>
  private readonly there: ReadonlyMap<string, string>
  private readonly lists = new Map<UnfitKind, ReadonlyMap<string, readonly string[]>>()

  constructor(
    private readonly parcel: Parcel,
    design: Design,
    private readonly catalogue: Catalogue,
  ) {
    const c = catalogue
    this.here = {
      page: () => c.pages.map(({ key, title }) => ({ id: key, name: title })),
      type: () => called(c.types.values()),
      taxonomy: () => called(c.taxonomies.values()),
      term: () => titled(c.terms.values()),
      person: () => called(c.people.values()),
      menu: () => called(design.menus ?? c.menus.values()),
      picture: () => c.site.pictures.map(({ id, fileName }) => ({ id, name: fileName })),
      field: () => [...c.types.values()].flatMap((t) => t.fields.map(({ id, label }) => ({ id, name: label }))),
    }
    const { structure, names = [], menus = [], pictures = [] } = parcel
    const key = (kind: UnfitKind) => (one: Named) => [`${kind} ${one.id}`, one.name] as const
    this.there = new Map([
      ...names.map(({ key, name }) => [key, name] as const),
      ...called(structure?.types ?? []).map(key('type')),
      ...called(structure?.taxonomies ?? []).map(key('taxonomy')),
      ...titled(structure?.terms ?? []).map(key('term')),
      ...called(structure?.people ?? []).map(key('person')),
      ...called(menus).map(key('menu')),
      ...pictures.map(({ id, alt, fileName }) => key('picture')({ id, name: alt || fileName })),
      ...(structure?.types ?? []).flatMap((t) => t.fields.map(({ id, label }) => key('field')({ id, name: label }))),
    ])
  }

  private carries(kind: UnfitKind, id: string): boolean {
    if (!(CREATABLE as readonly string[]).includes(kind)) return false
    const { types = [], taxonomies = [], terms = [], people = [] } = this.parcel.structure ?? {}
    const lists: Readonly<Record<Creatable, readonly { id: string }[]>> = {
      type: types,
      taxonomy: taxonomies,
      term: terms,
      person: people,
      field: types.flatMap((t) => t.fields),
    }
    return lists[kind as Creatable].some((one) => one.id === id)
  }

  /** The only thing of this site that has a name, among those of a kind; null where there is none, or several. */
  private alike(kind: UnfitKind, name: string): string | null {
    let byName = this.lists.get(kind)
    if (!byName) {
      const made = new Map<string, string[]>()
      for (const one of this.here[kind]()) {
        const same = made.get(plain(one.name))
        if (!same) made.set(plain(one.name), [one.id])
        else if (!same.includes(one.id)) same.push(one.id)
      }
      this.lists.set(kind, (byName = made))
    }
    const found = byName.get(plain(name)) ?? []
    return name && found.length === 1 ? found[0]! : null
  }

  /** What is known of something that this site does not have. */
  of(kind: UnfitKind, id: string): Pick<Unfit, 'name' | 'carried' | 'like'> {
    const name = this.there.get(`${kind} ${id}`) ?? ''
    return { name, carried: this.carries(kind, id), like: this.alike(kind, name) }
  }

  /** As what something that is named is missing here; null where it is here, or nobody can tell what it is. */
  missing(kind: Parameters<Naming>[0], id: string): UnfitKind | null {
    const { types, taxonomies, terms, people } = this.catalogue
    switch (kind) {
      case 'field':
        return [...types.values()].some((t) => t.fields.some((f) => f.id === id)) ? null : 'field'
      case 'taxonomy':
        return taxonomies.has(id) ? null : 'taxonomy'
      case 'term':
        return terms.has(id) ? null : 'term'
      case 'type':
        return types.has(id) ? null : 'type'
      case 'person':
        return people.has(id) ? null : 'person'
      case 'value': {
        if (terms.has(id) || people.has(id)) return null
        if (this.there.has(`term ${id}`)) return 'term'
        return this.there.has(`person ${id}`) ? 'person' : null
      }
      default:
        return null
    }
  }
}

/** What things are called here, or else where a parcel comes from: frames that come along are named by it. */
export function namesWith({ structure, names = [] }: Parcel, catalogue: Catalogue): RuleNames {
  const here = namesFrom(catalogue)
  const { types = [], taxonomies = [], terms = [], people = [] } = structure ?? {}
  const there = namesFrom(
    new Catalogue({ ...catalogue.site, types, taxonomies, terms, people, entries: [], menus: [], pictures: [] }, 0),
  )
  const called = new Map(names.map(({ key, name }) => [key, name]))
  const pageName = (key: string): string => {
    const behind = catalogue.page(key) ? null : behindPage(key)
    if (behind?.kind === 'term' && !catalogue.terms.has(behind.id)) return there.term(behind.id)
    return catalogue.page(key) ? here.page(key) : (called.get(`page ${key}`) ?? here.page(key))
  }
  const isKnown = (type: Id | null, field: Id): boolean =>
    builtInField(field) !== undefined ||
    [...catalogue.types.values()].some((t) => (!type || t.id === type) && t.fields.some((f) => f.id === field))
  return {
    page: pageName,
    type: (id, plural) => (catalogue.types.has(id) ? here : there).type(id, plural),
    taxonomy: (id, plural) => (catalogue.taxonomies.has(id) ? here : there).taxonomy(id, plural),
    term: (id) => (catalogue.terms.has(id) ? here : there).term(id),
    person: (id) => (catalogue.people.has(id) ? here : there).person(id),
    entry: (id) => (catalogue.entries.has(id) ? here.entry(id) : pageName(`entry:${id}`)),
    field: (type, id) => (isKnown(type, id) ? here : there).field(type, id),
    choice: (type, field, value) => (isKnown(type, field) ? here : there).choice(type, field, value),
  }
}
