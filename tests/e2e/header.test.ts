import type { Browser, Page } from '@playwright/test'
import { expect, test } from './studio'

/** Headers as visitors meet them: at a desk and on a phone, by pointer, touch and keys, with script and without. */

const WIDE = { width: 1280, height: 800 }
const PHONE = { width: 390, height: 800 }

async function visit(browser: Browser, address: string, options: object): Promise<Page> {
  const page = await (await browser.newContext(options)).newPage()
  await page.goto(address)
  return page
}
const main = (page: Page) => page.getByRole('navigation', { name: 'Main menu', exact: true })
const below = (page: Page) => main(page).getByRole('link', { name: 'Tower Room' })

for (const javaScriptEnabled of [true, false]) {
  const how = javaScriptEnabled ? 'with script' : 'without script'

  test(`${how}: a list below drops down by pointer, by its button and by keys`, async ({ server, browser }) => {
    const page = await visit(browser, `${server.origin}/visit`, { viewport: WIDE, javaScriptEnabled })
    await expect(below(page)).toBeHidden()
    await main(page).getByRole('link', { name: 'Exhibits' }).hover()
    await expect(below(page)).toBeVisible()
    await page.mouse.move(5, 700)
    await expect(below(page)).toBeHidden()
    await main(page).locator('summary').nth(1).click()
    await page.mouse.move(5, 700)
    await expect(below(page)).toBeVisible()
  })

  test(`${how}: on a phone all menus stand behind one button, which Esc closes`, async ({ server, browser }) => {
    const page = await visit(browser, `${server.origin}/visit`, { viewport: PHONE, javaScriptEnabled })
    await expect(main(page)).toBeHidden()
    const button = page.getByRole('button', { name: 'Menu' })
    await button.click()
    const menus = page.getByRole('navigation', { name: 'Menus', exact: true })
    await expect(menus.getByRole('link', { name: 'Night Room' })).toBeVisible()
    await expect(menus.getByText('Small print')).toBeVisible()
    await page.keyboard.press('Escape')
    await expect(menus.getByRole('link', { name: 'Night Room' })).toBeHidden()
    await expect(button).toBeFocused()
    await button.press('Enter')
    await menus.getByRole('link', { name: 'Talks' }).click()
    await expect(page).toHaveURL(/\/talks$/)
  })

  test(`${how}: a header laid over a picture moves nothing`, async ({ server, browser }) => {
    const page = await visit(browser, `${server.origin}/`, { viewport: WIDE, javaScriptEnabled })
    const bar = page.locator('header .of-over')
    const picture = page.locator('main .of-row').first()
    expect((await picture.boundingBox())!.y).toBe(0)
    await expect(bar).toHaveCSS('color', 'rgb(253, 251, 245)')
    await page.mouse.wheel(0, 1200)
    await expect.poll(async () => (await picture.boundingBox())!.y).toBeLessThan(-800)
    if (javaScriptEnabled) {
      await expect(bar).toHaveCSS('color', 'rgb(35, 38, 43)')
      expect((await bar.boundingBox())!.y).toBe(0)
      await page.mouse.wheel(0, -3000)
      await expect(bar).toHaveCSS('color', 'rgb(253, 251, 245)')
    } else expect((await bar.boundingBox())!.y).toBeLessThan(0)
    expect((await picture.boundingBox())!.y).toBeLessThanOrEqual(0)
  })

  test(`${how}: a header that stays stands at the top, smaller, and nothing jumps`, async ({ server, browser }) => {
    const page = await visit(browser, `${server.origin}/exhibits`, { viewport: WIDE, javaScriptEnabled })
    const bar = page.locator('header .of-stays')
    const title = page.getByRole('heading', { level: 1 })
    const before = (await title.boundingBox())!.y
    await page.mouse.wheel(0, 100)
    await expect.poll(async () => (await title.boundingBox())!.y).toBe(before - 100)
    await page.mouse.wheel(0, 900)
    await expect.poll(async () => (await bar.boundingBox())!.y).toBe(-8)
  })
}

test('by keys alone: arrows go from link to link and into lists, Esc closes, and the focus is never lost', async ({
  server,
  browser,
}) => {
  const page = await visit(browser, `${server.origin}/talks`, { viewport: WIDE })
  const nav = main(page)
  await nav.getByRole('link', { name: 'Visit' }).focus()
  await page.keyboard.press('ArrowRight')
  await expect(nav.getByRole('link', { name: 'Exhibits' })).toBeFocused()
  await page.keyboard.press('ArrowDown')
  await expect(nav.getByRole('link', { name: 'By room' })).toBeFocused()
  await page.keyboard.press('ArrowDown')
  await expect(nav.getByRole('link', { name: 'By period' })).toBeFocused()
  await page.keyboard.press('Escape')
  await expect(nav.locator('summary').nth(1)).toBeFocused()
  await expect(nav.getByRole('link', { name: 'By room' })).toBeHidden()
  await page.keyboard.press('ArrowLeft')
  await expect(nav.getByRole('link', { name: 'Visit' })).toBeFocused()
  await expect(nav.getByRole('link', { name: 'Talks' })).toHaveAttribute('aria-current', 'page')
})

test('the page above the one shown is marked; a menu is cut in two around a mark in the very middle', async ({
  server,
  browser,
}) => {
  const page = await visit(browser, `${server.origin}/exhibits/fenwick-turret-clock`, { viewport: WIDE })
  await expect(page.locator('header a.of-above')).toHaveText('Exhibits')
  await expect(main(page).getByRole('link')).toHaveText(['Visit', 'Exhibits', 'Talks'])
  const rest = page.getByRole('navigation', { name: 'Main menu, continued' })
  await expect(rest.getByRole('link')).toHaveText(['Stories', 'Tickets', 'Gifts'])
  const mark = (await page.locator('header .of-site-name img').boundingBox())!
  expect(Math.abs(mark.x + mark.width / 2 - 640)).toBeLessThan(1.5)
})

test('scripts come from addresses of their own, allowed by the policy, and only where something needs them', async ({
  server,
  page,
}) => {
  const said: string[] = []
  page.on('console', (message) => said.push(message.text()))
  const answer = (await page.goto(`${server.origin}/`))!
  expect(answer.headers()['content-security-policy']).toContain("script-src 'self'")
  const sources = await page.locator('script[src]').evaluateAll((all) => all.map((s) => s.getAttribute('src')))
  const names = sources.map((source) => /^\/_of\/el\/([a-z]+)\.\w+\.js$/.exec(source!)![1])
  expect(names.sort()).toEqual(['header', 'menu', 'slides'])
  for (const source of sources) {
    const script = await page.request.get(server.origin + source!)
    expect(script.headers()).toMatchObject({
      'content-type': 'text/javascript; charset=utf-8',
      'cache-control': expect.stringContaining('immutable'),
    })
  }
  expect((await page.request.get(`${server.origin}/_of/el/other.js`)).status()).toBe(404)
  const plain = (await page.goto(`${server.origin}/contact?kiosk`))!
  expect(plain.headers()['content-security-policy']).not.toContain('script-src')
  expect(await page.locator('script[src]').count()).toBe(0)
  expect(said).toEqual([])
})
