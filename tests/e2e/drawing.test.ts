import type { Page } from '@playwright/test'
import { benchPage, known, expect, test } from './studio'

/** What a browser makes of the CSS: measured on published pages of the demo. */

const box = async (page: Page, selector: string, nth = 0) => (await page.locator(selector).nth(nth).boundingBox())!

test('columns lie on twelve units, and rows with other columns share their edges', async ({ page, server }) => {
  await page.setViewportSize({ width: 1280, height: 900 })
  await page.goto(`${server.origin}/exhibits/the-night-regulator`)
  const [five, seven] = [await box(page, '.of-body .of-n5'), await box(page, '.of-body .of-n7')]
  const [a, b, c] = [
    await box(page, '.of-body .of-n4', 0),
    await box(page, '.of-body .of-n4', 1),
    await box(page, '.of-body .of-n4', 2),
  ]
  const content = 1120
  const gap = 32
  const unit = (content + gap) / 12
  expect(five.width).toBeCloseTo(5 * unit - gap, 0)
  expect(seven.width).toBeCloseTo(7 * unit - gap, 0)
  expect(seven.x - five.x).toBeCloseTo(5 * unit, 0)
  for (const column of [a, b, c]) expect(column.width).toBeCloseTo(4 * unit - gap, 0)
  expect(a.x).toBeCloseTo(five.x, 0)
  expect(c.x + c.width).toBeCloseTo(seven.x + seven.width, 0)
  expect(a.y).toBeCloseTo(b.y, 0)
})

test('a full background runs across the window while its content keeps the content width', async ({ page, server }) => {
  await page.setViewportSize({ width: 1600, height: 900 })
  await page.goto(`${server.origin}/exhibits/the-night-regulator`)
  const row = await box(page, 'header .of-row')
  const inner = await box(page, 'header .of-in')
  expect(row.x).toBe(0)
  expect(row.width).toBeGreaterThan(1570)
  expect(inner.width).toBe(1120)
  expect(inner.x).toBeCloseTo((row.width - 1120) / 2, 0)
  const held = await box(page, '.of-body .of-row')
  expect(held.width).toBe(1120 + 2 * 28)
})

test('on narrow screens columns stand one below the other, and nothing runs out of the window', async ({
  page,
  server,
}) => {
  for (const address of [
    '/',
    '/exhibits/the-night-regulator',
    '/exhibits/palk-table-clock',
    '/exhibits/fenwick-turret-clock',
    '/talks/winding-for-beginners',
    '/rooms/night-room',
    '/lost',
    '/exhibits/ohara-alarm',
  ]) {
    for (const width of [320, 390, 820]) {
      await page.setViewportSize({ width, height: 800 })
      await page.goto(server.origin + address)
      const over = await page.evaluate(
        () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
      )
      expect({ address, width, over }).toEqual({ address, width, over: 0 })
    }
  }
  await page.setViewportSize({ width: 390, height: 800 })
  await page.goto(`${server.origin}/exhibits/the-night-regulator`)
  const [five, seven] = [await box(page, '.of-body .of-n5'), await box(page, '.of-body .of-n7')]
  expect(seven.y).toBeGreaterThanOrEqual(five.y + five.height)
  expect(five.width).toBeCloseTo(390 - 2 * 18, 0)
  await expect(page.locator('h1')).toHaveCSS('font-size', '32px')
})

test('grids go from four columns to two to one', async ({ page, server }) => {
  const columns = async (width: number) => {
    await page.setViewportSize({ width, height: 800 })
    await page.goto(`${server.origin}/rooms/long-gallery`)
    const tops = await page
      .locator('.of-grid > li')
      .evaluateAll((items) => items.slice(0, 8).map((i) => Math.round(i.getBoundingClientRect().top)))
    return tops.filter((t) => t === tops[0]).length
  }
  expect([await columns(1280), await columns(820), await columns(390)]).toEqual([4, 2, 1])
})

