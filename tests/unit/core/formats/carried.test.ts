import { namedByLayout } from '#core/checks'
import { type Parcel, beside, carriedBy, checkParcel, makeParcel, planImport, withoutFiles } from '#core/formats'
import { newElement } from '#core/elements'
import { Trees, treesOf } from '#core/layouts'
import { Catalogue } from '#core/catalogue'
import type { NamedLook, PaletteColour } from '#core/styles'
import { type Layout, type LayoutElement, type Variation, elementsOf } from '#core/tree'
import { makeDemo } from '../../../../demo'
import { madeOf } from '../../../fixtures'

/** What chosen layouts take along of the house and of the content, and how it comes beside what is here. */

const { design, site } = makeDemo()
const trees = treesOf(design)
const picked = (...ids: string[]) => design.layouts.filter((l) => ids.includes(l.id))
const parcelOf = (...ids: string[]): Parcel => {
  const layouts = picked(...ids)
  const { looks, colours, pictures } = carriedBy(layouts, trees, design.house)
  const { menus: _, ...made } = makeParcel({ ...design, layouts, frames: [] }, 'Elsewhere', '2026-11-30')
  const shown = site.pictures.filter((p) => pictures.has(p.id)).map(({ widths: _w, ...p }) => ({ ...p, bytes: 'AAAA' }))
  return { ...made, house: null, looks, colours, pictures: shown }
}

test('all that any layout of the museum names of the house is carried, and nothing else', () => {
  for (const layout of design.layouts) {
    const { looks, colours } = carriedBy([layout], trees, design.house)
    const named = namedByLayout(trees.of(layout).tree)
    const ids: string[] = [...looks.map((l) => `look ${l.id}`), ...colours.map((c) => `colour ${c.id}`)]
    const asked = [...named].filter((name) => !name.startsWith('family'))
    expect([layout.id, asked.filter((name) => !ids.includes(name))]).toEqual([layout.id, []])
    // A colour more than a layout names is one that its looks name.
    const lookColours = JSON.stringify(looks)
    for (const c of colours) expect(named.has(`colour ${c.id}`) || lookColours.includes(`@${c.id}`)).toBe(true)
  }
})

test('pictures are carried wherever they stand: behind a row, and in a piece', () => {
  const picture = site.pictures[0]!.id
  const layout = madeOf(design, 'visit-band')
  const children = layout.children.map((row) => ({ ...row, props: { ...row.props, backgroundPicture: picture } }))
  const layouts = design.layouts.map((l) => (l.id === layout.id ? { ...layout, children } : l))
  const showing = layouts.filter((l) => l.id === 'talk-page')
  expect([...carriedBy(showing, new Trees(layouts), design.house).pictures]).toContain(picture)
})

test('beside what is here, looks and colours come under other ids, and all that names them follows', () => {
  const all = parcelOf(...design.layouts.map((l) => l.id))
  let n = 0
  const both = new Set([...all.looks!.map((l) => `look ${l.id}`), ...all.colours!.map((c) => `colour ${c.id}`)])
  const now = beside(all, both, () => `new${++n}`)
  expect(checkParcel(now)).toEqual([])
  const to = new Map<string, string>([
    ...all.looks!.map((l, i): [string, string] => [`look ${l.id}`, `look ${now.looks![i]!.id}`]),
    ...all.colours!.map((c, i): [string, string] => [`colour ${c.id}`, `colour ${now.colours![i]!.id}`]),
  ])
  expect(new Set(to.values()).size).toBe(both.size)
  expect(now.looks!.every((l) => l.name.endsWith(', Elsewhere'))).toBe(true)
  const [before, after] = [new Trees(all.layouts), new Trees(now.layouts)]
  for (const { id } of all.layouts) {
    const expected = [...namedByLayout(before.tree(id)!)].map((name) => to.get(name) ?? name)
    expect([id, [...namedByLayout(after.tree(id)!)].sort()]).toEqual([id, expected.sort()])
  }
})

