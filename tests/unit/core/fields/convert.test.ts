import fc from 'fast-check'
import { Catalogue, entrySubject, namedIn, readField } from '#core/catalogue'
import { ColumnWays } from '#core/importing'
import { FIELD_KINDS, type Field, type FieldKind, conversionOf, converted, isHeld } from '#core/fields'
import { dayNamed } from '#core/time'
import { readNumber } from '#core/numbers'
import { makeDemo } from '#demo/index'
import { runs } from '../../../runs'

const { site } = makeDemo()
const catalogue = new Catalogue(site)
const named = namedIn(catalogue)
const kinds = FIELD_KINDS
const choices = [
  { id: 'running', label: 'Running' },
  { id: 'at-rest', label: 'At rest' },
]
const fieldOf = (kind: FieldKind): Field => ({ id: 'f', label: 'F', kind, choices })

const decimals = { point: { decimal: 'point' as const }, comma: { decimal: 'comma' as const } }

test.each<[words: string, point: number | null, comma: number | null]>([
  ['42', 42, 42],
  ['-3.5', -3.5, -3.5],
  ['.097', 0.097, 0.097],
  ['-.5', -0.5, -0.5],
  ['1e3', 1000, 1000],
  ['1e-7', 1e-7, 1e-7],
  ['0,125', 0.125, 0.125],
  ['1.250', 1.25, 1250],
  ['1,250', 1250, 1.25],
  ['1,000', 1000, 1],
  ['1,234.50', 1234.5, 1234.5],
  ['1.234,50', 1234.5, 1234.5],
  ['1,5', 1.5, 1.5],
  ['1.234.567', 1234567, 1234567],
  ['1.23.456', null, null],
  ['1 234', 1234, 1234],
  ['1 23', null, null],
  ["12'500.5", 12500.5, 12500.5],
  ['−3', -3, -3],
  ['twelve', null, null],
  ['5%', null, null],
  ['', null, null],
])('%p is %p where a point tells decimals, and %p where a comma does', (words, point, comma) => {
  const number = (decimal: keyof typeof decimals) => converted(fieldOf('number'), words, decimals[decimal])
  expect([readNumber(words, 'point'), readNumber(words, 'comma')]).toEqual([point, comma])
  expect([number('point'), number('comma')]).toEqual([point, comma])
})

test.each<[words: string, currency: string, amount: number | null]>([
  ['€ 12.00', 'EUR', 12],
  ['12,50 €', 'EUR', 12.5],
  ['EUR 9', 'EUR', 9],
  ['£9.00', 'EUR', null],
  ['9 USD', 'GBP', null],
  ['9', 'JPY', 9],
  ['free', 'EUR', null],
])('%p on a site that sells in %s is %p', (words, currency, amount) =>
  expect(converted(fieldOf('money'), words, { decimal: 'point', currency })).toBe(amount),
)

test('a number that is one stays it, wherever it is written', () => {
  expect(converted(fieldOf('money'), 1.125, decimals.comma)).toBe(1.125)
  expect(converted(fieldOf('number'), '212 cm')).toBe(212)
})

test.each<[words: string, dayFirst: string | null, monthFirst: string | null]>([
  ['2026-03-29', '2026-03-29', '2026-03-29'],
  ['2026-03-29T14:00', '2026-03-29', '2026-03-29'],
  ['29.3.2026', '2026-03-29', '2026-03-29'],
  ['3.4.2026', '2026-04-03', '2026-04-03'],
  ['29/03/2026', '2026-03-29', null],
  ['03/29/2026', '2026-03-29', '2026-03-29'],
  ['3/4/2026', '2026-04-03', '2026-03-04'],
  ['29 March 2026', '2026-03-29', '2026-03-29'],
  ['29. März 2026', '2026-03-29', '2026-03-29'],
  ['29 mars 2026', '2026-03-29', '2026-03-29'],
  ['29 de marzo de 2026', '2026-03-29', '2026-03-29'],
  ['2026年3月29日', '2026-03-29', '2026-03-29'],
  ['Sun, 29 Mar 2026 14:00:00 GMT', '2026-03-29', '2026-03-29'],
  ['March 29th, 2026', '2026-03-29', '2026-03-29'],
  ['30 February 2026', null, null],
  ['29.3.2026 or later', null, null],
  ['29.3.2026 25:30', null, null],
  ['soon', null, null],
])('%p names the day %p, or %p where the month comes first', (words, dayFirst, monthFirst) => {
  const second = monthFirst === null && dayFirst !== null ? dayFirst : monthFirst
  expect([dayNamed(words), dayNamed(words, 'month-first')]).toEqual([dayFirst, second])
})

test.each<[string, string | null]>([
  ['2026-03-29 14:00', '2026-03-29T14:00'],
  ['2026-03-29T14:00:00+02:00', '2026-03-29T14:00:00+02:00'],
  ['29.3.2026 14:00 Uhr', '2026-03-29T14:00'],
  ['29 mars 2026 14h30', '2026-03-29T14:30'],
  ['29/03/2026 2:05 pm', '2026-03-29T14:05'],
  ['29/03/2026 12 am', '2026-03-29T00:00'],
  ['Sun, 29 Mar 2026 14:00:00 GMT', '2026-03-29T14:00:00Z'],
  ['29.3.2026', '2026-03-29T00:00'],
  ['29.3.2026 25:30', null],
  ['29.3.2026 14:60', null],
  ['29.3.2026 in the evening', null],
])('the moment that %p names is %p', (words, moment) => expect(converted(fieldOf('moment'), words)).toBe(moment))

