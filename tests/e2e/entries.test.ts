import type { Page } from '@playwright/test'
import { known, expect, findings, settled, signIn, test } from './studio'

/** Entries: the table, the sheet of paper, the page beside it, stored states, and two writers on one entry. */

const open = async (page: Page, origin: string, what = 'entries') => {
  await page.goto(`${origin}/studio/content/${what}`)
  await settled(page)
}
const title = (page: Page) => page.getByLabel('Title', { exact: true })
const store = (page: Page) => page.getByRole('button', { name: 'Store', exact: true })

test('entries are found, sorted, chosen, changed together, removed and put back', async ({ page, server }) => {
  await known(page, server, 'wim')
  await open(page, server.origin)
  await page.getByRole('button', { name: 'Tickets' }).click()
  await expect(page.getByText('6 entries', { exact: true })).toBeVisible()
  await page.getByRole('button', { name: /^Title/ }).click()
  await expect(page.getByRole('columnheader', { name: /^Title/ })).toHaveAttribute('aria-sort', 'ascending')
  await expect(page.getByRole('row').nth(1)).toContainText('Child, 6 to 15')
  await page.getByLabel('Choose Day ticket').check()
  await page.getByRole('button', { name: 'all 6' }).click()
  await expect(page.getByText('6 entries chosen')).toBeVisible()
  expect(await findings(page)).toEqual([])
  await page.getByRole('button', { name: 'Unpublish' }).click()
  await expect(page.getByText('6 entries are not published any more.')).toBeVisible()
  await page.getByRole('button', { name: 'Not published' }).click()
  await expect(page.getByRole('link', { name: 'Day ticket' })).toBeVisible()
  await page.getByLabel('Find by words').fill('childr')
  await expect(page.getByRole('link', { name: 'Family day' })).toBeVisible()
  await expect(page.getByRole('link', { name: 'Day ticket', exact: true })).toHaveCount(0)
  await page.getByLabel('Choose Family day').check()
  await page.getByRole('button', { name: 'Remove', exact: true }).click()
  await expect(page.getByText('No entry is like that.')).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('link', { name: 'Family day' })).toBeVisible()
  await page.getByRole('button', { name: 'Columns' }).click()
  await page.getByLabel('Address', { exact: true }).check()
  await expect(page.getByRole('columnheader', { name: 'Address' })).toBeVisible()
  await page.reload()
  await settled(page)
  await expect(page.getByRole('columnheader', { name: 'Address' })).toBeVisible()
  await expect(page.getByLabel('Find by words')).toHaveValue('childr')
})

