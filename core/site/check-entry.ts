import { type Problem, problem } from '../problems'
import { isSlug } from './addresses'
import type { Catalogue } from './catalogue'
import type { Entry, Field, FieldKind } from './types'

const DAY = /^\d{4}-\d{2}-\d{2}$/
const MOST_RICH_BYTES = 400_000

const isText = (v: unknown): v is string => typeof v === 'string' && v.length <= 2000
const isIds = (v: unknown): v is string[] =>
  Array.isArray(v) && v.length <= 200 && v.every((x) => typeof x === 'string')
const isDate = (v: unknown): boolean => typeof v === 'string' && !Number.isNaN(Date.parse(v))
const isRich = (v: unknown): boolean =>
  typeof v === 'object' &&
  v !== null &&
  (v as { type?: unknown }).type === 'doc' &&
  JSON.stringify(v).length <= MOST_RICH_BYTES

/** Whether a field of a kind can hold a value; every field may be empty. */
const HOLDS: Record<FieldKind, (value: unknown, field: Field, catalogue: Catalogue) => boolean> = {
  text: isText,
  rich: isRich,
  number: (v) => typeof v === 'number' && Number.isFinite(v),
  money: (v) => typeof v === 'number' && Number.isFinite(v),
  date: (v) => typeof v === 'string' && DAY.test(v) && isDate(v),
  moment: isDate,
  'yes-no': (v) => typeof v === 'boolean',
  choice: (v, field) => field.choices?.some((c) => c.id === v) ?? false,
  choices: (v, field) => isIds(v) && v.every((id) => field.choices?.some((c) => c.id === id)),
  picture: (v, _, catalogue) => typeof v === 'string' && catalogue.pictures.has(v),
  pictures: (v, _, catalogue) => isIds(v) && v.every((id) => catalogue.pictures.has(id)),
  documents: (v) => Array.isArray(v) && v.length <= 50 && v.every((d) => isText(d?.name) && isText(d?.address)),
  link: isText,
  position: (v) =>
    typeof v === 'object' &&
    v !== null &&
    typeof (v as { x: unknown }).x === 'number' &&
    typeof (v as { y: unknown }).y === 'number',
  person: (v, _, catalogue) => typeof v === 'string' && catalogue.people.has(v),
  entry: (v, _, catalogue) => typeof v === 'string' && catalogue.entries.has(v),
}

const wrong = (why: string): Problem => problem('input-wrong', { why })

function checkFields(entry: Entry, fields: readonly Field[], catalogue: Catalogue): Problem[] {
  if (typeof entry.fields !== 'object' || entry.fields === null) return [wrong('The fields cannot be read')]
  return Object.entries(entry.fields).flatMap(([id, value]) => {
    const field = fields.find((f) => f.id === id)
    if (!field) return wrong(`There is no field called ${id}`)
    const empty = value === null || value === undefined || value === ''
    return empty || HOLDS[field.kind](value, field, catalogue)
      ? []
      : wrong(`${field.label} cannot hold what was entered`)
  })
}

/** Every way in which an entry cannot be stored; none when it can. `entry` may be anything at all. */
export function checkEntry(entry: Entry, catalogue: Catalogue): Problem[] {
  const type = catalogue.types.get(entry?.type)
  if (!type) return [wrong('There is no such page type')]
  const problems: Problem[] = []
  const check = (holds: boolean, why: string) => {
    if (!holds) problems.push(wrong(why))
  }
  check(typeof entry.title === 'string' && entry.title.length <= 500, 'A title has at most 500 characters')
  check(typeof entry.excerpt === 'string' && entry.excerpt.length <= 1000, 'A summary has at most 1000 characters')
  check(
    typeof entry.slug === 'string' && isSlug(entry.slug),
    'The last part of an address has small letters, digits and single hyphens',
  )
  const twin = catalogue.site.entries.some(
    (e) => e.id !== entry.id && e.type === entry.type && e.slug === entry.slug && e.parent === entry.parent,
  )
  check(!twin, `Another ${type.name.toLowerCase()} has this address already`)
  check(entry.content === null || isRich(entry.content), 'The content cannot be read')
  check(
    entry.date === null || (typeof entry.date === 'string' && DAY.test(entry.date) && isDate(entry.date)),
    'A date is written as 2026-03-29',
  )
  check(entry.person === null || catalogue.people.has(entry.person), 'There is no such person')
  check(entry.picture === null || catalogue.pictures.has(entry.picture), 'There is no such picture')
  check(isIds(entry.terms) && entry.terms.every((t) => catalogue.terms.has(t)), 'There is no such term')
  check(
    entry.parent === null || (catalogue.entries.get(entry.parent)?.type === type.id && entry.parent !== entry.id),
    'There is no such page to stand below',
  )
  check(typeof entry.published === 'boolean', 'Published is yes or no')
  check(entry.chosenFrame === null || isText(entry.chosenFrame), 'The frame chosen cannot be read')
  return [...problems, ...checkFields(entry, type.fields, catalogue)]
}
