import type { Page } from '@playwright/test'
import type { Site } from '#core/model'
import type { EntryAnswer } from '#shared/api/types'
import { Client } from '../api/client'
import { benchPage, known, expect, saved, settled, test } from './studio'

/** What a thing on the bench has from around it: the row that it stands in, the ground behind it, other windows. */

const body = (page: Page) => benchPage(page).locator('.of-body')
const item = (page: Page, name: string | RegExp) =>
  page.getByRole('treeitem', { name, exact: typeof name === 'string' })
const sheet = (page: Page) => page.getByRole('complementary', { name: 'Properties' })

test.beforeEach(async ({ page, server }) => {
  await known(page, server)
  await page.goto(`${server.origin}/studio/layouts/exhibit-page`)
  await settled(page)
  await expect(body(page).locator('h1')).toBeVisible()
})

test('a row gives looks to what stands in it, and each thing says that it has them from there', async ({ page }) => {
  await item(page, 'Heading: Title').first().click()
  await page.keyboard.press('ArrowLeft')
  await page.keyboard.press('ArrowLeft')
  await expect(sheet(page).getByRole('heading').first()).toHaveText(/^Row/)
  await sheet(page).getByRole('button', { name: 'Looks of what stands in it' }).click()
  await sheet(page).getByLabel('Whose looks are given').selectOption('heading')
  const spacing = page
    .getByRole('group', { name: 'Looks of what stands in it' })
    .getByLabel('Letter spacing', { exact: true })
  await spacing.fill('0.1')
  await spacing.press('Enter')
  const size = await body(page)
    .locator('h1')
    .evaluate((h) => Number.parseFloat(getComputedStyle(h).fontSize))
  await expect
    .poll(() =>
      body(page)
        .locator('h1')
        .evaluate((h) => Number.parseFloat(getComputedStyle(h).letterSpacing)),
    )
    .toBeCloseTo(size / 10, 1)
  await item(page, 'Heading: Title').first().click()
  await expect(
    sheet(page)
      .locator('div', { hasText: /^Letter spacing/ })
      .last(),
  ).toContainText('row')
  await page.keyboard.press('Control+z')
  await expect(body(page).locator('h1')).toHaveCSS('letter-spacing', 'normal')
  await saved(page)
})

test('a colour that cannot be read says so, and the palette mends it; opacity and what was chosen lately', async ({
  page,
}) => {
  const h1 = body(page).locator('h1')
  await item(page, 'Heading: Title').first().click()
  await sheet(page)
    .getByRole('button', { name: /^Colour:/ })
    .click()
  await page.getByLabel('Colour as a hex code').fill('eeeeee')
  await page.getByLabel('Colour as a hex code').press('Enter')
  await expect(h1).toHaveCSS('color', 'rgb(238, 238, 238)')
  // The checks tell it too, a moment later, where they are opened.
  await expect(page.getByRole('status').getByText('is hard to read')).toBeVisible()
  await page.getByRole('button', { name: /^Take .*, which can be read/ }).click()
  await expect(page.getByText('is hard to read')).toHaveCount(0)
  await page.getByLabel('Opacity of colour in percent').press('PageDown')
  // The colour of the palette, seen through: it follows the palette still.
  await expect(h1).toHaveCSS('color', /^color\(srgb .* 0\.9\)$/)
  await page.getByLabel('Colour as a hex code').fill('no colour')
  await page.getByLabel('Colour as a hex code').press('Enter')
  await expect(page.getByRole('alert').filter({ hasText: 'A colour is a hex code' })).toBeVisible()
  await page.getByRole('button', { name: '#eeeeee' }).click()
  await expect(h1).toHaveCSS('color', 'rgb(238, 238, 238)')
  await saved(page)
})

test('what another window makes of the content and of the shelf is there without asking', async ({ page, server }) => {
  const shown = await page.getByRole('combobox', { name: 'Shown with' }).inputValue()
  const other = await new Client(server).open()
  await other.signIn('orla')
  const { site } = (await other.call('GET', '/site')).body as unknown as { site: Site }
  const { id } = site.entries.find((e) => e.title === shown)!
  const { entry, revision } = (await other.call('GET', `/entries/${id}`)).body as unknown as EntryAnswer
  const stored = await other.call('PUT', `/entries/${id}`, { entry: { ...entry, title: 'Told elsewhere' }, revision })
  const made = await other.call('POST', '/layouts', { id: 'elsewhere', name: 'A card from elsewhere', region: 'card' })
  expect([stored.status, made.status]).toEqual([200, 200])
  await expect(body(page).locator('h1')).toHaveText('Told elsewhere')
  await page.keyboard.press('Control+k')
  await page.getByRole('combobox', { name: /find/i }).fill('card from elsewhere')
  await expect(page.getByRole('option', { name: /A card from elsewhere/ })).toBeVisible()
  expect(server.said()).not.toContain('"level":"error"')
})
