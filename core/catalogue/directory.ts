import type { Directory, ReferredKind } from '../fields'
import type { Id } from '../model'
import type { Catalogue } from './catalogue'
import { entryName } from './pages'

const DIRECTORIES = new WeakMap<Catalogue, Directory>()

/** Terms with those that they stand below; a term that is its own ancestor ends there. */
function withAbove({ terms }: Catalogue, ids: readonly Id[]): Id[] {
  const found = new Set<Id>()
  for (let next of ids as readonly (Id | null)[])
    while (next && !found.has(next)) {
      found.add(next)
      next = terms.get(next)?.parent ?? null
    }
  return [...found]
}

/** The place of a term among all, as their tree is read; the places of those above it come before its own. */
function rankOf({ terms, site }: Catalogue, id: Id): string {
  const places: string[] = []
  const seen = new Set<Id>()
  for (let next: Id | null = id; next && !seen.has(next); next = terms.get(next)?.parent ?? null) {
    seen.add(next)
    const place = site.terms.findIndex((t) => t.id === next)
    places.unshift(String(place).padStart(6, '0'))
  }
  return places.join('.')
}

function nameOf(catalogue: Catalogue, kind: 'person' | 'entry' | 'term', id: Id): string {
  if (kind === 'person') return catalogue.people.get(id)?.name ?? ''
  if (kind === 'term') return catalogue.terms.get(id)?.title ?? ''
  const entry = catalogue.entries.get(id)
  return entry && catalogue.isOut(entry) ? entryName(entry, catalogue.types.get(entry.type)) : ''
}

function titleOf(catalogue: Catalogue, kind: 'person' | 'entry' | 'term', id: Id): string | null {
  if (kind === 'person') return catalogue.people.get(id)?.name ?? null
  if (kind === 'term') return catalogue.terms.get(id)?.title ?? null
  return catalogue.entries.get(id)?.title ?? null
}

const has = (catalogue: Catalogue, kind: ReferredKind, id: Id): boolean =>
  (kind === 'person' ? catalogue.people : kind === 'entry' ? catalogue.entries : catalogue.pictures).has(id)

/** What the things of a site are called, and what its clocks show: as fields are written and compared with it. */
export function directoryOf(catalogue: Catalogue): Directory {
  let directory = DIRECTORIES.get(catalogue)
  if (!directory) {
    const made: Directory = {
      get timeZone() {
        return catalogue.site.settings.timeZone
      },
      get today() {
        return catalogue.today
      },
      has: (kind, id) => has(catalogue, kind, id),
      nameOf: (kind, id) => nameOf(catalogue, kind, id),
      titleOf: (kind, id) => titleOf(catalogue, kind, id),
      withAbove: (terms) => withAbove(catalogue, terms),
      rankOf: (term) => rankOf(catalogue, term),
    }
    DIRECTORIES.set(catalogue, (directory = made))
  }
  return directory
}
