import type { Page, Route } from '@playwright/test'
import { expect, keep, known, release, saved, settled, signIn, test } from './studio'

/** What somebody does stays: while it is being stored, when it is refused in part, when another takes the chair. */

const heading = (page: Page) => page.getByRole('treeitem', { name: 'Heading: Title', exact: true })
const bench = async (page: Page, origin: string, layout = 'exhibit-page') => {
  await page.goto(`${origin}/studio/layouts/${layout}`)
  await expect(page.getByRole('tree', { name: 'Rows, columns and elements' })).toBeVisible()
}

test.beforeEach(async ({ page, server }) => known(page, server))

test('words typed in an entry while it is being stored stay, and are not stored yet', async ({ page, server }) => {
  await page.goto(`${server.origin}/studio/content/entries/visit`)
  const title = page.getByLabel('Title', { exact: true })
  await title.fill('Come')
  let go = () => {}
  const held = new Promise<void>((done) => (go = done))
  await page.route('**/api/entries/visit', async (route: Route) => {
    if (route.request().method() === 'PUT') await held
    await route.continue()
  })
  await page.getByRole('button', { name: 'Store', exact: true }).click()
  await title.fill('Come and see')
  go()
  await expect(page.getByText('What you wrote since is not stored yet.', { exact: false })).toBeVisible()
  await expect(title).toHaveValue('Come and see')
  await page.getByRole('button', { name: 'Store', exact: true }).click()
  await expect(page.getByText('Stored.', { exact: true })).toBeVisible()
  await page.reload()
  await expect(title).toHaveValue('Come and see')
})

test('an entry is stored though the site could not be read again: nobody else is blamed', async ({ page, server }) => {
  await page.goto(`${server.origin}/studio/content/entries/visit`)
  const title = page.getByLabel('Title', { exact: true })
  await title.fill('Visit us')
  await page.route('**/api/site*', (route) => route.abort())
  await page.getByRole('button', { name: 'Store', exact: true }).click()
  await expect(page.getByRole('alert')).toContainText('cannot be reached')
  await page.unroute('**/api/site*')
  await title.fill('Visit us soon')
  await page.getByRole('button', { name: 'Store', exact: true }).click()
  await expect(page.getByText('Stored.', { exact: true }).last()).toBeVisible()
  await expect(page.getByText('Somebody else has stored this entry', { exact: false })).toHaveCount(0)
})

test('a long run of typing is one step, and one undo takes all of it back', async ({ page, server }) => {
  await bench(page, server.origin)
  await page
    .getByRole('treeitem', { name: /^Heading: Made of/ })
    .first()
    .click()
  const text = page.getByLabel('Text', { exact: true })
  const before = await text.inputValue()
  await text.pressSequentially(' '.concat('and more '.repeat(20)), { delay: 5 })
  await saved(page)
  const requests: number[] = []
  page.on('request', (r) => r.url().includes('/edits') && requests.push(r.postData()?.length ?? 0))
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(text).toHaveValue(before)
  await saved(page)
  expect(requests).toHaveLength(1)
  expect(requests[0]).toBeLessThan(2000)
  await page.reload()
  await page.getByRole('button', { name: 'Redo' }).click()
  await expect(page.getByRole('treeitem', { name: /and more and more/ })).toBeVisible()
})

test('of edits sent together only the one that is refused is set aside, with the reason', async ({ page, server }) => {
  await bench(page, server.origin)
  await page.context().setOffline(true)
  await heading(page).click()
  for (const key of ['d', 'd', 'd']) await page.keyboard.press(key)
  await expect(heading(page)).toHaveCount(4)
  let refused = ''
  await page.route('**/edits', async (route) => {
    const { edits } = route.request().postDataJSON() as { edits: { id: string }[] }
    refused ||= edits[1]!.id
    if (!edits.some((e) => e.id === refused)) return route.continue()
    const problem = { code: 'too-large', status: 422, sentence: 'There is no room for this one.', details: {} }
    await route.fulfill({ status: 422, json: { problem } })
  })
  await page.context().setOffline(false)
  await expect(page.getByRole('alert')).toContainText('1 edit could not be kept')
  await expect(page.getByRole('alert')).toContainText('There is no room for this one.')
  await saved(page)
  await page.unroute('**/edits')
  await page.reload()
  await expect(heading(page)).toHaveCount(3)
})

