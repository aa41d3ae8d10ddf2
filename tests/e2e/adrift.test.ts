import type { Page } from '@playwright/test'
import { Client } from '../api/client'
import { add, benchPage, known, expect, findings, saved, settled, test } from './studio'

/** The bench when things go wrong around it or in the hand, and read by those who do not see it. */

const body = (page: Page) => benchPage(page).locator('.of-body')
const title = (page: Page) => page.getByRole('treeitem', { name: 'Heading: Title', exact: true })
const footer = (page: Page) => page.locator('footer')

test.beforeEach(async ({ page, server }) => {
  await known(page, server)
  await page.goto(`${server.origin}/studio/layouts/exhibit-page`)
  await settled(page)
  await expect(body(page).locator('h1')).toBeVisible()
})

test('whatever a server or what lies before it answers, nothing is lost and nothing stays at Saving', async ({
  page,
}) => {
  await title(page).first().click()
  let count = 1
  for (const status of [502, 429, 413, 500]) {
    await page.route('**/edits', (route) =>
      route.fulfill({ status, contentType: 'text/html', body: '<h1>Something in between</h1>' }),
    )
    await page.keyboard.press('d')
    count++
    await expect(title(page)).toHaveCount(count)
    await expect(footer(page).getByText(/Not saved|not reached|kept here/)).toBeVisible()
    await page.unroute('**/edits')
    const again = page.getByRole('button', { name: 'Try again' })
    await expect(again.or(footer(page).getByText('Saved', { exact: true })).first()).toBeVisible({ timeout: 20_000 })
    if (await again.isVisible()) await again.click()
    await saved(page)
  }
  await page.reload()
  await expect(title(page)).toHaveCount(count)
})

test(
  'a layout removed by somebody says who did it; what is done here is kept, and goes on when it is put back',
  { tag: '@alone' },
  async ({ page, server }) => {
    const orla = await new Client(server).open()
    await orla.signIn('orla')
    expect((await orla.call('DELETE', '/layouts/exhibit-page')).status).toBe(200)
    await expect(page.getByRole('alert').filter({ hasText: 'Orla' })).toContainText('removed this layout')
    await title(page).first().click()
    await page.keyboard.press('d')
    await expect(title(page)).toHaveCount(2)
    await expect(footer(page).getByText('Saving', { exact: false })).toHaveCount(0)
    expect((await orla.call('POST', '/layouts/exhibit-page/restore')).status).toBe(200)
    await page.reload()
    await expect(title(page)).toHaveCount(2)
    await saved(page)
  },
)

test('a hand that cannot do what it wants is told, and nothing changes', { tag: '@alone' }, async ({ page }) => {
  const rows = page.getByRole('treeitem', { level: 1 })
  const before = await rows.count()
  // A row let go in itself.
  const row = (await rows.first().boundingBox())!
  await page.mouse.move(row.x + 12, row.y + 8)
  await page.mouse.down()
  await page.mouse.move(row.x + row.width / 2, row.y + row.height - 8, { steps: 5 })
  await page.mouse.up()
  await expect(rows).toHaveCount(before)
  // Let go of before it lands.
  await page.mouse.move(row.x + 12, row.y + 8)
  await page.mouse.down()
  await page.mouse.move(row.x + 60, row.y + row.height + 60, { steps: 5 })
  await page.keyboard.press('Escape')
  await page.mouse.up()
  await expect(rows).toHaveCount(before)
  // More spans than there are units, and spans that do not fit.
  await page.keyboard.press('a')
  const what = page.getByRole('combobox', { name: 'Add what' })
  for (const [spans, why] of [
    ['9+9', 'these add up to 18'],
    ['0 + 12', 'at least one unit'],
    ['1+1+1+1+1+1+1+1+1+1+1+1+1', 'these add up to 13'],
  ] as const) {
    await what.fill(spans)
    await expect(page.getByText(why)).toBeVisible()
    await what.press('Enter')
  }
  await what.press('Escape')
  await expect(rows).toHaveCount(before)
})

test('the last column goes with its row, and comes back with it', { tag: '@alone' }, async ({ page }) => {
  await title(page).first().click()
  const rows = page.getByRole('treeitem', { level: 1 })
  const before = await rows.count()
  await add(page, '12')
  await expect(rows).toHaveCount(before + 1)
  await page.keyboard.press('ArrowRight')
  await expect(page.getByRole('treeitem', { selected: true })).toHaveAccessibleName(/^Column, 12 of 12/)
  await page.keyboard.press('x')
  await expect(rows).toHaveCount(before)
  await page.keyboard.press('Control+z')
  await expect(rows).toHaveCount(before + 1)
  await saved(page)
})

test('no view of the bench has a serious finding', { tag: '@alone' }, async ({ page }) => {
  test.slow()
  const views: [string, () => Promise<unknown>][] = [
    ['the palette', () => page.getByRole('button', { name: /^Palette/ }).click()],
    ['history', () => page.getByRole('button', { name: 'History' }).click()],
    [
      'words being written',
      async () => {
        await page.getByRole('button', { name: 'History' }).click()
        await body(page).locator('h1').dblclick()
      },
    ],
    [
      'the finder',
      async () => {
        await page.keyboard.press('Escape')
        await page.keyboard.press('Control+k')
      },
    ],
    [
      'what a row gives',
      async () => {
        await page.keyboard.press('Escape')
        await page
          .getByRole('treeitem', { level: 1 })
          .first()
          .click({ position: { x: 12, y: 8 } })
        await page.getByRole('button', { name: 'Looks of what stands in it' }).click()
      },
    ],
    ['widths', () => page.getByRole('button', { name: 'Widths' }).click()],
  ]
  for (const [view, open] of views) {
    await open()
    await page.waitForTimeout(150)
    expect({ view, found: await findings(page) }).toEqual({ view, found: [] })
  }
})
