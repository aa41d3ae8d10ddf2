import Database from 'better-sqlite3'
import { join } from 'node:path'
import type { Page } from '@playwright/test'
import { expect, keep, makeFrame, saved, signIn, test } from './studio'

/** What goes awry while somebody works: it is said in a sentence, and nothing is lost. */

test.beforeEach(async ({ page, server }) => {
  await signIn(page, server)
  await expect(page.getByRole('heading', { name: '127 pages' })).toBeVisible()
})

test('conditions that fit no page say so, and stay to be mended', async ({ page }) => {
  await makeFrame(page, ['Talks'], { Header: 'Tower header' })
  await expect(page.getByText('Covers 12 pages.')).toBeVisible()
  await page.getByRole('button', { name: 'Add an exception' }).click()
  await page.getByRole('combobox', { name: 'Add an exception' }).fill('Talks')
  await page.getByRole('option').first().click()
  await expect(page.getByText('No page fits these conditions now, so it decides nothing.')).toBeVisible()
  await expect(page.getByText('This edit changes no page')).toBeVisible()

  await page.getByRole('button', { name: 'Add a circumstance' }).click()
  await page.getByLabel('Name of the parameter').fill('what is this? <b>')
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(page.getByText('A parameter name has letters, digits, dots, hyphens and underscores')).toBeVisible()
  await page.getByLabel('Name of the parameter').fill('preview-2')
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(page.getByTestId('sentence')).toHaveText('Talks, except Talks, when the address has ?preview-2.')
  await keep(page)

  await page.getByRole('link', { name: 'Checks' }).click()
  await expect(page.getByText('covers no page that there is.', { exact: false })).toBeVisible()
  await page.getByRole('link', { name: 'Open the frame' }).click()
  await page.getByRole('button', { name: 'Take away Talks' }).last().click()
  await expect(page.getByText('Covers 12 pages.')).toBeVisible()
})

test('a term goes while its frame is being edited: the edit is kept, and says what is gone', async ({
  page,
  server,
}) => {
  const ladder = page.getByRole('complementary', { name: 'Ladder of frames' })
  await ladder.getByRole('button', { name: /^Exhibits in Tower Room/ }).click()
  await page.getByLabel('Footer', { exact: true }).selectOption('use:slim-footer')
  await expect(page.getByText('This edit changes 6 pages')).toBeVisible()

  const db = new Database(join(server.data, 'outer-frame.sqlite'))
  db.prepare(`delete from terms where id = 'tower-room'`).run()
  db.close()
  await server.restart()
  await keep(page)
  await page.reload()
  await expect(ladder.getByRole('button', { name: /^Exhibits in a term \(no longer there\)/ })).toBeVisible()
  await ladder.getByRole('button', { name: /^Exhibits in a term \(no longer there\)/ }).click()
  await expect(page.getByLabel('Footer', { exact: true })).toHaveValue('use:slim-footer')
  await page.getByRole('button', { name: 'Drop' }).click()
  await page.getByRole('link', { name: 'Checks' }).click()
  await expect(page.getByRole('heading', { name: 'Names something that is gone' })).toBeVisible()
  const answer = await page.request.get(`${server.origin}/exhibits/fenwick-turret-clock`)
  expect(answer.status()).toBe(200)
})

test(
  'the server is away while a frame is kept: the edit stays open, and goes through when it is back',
  { tag: '@alone' },
  async ({ page, server }) => {
    await makeFrame(page, ['Tickets'], { Footer: 'Slim footer' })
    await page.context().setOffline(true)
    await page.getByRole('button', { name: 'Keep' }).click()
    await expect(page.getByRole('alert')).toContainText('cannot be reached')
    await expect(page.getByTestId('sentence')).toHaveText('Tickets.')
    await page.context().setOffline(false)
    await keep(page)
    const { frames } = (await (await page.request.get(`${server.origin}/api/design`)).json()) as {
      frames: { frame: { covers: unknown[] } }[]
    }
    // The demo has one frame for tickets already; the one kept now stands beside it.
    expect(frames.filter((f) => JSON.stringify(f.frame.covers).includes('ticket'))).toHaveLength(2)
  },
)

