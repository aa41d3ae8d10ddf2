import { add, benchPage, known, expect, saved, settled, test } from './studio'

test.beforeEach(async ({ page, server }) => {
  await known(page, server)
  await page.goto(`${server.origin}/studio/layouts/exhibit-page`)
  await expect(benchPage(page).locator('.of-body h1')).toBeVisible()
})

const plan = '[role=tree]'

test('works wholly by keyboard', async ({ page }) => {
  await page.keyboard.press('ArrowDown')
  await expect(page.getByRole('treeitem', { name: /^Trail, 12/ })).toHaveAttribute('aria-selected', 'true')
  for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowDown')
  await expect(page.locator('nav[aria-label="Path to the selection"]')).toHaveText(/Exhibit page.*Opening.*Column 1/)
  await page.keyboard.press(']')
  await expect(page.getByRole('treeitem', { name: /^Opening, 6 \+ 6/ })).toBeVisible()
  await page.keyboard.press('[')
  await expect(page.getByRole('treeitem', { name: /^Opening, 5 \+ 7/ })).toBeVisible()
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Alt+ArrowRight')
  await expect(benchPage(page).locator('.of-body .of-col').nth(2).locator('> :first-child')).toHaveClass(/of-set/)
  await page.keyboard.press('d')
  await expect(benchPage(page).locator('.of-body .of-col').nth(2).locator('.of-set')).toHaveCount(2)
  await page.keyboard.press('x')
  await expect(benchPage(page).locator('.of-body .of-col').nth(2).locator('.of-set')).toHaveCount(1)
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Control+z')
  await expect(benchPage(page).locator('.of-body .of-col').nth(1).locator('.of-set')).toHaveCount(1)
  await page.keyboard.press('Control+Shift+z')
  await expect(benchPage(page).locator('.of-body .of-col').nth(2).locator('.of-set')).toHaveCount(1)
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Escape')
  await page.keyboard.press('?')
  await expect(page.getByRole('heading', { name: 'Keys of the bench' })).toBeVisible()
  await page.keyboard.press('Escape')
  await saved(page)
})

test('things are dragged in the plan and on the page, and spans by their edge', async ({ page }) => {
  const chip = page.getByRole('treeitem', { name: 'Summary', exact: true })
  const target = page.getByRole('treeitem', { name: /^Set of pictures/ })
  const from = (await chip.boundingBox())!
  const to = (await target.boundingBox())!
  await page.mouse.move(from.x + 20, from.y + 8)
  await page.mouse.down()
  await page.mouse.move(to.x + 20, to.y + to.height + 12, { steps: 6 })
  await page.mouse.up()
  await expect(benchPage(page).locator('.of-body .of-col').nth(1).locator('.of-field')).toHaveCount(1)

  const frame = (await page.locator('section[aria-label="Page"] iframe').boundingBox())!
  const heading = (await benchPage(page).locator('.of-body h1').boundingBox())!
  const content = (await benchPage(page).locator('.of-body .of-content').boundingBox())!
  expect(heading.x).toBeGreaterThan(frame.x)
  await page.mouse.move(heading.x + 30, heading.y + 8)
  await page.mouse.down()
  await page.mouse.move(content.x + 40, content.y + content.height - 4, { steps: 8 })
  await page.mouse.up()
  await expect(benchPage(page).locator('.of-body .of-col').nth(2).locator('> :last-child')).toHaveText(
    'The Night Regulator',
  )

  const edge = (await page
    .getByRole('button', { name: 'Drag the edge between columns 1 and 2' })
    .first()
    .boundingBox())!
  await page.mouse.move(edge.x + 5, edge.y + 20)
  await page.mouse.down()
  await page.mouse.move(edge.x + 5 + 38, edge.y + 20, { steps: 5 })
  await page.mouse.up()
  await expect(page.getByRole('treeitem', { name: /^Opening, 7 \+ 5/ })).toBeVisible()
  await saved(page)
})

