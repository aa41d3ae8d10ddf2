import { Catalogue, checkEntry } from '#core/catalogue'
import { readAddress, readParameters, writeParameters } from '#core/addresses'
import { richText } from '#core/rich'
import { drawElement, element, entry, mirror, note, observatory, refractor, smallSite } from '../../../fixtures'

const catalogue = observatory()
const wrong = (more: object, id = 'visit', type = 'page') =>
  checkEntry({ ...entry(id, type), ...(catalogue.entries.get(id) ?? {}), ...more }, catalogue).map((p) => p.sentence)

describe('the address of an entry', () => {
  test.each(['studio', 'api', 'search', 'people', 'pictures', 'basket', 'sign-in'])(
    'cannot be /%s, which the site itself uses',
    (slug) => {
      expect(wrong({ slug })).toEqual([
        expect.stringContaining(`The address /${slug} is one that the site itself uses`),
      ])
    },
  )

  test('cannot begin where another type or a taxonomy does, nor be one that is taken, with the reason', () => {
    expect(wrong({ slug: 'tools' })[0]).toContain('The address /tools is one that tools use')
    expect(wrong({ slug: 'domes' })[0]).toContain('The address /domes is one that Domes use')
    expect(wrong({ slug: 'welcome' })[0]).toContain('has this address already: Welcome')
    expect(wrong({ slug: '2025' }, 'note', 'note')[0]).toContain('the years of notes use')
    expect(wrong({ slug: 'search' }, 'refractor', 'tool')).toEqual([])
    // Below another page nothing of that is in the way.
    expect(wrong({ slug: 'tools', parent: 'visit' }, 'hours')).toEqual([])
  })

  test('leads upwards in the page tree, and never back to itself', () => {
    expect(wrong({ parent: 'hours' })).toEqual([expect.stringContaining('cannot stand below itself')])
    expect(wrong({ parent: 'visit' })).toEqual([expect.stringContaining('cannot stand below itself')])
  })

  test('the entry that Home shows cannot be taken back without a word', () => {
    expect(wrong({ published: false }, 'welcome')).toEqual([expect.stringContaining('Home shows this entry')])
    expect(wrong({ published: false }, 'visit')).toEqual([])
  })

  test('what has gone since an entry was stored may stay in it, and may be taken away', () => {
    const old = new Catalogue(smallSite([{ ...refractor, terms: ['gone'], person: 'gone', picture: 'gone' }]))
    const check = (more: object) => checkEntry({ ...old.entries.get('refractor')!, ...more }, old)
    expect(check({ title: 'Other' })).toEqual([])
    expect(check({ terms: [], person: null })).toEqual([])
    expect(check({ terms: ['gone', 'also-gone'] })).toHaveLength(1)
  })
})

describe('reading an address', () => {
  test.each<[string, string | null, boolean]>([
    ['/', '/', false],
    ['', '/', false],
    ['/visit', '/visit', false],
    ['/visit/', '/visit', true],
    ['/visit//', null, true],
    ['//', null, true],
    ['///', null, true],
    ['//visit', null, false],
    ['/visit?x=/a#b', '/visit', false],
    ['/caf%C3%A9', '/café', false],
    ['/cafe%CC%81', '/café', false],
    ['/%ff', null, false],
    ['/a%2Fb', null, false],
    ['/a%00', null, false],
    ['visit', null, false],
    ['*', null, false],
    ['http://elsewhere/visit', '/visit', false],
    ['HTTPS://elsewhere', '/', false],
    ['http://elsewhere//', null, true],
  ])('%j is the path %j', (asked, path, slash) => {
    expect(readAddress(asked)).toMatchObject({ path, slash })
  })

  test('parameters keep all their values, in their order, and only the first fifty count', () => {
    expect(readParameters('a=1&b&a=2&__proto__=x')).toEqual(JSON.parse('{"a":["1","2"],"b":[""],"__proto__":["x"]}'))
    expect(writeParameters(readParameters('a=1&b&a=2'))).toBe('a=1&a=2&b')
    const many = Array.from({ length: 60 }, (_, i) => `p${i}`).join('&')
    expect(Object.keys(readParameters(many))).toHaveLength(50)
  })
})

test('a line break parts two words, and emphasis within one does not', () => {
  const text = (...content: object[]) =>
    richText({ type: 'doc', content: [{ type: 'paragraph', content: content as never }] })
  expect(text({ type: 'text', text: 'one' }, { type: 'hardBreak' }, { type: 'text', text: 'two' })).toBe('one two')
  expect(text({ type: 'text', text: 'un' }, { type: 'text', text: 'broken', marks: [{ type: 'bold' }] })).toBe(
    'unbroken',
  )
})

describe('drawing what was said', () => {
  test('a button whose link was taken away leads nowhere, so it is not drawn', () => {
    expect(drawElement(element('button', { label: 'On' }))).toContain('href="/"')
    expect(drawElement(element('button', { label: 'On', link: null }))).toBe('')
  })

  test('running text through a field keeps its paragraphs apart, beside its label too', () => {
    const value = { kind: 'field' as const, of: 'page' as const, field: 'content' }
    expect(drawElement(element('field', { value }))).toContain('<div class="of-rich"><p>')
    expect(drawElement(element('field', { value, label: 'Text' }))).toContain(
      '<div class="of-value"><div class="of-rich">',
    )
  })

  test('the trail of a home that shows an archive has one way home', () => {
    const home = new Catalogue(
      smallSite([refractor, mirror, note], {
        settings: { ...smallSite().settings, home: { kind: 'archive', type: 'tool' } },
      }),
    )
    const trail = drawElement(element('trail', { own: true }), 'entry:refractor', {}, home)
    expect(trail.match(/href="\/"/g)).toHaveLength(1)
  })
})
