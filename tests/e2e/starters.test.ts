import type { Page } from '@playwright/test'
import { benchPage, known, expect, findings, saved, test } from './studio'

/** Beginning from something ready-made: a layout for a region, one of one's own, and a whole site. */

const plan = (page: Page) => page.getByRole('tree', { name: 'Rows, columns and elements' })
const dialog = (page: Page) => page.getByRole('dialog')

test('a starter is seen with what this site has, its fields are matched and chosen otherwise, and it is a layout like any', async ({
  page,
  server,
}) => {
  await known(page, server)
  await page.goto(`${server.origin}/studio/layouts`)
  await page.getByRole('button', { name: 'New layout' }).click()
  await page.getByRole('radio', { name: /^Body/ }).check()
  await page.getByLabel('For entries of').selectOption({ label: 'Talks' })
  await dialog(page)
    .getByRole('button', { name: /^On a day/ })
    .click()
  await expect(page.getByLabel('Name')).toHaveValue('On a day')
  await expect(page.getByLabel('When it is')).toHaveValue('starts')
  await expect(page.getByLabel('What it costs')).toHaveValue('price')
  await page.getByLabel('What it costs').selectOption('')
  expect(await findings(page)).toEqual([])
  await page.getByRole('button', { name: 'Make it' }).click()
  await expect(plan(page)).toBeVisible()
  await expect(plan(page).getByText('Days to a date: Starts at')).toBeVisible()
  await expect(plan(page).getByText('Price')).toHaveCount(0)
  await expect(benchPage(page).locator('.of-body')).toContainText('Take part')
  await saved(page)
  // What was begun from is taken back as one step.
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('treeitem')).toHaveCount(0)
})

test('what only members have is seen as a member sees it, greeted by name', async ({ page, server }) => {
  await known(page, server)
  await page.goto(`${server.origin}/studio/layouts`)
  await page.getByRole('button', { name: 'New layout' }).click()
  await page.getByRole('radio', { name: /^Body/ }).check()
  const tile = dialog(page).getByRole('button', { name: /^Account alone/ })
  await tile.scrollIntoViewIfNeeded()
  await expect(tile.frameLocator('iframe').getByText('You are signed in as Ada Finch.')).toBeAttached()
  await tile.click()
  await page.getByRole('button', { name: 'Make it' }).click()
  await expect(benchPage(page).getByText('You are signed in as Ada Finch.')).toBeVisible()
})

test(
  'a layout is kept as a starter: offered where one begins, used by no frame, and part of no release',
  { tag: '@alone' },
  async ({ page, server }) => {
    await known(page, server)
    await page.goto(`${server.origin}/studio/layouts`)
    await page.getByRole('button', { name: 'More about Slim footer' }).click()
    await page.getByRole('menuitem', { name: 'Keep as a starter' }).click()
    await expect(page.getByRole('heading', { name: 'Starters of your own' })).toBeVisible()
    await expect(page.getByText('Nothing waits for release')).toBeVisible()
    await page.getByRole('button', { name: 'New layout' }).click()
    await page.getByRole('radio', { name: /^Footer/ }).check()
    await dialog(page)
      .getByRole('button', { name: /^Slim footer/ })
      .click()
    await page.getByLabel('Name').fill('Begun from mine')
    await page.getByRole('button', { name: 'Make it' }).click()
    await expect(plan(page)).toBeVisible()
    await expect(page.getByText('Begun from mine').first()).toBeVisible()
  },
)