test(
  'a server that refuses whoever sends tells so, keeps everything, and goes on when asked again',
  { tag: '@alone' },
  async ({ page, server }) => {
    await bench(page, server.origin)
    await page.route('**/edits', (route) =>
      route.fulfill({
        status: 403,
        json: {
          problem: { code: 'cross-site', status: 403, sentence: 'Reload the studio and try again.', details: {} },
        },
      }),
    )
    await heading(page).click()
    await page.keyboard.press('d')
    await expect(page.getByRole('alert')).toContainText('Reload the studio and try again.')
    await expect(page.locator('footer').getByText('Not saved; your work is kept here')).toBeVisible()
    await page.unroute('**/edits')
    await page.getByRole('button', { name: 'Try again' }).click()
    await saved(page)
    await page.reload()
    await expect(heading(page)).toHaveCount(2)
  },
)

test(
  'edits left unsent belong to whoever made them, and wait for them',
  { tag: '@alone' },
  async ({ page, server, context }) => {
    await bench(page, server.origin)
    await page.route('**/edits', (route) => route.abort())
    await heading(page).click()
    await page.keyboard.press('d')
    await expect(page.locator('footer').getByText('Waiting for the server', { exact: false })).toBeVisible()
    await page.close()
    const as = async (who: string) => {
      await context.clearCookies()
      const other = await context.newPage()
      await signIn(other, server, who)
      await bench(other, server.origin)
      return other
    }
    const orla = await as('orla')
    await expect(heading(orla)).toHaveCount(1)
    await saved(orla)
    await orla.close()
    const ada = await as('ada')
    await expect(heading(ada)).toHaveCount(2)
    await saved(ada)
  },
)

test(
  'a say comes back in one press after it was taken off or left empty, and Undo works on the Map',
  { tag: '@alone' },
  async ({ page, server }) => {
    await page.goto(`${server.origin}/studio?frame=talks`)
    await settled(page)
    const body = page.getByLabel('Body', { exact: true })
    await expect(body).toHaveValue('use:talk-page')
    await page.getByRole('button', { name: 'Take the body off: no say' }).click()
    await expect(body).toHaveValue('pass')
    await page.getByRole('button', { name: 'Use Talk page again' }).click()
    await expect(body).toHaveValue('use:talk-page')
    await body.selectOption('empty')
    await page.getByRole('button', { name: 'Use Talk page again' }).click()
    await expect(body).toHaveValue('use:talk-page')

    const footer = page.getByLabel('Footer', { exact: true })
    await footer.selectOption('use:slim-footer')
    await expect(page.getByText('This edit changes 12 pages')).toBeVisible()
    await page.keyboard.press('Control+z')
    await expect(footer).toHaveValue('pass')
    await page.keyboard.press('Control+Shift+z')
    await expect(footer).toHaveValue('use:slim-footer')
    await keep(page)
    await expect(page.getByText('The frame “Talks” is changed in the draft.')).toBeVisible()
    await page.getByRole('heading', { name: 'Frames' }).click()
    await page.keyboard.press('Control+z')
    await expect(page.getByText('Taken back: Talks.')).toBeVisible()
    await expect(page.getByText('Nothing waits for release')).toBeVisible()
  },
)

