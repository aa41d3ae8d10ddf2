import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import type { Parcel } from '#core/formats'
import type { Layout } from '#core/tree'
import type { DesignAnswer, PicturesAnswer } from '#shared/api/types'
import { Client } from '../api/client'
import { expect, keep, makeFrame, release, settled, signIn, test, visitor } from './studio'

test.beforeEach(async ({ page, server }) => {
  await signIn(page, server)
  await expect(page.getByRole('heading', { name: '127 pages' })).toBeVisible()
})

const row = (page: Page, name: string) => page.getByRole('button', { name, exact: true }).first()
const why = (page: Page) => page.getByRole('complementary', { name: 'Why' })
const impact = (page: Page) => page.getByRole('region', { name: 'Impact of this edit' })
const ladder = (page: Page) => page.getByRole('complementary', { name: 'Ladder of frames' })

async function openFrame(page: Page, name: string | RegExp) {
  await ladder(page).getByRole('button', { name }).first().click()
  await expect(impact(page)).toBeVisible()
}
async function addFact(page: Page, typed: string) {
  await page.getByRole('button', { name: 'Add a fact that must hold' }).last().click()
  await page.getByRole('combobox', { name: 'Add a fact that must hold' }).fill(typed)
  await page.getByRole('option').first().click()
}

test('a frame with facts and an exception reads as one sentence, and its impact is exact', async ({ page }) => {
  await page.getByRole('button', { name: 'Add frame' }).click()
  await expect(page.getByText('It covers no page yet, so it decides nothing.')).toBeVisible()
  await page.getByRole('button', { name: 'Add what it covers' }).click()
  await page.getByRole('combobox', { name: 'Add what it covers' }).fill('exhibits')
  await page.getByRole('option', { name: /^Exhibits page type/ }).click()
  await addFact(page, 'in long')
  await addFact(page, 'by tobias')
  await addFact(page, 'on loan')
  await page.getByLabel('Compared with').selectOption('no')
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await page.getByRole('button', { name: 'Add an exception' }).click()
  await page.getByRole('combobox', { name: 'Add an exception' }).fill('quaker')
  await page.getByRole('option').first().click()
  await page.getByLabel('Header', { exact: true }).selectOption('use:tower-header')
  await expect(page.getByTestId('sentence')).toHaveText(
    'Exhibits in Long Gallery, by Tobias Renn and with On loan is no, except Quaker longcase.',
  )
  // The sentence is there at once, the count when the pages have been looked at.
  const status = impact(page).getByRole('status')
  await expect(status).toContainText(/This edit changes \d+ pages\s*\d+ headers, nothing else/)
  const counted = await status.innerText()
  await page.getByRole('button', { name: 'Unfold Exhibits' }).click()
  const marks = page.getByTitle('This edit changes it')
  await expect(marks.first()).toBeVisible()

  await page.getByRole('button', { name: 'Before and after' }).click()
  await expect(page.getByRole('option')).toHaveCount(Number(/\d+/.exec(counted)![0]))
  const side = (name: string) => page.frameLocator(`iframe[title^="${name}: "]`)
  await expect(side('Before').getByText('Quillmere Clock Museum').first()).toBeVisible()
  // Two halves of a menu around the mark, and the panel of menus.
  await expect(side('After').locator('header nav')).toHaveCount(3)
  await page.getByRole('button', { name: 'Next' }).click()
  await page.getByRole('button', { name: 'Back to the edit' }).click()

  await page.getByRole('button', { name: 'Drop' }).click()
  await expect(impact(page)).toBeHidden()
  await expect(page.getByTitle('This edit changes it')).toHaveCount(0)
})

