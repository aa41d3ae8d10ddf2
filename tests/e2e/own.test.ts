import sharp from 'sharp'
import type { Page } from '@playwright/test'
import {
  add,
  benchPage,
  expect,
  found,
  keep,
  makeFrame,
  makeLayout,
  release,
  saved,
  settled,
  test,
  visitor,
} from './studio'

/** A whole site of one's own, without the demo: from an empty folder to what visitors see. */

test.use({ demo: 'none' })

const room = async (page: Page, origin: string, name: string) => {
  await page.goto(`${origin}/studio/content/${name}`)
  await settled(page)
}
const photograph = (background: string) =>
  sharp({ create: { width: 1500, height: 900, channels: 3, background } })
    .jpeg()
    .toBuffer()

/** Writes an entry of the type that is there, with its picture, and publishes it. */
async function write(page: Page, origin: string, title: string, metres: string, picture: string): Promise<void> {
  await room(page, origin, 'entries')
  await page.getByRole('button', { name: 'New entry' }).click()
  await page.getByRole('dialog').getByLabel('Title').fill(title)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: title })).toBeVisible()
  await page.getByRole('textbox', { name: 'Content' }).click()
  await page.keyboard.type(`${title} was built on the dyke.`)
  await page.getByLabel('Length').fill(metres)
  await page.getByLabel('Rig').selectOption({ label: 'Lugger' })
  await page.getByLabel('Loaded in').check()
  await page.getByRole('button', { name: 'Lead picture: none' }).click()
  await page
    .getByRole('dialog')
    .getByRole('button', { name: new RegExp(picture) })
    .click()
  await page.getByLabel('Published').check()
  await page.getByRole('button', { name: 'Store', exact: true }).click()
  await expect(page.getByText('Stored.', { exact: true })).toBeVisible()
}

test('from an empty folder to a released site with own types, terms, entries, pictures and menus', async ({
  page,
  browser,
  server,
}) => {
  test.setTimeout(240_000)
  await found(page, server, true)

  await test.step('a taxonomy with terms, and a page type with fields', async () => {
    await room(page, server.origin, 'types')
    await page.getByRole('button', { name: 'New taxonomy' }).click()
    await page.getByRole('dialog').getByLabel('One is called').fill('Harbour')
    await page.keyboard.press('Enter')
    await room(page, server.origin, 'terms')
    await page.getByRole('button', { name: 'New harbour' }).click()
    await page.keyboard.type('Loaded in Setubal')
    await page.keyboard.press('Tab')
    await saved(page)
    await room(page, server.origin, 'types')
    await page.getByRole('button', { name: 'New page type' }).click()
    await page.getByRole('dialog').getByLabel('One is called').fill('Boat')
    await page.keyboard.press('Enter')
    for (const [label, kind] of [
      ['Length', 'Number'],
      ['Rig', 'One choice'],
    ] as const) {
      await page.getByLabel('Label of a new field').fill(label)
      await page.getByLabel('Its kind').selectOption({ label: kind })
      await page.getByRole('button', { name: 'Add the field' }).click()
    }
    await page.getByLabel('Another choice').fill('Lugger')
    await page.keyboard.press('Enter')
    await page.getByRole('button', { name: /^Boats/ }).click()
    await page.getByLabel('Harbours').check()
    await page.getByLabel('Has an archive').check()
    await saved(page)
  })

  await test.step('pictures, and entries that show them', async () => {
    await room(page, server.origin, 'pictures')
    await page.getByLabel('Files to bring').setInputFiles([
      { name: 'heron.jpg', mimeType: 'image/jpeg', buffer: await photograph('#745') },
      { name: 'curlew.jpg', mimeType: 'image/jpeg', buffer: await photograph('#375') },
    ])
    for (const name of [/heron/, /curlew/])
      await expect(page.getByRole('button', { name }).first()).toBeVisible({ timeout: 20_000 })
    await write(page, server.origin, 'The Heron', '12.5', 'heron')
    await write(page, server.origin, 'The Curlew', '9', 'curlew')
  })

  await test.step('a menu', async () => {
    await room(page, server.origin, 'menus')
    await page.getByLabel('Name of a new menu').fill('Main')
    await page.keyboard.press('Enter')
    for (const name of ['Boats', 'The Heron']) {
      await page.getByRole('combobox', { name: 'Add to the menu' }).fill(name)
      await page
        .getByRole('option', { name: new RegExp(name) })
        .first()
        .click()
    }
    await saved(page)
  })

  await test.step('a header with the menu, a body from the fields, and where they apply', async () => {
    await makeLayout(page, server, 'Top', 'Header')
    await page.getByRole('button', { name: 'Add a row' }).click()
    await page.getByRole('button', { name: 'Columns 4 + 8' }).click()
    await page.getByRole('treeitem', { name: 'Column, 4 of 12' }).click()
    await add(page, 'Site name')
    await page.getByRole('treeitem', { name: 'Column, 8 of 12' }).click()
    await add(page, 'Menu')
    await page.getByLabel('Menu', { exact: true }).selectOption({ label: 'Main' })
    await expect(benchPage(page).locator('header nav').getByRole('link', { name: 'The Heron' })).toBeVisible()
    await saved(page)
    await makeLayout(page, server, 'Boat page', 'Body')
    await page.getByRole('button', { name: 'Add a row' }).click()
    await page.getByRole('button', { name: 'Columns 12' }).click()
    await page.getByRole('treeitem', { name: 'Column, 12 of 12' }).click()
    for (const element of ['Field', 'Lead picture', 'Entry content']) await add(page, element)
    await saved(page)
    await page.goto(`${server.origin}/studio`)
    await settled(page)
    await makeFrame(page, ['Every page'], { Header: 'Top' })
    await keep(page)
    await makeFrame(page, ['Boats'], { Body: 'Boat page' })
    await keep(page)
  })

  await test.step('visitors see it after the release, and not before', async () => {
    const guest = await visitor(browser)
    await guest.goto(`${server.origin}/boats/the-heron`)
    await expect(guest.locator('header')).toHaveCount(0)
    await release(page)
    await guest.reload()
    await expect(guest.locator('.of-body .of-field')).toHaveText('The Heron')
    await expect(guest.getByText('The Heron was built on the dyke.')).toBeVisible()
    await expect(guest.locator('header nav').getByRole('link', { name: 'Boats' })).toBeVisible()
    const shown = guest.locator('.of-body img').first()
    await expect(shown).toHaveAttribute('srcset', /320w/)
    expect(await shown.evaluate((img: HTMLImageElement) => img.decode().then(() => img.naturalWidth))).toBeGreaterThan(
      300,
    )
    await guest.locator('header nav').getByRole('link', { name: 'Boats' }).click()
    await expect(guest.getByRole('link', { name: 'The Curlew' })).toBeVisible()
    await guest.goto(`${server.origin}/harbours/loaded-in-setubal`)
    await expect(guest.getByRole('link', { name: 'The Heron' }).last()).toBeVisible()
  })
})
