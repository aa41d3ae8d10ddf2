import type { Value } from '#core/tree'
import type { Format } from '#core/fields'
import { checkLayout } from '#core/layouts'
import { Catalogue } from '#core/catalogue'
import { firstSentence, firstWords } from '#core/rich'
import { VISITOR, column, drawElement, element, entry, field, layout, rich, row, smallSite } from '../../../fixtures'

/** How values are written: how far away a day is, forms of a number, the beginning of a text. */

const NOW = Date.parse('2026-03-10T12:00:00Z')
const made = (fields: object, locale = 'en-GB', more: object = {}, now = NOW) => {
  const site = smallSite([entry('t', 'tool', { title: 'T', fields: fields as never, ...more })])
  return new Catalogue({ ...site, settings: { ...site.settings, locale } }, now)
}
const write = (name: string, format: Format, catalogue: Catalogue) =>
  /<h2[^>]*>(.*)<\/h2>/.exec(
    drawElement(element('heading', { text: field(name, { format }) }), 'entry:t', { request: VISITOR }, catalogue),
  )?.[1] ?? ''

test.each([
  ['2026-03-10', 'today'],
  ['2026-03-11', 'tomorrow'],
  ['2026-03-09', 'yesterday'],
  ['2026-03-23', 'in 13 days'],
  ['2026-03-24', 'in 2 weeks'],
  ['2026-02-10', '4 weeks ago'],
  ['2026-06-10', 'in 3 months'],
  ['2025-03-10', '12 months ago'],
  ['1961-05-07', '65 years ago'],
  ['soon', 'soon'],
])('on the 10th of March 2026, %s is %s', (bought, words) => {
  expect(write('bought', { date: 'away' }, made({ bought }))).toBe(words)
})

test('how far away a day is follows the day, and the language of the site', () => {
  const catalogue = made({ bought: '2026-03-12' })
  const read = () => catalogue.watch(() => write('bought', { date: 'away' }, catalogue))
  expect(read().made).toBe('in 2 days')
  expect(read().seen.has('day')).toBe(true)
  catalogue.turn(NOW + 24 * 60 * 60_000)
  expect(read().made).toBe('tomorrow')
  expect(write('bought', { date: 'away' }, made({ bought: '2026-03-12' }, 'de-DE'))).toBe('übermorgen')
})

test.each<[string, number, string]>([
  ['en-GB', 0, 'sold out'],
  ['en-GB', 1, '1 place'],
  ['en-GB', 1200, '1,200 places'],
  ['pl-PL', 1, '1 place'],
  ['pl-PL', 3, '3 few'],
  ['pl-PL', 5, '5 places'],
])('in %s, %i is written as %s', (locale, width, words) => {
  const counted = { zero: 'sold out', one: '# place', few: '# few', other: '# places' }
  expect(write('width', { unit: 'hidden', counted }, made({ width }, locale))).toBe(words)
})

test('a form that is not said is that of others; without any the number stands alone', () => {
  expect(write('width', { unit: 'hidden', counted: { other: '# & more' } }, made({ width: 1 }))).toBe('1 &amp; more')
  expect(write('width', { unit: 'hidden', counted: { one: 'one' } }, made({ width: 2 }))).toBe('2')
  expect(write('width', { counted: { other: '#$&#' } }, made({ width: 2 }))).toBe('2 cm$&amp;2 cm')
})