test('Home is changed while a frame is edited: strips and impact stay with their pages', async ({ page, server }) => {
  await page.goto(`${server.origin}/studio?frame=talks`)
  await page.getByLabel('Footer', { exact: true }).selectOption('use:slim-footer')
  await expect(page.getByText('This edit changes 12 pages')).toBeVisible()
  await page.getByRole('button', { name: 'Home', exact: true }).first().click()
  await page.getByLabel('Home shows').selectOption({ label: 'all exhibits' })
  await page.locator('form').filter({ hasText: 'Home shows' }).getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText('Home shows something else now, for visitors too.')).toBeVisible()
  await expect(page.getByText('This edit changes 12 pages')).toBeVisible()
  await page.getByRole('button', { name: 'Before and after' }).click()
  const list = page.getByRole('listbox', { name: 'Pages that change' })
  const titles = await list.getByRole('option').allInnerTexts()
  const talks = (await (await page.request.get(`${server.origin}/api/site`)).json()) as {
    site: { entries: { type: string; title: string }[] }
  }
  const known = new Set(talks.site.entries.filter((e) => e.type === 'talk').map((e) => e.title))
  expect(titles.length).toBeGreaterThan(5)
  for (const title of titles) expect(known).toContain(title)
})

test(
  'a release is brought back, all of it or one thing, and every layout can be undone',
  { tag: '@alone' },
  async ({ page, server }) => {
    await bench(page, server.origin, 'talk-page')
    await page.getByRole('treeitem', { name: /^Button: Buy a ticket/ }).click()
    await page.keyboard.press('x')
    await saved(page)
    await release(page)
    await page.getByRole('link', { name: 'Releases' }).click()
    await page.getByRole('button', { name: 'Bring back release 1' }).click()
    await page.getByRole('button', { name: 'Bring back Talk page' }).click()
    await expect(page.getByText('1 thing in the draft is as in release 1 again.', { exact: false })).toBeVisible()
    await bench(page, server.origin, 'talk-page')
    await expect(page.getByRole('treeitem', { name: /^Button: Buy a ticket/ })).toBeVisible()
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(page.getByRole('treeitem', { name: /^Button: Buy a ticket/ })).toHaveCount(0)
    await saved(page)
    await page.getByRole('link', { name: 'Releases' }).click()
    await page.getByRole('button', { name: 'Bring back release 1' }).click()
    await page.getByRole('button', { name: 'Bring back all of release 1' }).click()
    await expect(page.getByText('1 change waiting')).toBeVisible()
  },
)

test(
  'the wheel scrolls the shelf over its miniatures, and changes no number it passes over',
  { tag: '@alone' },
  async ({ page, server }) => {
    await page.goto(`${server.origin}/studio/layouts`)
    const miniature = page.locator('article iframe').first()
    await expect(miniature).toBeAttached()
    const box = (await miniature.locator('..').boundingBox())!
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
    await page.mouse.wheel(0, 400)
    await expect
      .poll(async () => (await page.getByRole('heading', { name: 'Layouts', level: 1 }).boundingBox())!.y)
      .toBeLessThan(0)

    await bench(page, server.origin)
    await heading(page).click()
    const size = page.getByLabel('Size', { exact: true })
    await size.fill('40')
    await size.press('Enter')
    await size.focus()
    await size.hover()
    await page.mouse.wheel(0, 240)
    await page.mouse.wheel(0, -120)
    await expect(size).toHaveValue('40')
  },
)

test(
  'a writer’s bench has nothing to take hold of; the first field of the sign-in has the focus',
  { tag: '@alone' },
  async ({ page, server, context }) => {
    await context.clearCookies()
    await page.goto(`${server.origin}/studio/sign-in`)
    await settled(page)
    await expect(page.getByLabel('Mail address')).toBeFocused()
    await known(page, server, 'wim')
    await bench(page, server.origin)
    await heading(page).click()
    await expect(page.getByText('You may look at this layout.', { exact: false })).toBeVisible()
    await expect(page.getByRole('button', { name: 'Add a row' })).toHaveCount(0)
    await expect(page.getByRole('button', { name: 'Add something after' })).toHaveCount(0)
    await expect(page.getByLabel('Size', { exact: true })).toBeDisabled()
    await page.keyboard.press('a')
    await expect(page.getByRole('dialog')).toHaveCount(0)
    await page.getByRole('searchbox', { name: 'Find a property' }).fill('zzz')
    await expect(page.getByText('Nothing here is called “zzz”.')).toBeVisible()
  },
)
