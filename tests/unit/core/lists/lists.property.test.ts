import fc from 'fast-check'
import { type Asked, type Filter, type List, filtersOf, findList, parameterNames, screensOf } from '#core/lists'
import { Catalogue, readField, entrySubject } from '#core/catalogue'
import { type Entry, newestFirst } from '#core/model'
import { entry, smallSite } from '../../../fixtures'
import { runs } from '../../../runs'

/** Lists against an obvious twin that goes through all entries each time, on random content that goes on changing. */

const NAMES = ['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h', 'i', 'j', 'k', 'l']
const maybe = <T>(...of: T[]) => fc.constantFrom<T | undefined>(undefined, ...of)

const someEntry = fc
  .record({
    id: fc.constantFrom(...NAMES),
    type: fc.constantFrom('tool', 'note'),
    title: fc.constantFrom('', 'Ash', 'ash', 'Äsche', 'Birch 2', 'Birch 10'),
    date: fc.constantFrom(null, '2025-01-01', '2025-01-15', '2026-02-01'),
    person: fc.constantFrom(null, 'nell', 'gone'),
    terms: fc.subarray(['east', 'east-low', 'west', 'gone']),
    published: fc.boolean(),
    fields: fc.record({
      maker: maybe('Lund', 'Pell', '12'),
      width: maybe(0, 5, 7.5, -1),
      bought: maybe('1961-05-07', '2001-01-01'),
      works: maybe(true, false),
      kind: maybe('lens', 'mirror', 'gone'),
      twin: maybe('a', 'b', 'gone'),
    }),
  })
  .map(({ id, type, ...more }): Entry => entry(id, type, more))

const FIELDS = ['terms:dome', 'kind', 'works', 'person', 'maker', 'width', 'bought', 'twin']
const NAMES_ASKED = parameterNames(FIELDS)
const FILTERS: Filter[] = filtersOf(
  new Catalogue(smallSite()),
  FIELDS.map((field, i) => ({ field, range: false, name: NAMES_ASKED[i]! })),
)
const DAY = (day: string) => Date.parse(`${day}T00:00:00Z`) / 86_400_000

const keysAsked = (...keys: string[]) =>
  fc.option(
    fc.subarray(keys, { minLength: 1 }).map((k): Asked => ({ keys: k })),
    { freq: 2 },
  )
const ends = (...of: number[]) => fc.constantFrom(null, ...of)
const rangeAsked = (...of: number[]) =>
  fc.option(fc.record({ from: ends(...of), to: ends(...of) }) as fc.Arbitrary<Asked>, { freq: 2 })

const asked = fc.tuple(
  keysAsked('east', 'west', 'east-low'),
  keysAsked('lens', 'mirror'),
  keysAsked('yes', 'no'),
  keysAsked('nell'),
  keysAsked('Lund', '12'),
  rangeAsked(0, 5, 7),
  rangeAsked(DAY('1961-05-07'), DAY('1999-01-01')),
  keysAsked('a', 'b'),
)
const sorts = fc.uniqueArray(
  fc.record({ field: fc.constantFrom('title', 'width', 'kind', 'date', 'maker'), down: fc.boolean() }),
  { maxLength: 3, selector: (s) => s.field },
)
const LINES: List['where'] = [
  { field: 'works', op: 'is', values: [true] },
  { field: 'terms:dome', op: 'is', values: ['east', 'west'] },
  { field: 'terms:dome', op: 'is-not', values: ['east-low', 'west'] },
  { field: 'kind', op: 'is', values: [] },
  { field: 'terms:dome', op: 'is-empty', values: [] },
  { field: 'width', op: 'at-least', values: [5] },
]
const where = fc.subarray([...LINES], { maxLength: 2 })
const source = fc.constantFrom('types', 'both', 'term', 'below', 'person', 'month')

