import sharp from 'sharp'
import type { Page } from '@playwright/test'
import { expect, findings, known, release, settled, signIn, test, visitor } from './studio'

/** The rooms of the content: terms, people, menus, pictures, addresses, settings, and what comes along. */

const kept = (page: Page) => expect(page.locator('footer').getByText('Saved', { exact: true })).toBeVisible()
const room = async (page: Page, origin: string, name: string) => {
  await page.goto(`${origin}/studio/content/${name}`)
  await settled(page)
}
const line = (page: Page, name: RegExp) => page.getByRole('textbox', { name })
/** A picture of one colour. */
const picture = (width: number) =>
  sharp({ create: { width, height: 40, channels: 3, background: '#a52' } })
    .png()
    .toBuffer()

test.describe('by keys', () => {
  test.beforeEach(async ({ page, server }) => known(page, server))

  test('terms are written one after the other, nested, moved and taken back', async ({ page, server }) => {
    await room(page, server.origin, 'terms')
    await line(page, /^Tower Room/).focus()
    await page.keyboard.press('Enter')
    await expect(line(page, /^Untitled room/)).toBeFocused()
    await page.keyboard.type('Bell Loft')
    await page.keyboard.press('Alt+ArrowRight')
    await expect(line(page, /^Bell Loft, level 2/)).toBeFocused()
    await page.keyboard.press('Enter')
    await page.keyboard.type('Rope Room')
    await page.keyboard.press('Alt+ArrowUp')
    await expect(line(page, /^Rope Room, level 2/)).toBeFocused()
    await expect(page.getByText('Rope Room, level 2, number 1 there')).toBeAttached()
    expect(await findings(page)).toEqual([])
    await kept(page)
    await page.goto(`${server.origin}/rooms/bell-loft`)
    await expect(page.getByRole('heading', { name: 'Bell Loft' })).toBeVisible()
    await room(page, server.origin, 'terms')
    await line(page, /^Long Gallery/).click()
    await page.getByRole('button', { name: 'Remove Long Gallery' }).click()
    await expect(page.getByRole('dialog')).toContainText('which keep what they say')
    await page.getByRole('button', { name: 'Remove it' }).click()
    await expect(line(page, /^Long Gallery/)).toHaveCount(0)
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(line(page, /^Long Gallery/)).toHaveCount(1)
    await kept(page)
  })

  test('a menu is written in place, made on the bench, and seen by visitors after a release', async ({
    page,
    server,
    browser,
  }) => {
    await room(page, server.origin, 'menus')
    await page.getByRole('combobox', { name: 'Add to the menu' }).fill('support')
    await page.getByRole('option', { name: /Support us/ }).click()
    await expect(page.getByText('/about/support-us')).toBeVisible()
    const added = page.getByRole('textbox', { name: 'Support us, level 1' })
    await added.focus()
    await page.keyboard.press('Alt+ArrowUp')
    await page.keyboard.press('Alt+ArrowRight')
    await expect(page.getByRole('textbox', { name: 'Support us, level 2' })).toBeFocused()
    await page.keyboard.press('Alt+ArrowLeft')
    await page.keyboard.type('Friends')
    await page.keyboard.press('Tab')
    expect(await findings(page)).toEqual([])
    await kept(page)
    const guest = await visitor(browser)
    await guest.goto(server.origin)
    await expect(guest.locator('header').getByRole('link', { name: 'Friends' })).toHaveCount(0)
    await release(page)
    await guest.reload()
    await expect(guest.locator('header').getByRole('link', { name: 'Friends' })).toBeVisible()

    await page.goto(`${server.origin}/studio/layouts/slim-footer`)
    await settled(page)
    await page.getByRole('treeitem', { name: /^Menu/ }).first().click()
    await page.getByLabel('Menu', { exact: true }).selectOption({ label: 'no menu chosen' })
    await page.getByRole('button', { name: 'Make a menu' }).click()
    await page.getByLabel('Name of the menu').fill('Feet')
    await page.getByRole('button', { name: 'Make it' }).click()
    await expect(page.getByRole('heading', { name: 'Feet' })).toBeVisible()
    await page.getByRole('combobox', { name: 'Add to the menu' }).fill('contact')
    await page
      .getByRole('option', { name: /Contact/ })
      .first()
      .click()
    await page.getByRole('button', { name: 'Done' }).click()
    await expect(
      page.frameLocator('section[aria-label="Page"] iframe').getByRole('link', { name: 'Contact' }),
    ).toBeVisible()
  })
})