test('the Map is rehearsed as any visitor: address, device, role, date', async ({ page }) => {
  await row(page, 'Talks').click()
  await expect(why(page).getByText('House header', { exact: true })).toBeVisible()
  await page.getByRole('button', { name: /^Seen by a visitor/ }).click()
  await page.getByLabel('Address has').fill('?kiosk')
  await page.getByLabel('Address has').press('Enter')
  await expect(
    why(page).getByRole('heading', { name: 'Header' }).locator('..').getByText('left empty', { exact: true }),
  ).toBeVisible()
  await page.getByRole('button', { name: 'Anybody, now' }).click()
  await page.keyboard.press('Escape')
  await expect(why(page).getByText('House header', { exact: true })).toBeVisible()

  await makeFrame(page, ['Talks'], { Footer: 'Slim footer' })
  const circumstance = async (kind: string, fill: () => Promise<void>) => {
    await page.getByRole('button', { name: 'Add a circumstance' }).click()
    await page.getByLabel('Kind of circumstance').selectOption({ label: kind })
    await fill()
    await page.getByRole('button', { name: 'Add', exact: true }).click()
  }
  await circumstance('on a device', async () => void (await page.getByLabel('phone').check()))
  await circumstance('for a role', async () => void (await page.getByLabel('member').check()))
  await circumstance('at dates', async () => {
    await page.getByLabel('From').fill('2027-05-02')
    await page.getByLabel('Until').fill('2027-05-01')
    await page.getByRole('button', { name: 'Add', exact: true }).click()
    await expect(page.getByText('The dates are the wrong way round', { exact: false })).toBeVisible()
    await page.getByLabel('Until').fill('2027-05-31')
  })
  await expect(page.getByTestId('sentence')).toHaveText(
    'Talks, on a phone, for a member and from 2027-05-02 until 2027-05-31.',
  )
  await expect(impact(page).getByText('This edit changes no page')).toBeVisible()

  await page.getByRole('button', { name: /^Seen by a visitor/ }).click()
  await page.getByLabel('Role', { exact: true }).selectOption('member')
  await page.getByLabel('Device', { exact: true }).selectOption('phone')
  await expect(impact(page).getByText('This edit changes no page')).toBeVisible()
  await page.getByLabel('At', { exact: true }).fill('2027-05-10T12:00')
  await page.getByLabel('At', { exact: true }).press('Enter')
  await expect(impact(page).getByText('This edit changes 12 pages')).toBeVisible()
  await page.getByLabel('At', { exact: true }).fill('2027-06-01T00:30')
  await page.getByLabel('At', { exact: true }).press('Enter')
  await expect(impact(page).getByText('This edit changes no page')).toBeVisible()
})

test('selecting any page tells who decided, who lost and why, and what nearly matched', async ({ page }) => {
  await page.getByLabel('Find a page by name or address').fill('night regulator')
  await row(page, 'The Night Regulator').click()
  await expect(why(page).getByText('excepts The Night Regulator')).toBeVisible()
  await expect(why(page).getByText('Every page is broader than Exhibits')).toHaveCount(1)
  await expect(why(page).getByRole('link', { name: 'Edit Exhibit page' })).toHaveAttribute(
    'href',
    '/studio/layouts/exhibit-page?page=entry:the-night-regulator',
  )
  await expect(why(page).getByRole('link', { name: 'Open the published page' })).toHaveAttribute(
    'href',
    '/exhibits/the-night-regulator',
  )
  await why(page).getByRole('button', { name: 'Exhibits', exact: true }).first().click()
  await expect(page.getByTestId('sentence')).toHaveText('Exhibits.')
})

test('a group is given a layout from the Map itself', async ({ page }) => {
  await row(page, 'Talks').click()
  await row(page, 'Tickets').click({ modifiers: ['Shift'] })
  await expect(why(page).getByText('18 pages in hand; one of them')).toBeVisible()
  await why(page).getByRole('button', { name: 'Use another layout here: header' }).click()
  await page.getByLabel('Another layout for the header here').selectOption('tower-header')
  await expect(page.getByTestId('sentence')).toHaveText('Talks and Tickets.')
  await expect(impact(page).getByText('This edit changes 18 pages')).toBeVisible()
  await keep(page)
  // A strip chosen by itself asks about its own region at once.
  await page.getByRole('button', { name: 'Unfold Stories', exact: true }).click()
  await page.getByTestId('rows').getByTitle('Story page').nth(2).click()
  await page.getByLabel('Another layout for the body here').selectOption({ label: 'Plain page' })
  await expect(impact(page).getByText('This edit changes 1 page')).toBeVisible()
  await page.getByRole('button', { name: 'Drop' }).click()
})

