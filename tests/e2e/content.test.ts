import type { Page } from '@playwright/test'
import { known, expect, findings, settled, signIn, test } from './studio'

/** Page types and entries made in the studio. */

const stored = (page: Page) => expect(page.locator('footer').getByText('Saved', { exact: true })).toBeVisible()

test('a page type with fields is made, an entry of it written, published and seen', async ({ page, server }) => {
  await signIn(page, server)
  await page.getByRole('link', { name: 'Content', exact: true }).click()
  await page.getByRole('link', { name: 'Page types' }).click()
  await page.getByRole('button', { name: 'New page type' }).click()
  await page.getByRole('dialog').getByLabel('One is called').fill('Tour')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Tours' })).toBeVisible()
  for (const [label, kind] of [
    ['Meeting point', 'Line of text'],
    ['Minutes', 'Number'],
    ['Difficulty', 'One choice'],
  ] as const) {
    await page.getByLabel('Label of a new field').fill(label)
    await page.getByLabel('Its kind').selectOption({ label: kind })
    await page.getByRole('button', { name: 'Add the field' }).click()
  }
  await page.getByLabel('Another choice').fill('Steep')
  await page.keyboard.press('Enter')
  await expect(page.getByLabel('Choice 1')).toHaveValue('Steep')
  await page.getByRole('button', { name: /Meeting point/ }).click()
  await page.getByLabel('Help').fill('Where one is awaited')
  await page.getByLabel('Asked of every published entry').check()
  // By keys: the third field goes up, and undo brings it back.
  await page.getByRole('button', { name: /^3 Difficulty/ }).focus()
  await page.keyboard.press('Alt+ArrowUp')
  await expect(page.getByRole('button', { name: /^2 Difficulty/ })).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('button', { name: /^3 Difficulty/ })).toBeVisible()
  expect(await findings(page)).toEqual([])
  await stored(page)
  await page.reload()
  await settled(page)
  await page.getByRole('button', { name: /^Tours/ }).click()
  await expect(page.getByRole('button', { name: /Meeting point/ })).toBeVisible()

  await page.getByRole('link', { name: 'Entries' }).click()
  await page.getByRole('button', { name: 'New entry' }).click()
  await page.getByRole('dialog').getByLabel('Page type').selectOption({ label: 'Tour' })
  await page.getByRole('dialog').getByLabel('Title').fill('Up the tower')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Up the tower' })).toBeVisible()
  await page.getByLabel('Published').check()
  await expect(
    page.getByRole('alert').filter({ hasText: 'Meeting point is asked of every published entry' }),
  ).toBeVisible()
  await page.getByLabel('Meeting point').fill('The door')
  await page.getByRole('button', { name: 'Store', exact: true }).click()
  await expect(page.getByText('Stored.', { exact: true })).toBeVisible()
  await page.goto(`${server.origin}/tours/up-the-tower`)
  await expect(page.getByRole('heading', { name: 'Up the tower' })).toBeVisible()
})

test('what uses a field is told before it is removed, and undo puts it back', async ({ page, server }) => {
  await known(page, server)
  await page.goto(`${server.origin}/studio/content/types`)
  await page.getByRole('button', { name: /^Exhibits/ }).click()
  await page.getByRole('button', { name: /Year made/ }).click()
  await page.getByRole('button', { name: 'Remove this field…' }).click()
  await expect(page.getByRole('dialog').getByRole('link', { name: 'Exhibit page' })).toBeVisible()
  expect(await findings(page)).toEqual([])
  await page.getByRole('button', { name: 'Remove it' }).click()
  await expect(page.getByRole('button', { name: /Year made/ })).toHaveCount(0)
  await stored(page)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('button', { name: /Year made/ })).toBeVisible()
  await stored(page)
  // An address that is taken is refused with the reason.
  await page.getByRole('button', { name: /^Talks/ }).click()
  await page.getByLabel('Addresses begin with').fill('stories')
  await page.keyboard.press('Tab')
  await expect(page.getByText('have the same address, /stories')).toBeVisible()
})

