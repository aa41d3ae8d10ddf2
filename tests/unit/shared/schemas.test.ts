import type { Schema } from 'yup'
import { editsSchema, frameSchema, newLayoutSchema, releaseSchema, signInSchema } from '#shared/api/schemas'
import { refuseEdit } from '#shared/api/edits'
import { PROBLEMS, problem } from '#core/problems'

const refusal = <T>(schema: Schema<T>, value: unknown): string | null => {
  try {
    schema.validateSync(value)
    return null
  } catch (error) {
    return (error as Error).message
  }
}

test.each<[string, Schema<unknown>, unknown, string]>([
  ['a sign-in without a password', signInSchema, { mail: 'a@b' }, 'Enter your password'],
  ['a sign-in that is no object', signInSchema, 'a@b', 'object'],
  ['a password that is an object', signInSchema, { mail: 'a@b', password: {} }, 'string'],
  ['a layout with markup for an id', newLayoutSchema, { id: '<b>', name: 'X', region: 'body' }, 'An id is'],
  ['a layout without a name', newLayoutSchema, { id: 'x', name: '', region: 'body' }, 'Give it a name'],
  [
    'a layout for a region there is none of',
    newLayoutSchema,
    { id: 'x', name: 'X', region: 'aside' },
    'There is no such region',
  ],
  ['no edits', editsSchema, { revision: 1, edits: [] }, 'There are no edits'],
  [
    'edits without a revision',
    editsSchema,
    { edits: [{ id: 'x', does: 'edit', edit: { kind: 'remove', id: 'a' } }] },
    'The revision is missing',
  ],
  [
    'a revision that is text',
    editsSchema,
    { revision: '1', edits: [{ id: 'x', does: 'edit', edit: { kind: 'remove', id: 'a' } }] },
    'number',
  ],
  [
    'an edit that is none',
    editsSchema,
    { revision: 1, edits: [{ id: 'x', does: 'edit', edit: { kind: 'explode' } }] },
    'there is no edit of the kind explode',
  ],
  [
    'too many edits',
    editsSchema,
    {
      revision: 1,
      edits: Array.from({ length: 501 }, (_, i) => ({ id: `x${i}`, does: 'edit', edit: { kind: 'remove', id: 'a' } })),
    },
    'at most 500',
  ],
  ['a frame that is none', frameSchema, { revision: 0, frame: 'frame' }, 'A frame is missing'],
  ['a note that goes on', releaseSchema, { note: 'x'.repeat(501) }, 'at most 500'],
])('refuses %s', (_, schema, value, message) => {
  expect(refusal(schema, value)).toContain(message)
})

test('accepts what the studio sends', () => {
  const edit = {
    id: 'x',
    does: 'undo',
    of: 3,
    edit: { kind: 'batch', label: 'step', edits: [{ kind: 'setProperty', id: 'a', property: 'text', unset: true }] },
  }
  expect(refusal(editsSchema, { revision: 1, edits: [edit] })).toBeNull()
  expect(refusal(newLayoutSchema, { id: 'x', name: 'X', region: 'card' })).toBeNull()
  expect(refusal(releaseSchema, {})).toBeNull()
})

test('edits of a wrong shape are named by what is wrong', () => {
  expect(refuseEdit(null)).toBe('it is not an object')
  expect(refuseEdit({ kind: 'constructor' })).toContain('there is no edit')
  expect(refuseEdit({ kind: 'insert', parent: 'a', index: 'first', node: {} })).toContain('its index')
  expect(refuseEdit({ kind: 'setSpans', row: 'r', spans: ['6', 6] })).toContain('its spans')
  expect(refuseEdit({ kind: 'batch', label: 'x', edits: [{ kind: 'remove' }] })).toContain('its id')
  let nested: unknown = { kind: 'remove', id: 'a' }
  for (let i = 0; i < 6; i++) nested = { kind: 'batch', label: 'x', edits: [nested] }
  expect(refuseEdit(nested)).toContain('too large')
})

test('every problem says what happened, in a whole sentence, with a status for it', () => {
  for (const [code, [status, sentence]] of Object.entries(PROBLEMS)) {
    expect(status).toBeGreaterThanOrEqual(400)
    expect(sentence).toMatch(/^[A-Z{].*\.$/)
    expect(problem(code as keyof typeof PROBLEMS).code).toBe(code)
  }
  expect(problem('id-form', { id: 'x'.repeat(500) }).sentence.length).toBeLessThan(220)
})