test('people are added, described, found, and told of before they go', async ({ page, server }) => {
  await known(page, server)
  await room(page, server.origin, 'people')
  await page.getByLabel('Name of somebody new').fill('Nell Ashby')
  await page.keyboard.press('Enter')
  await page.getByLabel('Role').fill('Winder')
  await page.getByLabel('Telephone').fill('+44 20 7946 0000')
  await page.getByLabel('Telephone').blur()
  expect(await findings(page)).toEqual([])
  await kept(page)
  await page.getByRole('button', { name: /Ines Calloway/ }).click()
  await page.getByRole('button', { name: 'Remove this person…' }).click()
  await expect(page.getByRole('dialog')).toContainText('Entries')
  await page.getByRole('button', { name: 'Keep it' }).click()
  await page.reload()
  await settled(page)
  await page.getByRole('button', { name: /Nell Ashby/ }).click()
  await expect(page.getByLabel('Telephone')).toHaveValue('+44 20 7946 0000')
})

test('pictures are brought, described, pointed at, replaced, refused with a reason, and shown', async ({
  page,
  server,
}) => {
  await known(page, server, 'wim')
  await room(page, server.origin, 'pictures')
  await page.getByLabel('Files to bring').setInputFiles([
    { name: 'bell.png', mimeType: 'image/png', buffer: await picture(60) },
    { name: 'lie.png', mimeType: 'image/png', buffer: Buffer.from('<html>no picture</html>') },
    { name: 'plan.pdf', mimeType: 'application/pdf', buffer: Buffer.from('%PDF-1.7\n%âãÏÓ\nwords') },
  ])
  await expect(page.getByText('lie.png is no file of a kind that is taken here', { exact: false })).toBeVisible()
  await page.getByRole('button', { name: 'Understood' }).click()
  await expect(page.getByText('bell.png', { exact: true }).first()).toBeVisible()
  await page.getByLabel('Description').fill('A bell in the grass')
  await page.getByLabel('Description').blur()
  await expect(page.getByRole('button', { name: /A bell in the grass/ })).toBeVisible()
  await page.getByRole('button', { name: /^What stays in sight/ }).press('ArrowLeft')
  await expect(page.getByRole('button', { name: /^What stays in sight: 40 from the left/ })).toBeVisible()
  expect(await findings(page)).toEqual([])
  await page.getByRole('button', { name: /^Other files/ }).click()
  await expect(page.getByRole('link', { name: 'plan.pdf' })).toBeVisible()
  await page.getByRole('button', { name: /^Not used/ }).click()
  await page.getByRole('button', { name: /A bell in the grass/ }).click()
  await page.getByRole('button', { name: 'Remove…' }).click()
  await expect(page.getByText('The picture is removed', { exact: false })).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await page.getByRole('button', { name: /^All/ }).click()
  await expect(page.getByRole('button', { name: /A bell in the grass/ })).toBeVisible()

  // The same from within an entry.
  await page.goto(`${server.origin}/studio/content/entries/access`)
  await settled(page)
  await page.getByRole('button', { name: 'Lead picture: none' }).click()
  await page
    .getByLabel('Files of pictures')
    .setInputFiles({ name: 'second.png', mimeType: 'image/png', buffer: await picture(70) })
  await expect(page.getByRole('button', { name: /^Lead picture: (?!none)/ })).toBeVisible()
  await page.getByRole('button', { name: 'Store', exact: true }).click()
  await expect(page.getByText('Stored.', { exact: true })).toBeVisible()
})

test('an address that a page had is listed, others are led by hand, and what cannot be is told', async ({
  page,
  server,
}) => {
  await known(page, server)
  await page.goto(`${server.origin}/studio/content/entries/access`)
  await settled(page)
  await page.getByLabel('Last part of the address').fill('getting-in')
  await page.getByRole('button', { name: 'Store', exact: true }).click()
  await expect(page.getByText('Stored.', { exact: true })).toBeVisible()
  await page.goto(`${server.origin}/studio/visitors/redirects`)
  await settled(page)
  await expect(page.getByRole('listitem').filter({ hasText: '/access' })).toContainText('Access')
  await page.getByLabel('From').fill(`${server.origin}/old/plan/`)
  await page.getByRole('combobox', { name: 'To' }).fill('visit')
  await page.getByRole('option', { name: /Visit/ }).first().click()
  await page.getByRole('button', { name: 'Lead it there' }).click()
  await expect(page.getByRole('listitem').filter({ hasText: '/old/plan' })).toContainText('Visit')
  await page.getByLabel('From').fill('/visit')
  await page.getByRole('combobox', { name: 'To' }).fill('/old/plan')
  await page.getByRole('option', { name: /this address/ }).click()
  await page.getByRole('button', { name: 'Lead it there' }).click()
  await expect(page.getByRole('alert')).toContainText('would not be reached any more')
  expect(await findings(page)).toEqual([])
  await page.goto(`${server.origin}/access`)
  await expect(page).toHaveURL(`${server.origin}/getting-in`)
})

