import { fieldSpec } from '../fields'
import { EVERY_ENTRY, builtInField } from '../conditions'
import type { Catalogue } from '../catalogue'
import type { Id } from '../model'

/** Looks up what things are called now; a missing one is named as missing, never skipped. */
export interface RuleNames {
  page(key: string): string
  type(id: Id, plural?: boolean): string
  taxonomy(id: Id, plural?: boolean): string
  term(id: Id): string
  person(id: Id): string
  entry(id: Id): string
  field(type: Id | null, id: Id): string
  choice(type: Id | null, field: Id, value: unknown): string
}

export const GONE = '(no longer there)'

/** Names as the catalogue has them. */
export function namesFrom(catalogue: Catalogue): RuleNames {
  const fieldOf = (type: Id | null, id: Id) => {
    const types = type ? [catalogue.types.get(type)] : [...catalogue.types.values()]
    return types.flatMap((t) => t?.fields ?? []).find((f) => f.id === id)
  }
  const builtIn = (id: Id) => (Object.hasOwn(EVERY_ENTRY, id) ? EVERY_ENTRY[id] : undefined)
  const names: RuleNames = {
    page: (key) => (key === 'home' ? 'Home' : (catalogue.page(key)?.title ?? `A page ${GONE}`)),
    type: (id, plural) => catalogue.types.get(id)?.[plural ? 'plural' : 'name'] ?? `A page type ${GONE}`,
    taxonomy: (id, plural) => catalogue.taxonomies.get(id)?.[plural ? 'plural' : 'name'] ?? `A taxonomy ${GONE}`,
    term: (id) => catalogue.terms.get(id)?.title ?? `a term ${GONE}`,
    person: (id) => catalogue.people.get(id)?.name ?? `a person ${GONE}`,
    entry: (id) => catalogue.page(`entry:${id}`)?.title ?? `a page ${GONE}`,
    field: (type, id) => builtIn(id) ?? fieldOf(type, id)?.label ?? `a field ${GONE}`,
    choice(type, field, value) {
      if (typeof value === 'boolean') return value ? 'yes' : 'no'
      if (value === null || value === '') return 'nothing'
      const words = String(value)
      // What entries of every type say for themselves names people, pictures and entries by id too.
      const asked = fieldOf(type, field)
      const kind = builtInField(field)?.kind ?? asked?.kind
      const choice = asked?.choices?.find((c) => c.id === value)
      if (choice) return choice.label
      const refers = kind ? fieldSpec(kind).refers : null
      if (refers === 'picture') return catalogue.pictures.get(words)?.fileName ?? `a picture ${GONE}`
      return refers === null ? words : names[refers](words)
    },
  }
  return names
}
