import {
  CREATABLE,
  type ImportChoice,
  type Creatable,
  type Parcel,
  adaptLayout,
  checkParcel,
  creating,
  makeParcel,
  namesWith,
  planImport,
  structureFor,
} from '#core/formats'
import { BARE_DESIGN } from '#core/design'
import { frameName } from '#core/rules'
import { namesFrom } from '#core/targets'
import { treesOf } from '#core/layouts'
import { Catalogue } from '#core/catalogue'
import { STRUCTURE_EDITING, type Site, type Structure, refuseStructure } from '#core/model'
import { makeDemo } from '#demo/index'
import { column, element, field, layout, row, smallSite } from '../../../fixtures'

/** A design on its way to a site that has nothing of its content: what travels with it is created there. */

const made = makeDemo()
/** Rooms below rooms, as other sites have terms. */
const site: Site = {
  ...made.site,
  terms: made.site.terms.map((t) =>
    t.id === 'tower-room'
      ? { ...t, parent: made.site.terms.find((o) => o.taxonomy === t.taxonomy && o.id !== t.id)!.id }
      : t,
  ),
}
const design = { ...made.design, menus: site.menus }
const catalogue = new Catalogue(site)
const trees = treesOf(design)
const parcel: Parcel = {
  ...makeParcel(design, 'Quillmere', '2026-11-30T10:00:00Z'),
  ...structureFor({ ...design, trees: design.layouts.map((l) => trees.of(l).tree) }, catalogue),
  pictures: site.pictures.map(({ widths: _, ...picture }) => picture),
}
const EMPTY: Structure = { format: 1, types: [], taxonomies: [], terms: [], people: [] }
const siteOf = ({ types, taxonomies, terms, people }: Structure): Site => ({
  ...smallSite([]),
  ...{ types, taxonomies, terms, people, entries: [], menus: [], pictures: [] },
})
const plan = (at: Site) => {
  const here = new Catalogue(at)
  return planImport(parcel, BARE_DESIGN, here, (f) => frameName(f, namesFrom(here)))
}
const create = (here: Structure, wanted: [Creatable, string][]): Structure => {
  const edits = creating(parcel.structure!, here, wanted)
  const made = STRUCTURE_EDITING.apply(here, { kind: 'batch', label: 'created', edits })
  if (!made.ok) throw new Error(made.problem.sentence)
  return made.document
}
const isCreatable = (kind: string): kind is Creatable => (CREATABLE as readonly string[]).includes(kind)

test('the museum’s design arrives whole on an empty site: all but entries is created, and named', () => {
  expect(checkParcel(parcel)).toEqual([])
  const { unfit } = plan(siteOf(EMPTY))
  expect(unfit.length).toBeGreaterThan(20)
  const notCarried = unfit.filter((u) => !u.carried)
  expect(notCarried.filter((u) => u.kind !== 'page')).toEqual([])
  expect(unfit.filter((u) => u.name === '')).toEqual([])
  const wanted = unfit.flatMap(({ kind, id }): [Creatable, string][] => (isCreatable(kind) ? [[kind, id]] : []))
  const made = create(EMPTY, wanted)
  expect(refuseStructure(made)).toBeNull()
  // Looked at again, only pages of entries are missing, which a design does not carry.
  const again = plan(siteOf(made)).unfit
  expect(again.filter((u) => u.kind !== 'page')).toEqual([])
  expect(again.filter((u) => /^(term|archive):/.test(u.id))).toEqual([])
  for (const { id } of made.types) expect(catalogue.types.has(id)).toBe(true)
})

test('frames that come are named by what they are called where they are from', () => {
  const here = new Catalogue(siteOf(EMPTY))
  const names = namesWith(parcel, here)
  const own = namesFrom(catalogue)
  for (const f of design.frames) expect(frameName(f, names)).toBe(frameName(f, own))
  expect(design.frames.map((f) => frameName(f, names)).join()).not.toContain('no longer there')
  // What is here is called as it is here.
  const renamed = site.types.map((t) => ({ ...t, plural: `Our ${t.plural}` }))
  const ours = new Catalogue({ ...site, types: renamed })
  const [type] = site.types
  expect(namesWith(parcel, ours).type(type!.id, true)).toBe(`Our ${type!.plural}`)
})