test('a look that is had where nothing is said is said once it goes by another id', () => {
  const layout = madeOf(design, 'plain-page')
  const column = layout.children[0]!.children[0]!
  const button = newElement('button', () => 'plain-button') as LayoutElement
  const { look: _, ...props } = button.props
  const made: Layout = {
    ...layout,
    children: [{ ...layout.children[0]!, children: [{ ...column, children: [{ ...button, props }] }] }],
  }
  const filled = design.house.looks.find((l) => l.id === 'filled')!
  const parcel: Parcel = { ...parcelOf(), layouts: [made], looks: [filled], colours: [] }
  const now = beside(parcel, new Set(['look filled']), () => 'other')
  const found = elementsOf(now.layouts[0] as Layout).find((e) => e.id === 'plain-button')!
  expect(found.props.look).toBe('other')
})

test('own changes of a variation name what they named', () => {
  const { kind, format } = madeOf(design, 'exhibit-page')
  const variation: Variation = {
    kind,
    format,
    id: 'own',
    name: 'Own',
    region: 'body',
    follows: {
      base: 'exhibit-page',
      changes: [
        { kind: 'set', edit: { kind: 'setLook', id: 'x', look: 'quiet' } },
        { kind: 'set', edit: { kind: 'setStyle', id: 'x', property: 'colour', step: 'wide', value: '@brass' } },
        { kind: 'set', edit: { kind: 'setProperty', id: 'x', property: 'look', value: 'quiet' } },
      ],
    },
  }
  const look: NamedLook = {
    id: 'quiet',
    name: 'Quiet',
    for: 'button',
    styles: { colour: { wide: '@brass' } },
    looks: {},
  }
  const brass: PaletteColour = { id: 'brass', name: 'Brass', value: '#aa8844' }
  const parcel: Parcel = { ...parcelOf(), layouts: [variation], looks: [look], colours: [brass] }
  const now = beside(parcel, new Set(['look quiet', 'colour brass']), () => 'other')
  const text = JSON.stringify([now.layouts, now.looks])
  expect(text).not.toMatch(/"quiet"|@brass/)
  expect(now.colours).toEqual([{ id: 'other', name: 'Brass, Elsewhere', value: '#aa8844' }])
})

test('a plan says of each whether it is here, and so; what comes along does not want a choice', () => {
  const catalogue = new Catalogue(site)
  const plan = (parcel: Parcel, at = catalogue) => planImport(parcel, design, at, (f) => f.id)
  const picture = { ...site.pictures[0]!, hash: 'aaaaaaaa' }
  delete picture.widths
  const parcel: Parcel = {
    ...parcelOf('exhibit-page'),
    looks: [{ ...design.house.looks[0]!, name: 'Another' }],
    colours: [design.house.palette[0]!, { id: 'fresh', name: 'Fresh', value: '#112233' }],
    pictures: [picture, { ...picture, id: 'fresh' }],
  }
  const states = plan(parcel).items.filter((i) => ['look', 'colour', 'picture'].includes(i.what))
  expect(states.map((i) => `${i.what} ${i.state}`)).toEqual([
    'look replaces',
    'colour same',
    'colour new',
    'picture replaces',
    'picture new',
  ])
  const bare = new Catalogue({ ...site, pictures: [] })
  const shown = parcelOf(...design.layouts.map((l) => l.id))
  expect(plan(shown, bare).unfit.filter((u) => u.kind === 'picture')).toEqual([])
  expect(plan({ ...shown, pictures: [] }, bare).unfit.some((u) => u.kind === 'picture')).toBe(
    shown.pictures!.length > 0,
  )
})

test('files stay behind on the way to the server, whatever is taken for a parcel', () => {
  const parcel = parcelOf(...design.layouts.map((l) => l.id))
  expect(JSON.stringify(withoutFiles(parcel))).not.toContain('"bytes"')
  for (const odd of [null, 7, [], {}, { pictures: 'all' }, { pictures: [null, 7] }])
    expect(withoutFiles(odd as unknown as Parcel)).toEqual(odd)
})
