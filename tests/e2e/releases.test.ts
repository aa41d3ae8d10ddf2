import type { Page } from '@playwright/test'
import { benchPage, expect, findings, release, saved, signIn, test, visitor } from './studio'

/** Releases compared page by page, and the last one taken back. */

const changeTitle = async (page: Page, px: string) => {
  await page
    .getByRole('treeitem', { name: /^Heading: Title/ })
    .first()
    .click()
  const field = page.getByRole('complementary', { name: 'Properties' }).getByLabel('Size', { exact: true })
  await field.fill(px)
  await field.press('Enter')
  await expect(benchPage(page).locator('.of-body h1')).toHaveCSS('font-size', `${px}px`)
  await saved(page)
}

test('what waits is seen page by page, released, compared with the one before, and taken back by one press', async ({
  page,
  server,
  browser,
}) => {
  await signIn(page, server)
  await page.goto(`${server.origin}/studio/layouts/exhibit-page`)
  await changeTitle(page, '71')
  await page.getByRole('button', { name: 'Release…' }).click()
  await expect(page.getByRole('dialog')).toContainText(
    'and what follows it, where that says nothing else: Turret exhibit',
  )
  await page.getByRole('link', { name: /^See every page that changes/ }).click()
  await expect(page.getByText(/^30 pages of \d+ look different\.$/)).toBeVisible()
  await expect(page.getByText('Differs in body')).toBeVisible()
  const after = page.frameLocator('iframe[title^="The draft: "]')
  await expect(after.locator('.of-body h1')).toHaveCSS('font-size', '71px')
  await expect(page.frameLocator('iframe[title^="Release 1: "]').locator('.of-body h1')).not.toHaveCSS(
    'font-size',
    '71px',
  )
  expect(await findings(page)).toEqual([])
  await page.getByRole('listbox', { name: 'Pages that differ' }).focus()
  await page.keyboard.press('ArrowDown')
  await expect(page.getByRole('listbox').getByRole('option', { selected: true })).toHaveText(/./)
  await page.getByRole('button', { name: 'Swap' }).click()
  await expect(page.getByLabel('Before')).toHaveValue('draft')
  await page.getByLabel('Before').selectOption('1')
  await expect(page.getByText('Every page looks the same.')).toBeVisible()

  await release(page)
  const seen = await visitor(browser)
  await seen.goto(`${server.origin}/exhibits/the-night-regulator`)
  await expect(seen.locator('.of-body h1')).toHaveCSS('font-size', '71px')
  await page.goto(`${server.origin}/studio/releases`)
  await expect(page.getByText('1 change, 30 pages')).toBeVisible()
  await page.getByRole('button', { name: 'Take it back' }).click()
  await expect(page.getByText(/^Release 2 is taken back/)).toBeVisible()
  await seen.reload()
  await expect(seen.locator('.of-body h1')).not.toHaveCSS('font-size', '71px')
  await expect(page.getByText('Exhibit page', { exact: true }).first()).toBeVisible()
  await page.getByRole('link', { name: 'Compare with the one before' }).last().click()
  await expect(page.getByText(/^30 pages of \d+ look different\.$/)).toBeVisible()
  await page.setViewportSize({ width: 390, height: 844 })
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
})