test('a writer looks at page types and changes none of them; a phone reaches all of it', async ({ page, server }) => {
  await known(page, server, 'wim')
  await page.goto(`${server.origin}/studio/content/types`)
  await page.getByRole('button', { name: /^Exhibits/ }).click()
  await expect(page.getByRole('button', { name: 'New page type' })).toHaveCount(0)
  await expect(page.getByLabel('Label of a new field')).toHaveCount(0)
  await expect(page.getByLabel('One is called')).toBeDisabled()
  await page.setViewportSize({ width: 390, height: 780 })
  await page.getByLabel('One is called').scrollIntoViewIfNeeded()
  await expect(page.getByLabel('One is called')).toBeInViewport()
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
})

test('what entries are told as to programs is said once, and seen as it is found and shared', async ({
  page,
  server,
}) => {
  await known(page, server)
  await page.goto(`${server.origin}/studio/content/types`)
  await page.getByRole('button', { name: /^Exhibits/ }).click()
  const told = page.getByRole('region', { name: 'Told to programs' })
  const found = told.getByLabel('As a search result')
  await expect(found).toContainText('– Quillmere Clock Museum')
  await told.getByLabel('In one line').selectOption({ label: 'Maker' })
  await expect(found.locator('p').last()).toHaveText(/^[A-Z]/)
  await told.getByLabel('It is', { exact: true }).selectOption({ label: 'Something on offer' })
  await stored(page)
  expect(await findings(page)).toEqual([])
  const html = await (await page.request.get(`${server.origin}/exhibits/the-night-regulator`)).text()
  expect(html).toContain('"@type":"Product"')
  expect(html).toContain('<meta name="description" content="Amos Thirkell">')
  // Both were said of one thing, one after the other: they are one step.
  await page.getByRole('button', { name: 'Undo' }).click()
  await stored(page)
  await expect(told.getByLabel('In one line')).toHaveValue('')
})

test(
  'the whole site goes out as one file, and is looked at before it comes in',
  { tag: '@alone' },
  async ({ page, server }, info) => {
    await known(page, server, 'orla')
    await page.goto(`${server.origin}/studio/content/bring`)
    await settled(page)
    const part = page.getByRole('region', { name: 'Whole site' })
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      part.getByRole('link', { name: 'Export site' }).click(),
    ])
    const file = info.outputPath('museum.site.zip')
    await download.saveAs(file)
    await part.getByLabel('Site file to import').setInputFiles(file)
    await expect(part.getByText('Nothing is changed yet.')).toBeVisible()
    await expect(part.getByRole('row', { name: /^191 pictures/ })).toBeVisible()
    await expect(part.getByRole('columnheader', { name: 'the same here' })).toBeVisible()
    await expect(part.getByLabel('Take its settings too')).not.toBeChecked()
    expect(await findings(page)).toEqual([])
    await part.getByRole('button', { name: 'Cancel' }).click()
    await part.getByLabel('Site file to import').setInputFiles(file)
    await part.getByRole('button', { name: 'Import site', exact: true }).click()
    const list = page.getByRole('list', { name: 'What was brought along' })
    await expect(list.getByText(/Quillmere Clock Museum \(whole site\)/)).toBeVisible()
    await expect(list.getByText(/^done, 0 new entries/)).toBeVisible()
    await page.getByLabel('Site file to import').setInputFiles({
      name: 'odd.zip',
      mimeType: 'application/zip',
      buffer: Buffer.from('PK and nothing else'),
    })
    await expect(part.getByText('This is no site file that can be read', { exact: false })).toBeVisible()
    // A designer works with designs and content, and moves no whole site.
    await known(page, server, 'ada')
    await page.goto(`${server.origin}/studio/content/bring`)
    await expect(page.getByRole('heading', { name: 'Take content out' })).toBeVisible()
    await expect(page.getByRole('heading', { name: 'The whole site in one file' })).toHaveCount(0)
  },
)
