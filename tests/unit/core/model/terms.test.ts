import fc from 'fast-check'
import {
  STRUCTURE_EDITING,
  type Structure,
  insertTerm,
  linesOf,
  moveTerm,
  newPerson,
  newTerm,
  nudged,
  removeTaxonomy,
  removeTerm,
  spotOf,
} from '#core/model'
import type { PlainEdit } from '#core/edits'
import { makeDemo } from '#demo/index'
import { runs } from '../../../runs'

const { site } = makeDemo()
const { types, taxonomies, terms, people } = site
const demo: Structure = { format: 1, types, taxonomies, terms, people }

function apply(structure: Structure, edit: PlainEdit): { after: Structure; back: PlainEdit } {
  const result = STRUCTURE_EDITING.apply(structure, edit)
  if (!result.ok) throw new Error(result.problem.sentence)
  return { after: result.document, back: result.inverse }
}
const treeOf = (structure: Structure, taxonomy: string) =>
  linesOf(structure.terms.filter((t) => t.taxonomy === taxonomy))

test('terms are made, nested and moved as their outline says, and every step is taken back whole', () => {
  const step = fc.record({ pick: fc.nat(), does: fc.constantFrom('add', 'up', 'down', 'in', 'out', 'remove') })
  fc.assert(
    fc.property(fc.array(step, { maxLength: 12 }), (steps) => {
      let structure = demo
      const inverses: PlainEdit[] = []
      for (const [i, { pick, does }] of steps.entries()) {
        const lines = treeOf(structure, 'room')
        const line = lines[pick % lines.length]
        const spot = line && does !== 'add' && does !== 'remove' ? nudged(lines, line.id, does as 'up', 6) : null
        const added = newTerm(structure, 'room', `Room ${i}`)
        const at = line ? spotOf(lines, line.id) : { parent: null, index: 0 }
        const edit =
          does === 'add'
            ? insertTerm(structure, added, at)
            : does === 'remove' && line
              ? removeTerm(structure, line.id)
              : spot && moveTerm(structure, line!.id, spot)
        if (!edit) continue
        const { after, back } = apply(structure, edit)
        if (does === 'add') expect(spotOf(treeOf(after, 'room'), added.id)).toEqual(at)
        else if (does === 'remove') expect(after.terms).toHaveLength(structure.terms.length - 1)
        else expect(spotOf(treeOf(after, 'room'), line!.id)).toEqual(spot)
        expect(treeOf(after, 'period')).toEqual(treeOf(structure, 'period'))
        structure = after
        inverses.unshift(back)
      }
      for (const back of inverses) structure = apply(structure, back).after
      expect(structure).toEqual(demo)
    }),
    { numRuns: runs(60) },
  )
})

test('new terms and people stand at addresses of their own', () => {
  let structure = demo
  for (let i = 0; i < 3; i++) {
    const term = newTerm(structure, 'room', 'Tower Room')
    structure = apply(structure, insertTerm(structure, term, { parent: null, index: 0 })).after
    const person = newPerson(structure, 'Ada Finch')
    structure = apply(structure, { kind: 'insert', at: ['people'], index: 0, item: person }).after
  }
  expect(structure.terms.slice(0, 3).map((t) => t.slug)).toEqual(['tower-room-4', 'tower-room-3', 'tower-room-2'])
  expect(new Set(structure.people.map((p) => p.slug)).size).toBe(structure.people.length)
})

test.each([
  ['a term below itself', { kind: 'set', at: ['terms', site.terms[0]!.id, 'parent'], value: site.terms[0]!.id }],
  [
    'the address of another term',
    { kind: 'set', at: ['terms', site.terms[0]!.id, 'slug'], value: site.terms[1]!.slug },
  ],
  [
    'the address of another person',
    { kind: 'set', at: ['people', site.people[0]!.id, 'slug'], value: site.people[1]!.slug },
  ],
  ['an address that is none', { kind: 'set', at: ['terms', site.terms[0]!.id, 'slug'], value: 'Not So' }],
] as [string, PlainEdit][])('%s is refused', (_, edit) => {
  expect(STRUCTURE_EDITING.apply(demo, edit)).toMatchObject({ ok: false, problem: { code: 'structure-shape' } })
})

test('a taxonomy goes with its terms, however many, and comes back with them', () => {
  const many = Array.from({ length: 2500 }, (_, i) => ({ ...terms[0]!, id: `t${i}`, slug: `t${i}` }))
  const large: Structure = { ...demo, terms: many }
  const { after, back } = apply(large, removeTaxonomy(large, terms[0]!.taxonomy))
  expect(after.terms).toEqual([])
  expect(after.types.every((t) => !t.taxonomies.includes(terms[0]!.taxonomy))).toBe(true)
  expect(apply(after, back).after).toEqual(large)
})
