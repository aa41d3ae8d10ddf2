import {
  add,
  benchPage,
  expect,
  keep,
  makeFrame,
  makeLayout,
  release,
  saved,
  settled,
  signIn,
  test,
  visitor,
} from './studio'

test.use({ demo: 'bare' })

const LONG = /^Astronomical and musical table clock/

test('from a bare site to a released one', async ({ page, browser, server }) => {
  test.setTimeout(180_000)
  const guest = await visitor(browser)

  await test.step('the bare site answers every page in the plain body', async () => {
    for (const address of [
      '/',
      '/visit',
      '/exhibits',
      '/exhibits/fenwick-turret-clock',
      '/rooms/tower-room',
      '/people/ines-calloway',
    ]) {
      const answer = await guest.goto(server.origin + address)
      expect(answer?.status()).toBe(200)
      await expect(guest.locator('h1')).toHaveCount(1)
      await expect(guest.locator('header, footer')).toHaveCount(0)
    }
    const lost = await guest.goto(`${server.origin}/no/such/page`)
    expect(lost?.status()).toBe(404)
    await expect(guest.getByText('Nothing stands at this address.', { exact: false })).toBeVisible()
  })

  await test.step('the Map lists all pages, with all regions empty', async () => {
    await signIn(page, server)
    await expect(page.getByRole('heading', { name: '127 pages' })).toBeVisible()
    await expect(
      page.getByText('There is none yet, so every page shows its plain body', { exact: false }),
    ).toBeVisible()
    for (const group of ['Home', 'Exhibits', 'Room pages', 'Not found']) {
      await expect(page.getByRole('button', { name: group, exact: true }).first()).toBeVisible()
    }
    await expect(page.getByText('nothing', { exact: true }).first()).toBeVisible()
  })

  await test.step('a header is made on the bench', async () => {
    await makeLayout(page, server, 'House header', 'Header')
    await page.getByRole('button', { name: 'Add a row' }).click()
    await page.getByRole('button', { name: 'Columns 4 + 8' }).click()
    await page.getByRole('treeitem', { name: 'Column, 4 of 12' }).click()
    await add(page, 'Site name')
    await expect(benchPage(page).locator('header .of-site-name')).toHaveText('Quillmere Clock Museum')
    await page.getByRole('treeitem', { name: 'Column, 8 of 12' }).click()
    await add(page, 'Menu')
    await page.getByLabel('Menu', { exact: true }).selectOption({ label: 'Main menu' })
    await expect(benchPage(page).locator('header nav').getByRole('link', { name: 'Exhibits' })).toBeVisible()
    await page.getByLabel('Align', { exact: true }).selectOption({ label: 'Right' })
    await page
      .getByRole('treeitem', { name: /^Row, 4 \+ 8/ })
      .locator('div')
      .first()
      .click()
    await page.getByLabel('Width', { exact: true }).selectOption({ label: 'Full background' })
    await page.getByRole('button', { name: /^Background: / }).click()
    await page.getByLabel('Background as a hex code').fill('#dfe7ea')
    await page.keyboard.press('Enter')
    await page.keyboard.press('Escape')
    const row = benchPage(page).locator('header .of-row')
    await expect(row).toHaveCSS('background-color', 'rgb(223, 231, 234)')
    const boxes = await Promise.all([
      row.boundingBox(),
      benchPage(page).locator('header .of-in').boundingBox(),
      benchPage(page).locator('header nav').boundingBox(),
    ])
    expect(boxes[0]!.width).toBeGreaterThan(boxes[1]!.width * 1.08)
    await expect(benchPage(page).locator('.of-body')).toHaveCSS('opacity', '0.38')
    await saved(page)
  })

  await test.step('a reload in the middle loses nothing, and undo goes back across it', async () => {
    await page.reload()
    await settled(page)
    const row = benchPage(page).locator('header .of-row')
    await expect(row).toHaveCSS('background-color', 'rgb(223, 231, 234)')
    for (let i = 0; i < 2; i++) await page.getByRole('button', { name: 'Undo' }).click()
    await expect(row).toHaveCSS('background-color', 'rgba(0, 0, 0, 0)')
    await expect(page.getByRole('treeitem', { name: /^Row, 4 \+ 8/ })).toBeVisible()
    for (let i = 0; i < 9; i++) {
      if (await page.getByRole('button', { name: 'Undo' }).isDisabled()) break
      await page.getByRole('button', { name: 'Undo' }).click()
    }
    await expect(page.getByText('0 rows, 0 elements')).toBeVisible()
    while (await page.getByRole('button', { name: 'Redo' }).isEnabled())
      await page.getByRole('button', { name: 'Redo' }).click()
    await expect(row).toHaveCSS('background-color', 'rgb(223, 231, 234)')
    await expect(benchPage(page).locator('header nav').getByRole('link', { name: 'Exhibits' })).toBeVisible()
    await saved(page)
  })

  await test.step('a frame puts the header on every page', async () => {
    await page.getByRole('link', { name: 'Map' }).click()
    await makeFrame(page, ['Every page'], { Header: 'House header' })
    await expect(page.getByText('This edit changes 127 pages')).toBeVisible()
    await expect(page.getByText('127 headers, nothing else')).toBeVisible()
    await keep(page)
    await page.getByRole('button', { name: 'Exhibits', exact: true }).click()
    await expect(
      page.getByRole('complementary', { name: 'Why' }).getByText('House header', { exact: true }),
    ).toBeVisible()
    // One strip: its label stands once, however many rows it runs through.
    await expect(
      page.locator('button.tinted:not(.cornered) span.font-medium', { hasText: 'House header' }),
    ).toHaveCount(1)
  })

  await test.step('a body is made with real exhibits, the awkward ones among them', async () => {
    await makeLayout(page, server, 'Exhibit page', 'Body')
    await page.getByRole('button', { name: 'Add a row' }).click()
    await page.getByRole('button', { name: 'Columns 5 + 7' }).click()
    await page.getByRole('treeitem', { name: 'Column, 5 of 12' }).click()
    await add(page, 'Lead picture')
    await page.getByRole('treeitem', { name: 'Column, 7 of 12' }).click()
    await add(page, 'Heading')
    await page.getByLabel('Level', { exact: true }).selectOption({ label: "1, the page's own title" })
    await page.getByRole('button', { name: 'Take text from a field' }).click()
    await page.getByRole('combobox', { name: 'Take text from a field' }).fill('Title')
    await page.keyboard.press('Enter')
    await page.getByLabel('If empty').fill('Untitled exhibit')
    await page.getByLabel('If empty').blur()
    await page.getByRole('treeitem', { name: /^Heading/ }).click()
    await add(page, 'Text')
    const editor = page.getByRole('textbox', { name: 'Text', exact: true })
    await editor.click()
    await page.keyboard.press('Control+A')
    await page.keyboard.type('Made ')
    await page.getByRole('button', { name: 'Put a field into the text' }).click()
    await page.getByRole('combobox', { name: 'Put a field into the text' }).fill('Year made')
    await page.keyboard.press('Enter')
    await page.keyboard.type(' by ')
    await page.getByRole('button', { name: 'Put a field into the text' }).click()
    await page.getByRole('combobox', { name: 'Put a field into the text' }).fill('Maker')
    await page.keyboard.press('Enter')
    await page.getByRole('treeitem', { name: /^Text/ }).click()
    await add(page, 'Entry content')
    const body = benchPage(page).locator('.of-body')
    await expect(body.locator('h1')).toHaveText('Fenwick turret clock')
    await expect(body.getByText('Made 1784 by Josiah Fenwick')).toBeVisible()
    await expect(body.getByText('driven by two stone weights', { exact: false })).toBeVisible()
    await expect(body.locator('img')).toHaveAttribute('alt', 'Fenwick turret clock')
    await page.getByRole('button', { name: 'Next page' }).click()
    await expect(body.locator('h1')).toHaveText('The Night Regulator')
    await expect(body.getByText('Made 1851 by Amos Thirkell')).toBeVisible()
    await page.getByRole('button', { name: 'Longest title' }).click()
    await expect(body.locator('h1')).toHaveText(LONG)
    await page.getByRole('button', { name: 'No picture' }).click()
    await expect(body.locator('h1')).toHaveText('Sundial from the south wall')
    await expect(body.locator('img')).toHaveAttribute('alt', 'No picture yet')
    await saved(page)
  })

  await test.step('another body for one named exhibit', async () => {
    await makeLayout(page, server, 'Night page', 'Body')
    await add(page, 'Heading')
    await page.getByLabel('Text', { exact: true }).fill('Seen by lantern')
    await page.getByLabel('Level', { exact: true }).selectOption({ label: "1, the page's own title" })
    await saved(page)
    await page.getByRole('link', { name: 'Map' }).click()
    await makeFrame(page, ['Exhibits'], { Body: 'Exhibit page' })
    await expect(page.getByText('This edit changes 36 pages')).toBeVisible()
    await keep(page)
    await makeFrame(page, ['The Night Regulator'], { Body: 'Night page' })
    await expect(page.getByText('This edit changes 1 page')).toBeVisible()
    await keep(page)
  })

  await test.step('visitors see the old site until the release', async () => {
    await guest.goto(`${server.origin}/exhibits/fenwick-turret-clock`)
    await expect(guest.locator('header')).toHaveCount(0)
    await release(page)
    await guest.reload()
    await expect(guest.locator('header').getByRole('link', { name: 'Talks' })).toBeVisible()
    await expect(guest.getByText('Made 1784 by Josiah Fenwick')).toBeVisible()
    await guest.goto(`${server.origin}/exhibits/the-night-regulator`)
    await expect(guest.locator('h1')).toHaveText('Seen by lantern')
  })

  await test.step('one colour changed and released is changed on every page', async () => {
    await page.goto(`${server.origin}/studio/layouts`)
    await page.getByRole('link', { name: 'House header', exact: true }).click()
    await page
      .getByRole('treeitem', { name: /^Row, 4 \+ 8/ })
      .locator('div')
      .first()
      .click()
    await page.getByRole('button', { name: /^Background: / }).click()
    await page.getByLabel('Background as a hex code').fill('#2b5a68')
    await page.keyboard.press('Enter')
    await page.keyboard.press('Escape')
    await saved(page)
    await release(page)
    for (const address of ['/', '/visit', '/exhibits/fenwick-turret-clock', '/talks', '/no/such/page']) {
      await guest.goto(server.origin + address)
      await expect(guest.locator('header .of-row')).toHaveCSS('background-color', 'rgb(43, 90, 104)')
    }
  })

  await test.step('signed out, the studio is closed', async () => {
    await page.getByRole('button', { name: /^Ada/ }).click()
    await page.getByRole('menuitem', { name: 'Sign out', exact: true }).click()
    await expect(page.locator('form').getByRole('button', { name: 'Sign in' })).toBeVisible()
    await page.goto(`${server.origin}/studio/layouts`)
    await settled(page)
    await expect(page.locator('form').getByRole('button', { name: 'Sign in' })).toBeVisible()
    const refused = await page.request.get(`${server.origin}/api/design`)
    expect(refused.status()).toBe(401)
  })
})
