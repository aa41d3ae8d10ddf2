import type { Page } from '@playwright/test'
import { known, expect, findings, test } from './studio'

/** A site without a design begins with a whole one. */

test.use({ demo: 'bare' })
const dialog = (page: Page) => page.getByRole('dialog')

test('begins with a whole site, which is told before it is taken, and released', async ({ page, server }) => {
  await known(page, server)
  await page.goto(`${server.origin}/studio`)
  await page.getByRole('button', { name: 'Look at them' }).click()
  await expect(dialog(page).getByRole('button')).toHaveCount(4)
  expect(await findings(page)).toEqual([])
  await dialog(page)
    .getByRole('button', { name: /^Gallery/ })
    .click()
  await expect(dialog(page)).toContainText('Mark between two halves')
  await dialog(page)
    .getByRole('button', { name: /^Take \d+ into the draft/ })
    .click()
  await expect(page.getByRole('button', { name: 'Look at them' })).toHaveCount(0)
  await page.getByRole('button', { name: 'Release…' }).click()
  await dialog(page)
    .getByRole('button', { name: /^Release \d+ changes/ })
    .click()
  await expect(dialog(page)).toContainText('Release 1 is what visitors see now')
  const lost = await page.request.get(`${server.origin}/nowhere`)
  expect([lost.status(), (await lost.text()).includes('Turn back')]).toEqual([404, true])
})
