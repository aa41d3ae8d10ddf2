import { Catalogue, fieldChoices, entryFields, fieldLabel, readField, subjectOf, type Subject } from '#core/catalogue'
import { awkwardPages } from '#core/editor'
import { findByWords } from '#core/text'
import { isSlug, pathOf, safeAddress, slugOf } from '#core/addresses'
import { isHeld } from '#core/fields'
import { entry, mirror, note, observatory, refractor, smallSite } from '../../../fixtures'

describe('addresses', () => {
  test.each([
    '/visit',
    '/',
    '/a?b=c#d',
    '?page=2',
    '#main',
    'https://example.org/x',
    'http://a',
    'mailto:desk@example.org',
    'tel:+44123',
    ' /visit ',
  ])('%s may stand in a link', (address) => {
    expect(safeAddress(address)).toBe(address.trim())
  })

  test.each([
    'javascript:alert(1)',
    'JaVaScRiPt:alert(1)',
    'java\nscript:x',
    '\u0001javascript:x',
    'data:text/html,x',
    'vbscript:x',
    '//evil.example.org',
    '/\\evil.example.org',
    'https://',
    'ftp://x',
    '',
    'visit',
    'mailto:a b@x',
    '/a b',
  ])('%j may not', (address) => {
    expect(safeAddress(address)).toBeNull()
  })

  test('slugs are made of letters and digits of any script', () => {
    expect(slugOf("O'Hara & Daughters’ <b>Bold</b>")).toBe('ohara-daughters-b-bold-b')
    expect(slugOf('  Café Zürich ')).toBe('cafe-zurich')
    expect(slugOf('ساعة من حلب')).toBe('ساعة-من-حلب')
    expect(slugOf('x'.repeat(200))).toHaveLength(80)
    expect(isSlug('long-gallery')).toBe(true)
    for (const bad of ['', '-a', 'a--b', 'A', 'a b', '<b>', 'a/b']) expect(isSlug(bad)).toBe(false)
    expect(pathOf('', 'a', 'b')).toBe('/a/b')
    expect(pathOf()).toBe('/')
  })
})

describe('pages', () => {
  const keys = (site = smallSite([refractor, mirror, note])) => new Catalogue(site).pages.map((p) => p.key)

  test('one page for each thing that has one, home first and only once', () => {
    expect(keys()).toEqual([
      'home',
      'entry:visit',
      'entry:hours',
      'entry:refractor',
      'entry:mirror',
      'entry:note',
      'archive:tool',
      'archive:note',
      'year:note:2025',
      'month:note:2025-06',
      'term:east',
      'term:east-low',
      'term:west',
      'person:nell',
      'search',
      'not-found',
    ])
  })

  test('entries that are not published have no page, and neither has a person without entries', () => {
    const site = smallSite([entry('hidden', 'tool', { published: false, person: 'nell' })])
    expect(keys(site).filter((k) => k.includes('hidden') || k.includes('nell'))).toEqual([])
  })

  test('the shop and the sign-in have pages only where they are on', () => {
    const site = smallSite()
    site.settings = { ...site.settings, shop: true, signIn: true }
    expect(keys(site).slice(-8)).toEqual([
      'search',
      'not-found',
      'basket',
      'checkout',
      'receipt',
      'order-status',
      'sign-in',
      'member',
    ])
  })

  test('pages of a tree stand below one another, and a ring of parents does no harm', () => {
    const catalogue = new Catalogue(
      smallSite([entry('a', 'page', { parent: 'b' }), entry('b', 'page', { parent: 'a' })]),
    )
    expect(catalogue.pageAt('/visit/hours')?.key).toBe('entry:hours')
    expect(catalogue.page('entry:a')?.address).toBe('/b/a')
    expect(catalogue.ancestors(catalogue.entries.get('a')!)).toEqual(['b'])
  })

  test('the address of what home shows leads to home', () => {
    const catalogue = observatory()
    expect(catalogue.redirectOf('/welcome')).toBe('/')
    expect(catalogue.page('entry:welcome')?.key).toBe('home')
    const site = smallSite([refractor])
    site.settings = { ...site.settings, home: { kind: 'archive', type: 'tool' } }
    const other = new Catalogue(site)
    expect(other.pages[0]).toMatchObject({ kind: 'home', type: 'tool' })
    expect(other.redirectOf('/tools')).toBe('/')
    expect(other.page('archive:tool')?.key).toBe('home')
    expect(other.listing(other.pages[0]!)).toHaveLength(1)
  })

  test('a home that no longer exists is still a page', () => {
    const site = smallSite()
    site.settings = { ...site.settings, home: { kind: 'entry', entry: 'gone' } }
    expect(new Catalogue(site).pageAt('/')).toMatchObject({ key: 'home' })
  })

  test('archives list their entries, newest first', () => {
    const catalogue = observatory()
    expect(catalogue.listing(catalogue.page('archive:tool')!).map((e) => e.id)).toEqual(['mirror', 'refractor'])
    expect(catalogue.listing(catalogue.page('term:east')!).map((e) => e.id)).toEqual(['refractor'])
    expect(catalogue.listing(catalogue.page('person:nell')!).map((e) => e.id)).toEqual(['note', 'refractor'])
    expect(catalogue.listing(catalogue.page('month:note:2025-06')!).map((e) => e.id)).toEqual(['note'])
    expect(catalogue.listing(catalogue.page('entry:visit')!)).toEqual([])
    expect(catalogue.termsBelow('east')).toEqual(['east', 'east-low'])
  })
})

