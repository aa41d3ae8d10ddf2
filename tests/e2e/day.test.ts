import type { Page } from '@playwright/test'
import { Client } from '../api/client'
import { benchPage, known, expect, findings, saved, settled, signIn, test } from './studio'

/** A day at the bench: several things, sizes, widths, the palette, history, and somebody else at the same layout. */

const body = (page: Page) => benchPage(page).locator('.of-body')
const open = async (page: Page, origin: string, id = 'exhibit-page') => {
  await page.goto(`${origin}/studio/layouts/${id}`)
  await settled(page)
  await expect(benchPage(page).locator('[data-node]').first()).toBeVisible()
}
const item = (page: Page, name: string | RegExp) =>
  page.getByRole('treeitem', { name, exact: typeof name === 'string' })

test.beforeEach(async ({ page, server }) => {
  await known(page, server)
  await open(page, server.origin)
})

test('several things are taken with Ctrl and Shift, styled, moved, copied to another layout and taken away together', async ({
  page,
  server,
}) => {
  await item(page, 'Summary').click()
  await item(page, 'Heading: Title')
    .first()
    .click({ modifiers: ['Control'] })
  await expect(page.getByRole('complementary', { name: 'Properties' }).getByRole('heading').first()).toHaveText(
    /^2 things/,
  )
  await expect(page.getByTestId('said')).toHaveText(/2 things in hand/)
  const top = page.getByLabel('Outside top', { exact: true })
  await top.fill('24*2')
  await top.press('Enter')
  await expect(body(page).locator('h1')).toHaveCSS('margin-top', '48px')
  await page.keyboard.press('Escape')
  await expect(item(page, 'Heading: Title').first()).toBeFocused()
  await page.keyboard.press('Control+c')
  await page.keyboard.press('x')
  await expect(body(page).locator('h1')).toHaveCount(0)
  await expect(page.getByTestId('said')).toHaveText(/^Removed 2 things/)
  await page.keyboard.press('Control+z')
  await expect(body(page).locator('h1')).toHaveCount(1)
  await saved(page)
  await open(page, server.origin, 'talk-page')
  const before = await page.getByRole('treeitem').count()
  await page.getByRole('treeitem').first().click()
  await page.keyboard.press('Control+v')
  await expect(page.getByRole('treeitem')).toHaveCount(before + 2)
  await expect(page.getByRole('treeitem', { selected: true })).toHaveCount(2)
})

test('single letters act on the plan and the page alone, and a number that is refused stays with its reason', async ({
  page,
}) => {
  await item(page, 'Summary').click()
  await page.getByRole('button', { name: 'History' }).focus()
  await page.keyboard.press('x')
  await expect(item(page, 'Summary')).toBeVisible()
  const size = page.getByLabel('Size', { exact: true })
  await size.fill('-5')
  await size.blur()
  await expect(size).toHaveAttribute('aria-invalid', 'true')
  await expect(size).toHaveValue('-5')
  await expect(page.getByText(/^Size: choose a length from/)).toBeVisible()
  await size.fill('huge')
  await size.press('Enter')
  await expect(page.getByText('Size: “huge” is no number and no sum.')).toBeVisible()
  await size.fill('30')
  await size.press('Enter')
  await expect(page.getByText(/^Size: “huge”/)).toBeHidden()
  await size.press('Shift+ArrowUp')
  await expect(size).toHaveValue('40')
  await saved(page)
})

test('padding is dragged by its edge on the page, with its number, and nudged by arrows', async ({ page }) => {
  await item(page, /^Facts/).click({ position: { x: 12, y: 8 } })
  const handle = page.getByRole('slider', { name: 'Inside bottom, on the page' })
  const before = Number(await handle.getAttribute('aria-valuenow'))
  // The row is higher than what is seen of the page below its beginning.
  await page.getByRole('region', { name: 'Page', exact: true }).hover({ position: { x: 300, y: 300 } })
  await expect(async () => {
    await page.mouse.wheel(0, 150)
    expect((await handle.boundingBox())!.y).toBeLessThan(700)
  }).toPass()
  const box = (await handle.boundingBox())!
  await page.mouse.move(box.x + 8, box.y + 8)
  await page.mouse.down()
  await page.mouse.move(box.x + 8, box.y - 12, { steps: 4 })
  await page.mouse.up()
  await expect(handle).not.toHaveAttribute('aria-valuenow', String(before))
  const dragged = Number(await handle.getAttribute('aria-valuenow'))
  expect(dragged).toBeGreaterThan(before)
  await handle.focus()
  await page.keyboard.press('Shift+ArrowUp')
  await expect(handle).toHaveAttribute('aria-valuenow', String(dragged + 10))
  // Sides are changed by themselves, until they are joined on purpose.
  const top = page.getByRole('slider', { name: 'Inside top, on the page' })
  await expect(top).not.toHaveAttribute('aria-valuenow', String(dragged + 10))
  await page.getByRole('button', { name: 'inside', exact: true }).click()
  await handle.focus()
  await page.keyboard.press('ArrowUp')
  await expect(handle).toHaveAttribute('aria-valuenow', String(dragged + 11))
  await expect(top).toHaveAttribute('aria-valuenow', String(dragged + 11))
  await saved(page)
})

