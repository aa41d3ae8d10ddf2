import { Catalogue } from '#core/catalogue'
import type { Entry, Person } from '#core/model'
import type { FieldValue, LayoutElement, Value } from '#core/tree'
import { drawElement, element, entry, field, mirror, note, refractor, smallSite } from '../../../fixtures'

/** What the body of an entry is made of beside its words: facts, features, its person, its neighbours. */

const HOSTILE = '"><script>alert(1)</script><b>'
const items = (...all: Record<string, Value>[]): Value => all.map((props, i) => ({ id: `i${i}`, props }))
const at = (
  type: string,
  props: Record<string, Value>,
  more: { page?: string; entries?: Entry[]; people?: Person[] } = {},
) => {
  const site = smallSite(more.entries ?? [refractor, mirror, note])
  const catalogue = new Catalogue({ ...site, people: more.people ?? site.people })
  return drawElement(element(type, props, 'e'), more.page ?? 'entry:refractor', {}, catalogue)
}
const person = (more: Partial<Person> = {}): Person => ({ ...smallSite().people[0]!, ...more })

describe('facts', () => {
  const all = items(
    { value: field('maker') },
    { value: field('width'), label: 'Across', icon: 'ruler' },
    { value: field('terms:dome') },
    { value: field('gone') },
  )

  test('have the label of the field or their own, in its format, and lead to what they name', () => {
    const html = at('facts', { facts: all })
    expect(html).toContain('<dt>Maker</dt><dd>O&#39;Dell &amp; &lt;Sons&gt;</dd>')
    expect(html).toMatch(/<dt><span><svg.*<\/svg><\/span>Across<\/dt><dd>12.5 cm<\/dd>/)
    expect(html).toContain('<dd><a href="/domes/east">East dome</a></dd>')
    expect(html.match(/<dt>/g)).toHaveLength(3)
  })

  test('what is empty is left out, and nothing is drawn where all is', () => {
    expect(at('facts', { facts: all }, { page: 'entry:mirror' }).match(/<dt>/g)).toHaveLength(1)
    expect(at('facts', { facts: all }, { page: 'entry:welcome' })).toBe('')
    expect(at('facts', { facts: [] })).toBe('')
  })

  test('stand in groups with headings; a group that is empty has none', () => {
    const facts = items(
      { value: field('maker'), group: 'Origin' },
      { value: field('width'), group: 'Size' },
      { value: field('gone'), group: 'Nothing' },
    )
    const html = at('facts', { facts, level: '3' })
    expect([...html.matchAll(/<h3>([^<]*)/g)].map((m) => m[1])).toEqual(['Origin', 'Size'])
  })

  test('a label that is not shown is heard', () => {
    const made = { ...element('facts', { facts: all }, 'e'), hides: ['label'] } as LayoutElement
    const html = drawElement(made)
    expect(html).toContain('<dt><span class="of-sr">Maker</span></dt>')
  })
})

describe('features', () => {
  const dome = field('terms:dome')

  test('are ticked; with what is lacking dimmed and said', () => {
    expect(at('features', { value: dome })).toMatch(
      /<li><span><svg.*<\/span><span><a href="\/domes\/east">East dome<\/a>/,
    )
    expect(at('features', { value: dome })).not.toContain('West')
    const html = at('features', { value: dome, all: true })
    expect(html.match(/<li/g)).toHaveLength(3)
    expect(html).toContain('<span class="of-sr">not: </span>')
    expect(at('features', { value: field('kind'), all: true })).toMatch(/Refractor.*of-lack.*Reflector/)
  })

  test('an entry that has none of it shows nothing', () => {
    expect(at('features', { value: dome, all: true }, { page: 'entry:welcome' })).toBe('')
    expect(at('features', { value: field('kind'), all: true }, { entries: [entry('refractor', 'tool')] })).toBe('')
  })
})

