import { checkDesign, deadLinksOf, deadPath, houseUses } from '#core/checks'
import type { Design } from '#core/design'
import { OUTLINED, PLAIN_HOUSE } from '#core/styles'
import { ANY_REQUEST } from '#core/drawing'
import { column, element, layout, observatory, row } from '../../../fixtures'

/** What of the house is used where, what of it is gone, and links that somebody typed to nowhere. */

const catalogue = observatory()
const design = (...things: ReturnType<typeof element>[]): Design => ({
  format: 1,
  layouts: [layout('b', 'body', row(column(12, ...things)))],
  frames: [],
  house: PLAIN_HOUSE,
})
const found = (made: Design, kind: string) => checkDesign(made, catalogue, ANY_REQUEST).filter((f) => f.kind === kind)

test('colours, families and looks are known by the layouts that name them, in looks, defaults, parts and items', () => {
  const made = design(
    { ...element('heading'), styles: { colour: { wide: '@accent', narrow: '@soft' }, family: { wide: 'Caveat' } } },
    { ...element('button', { look: 'outlined' }), looks: { ':hover': { background: { wide: '@wash' } } } },
    element('buttons', { buttons: [{ id: 'x', props: { label: 'X', link: '/x' } }] as never }),
  )
  const uses = houseUses(made)
  for (const named of [
    'colour accent',
    'colour soft',
    'colour wash',
    'family Caveat',
    'look outlined',
    'look filled',
  ] as const)
    expect([named, uses.layouts.get(named)]).toEqual([named, ['b']])
  expect(uses.layouts.get('colour paper')).toBeUndefined()
  expect(uses.house.has('colour ink')).toBe(true)
  expect(uses.house.has('family Newsreader')).toBe(true)
})

test('what is gone from the house is told once for each layout, and for the house itself', () => {
  const made = design(
    { ...element('heading'), styles: { colour: { wide: '@gone' }, family: { wide: '+gone' } } },
    { ...element('heading'), styles: { colour: { wide: '@gone' } } },
    element('button', { look: 'outlined' }),
  )
  made.house = { ...PLAIN_HOUSE, looks: PLAIN_HOUSE.looks.filter((l) => l !== OUTLINED), ink: '@gone' }
  expect(found(made, 'dangling').filter((f) => !('menu' in f))).toEqual([
    expect.objectContaining({ what: 'look', id: 'outlined', layout: 'b' }),
    { kind: 'dangling', what: 'colour', id: 'gone', layout: 'b' },
    { kind: 'dangling', what: 'family', id: '+gone', layout: 'b' },
    { kind: 'dangling', what: 'colour', id: 'gone' },
  ])
})

test('a typed address leads somewhere, or is told: with origin, slash, query and escapes', () => {
  const { origin } = catalogue.site.settings
  const own = catalogue.pages.find((p) => p.address && p.address !== '/')!.address!
  for (const good of [
    own,
    `${own}/`,
    `${own}?a#b`,
    origin + own,
    '/',
    '/files/x/y.pdf',
    '/studio',
    'https://far.example.org/x',
    '//far/x',
    'mailto:a@b.c',
    '#top',
  ])
    expect([good, deadPath(good, catalogue)]).toEqual([good, null])
  expect(deadPath('/nowhere/', catalogue)).toBe('/nowhere')
  expect(deadPath(`${origin}/nowhere?x`, catalogue)).toBe('/nowhere')
  expect(deadPath('/%zz', catalogue)).toBe('/%zz')
})

test('links typed in layouts, menus and entries to nowhere are told', () => {
  const linked = (href: string) => ({
    type: 'doc' as const,
    content: [
      { type: 'paragraph', content: [{ type: 'text', text: 'x', marks: [{ type: 'link', attrs: { href } }] }] },
    ],
  })
  const made = design(
    element('button', { label: 'Go', link: '/lost' }),
    element('text', { text: linked('/lost-too') }),
    element('link-list', { links: [{ id: 'l', props: { label: 'L', link: '/lost-three' } }] as never }),
  )
  expect(found(made, 'dead-link').map((f) => 'address' in f && f.address)).toEqual([
    '/lost',
    '/lost-too',
    '/lost-three',
  ])
  const entry = { ...catalogue.site.entries[0]!, content: linked('/lost-four') }
  expect(deadLinksOf(entry, catalogue)).toContain('/lost-four')
})
