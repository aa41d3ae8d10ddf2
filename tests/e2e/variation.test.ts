import type { Page } from '@playwright/test'
import { add, benchPage, expect, findings, known, saved, test } from './studio'

/** A layout that follows another: what is its own is told, what is not follows, and nothing is lost between two windows. */

const plan = (page: Page) => page.getByRole('tree', { name: 'Rows, columns and elements' })
const item = (page: Page, name: RegExp | string) => page.getByRole('treeitem', { name }).first()
const sheet = (page: Page) => page.getByRole('complementary', { name: 'Properties' })
const own = (page: Page) => page.getByRole('complementary', { name: 'Own changes' })
const h1 = (page: Page) => benchPage(page).locator('.of-body h1')

async function open(page: Page, origin: string, id: string): Promise<void> {
  await page.goto(`${origin}/studio/layouts/${id}`)
  await expect(plan(page)).toBeVisible()
}

async function newVariation(page: Page, origin: string, of: string): Promise<string> {
  await page.goto(`${origin}/studio/layouts`)
  await page.getByRole('button', { name: `More about ${of}`, exact: true }).click()
  await page.getByRole('menuitem', { name: 'New variation' }).click()
  await expect(plan(page)).toBeVisible()
  return page.url().split('/').at(-1)!
}

async function size(page: Page, px: string): Promise<void> {
  await item(page, /^Heading: Title/).click()
  const field = sheet(page).getByLabel('Size', { exact: true })
  await field.fill(px)
  await field.press('Enter')
}

test.beforeEach(async ({ page, server }) => {
  await known(page, server)
})

test('a variation shows its base; what is its own is marked, told beside the base’s, and follows again by one press', async ({
  page,
  server,
}) => {
  await newVariation(page, server.origin, 'Exhibit page')
  await item(page, /^Heading: Title/).click()
  await expect(page.getByTestId('follows')).toContainText('Follows Exhibit page')
  await expect(page.getByTestId('follows')).toContainText(/2 other layouts with \d+ pages/)
  await size(page, '61')
  await expect(h1(page)).toHaveCSS('font-size', '61px')
  await expect(item(page, /^Heading: Title/)).toContainText('≠')
  await expect(sheet(page).getByText('Exhibit page: nothing')).toBeVisible()
  await saved(page)

  // Something added, something moved, and something taken out.
  await page.keyboard.press('Escape')
  await item(page, /^Summary/).click()
  await add(page, 'divider')
  await expect(item(page, /^Divider/)).toContainText('+')
  await item(page, /^Text: Made/).click()
  await page.keyboard.press('Alt+ArrowUp')
  await expect(item(page, /^Text: Made/)).toContainText('↕')
  await expect(item(page, /^Heading: Title/)).toContainText('≠')
  await item(page, /^Film/).click()
  await page.keyboard.press('x')
  await saved(page)
  await page.reload()
  await expect(plan(page)).toBeVisible()
  await page.getByRole('button', { name: '4 own', exact: true }).click()
  await expect(own(page).getByRole('listitem')).toHaveCount(4)
  for (const words of ['Divider added', 'Text moved', 'Film taken out', 'Size of Heading'])
    await expect(own(page).getByText(words, { exact: true })).toBeVisible()
  expect(await findings(page)).toEqual([])

  // Each is dropped by itself, and undo brings it back.
  await own(page).getByRole('button', { name: 'Drop: Film taken out' }).click()
  await expect(item(page, /^Film/)).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(page.getByRole('treeitem', { name: /^Film/ })).toHaveCount(0)
  await own(page).getByRole('button', { name: 'Close' }).click()
  await item(page, /^Heading: Title/).click()
  await sheet(page).getByRole('button', { name: 'Size follows Exhibit page again' }).click()
  await expect(h1(page)).not.toHaveCSS('font-size', '61px')
  await expect(page.getByTestId('follows')).toContainText('Follows Exhibit page')
  await saved(page)
})

test('two windows, one on the base and one on the variation: what follows changes at once, what is its own stays', async ({
  page,
  server,
  context,
}) => {
  const id = await newVariation(page, server.origin, 'Exhibit page')
  await size(page, '61')
  await saved(page)
  const other = await context.newPage()
  await open(other, server.origin, 'exhibit-page')
  await size(other, '33')
  await item(other, /^Summary/).click()
  await add(other, 'divider')
  await saved(other)
  await expect(item(page, /^Divider/)).toBeVisible()
  await expect(h1(page)).toHaveCSS('font-size', '61px')

  // What the base takes away waits here, is told, and holds again when it is back.
  await item(other, /^Heading: Title/).click()
  await other.keyboard.press('x')
  await saved(other)
  await expect(page.getByRole('treeitem', { name: /^Heading: Title/ })).toHaveCount(0)
  await page.getByRole('button', { name: '1 own', exact: true }).click()
  await expect(own(page).getByText('1 own change waiting')).toBeVisible()
  await item(page, /^Summary/).click()
  await own(page).getByRole('button', { name: 'Point it at what is in hand' }).click()
  await expect(own(page).getByText('Size of Field', { exact: true })).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(own(page).getByText('1 own change waiting')).toBeVisible()
  await page.getByRole('link', { name: 'Checks' }).click()
  await expect(page.getByRole('heading', { name: 'Own changes that wait' })).toBeVisible()
  await page
    .getByRole('listitem')
    .filter({ hasText: '“Exhibit page, variation” waits' })
    .getByRole('link', { name: 'Open the layout' })
    .click()
  await expect(plan(page)).toBeVisible()
  // Written on in both at once, with nothing lost.
  await item(page, /^Summary/).click()
  await page.keyboard.press('Alt+ArrowDown')
  await other.keyboard.press('Control+z')
  await saved(other)
  await saved(page)
  await expect(item(page, /^Heading: Title/)).toContainText('≠')
  await expect(item(page, /^Summary/)).toContainText('↕')
  await expect(h1(page)).toHaveCSS('font-size', '61px')
  await page.reload()
  await expect(h1(page)).toHaveCSS('font-size', '61px')
  expect(page.url()).toContain(id)
  expect(server.said()).not.toContain('"level":"error"')
})

