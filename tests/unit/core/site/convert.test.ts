import fc from 'fast-check'
import {
  Catalogue,
  FIELD_KINDS,
  type Field,
  type FieldKind,
  conversionOf,
  converted,
  dayNamed,
  entrySubject,
  isHeld,
  namedIn,
  numberIn,
  readField,
} from '#core/site'
import { makeDemo } from '#demo/index'

const { site } = makeDemo()
const catalogue = new Catalogue(site)
const named = namedIn(catalogue)
const kinds = Object.keys(FIELD_KINDS) as FieldKind[]
const choices = [
  { id: 'running', label: 'Running' },
  { id: 'at-rest', label: 'At rest' },
]
const fieldOf = (kind: FieldKind): Field => ({ id: 'f', label: 'F', kind, choices })

test.each<[string, number | null]>([
  ['42', 42],
  ['42 cm', 42],
  ['-3.5', -3.5],
  ['1,234.50', 1234.5],
  ['1.234,50', 1234.5],
  ['1,234', 1234],
  ['1,5', 1.5],
  ['1.234.567', 1234567],
  ['1 234', 1234],
  ['€ 12.00', 12],
  ['twelve', null],
  ['', null],
])('the number in %p is %p', (words, number) => expect(numberIn(words)).toBe(number))

test.each<[string, string | null]>([
  ['2026-03-29', '2026-03-29'],
  ['2026-03-29T14:00', '2026-03-29'],
  ['29.3.2026', '2026-03-29'],
  ['29/03/2026', '2026-03-29'],
  ['03/29/2026', '2026-03-29'],
  ['3/4/2026', null],
  ['4/4/2026', '2026-04-04'],
  ['29 March 2026', '2026-03-29'],
  ['Sun, 29 Mar 2026 14:00:00 GMT', '2026-03-29'],
  ['March 29th, 2026', '2026-03-29'],
  ['30 February 2026', null],
  ['soon', null],
])('the day that %p names is %p', (words, day) => expect(dayNamed(words)).toBe(day))

test('whatever a value comes to in a field, the field can hold it', () => {
  const held = site.entries.flatMap((e) => Object.values(e.fields))
  const values = fc.oneof(fc.constantFrom(...held), fc.string(), fc.double(), fc.boolean(), fc.anything())
  fc.assert(
    fc.property(values, fc.constantFrom(...kinds), (value, kind) => {
      const next = converted(fieldOf(kind), value, named)
      if (next !== null) expect(isHeld(fieldOf(kind), next)).toBe(true)
    }),
    { numRuns: 2000 },
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