test('settings are kept as they are said; the owner says who works here', async ({ page, server, browser }) => {
  await known(page, server, 'orla')
  await room(page, server.origin, 'settings')
  await page.getByLabel('Name', { exact: true }).fill('Quillmere Museum of Time')
  await page.getByLabel('Name', { exact: true }).blur()
  await page.getByLabel('Locale').fill('no locale at all')
  await page.getByLabel('Locale').blur()
  await expect(page.getByText('a locale is written as en-GB', { exact: false })).toBeVisible()
  expect(await findings(page)).toEqual([])
  await page.getByRole('button', { name: 'Add somebody' }).click()
  const form = page.getByRole('region', { name: 'People who work here' })
  await form.getByLabel('Name', { exact: true }).fill('Nell Ashby')
  await form.getByLabel('Mail address').fill('nell@quillmere.example.org')
  await form.getByLabel('Password, of at least 12 characters').fill('wind-me-on-sunday')
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(page.getByText('Nell Ashby can sign in now.')).toBeVisible()
  const nell = await (await browser.newContext()).newPage()
  await signIn(nell, server, 'nell')
  await page.getByLabel('Role of Nell Ashby').selectOption('designer')
  await expect(page.getByLabel('Role of Nell Ashby')).toHaveValue('designer')
  await nell.reload()
  await expect(nell.locator('form').getByRole('button', { name: 'Sign in' })).toBeVisible()
  await page.getByLabel('Role of Orla Quill').selectOption('writer')
  await expect(page.getByRole('alert').filter({ hasText: 'A site needs an owner' })).toBeVisible()
  await page.getByRole('button', { name: 'Remove Nell Ashby' }).click()
  await page.getByRole('dialog').getByRole('button', { name: 'Remove', exact: true }).click()
  await expect(page.getByText('Nell Ashby works here no more.')).toBeVisible()
  const guest = await visitor(browser)
  await guest.goto(server.origin)
  await expect(guest).toHaveTitle('Quillmere Museum of Time')
})

test('a table is looked at, taken along, reported and taken back', async ({ page, server }) => {
  await known(page, server)
  await room(page, server.origin, 'bring')
  await page.getByLabel('File to bring along').setInputFiles({
    name: 'gongs.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('Headline,Body,Day\nThe first gong,<p>Loud</p>,2026-03-29\nThe second gong,Softer,soon\n'),
  })
  await page.getByLabel('Become entries of').selectOption({ label: 'Stories' })
  await expect(page.getByLabel('What Headline is')).toHaveValue('title')
  await page.getByLabel('What Day is').selectOption({ label: 'Date' })
  await page.getByRole('button', { name: 'Preview' }).click()
  await expect(page.getByText('Row 2: soon is no day that can be read')).toBeVisible()
  expect(await findings(page)).toEqual([])
  await page.getByRole('button', { name: 'Take 2 rows along' }).click()
  const done = page.getByRole('listitem').filter({ hasText: 'gongs.csv' })
  await expect(done).toContainText('done, 2 new entries')
  await page.goto(`${server.origin}/studio/content/entries?words=gong`)
  await expect(page.getByRole('link', { name: 'The first gong' })).toBeVisible()
  await room(page, server.origin, 'bring')
  await page.getByRole('button', { name: 'Take back gongs.csv' }).click()
  await expect(done).toContainText('taken back')
  await page.goto(`${server.origin}/studio/content/entries?words=gong`)
  await expect(page.getByText('No entry is like that.')).toBeVisible()
})

test('everything is found from everywhere', async ({ page, server }) => {
  await signIn(page, server)
  for (const [typed, option, address] of [
    ['tower room', /^Tower Room room/, /content\/terms\?term=tower-room/],
    ['small print', /^Small print menu/, /content\/menus\?menu=small-print/],
    ['tobias', /^Tobias Renn Keeper/, /content\/people\?person=tobias-renn/],
    ['time zone', /^Settings/, /content\/settings/],
  ] as const) {
    await page.keyboard.press('Control+k')
    await page.getByRole('combobox', { name: 'Find and do anything' }).fill(typed)
    await page.getByRole('option', { name: option }).first().click()
    await expect(page).toHaveURL(address)
  }
})

test('a phone reaches every room, and nothing runs out at its side', async ({ page, server }) => {
  await signIn(page, server, 'orla')
  await page.setViewportSize({ width: 390, height: 800 })
  for (const name of [
    'entries',
    'types',
    'terms',
    'people',
    'menus',
    'pictures',
    '../visitors',
    '../visitors/searches',
    '../visitors/redirects',
    '../house',
    'bring',
    'settings',
    'entries/visit',
  ]) {
    await room(page, server.origin, name)
    await expect(page.getByRole('status').filter({ hasText: 'Fetching' })).toHaveCount(0)
    const wide = await page.evaluate(() => document.documentElement.scrollWidth)
    expect([name, wide]).toEqual([name, 390])
  }
})
