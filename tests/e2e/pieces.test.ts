import type { Page } from '@playwright/test'
import type { DesignAnswer } from '#shared/api/types'
import { Client } from '../api/client'
import { add, benchPage, expect, findings, known, saved, test } from './studio'

/** Shared pieces: made on the bench, filled where they stand, changed once for all, and made one layout's own again. */

const plan = (page: Page) => page.getByRole('tree', { name: 'Rows, columns and elements' })
const item = (page: Page, name: RegExp | string) => page.getByRole('treeitem', { name }).first()
const sheet = (page: Page) => page.getByRole('complementary', { name: 'Properties' })
const body = (page: Page) => benchPage(page).locator('.of-body')
const inPiece = (page: Page) => page.getByTestId('in-piece')

async function open(page: Page, origin: string, id: string): Promise<void> {
  await page.goto(`${origin}/studio/layouts/${id}`)
  await expect(plan(page)).toBeVisible()
}

test.beforeEach(async ({ page, server }) => {
  await known(page, server)
})

test('a row is shared, placed elsewhere from the add list, and filled there; undo takes each back', async ({
  page,
  server,
}) => {
  await open(page, server.origin, 'story-page')
  // What may not stand in a piece is told; nothing is made of it.
  await item(page, /^Story/).click({ position: { x: 20, y: 8 } })
  await page.getByRole('button', { name: 'Share this…' }).click()
  await page.getByLabel('Share this as').fill('With content')
  await page.getByRole('button', { name: 'Share it' }).click()
  await expect(page.getByText('cannot stand in a piece layout')).toBeVisible()
  await item(page, /^More/).click({ position: { x: 20, y: 8 } })
  await page.getByRole('button', { name: 'Share this…' }).click()
  await page.getByLabel('Share this as').fill('Other stories')
  await page.getByRole('button', { name: 'Share it' }).click()
  await expect(page.getByTestId('piece')).toContainText('Other stories')
  await expect(page.getByTestId('piece-reach')).toContainText('Stands in 1 layout')
  await expect(item(page, 'Piece: Other stories')).toBeVisible()
  await saved(page)
  expect(await findings(page)).toEqual([])

  await open(page, server.origin, 'plain-page')
  await item(page, /^Entry content/).click()
  await add(page, 'other stories')
  await expect(item(page, 'Piece: Other stories')).toBeVisible()
  await expect(page.getByTestId('piece-reach')).toContainText('Stands in 2 layouts')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(item(page, 'Piece: Other stories')).toHaveCount(0)
})

test('each place says what the piece leaves open; what it says elsewhere stands beside it, with one way back', async ({
  page,
  server,
}) => {
  await open(page, server.origin, 'talk-page')
  await item(page, 'Piece: Plan a visit').click()
  const said = sheet(page).getByRole('region', { name: 'Said here' })
  await expect(said.getByText('the piece: Plan a visit')).toBeVisible()
  await said.getByLabel('Text', { exact: true }).first().fill('Come, and bring a watch')
  await expect(body(page).getByText('Come, and bring a watch')).toBeVisible()
  await said.getByRole('button', { name: 'Text as the piece says' }).first().click()
  await expect(body(page).getByRole('heading', { name: 'Plan a visit' })).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(body(page).getByText('Come, and bring a watch')).toBeVisible()
  await saved(page)
  await page.reload()
  await expect(body(page).getByText('Come, and bring a watch')).toBeVisible()
})

test(
  'in place, a change holds here only, or in the piece after it was said how many pages show it',
  { tag: '@alone' },
  async ({ page, server, browser }) => {
    await open(page, server.origin, 'talk-page')
    const heading = body(page).getByRole('heading', { name: 'Come and listen' })
    // The first press takes the piece, the next what is in it.
    await heading.click()
    await expect(page.getByTestId('piece')).toBeVisible()
    await heading.click()
    await expect(inPiece(page)).toContainText('Plan a visit')
    const size = sheet(page).getByLabel('Size', { exact: true })
    await size.fill('40')
    await size.press('Enter')
    await expect(heading).toHaveCSS('font-size', '40px')
    await expect(inPiece(page)).toContainText('2 things said here')
    await inPiece(page).getByRole('button', { name: 'in the piece' }).click()
    await expect(inPiece(page)).toContainText(/It changes in 4 layouts, on \d+ pages/)
    await size.fill('33')
    await size.press('Enter')
    await saved(page)

    // Another window, on another layout that shows it, has heard of it.
    const other = await (await browser.newContext({ storageState: await page.context().storageState() })).newPage()
    await open(other, server.origin, 'exhibit-page')
    const there = body(other).getByRole('heading', { name: 'Plan a visit' })
    await expect(there).toHaveCSS('font-size', '33px')
    await expect(heading).toHaveCSS('font-size', '40px')
    await size.fill('36')
    await size.press('Enter')
    await expect(there).toHaveCSS('font-size', '36px')
    // What is taken back is what was done in the piece.
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(there).toHaveCSS('font-size', '33px')
  },
)