test(
  'left empty, passing, switched off, duplicated, reordered, outranking, removed and put back',
  { tag: '@alone' },
  async ({ page }) => {
    await openFrame(page, /^Talks/)
    await page.getByLabel('Body', { exact: true }).selectOption({ label: 'left empty' })
    await expect(impact(page).getByText('12 bodies, nothing else')).toBeVisible()
    await page.getByLabel('Body', { exact: true }).selectOption({ label: 'no say' })
    await page.getByLabel('on', { exact: true }).uncheck()
    await keep(page)
    await expect(ladder(page).getByText('off', { exact: true })).toBeVisible()
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(ladder(page).getByText('off', { exact: true })).toBeHidden()

    await openFrame(page, /^Talks/)
    await page.getByRole('button', { name: 'Duplicate' }).click()
    await page.getByLabel('Header', { exact: true }).selectOption({ label: 'left empty' })
    await page.getByRole('button', { name: 'Name, rank, writers' }).click()
    await page.getByLabel('Called').fill('Talks without header')
    await page.getByLabel('outranks all others').check()
    await keep(page)
    await expect(ladder(page).getByRole('heading', { name: 'Outranking all others' })).toBeVisible()

    const cards = ladder(page).locator('article')
    const stories = cards.filter({ hasText: 'Story page' }).filter({ hasText: /^Stories/ })
    await stories.dragTo(cards.filter({ hasText: /^Exhibits\d/ }))
    await expect(impact(page).getByText('This edit changes no page')).toBeVisible()
    await page.getByRole('button', { name: 'lower' }).click()
    await page.getByRole('button', { name: 'Drop' }).click()

    await openFrame(page, /^Talks without header/)
    await page.getByRole('button', { name: 'Remove', exact: true }).click()
    await expect(ladder(page).getByRole('button', { name: /^Talks without header/ })).toBeHidden()
    await page.getByRole('button', { name: 'Put it back' }).click()
    await expect(ladder(page).getByRole('button', { name: /^Talks without header/ })).toBeVisible()
  },
)

test('a frame is offered to writers; a writer chooses it for an entry, and it outranks the conditions', async ({
  page,
  browser,
  server,
}) => {
  await makeFrame(page, [], { Header: 'Tower header' })
  await page.getByRole('button', { name: 'Name, rank, writers' }).click()
  await page.getByLabel('Called').fill('Solemn')
  await page.getByLabel('Stories', { exact: true }).check()
  await keep(page)
  await release(page)

  const writer = await (await browser.newContext()).newPage()
  await signIn(writer, server, 'wim')
  await writer.getByRole('link', { name: 'Content' }).click()
  await writer.getByLabel('Find by words').fill('part left over')
  await writer.getByRole('link', { name: /The part left over/ }).click()
  await writer.getByLabel('Frame', { exact: true }).selectOption({ label: 'Solemn' })
  await writer.getByLabel('Title', { exact: true }).fill('The part that was left over')
  await writer.getByRole('button', { name: 'Store', exact: true }).click()
  await expect(writer.getByText('Stored.', { exact: true })).toBeVisible()
  await expect(writer.getByRole('button', { name: 'Release…' })).toHaveCount(0)

  const guest = await visitor(browser)
  await guest.goto(`${server.origin}/stories/the-part-left-over`)
  await expect(guest.locator('h1')).toHaveText('The part that was left over')
  await expect(guest.locator('header nav')).toHaveCount(3)
  await writer.getByLabel('Frame', { exact: true }).selectOption({ label: 'as the conditions say' })
  const stored = writer.waitForResponse((answer) => answer.url().includes('/api/entries/') && answer.ok())
  await writer.getByRole('button', { name: 'Store', exact: true }).click()
  await stored
  await expect(writer.getByRole('button', { name: 'Store', exact: true })).toBeDisabled()
  await guest.reload()
  await expect(guest.locator('header nav')).toHaveCount(2)
})

