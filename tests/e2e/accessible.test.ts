import { expect, findings, signIn, test } from './studio'

test('published pages have no serious finding', async ({ page, server }) => {
  for (const address of [
    '/',
    '/exhibits/fenwick-turret-clock',
    '/exhibits/the-night-regulator',
    '/rooms/tower-room',
    '/search?q=clock',
    '/lost',
  ]) {
    await page.goto(server.origin + address)
    expect({ address, found: await findings(page) }).toEqual({ address, found: [] })
  }
})

test('the studio has none, on any of its screens', async ({ page, server }) => {
  // Every screen is gone through by the rules of axe, which takes its time.
  test.slow()
  await page.goto(`${server.origin}/studio/sign-in`)
  await expect(page.locator('form').getByRole('button', { name: 'Sign in' })).toBeVisible()
  expect(await findings(page)).toEqual([])
  await signIn(page, server)
  await page.getByRole('button', { name: 'Exhibits', exact: true }).click()
  expect(await findings(page)).toEqual([])
  await page
    .getByRole('button', { name: /^Exhibits in Tower Room, except/ })
    .first()
    .click()
  await expect(page.getByRole('region', { name: 'Impact of this edit' })).toBeVisible()
  expect(await findings(page)).toEqual([])
  await page.goto(`${server.origin}/studio/layouts`)
  await expect(page.getByRole('heading', { name: 'House header' })).toBeVisible()
  expect(await findings(page)).toEqual([])
  await page.goto(`${server.origin}/studio/layouts/exhibit-page`)
  await page.getByRole('treeitem', { name: 'Heading: Title', exact: true }).click()
  expect(await findings(page)).toEqual([])
  await page.keyboard.press('a')
  await expect(page.getByRole('combobox', { name: 'Add what' })).toBeFocused()
  expect(await findings(page)).toEqual([])
  await page.goto(`${server.origin}/studio/releases`)
  await expect(page.getByText('Release 1: The museum opens')).toBeVisible()
  expect(await findings(page)).toEqual([])
  await page.goto(`${server.origin}/studio/content/entries`)
  await expect(page.getByRole('link', { name: /Fenwick turret clock/ })).toBeVisible()
  expect(await findings(page)).toEqual([])
  await page.goto(`${server.origin}/studio/content/entries/fenwick-turret-clock`)
  await expect(page.getByRole('textbox', { name: 'Content' })).toBeVisible()
  expect(await findings(page)).toEqual([])
  await page.goto(`${server.origin}/studio?frame=talks`)
  await page.getByLabel('Header', { exact: true }).selectOption('use:tower-header')
  await page.getByRole('button', { name: 'Add a circumstance' }).click()
  await page.getByRole('button', { name: 'Name, rank, writers' }).click()
  expect(await findings(page)).toEqual([])
  await page.getByRole('button', { name: 'Before and after' }).click()
  await expect(page.getByRole('option').first()).toBeVisible()
  expect(await findings(page)).toEqual([])
  await page.getByRole('button', { name: 'Back to the edit' }).click()
  await page.getByLabel('Header', { exact: true }).selectOption({ label: 'no say' })
  await page.getByLabel('Body', { exact: true }).selectOption({ label: 'no say' })
  await page.getByRole('button', { name: 'Keep' }).click()
  await expect(page.getByRole('region', { name: 'Impact of this edit' })).toBeHidden()
  await page.goto(`${server.origin}/studio/checks`)
  await expect(page.getByRole('heading', { name: 'Frames that decide nothing' })).toBeVisible()
  expect(await findings(page)).toEqual([])
})
