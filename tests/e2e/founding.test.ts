import { codeOf, expect, found, settled, test } from './studio'

/** From an empty folder to a site of one's own. */

test.use({ demo: 'none' })

test(
  'whoever has the code founds a site, is its owner, and every screen of the studio is there',
  { tag: '@alone' },
  async ({ page, server }) => {
    await page.goto(`${server.origin}/studio/layouts`)
    await expect(page).toHaveURL(`${server.origin}/studio/begin`)
    await settled(page)
    await expect(page.getByLabel('Code')).toBeFocused()
    // By keyboard alone; a wrong code says where the right one is.
    await page.keyboard.type('aaaa-aaaa')
    await page.keyboard.press('Tab')
    await page.keyboard.type('Salt Works')
    await page.getByLabel('Your name').fill('Rui')
    await page.getByLabel('Mail address').fill('rui@saltworks.example.org')
    await page.getByLabel('Password').fill('a heron on the dyke')
    await page.keyboard.press('Enter')
    await expect(page.getByRole('alert')).toContainText('It stands where the server was started')
    await expect(page.getByLabel('Your name')).toHaveValue('Rui')
    await page.getByLabel('Code').fill(codeOf(server.said()))
    await page.keyboard.press('Enter')
    await expect(page.getByRole('navigation', { name: 'Studio' })).toBeVisible()
    await expect(page.getByText('Salt Works').first()).toBeVisible()
    for (const screen of ['Map', 'Layouts', 'Content', 'Checks', 'Releases']) {
      await page.getByRole('link', { name: screen, exact: true }).click()
      await expect(page.getByRole('link', { name: screen, exact: true })).toHaveAttribute('aria-current', 'page')
      await expect(page.getByRole('alert')).toHaveCount(0)
    }
    await page.goto(`${server.origin}/studio/begin`)
    await expect(page).toHaveURL(`${server.origin}/studio`)
    await page.goto(server.origin)
    await expect(page.getByRole('heading', { name: 'Salt Works' })).toBeVisible()
  },
)

test('a site that begins with nothing has a studio that says so', { tag: '@alone' }, async ({ page, server }) => {
  await found(page, server, true)
  for (const screen of ['Map', 'Layouts', 'Content', 'Checks', 'Releases']) {
    await page.getByRole('link', { name: screen, exact: true }).click()
    await expect(page.getByRole('link', { name: screen, exact: true })).toHaveAttribute('aria-current', 'page')
    await expect(page.getByRole('alert')).toHaveCount(0)
  }
})
