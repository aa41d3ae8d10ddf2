import type { Page } from '@playwright/test'
import { benchPage, known, expect, findings, release, saved, signIn, test, visitor } from './studio'

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
  await known(page, server)
  await page.goto(`${server.origin}/studio/layouts/exhibit-page`)
  await changeTitle(page, '71')
  await page.getByRole('button', { name: 'Release…' }).click()
  await expect(page.getByRole('dialog')).toContainText(
    'and what follows or shows it, where that says nothing else: Turret exhibit',
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
  await page.getByRole('button', { name: 'Undo release 2…' }).click()
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Undo release/ })
    .click()
  await expect(page.getByText(/^Release 2 is undone/)).toBeVisible()
  await seen.reload()
  await expect(seen.locator('.of-body h1')).not.toHaveCSS('font-size', '71px')
  await expect(page.getByText('Exhibit page', { exact: true }).first()).toBeVisible()
  await page.getByRole('link', { name: 'Compare with the one before' }).last().click()
  await expect(page.getByText(/^30 pages of \d+ look different\.$/)).toBeVisible()
  await page.setViewportSize({ width: 390, height: 844 })
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
})

test(
  'some of what waits is released, now and at a moment; afterwards pages stand ready to be looked at',
  { tag: '@alone' },
  async ({ page, server }) => {
    await signIn(page, server)
    for (const id of ['talk-page', 'story-page']) {
      await page.goto(`${server.origin}/studio/layouts/${id}`)
      await page.getByLabel('Is for').fill(`Changed: ${id}`)
      await page.getByLabel('Is for').press('Enter')
      await expect(page.locator('footer').getByText('Saved', { exact: true })).toBeVisible()
    }
    await page.getByRole('button', { name: 'Release…' }).click()
    const dialog = page.getByRole('dialog')
    await dialog.getByLabel('Release Story page').uncheck()
    await expect(dialog).toContainText('1 change will wait on')
    await dialog.getByRole('button', { name: 'Release 1 change' }).click()
    await expect(dialog.getByRole('list', { name: 'Pages to look at' })).toContainText('Talk page')
    await expect(dialog.getByRole('list', { name: 'Pages to look at' })).toContainText('A lost address')
    expect(await findings(page)).toEqual([])
    await dialog.getByRole('button', { name: 'Done' }).click()

    await page.getByRole('button', { name: 'Release…' }).click()
    await dialog.getByRole('radio', { name: 'at a moment' }).check()
    await dialog.getByLabel('Released', { exact: true }).fill('2031-05-01T08:00')
    await dialog.getByRole('button', { name: 'Set 1 change' }).click()
    await expect(page.getByText(/^Set for/)).toBeVisible()
    await page.goto(`${server.origin}/studio/releases`)
    const plans = page.getByRole('region', { name: 'Set for a moment' })
    await expect(plans).toContainText('2031')
    await plans.getByRole('button', { name: 'Do not release' }).click()
    await expect(plans).toHaveCount(0)
  },
)

test('the draft is walked on a phone by an address that ends', async ({ page, server, browser }) => {
  await known(page, server)
  await page.goto(`${server.origin}/studio/layouts/house-header`)
  await page
    .getByRole('treeitem', { name: /^Notice/ })
    .first()
    .click()
  await page.keyboard.press('x')
  await expect(page.locator('footer').getByText('Saved', { exact: true })).toBeVisible()
  await page.goto(`${server.origin}/studio/releases`)
  await page.getByRole('button', { name: 'Make an address' }).click()
  const address = await page.getByRole('status').getByText('/_of/draft/').innerText()
  const phone = await (await browser.newContext({ viewport: { width: 390, height: 780 } })).newPage()
  await phone.goto(address)
  await expect(phone.getByText('This is the draft as it stands now')).toBeVisible()
  await phone.goto(`${server.origin}/visit`)
  await expect(phone.getByText('every clock is wound at noon')).toHaveCount(0)
  await page.getByRole('list', { name: 'Addresses of the draft' }).getByRole('button', { name: 'End it' }).click()
  await expect(page.getByRole('list', { name: 'Addresses of the draft' })).toHaveCount(0)
  await phone.goto(`${server.origin}/visit`)
  await expect(phone.getByText('every clock is wound at noon')).toBeVisible()
})
