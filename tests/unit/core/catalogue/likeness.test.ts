import fc from 'fast-check'
import type { Page } from '#core/model'
import { likeliest } from '#core/catalogue'
import { observatory } from '../../../fixtures'

const page = (address: string, title: string): Page => ({ key: address, kind: 'entry', address, title }) as Page
const PAGES = [
  page('/exhibits/fenwick-turret-clock', 'Fenwick turret clock'),
  page('/exhibits/fenwick-mantel-clock', 'Fenwick mantel clock'),
  page('/visit/opening-hours', 'Opening hours'),
  page('/stories/the-part-left-over', 'The part left over'),
  page('/ueber-uns', 'Über uns'),
]
const first = (address: string) => likeliest(address, PAGES)[0]

test('a wrong letter, another folder, an old ending or the title alone still lead to the page that was meant', () => {
  expect(first('/exhibits/fenwik-turret-clock')).toMatchObject({ page: '/exhibits/fenwick-turret-clock' })
  expect(first('/exhibits/fenwik-turret-clock')!.sure).toBeGreaterThan(0.8)
  expect(first('/collection/fenwick-turret-clock.html')).toMatchObject({ page: '/exhibits/fenwick-turret-clock' })
  expect(first('/opening_hours.php')).toMatchObject({ page: '/visit/opening-hours' })
  expect(first('/OPENING-HOURS')).toMatchObject({ page: '/visit/opening-hours' })
  expect(first('/uber uns')).toMatchObject({ page: '/ueber-uns' })
})

test('what is like nothing leads nowhere, and neither does the home page', () => {
  for (const address of ['/', '', '/wp-login', '/zzzz', '//', '/.'])
    expect([address, likeliest(address, PAGES)]).toEqual([address, []])
})

test('the likeliest comes first, at most three, each as sure as it is like', () => {
  const found = likeliest('/exhibits/fenwick-clock', PAGES)
  expect(found.length).toBeLessThanOrEqual(3)
  expect(found.map((f) => f.sure)).toEqual([...found.map((f) => f.sure)].sort((a, b) => b - a))
  expect(likeliest('/exhibits/fenwick-turret-clock', PAGES)[0]!.sure).toBe(1)
})

test('any address is answered, and in bounds', () => {
  const { pages } = observatory()
  fc.assert(
    fc.property(fc.string({ maxLength: 300 }), (address) => {
      for (const { sure, page: key } of likeliest(address, pages)) {
        expect(sure).toBeGreaterThan(0)
        expect(sure).toBeLessThanOrEqual(1)
        expect(pages.some((p) => p.key === key)).toBe(true)
      }
    }),
  )
})