test('home is a chosen entry or an archive, set in one place', async ({ page, browser, server }) => {
  await row(page, 'Home').click()
  await page.getByLabel('Home shows').selectOption({ label: 'all exhibits' })
  // Nothing is done before it is saved, and what it changes is told.
  await expect(page.getByText('Visitors see it at once, without a release.')).toBeVisible()
  await page.locator('form').filter({ hasText: 'Home shows' }).getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText('Home shows something else now, for visitors too.')).toBeVisible()
  const guest = await visitor(browser)
  await guest.goto(`${server.origin}/exhibits`)
  expect(new URL(guest.url()).pathname).toBe('/')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByLabel('Home shows')).toHaveValue('entry:welcome')
  await guest.goto(`${server.origin}/`)
  await expect(guest.getByRole('heading', { name: 'Four hundred clocks, and no two agree' })).toBeVisible()
})

test(
  'the same frame kept in two windows: nothing is lost, and both are shown',
  { tag: '@alone' },
  async ({ page, context, server }) => {
    const other = await context.newPage()
    await other.goto(`${server.origin}/studio`)
    await settled(other)
    await openFrame(page, /^Talks/)
    await page.getByLabel('Footer', { exact: true }).selectOption('use:slim-footer')
    await openFrame(other, /^Talks/)
    await other.getByLabel('Header', { exact: true }).selectOption('use:tower-header')
    await keep(other)
    await page.getByRole('button', { name: 'Keep' }).click()
    await expect(page.getByText('Another window has kept this frame meanwhile', { exact: false })).toBeVisible()
    await expect(page.getByLabel('Footer', { exact: true })).toHaveValue('use:slim-footer')
    await page.getByRole('button', { name: 'Take theirs' }).click()
    await expect(page.getByLabel('Header', { exact: true })).toHaveValue('use:tower-header')
    await page.getByLabel('Footer', { exact: true }).selectOption('use:slim-footer')
    await keep(page)
    const { frames } = (await (await page.request.get(`${server.origin}/api/design`)).json()) as {
      frames: { frame: { id: string; regions: Record<string, unknown> } }[]
    }
    expect(frames.find((f) => f.frame.id === 'talks')!.frame.regions).toMatchObject({
      header: { layout: 'tower-header' },
      footer: { layout: 'slim-footer' },
    })
  },
)

test(
  'checks stand on their screen and beside what they concern, with what to do',
  { tag: '@alone' },
  async ({ page }) => {
    await page.getByRole('link', { name: 'Checks' }).click()
    await expect(page.getByText('Nothing was found', { exact: false })).toBeVisible()
    await page.getByRole('link', { name: 'Map' }).click()
    await makeFrame(page, ['Talks'], { Body: 'Story page' })
    await keep(page)
    // Two frames of the same words are told apart by what they say.
    await expect(ladder(page).getByRole('button', { name: /^Talks \(body: Story page\)/ })).toBeVisible()
    await openFrame(page, /^Talks \(body: Talk page\)/)
    await expect(impact(page)).toContainText(
      'It ties with “Talks (body: Story page)” on 12 pages; their order on the ladder decides.',
    )
    await page.getByRole('button', { name: 'Remove', exact: true }).click()
    await page.getByRole('link', { name: 'Layouts' }).click()
    await expect(page.getByText('1 note').first()).toBeVisible()
    await page.getByRole('link', { name: 'Checks' }).click()
    await expect(
      page.getByText('“Talk page” shows on no page: no frame that decides something uses it, and no list draws it.'),
    ).toBeVisible()
    await page.getByRole('link', { name: 'Open the layout' }).first().click()
    await expect(page.getByRole('tree', { name: 'Rows, columns and elements' })).toBeVisible()
  },
)