test('the page is looked at from 280 to 2,560 pixels, and at its three widths side by side', async ({ page }) => {
  const width = page.getByLabel('Width in pixels')
  await width.fill('200')
  await width.press('Enter')
  await expect(page.getByText('choose a width from 280 to 2560 pixels')).toBeVisible()
  await width.fill('2560')
  await width.press('Enter')
  await expect(page.getByRole('slider', { name: 'Width of the page' })).toHaveAttribute('aria-valuenow', '2560')
  await item(page, 'Summary').click()
  await page.getByRole('button', { name: 'Widths' }).click()
  const at = (step: string) => page.frameLocator(`section[aria-label="Page, ${step}"] iframe`)
  for (const step of ['narrow', 'medium', 'wide']) await expect(at(step).locator('h1')).toBeVisible()
  await at('narrow').locator('h1').click()
  await page.getByLabel('Shown', { exact: true }).selectOption('hidden')
  await expect(at('narrow').locator('h1')).toBeHidden()
  await expect(at('wide').locator('h1')).toBeVisible()
  await expect(page.getByText('1 look set for narrow screens alone')).toBeVisible()
  await page.getByRole('button', { name: 'Clear', exact: true }).click()
  await expect(at('narrow').locator('h1')).toBeVisible()
  await saved(page)
})

test('an element is dragged from the palette to where it shall stand; any division of a row is typed', async ({
  page,
}) => {
  await page.getByRole('button', { name: /^Palette/ }).click()
  await page.getByTitle(/^Divider/).scrollIntoViewIfNeeded()
  const from = (await page.getByTitle(/^Divider/).boundingBox())!
  const to = (await body(page).locator('h1').boundingBox())!
  await page.mouse.move(from.x + 20, from.y + 10)
  await page.mouse.down()
  await page.mouse.move(to.x + 40, to.y + to.height + 2, { steps: 6 })
  await expect(page.getByTestId('holder')).toBeVisible()
  await page.mouse.up()
  await expect(body(page).locator('h1 + hr')).toHaveCount(1)
  await page.getByRole('treeitem').first().click()
  await page.keyboard.press('a')
  await page.getByRole('combobox', { name: 'Add what' }).fill('2+3+7')
  await page.keyboard.press('Enter')
  await expect(item(page, 'Row, 2 + 3 + 7')).toBeFocused()
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('m')
  await expect(item(page, 'Row, 5 + 7')).toBeVisible()
  await page.keyboard.press('s')
  await expect(item(page, 'Row, 3 + 2 + 7')).toBeVisible()
  await saved(page)
})

test(
  'the history tells what was done; an earlier point is looked at, and gone back to as an edit',
  { tag: '@alone' },
  async ({ page }) => {
    await item(page, 'Summary').click()
    await page.keyboard.press('x')
    await item(page, 'Heading: Title').first().click()
    await page.keyboard.press('d')
    await expect(body(page).locator('h1')).toHaveCount(2)
    await page.getByRole('button', { name: 'History' }).click()
    const panel = page.getByRole('complementary', { name: 'History' })
    await expect(panel.getByRole('listitem')).toHaveText([/Add Heading\s*now/, /Remove Field/])
    await panel.getByRole('button', { name: /Remove Field/ }).click()
    await expect(body(page).locator('h1')).toHaveCount(1)
    await expect(panel.getByText(/as it was, 1 step ago/)).toBeVisible()
    await page.keyboard.press('x')
    await expect(body(page).locator('h1')).toHaveCount(1)
    await panel.getByRole('button', { name: 'Take it back to here' }).click()
    await expect(panel.getByRole('listitem').first()).toHaveText(/Take back the last step/)
    await expect(body(page).locator('h1')).toHaveCount(1)
    await panel.getByRole('button', { name: 'Close' }).click()
    await item(page, 'Heading: Title').first().click()
    await page.keyboard.press('Control+z')
    await expect(body(page).locator('h1')).toHaveCount(2)
    await saved(page)
  },
)

