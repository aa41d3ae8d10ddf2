import { expect, findings, test } from './studio'

/** What visitors look at and look for: pictures large, words found, days of a month. With script and without. */

const CLOCK = '/exhibits/walnut-longcase-with-tide-dial'

test('a picture is shown large, stepped by keys, closed by Esc, and the focus comes back', async ({ page, server }) => {
  await page.goto(server.origin + CLOCK)
  const links = page.locator('a[data-large]')
  await expect(links).toHaveCount(5)
  await links.nth(1).click()
  const large = page.getByRole('dialog', { name: 'Pictures' })
  await expect(large.getByText('2 / 5')).toBeVisible()
  expect(await findings(page)).toEqual([])
  await page.keyboard.press('ArrowRight')
  await expect(large.getByText('3 / 5')).toBeVisible()
  await large.getByRole('button', { name: 'Previous' }).click()
  await expect(large.getByText('2 / 5')).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(large).toBeHidden()
  await expect(links.nth(1)).toBeFocused()
  expect(await findings(page)).toEqual([])
})

test('words are marked in their sentence, what was met instead is said, and titles are offered while one types', async ({
  page,
  server,
}) => {
  await page.goto(`${server.origin}/search?q=fenwik+turret`)
  await expect(page.getByText('Shown is what has “fenwick turret”')).toBeVisible()
  await expect(page.locator('mark').first()).toHaveText('Fenwick')
  await page.goto(`${server.origin}/search?q=pendulum`)
  await expect(page.locator('li p mark').first()).toHaveText('pendulum')
  await page.getByRole('checkbox', { name: /^Night Room/ }).check()
  await expect(page).toHaveURL(/room=night-room/)
  await expect(page.getByRole('status')).toContainText('of 10')
  expect(await findings(page)).toEqual([])
  const field = page.getByLabel('Search this site')
  await field.fill('')
  await field.pressSequentially('night reg')
  await expect(page.locator('datalist option')).toHaveCount(1)
  // As the browser tells that one of what it offers was chosen.
  await field.evaluate((input: HTMLInputElement) => {
    input.value = 'The Night Regulator'
    input.dispatchEvent(new Event('input'))
  })
  await expect(page).toHaveURL(/the-night-regulator/)
})

test('nothing found leads somewhere, on the search page and where no page is', async ({ page, server }) => {
  await page.goto(`${server.origin}/search?q=fenwick+zzzzzz`)
  await expect(page.getByText('Nothing has all of these words.')).toBeVisible()
  await expect(page.getByRole('heading', { name: 'Perhaps you meant' })).toBeVisible()
  await expect(page.getByRole('heading', { name: 'Lately written' })).toBeVisible()
  await expect(page.getByRole('link', { name: 'Fenwick turret clock' })).toBeVisible()
  const lost = await page.goto(`${server.origin}/old/fenwik-turret.html`)
  expect(lost!.status()).toBe(404)
  await expect(page.getByRole('link', { name: 'Fenwick turret clock' })).toBeVisible()
  expect(await findings(page)).toEqual([])
})

test('a calendar goes from month to month by its addresses', async ({ page, server }) => {
  await page.goto(`${server.origin}/talks?month=2027-02`)
  await expect(page.getByRole('heading', { name: 'February 2027' })).toBeVisible()
  await page.getByRole('link', { name: /^Later/ }).click()
  await expect(page).toHaveURL(/month=2027-03/)
  await expect(page.getByRole('table', { name: 'March 2027' }).getByRole('link')).toHaveCount(2)
  expect(await findings(page)).toEqual([])
  await page.setViewportSize({ width: 390, height: 800 })
  await expect(page.getByRole('table', { name: 'March 2027' }).getByRole('link')).toHaveCount(2)
  expect(await page.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true)
})

test('favourites are marked, counted, listed and taken off, and stay in the browser', async ({ page, server }) => {
  await page.goto(server.origin + CLOCK)
  const mark = page.getByRole('button', { name: 'Put it on my list' })
  await mark.click()
  await expect(page.getByRole('button', { name: 'On my list' })).toHaveAttribute('aria-pressed', 'true')
  await page.goto(`${server.origin}/exhibits`)
  await expect(page.getByRole('link', { name: /^My list\s*1$/ })).toBeVisible()
  await page.getByRole('link', { name: /^My list/ }).click()
  await expect(page.getByRole('link', { name: 'Walnut longcase with tide dial' })).toBeVisible()
  await expect(page.getByRole('status')).toContainText('1 on it')
  expect(await findings(page)).toEqual([])
  await page.goto(server.origin + CLOCK)
  await page.getByRole('button', { name: 'On my list' }).click()
  await expect(mark).toBeVisible()
  await page.goto(`${server.origin}/visit`)
  await expect(page.getByText('Exhibits that you put on your list stand here.', { exact: false })).toBeVisible()
})

test.describe('without script', () => {
  test.use({ javaScriptEnabled: false })
  test('a picture leads to its file, and a search is a form', async ({ page, server }) => {
    await page.goto(server.origin + CLOCK)
    await page.locator('a[data-large]').nth(2).click()
    await expect(page).toHaveURL(/\/pictures\/.*\.svg$/)
    await page.goto(`${server.origin}/search`)
    await page.getByLabel('Search this site').fill('pendulum')
    await page.getByRole('button', { name: 'Search', exact: true }).click()
    await expect(page.locator('mark').first()).toBeVisible()
  })
})
