import { known, expect, findings, settled, signIn, test } from './studio'

/** A browser that shows its windows: one that does not is counted as a bot. */
const PERSON = 'Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0'

/** Lost addresses and redirects: seen, led on in one press, as CSV; the lost page; dead links in the checks. */

test('a lost address is charted, its page offered, and leads there after one press, which can be undone', async ({
  page,
  server,
  browser,
}) => {
  const outside = await (await browser.newContext({ userAgent: PERSON })).newPage()
  for (let i = 0; i < 3; i++) await outside.goto(`${server.origin}/exhibits/fenwik-turret-clok`)
  await expect(outside.getByRole('heading', { level: 1 })).toHaveText('This page has stopped')
  expect((await outside.goto(`${server.origin}/exhibits/fenwik-turret-clok`))!.status()).toBe(404)
  await outside.goto(`${server.origin}/search?q=postcards`)

  await signIn(page, server)
  await page.getByRole('link', { name: 'Visitors' }).click()
  await expect(
    page.getByRole('img', { name: '4 times in 30 days somebody asked for a page that is not there.' }),
  ).toBeVisible()
  await page.getByRole('button', { name: /fenwik-turret-clok/ }).click()
  const chosen = page.getByRole('complementary', { name: 'The chosen address' })
  await expect(chosen.getByText('Fenwick turret clock', { exact: true })).toBeVisible()
  await expect(chosen.getByText(/very likely, \d+ %/)).toBeVisible()
  expect(await findings(page)).toEqual([])
  await chosen.getByRole('button', { name: 'Lead it there' }).first().click()
  await expect(chosen.getByText('It leads somewhere by now.')).toBeVisible()
  await outside.goto(`${server.origin}/exhibits/fenwik-turret-clok`)
  await expect(outside).toHaveURL(/\/exhibits\/fenwick-turret-clock$/)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(chosen.getByRole('button', { name: 'Lead it there' }).first()).toBeVisible()
  await page.getByRole('link', { name: 'Searches' }).click()
  await expect(page.getByRole('link', { name: 'postcards' })).toBeVisible()
  await page.getByRole('button', { name: 'Seen to: postcards' }).click()
  await expect(page.getByText('Every search has found something so far.')).toBeVisible()
})

test('redirects come from CSV, all of them or none, and go out as CSV; loops are refused', async ({ page, server }) => {
  await known(page, server)
  await page.goto(`${server.origin}/studio/visitors/redirects`)
  await settled(page)
  const file = (text: string) => ({ name: 'r.csv', mimeType: 'text/csv', buffer: Buffer.from(text) })
  const field = page.getByLabel('CSV of redirects')
  await field.setInputFiles(file('from,to\n/old/visit,/visit\n/round,/round\n'))
  await expect(page.getByRole('alert')).toContainText('/round would lead to itself')
  await expect(page.getByText('/old/visit')).toBeHidden()
  await field.setInputFiles(file('a,b\n1,2\n'))
  await expect(page.getByRole('alert')).toContainText('no columns called from and to')
  await field.setInputFiles(file('from,to,below\n/old/visit,/visit,\n/archive,/exhibits,yes\n'))
  await expect(page.getByText('/archive')).toBeVisible()
  const coming = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Write as CSV' }).click()
  const text = await (await coming).createReadStream().then(async (stream) => {
    let said = ''
    for await (const chunk of stream) said += String(chunk)
    return said
  })
  expect(text.split(/\r?\n/)).toEqual(
    expect.arrayContaining(['from,to,below', '/old/visit,/visit,', '/archive,/exhibits,yes']),
  )
})

test('a notice that was closed stays away, without anything moving, until its words change', async ({
  server,
  browser,
}) => {
  const page = await (await browser.newContext()).newPage()
  await page.goto(`${server.origin}/visit`)
  const notice = page.getByRole('note')
  await expect(notice).toBeVisible()
  await notice.getByRole('button', { name: 'Close' }).click()
  await expect(notice).toBeHidden()
  await page.goto(`${server.origin}/talks`)
  await expect(notice).toBeHidden()
  const shift = await page.evaluate(
    () =>
      new Promise<number>((done) => {
        let sum = 0
        new PerformanceObserver((list) => {
          for (const entry of list.getEntries()) sum += (entry as unknown as { value: number }).value
        }).observe({ type: 'layout-shift', buffered: true })
        setTimeout(() => done(sum), 400)
      }),
  )
  expect(shift).toBeLessThan(0.02)
  await page.evaluate(() => localStorage.setItem('of-closed', '{"not":"a list"'))
  await page.goto(`${server.origin}/visit`)
  await expect(notice).toBeVisible()
})

test('slides are stepped by buttons and keys, and stand without script', async ({ server, browser }) => {
  const page = await (await browser.newContext({ reducedMotion: 'reduce' })).newPage()
  await page.goto(`${server.origin}/`)
  const show = page.getByRole('region', { name: 'The rooms' })
  const at = () => show.locator('ol').evaluate((e) => Math.round(e.scrollLeft / e.clientWidth))
  await show.getByRole('button', { name: 'Next' }).click()
  await expect.poll(at).toBe(1)
  await show.getByRole('button', { name: 'Previous' }).click()
  await expect.poll(at).toBe(0)
  const plain = await (await browser.newContext({ javaScriptEnabled: false })).newPage()
  await plain.goto(`${server.origin}/`)
  await expect(plain.getByRole('link', { name: 'Night Room' }).first()).toBeAttached()
  await expect(plain.getByRole('button', { name: 'Next' })).toBeHidden()
})

for (const width of [320, 390, 768, 1280, 2560])
  test(`at ${width} px nothing overflows, on any main kind of page`, async ({ server, browser }) => {
    const page = await (await browser.newContext({ viewport: { width, height: 800 } })).newPage()
    for (const path of [
      '/',
      '/visit',
      '/exhibits',
      '/exhibits/fenwick-turret-clock',
      '/exhibits/rolling-ball-clock',
      '/rooms/tower-room',
      '/stories',
      '/tickets',
      '/talks',
      '/search?q=clock',
      '/nowhere',
    ]) {
      await page.goto(server.origin + path)
      const [wide, most] = await page.evaluate(() => [document.documentElement.scrollWidth, innerWidth])
      expect([path, wide! <= most!]).toEqual([path, true])
    }
  })

test('on paper every word is black on nothing, also what is light on a dark ground on a screen', async ({
  page,
  server,
}) => {
  await page.emulateMedia({ media: 'print' })
  for (const path of ['/', '/visit', '/exhibits', '/basket']) {
    await page.goto(server.origin + path)
    const faint = await page.evaluate(() => {
      const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
      const found: string[] = []
      while (walker.nextNode()) {
        const element = walker.currentNode.parentElement!
        if (!walker.currentNode.textContent?.trim() || !element.checkVisibility()) continue
        const { color, backgroundColor } = getComputedStyle(element)
        if (color !== 'rgb(0, 0, 0)' || backgroundColor !== 'rgba(0, 0, 0, 0)')
          found.push(`${element.className}: ${color} on ${backgroundColor}`)
      }
      return found
    })
    expect([path, faint]).toEqual([path, []])
  }
})

test('what opens a menu is large enough for a finger', async ({ page, server }) => {
  await page.goto(server.origin)
  const sizes = await page.locator('summary:visible').evaluateAll((all) => all.map((s) => s.getBoundingClientRect()))
  expect(sizes.length).toBeGreaterThan(0)
  for (const { width, height } of sizes) expect(Math.min(width, height)).toBeGreaterThanOrEqual(24)
})