test(
  'two hands in one piece: each hears of the other, and takes back its own; removed under a hand, it says so',
  { tag: '@alone' },
  async ({ page, server, browser }) => {
    const other = await (await browser.newContext({ storageState: await page.context().storageState() })).newPage()
    const headings = { mine: 'Come and listen', theirs: 'Plan a visit' }
    const enter = async (window: Page, layout: string, name: string) => {
      await open(window, server.origin, layout)
      const heading = body(window).getByRole('heading', { name })
      await heading.click()
      await expect(window.getByTestId('piece')).toBeVisible()
      await heading.click()
      await inPiece(window).getByRole('button', { name: 'in the piece' }).click()
      await expect(inPiece(window)).toContainText('It changes in')
      return heading
    }
    const mine = await enter(page, 'talk-page', headings.mine)
    const theirs = await enter(other, 'exhibit-page', headings.theirs)
    const set = async (window: Page, label: string, value: string) => {
      const field = sheet(window).getByLabel(label, { exact: true })
      await field.fill(value)
      await field.press('Enter')
    }
    await set(page, 'Size', '33')
    await expect(theirs).toHaveCSS('font-size', '33px')
    await set(other, 'Letter spacing', '0.1')
    await expect(mine).not.toHaveCSS('letter-spacing', 'normal')
    await other.getByRole('button', { name: 'Undo' }).click()
    await expect(mine).toHaveCSS('letter-spacing', 'normal')
    await expect(mine).toHaveCSS('font-size', '33px')
    await saved(page)

    const orla = await new Client(server).open()
    await orla.signIn('orla')
    const { layouts } = (await orla.call('GET', '/design')).body as unknown as DesignAnswer
    const { id } = layouts.find((l) => l.layout.name === 'Plan a visit')!.layout
    expect((await orla.call('DELETE', `/layouts/${id}`)).status).toBe(200)
    await expect(page.getByText('“Plan a visit” was removed by somebody.')).toBeVisible()
    await expect(mine).toHaveCount(0)
    await expect(body(page).getByText('This piece is not there.')).toBeVisible()
    expect((await orla.call('POST', `/layouts/${id}/restore`)).status).toBe(200)
    await expect(mine).toHaveCSS('font-size', '33px')
  },
)

test(
  'one place is made the layout’s own, and looks as before; the piece is left alone',
  { tag: '@alone' },
  async ({ page, server }) => {
    await open(page, server.origin, 'room-archive')
    const before = await body(page).getByText('See this room').boundingBox()
    await item(page, 'Piece: Plan a visit').click()
    await page.getByRole('button', { name: 'Make it this layout’s own' }).click()
    await expect(item(page, 'Piece: Plan a visit')).toHaveCount(0)
    await expect(item(page, /^Band/)).toBeVisible()
    const after = await body(page).getByText('See this room').boundingBox()
    // Where it stands a fraction of a pixel lower, its height is rounded otherwise.
    const rounded = (box: typeof before) => [box?.width, box?.height].map((n) => Math.round(n ?? 0))
    expect(rounded(after)).toEqual(rounded(before))
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(item(page, 'Piece: Plan a visit')).toBeVisible()
  },
)

test('by keys alone one goes into a piece and out of it; what is in it is not taken apart from here', async ({
  page,
  server,
}) => {
  await open(page, server.origin, 'talk-page')
  await item(page, 'Piece: Plan a visit').focus()
  await item(page, 'Piece: Plan a visit').click()
  await page.keyboard.press('ArrowRight')
  await expect(page.getByRole('navigation', { name: 'Path to the selection' })).toContainText('Band')
  await page.keyboard.press('x')
  await expect(page.getByText('This stands in a piece.')).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.getByTestId('piece')).toBeVisible()
  await page.keyboard.press('x')
  await expect(item(page, 'Piece: Plan a visit')).toHaveCount(0)
  // The row that held nothing else went with it.
  await expect(page.getByRole('treeitem', { level: 1 })).toHaveCount(1)
})

test('the shelf of pieces tells where each stands; removing one says what would change, and it waits under Removed', async ({
  page,
  server,
}) => {
  await page.goto(`${server.origin}/studio/layouts`)
  await page.getByLabel('Find a layout').fill('address')
  const card = page.getByRole('article').filter({ hasText: 'Address card' })
  await expect(card).toContainText(/stands in 3 layouts, on \d+ pages/)
  await expect(page.getByRole('article')).toHaveCount(1)
  await card.getByRole('button', { name: 'More about Address card' }).click()
  await page.getByRole('menuitem', { name: 'Remove…' }).click()
  await expect(page.getByRole('dialog')).toContainText('It stands in 3 layouts')
  await page.getByRole('button', { name: 'Remove from the draft' }).click()
  await page.getByRole('button', { name: 'Put it back' }).click()
  await expect(card).toBeVisible()
  expect(await findings(page)).toEqual([])
})