describe('a range', () => {
  const moments = made({ bought: '2026-05-01', twin: '2026-05-03' })
  const tool = moments.types.get('tool')!
  const withEnds = (fields: object, locale = 'en-GB') => {
    const { site } = made(fields, locale)
    const ends = [
      { id: 'ends', label: 'Ends', kind: 'date' as const },
      { id: 'opens', label: 'Opens', kind: 'moment' as const },
      { id: 'shuts', label: 'Shuts', kind: 'moment' as const },
    ]
    const types = site.types.map((t) => (t.id === tool.id ? { ...t, fields: [...t.fields, ...ends] } : t))
    return new Catalogue({ ...site, types }, NOW)
  }
  const plain = (text: string) => text.replace(/[\u2009\u202f\u00a0]/g, ' ')

  test.each<[string, object, Format, string, string]>([
    ['bought', { bought: '2026-05-01', ends: '2026-05-03' }, { until: 'ends' }, 'en-GB', '1 – 3 May 2026'],
    ['bought', { bought: '2026-05-01', ends: '2026-05-01' }, { until: 'ends' }, 'en-GB', '1 May 2026'],
    ['bought', { bought: '2026-05-01', ends: '2026-04-01' }, { until: 'ends' }, 'en-GB', '1 May 2026'],
    ['bought', { bought: '2026-05-01' }, { until: 'ends' }, 'en-GB', '1 May 2026'],
    ['bought', { bought: '2026-05-01', ends: 'some day' }, { until: 'ends' }, 'en-GB', '1 May 2026'],
    ['bought', { bought: '2026-05-01' }, { until: 'nowhere' }, 'en-GB', '1 May 2026'],
    ['bought', { bought: '2026-05-01' }, { until: 'maker' }, 'en-GB', '1 May 2026'],
    [
      'opens',
      { opens: '2026-05-01T13:00:00Z', shuts: '2026-05-01T14:30:00Z' },
      { date: 'time', until: 'shuts' },
      'en-GB',
      '14:00–15:30',
    ],
  ])('of %s in %j as %j in %s is %s', (name, fields, format, locale, words) => {
    expect(plain(write(name, format, withEnds(fields, locale)))).toBe(words)
  })

  test('follows its end, and is not kept from one entry to the next', () => {
    const catalogue = withEnds({ bought: '2026-05-01', ends: '2026-05-03' })
    const value = field('bought', { format: { until: 'ends' } })
    const draw = () =>
      plain(
        drawElement(element('field', { value }), 'entry:t', { request: VISITOR }, catalogue).replace(/<[^>]+>/g, ''),
      )
    expect(draw()).toBe('1 – 3 May 2026')
    const entryNow = catalogue.entries.get('t')!
    catalogue.follow([{ id: 't', entry: { ...entryNow, fields: { ...entryNow.fields, ends: '2026-05-09' } } }])
    expect(draw()).toBe('1 – 9 May 2026')
  })
})

test('of a text its first sentence, or so many words', () => {
  expect(firstSentence('One clock. Two clocks.')).toBe('One clock.')
  expect(firstSentence('It is 3.5 m “tall.” More')).toBe('It is 3.5 m “tall.”')
  expect([firstSentence('no end'), firstSentence(''), firstSentence('  ')]).toEqual(['no end', '', ''])
  expect(firstWords('one two, three', 2)).toBe('one two…')
  expect(firstWords('one two', 2)).toBe('one two')
  const catalogue = made({}, 'en-GB', { summary: 'A <b>. And more.', content: rich('Brass wheels. They turn.') })
  expect(write('summary', { first: 'sentence' }, catalogue)).toBe('A &lt;b&gt;.')
  expect(write('content', { first: 'sentence' }, catalogue)).toBe('Brass wheels.')
  expect(write('content', { first: 1 }, catalogue)).toBe('Brass…')
  expect(write('content', {}, catalogue)).toBe('')
  const shown = drawElement(
    element('field', { value: field('content', { format: { first: 1 } }) }),
    'entry:t',
    {},
    catalogue,
  )
  expect(shown).toContain('Brass…')
  expect(shown).not.toContain('<p>Brass')
})

test.each<[string, unknown]>([
  ['a way of dates that is none', { date: 'soon' }],
  ['a form that no language has', { counted: { several: '#' } }],
  ['words that are none', { counted: { one: 7 } }],
  ['no words at all of a text', { first: 0 }],
  ['halves of words', { first: 1.5 }],
  ['a beginning that is none', { first: 'paragraph' }],
  ['more words than are counted', { first: 501 }],
])('refuses %s', (_, format) => {
  const heading = element('heading', { text: { ...field('title'), format } as Value })
  expect(checkLayout(layout('l', 'body', row(column(12, heading))))).not.toEqual([])
})

test('a paragraph, a heading or a line that only holds a field is not drawn where the field is empty', () => {
  const node = (type: string, ...content: unknown[]) => ({ type, content })
  const summary = { type: 'field', attrs: { value: field('summary') } }
  const words = (text: string) => ({ type: 'text', text })
  const doc = node(
    'doc',
    node('paragraph', summary),
    { ...node('heading', summary), attrs: { level: 2 } },
    node('bulletList', node('listItem', node('paragraph', summary)), node('listItem', node('paragraph', words('One')))),
    node('bulletList', node('listItem', node('paragraph', summary))),
    node('paragraph', words('About: '), summary),
    node('paragraph'),
  )
  const text = element('text', { text: doc as never })
  const drawn = (value: string) => drawElement(text, 'entry:t', {}, made({}, 'en', { summary: value }))
  expect(drawn('')).toMatch(/^<div[^>]*><ul><li><p>One<\/p><\/li><\/ul><p>About: <\/p><p><\/p><\/div>$/)
  expect(drawn('Brass')).toContain('<p>Brass</p><h2>Brass</h2><ul><li><p>Brass</p></li>')
})
