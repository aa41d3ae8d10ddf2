import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import fc from 'fast-check'
import { Formats } from '#core/drawing'
import { Catalogue, namedIn } from '#core/catalogue'
import type { Entry } from '#core/model'
import type { Field } from '#core/fields'
import { bringRow, guessTargets } from '#core/importing'
import { readSheet } from '../../../server/bring/read'
import { Export, type ExportFormat } from '../../../server/services/export'
import { entry, smallSite } from '../../fixtures'
import { runs } from '../../runs'

/** Whatever a field holds goes out in every format that promises it, and comes in again as it was. */

const folder = mkdtempSync(join(tmpdir(), 'outer-frame-round-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

const CHOICES = ['Plain', 'With; semicolon', 'One, two', 'Ends | here', '=SUM(A1)', ' 1.250'].map((label, i) => ({
  id: `c${i}`,
  label,
}))
const FIELDS: Field[] = [
  { id: 'words', label: 'Words', kind: 'text' },
  { id: 'size', label: 'Size', kind: 'number' },
  { id: 'price', label: 'Price', kind: 'money' },
  { id: 'day', label: 'Day', kind: 'date' },
  { id: 'starts', label: 'Starts', kind: 'moment' },
  { id: 'on', label: 'On', kind: 'yes-no' },
  { id: 'one', label: 'One', kind: 'choice', choices: CHOICES },
  { id: 'many', label: 'Many', kind: 'choices', choices: CHOICES },
  { id: 'papers', label: 'Papers', kind: 'documents' },
  { id: 'sorts', label: 'Sorts', kind: 'offers' },
  { id: 'way', label: 'Way', kind: 'link' },
  { id: 'stands', label: 'Stands', kind: 'position' },
  { id: 'by', label: 'By', kind: 'person' },
  { id: 'twin', label: 'Twin', kind: 'entry', of: 'tool' },
  { id: 'views', label: 'Views', kind: 'pictures' },
]

const line = fc.string({ unit: 'grapheme', minLength: 1, maxLength: 30 }).map((s) => s.replace(/\s+/g, ' ').trim())
const words = fc.oneof(
  line.filter(Boolean),
  fc.constantFrom('=1+1', ';=1+1', '＝1+1', "'=x", '-3', '1.250', '[a]', '{}'),
)
const number = fc.oneof(
  fc.integer({ min: -1_000_000, max: 1_000_000 }),
  fc.constantFrom(1.25, 1.125, -0.097, 1e-7, 0.001, 123.456, 1e12, -12.345),
)
const day = fc.integer({ min: 1, max: 28 }).map((d) => `2026-03-${String(d).padStart(2, '0')}`)
const some = <T>(of: fc.Arbitrary<T>) => fc.array(of, { minLength: 1, maxLength: 3 })

const values = fc.record(
  {
    words,
    size: number,
    price: number,
    day,
    starts: day.map((d) => `${d}T14:05`),
    on: fc.boolean(),
    one: fc.constantFrom(...CHOICES.map((c) => c.id)),
    many: fc.uniqueArray(fc.constantFrom(...CHOICES.map((c) => c.id)), { minLength: 1 }),
    papers: some(
      fc
        .record({ name: words, address: fc.constantFrom('/log', 'https://example.org/a;b') })
        .chain((d) =>
          fc.option(fc.record({ size: fc.nat(), pages: fc.nat() }), { nil: {} }).map((more) => ({ ...d, ...more })),
        ),
    ),
    sorts: some(
      fc.record({
        id: fc.uuid().map((id) => id.slice(0, 8)),
        label: line.filter(Boolean),
        price: fc.constantFrom(5, 1.25),
        stock: fc.constantFrom(null, 3),
      }),
    ),
    way: fc.constantFrom('https://example.org/?a=1;b', '/visit', 'mailto:a@example.org'),
    stands: fc.constantFrom({ x: 1.125, y: -2 }, { x: 0, y: 0, floor: 'ground' }),
    by: fc.constant('nell'),
    twin: fc.constantFrom('first', 'second'),
    views: fc.uniqueArray(fc.constantFrom('moon', 'blank'), { minLength: 1 }),
  },
  { requiredKeys: [] },
)

async function goneAndBack(fields: Record<string, unknown>, format: ExportFormat, locale: string): Promise<Entry> {
  const site = smallSite([
    entry('first', 'tool'),
    entry('second', 'tool'),
    entry('it', 'thing', { title: 'It', fields }),
  ])
  const types = [...site.types, { ...site.types[1]!, id: 'thing', slug: 'things', taxonomies: [], fields: FIELDS }]
  const catalogue = new Catalogue({ ...site, types, settings: { ...site.settings, locale } })
  const formats = new Formats(catalogue.site.settings)
  const { bytes } = await new Export({ catalogue, formats }, { bytesOf: async () => null }).make('thing', format)
  const path = join(folder, `out.${format}`)
  writeFileSync(path, bytes)
  const { columns, rows } = await readSheet(path, `out.${format}`, folder)
  const type = catalogue.types.get('thing')!
  const targets = guessTargets(columns, type, site.taxonomies)
  const by = {
    type,
    columns: targets,
    published: false,
    named: namedIn(catalogue),
    term: () => undefined,
    rich: () => null,
    existing: () => undefined,
    newId: () => 'new',
    free: (_: Entry, wanted: string) => wanted,
  }
  const { entry: back, lost } = bringRow(rows[0]!, by)
  expect(lost).toEqual([])
  return back
}

test.each<[ExportFormat, string]>([
  ['csv', 'en-GB'],
  ['csv', 'de-DE'],
  ['tsv', 'de-DE'],
  ['jsonl', 'de-DE'],
])('values of every kind of field go out as %s and come in again (%s)', async (format, locale) => {
  await fc.assert(
    fc.asyncProperty(values, async (fields) => {
      const { fields: back } = await goneAndBack(fields, format, locale)
      expect(back).toEqual(fields)
    }),
    { numRuns: runs(120) },
  )
})
