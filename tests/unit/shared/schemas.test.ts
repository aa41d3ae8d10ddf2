import { INPUTS, type InputName } from '#shared/api/schemas'
import { PROBLEMS, problem } from '#core/problems'
import { refuseEdit } from '#core/layouts'
import { refuse } from '#core/shape'

const refusal = (name: InputName, value: unknown) => refuse(INPUTS[name].shape, value)
const sent = (n: number, more: object = {}) => ({
  revision: 1,
  edits: Array.from({ length: n }, (_, i) => ({
    id: `x${i}`,
    does: 'edit',
    edit: { kind: 'remove', id: 'a' },
    ...more,
  })),
})

test.each<[string, InputName, unknown, string]>([
  ['a sign-in without a password', 'signIn', { mail: 'a@b' }, 'Enter your password'],
  ['a sign-in that is no object', 'signIn', 'a@b', 'wrong kind'],
  ['a sign-in that is nothing', 'signIn', null, 'missing'],
  ['a password that is an object', 'signIn', { mail: 'a@b', password: {} }, 'Enter your password'],
  [
    'a sign-in with a key that every object has',
    'signIn',
    { mail: 'a', password: 'b', constructor: 1 },
    'unknown: constructor',
  ],
  [
    'a sign-in with a prototype',
    'signIn',
    JSON.parse('{"mail":"a","password":"b","__proto__":{}}'),
    'unknown: __proto__',
  ],
  ['a new password that is short', 'password', { current: 'x', next: 'short' }, '12 to 500'],
  ['sessions of somebody else', 'endSessions', { of: 'ada' }, 'whose sessions'],
  ['a layout with markup for an id', 'newLayout', { id: '<b>', name: 'X', region: 'body' }, 'An id is'],
  ['a layout without a name', 'newLayout', { id: 'x', name: ' ', region: 'body' }, 'Give it a name'],
  [
    'a layout for a region there is none of',
    'newLayout',
    { id: 'x', name: 'X', region: 'aside' },
    'There is no such region',
  ],
  ['no edits', 'edits', sent(0), 'There are no edits'],
  ['edits without a revision', 'edits', { ...sent(1), revision: undefined }, 'The revision is missing'],
  ['a revision that is text', 'edits', { ...sent(1), revision: '1' }, 'The revision is missing'],
  ['a revision beyond counting', 'edits', { ...sent(1), revision: 1e300 }, 'The revision is missing'],
  ['an edit that is a list', 'edits', sent(1, { edit: [] }), 'an edit is missing'],
  ['an edit that does what none does', 'edits', sent(1, { does: 'explode' }), 'say what the edit does'],
  ['too many edits', 'edits', sent(201), 'at most 200'],
  ['a frame that is none', 'frame', { revision: 0, frame: 'frame' }, 'A frame is missing'],
  ['a note that goes on', 'release', { note: 'x'.repeat(501) }, 'at most 500'],
  ['a choice that chooses nothing', 'import', { parcel: {}, choices: { 'menu x': { do: 'use' } } }, 'choices'],
  ['something of a release that none has', 'bringBack', { what: { kind: 'page', id: 'x' } }, 'thing to bring back'],
  ['a hand on something that has no id', 'liveAt', { window: 'w', node: 7 }, 'in a piece'],
  ['a home that is none', 'home', { home: { kind: ['entry'] } }, 'home'],
])('refuses %s', (_, name, value, message) => {
  expect(refusal(name, value)).toContain(message)
})

test('refuses what is nested so deep that looking at it would end the program', () => {
  let deep: unknown = {}
  for (let i = 0; i < 100_000; i++) deep = { a: deep }
  for (const name of Object.keys(INPUTS) as InputName[]) expect(refusal(name, deep)).toBe('it is nested too deep')
})

test('accepts what the studio sends', () => {
  const undo = { does: 'undo', of: 3, run: 'x0', edit: { kind: 'batch', label: 'step', edits: [] } }
  expect(refusal('edits', sent(200))).toBeNull()
  expect(refusal('edits', sent(1, undo))).toBeNull()
  expect(refusal('newLayout', { id: 'x', name: 'X', region: 'card' })).toBeNull()
  expect(refusal('release', {})).toBeNull()
  expect(refusal('import', { parcel: {}, choices: { 'page entry:gone': { do: 'use', id: 'entry:visit' } } })).toBeNull()
})

test('edits of a wrong shape are named by what is wrong', () => {
  const sentence = (edit: unknown) => refuseEdit(edit)?.sentence ?? ''
  expect(sentence(null)).toContain('no edit of the kind')
  expect(sentence({ kind: 'constructor' })).toContain('no edit of the kind constructor')
  expect(sentence({ kind: 'move', id: 'a', parent: 'a', index: 'first' })).toContain('index')
  expect(
    sentence({ kind: 'insert', parent: 'a', index: 0, node: { kind: 'row', id: 'r', props: {}, styles: {} } }),
  ).toContain('children')
  expect(sentence({ kind: 'setSpans', row: 'r', spans: ['6', 6] })).toContain('spans')
  expect(sentence({ kind: 'batch', label: 'x', edits: [{ kind: 'remove' }] })).toContain('id')
  expect(sentence({ kind: ['rename'], id: 'a', name: 'x' })).toContain('no edit of the kind')
  expect(sentence({ kind: 'remove', id: 'a', also: 1 })).toContain('unknown: also')
  let nested: unknown = { kind: 'remove', id: 'a' }
  for (let i = 0; i < 6; i++) nested = { kind: 'batch', label: 'x', edits: [nested] }
  expect(sentence(nested)).toContain('nested too deep')
})

test('every problem says what happened, in a whole sentence, with a status for it', () => {
  for (const [status, sentence] of Object.values(PROBLEMS)) {
    expect(status).toBeGreaterThanOrEqual(400)
    expect(sentence).toMatch(/^[A-Z{].*\.$/)
  }
  expect(problem('id-form', { id: 'x'.repeat(500) }).sentence.length).toBeLessThan(220)
})
