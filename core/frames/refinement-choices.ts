import type { Catalogue, Field, Id } from '../site'
import type { FieldTestOp, Refinement } from './types'

/** A further fact that can be picked: at once, or a field whose test has still to be said. */
export type RefinementChoice = { label: string; what: string } & ({ refinement: Refinement } | { field: Id })

const EVERY_ENTRY: { id: Id; label: string }[] = [
  { id: 'picture', label: 'Lead picture' },
  { id: 'summary', label: 'Summary' },
  { id: 'content', label: 'Content' },
  { id: 'title', label: 'Title' },
  { id: 'date', label: 'Date' },
]

/** Facts by which the entries of a type (null: of any) can be told apart. */
export function refinementChoices(catalogue: Catalogue, type: Id | null): RefinementChoice[] {
  const types =
    type === null ? [...catalogue.types.values()] : [...catalogue.types.values()].filter((t) => t.id === type)
  const taxonomies = new Set(types.flatMap((t) => t.taxonomies))
  const personLabel = (types.length === 1 ? types[0]!.personLabel : 'Person').toLowerCase()
  const choices: RefinementChoice[] = []
  for (const term of catalogue.terms.values()) {
    if (!taxonomies.has(term.taxonomy)) continue
    const base = { kind: 'term' as const, taxonomy: term.taxonomy, terms: [term.id] }
    const what = catalogue.taxonomies.get(term.taxonomy)?.name.toLowerCase() ?? 'term'
    choices.push({ label: `in ${term.title}`, what, refinement: { ...base, below: false } })
    if (catalogue.termsBelow(term.id).length > 1)
      choices.push({ label: `in ${term.title} or below`, what, refinement: { ...base, below: true } })
  }
  for (const person of catalogue.people.values()) {
    choices.push({ label: `by ${person.name}`, what: personLabel, refinement: { kind: 'person', people: [person.id] } })
  }
  if (types.some((t) => t.tree)) {
    for (const entry of catalogue.site.entries) {
      if (!types.some((t) => t.tree && t.id === entry.type)) continue
      choices.push({ label: `below ${entry.title}`, what: 'page', refinement: { kind: 'below', entries: [entry.id] } })
    }
  }
  const fields = new Map<Id, string>([
    ...EVERY_ENTRY.map((f) => [f.id, f.label] as const),
    ...types.flatMap((t) => t.fields.map((f) => [f.id, f.label] as const)),
  ])
  for (const [field, label] of fields) choices.push({ label: `${label} is …`, what: 'field', field })
  return choices
}

const EMPTINESS: FieldTestOp[] = ['is-empty', 'is-not-empty']
const OPS: Partial<Record<Field['kind'], FieldTestOp[]>> = {
  text: ['is', 'is-not', 'contains'],
  rich: ['contains'],
  number: ['is', 'at-least', 'at-most'],
  money: ['is', 'at-least', 'at-most'],
  date: ['is', 'before', 'after'],
  moment: ['before', 'after'],
  'yes-no': ['is'],
  choice: ['is', 'is-not'],
  choices: ['is', 'is-not'],
  link: ['is', 'contains'],
}

/** The field as a page type has it, or as every entry has it. */
export function fieldFor(catalogue: Catalogue, type: Id | null, id: Id): Field {
  for (const t of catalogue.types.values()) {
    const field = type === null || t.id === type ? t.fields.find((f) => f.id === id) : undefined
    if (field) return field
  }
  const label = EVERY_ENTRY.find((f) => f.id === id)?.label ?? id
  const kind: Field['kind'] = id === 'date' ? 'date' : id === 'content' ? 'rich' : id === 'picture' ? 'picture' : 'text'
  return { id, label, kind }
}

/** The tests that suit a kind of field. The content of entries can only be asked whether it is there. */
export function opsFor(field: Field): FieldTestOp[] {
  const yesNo = field.kind === 'yes-no'
  if (field.id === 'content') return EMPTINESS
  return [...(OPS[field.kind] ?? []), ...(yesNo ? [] : EMPTINESS)]
}