test('a page can be read and used by keyboard: skip link, menus, what is below an item', async ({ page, server }) => {
  await page.goto(`${server.origin}/visit`)
  await page.keyboard.press('Tab')
  await expect(page.getByRole('link', { name: 'Skip to content' })).toBeFocused()
  await expect(page.getByRole('link', { name: 'Skip to content' })).toBeInViewport()
  await page.keyboard.press('Enter')
  expect(new URL(page.url()).hash).toBe('#main')
  await page.reload()
  const sub = page.locator('header').getByRole('link', { name: 'Opening hours' })
  await expect(sub).toBeHidden()
  await page.locator('header').getByRole('link', { name: 'Visit', exact: true }).focus()
  await page.keyboard.press('Tab')
  await page.keyboard.press('Enter')
  await expect(sub).toBeVisible()
  await expect(page.locator('header').getByRole('link', { name: 'Visit', exact: true })).toHaveAttribute(
    'aria-current',
    'page',
  )
  await page.keyboard.press('Tab')
  await page.keyboard.press('Tab')
  await page.keyboard.press('Enter')
  await expect(page.locator('h1')).toHaveText('Opening hours')
})

test('the search finds without any script, and says when it finds nothing', async ({ browser, server }) => {
  const page = await (await browser.newContext({ javaScriptEnabled: false })).newPage()
  await page.goto(`${server.origin}/no-such-page`)
  await page.getByRole('searchbox').fill('pinwheel')
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/\/search\?q=pinwheel$/)
  await expect(page.getByText('1 found')).toBeVisible()
  await page.getByRole('link', { name: 'Fenwick turret clock' }).click()
  await expect(page.locator('h1')).toHaveText('Fenwick turret clock')
  await page.goto(`${server.origin}/search?q=qqqqqq`)
  await expect(page.getByText('Nothing has all of these words.')).toBeVisible()
})

test('nothing on a published page is refused by its own content policy', async ({ page, server }) => {
  const refused: string[] = []
  page.on('console', (message) => {
    if (/Content Security Policy|Refused/.test(message.text())) refused.push(message.text())
  })
  for (const address of ['/', '/exhibits/fenwick-turret-clock', '/lost', '/search?q=clock']) {
    await page.goto(server.origin + address)
    const broken = await page
      .locator('img')
      .evaluateAll((images) =>
        (images as HTMLImageElement[]).filter((i) => i.complete && i.naturalWidth === 0).map((i) => i.src),
      )
    expect(broken).toEqual([])
    const family = await page.locator('h1').evaluate(async (h) => {
      await document.fonts.ready
      return document.fonts.check(`20px ${getComputedStyle(h).fontFamily.split(',')[0]}`)
    })
    expect(family).toBe(true)
  }
  expect(refused).toEqual([])
})

test('in a row that is taller than what stands in it, things stand where it says: at the top, in the middle, at the bottom', async ({
  page,
  server,
}) => {
  await known(page, server)
  await page.goto(`${server.origin}/studio/layouts/slim-footer`)
  await page.getByRole('treeitem', { name: /^Line/ }).click({ position: { x: 20, y: 8 } })
  const height = page.getByLabel('Minimum height', { exact: true })
  await height.fill('500')
  await height.press('Enter')
  const inner = benchPage(page).locator('footer .of-in').first()
  const column = benchPage(page).locator('footer .of-col').first()
  const places: [string, (top: number, height: number, all: number) => number][] = [
    ['start', () => 0],
    ['center', (_, own, all) => (all - own) / 2],
    ['end', (_, own, all) => all - own],
  ]
  for (const [value, expected] of places) {
    await page.getByLabel('Vertical align', { exact: true }).selectOption(value)
    await expect
      .poll(async () => {
        const [row, own] = [(await inner.boundingBox())!, (await column.boundingBox())!]
        return Math.abs(own.y - row.y - expected(0, own.height, row.height))
      })
      .toBeLessThan(2)
  }
  expect((await inner.boundingBox())!.height).toBeGreaterThan(200)
})