describe('the card of a person', () => {
  test('has what is known of them, each part by itself, and their other entries', () => {
    const known = person({ about: HOSTILE, phone: '+44 20 1', picture: 'moon' })
    const html = at('person-card', { most: 5 }, { people: [known] })
    expect(html).toContain('<a href="/people/nell">Nell &lt;Ash&gt;</a>')
    expect(html).toContain('href="mailto:nell@hillside.example.org"')
    expect(html).toContain('href="tel:+44201"')
    expect(html).toContain('<img')
    expect(html).toContain('<li><a href="/notes/note">First light</a></li>')
    expect(html).not.toContain('Long refractor')
    expect(html).not.toContain('<script>')
    const hidden = { ...element('person-card', {}, 'e'), hides: ['mail', 'role'] } as LayoutElement
    expect(drawElement(hidden)).not.toMatch(/mailto|Observer/)
  })

  test('nobody is nothing, and one with a name alone is that', () => {
    expect(at('person-card', {}, { page: 'entry:mirror' })).toBe('')
    const bare = person({ role: '', mail: '' })
    expect(at('person-card', {}, { people: [bare] })).toMatch(
      /^<div class="of-person"><p class="of-person-name">[^]*<\/p><\/div>$/,
    )
  })
})

describe('previous and next', () => {
  const tools = ['a', 'b', 'c'].map((id, i) =>
    entry(id, 'tool', { title: id.toUpperCase(), date: `2025-0${i + 1}-01`, terms: i === 1 ? [] : ['east'] }),
  )
  const on = (id: string, props: Record<string, Value> = {}) => {
    const html = at('neighbours', props, { page: `entry:${id}`, entries: [...tools, note] })
    const to = (rel: string) => new RegExp(`rel="${rel}" href="/tools/(\\w)"`).exec(html)?.[1] ?? null
    return [to('prev'), to('next')]
  }

  test('are of the same type, newest first or in the order of a field', () => {
    expect([on('a'), on('b'), on('c')]).toEqual([
      ['b', null],
      ['c', 'a'],
      [null, 'b'],
    ])
    expect(on('b', { sort: 'title' })).toEqual(['a', 'c'])
  })

  test('may be those of the same term alone; who stands in none has no neighbours', () => {
    expect(on('a', { field: 'terms:dome' })).toEqual(['c', null])
    expect(on('b', { field: 'terms:dome' })).toEqual([null, null])
    expect(at('neighbours', {}, { page: 'archive:tool' })).toBe('')
  })
})

test.each(['facts', 'features', 'person-card', 'neighbours'])('%s writes no markup of what is said in it', (type) => {
  const hostile: Partial<Entry> = {
    title: HOSTILE,
    fields: { maker: HOSTILE, kind: 'lens' },
    person: 'nell',
    terms: ['east'],
    date: '2025-01-02',
  }
  const entries = [
    entry('refractor', 'tool', hostile),
    entry('mirror', 'tool', { title: HOSTILE, date: '2025-01-01' }),
    entry('other', 'tool', { title: HOSTILE, person: 'nell' }),
  ]
  const value: FieldValue = field('maker', { before: HOSTILE, after: HOSTILE, fallback: HOSTILE })
  const props: Record<string, Record<string, Value>> = {
    facts: { facts: items({ value, label: HOSTILE, group: HOSTILE, icon: HOSTILE }) },
    features: { value: field('kind'), all: true, lacks: HOSTILE, icon: HOSTILE },
    'person-card': { most: 4, more: HOSTILE },
    neighbours: { previous: HOSTILE, next: HOSTILE, name: HOSTILE },
  }
  const html = at(type, props[type]!, {
    entries,
    people: [person({ name: HOSTILE, role: HOSTILE, about: HOSTILE, mail: HOSTILE, phone: HOSTILE })],
  })
  expect(html).not.toBe('')
  expect(html).not.toMatch(/<script|<b>/)
})
