import type { FieldTestOp } from '#core/fields'
import { type Refinement, type Target, factsOf, matches } from '#core/targets'
import { pagesCovered } from '#core/rules'
import { Catalogue } from '#core/catalogue'
import type { Entry } from '#core/model'
import { entry, smallSite } from '../../../fixtures'

/** How values are compared, line by line as the rules say it. */

const site = (fields: Entry['fields'], more: Partial<Entry> = {}) => {
  const made = smallSite([entry('x', 'tool', { title: 'The Long One', fields, ...more }), entry('mirror', 'tool')])
  made.types[1]!.fields.push(
    { id: 'opens', label: 'Opens', kind: 'moment' },
    { id: 'kinds', label: 'Kinds', kind: 'choices', choices: [{ id: 'a', label: 'A' }] },
    { id: 'owner', label: 'Owner', kind: 'person' },
  )
  made.settings.timeZone = 'Pacific/Auckland'
  return new Catalogue(made)
}
const holds = (at: Catalogue, field: string, op: FieldTestOp, value: string | number | boolean | null): boolean => {
  const target: Target = { kind: 'entries', type: 'tool', where: [{ kind: 'field', field, op, value }] }
  const facts = factsOf(at, at.page('entry:x')!)
  const covered = pagesCovered({ covers: [target], except: [] }, at).some((i) => at.pages[i]!.key === 'entry:x')
  expect(matches(target, facts, at)).toBe(covered)
  return covered
}

test.each<[string, Entry['fields'], string, FieldTestOp, string | number | boolean | null, boolean]>([
  ['text is compared without regard to capitals', { maker: 'O’Dell' }, 'maker', 'is', 'o’DELL', true],
  ['also where it is not that', { maker: 'O’Dell' }, 'maker', 'is-not', 'o’DELL', false],
  ['also a part of it', { maker: 'O’Dell' }, 'maker', 'contains', 'DELL', true],
  ['the title is text', {}, 'title', 'is', 'the long one', true],
  ['is not holds on an empty field', {}, 'maker', 'is-not', 'x', true],
  ['contains is for text alone: not for a choice', { kind: 'lens' }, 'kind', 'contains', 'len', false],
  ['nor for a reference', { twin: 'mirror' }, 'twin', 'contains', 'mir', false],
  ['a choice is compared by its id, exactly', { kind: 'lens' }, 'kind', 'is', 'LENS', false],
  ['one of several choices', { kinds: ['a'] }, 'kinds', 'is', 'a', true],
  ['is no holds for a box that was never ticked', {}, 'works', 'is', false, true],
  ['and for one that was unticked', { works: false }, 'works', 'is', false, true],
  ['and not for one that is ticked', { works: true }, 'works', 'is', false, false],
  ['is yes does not hold for one never ticked', {}, 'works', 'is', true, false],
  ['is empty holds for one never ticked', {}, 'works', 'is-empty', null, true],
  ['and not for one that is no', { works: false }, 'works', 'is-empty', null, false],
  [
    'a moment goes by its day in the time zone of the site',
    { opens: '2026-11-23T12:00:00Z' },
    'opens',
    'is',
    '2026-11-24',
    true,
  ],
  ['before that day it is not', { opens: '2026-11-23T12:00:00Z' }, 'opens', 'before', '2026-11-24', false],
  ['at least is that day or later', { opens: '2026-11-23T12:00:00Z' }, 'opens', 'at-least', '2026-11-24', true],
  ['at most is that day or earlier', { bought: '1961-05-07' }, 'bought', 'at-most', '1961-05-07', true],
  ['a day that is none in the calendar is no day', { bought: '1961-05-07' }, 'bought', 'after', '1961-02-30', false],
  ['numbers are compared as numbers', { width: 12 }, 'width', 'at-least', 12, true],
  ['a text is no number', { width: 12 }, 'width', 'is', '12', false],
  ['a reference to what no longer exists is nobody’s', { twin: 'gone' }, 'twin', 'is', 'gone', false],
  ['a person who no longer exists neither', { owner: 'gone' }, 'owner', 'is', 'gone', false],
  ['a field that the type does not have holds in no test', {}, 'nothing', 'is-empty', null, false],
])('%s', (_, fields, field, op, value, expected) => {
  expect(holds(site(fields), field, op, value)).toBe(expected)
})

describe('what no longer exists matches nothing', () => {
  const covers = (at: Catalogue, refinement: Refinement) =>
    matches({ kind: 'entries', type: null, where: [refinement] }, factsOf(at, at.page('entry:x')!), at)
  test('an entry that still carries the id of a vanished term is in no such term', () => {
    expect(
      covers(site({}, { terms: ['gone'] }), { kind: 'term', taxonomy: 'dome', terms: ['gone'], below: false }),
    ).toBe(false)
    expect(
      covers(site({}, { terms: ['east'] }), { kind: 'term', taxonomy: 'dome', terms: ['east'], below: false }),
    ).toBe(true)
  })
  test('a term refinement holds for terms of its own taxonomy only', () => {
    expect(
      covers(site({}, { terms: ['east'] }), { kind: 'term', taxonomy: 'other', terms: ['east'], below: false }),
    ).toBe(false)
  })
  test('nor does a person who is gone', () => {
    expect(covers(site({}, { person: 'gone' }), { kind: 'person', people: ['gone'] })).toBe(false)
    expect(covers(site({}, { person: 'nell' }), { kind: 'person', people: ['nell'] })).toBe(true)
  })
})