test('what one hand does at one thing stands together in the history, and further back is asked for', async ({
  page,
  server,
}) => {
  const client = await new Client(server).open()
  await client.signIn('orla')
  for (let from = 0; from < 500; from += 100) {
    const { body: told } = await client.call('GET', '/layouts/exhibit-page')
    const edits = Array.from({ length: 100 }, (_, i) => ({
      id: `n${from + i}`,
      does: 'edit',
      edit: { kind: 'describe', about: `For the ${from + i}th time` },
    }))
    await client.call('POST', '/layouts/exhibit-page/edits', { revision: told.revision, edits })
  }
  await page.reload()
  const heading = item(page, 'Heading: Title').first()
  await heading.click()
  for (let i = 0; i < 3; i++) await page.keyboard.press('Alt+ArrowDown')
  await saved(page)
  await page.getByRole('button', { name: 'History' }).click()
  const panel = page.getByRole('complementary', { name: 'History' })
  await expect(panel.getByRole('button', { name: '3 changes to Heading', exact: false }).first()).toBeVisible()
  await panel.getByRole('button', { name: '3 changes to Heading, one by one' }).click()
  await expect(panel.getByText('Move Heading')).toHaveCount(3)
  await expect(panel.getByText('197 changes to the layout by Orla')).toBeVisible()
  await panel.getByRole('button', { name: 'What was done before that' }).click()
  await panel.getByRole('button', { name: 'What was done before that' }).click()
  await expect(panel.getByText('500 changes to the layout by Orla')).toBeVisible()
  await panel.getByRole('button', { name: '500 changes to the layout, one by one' }).click()
  await panel
    .getByRole('button', { name: /What the layout is for/ })
    .last()
    .click()
  await expect(panel.getByText(/as it was, 502 steps ago/)).toBeVisible()
  await panel.getByRole('button', { name: 'Take it back to here' }).click()
  await expect(panel.getByText(/Replace everything/)).toBeVisible()
  await saved(page)
  await page.keyboard.press('Escape')
})

test(
  'somebody else is seen at once, with what is in their hand; what both set is shown with both values',
  { tag: '@alone' },
  async ({ page, browser, server }) => {
    const other = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
    await signIn(other, server, 'orla')
    await open(other, server.origin)
    await expect(page.getByTestId('people')).toHaveText(/with Orla/)
    await item(other, 'Summary').click()
    await expect(page.locator('section[aria-label=Page]').getByText('Orla', { exact: false })).toBeVisible()
    await other.keyboard.press('x')
    await expect(item(page, 'Summary')).toBeHidden({ timeout: 2500 })
    // What somebody else did is theirs to take back.
    await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled()

    // Both set the size of the title while this window cannot send.
    const size = (p: Page) => p.getByLabel('Size', { exact: true })
    await item(page, 'Heading: Title').first().click()
    await item(other, 'Heading: Title').first().click()
    await page.context().setOffline(true)
    await size(page).fill('31')
    await size(page).press('Enter')
    await size(other).fill('52')
    await size(other).press('Enter')
    await saved(other)
    await page.context().setOffline(false)
    await expect(
      page.getByText(/Size of Heading was set elsewhere too, to “52”. What you set holds now: “31”/),
    ).toBeVisible({
      timeout: 20_000,
    })
    await page.getByRole('button', { name: 'Take theirs' }).click()
    await expect(body(page).locator('h1')).toHaveCSS('font-size', '52px')
    await expect(body(other).locator('h1')).toHaveCSS('font-size', '52px')
    await saved(page)
    await other.context().close()
  },
)

