import { CompiledDesign } from '#core/render'
import { Formats, sceneOf } from '#core/drawing'
import { type Edit, applyEdit } from '#core/layouts'
import type { Layout } from '#core/tree'
import type { Catalogue } from '#core/catalogue'
import { type Parameters, readAddress, readParameters } from '#core/addresses'
import { type RichDoc, refuseRich } from '#core/rich'
import { tooDeep } from '#core/shape'
import { PLAIN_HOUSE } from '#core/styles'
import { column, element, layout, observatory, row } from '../fixtures'

/**
 * What is sent is cheap: work grows as its size does. It is counted, not timed: every look at a part of a document
 * goes through a proxy that counts.
 */

function counted<T extends object>(document: T): { document: T; looks: () => number } {
  let looks = 0
  const proxies = new WeakMap<object, object>()
  const wrap = (value: unknown): unknown => {
    if (typeof value !== 'object' || value === null) return value
    let proxy = proxies.get(value)
    if (!proxy) {
      proxy = new Proxy(value, {
        get(target, key) {
          looks++
          return wrap(Reflect.get(target, key))
        },
        ownKeys(target) {
          looks += Object.keys(target).length
          return Reflect.ownKeys(target)
        },
      })
      proxies.set(value, proxy)
    }
    return proxy
  }
  return { document: wrap(document) as T, looks: () => looks }
}

/** Looks that the work takes for a size, and for twice the size, held against each other. */
function growth(make: (size: number) => object, work: (document: never) => void, size = 400): number {
  const [one, two] = [size, 2 * size].map((n) => {
    const { document, looks } = counted(make(n))
    work(document as never)
    return looks()
  }) as [number, number]
  expect(one).toBeGreaterThan(0)
  return two / one
}

const LINEAR = 2.4

const words = (n: number, marks: unknown[] = []): RichDoc =>
  ({
    type: 'doc',
    content: [{ type: 'paragraph', content: Array.from({ length: n }, () => ({ type: 'text', text: 'a', marks })) }],
  }) as RichDoc

test('rich text is judged, and refused, in one look', () => {
  expect(
    growth(
      (n) => words(n),
      (doc) => expect(refuseRich(doc)).toBeNull(),
    ),
  ).toBeLessThan(LINEAR)
  const links = (n: number) =>
    words(
      1,
      Array.from({ length: n }, () => ({ type: 'link', attrs: { href: '/a' } })),
    )
  expect(growth(links, (doc) => expect(refuseRich(doc)).toContain('marks'))).toBeLessThan(LINEAR)
})

test('marks that got in all the same are drawn up to a few, not one inside the other for ever', () => {
  const catalogue: Catalogue = observatory()
  const formats = new Formats(catalogue.site.settings)
  const page = catalogue.page('entry:refractor')!
  const draw = (n: number) => {
    const text = words(
      1,
      Array.from({ length: n }, () => ({ type: 'link', attrs: { page: 'entry:visit' } })),
    )
    const made = layout('b', 'body', row(column(12, element('text', { text: text as never }))))
    const compiled = new CompiledDesign({ format: 1, layouts: [made], frames: [], house: PLAIN_HOUSE })
    const none = { shown: { kind: 'none' as const }, by: null }
    const body = { shown: { kind: 'layout' as const, layout: 'b' }, by: null }
    return compiled.draw(sceneOf(catalogue, formats, page, {}), {
      regions: { header: none, intro: none, body, footer: none },
    })
  }
  expect(draw(20_000).html.length).toBe(draw(20).html.length)
})

test('a batch of edits costs as much as there are edits, in a layout of any size', () => {
  const many = (n: number): Layout =>
    layout(
      'L',
      'body',
      row(column(6, ...Array.from({ length: n }, (_, i) => element('divider', {}, `d${i}`))), column(6)),
    )
  const moves = (base: Layout, n: number): Edit => {
    const [left, right] = base.children[0]!.children
    return {
      kind: 'batch',
      label: 'move',
      edits: Array.from({ length: n }, (_, i) => ({
        kind: 'move',
        id: `d${i % 100}`,
        parent: i % 200 < 100 ? right!.id : left!.id,
        index: 0,
      })),
    }
  }
  const base = many(100)
  const grown = growth(
    (n) => moves(base, n),
    (edit) => expect(applyEdit(base, edit).ok).toBe(true),
  )
  expect(grown).toBeLessThan(LINEAR)
  // In the layout itself, the same number of edits looks at twice as much where there is twice as much.
  expect(
    growth(
      (n) => many(n),
      (document: Layout) => {
        const property: Edit = { kind: 'setStyle', id: 'd7', property: 'marginTop', step: 'wide', value: 3 }
        expect(applyEdit(document, property).ok).toBe(true)
      },
    ),
  ).toBeLessThan(LINEAR)
})

test('addresses of any length and of any number of slashes lead to a page or to none', () => {
  for (const odd of ['/'.repeat(15_000), '/a'.repeat(10_000), '/%'.repeat(5_000), `/${'%41'.repeat(5000)}`])
    expect(readAddress(odd).path).toBeNull()
  const many: Parameters = readParameters(Array.from({ length: 20_000 }, (_, i) => `p${i}=${i}`).join('&'))
  expect(Object.keys(many)).toHaveLength(50)
})

test('what is nested very deep is told from what is not without calling oneself', () => {
  let deep: unknown = []
  for (let i = 0; i < 200_000; i++) deep = [deep]
  expect(tooDeep(deep)).toBe(true)
  expect(tooDeep(Array.from({ length: 100_000 }, () => [[]]))).toBe(false)
})
