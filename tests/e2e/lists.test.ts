import { benchPage, known, expect, findings, saved, test } from './studio'

/** Lists that visitors narrow and leaf through, with script and without, and that a designer makes on the bench. */

test('a list is narrowed without a reload, told how many are left, and goes back with the browser', async ({
  page,
  server,
}) => {
  await page.goto(`${server.origin}/exhibits`)
  await page.evaluate(() => ((window as unknown as { stays: boolean }).stays = true))
  await page.getByRole('checkbox', { name: /^Tower Room/ }).check()
  await expect(page).toHaveURL(/\?room=tower-room$/)
  await expect(page.getByRole('status')).toHaveText('7 of 36 exhibits')
  await page.getByRole('checkbox', { name: /^Yes/ }).check()
  await expect(page).toHaveURL(/room=tower-room&strikes=yes$/)
  await expect(page.getByRole('checkbox', { name: /^Yes/ })).toBeFocused()
  await page.getByRole('spinbutton', { name: 'From' }).last().fill('200')
  await expect(page).toHaveURL(/height-from=200/)
  await expect(page.getByRole('link', { name: /^Height: 200/ })).toBeVisible()
  const left = await page.getByRole('status').innerText()
  expect(await findings(page)).toEqual([])
  await page.getByRole('link', { name: /^Height: 200/ }).click()
  await expect(page).toHaveURL(/\?room=tower-room&strikes=yes$/)
  await expect(page.getByRole('status')).not.toHaveText(left)
  await page.goBack()
  await expect(page.getByRole('status')).toHaveText(left)
  await page.getByRole('link', { name: /^Show all again/ }).click()
  await expect(page).toHaveURL(/\/exhibits$/)
  expect(await page.evaluate(() => (window as unknown as { stays?: boolean }).stays)).toBe(true)
})

test('without script the form sends what is chosen, and screens are links', async ({ browser, server }) => {
  const page = await (await browser.newContext({ javaScriptEnabled: false })).newPage()
  await page.goto(`${server.origin}/exhibits`)
  await page.getByRole('checkbox', { name: /^Long Gallery/ }).check()
  await page.getByLabel('Order').selectOption('Oldest first')
  await page.getByRole('button', { name: 'Show these' }).click()
  await expect(page).toHaveURL(/\/exhibits\?room=long-gallery&sort=made$/)
  await expect(page.getByRole('status')).toHaveText('12 of 36 exhibits')
  await page.getByRole('link', { name: /^Room: Long Gallery/ }).click()
  await expect(page.getByRole('status')).toHaveText('36 exhibits')
  await page.getByRole('navigation', { name: 'Pages' }).getByRole('link', { name: 'Next' }).click()
  await expect(page).toHaveURL(/\?sort=made&page=2$/)
  await expect(page.getByRole('navigation', { name: 'Pages' }).locator('[aria-current=page]')).toHaveText('2')
})

test('on a phone the form folds, and opens without script', async ({ browser, server }) => {
  const page = await (
    await browser.newContext({ javaScriptEnabled: false, viewport: { width: 390, height: 800 } })
  ).newPage()
  await page.goto(`${server.origin}/exhibits`)
  await expect(page.getByRole('checkbox', { name: /^Tower Room/ })).toBeHidden()
  await page.getByText('Narrow the list').click()
  await page.getByRole('checkbox', { name: /^Tower Room/ }).check()
  await page.getByRole('button', { name: 'Show these' }).click()
  await expect(page.getByRole('status')).toHaveText('7 of 36 exhibits')
})

test('on the bench a list is made to hold what its conditions say, and the form beside it follows', async ({
  page,
  server,
}) => {
  await known(page, server)
  await page.goto(`${server.origin}/studio/layouts/exhibit-shelves`)
  await page.getByRole('treeitem', { name: /^Entry list/ }).click()
  const sheet = page.getByRole('complementary', { name: 'Properties' })
  await sheet.getByRole('button', { name: 'Add a condition' }).click()
  await sheet.getByLabel('Field', { exact: true }).selectOption({ label: 'Room' })
  await sheet.getByLabel('For', { exact: true }).selectOption({ label: 'Tower Room' })
  await expect(benchPage(page).getByRole('status')).toHaveText('7 exhibits')
  await expect(benchPage(page).getByRole('checkbox', { name: /^Night Room/ })).toHaveCount(0)
  await sheet.getByRole('combobox', { name: 'Parted by' }).selectOption('First letter')
  await expect(benchPage(page).getByRole('heading', { level: 3, name: 'F', exact: true })).toBeVisible()
  // What goes with a choice is asked for where it is made.
  await expect(sheet.getByLabel('Which', { exact: true })).toBeHidden()
  await sheet.getByLabel('Stand', { exact: true }).selectOption('In a table')
  await expect(sheet.getByLabel('Columns', { exact: true })).toBeHidden()
  await expect(benchPage(page).locator('.of-listtable th').first()).toBeVisible()
  await saved(page)
  expect(await findings(page)).toEqual([])
  await page.keyboard.press('Escape')
  for (let i = 0; i < 3; i++) await page.keyboard.press('Control+z')
  await expect(benchPage(page).locator('.of-listtable')).toHaveCount(0)
})
