import type { Page } from '@playwright/test'
import { known, expect, findings, release, saved, settled, signIn, test, visitor } from './studio'

/** The house style: kept at once, seen beside as it changes, released, merged between windows. */

const specimen = (page: Page) => page.frameLocator('section[aria-label="The house at work"] iframe').first()
async function open(page: Page, origin: string): Promise<void> {
  await page.goto(`${origin}/studio/house`)
  await settled(page)
  await expect(specimen(page).getByRole('heading', { level: 1 })).toBeVisible()
}
const colourOf = (page: Page, name: string) =>
  specimen(page)
    .getByText(name)
    .first()
    .evaluate((e) => getComputedStyle(e).color)
const part = (page: Page, name: string) => page.getByRole('region', { name, exact: true })

test('a colour is changed: seen at once, named where it is used, undone, and released to the whole site', async ({
  page,
  server,
  browser,
}) => {
  await known(page, server)
  await open(page, server.origin)
  await part(page, 'Palette')
    .getByRole('button', { name: /^Vermilion #/ })
    .click()
  await expect(page.getByRole('link', { name: 'Turret exhibit' })).toBeVisible()
  await expect(
    part(page, 'Palette')
      .getByRole('listitem')
      .filter({ hasText: /^on Paper/ }),
  ).toContainText('reads')
  await expect(specimen(page).locator('[data-house]').first()).toBeVisible()
  const hex = page.getByLabel('Vermilion as a hex code')
  await hex.fill('#116644')
  await hex.press('Enter')
  await expect.poll(() => colourOf(page, 'what a link looks like')).toBe('rgb(17, 102, 68)')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect.poll(() => colourOf(page, 'what a link looks like')).toBe('rgb(176, 58, 34)')
  await page.getByRole('button', { name: 'Redo' }).click()
  await saved(page)
  await page.reload()
  await settled(page)
  await expect.poll(() => colourOf(page, 'what a link looks like')).toBe('rgb(17, 102, 68)')

  const outside = await visitor(browser)
  await outside.goto(`${server.origin}/visit`)
  const css = () => outside.locator('style').first().textContent()
  expect(await css()).toContain('--c-accent:#b03a22')
  await release(page)
  await outside.reload()
  expect(await css()).toContain('--c-accent:#116644')
  expect(await findings(page)).toEqual([])
})

test('families are found by typing, sizes go by ratio or by hand, and only what is used is sent', async ({
  page,
  server,
}) => {
  await known(page, server)
  await open(page, server.origin)
  await page.getByRole('button', { name: /^Headings: Newsreader/ }).click()
  await page.getByLabel('Find a family for headings').fill('frau')
  await page.getByLabel('Find a family for headings').press('Enter')
  const title = specimen(page).getByRole('heading', { level: 1 })
  await expect.poll(() => title.evaluate((e) => getComputedStyle(e).fontFamily)).toContain('Fraunces Variable')
  const sheet = await specimen(page).locator('style').first().textContent()
  expect(sheet).toContain('/_of/fonts/fraunces/')
  expect(sheet).not.toContain('/_of/fonts/newsreader/')
  const size = () => title.evaluate((e) => getComputedStyle(e).fontSize)
  const before = await size()
  await part(page, 'Type').getByRole('button', { name: 'golden' }).click()
  await expect.poll(size).not.toBe(before)
  await page.getByRole('spinbutton', { name: 'Heading 1' }).fill('50')
  await expect.poll(size).toBe('50px')
  await page.getByRole('button', { name: /Heading 1 is set by hand/ }).click()
  await expect.poll(size).not.toBe('50px')
})

test('a button look of one’s own, with its hover, stands in layouts and follows what the house says', async ({
  page,
  server,
  browser,
}) => {
  await known(page, server)
  await open(page, server.origin)
  await page.getByLabel('Name of a new look').fill('Loud')
  await part(page, 'Buttons').getByRole('button', { name: 'Add' }).click()
  const button = specimen(page).getByText('Loud', { exact: true })
  await expect(button).toBeVisible()
  await part(page, 'Buttons').getByRole('spinbutton', { name: 'Rounding', exact: true }).fill('20')
  await expect.poll(() => button.evaluate((e) => getComputedStyle(e).borderTopLeftRadius)).toBe('20px')
  await part(page, 'Buttons').getByRole('button', { name: 'Under the pointer' }).click()
  await part(page, 'Buttons').getByRole('spinbutton', { name: 'Opacity' }).fill('50')
  await button.hover()
  await expect.poll(() => button.evaluate((e) => getComputedStyle(e).opacity)).toBe('0.5')
  await saved(page)
  await page.goto(`${server.origin}/studio/layouts/home`)
  await settled(page)
  await page.getByRole('treeitem', { name: /^Button: Plan a visit/ }).click()
  await page.getByLabel('Look', { exact: true }).first().selectOption({ label: 'Loud' })
  await saved(page)
  await release(page)
  const outside = await visitor(browser)
  await outside.goto(`${server.origin}/`)
  await expect(outside.getByRole('link', { name: 'Plan a visit' })).toHaveCSS('border-top-left-radius', '20px')
})

test('two windows change two things, and both hold', async ({ page, server, browser }) => {
  await known(page, server)
  await open(page, server.origin)
  const other = await (await browser.newContext()).newPage()
  await signIn(other, server)
  await open(other, server.origin)
  await page.getByRole('spinbutton', { name: 'Text', exact: true }).fill('20')
  await saved(page)
  await other.getByRole('spinbutton', { name: 'Between columns' }).fill('44')
  await saved(other)
  await expect(other.getByRole('spinbutton', { name: 'Text', exact: true })).toHaveValue('20')
  await page.reload()
  await settled(page)
  await expect(page.getByRole('spinbutton', { name: 'Between columns' })).toHaveValue('44')
})

test('the dark has colours of its own, which visitors with a dark system see', async ({ page, server, browser }) => {
  await known(page, server)
  await open(page, server.origin)
  await page.getByRole('button', { name: 'In the dark' }).click()
  for (const [name, hex] of [
    ['Ink', '#eeeeee'],
    ['Paper', '#101214'],
  ]) {
    await part(page, 'Palette')
      .getByRole('button', { name: new RegExp(`^${name} #`) })
      .click()
    await page.getByLabel(`${name} as a hex code`).fill(hex!)
    await page.getByLabel(`${name} as a hex code`).press('Enter')
  }
  await page.getByRole('button', { name: 'By their system' }).click()
  await saved(page)
  await release(page)
  const ground = async (colorScheme: 'dark' | 'light') => {
    const window = await (await browser.newContext({ colorScheme })).newPage()
    await window.goto(`${server.origin}/visit`)
    return window.locator('body').evaluate((e) => getComputedStyle(e).backgroundColor)
  }
  expect(await ground('dark')).toBe('rgb(16, 18, 20)')
  expect(await ground('light')).toBe('rgb(253, 251, 245)')
})

test('design tokens go out and come in; a font file is judged by what is in it', async ({ page, server }) => {
  await known(page, server)
  await open(page, server.origin)
  const tokens = (text: string) => ({
    name: 'brand.tokens.json',
    mimeType: 'application/json',
    buffer: Buffer.from(text),
  })
  const field = page.getByLabel('File of design tokens')
  await field.setInputFiles(
    tokens('{ "sea": { "$type": "color", "$value": "#0a6c74" }, "loop": { "$value": "{loop}" } }'),
  )
  await expect(page.getByText('1 token can be taken')).toBeVisible()
  await expect(page.getByText('it goes round in a loop')).toBeVisible()
  await page.getByRole('button', { name: 'Take them' }).click()
  await expect(part(page, 'Palette').getByRole('button', { name: /^sea #0a6c74/ })).toBeVisible()
  await field.setInputFiles(tokens('no json'))
  await expect(page.getByText(/is no readable JSON/)).toBeVisible()

  const font = page.getByLabel('Font files')
  await font.setInputFiles({ name: 'fake.woff2', mimeType: 'font/woff2', buffer: Buffer.from('no font at all') })
  await expect(page.getByText(/no WOFF2 font file/)).toBeVisible()
  await font.setInputFiles('node_modules/@fontsource-variable/caveat/files/caveat-latin-wght-normal.woff2')
  await expect(page.getByLabel('Name of the family Caveat')).toBeVisible()
  await page.getByRole('button', { name: /^Headings: / }).click()
  await page.getByLabel('Find a family for headings').fill('your own')
  await page.getByLabel('Find a family for headings').press('Enter')
  const title = specimen(page).getByRole('heading', { level: 1 })
  await expect.poll(() => title.evaluate((e) => getComputedStyle(e).fontFamily)).toMatch(/of-/)
  const address = /url\((\/files\/[^)]+)\)/.exec((await specimen(page).locator('style').first().textContent())!)![1]!
  const sent = await page.request.get(server.origin + address)
  expect([sent.status(), sent.headers()['content-type']]).toEqual([200, 'font/woff2'])
})

test('whoever may not design looks, and changes nothing', async ({ page, server }) => {
  await known(page, server, 'wim')
  await open(page, server.origin)
  await expect(page.getByText('for designers and owners to change')).toBeVisible()
  await expect(page.getByLabel('Name of a new look')).toBeDisabled()
})