test('a parcel is taken away, and brought into another site with a choice for what does not fit', async ({
  page,
}, info) => {
  await page.getByRole('link', { name: 'Layouts' }).click()
  await page.getByRole('button', { name: 'Parcels' }).click()
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('menuitem', { name: /Take the draft away/ }).click(),
  ])
  const file = info.outputPath('site.parcel.json')
  await download.saveAs(file)
  const parcel = JSON.parse(readFileSync(file, 'utf8')) as {
    layouts: { id: string; name: string; children: unknown[] }[]
    frames: unknown[]
    house: unknown
  }
  const header = parcel.layouts.find((l) => l.id === 'house-header')!
  const other = {
    ...parcel,
    from: 'Elsewhere',
    frames: [],
    house: null,
    layouts: [
      {
        ...header,
        name: 'Their header',
        children: JSON.parse(
          JSON.stringify(header.children).replace('"menu":"main"', '"menu":"their-menu"'),
        ) as unknown[],
      },
    ],
  }
  const bring = async (text: string) => {
    await page
      .getByLabel('Parcel to bring in')
      .setInputFiles({ name: 'their.parcel.json', mimeType: 'application/json', buffer: Buffer.from(text) })
  }
  await bring(JSON.stringify(other).slice(0, 900))
  await expect(
    page.getByText('their.parcel.json is not readable JSON; it may have been cut off. Nothing was stored.'),
  ).toBeVisible()
  await bring(JSON.stringify({ ...other, format: 9 }))
  await expect(page.getByText('This parcel has format 9', { exact: false })).toBeVisible()
  await page.getByRole('button', { name: 'Leave it' }).click()
  await bring(JSON.stringify(other))
  await expect(page.getByLabel('What to do with Their header')).toHaveValue('replace')
  await page.getByLabel('What to do about their-menu').selectOption({ label: 'Small print' })
  await page.getByRole('button', { name: 'Take 1 into the draft' }).click()
  await page.getByRole('heading', { name: 'Their header' }).getByRole('link').click()
  await page.getByRole('treeitem', { name: 'Menu: Small print' }).click()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('treeitem', { name: 'Menu: Main menu' })).toBeVisible()
})

test('some layouts come with their looks and pictures; a look that is here already is kept, replaced, or had beside', async ({
  page,
  server,
}, info) => {
  await page.getByRole('link', { name: 'Layouts' }).click()
  await page.getByRole('button', { name: 'Parcels' }).click()
  await page.getByRole('menuitem', { name: /Take some layouts away/ }).click()
  await page.getByRole('checkbox', { name: /^Room archive/ }).check()
  await expect(page.getByText('Comes along, since it is needed:')).toContainText(
    /“Plan a visit”.*the look “Pale, on dark”.*colours/,
  )
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Take 1 layout away' }).click(),
  ])
  const file = info.outputPath('some.parcel.json')
  await download.saveAs(file)
  const parcel = JSON.parse(readFileSync(file, 'utf8')) as Parcel
  expect(parcel.house).toBeNull()

  const pale = parcel.looks!.find((l) => l.name === 'Pale, on dark')!
  pale.styles = { ...pale.styles, radius: { wide: 17 } }
  const archive = parcel.layouts.find((l) => l.id === 'room-archive') as Layout
  archive.children[0]!.props.backgroundPicture = 'dot'
  const dot = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mP8z8BQDwAEhQGAhKmMIQAAAABJRU5ErkJggg=='
  const picture = { id: 'dot', fileName: 'dot.png', alt: 'A dot', width: 1, height: 1, bytes: dot }
  const text = JSON.stringify({ ...parcel, from: 'Elsewhere', pictures: [picture] })
  await page
    .getByLabel('Parcel to bring in')
    .setInputFiles({ name: 'their.parcel.json', mimeType: 'application/json', buffer: Buffer.from(text) })
  const dialog = page.getByRole('dialog')
  await expect(dialog.getByRole('checkbox', { name: 'Take A dot' })).toBeChecked()
  await expect(dialog.getByLabel('What to do with Pale, on dark')).toHaveValue('keep')
  await expect(dialog.getByRole('button', { name: 'Take 2 into the draft' })).toBeVisible()
  await dialog.getByLabel('What to do with Pale, on dark').selectOption('have both')
  await dialog.getByRole('button', { name: 'Take 3 into the draft' }).click()
  await expect(page.getByText('3 things stand in the draft.')).toBeVisible()

  const ada = await new Client(server).open()
  await ada.signIn('ada')
  const { layouts, house } = (await ada.call('GET', '/design')).body as unknown as DesignAnswer
  const beside = house.looks.find((l) => l.name === 'Pale, on dark, Elsewhere')!
  expect(beside.styles.radius).toEqual({ wide: 17 })
  expect(house.looks.find((l) => l.id === pale.id)!.styles.radius).not.toEqual({ wide: 17 })
  const { pictures } = (await ada.call('GET', '/pictures')).body as unknown as PicturesAnswer
  const brought = pictures.find((p) => p.picture.alt === 'A dot')!.picture.id
  const now = layouts.find((l) => l.layout.id === 'room-archive')!.layout as Layout
  expect(now.children[0]!.props.backgroundPicture).toBe(brought)
})