test(
  'the sign-in has run out while an entry is written: what was written stays',
  { tag: '@alone' },
  async ({ page, server, context }) => {
    await page.goto(`${server.origin}/studio/content/entries/visit`)
    await page.getByLabel('Title', { exact: true }).fill('Visit us, <b>any</b> day & night')
    const other = await context.newPage()
    await other.goto(`${server.origin}/studio`)
    await other.getByRole('button', { name: /^Ada/ }).click()
    await other.getByRole('menuitem', { name: 'Sign out', exact: true }).click()
    await expect(other.locator('form').getByRole('button', { name: 'Sign in' })).toBeVisible()
    await page.getByRole('button', { name: 'Store', exact: true }).click()
    await expect(page.getByRole('alert')).toContainText('Sign in')
    await expect(page.getByLabel('Title', { exact: true })).toHaveValue('Visit us, <b>any</b> day & night')
    await other.getByLabel('Mail address').fill('ada@quillmere.example.org')
    await other.getByLabel('Password').fill('wind-me-on-sunday')
    await other.locator('form').getByRole('button', { name: 'Sign in' }).click()
    await expect(other.getByRole('navigation', { name: 'Studio' })).toBeVisible()
    await page.getByRole('button', { name: 'Store', exact: true }).click()
    await expect(page.getByText('Stored.', { exact: true })).toBeVisible()
    await page.goto(`${server.origin}/visit`)
    await expect(page.getByRole('heading', { name: 'Visit us, <b>any</b> day & night' })).toBeVisible()
  },
)

test(
  'work on the bench outlives a closed window, a very long name and a browser with nothing stored',
  { tag: '@alone' },
  async ({ page, server, browser }) => {
    await page.goto(`${server.origin}/studio/layouts/talk-page`)
    await page.getByRole('treeitem', { name: /^Button/ }).click()
    const long = `${'Winding '.repeat(14)}end`
    await page.getByLabel('Called').fill(long)
    await page.keyboard.press('Enter')
    await expect(page.getByRole('treeitem', { name: new RegExp(`^${long.slice(0, 40)}`) })).toBeVisible()
    await saved(page)
    await page.close()
    const elsewhere = await (await browser.newContext()).newPage()
    await signIn(elsewhere, server)
    await elsewhere.goto(`${server.origin}/studio/layouts/talk-page`)
    const chip = elsewhere.getByRole('treeitem', { name: new RegExp(`^${long.slice(0, 40)}`) })
    await expect(chip).toBeVisible()
    const plan = elsewhere.getByRole('region', { name: 'Plan' })
    expect((await chip.boundingBox())!.width).toBeLessThan((await plan.boundingBox())!.width)
    await elsewhere.getByRole('button', { name: 'Undo' }).click()
    await expect(elsewhere.getByRole('treeitem', { name: /^Button: Buy a ticket/ })).toBeVisible()
  },
)

test(
  'a frame being edited is open again after a reload and after a closed window, and only in one',
  { tag: '@alone' },
  async ({ page, context, server }) => {
    const kept = (where: Page) => where.getByText('The frame that was being edited is open again, as it was left.')
    await page.goto(`${server.origin}/studio?frame=tickets`)
    await expect(page.getByLabel('Footer', { exact: true })).toHaveValue('use:slim-footer')
    // What was only looked at gives way to what is asked for next.
    await page.goto(`${server.origin}/studio?frame=talks`)
    await expect(page.getByLabel('Footer', { exact: true })).toHaveValue('pass')
    await page.getByLabel('Footer', { exact: true }).selectOption('use:slim-footer')
    await expect(page.getByText('This edit changes 12 pages')).toBeVisible()
    await page.reload()
    await expect(kept(page)).toBeVisible()
    await expect(page.getByLabel('Footer', { exact: true })).toHaveValue('use:slim-footer')
    await expect(page.getByText('This edit changes 12 pages')).toBeVisible()

    const other = await context.newPage()
    await other.goto(`${server.origin}/studio`)
    await expect(other.getByRole('heading', { name: '127 pages' })).toBeVisible()
    await expect(kept(other)).toHaveCount(0)
    await expect(other.getByRole('button', { name: 'Add frame' })).toBeEnabled()
    await page.close()
    await other.reload()
    await expect(kept(other)).toBeVisible()
    await expect(other.getByText('This edit changes 12 pages')).toBeVisible()
    await keep(other)
    await other.reload()
    await expect(other.getByRole('button', { name: 'Add frame' })).toBeEnabled()
    await expect(kept(other)).toHaveCount(0)
  },
)

test('what was written in an entry waits there until it is stored', { tag: '@alone' }, async ({ page, server }) => {
  const title = page.getByLabel('Title', { exact: true })
  await page.goto(`${server.origin}/studio/content/entries/visit`)
  await title.fill('Come and visit')
  await page.getByRole('link', { name: 'Checks' }).click()
  await expect(page.getByText('is kept for you and not stored yet', { exact: false })).toBeVisible()
  await page.getByRole('button', { name: 'Go back to it' }).click()
  await expect(title).toHaveValue('Come and visit')
  await page.reload()
  await expect(title).toHaveValue('Come and visit')
  await page.getByRole('button', { name: 'Take what is stored' }).click()
  await expect(title).toHaveValue('Visit')
  await page.reload()
  await expect(title).toHaveValue('Visit')
  await expect(page.getByText('What you wrote here before', { exact: false })).toHaveCount(0)
})
