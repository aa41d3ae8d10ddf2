import { type Problem, problem } from '../problems'
import { refuse } from '../shape'
import { takenAddress } from './taken'
import type { Catalogue } from './catalogue'
import { FIELD_SHAPES, entryShape } from './shapes'
import type { Entry, Field, FieldKind, PageType } from './types'

type Exists = (id: unknown, catalogue: Catalogue) => boolean

const isPicture: Exists = (id, c) => c.pictures.has(String(id))
const all =
  (exists: Exists): Exists =>
  (ids, c) =>
    (ids as unknown[]).every((id) => exists(id, c))

/** Whether what a field of a kind refers to is there; kinds that refer to nothing are not asked. */
const EXISTS: Partial<Record<FieldKind, Exists>> = {
  picture: isPicture,
  pictures: all(isPicture),
  person: (id, c) => c.people.has(String(id)),
  entry: (id, c) => c.entries.has(String(id)),
}

const wrong = (why: string): Problem => problem('input-wrong', { why })

function holds(field: Field, value: unknown, catalogue: Catalogue): boolean {
  if (refuse(FIELD_SHAPES[field.kind], value) !== null) return false
  const chosen = (id: unknown) => field.choices?.some((c) => c.id === id) ?? false
  if (field.kind === 'choice') return chosen(value)
  if (field.kind === 'choices') return (value as unknown[]).every(chosen)
  return EXISTS[field.kind]?.(value, catalogue) ?? true
}

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b)

/** What a field held before may stay as it is, also where what it refers to has gone since. */
function checkFields(entry: Entry, was: Entry | undefined, fields: readonly Field[], catalogue: Catalogue): Problem[] {
  return Object.entries(entry.fields).flatMap(([id, value]) => {
    const field = fields.find((f) => f.id === id)
    if (same(value, was?.fields[id])) return []
    if (!field) return wrong(`There is no field called ${id}`)
    const empty = value === null || value === undefined || value === ''
    return empty || holds(field, value, catalogue) ? [] : wrong(`${field.label} cannot hold what was entered`)
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
  const check = (kept: boolean | undefined, exists: boolean, why: string) => {
    if (!kept && !exists) problems.push(wrong(why))
  }
  const { person, picture, parent, terms } = entry
  check(person === null || was?.person === person, catalogue.people.has(person!), 'There is no such person')
  check(picture === null || was?.picture === picture, catalogue.pictures.has(picture!), 'There is no such picture')
  const known = terms.every((t) => catalogue.terms.has(t) || was?.terms.includes(t))
  check(false, known, 'There is no such term')
  const above = catalogue.entries.get(parent ?? '')
  check(parent === null || was?.parent === parent, above?.type === type.id, 'There is no such page to stand below')
  check(false, !standsBelowItself(entry, catalogue), 'A page cannot stand below itself')
  const { home } = catalogue.site.settings
  const isHome = home.kind === 'entry' && home.entry === entry.id && was?.published === true
  check(
    false,
    entry.published || !isHome,
    'Home shows this entry. Choose another for Home on the Map before it is taken back',
  )
  return problems
}

/** Every way in which an entry cannot be stored; none when it can. Takes anything at all. */
export function checkEntry(entry: unknown, catalogue: Catalogue): Problem[] {
  const why = refuse(entryShape, entry)
  if (why !== null) return [wrong(why.charAt(0).toUpperCase() + why.slice(1))]
  const known = entry as Entry
  const type = catalogue.types.get(known.type)
  if (!type) return [wrong('There is no such page type')]
  const references = checkReferences(known, type, catalogue)
  const taken = references.length > 0 ? null : takenAddress(known, type, catalogue)
  return [
    ...references,
    ...(taken === null ? [] : [wrong(taken)]),
    ...checkFields(known, catalogue.entries.get(known.id), type.fields, catalogue),
  ]
}
