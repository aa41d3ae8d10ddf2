import { type Problem, problem } from '../problems'
import { refuse } from '../shape'
import { asSentence } from '../text'
import { takenAddress } from './taken'
import type { Catalogue } from './catalogue'
import { directoryOf } from './directory'
import { entryShape, type Entry, type PageType } from '../model'
import { type Field, fieldSpec, isEmpty, isHeld, referredIn } from '../fields'

/** Whether a field can hold a value, and all that it refers to is there. */
function holds(field: Field, value: unknown, catalogue: Catalogue): boolean {
  if (!isHeld(field, value)) return false
  const { refers } = fieldSpec(field.kind)
  return refers === null || referredIn(field.kind, value).every((id) => directoryOf(catalogue).has(refers, id))
}

/** Why a number is out of the limits of its field; null when it is not. */
function outOfLimits({ least, most }: Field, value: unknown): string | null {
  if (typeof value !== 'number') return null
  if (least !== undefined && value < least) return `it is at least ${least}`
  return most !== undefined && value > most ? `it is at most ${most}` : null
}

/** Fields that are asked of every published entry and hold nothing. */
const missing = (entry: Entry, fields: readonly Field[]): Problem[] =>
  entry.published
    ? fields
        .filter((f) => f.required && isEmpty(entry.fields[f.id]))
        .map(({ label }) => problem('field-missing', { label }))
    : []

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b)

/** What a field held before may stay as it is, also where what it refers to has gone since. */
function checkFields(entry: Entry, was: Entry | undefined, fields: readonly Field[], catalogue: Catalogue): Problem[] {
  return Object.entries(entry.fields).flatMap(([id, value]) => {
    const field = fields.find((f) => f.id === id)
    if (same(value, was?.fields[id])) return []
    if (!field) return problem('field-unknown', { id })
    const empty = value === null || value === undefined || value === ''
    if (empty) return []
    if (!holds(field, value, catalogue)) return problem('field-value', { label: field.label })
    const why = outOfLimits(field, value)
    return why === null ? [] : problem('field-limits', { label: field.label, why })
  })
}

/** True when an entry would stand, by way of others, below itself. */
function standsBelowItself(entry: Entry, catalogue: Catalogue): boolean {
  const seen = new Set<string>()
  let parent = entry.parent
  while (parent && !seen.has(parent)) {
    if (parent === entry.id) return true
    seen.add(parent)
    parent = catalogue.entries.get(parent)?.parent ?? null
  }
  return false
}

function checkReferences(entry: Entry, type: PageType, catalogue: Catalogue): Problem[] {
  const was = catalogue.entries.get(entry.id)
  const problems: Problem[] = []
  const there = (
    what: string,
    id: string | null,
    before: string | null | undefined,
    exists: (id: string) => boolean,
  ) => {
    if (id !== null && id !== before && !exists(id)) problems.push(problem('reference-unknown', { what, id }))
  }
  there('person', entry.person, was?.person, (id) => catalogue.people.has(id))
  there('picture', entry.picture, was?.picture, (id) => catalogue.pictures.has(id))
  there('page to stand below', entry.parent, was?.parent, (id) => catalogue.entries.get(id)?.type === type.id)
  for (const term of entry.terms)
    there('term', term, was?.terms.includes(term) ? term : null, (id) => catalogue.terms.has(id))
  if (standsBelowItself(entry, catalogue)) problems.push(problem('below-itself'))
  const { home } = catalogue.site.settings
  const isHome = home.kind === 'entry' && home.entry === entry.id && was?.published === true
  if (isHome && !entry.published) problems.push(problem('home-shows-it'))
  return problems
}

/** Every way in which an entry cannot be stored; none when it can. Takes anything at all. */
export function checkEntry(entry: unknown, catalogue: Catalogue): Problem[] {
  const why = refuse(entryShape, entry)
  if (why !== null) return [problem('entry-shape', { why: asSentence(why) })]
  const known = entry as Entry
  const type = catalogue.types.get(known.type)
  if (!type) return [problem('type-unknown', { id: known.type })]
  const references = checkReferences(known, type, catalogue)
  const taken = references.length > 0 ? null : takenAddress(known, type, catalogue)
  return [
    ...references,
    ...(taken === null ? [] : [problem('address-taken', { why: taken })]),
    ...checkFields(known, catalogue.entries.get(known.id), type.fields, catalogue),
    ...missing(known, type.fields),
  ]
}
