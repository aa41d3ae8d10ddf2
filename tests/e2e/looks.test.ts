import { benchPage, expect, findings, keep, known, saved, test } from './studio'

/** What a panel, a dialog, a notice and a toggle look like where there is little room. */

test.beforeEach(async ({ page, server }) => known(page, server))

test('a panel of the sheet stays in the window, wherever in the sheet it is opened', async ({ page, server }) => {
  await page.setViewportSize({ width: 1280, height: 620 })
  await page.goto(`${server.origin}/studio/layouts/exhibit-page`)
  await page.getByRole('treeitem', { name: 'Heading: Title', exact: true }).click()
  for (const name of [/^Colour: house/, /^Edge colour: house/, /^Link colour: house/]) {
    await page.getByRole('button', { name }).click()
    const hex = page.getByLabel(/as a hex code$/)
    await expect(hex).toBeInViewport()
    const box = (await hex.locator('..').locator('..').boundingBox())!
    expect(box.x).toBeGreaterThanOrEqual(0)
    expect(box.x + box.width).toBeLessThanOrEqual(1280)
    expect(box.y + box.height).toBeLessThanOrEqual(620)
    await page.keyboard.press('Escape')
  }
})

test('the buttons of a long dialog stand in the window', async ({ page, server }) => {
  await page.setViewportSize({ width: 1100, height: 480 })
  await page.goto(`${server.origin}/studio/releases`)
  await page.getByRole('button', { name: 'Bring back release 1' }).click()
  await expect(page.getByRole('button', { name: 'Leave the draft' })).toBeInViewport()
  await expect(page.getByRole('button', { name: 'Bring back House header' })).toBeVisible()
})

test('the same is not said twice at once, and a notice names its frame', async ({ page, server }) => {
  for (const footer of ['slim-footer', 'house-footer', 'slim-footer']) {
    await page.goto(`${server.origin}/studio`)
    await page
      .getByRole('button', { name: /^Talks/ })
      .first()
      .click()
    await page.getByLabel('Footer', { exact: true }).selectOption(`use:${footer}`)
    await keep(page)
    await expect(page.getByText('The frame “Talks” is changed in the draft.')).toHaveCount(1)
  }
  // Without leaving the Map in between, too.
  const ladder = page.getByRole('complementary', { name: 'Ladder of frames' })
  for (const footer of ['house-footer', 'slim-footer']) {
    await ladder
      .getByRole('button', { name: /^Talks/ })
      .first()
      .click()
    await page.getByLabel('Footer', { exact: true }).selectOption(`use:${footer}`)
    await keep(page)
  }
  await expect(page.getByText('The frame “Talks” is changed in the draft.')).toHaveCount(1)
})

test('only frames that order alone tells apart can be dragged; a toggle that is pressed says so', async ({
  page,
  server,
}) => {
  await page.goto(`${server.origin}/studio`)
  const row = (id: string) => page.locator(`[draggable]:has(> [data-frame="${id}"])`)
  await expect(row('talks')).toHaveAttribute('draggable', 'true')
  await expect(row('site')).toHaveAttribute('draggable', 'false')
  await page.goto(`${server.origin}/studio/layouts/exhibit-page`)
  const longest = page.getByRole('button', { name: 'Longest title' })
  await expect(longest).toHaveAttribute('aria-pressed', 'false')
  await longest.click()
  await expect(longest).toHaveAttribute('aria-pressed', 'true')
})

test('looks are kept by a name, given to another of the kind, followed there, and copied by groups', async ({
  page,
  server,
}) => {
  await page.goto(`${server.origin}/studio/layouts/talk-page`)
  const sheet = page.getByRole('complementary', { name: 'Properties' })
  await page
    .getByRole('treeitem', { name: /^List with icons/ })
    .first()
    .click()
  const size = sheet.getByLabel('Size', { exact: true })
  await size.fill('23')
  await size.press('Enter')
  await sheet.getByRole('button', { name: 'Keep as a named look…' }).click()
  await sheet.getByLabel('Name of the look').fill('Large lines')
  await sheet.getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(sheet.getByLabel('Named look')).toHaveValue(/.+/)
  // It looks as before, and the look is where that comes from.
  const lines = benchPage(page)
    .locator('.of-body [data-node]')
    .filter({ hasText: /With [A-Z]/ })
    .last()
  await expect(lines).toHaveCSS('font-size', '23px')
  const here = sheet.getByRole('button', { name: 'Size is set here. Give it back' })
  await expect(here).toHaveCount(0)
  expect(await findings(page)).toEqual([])
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(here).toHaveCount(1)
  await page.getByRole('button', { name: 'Redo' }).click()
  await saved(page)

  // Changed in the house, it is another wherever it is followed.
  await page.goto(`${server.origin}/studio/house`)
  await page.getByRole('button', { name: /^Large lines/ }).click()
  await expect(page.getByText('1 layout').first()).toBeVisible()
  await page.getByLabel('Size', { exact: true }).fill('31')
  await Promise.all([
    page.waitForResponse('**/api/house/edits'),
    page.getByLabel('Size', { exact: true }).press('Enter'),
  ])
  await page.goto(`${server.origin}/studio/layouts/talk-page`)
  await expect(lines).toHaveCSS('font-size', '31px')
})