const sourceOf = (kind: string, catalogue: Catalogue): List['source'] => {
  if (kind === 'types') return { kind: 'types', types: ['tool'] }
  if (kind === 'both') return { kind: 'types', types: ['note', 'tool'] }
  const key = { term: 'term:east', below: 'term:east', person: 'person:nell', month: 'month:note:2025-01' }[kind]!
  const page = catalogue.page(key) ?? { key, kind: 'term', address: '', title: '', term: 'nowhere' }
  return { kind: 'page', page, below: kind === 'below' }
}

/** What the field of an entry says, read as on its own page. */
const said = (catalogue: Catalogue, e: Entry, field: string) =>
  readField(
    { of: 'page', field },
    {
      catalogue,
      page: catalogue.notFound,
      subject: entrySubject(catalogue, e),
      visitor: { role: 'visitor', name: '' },
      query: '',
      found: [],
      near: '',
    },
  )?.value ?? null

const above = (catalogue: Catalogue, id: string): string[] => {
  const parent = catalogue.terms.get(id)?.parent
  return parent ? [id, ...above(catalogue, parent)] : [id]
}

const keys = (catalogue: Catalogue, e: Entry, field: string): string[] => {
  const value = said(catalogue, e, field)
  if (value === null) return []
  if (field === 'terms:dome') return (value as string[]).flatMap((t) => above(catalogue, t))
  return [typeof value === 'boolean' ? (value ? 'yes' : 'no') : String(value)]
}

function passes(catalogue: Catalogue, e: Entry, filter: Filter, want: Asked | null): boolean {
  if (!want) return true
  if ('keys' in want) return keys(catalogue, e, filter.field).some((k) => want.keys.includes(k))
  const value = said(catalogue, e, filter.field)
  if (value === null) return false
  const number = filter.as === 'day' ? DAY(String(value)) : Number(value)
  return number >= (want.from ?? -Infinity) && number <= (want.to ?? Infinity)
}

function inSource(catalogue: Catalogue, kind: string, e: Entry): boolean {
  if (kind === 'types') return e.type === 'tool'
  if (kind === 'both') return true
  if (kind === 'term') return e.terms.includes('east')
  if (kind === 'below') return e.terms.some((t) => above(catalogue, t).includes('east'))
  if (kind === 'person') return e.person === 'nell' && catalogue.page('person:nell') !== undefined
  return e.type === 'note' && (e.date?.startsWith('2025-01') ?? false)
}

function holds(catalogue: Catalogue, e: Entry, { field, op, values }: List['where'][number]): boolean {
  const own = keys(catalogue, e, field)
  if (op === 'is-empty') return own.length === 0
  if (field === 'works') return e.type === 'tool' && (e.fields.works === true) === values[0]
  if (op === 'is-not') return !own.some((key) => values.includes(key))
  if (op === 'is') return own.some((key) => values.includes(key))
  return Number(said(catalogue, e, field) ?? NaN) >= Number(values[0])
}

const rank = (catalogue: Catalogue, e: Entry, field: string): string | number | null => {
  const value = said(catalogue, e, field)
  if (field !== 'kind' || value === null) return value as string | number | null
  const place = ['lens', 'mirror'].indexOf(String(value))
  return place < 0 ? null : place
}
const collator = new Intl.Collator('en-GB', { numeric: true })

function compare(catalogue: Catalogue, wanted: { field: string; down: boolean }[], a: Entry, b: Entry): number {
  for (const { field, down } of wanted) {
    const [x, y] = [rank(catalogue, a, field), rank(catalogue, b, field)]
    if (x === y) continue
    if (x === null) return 1
    if (y === null) return -1
    const sooner = typeof x === 'number' && typeof y === 'number' ? x - y : collator.compare(String(x), String(y))
    if (sooner !== 0) return down ? -sooner : sooner
  }
  return newestFirst(a, b)
}

const everyone = (catalogue: Catalogue) => catalogue.site.entries.filter((e) => e.type !== 'page' && catalogue.isOut(e))

