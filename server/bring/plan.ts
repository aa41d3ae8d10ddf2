import { type Field, hasChoices, isFieldKind, partsOf } from '../../core/fields'
import { nanoid } from 'nanoid'
import type { PlainEdit } from '../../core/edits'
import { ProblemError, fail } from '../../core/problems'
import {
  type Id,
  STRUCTURE_EDITING,
  type Structure,
  firstFree,
  newField,
  newPageType,
  newPerson,
  newTerm,
} from '../../core/model'
import { slugOf } from '../../core/addresses'
import type { BringInput } from '../../shared/api/types'
import { takeTurns } from '../services/turns'
import type { Row } from './sheet'

/** What a plan needs of the structure of the site, as edits that are not made yet. */
export interface Needed {
  type: Id
  /** What each column is; columns of which fields are made name those fields. */
  columns: BringInput['columns']
  structure: Structure
  edits: PlainEdit[]
  made: { terms: string[]; people: string[] }
}

const MOST_TERMS = 1000
const MOST_PEOPLE = 500
const MOST_CHOICES = 200
const LABEL = 'what comes along'
/** Batches take some more than this; see `plainEditShape`. */
const IN_BATCH = 500

/** Edits as one, in batches within a batch where there are many. */
export function asOneEdit(edits: readonly PlainEdit[]): PlainEdit {
  const parts = Array.from({ length: Math.ceil(edits.length / IN_BATCH) }, (_, i) => ({
    kind: 'batch' as const,
    label: LABEL,
    edits: edits.slice(i * IN_BATCH, (i + 1) * IN_BATCH),
  }))
  return { kind: 'batch', label: LABEL, edits: parts }
}

/**
 * Works out what a plan needs: the type and its new fields, and, where asked, terms and people by name. `rows` gives
 * the rows from the beginning whenever it is called. Throws a problem where the structure cannot have it.
 */
export async function planNeeds(before: Structure, plan: BringInput, rows: () => AsyncIterable<Row>): Promise<Needed> {
  const planning = new Planning(before, plan, rows)
  const type = planning.pageType()
  await planning.fields(type)
  const made = plan.make ? await planning.names() : { terms: [], people: [] }
  const { structure, edits, columns } = planning
  return { type, columns, structure, edits, made }
}

class Planning {
  readonly edits: PlainEdit[] = []
  readonly columns: Record<string, string>

  constructor(
    public structure: Structure,
    private readonly plan: BringInput,
    private readonly rows: () => AsyncIterable<Row>,
  ) {
    this.columns = { ...plan.columns }
  }

  /** Several edits are judged together: each by itself would have the whole structure judged again. */
  private apply(edits: readonly PlainEdit[]): void {
    if (edits.length === 0) return
    const result = STRUCTURE_EDITING.apply(this.structure, asOneEdit(edits))
    if (!result.ok) throw new ProblemError(result.problem)
    this.structure = result.document
    this.edits.push(...edits)
  }

  pageType(): Id {
    const { type } = this.plan
    const { types, taxonomies } = this.structure
    if (type.kind === 'there') return types.some((t) => t.id === type.id) ? type.id : fail('type-unknown', type)
    const parts = new Set([...types, ...taxonomies].map((t) => t.slug))
    const own = Object.values(this.plan.columns).flatMap(taxonomyOf)
    const fresh = newPageType(type.name.trim(), type.plural.trim(), new Set(types.map((t) => t.id)), parts)
    const item = { ...fresh, taxonomies: own }
    this.apply([{ kind: 'insert', at: ['types'], index: types.length, item }])
    return item.id
  }

  /** Columns of which fields are made name those fields from here on. */
  async fields(type: Id): Promise<void> {
    for (const [column, target] of Object.entries(this.plan.columns)) {
      if (!target.startsWith('new:')) continue
      const kind = target.slice('new:'.length)
      if (!isFieldKind(kind)) return fail('structure-shape', { why: 'there is no such kind of field' })
      const { fields } = this.structure.types.find((t) => t.id === type)!
      const field = newField(column, kind, new Set(fields.map((f) => f.id)))
      if (hasChoices(kind)) field.choices = await this.choicesOf(column, kind === 'choices')
      this.apply([{ kind: 'insert', at: ['types', type, 'fields'], index: fields.length, item: field }])
      this.columns[column] = `field:${field.id}`
    }
  }

  private async choicesOf(column: string, several: boolean): Promise<NonNullable<Field['choices']>> {
    const found = new Map<string, string>()
    for await (const row of this.rows()) {
      const cell = row[column]?.trim() ?? ''
      for (const label of several ? partsOf(cell) : [cell]) {
        if (label && found.size < MOST_CHOICES && !found.has(label.toLowerCase()))
          found.set(label.toLowerCase(), label.slice(0, 200))
      }
    }
    const ids = new Set<string>()
    return [...found.values()].map((label) => {
      const own = firstFree(slugOf(label).replace(/[^a-z0-9-]/g, '') || 'choice', 60, (name) => ids.has(name))
      ids.add(own)
      return { id: own, label }
    })
  }

  /** Terms and people that rows name and that are not there. */
  async names(): Promise<Needed['made']> {
    const { structure } = this
    const terms = new Found(
      structure.terms.map((t) => [t.taxonomy, t.title]),
      MOST_TERMS,
    )
    const people = new Found(
      structure.people.map((p) => ['', p.name]),
      MOST_PEOPLE,
    )
    const taxonomies = new Set(structure.taxonomies.map((t) => t.id))
    const turn = takeTurns()
    for await (const row of this.rows()) {
      await turn()
      for (const [column, target] of Object.entries(this.plan.columns)) {
        const words = row[column]?.trim() ?? ''
        if (target === 'person') people.note('', words)
        for (const taxonomy of taxonomyOf(target))
          if (taxonomies.has(taxonomy)) for (const title of partsOf(words)) terms.note(taxonomy, title)
      }
    }
    this.apply([...this.termsNamed(terms), ...this.peopleNamed(people)])
    return { terms: terms.fresh.map(([, title]) => title), people: people.fresh.map(([, name]) => name) }
  }

  private termsNamed({ fresh }: Found): PlainEdit[] {
    const terms = [...this.structure.terms]
    return fresh.map(([taxonomy, title]) => {
      const item = newTerm({ ...this.structure, terms }, taxonomy, title.slice(0, 200), nanoid(10))
      const index = terms.push(item) - 1
      return { kind: 'insert', at: ['terms'], index, item }
    })
  }

  private peopleNamed({ fresh }: Found): PlainEdit[] {
    const people = [...this.structure.people]
    return fresh.map(([, name]) => {
      const item = newPerson({ ...this.structure, people }, name.slice(0, 200))
      const index = people.push(item) - 1
      return { kind: 'insert', at: ['people'], index, item }
    })
  }
}

/** Names that are not there yet, each once, without regard to capitals, up to a number. */
class Found {
  readonly fresh: [group: Id, name: string][] = []
  private readonly known: Set<string>

  constructor(
    there: readonly (readonly [group: Id, name: string])[],
    private readonly most: number,
  ) {
    this.known = new Set(there.map(([group, name]) => `${group} ${name.trim().toLowerCase()}`))
  }

  note(group: Id, name: string): void {
    const key = `${group} ${name.toLowerCase()}`
    if (!name || this.known.has(key) || this.fresh.length >= this.most) return
    this.known.add(key)
    this.fresh.push([group, name])
  }
}

const TERMS = 'terms:'
const taxonomyOf = (target: string): Id[] => (target.startsWith(TERMS) ? [target.slice(TERMS.length)] : [])
