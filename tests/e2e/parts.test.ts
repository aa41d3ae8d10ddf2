import { add, benchPage, expect, known, saved, test } from './studio'

/** What a spec names: items of a property, parts and their states, and places that hold rows. */

test.beforeEach(async ({ page, server }) => known(page, server))

test('a link list: links are added, said, moved and taken away, each as a step of its own', async ({
  page,
  server,
}) => {
  await page.goto(`${server.origin}/studio/layouts/house-footer`)
  await expect(benchPage(page).locator('footer .of-site-name')).toBeVisible()
  await add(page, 'Link list')
  const list = benchPage(page).locator('footer .of-links')
  await expect(list.locator('a')).toHaveText(['Home'])
  const links = page.getByRole('group', { name: 'Links' })
  await links.getByRole('button', { name: 'Add a link' }).click()
  // One that leads nowhere yet is drawn here, and not for visitors.
  await links.getByLabel('Label', { exact: true }).fill('The shop')
  await expect(list.locator('a')).toHaveText(['Home', 'The shop'])
  await expect(list.locator('a').last()).not.toHaveAttribute('href')
  await links.getByRole('combobox', { name: 'Leads to' }).fill('contact')
  await page.getByRole('option').first().click()
  await expect(list.locator('a')).toHaveText(['Home', 'The shop'])
  await expect(list.locator('a').last()).toHaveAttribute('href', '/contact')
  await links.getByRole('button', { name: 'The shop', exact: true }).press('Alt+ArrowUp')
  await expect(list.locator('a')).toHaveText(['The shop', 'Home'])
  await links.getByRole('button', { name: 'Remove link' }).click()
  await expect(list.locator('a')).toHaveText(['Home'])
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(list.locator('a')).toHaveText(['The shop', 'Home'])
  await saved(page)
  await page.reload()
  await expect(list.locator('a')).toHaveText(['The shop', 'Home'])
})

test('a part is hidden, and another has its own looks at rest and under the pointer', async ({ page, server }) => {
  await page.goto(`${server.origin}/studio/layouts/house-header`)
  const menu = benchPage(page).locator('header .of-menu')
  await page.getByRole('treeitem', { name: /^Menu/ }).first().click()
  await page
    .getByRole('complementary', { name: 'Properties' })
    .getByRole('button', { name: 'Link', exact: true })
    .click()
  await page.getByLabel('Weight', { exact: true }).fill('800')
  await page.getByLabel('Weight', { exact: true }).press('Tab')
  await expect(menu.locator('a').first()).toHaveCSS('font-weight', '800')
  await page.getByLabel('As it is met').selectOption('under the pointer')
  await expect(page.getByLabel('Weight', { exact: true })).toHaveValue('')
  await page.getByLabel('Letter spacing', { exact: true }).fill('0.1')
  await page.getByLabel('Letter spacing', { exact: true }).press('Tab')
  const style = () =>
    benchPage(page)
      .locator('html')
      .evaluate(({ ownerDocument: { styleSheets } }) =>
        [...styleSheets].flatMap((sheet) => [...sheet.cssRules].map((rule) => rule.cssText)).join(' '),
      )
  await expect.poll(style).toMatch(/:hover \{ letter-spacing: 0.1em/)

  await page.goto(`${server.origin}/studio/layouts/exhibit-page`)
  await page.getByRole('treeitem', { name: 'Mechanism' }).click()
  const label = benchPage(page).locator('.of-label', { hasText: 'Mechanism' })
  await expect(label).toHaveCount(1)
  await page.getByLabel('Label is shown').uncheck()
  await expect(label).toHaveCount(0)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(label).toHaveCount(1)
})

test('sections that open hold rows of their own, in the plan, on the page and for visitors', async ({
  page,
  server,
}) => {
  await page.goto(`${server.origin}/studio/layouts/exhibit-page`)
  await expect(benchPage(page).locator('.of-body h1')).toBeVisible()
  await add(page, 'Opening sections')
  const sections = benchPage(page).locator('.of-sections details')
  await expect(sections).toHaveCount(1)
  await page.getByRole('button', { name: 'Add a section' }).click()
  await page.getByLabel('Title', { exact: true }).fill('How it was mended')
  await expect(sections.last().locator('summary')).toHaveText('How it was mended')
  const plan = page.getByRole('tree')
  await plan.getByRole('treeitem', { name: 'How it was mended' }).first().click()
  await page.keyboard.press('Escape')
  await plan.getByText('How it was mended').click()
  await add(page, 'Heading')
  // What is in hand is in sight: its section has opened.
  await expect(sections.last().locator('h2')).toBeVisible()
  await saved(page)
  await page.getByRole('button', { name: 'Release…' }).click()
  await page.getByRole('button', { name: /^Release \d+ changes?$/ }).click()
  await expect(page.getByText(/is what visitors see now/)).toBeVisible()
  await page.getByRole('button', { name: 'Done' }).click()
  await page.goto(`${server.origin}/exhibits/the-night-regulator`)
  const live = page.locator('.of-sections details').last()
  await expect(live.locator('h2')).toBeHidden()
  await live.locator('summary').press('Enter')
  await expect(live.locator('h2')).toBeVisible()
})