describe('fields', () => {
  const catalogue = observatory()
  const place = (key: string) => {
    const page = catalogue.page(key)!
    return {
      catalogue,
      page,
      subject: subjectOf(catalogue, page),
      visitor: { role: 'visitor', name: '' },
      query: 'moon',
      found: [note],
      near: '',
    }
  }
  const read = (
    key: string,
    of: 'page' | 'person' | 'term' | 'reference' | 'site' | 'visitor',
    field: string,
    via?: string,
  ) => readField({ of, field, ...(via && { via }) }, place(key))?.value ?? null

  test('each subject answers the built-in fields in its own way', () => {
    expect(read('entry:refractor', 'page', 'title')).toBe('Long refractor')
    expect(read('term:east', 'page', 'summary')).toBe('Sunrise side')
    expect(read('person:nell', 'page', 'title')).toBe('Nell <Ash>')
    expect(read('person:nell', 'page', 'summary')).toBe('Observer')
    expect(read('archive:tool', 'page', 'title')).toBe('tools')
    expect(read('archive:tool', 'page', 'count')).toBe(2)
    expect(read('search', 'page', 'count')).toBe(1)
    expect(read('search', 'page', 'query')).toBe('moon')
    expect(read('entry:refractor', 'page', 'address')).toBe('/tools/refractor')
  })

  test('what the subject belongs to is followed by id', () => {
    expect(read('entry:refractor', 'person', 'title')).toBe('Nell <Ash>')
    expect(read('entry:refractor', 'term', 'title', 'dome')).toBe('East dome')
    expect(read('entry:refractor', 'reference', 'title', 'twin')).toBe('Mirror')
    expect(read('entry:mirror', 'person', 'title')).toBeNull()
    expect(read('entry:mirror', 'reference', 'title', 'twin')).toBeNull()
    expect(read('term:east', 'person', 'title')).toBeNull()
    expect(read('entry:refractor', 'page', 'terms:dome')).toEqual(['east'])
    expect(read('entry:refractor', 'site', 'name')).toBe('Hillside Observatory')
    expect(read('entry:refractor', 'visitor', 'role')).toBe('visitor')
  })

  test('empty, unknown and inherited names give nothing', () => {
    expect(read('entry:mirror', 'page', 'summary')).toBeNull()
    for (const name of ['nothing', '__proto__', 'constructor', 'toString'])
      expect(read('entry:refractor', 'page', name)).toBeNull()
    expect(read('entry:refractor', 'site', 'constructor')).toBeNull()
  })

  test('a value of another kind than its field has now reads as what it comes to, or as empty', () => {
    const catalogue = observatory()
    const page = catalogue.page('entry:refractor')!
    const { entry, type } = subjectOf(catalogue, page) as Extract<Subject, { kind: 'entry' }>
    const place = { catalogue, page, visitor: { role: 'visitor', name: '' }, query: '', found: [], near: '' }
    const others = [
      'x',
      5,
      true,
      ['x'],
      [{ name: 'x' }],
      { x: 1 },
      { type: 'doc', content: [{ type: 'horizontalRule' }] },
    ]
    for (const field of type.fields) {
      const read = others.map((value) => {
        const subject = { kind: 'entry' as const, type, entry: { ...entry, fields: { [field.id]: value } } }
        return readField({ of: 'page', field: field.id }, { ...place, subject })
      })
      for (const [i, found] of read.entries())
        if (found) expect(isHeld(field, found.value) || found.value === others[i]).toBe(true)
    }
  })

  test('fields to pick are those of the type, and their labels follow them', () => {
    const labels = fieldChoices(catalogue, catalogue.page('entry:refractor')!).map((c) => c.label)
    expect(labels).toEqual(
      expect.arrayContaining(['Title', 'Aperture', 'Author', 'Dome', 'Site name', "Visitor's role"]),
    )
    expect(fieldChoices(catalogue, catalogue.page('archive:tool')!).map((c) => c.field)).toContain('count')
    expect(fieldLabel(catalogue, { of: 'page', field: 'width' })).toBe('Aperture')
    expect(fieldLabel(catalogue, { of: 'page', field: 'terms:dome' })).toBe('Dome')
    expect(fieldLabel(catalogue, { of: 'page', field: 'gone' })).toBeNull()
    expect(fieldLabel(catalogue, { of: 'person', field: 'title' })).toBe('Name of its person')
  })

  test('fields of terms and people are called as on the screens where they are written', () => {
    const called = (page: string, of: string) =>
      fieldChoices(catalogue, catalogue.page(page)!)
        .filter((c) => c.of === of)
        .map((c) => c.label)
    const term = catalogue.pages.find((p) => p.kind === 'term')!.key
    expect(called('entry:refractor', 'term')).toEqual(expect.arrayContaining(['Name', 'Tagline']))
    expect(called('entry:refractor', 'person')).toEqual(expect.arrayContaining(['Name', 'Role', 'About']))
    expect(called('entry:refractor', 'page')).toContain('Summary')
    expect(called(term, 'page')).toEqual(expect.arrayContaining(['Name', 'Tagline', 'Description']))
  })

  test('a list of entries of a page type is offered no fields that others have', () => {
    const offered = (listed: string[]) => entryFields(catalogue, 'filter', listed).map((f) => f.field)
    const own = (type: string) => catalogue.types.get(type)!.fields.map((f) => f.id)
    const [one, other] = [...catalogue.types.keys()]
    const others = own(other!).filter((id) => !own(one!).includes(id))
    expect(offered([]).length).toBeGreaterThan(offered([one!]).length)
    expect(offered([one!]).filter((id) => others.includes(id))).toEqual([])
    expect(offered([one!, other!]).sort()).toEqual(offered([]).sort())
  })

  test('the awkward pages are the longest title, no picture, the emptiest', () => {
    const found = awkwardPages(
      catalogue,
      catalogue.pages.filter((p) => p.type === 'tool' && p.kind === 'entry'),
    )
    expect(found.longest?.entry).toBe('refractor')
    expect(found['no-picture']?.entry).toBe('mirror')
    expect(found.emptiest?.entry).toBe('mirror')
    expect(awkwardPages(catalogue, [])).toEqual({ longest: null, 'no-picture': null, emptiest: null })
  })
})

describe('finding by a few letters', () => {
  const things = [
    { name: 'Text', about: 'Paragraphs, with any field inside' },
    { name: 'A field of barley', about: '' },
    { name: 'Field', about: 'Anything an entry holds' },
    { name: 'Müller’s clock', about: 'Barley twist columns' },
  ]
  const found = (typed: string) =>
    findByWords(
      things,
      typed,
      (t) => t.name,
      (t) => t.about,
    ).map((t) => t.name)

  test.each([
    ['what begins with it comes first, what only speaks of it last', 'field', ['Field', 'A field of barley', 'Text']],
    ['case and accents do not matter', 'MULLER', ['Müller’s clock']],
    ['every word must be there, in any order', 'barley field', ['A field of barley']],
    ['words may stand in name and description together', 'clock barley', ['Müller’s clock']],
    ['what is nowhere finds nothing', 'hourglass', []],
    ['nothing typed finds everything in its order', '  ', things.map((t) => t.name)],
  ])('%s', (_, typed, names) => {
    expect(found(typed)).toEqual(names)
  })
})
