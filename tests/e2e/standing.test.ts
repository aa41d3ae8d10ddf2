import { readFileSync } from 'node:fs'
import type { Browser } from '@playwright/test'
import { benchPage, known, expect, findings, settled, test, visitor } from './studio'

/** Where things stand, what can be heard and read of them, and lists looked at with little and with much. */

const without = (browser: Browser) => browser.newContext({ javaScriptEnabled: false })

test('visitors see where an exhibit stands and what is close by, with script and without', async ({
  page,
  server,
  browser,
}) => {
  await page.goto(`${server.origin}/exhibits/walnut-longcase-with-tide-dial`)
  const plan = page.locator('.of-plan')
  await expect(plan.getByText('Long Gallery, Ground floor')).toBeVisible()
  await expect(plan.getByRole('listitem')).toHaveCount(4)
  expect(await findings(page)).toEqual([])
  const first = await plan.getByRole('listitem').first().textContent()
  await plan.locator('svg a').first().click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(first!.trim())
  const plain = await (await without(browser)).newPage()
  await plain.goto(`${server.origin}/rooms/tower-room`)
  await expect(plain.locator('.of-plan svg a').first()).toBeVisible()
})

test('sections side by side are chosen by keys, without script too; what is heard and read stands in them', async ({
  server,
  browser,
}) => {
  const plain = await (await without(browser)).newPage()
  await plain.goto(`${server.origin}/exhibits/fenwick-turret-clock`)
  const group = plain.getByRole('group', { name: 'About this clock' })
  await expect(group.getByText('How it is kept')).toBeVisible()
  await group.getByRole('radio', { name: 'The clock' }).focus()
  await plain.keyboard.press('ArrowRight')
  await expect(group.getByText('Tower Room, Upper floor')).toBeVisible()
  await expect(group.getByText('How it is kept')).toBeHidden()
  await plain.keyboard.press('ArrowRight')
  await expect(group.locator('audio')).toBeVisible()
  const report = group.getByRole('listitem')
  await expect(report).toContainText(/Condition report PDF · [\d.]+ kB · 3 pages/)
  const answer = await plain.request.get(server.origin + (await report.getByRole('link').getAttribute('href'))!)
  expect([answer.status(), answer.headers()['content-type']]).toEqual([200, 'application/pdf'])
  const sound = await plain.request.get(server.origin + (await group.locator('audio').getAttribute('src'))!)
  expect(sound.headers()['content-type']).toContain('audio/')
})

test('a writer points at the plan, brings a document, and both are on the page', async ({ page, server, browser }) => {
  await known(page, server, 'wim')
  await page.goto(`${server.origin}/studio/content/entries/the-night-regulator`)
  await settled(page)
  const field = page.getByRole('group', { name: 'Position on the floor plan' })
  await expect(field.getByRole('status')).toContainText('It stands in Tower Room, Upper floor')
  await field.getByRole('button', { name: 'Ground floor' }).click()
  const drawn = await field.locator('svg').boundingBox()
  await field.locator('svg').click({ position: { x: drawn!.width * 0.2, y: drawn!.height * 0.85 } })
  await expect(field.getByRole('status')).toContainText('It stands in Workshop, Ground floor')
  expect(await findings(page)).toEqual([])
  await page.getByLabel('Documents to bring').setInputFiles({
    name: 'How to wind it.txt',
    mimeType: 'text/plain',
    buffer: Buffer.from('Slowly.'),
  })
  await expect(page.getByLabel('Name of document 1')).toHaveValue('How to wind it')
  await page.getByRole('button', { name: 'Store', exact: true }).click()
  await expect(page.getByText('Stored', { exact: true })).toBeVisible()
  const guest = await visitor(browser)
  await guest.goto(`${server.origin}/exhibits/the-night-regulator`)
  await expect(guest.getByText('Workshop, Ground floor')).toBeVisible()
  await expect(guest.locator('.of-documents li')).toHaveText(/How to wind it TXT · 7 byte/)
})