test(
  'an own change is moved down into the base after it was said what that touches, and comes back by Undo',
  { tag: '@alone' },
  async ({ page, server }) => {
    await newVariation(page, server.origin, 'Exhibit page')
    await size(page, '61')
    await saved(page)
    await page.getByRole('button', { name: '1 own', exact: true }).click()
    await own(page).getByRole('button', { name: 'Move down: Size of Heading' }).click()
    await expect(own(page).getByRole('alert')).toContainText(/show in “Exhibit page”: \d+ pages beside/)
    await own(page).getByRole('button', { name: 'Move it down' }).click()
    await expect(page.getByText('Size of Heading stands in “Exhibit page” now.')).toBeVisible()
    await expect(page.getByRole('button', { name: '0 own', exact: true })).toBeVisible()
    await expect(h1(page)).toHaveCSS('font-size', '61px')
    await saved(page)
    await page.getByRole('button', { name: 'Undo', exact: true }).last().click()
    await expect(page.getByRole('button', { name: '1 own', exact: true })).toBeVisible()
    await saved(page)
    await open(page, server.origin, 'exhibit-page')
    await expect(h1(page)).not.toHaveCSS('font-size', '61px')
  },
)

test(
  'following ends and is taken up again; a base that is removed leaves what followed it as it looked',
  { tag: '@alone' },
  async ({ page, server, context }) => {
    const id = await newVariation(page, server.origin, 'Exhibit page')
    await size(page, '61')
    await saved(page)
    await page.getByRole('button', { name: '1 own', exact: true }).click()
    await own(page).getByRole('button', { name: 'End following' }).click()
    await expect(page.getByRole('button', { name: '1 own', exact: true })).toHaveCount(0)
    await expect(h1(page)).toHaveCSS('font-size', '61px')
    await page.getByRole('button', { name: 'Undo', exact: true }).click()
    await expect(page.getByRole('button', { name: '1 own', exact: true })).toBeVisible()
    await saved(page)

    const other = await context.newPage()
    await other.goto(`${server.origin}/studio/layouts`)
    await expect(other.getByText('followed by').first()).toBeVisible()
    await other.getByRole('button', { name: 'More about Exhibit page', exact: true }).click()
    await other.getByRole('menuitem', { name: 'Remove…' }).click()
    await expect(other.getByRole('dialog')).toContainText('2 layouts follow it: “Turret exhibit”')
    await other
      .getByRole('button', { name: /^Remove/ })
      .last()
      .click()
    await expect(page.getByText('follows', { exact: true })).toHaveCount(0)
    await expect(h1(page)).toHaveCSS('font-size', '61px')
    await other.getByRole('button', { name: 'Put it back', exact: true }).click()
    await expect(page.getByRole('button', { name: '1 own', exact: true })).toBeVisible()
    await page.reload()
    await expect(page.getByRole('link', { name: 'Exhibit page', exact: true })).toBeVisible()
    await expect(h1(page)).toHaveCSS('font-size', '61px')
    expect(page.url()).toContain(id)
  },
)

test(
  'a variation of a variation is made by keys alone; four levels and no more',
  { tag: '@alone' },
  async ({ page, server }) => {
    const names: string[] = ['Exhibit page']
    for (let level = 1; level <= 4; level++) {
      await page.goto(`${server.origin}/studio/layouts`)
      await page.getByRole('button', { name: `More about ${names.at(-1)}`, exact: true }).focus()
      await page.keyboard.press('Enter')
      await page.keyboard.type('New v')
      await page.keyboard.press('Enter')
      await expect(plan(page)).toBeVisible()
      names.push(`${names.at(-1)}, variation`)
    }
    await page.goto(`${server.origin}/studio/layouts`)
    await page.getByRole('button', { name: `More about ${names.at(-1)}`, exact: true }).click()
    await page.getByRole('menuitem', { name: 'New variation' }).click()
    await expect(page.getByText('Variations can follow one another 4 deep and no deeper.')).toBeVisible()
  },
)
