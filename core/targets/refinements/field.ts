import { EVERY_ENTRY, type FieldTest, fieldTest, fieldTestShape, fieldTestWords } from '../../conditions'
import type { RefinementSpec } from '../spec'

/** A field of the entry passes a test. */
export const field: RefinementSpec<FieldTest> = {
  shape: fieldTestShape,
  holds: (refinement, { entry }, catalogue) => fieldTest(refinement, catalogue)(entry!),
  test(refinement, catalogue) {
    const test = fieldTest(refinement, catalogue)
    return ({ entry }) => test(entry!)
  },
  lists: () => null,
  words({ field, op, value }, type, names) {
    return `with ${names.field(type, field)} ${fieldTestWords({ op }, names.choice(type, field, value))}`
  },
  choices(_catalogue, types) {
    const fields = new Map<string, string>([
      ...Object.entries(EVERY_ENTRY).filter(([id]) => id !== 'person'),
      ...types.flatMap((t) => t.fields.map((f) => [f.id, f.label] as const)),
    ])
    return [...fields].map(([field, label]) => ({ picks: null, field, label: `${label} is …`, what: 'field' }))
  },
  exchange(refinement, by, type) {
    const field = by('field', refinement.field, type)
    return field === null ? null : { ...refinement, field }
  },
}
