import type { Page } from '@playwright/test'
import { benchPage, known, expect, saved, test } from './studio'

/** Words written on the page itself. */

test.beforeEach(async ({ page, server }) => {
  await known(page, server)
  await page.goto(`${server.origin}/studio/layouts/house-footer`)
  await expect(benchPage(page).locator('footer [data-node]').first()).toBeVisible()
})

const firstRow = (page: Page) => benchPage(page).locator('footer .of-row').first()
const addText = async (page: Page, name: string) => {
  await page.getByRole('treeitem').first().click()
  await page.keyboard.press('a')
  await page.getByRole('combobox', { name: 'Add what' }).fill(name)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('treeitem', { selected: true })).toBeFocused()
}

test('a heading is written where it stands, and kept as it is typed', async ({ page }) => {
  await addText(page, 'Heading')
  const heading = firstRow(page).locator('h2')
  await page.keyboard.press('Enter')
  await expect(heading).toHaveAttribute('contenteditable', 'plaintext-only')
  await page.keyboard.type('Winding <days>')
  await expect(page.getByRole('treeitem', { name: 'Heading: Winding <days>' })).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(heading).not.toHaveAttribute('contenteditable')
  await expect(heading).toHaveText('Winding <days>')
  // Letters act again on what is in hand, and undo takes the run back in one step.
  await page.keyboard.press('Control+z')
  await expect(heading).toHaveText('Heading')
  await saved(page)
})

test('running text takes emphasis, a list, a page by a few letters, and a field with its value beside its name', async ({
  page,
  server,
}) => {
  await page.goto(`${server.origin}/studio/layouts/exhibit-page`)
  await page.getByRole('treeitem', { name: 'Heading: Title' }).first().click()
  await page.keyboard.press('a')
  await page.getByRole('combobox', { name: 'Add what' }).fill('Text')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('treeitem', { selected: true })).toBeFocused()
  await page.keyboard.press('Enter')
  const text = benchPage(page).locator('.of-body [data-written]')
  await expect(text).toBeFocused()
  await page.keyboard.press('Control+a')
  await page.keyboard.type('Come and ')
  await page.keyboard.press('Control+b')
  await page.keyboard.type('listen')
  await page.keyboard.press('Control+b')
  const tools = page.getByTestId('words')
  await tools.getByRole('button', { name: 'Put a field into the text' }).click()
  await page.getByRole('combobox', { name: 'Put a field into the text' }).fill('maker')
  await page
    .getByRole('option', { name: /^Maker/ })
    .first()
    .click()
  await expect(text.locator('.chip-field')).toHaveText('Amos Thirkell')
  await expect(text.locator('.chip-field')).toHaveAttribute('data-name', 'Maker')
  await page.keyboard.type(' today')
  await page.keyboard.press('Control+a')
  await tools.getByRole('button', { name: 'link', exact: true }).click()
  await tools.getByRole('combobox', { name: 'Address of the link' }).fill('opening')
  await page.getByRole('option', { name: /Opening hours/ }).click()
  await expect(text.locator('a').first()).toHaveAttribute('data-page', /./)
  await tools.getByRole('button', { name: 'List', exact: true }).click()
  await expect(text.locator('li')).toHaveCount(1)
  await page.keyboard.press('Escape')
  const drawn = benchPage(page).locator('.of-body .of-rich[data-words]').first()
  await expect(drawn).not.toHaveAttribute('data-written')
  await expect(drawn.locator('li strong')).toHaveText('listen')
  await expect(drawn.locator('a').first()).toHaveAttribute('href', /opening/)
  await expect(drawn).toContainText('Amos Thirkell today')
  await saved(page)
})

test('a reload in mid-word loses nothing, and so much pasted that no text holds it changes nothing', async ({
  page,
  context,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write'])
  await addText(page, 'Text')
  await page.keyboard.press('Enter')
  await page.keyboard.type(' Half a wo')
  await page.evaluate(() => navigator.clipboard.writeText('x'.repeat(1_000_000)))
  await page.keyboard.press('Control+v')
  await expect(page.getByText(/has 1,000,000 characters; at most 100,000/)).toBeVisible()
  await page.reload()
  await expect(firstRow(page).locator('.of-rich').last()).toContainText('Half a wo')
  await expect(firstRow(page).locator('.of-rich').last()).not.toContainText('xxx')
})

test('a double click edits a label; a button left open shows here and not to visitors', async ({ page, server }) => {
  await addText(page, 'Button')
  const button = benchPage(page).locator('footer .of-btn').last()
  await button.dblclick()
  await expect(button).toHaveAttribute('contenteditable', 'plaintext-only')
  await page.keyboard.type('Soon')
  await page.keyboard.press('Escape')
  const link = page.getByRole('combobox', { name: 'Leads to' })
  await link.fill('')
  await page.getByRole('option', { name: 'nothing' }).click()
  await expect(button).toHaveText('Soon')
  await saved(page)
  await page.goto(`${server.origin}/studio/checks`)
  await expect(page.getByText(/“Soon” in .* leads nowhere yet/)).toBeVisible()
})