test('nobody’s mail address or telephone travels with a design', () => {
  const people = site.people.slice(0, 1).map((p) => ({ ...p, mail: 'tobias@example.org', phone: '+44 20 1234' }))
  const named = layout(
    'l',
    'body',
    row(
      column(
        12,
        element('entry-list', {
          source: 'newest',
          type: 'exhibit',
          where: [{ id: 'w', props: { field: 'person', value: people[0]!.id } }],
        } as never),
      ),
    ),
  )
  const found = structureFor(
    { trees: [treesOf({ layouts: [named] }).of(named).tree], frames: [] },
    new Catalogue({ ...site, people }),
  )
  expect(found.structure.people).toMatchObject([{ name: people[0]!.name, mail: '' }])
  expect(JSON.stringify(found)).not.toMatch(/example\.org|\+44/)
})

test('what is called the same here is offered in its place', () => {
  const [taxonomy] = site.taxonomies
  const here = siteOf({ ...EMPTY, taxonomies: [{ ...taxonomy!, id: 'own', name: taxonomy!.name.toUpperCase() }] })
  expect(plan(here).unfit.find((u) => u.key === `taxonomy ${taxonomy!.id}`)).toMatchObject({
    name: taxonomy!.name,
    like: 'own',
  })
})

test('a term comes with its taxonomy and those above it, a field into the type that is here', () => {
  const below = parcel.structure!.terms.find((t) => t.parent !== null)!
  const made = create(EMPTY, [['term', below.id]])
  expect(made.terms.map((t) => t.id)).toEqual(expect.arrayContaining([below.id, below.parent]))
  expect(made.taxonomies.map((t) => t.id)).toEqual([below.taxonomy])
  const type = parcel.structure!.types.find((t) => t.fields.length > 1)!
  const [first, second] = [type.fields[0]!, type.fields[1]!]
  const part = { ...EMPTY, types: [{ ...type, taxonomies: [], slug: 'own', fields: [type.fields[0]!] }] }
  const filled = create(part, [['field', second.id]])
  expect(filled.types[0]!.fields.map((f) => f.id)).toEqual([first.id, second.id])
  expect(filled.types[0]!.slug).toBe('own')
})

test('addresses that are taken here stay, and what is created gets others', () => {
  const [type] = parcel.structure!.types
  const here = { ...EMPTY, types: [{ ...type!, id: 'mine', taxonomies: [], fields: [] }] }
  const made = create(here, [['type', type!.id]])
  expect(made.types.find((t) => t.id === 'mine')!.slug).toBe(type!.slug)
  expect(made.types.find((t) => t.id === type!.id)!.slug).not.toBe(type!.slug)
})

test('choices for taxonomies and terms are done wherever layouts name them', () => {
  const choices: Record<string, ImportChoice> = {
    'taxonomy room': { do: 'use', id: 'hall' },
    'term tower-room': { do: 'use', id: 'belfry' },
  }
  const named = layout(
    'l',
    'body',
    row(
      column(
        12,
        element('field', { value: field('terms:room') }, 'a'),
        element('heading', { text: { ...field('title'), of: 'term', via: 'room' } }, 'b'),
        {
          ...element('heading', { text: 'x' }, 'c'),
          when: [{ kind: 'term', taxonomy: 'room', terms: ['tower-room'], below: false }],
        },
        element(
          'entry-list',
          {
            source: 'newest',
            type: 'exhibit',
            where: [{ id: 'w', props: { field: 'terms:room', op: 'is', value: 'tower-room' } }],
            filters: [{ id: 'f', props: { field: 'terms:room' } }],
          } as never,
          'd',
        ),
      ),
    ),
  )
  const adapted = JSON.stringify(adaptLayout(named, treesOf({ layouts: [named] }), choices))
  expect(adapted).not.toMatch(/"room"|terms:room|tower-room/)
  expect(adapted.match(/terms:hall/g)).toHaveLength(3)
  expect(adapted.match(/"via":"hall"|"taxonomy":"hall"/g)).toHaveLength(2)
  expect(adapted.match(/belfry/g)).toHaveLength(2)
})
