import { firstPageFor, pagesLike } from '../../../app/composables/useShownWith'
import { CompiledRules, resolve, rulesOf, tabulate } from '#core/rules'
import { Catalogue } from '#core/catalogue'
import type { LayoutRegion } from '#core/tree'
import { makeDemo } from '#demo/index'
import { VISITOR, column, drawn, element, layout, row } from '../../fixtures'

/** With which page a layout is first shown. */

const { site, design } = makeDemo()
const catalogue = new Catalogue(site)
const rules = new CompiledRules(rulesOf(design), catalogue)
const table = tabulate(rules, VISITOR)
const holding = (region: LayoutRegion, ...types: string[]) =>
  layout('new', region, row(column(12, ...types.map((t) => element(t)))))
const first = (region: LayoutRegion, ...types: string[]) => firstPageFor(holding(region, ...types), catalogue, table)

test('one that shows somewhere is shown with the first page on which it does', () => {
  let met = 0
  for (const { id } of design.layouts) {
    // The slow twin decides every page anew.
    const shows = catalogue.pages.find((page) =>
      Object.values(resolve(rules, page, VISITOR).regions).some(
        ({ shown }) => shown.kind === 'layout' && shown.layout === id,
      ),
    )
    if (!shows) continue
    met++
    expect([id, firstPageFor(drawn(design, id), catalogue, table).key]).toEqual([id, shows.key])
  }
  expect(met).toBeGreaterThan(10)
})

test.each([
  ['sign-in', 'sign-in'],
  ['account', 'member'],
  ['own-orders', 'member'],
  ['basket-lines', 'basket'],
  ['buyer', 'checkout'],
  ['receipt', 'receipt'],
  ['order-status', 'order-status'],
])('a body that holds %s shows with the page of it, before any frame uses it: %s', (type, kind) => {
  expect(first('body', 'heading', type).kind).toBe(kind)
  expect(first('header', type).kind).not.toBe(kind)
})

test('where the site has no such page, it is shown as any body is: with an entry that has fields', () => {
  const closed = new Catalogue({ ...site, settings: { ...site.settings, shop: false, signIn: false } })
  for (const type of ['basket-lines', 'account', 'heading']) {
    const page = firstPageFor(holding('body', type), closed, null)
    expect([type, page.kind, closed.types.get(page.type!)!.fields.length > 0]).toEqual([type, 'entry', true])
  }
})

test('a piece is shown with a page on which it stands; pages to step through are of the same sort', () => {
  const standsIn = [{ id: 'talk-page' }]
  const page = firstPageFor(holding('piece', 'heading'), catalogue, table, standsIn)
  expect([page.kind, page.type]).toEqual(['entry', 'talk'])
  const like = pagesLike(page, catalogue)
  expect(like).toContain(page)
  expect(like.every((p) => p.type === 'talk')).toBe(true)
})