test.each<[string, boolean | null]>([
  ['Ja', true],
  ['non', false],
  ['sí', true],
  ['nie', false],
  ['ναι', true],
  ['いいえ', false],
  ['maybe', null],
])('%p is %p in one of the languages that are offered', (words, is) =>
  expect(converted(fieldOf('yes-no'), words)).toBe(is),
)

test('a column is read in one way: as its own values say, else as it was answered, else as the site writes', () => {
  const type = { ...site.types[0]!, fields: [{ id: 'f', label: 'F', kind: 'number' as const }] }
  const ways = (cells: string[], target: string) => {
    const found = new ColumnWays({ Cell: target }, type)
    for (const cell of cells) found.see({ Cell: cell })
    return found
  }
  const american = { decimal: 'point', order: 'month-first' } as const
  // One value says it for all of them.
  expect(ways(['03/04/2026', '03/29/2026'], 'date').ways({})).toEqual({ Cell: { order: 'month-first' } })
  expect(ways(['03/04/2026', '29/03/2026'], 'date').questions(american, {})).toEqual([])
  // Where none does it is asked, with examples.
  const open = ways(['03/04/2026', '05/06/2026'], 'date')
  expect(open.questions(american, {})).toEqual([
    { column: 'Cell', kind: 'day', way: 'month-first', examples: ['03/04/2026', '05/06/2026'] },
  ])
  expect(open.ways({ Cell: 'day-first' })).toEqual({ Cell: { order: 'day-first' } })
  expect(ways(['1.250', '3.000'], 'field:f').questions(american, {})).toHaveLength(1)
  expect(ways(['1.250', '3,5'], 'field:f').ways({})).toEqual({ Cell: { decimal: 'comma' } })
})

test('whatever a value comes to in a field, the field can hold it', () => {
  const held = site.entries.flatMap((e) => Object.values(e.fields))
  const values = fc.oneof(fc.constantFrom(...held), fc.string(), fc.double(), fc.boolean(), fc.anything())
  fc.assert(
    fc.property(values, fc.constantFrom(...kinds), (value, kind) => {
      const next = converted(fieldOf(kind), value, named)
      if (next !== null) expect(isHeld(fieldOf(kind), next)).toBe(true)
    }),
    { numRuns: runs(2000) },
  )
})

test('what a field holds of its own kind comes through text and back', () => {
  const round = (kind: FieldKind, value: unknown) => {
    const words = converted(fieldOf('text'), value, named)
    expect([kind, converted(fieldOf(kind), words, named)]).toEqual([kind, value])
  }
  for (const [kind, value] of [
    ['number', 12.5],
    ['money', -3],
    ['date', '2026-03-29'],
    ['moment', '2026-03-29T14:00'],
    ['yes-no', true],
    ['yes-no', false],
    ['choice', 'at-rest'],
    ['choices', ['running', 'at-rest']],
    ['link', 'https://example.org/a'],
    ['position', { x: 1, y: 2.5 }],
  ] as [FieldKind, unknown][])
    round(kind, value)
  const story = site.entries.find((e) => e.type === 'story' && e.title)!
  expect(converted(fieldOf('entry'), story.title.toUpperCase(), named)).toBe(story.id)
  expect(converted(fieldOf('person'), site.people[0]!.name, named)).toBe(site.people[0]!.id)
  expect(converted(fieldOf('pictures'), `a/${site.pictures[0]!.fileName}`, named)).toEqual([site.pictures[0]!.id])
})

test('a field of another kind is read as what its values come to, and told beforehand', () => {
  const exhibit = site.types.find((t) => t.id === 'exhibit')!
  const field = exhibit.fields.find((f) => f.kind === 'number')!
  const values = site.entries.filter((e) => e.type === exhibit.id).map((e) => e.fields[field.id])
  const told = conversionOf(values, field, { ...field, kind: 'text' })
  expect([told.stay, told.lost]).toEqual([0, 0])
  expect(told.read).toBe(values.filter((v) => typeof v === 'number').length)
  const type = { ...exhibit, fields: exhibit.fields.map((f) => (f === field ? { ...f, kind: 'text' as const } : f)) }
  const over = new Catalogue({ ...site, types: site.types.map((t) => (t === exhibit ? type : t)) })
  const entry = site.entries.find((e) => typeof e.fields[field.id] === 'number')!
  const place = { catalogue: over, subject: entrySubject(over, entry) } as unknown as Parameters<typeof readField>[1]
  expect(readField({ of: 'page', field: field.id }, place)?.value).toBe(String(entry.fields[field.id]))
  const lost = conversionOf(values, field, { ...field, kind: 'picture' })
  expect(lost.lost).toBe(told.read)
  expect(lost.examples[0]!.reads).toBeNull()
})