test('a list holds what its twin holds, in that order, with the same counts, while content changes', () => {
  fc.assert(
    fc.property(
      fc.array(someEntry, { maxLength: 12 }),
      fc.array(fc.record({ entry: someEntry, gone: fc.boolean() }), { minLength: 1, maxLength: 8 }),
      fc.record({ source, where, asked, sorts }),
      (entries, changes, { source: kind, where: wheres, asked: want, sorts: sorting }) => {
        const byId = new Map(entries.map((e) => [e.id, e]))
        const catalogue = new Catalogue(smallSite([...byId.values()]))
        for (const change of [null, ...changes]) {
          if (change) catalogue.follow([{ id: change.entry.id, entry: change.gone ? null : change.entry }])
          const list: List = {
            source: sourceOf(kind, catalogue),
            except: 'c',
            where: wheres,
            filters: FILTERS,
            asked: want,
            found: null,
            sorting: { group: null, sorts: sorting },
            skip: 0,
            most: 100,
          }
          const listed = findList(catalogue, list)
          const base = everyone(catalogue).filter(
            (e) => e.id !== 'c' && inSource(catalogue, kind, e) && wheres.every((w) => holds(catalogue, e, w)),
          )
          const left = (but: number) =>
            base.filter((e) => FILTERS.every((f, i) => i === but || passes(catalogue, e, f, want[i]!)))
          const expected = left(-1).sort((a, b) => compare(catalogue, sorting, a, b))
          expect(listed.entries.map((e) => e.id)).toEqual(expected.map((e) => e.id))
          expect([listed.total, listed.of]).toEqual([expected.length, base.length])
          const widths = expected
            .flatMap((e) => Number(said(catalogue, e, 'width') ?? NaN))
            .filter((n) => !Number.isNaN(n))
          expect(listed.totals('width')).toEqual({
            count: widths.length,
            sum: widths.reduce((sum, n) => sum + n, 0),
            least: Math.min(...widths),
            most: Math.max(...widths),
          })
          listed.facets().forEach((facet, i) => {
            const beside = left(i)
            if (facet.filter.as !== 'keys') {
              const numbers = beside
                .map((e) => said(catalogue, e, facet.filter.field))
                .filter((v) => v !== null)
                .map((v) => (facet.filter.as === 'day' ? DAY(String(v)) : Number(v)))
              const extent = numbers.length > 0 ? { least: Math.min(...numbers), most: Math.max(...numbers) } : null
              return expect(facet.extent).toEqual(extent)
            }
            const counts = new Map<string, number>()
            for (const e of beside)
              for (const key of new Set(keys(catalogue, e, facet.filter.field)))
                counts.set(key, (counts.get(key) ?? 0) + 1)
            const offered = facet.choices.filter((c) => !c.chosen || c.count > 0)
            expect(new Map(offered.map((c) => [c.key, c.count]))).toEqual(counts)
          })
        }
      },
    ),
    { numRuns: runs(300) },
  )
})

test('screens one after the other hold every entry once, however many stand on one', () => {
  fc.assert(
    fc.property(
      fc.uniqueArray(someEntry, { maxLength: 12, selector: (e) => e.id }),
      fc.integer({ min: 1, max: 5 }),
      sorts,
      (entries, each, sorting) => {
        const catalogue = new Catalogue(smallSite(entries))
        const screen = (skip: number) =>
          findList(catalogue, {
            source: { kind: 'types', types: ['tool', 'note'] },
            except: null,
            where: [],
            filters: [],
            asked: [],
            found: null,
            sorting: { group: { by: 'letter', field: 'title', down: false }, sorts: sorting },
            skip,
            most: each,
          })
        const { total } = screen(0)
        const ids = Array.from({ length: screensOf(total, each) }, (_, i) => screen(i * each).entries).flat()
        expect(ids.map((e) => e.id).sort()).toEqual(
          everyone(catalogue)
            .map((e) => e.id)
            .sort(),
        )
      },
    ),
    { numRuns: runs(200) },
  )
})