test('the Map works by keyboard alone', async ({ page }) => {
  await row(page, 'Pages').focus()
  await page.keyboard.press('Enter')
  await expect(why(page).getByRole('heading', { name: 'Getting here' })).toBeVisible()
  // Visit and Contact stand by themselves: their bodies are others.
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('ArrowRight')
  await expect(row(page, 'Harbour clock of Sallow Quay')).toBeVisible()
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('ArrowDown')
  await expect(row(page, 'The Night Regulator')).toBeFocused()
  await page.keyboard.press('Shift+ArrowDown')
  await expect(why(page).getByText('2 pages in hand; one of them')).toBeVisible()
  await page.getByRole('button', { name: 'Use another layout here: footer' }).focus()
  await page.keyboard.press('Enter')
  await page.getByLabel('Another layout for the footer here').selectOption('slim-footer')
  await expect(impact(page).getByText('This edit changes 2 pages')).toBeVisible()
  await page.getByRole('button', { name: 'Keep' }).focus()
  await page.keyboard.press('Enter')
  await expect(impact(page)).toBeHidden()
})

test(
  'on a narrow window the ladder, the Map and Why are all reached, and no screen runs out of it',
  { tag: '@alone' },
  async ({ page, server }) => {
    await page.setViewportSize({ width: 640, height: 800 })
    await openFrame(page, /^Talks/)
    const box = (await ladder(page).boundingBox())!
    expect(box.height).toBeGreaterThan(240)
    await page.getByLabel('Header', { exact: true }).selectOption('use:tower-header')
    await impact(page).scrollIntoViewIfNeeded()
    await expect(impact(page).getByText('This edit changes 12 pages')).toBeInViewport()
    await page.getByRole('button', { name: 'Drop' }).click()
    await row(page, 'Talks').click()
    await why(page).getByRole('heading', { name: 'Footer' }).scrollIntoViewIfNeeded()
    await expect(why(page).getByRole('heading', { name: 'Footer' })).toBeInViewport()
    for (const width of [640, 400]) {
      await page.setViewportSize({ width, height: 800 })
      for (const path of [
        '',
        '/layouts',
        '/layouts/exhibit-page',
        '/entries',
        '/entries/visit',
        '/checks',
        '/releases',
      ]) {
        await page.goto(`${server.origin}/studio${path}`)
        await settled(page)
        await expect(page.locator('main')).toBeVisible()
        const over = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)
        expect([path, over]).toEqual([path, 0])
      }
    }
  },
)