test('a thing is shown for those it is meant for: dimmed on the plan with the reason, and kept from others', async ({
  page,
  server,
  browser,
}) => {
  await item(page, 'Summary').click()
  const when = page.getByRole('region', { name: 'Shown when' })
  await when.getByRole('button', { name: '+ visitor, device, address, dates' }).click()
  await when.getByLabel('Kind of circumstance').selectOption('signed-in')
  await when.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(when.getByText('when signed in')).toBeVisible()
  await expect(when.getByText('not now')).toBeVisible()
  await expect(page.getByTitle('Summary, shown only when signed in')).toBeVisible()
  await when.getByRole('button', { name: 'Take away: when signed in' }).click()
  await when.getByRole('button', { name: 'Add a fact that must hold' }).click()
  await when.getByRole('combobox', { name: 'Add a fact that must hold' }).fill('maker')
  await page.keyboard.press('Enter')
  await when.getByLabel('How it is tested').selectOption('contains')
  await when.getByLabel('Compared with').fill('Thirkell')
  await when.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(when.getByText('when Maker contains Thirkell')).toBeVisible()
  await expect(when.getByText('not now')).toBeHidden()
  await when.getByRole('button', { name: 'Add a fact that must hold' }).click()
  await when.getByRole('combobox', { name: 'Add a fact that must hold' }).fill('Tower Room')
  await page.keyboard.press('Enter')
  await expect(when.getByRole('listitem')).toHaveCount(2)
  await expect(when.getByRole('listitem').last()).toContainText('Tower Room')
  await expect(when.getByText('not now')).toBeHidden()
  expect(await findings(page)).toEqual([])
  await saved(page)
  await page.getByRole('button', { name: 'Release…' }).click()
  await page.getByRole('button', { name: /^Release \d+ changes?$/ }).click()
  await expect(page.getByText(/is what visitors see now/)).toBeVisible()
  await page.getByRole('button', { name: 'Done' }).click()
  const visitor = await (await browser.newContext()).newPage()
  await visitor.goto(`${server.origin}/exhibits/the-night-regulator`)
  await expect(visitor.getByText('Kept the tower honest after dark')).toBeVisible()
  await visitor.goto(`${server.origin}/exhibits/fenwick-turret-clock`)
  await expect(visitor.locator('h1')).toBeVisible()
  await expect(visitor.locator('.of-body .of-col').nth(2)).not.toContainText('honest')
})

test('anything is found with Ctrl K and gone to or done; looks are given to all of a sort', async ({ page }) => {
  await item(page, 'Summary').click()
  await page.keyboard.press('Control+k')
  const field = page.getByRole('combobox', { name: 'Find and do anything' })
  await field.press('Escape')
  await expect(field).toBeHidden()
  await page.keyboard.press('Control+k')
  await field.fill('of the same kind')
  await page.keyboard.press('Enter')
  await expect(item(page, 'Heading: Of the same kind')).toHaveAttribute('aria-selected', 'true')
  await page.getByLabel('Size', { exact: true }).fill('33')
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'Give to all of its kind' }).click()
  await expect(page.getByTestId('said')).toHaveText(/All of its kind look so/)
  const heading = body(page).getByRole('heading', { name: 'Of the same kind' })
  await expect(heading).toHaveCSS('font-size', '33px')
  await expect(page.getByRole('complementary', { name: 'Properties' }).getByText('layout').first()).toBeVisible()
  await page.keyboard.press('Control+k')
  await field.fill('history of')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('complementary', { name: 'History' })).toBeVisible()
  await page.keyboard.press('Control+k')
  await field.fill('tower header')
  await page
    .getByRole('option', { name: /Tower header/ })
    .first()
    .click()
  await expect(page).toHaveURL(/layouts\/tower-header/)
  await saved(page)
})

test('a card is looked at by itself and in a grid of real entries; who may only look has nothing to take hold of', async ({
  page,
  server,
  browser,
}) => {
  await page.goto(`${server.origin}/studio/layouts`)
  await page
    .locator('section', { has: page.getByRole('heading', { name: 'Cards' }) })
    .getByRole('link')
    .first()
    .click()
  await page.getByRole('button', { name: 'In a grid' }).click()
  await expect(benchPage(page).locator('.of-grid > li')).not.toHaveCount(0)
  await page.getByRole('button', { name: 'One card' }).click()
  await expect(benchPage(page).locator('.of-grid')).toHaveCount(0)
  const writer = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
  await signIn(writer, server, 'wim')
  await open(writer, server.origin)
  await item(writer, /^Facts/).click({ position: { x: 12, y: 8 } })
  await expect(writer.getByRole('slider', { name: 'Inside bottom, on the page' })).toHaveCount(0)
  await expect(writer.getByRole('button', { name: 'Add something after' })).toHaveCount(0)
  await expect(writer.getByRole('button', { name: /^Palette/ })).toHaveCount(0)
  await writer.keyboard.press('x')
  await expect(item(writer, /^Facts/)).toBeVisible()
  await writer.context().close()
})