test('a look can differ at each width step, says where it comes from, and can be given back', async ({ page }) => {
  await page.getByRole('treeitem', { name: 'Heading: Title', exact: true }).click()
  const size = page.getByLabel('Size', { exact: true })
  await size.fill('60')
  await size.press('Enter')
  const title = benchPage(page).locator('.of-body h1')
  await expect(title).toHaveCSS('font-size', '60px')
  await page.getByRole('button', { name: 'narrow' }).click()
  await expect(size).toHaveValue('60')
  await size.fill('30')
  await size.press('Enter')
  await expect(title).toHaveCSS('font-size', '30px')
  await page.getByRole('button', { name: 'wide' }).click()
  await expect(title).toHaveCSS('font-size', '60px')
  await page.getByRole('button', { name: 'Size is set here. Give it back' }).click()
  await expect(title).toHaveCSS('font-size', '40px')
  await size.fill('9999')
  await size.press('Enter')
  await expect(page.getByText('Size: choose a length from 8 to 200 px.')).toBeVisible()
  await expect(title).toHaveCSS('font-size', '40px')
})

test('two windows edit one layout: both keep their work, also where nothing is told as it happens', async ({
  page,
  context,
  server,
}) => {
  await page.route('**/live*', (route) => route.abort())
  await page.reload()
  await expect(benchPage(page).locator('.of-body h1')).toBeVisible()
  const other = await context.newPage()
  await other.goto(`${server.origin}/studio/layouts/exhibit-page`)
  await settled(other)
  await other.getByRole('treeitem', { name: 'Entry content' }).click()
  await add(other, 'Divider')
  await saved(other)
  await page.getByRole('treeitem', { name: 'Heading: Title', exact: true }).click()
  await page.keyboard.press('x')
  await expect(page.getByText('This layout was changed in another window meanwhile.')).toBeVisible()
  await expect(page.locator(plan).getByText('Divider')).toBeVisible()
  await saved(page)
  await other.reload()
  await expect(other.locator(plan).getByText('Divider')).toBeVisible()
  await expect(other.getByRole('treeitem', { name: 'Heading: Title', exact: true })).toHaveCount(0)
})

test(
  'work made while the server is away is kept and sent when it is back',
  { tag: '@alone' },
  async ({ page, server }) => {
    await page.route('**/edits', (route) => route.abort())
    await page.getByRole('treeitem', { name: 'Heading: Title', exact: true }).click()
    await page.keyboard.press('x')
    await expect(page.getByText('Waiting for the server; your work is kept here')).toBeVisible()
    page.on('dialog', (dialog) => void dialog.accept())
    await page.unroute('**/edits')
    await page.goto(`${server.origin}/studio/layouts/exhibit-page`)
    await expect(page.getByRole('tree', { name: 'Rows, columns and elements' })).toBeVisible()
    await expect(page.getByRole('treeitem', { name: 'Heading: Title', exact: true })).toHaveCount(0)
    await saved(page)
    const kept = await page.request.get(`${server.origin}/api/layouts/exhibit-page`)
    const { layout } = (await kept.json()) as { layout: object }
    expect(JSON.stringify(layout)).not.toContain('"field":"title","fallback":"Untitled exhibit"}')
  },
)

test('the bench shows what the visitor will see', { tag: '@alone' }, async ({ page, browser, server }) => {
  const onBench = await benchPage(page)
    .locator('main')
    .evaluate((main) =>
      main.innerHTML
        .replace(/ data-(node|words|items|item)="[^"]*"/g, '')
        // What goes along with a form is seen by whoever designs it alone.
        .replace(/<div class="of-question">(?:(?!<\/div>).)*goes along\.<\/div>/g, ''),
    )
  // As it is sent: what scripts make of it is the visitor's own.
  const visitor = await (await browser.newContext({ javaScriptEnabled: false })).newPage()
  await visitor.goto(`${server.origin}/exhibits/the-night-regulator`)
  // The proof that a form was drawn is the page's own.
  const drawn = (await visitor.locator('main').innerHTML()).replace(/(name="proof" value=)"[^"]*"/g, '$1""')
  expect(drawn === onBench).toBe(true)
})

test('a layout that does not exist says so and leads back', { tag: '@alone' }, async ({ page, server }) => {
  await page.goto(`${server.origin}/studio/layouts/nowhere`)
  await expect(page.getByText('There is no layout with the id nowhere.', { exact: false })).toBeVisible()
  await page.getByRole('link', { name: 'Back to the shelf' }).click()
  await expect(page.getByRole('heading', { name: 'Layouts', exact: true })).toBeVisible()
})

test('on a narrow window everything can still be reached', { tag: '@alone' }, async ({ page }) => {
  await page.setViewportSize({ width: 820, height: 700 })
  await page.getByRole('treeitem', { name: 'Heading: Title', exact: true }).click()
  await expect(page.getByLabel('Level', { exact: true })).toBeInViewport()
  await expect(page.getByRole('button', { name: 'Release…' })).toBeInViewport()
})