test('the owner takes a floor plan from GeoJSON, joins a room with a term, takes it along, and takes it back', async ({
  page,
  server,
}) => {
  await known(page, server, 'orla')
  await page.goto(`${server.origin}/studio/content/settings`)
  await settled(page)
  const part = page.getByRole('region', { name: 'Floor plan' })
  await expect(part.getByRole('figure')).toHaveCount(2)
  const chosen = part.getByLabel('GeoJSON of the floor plan')
  const send = (text: string) =>
    chosen.setInputFiles({ name: 'cellar.geojson', mimeType: 'application/geo+json', buffer: Buffer.from(text) })
  for (const bad of ['{', '{"type":"Cloud"}', '{"type":"Polygon","coordinates":[[["a","b"]]]}']) {
    await send(bad)
    await expect(part.getByRole('alert')).toContainText('cellar.geojson was not taken')
    await expect(part.getByRole('figure')).toHaveCount(2)
  }
  const square = (x: number) => [
    [
      [x, 0],
      [x + 8, 0],
      [x + 8, 8],
      [x, 8],
      [x, 0],
    ],
  ]
  const room = (name: string, x: number) => ({
    type: 'Feature',
    properties: { name, floor: 'Cellar' },
    geometry: { type: 'Polygon', coordinates: square(x) },
  })
  await send(JSON.stringify({ type: 'FeatureCollection', features: [room('workshop', 0), room('Coal hole', 9)] }))
  await expect(part.getByRole('figure')).toHaveCount(1)
  // A room that is called like a term is joined with it.
  await expect(part.getByLabel('What stands in workshop')).toHaveValue('workshop')
  await part.getByLabel('What stands in Coal hole').selectOption({ label: 'Night Room' })
  await expect(page.getByText('Coal hole is joined.')).toBeVisible()
  expect(await findings(page)).toEqual([])
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    part.getByRole('button', { name: 'Take it along as GeoJSON' }).click(),
  ])
  const taken = JSON.parse(readFileSync(await file.path(), 'utf8'))
  expect(taken.features.map((f: { properties: object }) => f.properties)).toEqual([
    { floor: 'Cellar', name: 'workshop', term: 'workshop' },
    { floor: 'Cellar', name: 'Coal hole', term: 'night-room' },
  ])
  await part.getByRole('button', { name: 'Remove it' }).click()
  await expect(part.getByRole('figure')).toHaveCount(0)
  const removed = page.getByRole('status').filter({ hasText: 'The site has no floor plan now.' })
  await removed.getByRole('button', { name: 'Undo' }).click()
  await expect(part.getByRole('figure')).toHaveCount(1)
})

test('a layout for lists is looked at with nothing, and with forty screens; a search with words', async ({
  page,
  server,
}) => {
  await known(page, server)
  await page.goto(`${server.origin}/studio/layouts/story-list`)
  const body = benchPage(page).locator('.of-body')
  await expect(body.getByRole('link').first()).toBeVisible()
  const lists = page.getByRole('group', { name: 'What it lists' })
  await lists.getByRole('button', { name: 'Nothing' }).click()
  await expect(body.getByText('Nothing has been written about this yet.')).toBeVisible()
  await lists.getByRole('button', { name: '40 screens' }).click()
  await expect(body.getByRole('listitem').first()).toBeVisible()
  expect(await findings(page)).toEqual([])
  await page.goto(`${server.origin}/studio/layouts/results`)
  await expect(body.locator('mark').first()).toBeVisible()
  await lists.getByRole('button', { name: 'Nothing' }).click()
  await expect(body.getByRole('heading', { name: 'Lately written' })).toBeVisible()
  await page.goto(`${server.origin}/studio/layouts/room-archive`)
  await page.getByRole('button', { name: 'Emptiest' }).click()
  await expect(page.getByRole('combobox', { name: 'Shown with' })).toHaveValue('Workshop')
  await lists.getByRole('button', { name: 'Nothing' }).click()
  await expect(body.getByText('This room is being rehung.')).toBeVisible()
})