test('the page follows what is written, names its layouts, and every stored state comes back', async ({
  page,
  server,
}) => {
  await known(page, server)
  await open(page, server.origin, 'entries/fenwick-turret-clock')
  await page.getByRole('button', { name: 'Its page' }).click()
  const drawn = page.frameLocator('section[aria-label="Its page"] iframe')
  await expect(drawn.getByRole('heading', { level: 1 })).toHaveText('Fenwick turret clock')
  await title(page).fill('Fenwick turret clock, restored')
  await expect(drawn.getByRole('heading', { level: 1 })).toHaveText('Fenwick turret clock, restored')
  await expect(page.getByRole('link', { name: 'Turret exhibit' })).toHaveAttribute('href', /layouts\/turret-exhibit/)
  await page.getByRole('textbox', { name: 'Content' }).click()
  await page.keyboard.press('Control+Home')
  await page.getByRole('button', { name: 'table', exact: true }).click()
  await page.keyboard.type('Year')
  await expect(drawn.locator('table th').first()).toHaveText('Year')
  expect(await findings(page)).toEqual([])
  await expect(page.getByText('Kept for you; not stored yet')).toBeVisible()
  await store(page).click()
  await expect(page.getByText('Stored.', { exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'States' }).click()
  const states = page.getByRole('dialog', { name: 'Stored states' })
  await expect(
    states.getByRole('row', { name: /^Title Fenwick turret clock Fenwick turret clock, restored/ }),
  ).toBeVisible()
  expect(await findings(page)).toEqual([])
  await states.getByRole('button', { name: 'Bring this back' }).click()
  await expect(title(page)).toHaveValue('Fenwick turret clock')
  await store(page).click()
  await page.goto(`${server.origin}/exhibits/fenwick-turret-clock`)
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Fenwick turret clock')
})

test('what is written is there on another machine, and holds for nobody else until it is stored', async ({
  page,
  server,
  browser,
}) => {
  await known(page, server, 'wim')
  await open(page, server.origin, 'entries/visit')
  await title(page).fill('Visit us')
  await expect(page.getByText('Kept for you; not stored yet')).toBeVisible()
  const elsewhere = await (await browser.newContext()).newPage()
  await signIn(elsewhere, server, 'wim')
  await open(elsewhere, server.origin, 'entries/visit')
  await expect(title(elsewhere)).toHaveValue('Visit us')
  await elsewhere.goto(`${server.origin}/visit`)
  await expect(elsewhere.getByRole('heading', { level: 1 })).toHaveText('Visit')
  const ada = await (await browser.newContext()).newPage()
  await signIn(ada, server)
  await open(ada, server.origin, 'entries/visit')
  await expect(title(ada)).toHaveValue('Visit')
})

test('two writers: what only one changed is together, what both changed is shown to choose from', async ({
  page,
  server,
  browser,
}) => {
  await known(page, server, 'wim')
  await open(page, server.origin, 'entries/night-shift')
  const ada = await (await browser.newContext()).newPage()
  await signIn(ada, server)
  await open(ada, server.origin, 'entries/night-shift')
  await title(page).fill('Night shift, by Wim')
  await store(page).click()
  await expect(page.getByText('Stored.', { exact: true })).toBeVisible()
  await ada.getByLabel('Summary').fill('Summed up by Ada')
  await store(ada).click()
  await expect(ada.getByText('Stored, together with what others have stored meanwhile.')).toBeVisible()
  await expect(title(ada)).toHaveValue('Night shift, by Wim')
  await page.getByLabel('Summary').fill('Summed up by Wim')
  await title(page).fill('Night shift, again')
  await store(page).click()
  const both = page.getByRole('alert', { name: 'Changed by both' })
  await expect(both).toContainText('Summed up by Wim')
  await expect(both).toContainText('Summed up by Ada')
  expect(await findings(page)).toEqual([])
  await both.getByRole('button', { name: 'Take theirs' }).click()
  await store(page).click()
  await expect(page.getByText('Stored.', { exact: true }).last()).toBeVisible()
  await page.goto(`${server.origin}/stories/night-shift`)
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Night shift, again')
  await expect(page.locator('main')).toContainText('Summed up by Ada')
})

test('a field of another kind shows first what its values come to', async ({ page, server }) => {
  await known(page, server)
  await open(page, server.origin, 'types')
  await page.getByRole('button', { name: /^Exhibits/ }).click()
  await page.getByRole('button', { name: /Height/ }).click()
  await page.getByRole('combobox', { name: /^Kind/ }).selectOption({ label: 'Picture' })
  await expect(page.getByRole('dialog')).toContainText('come to nothing')
  await page.getByRole('button', { name: 'Keep the kind' }).click()
  await expect(page.getByRole('combobox', { name: /^Kind/ })).toHaveValue('number')
  await page.getByRole('combobox', { name: /^Kind/ }).selectOption({ label: 'Line of text' })
  await expect(page.getByRole('dialog')).toContainText('read as what they come to')
  await page.getByRole('button', { name: 'Change it' }).click()
  await expect(page.locator('footer').getByText('Saved', { exact: true })).toBeVisible()
  await page.goto(`${server.origin}/exhibits/fenwick-turret-clock`)
  await expect(page.locator('main')).toContainText('212')
})
