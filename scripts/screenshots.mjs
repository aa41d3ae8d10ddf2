import { chromium } from '@playwright/test'
import { spawn } from 'node:child_process'
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { ROOT, build, checkNode, install } from './steps.mjs'

/** Remakes the pictures in docs/screenshots from the demo data: one for each main view. */

const PORT = 4599
const ORIGIN = `http://localhost:${PORT}`
const OUT = join(ROOT, 'docs', 'screenshots')

checkNode()
install()
build()
mkdirSync(OUT, { recursive: true })
const data = mkdtempSync(join(tmpdir(), 'outer-frame-shots-'))
const server = spawn(process.execPath, [join(ROOT, '.output', 'server', 'index.mjs')], {
  env: {
    ...process.env,
    PORT: String(PORT),
    OUTER_FRAME_DATA: data,
    OUTER_FRAME_DEMO: 'full',
    OUTER_FRAME_DEMO_PHOTOGRAPHS: '1',
  },
})
await new Promise((done) => server.stdout.on('data', (chunk) => String(chunk).includes('listening') && done()))
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] })

async function signedIn(width = 1280, height = 800) {
  const context = await browser.newContext({ viewport: { width, height }, locale: 'en-GB', deviceScaleFactor: 1 })
  const page = await context.newPage()
  await page.goto(`${ORIGIN}/studio/sign-in`)
  await page.getByLabel('Mail address').fill('ada@quillmere.example.org')
  await page.getByLabel('Password').fill('wind-me-on-sunday')
  await page.getByRole('button', { name: 'Sign in' }).click()
  await page.getByRole('navigation', { name: 'Studio' }).waitFor()
  return page
}

/** Runs in the page: whether every small picture in view stands there with all that is in it. */
function allDrawn() {
  const inView = [...document.querySelectorAll('iframe')].filter((frame) => {
    const { top, bottom, width } = frame.getBoundingClientRect()
    return width > 0 && bottom > 0 && top < window.innerHeight
  })
  return inView.every((frame) => {
    const inside = frame.contentDocument
    if (inside?.readyState !== 'complete' || !inside.body?.children.length) return false
    for (const picture of inside.images) picture.loading = 'eager'
    return [...inside.images].every((picture) => picture.complete)
  })
}

/** Small pictures are drawn when they come into view, and again when what they show arrives: none stands blank. */
async function drawn(page) {
  for (let seen = 0; seen < 6;) {
    await page.waitForTimeout(250)
    seen = (await page.evaluate(allDrawn)) ? seen + 1 : 0
  }
}

async function shoot(page, name) {
  await drawn(page)
  await page.mouse.move(640, 799)
  await page.waitForTimeout(900)
  await page.screenshot({ path: join(OUT, `${name}.png`) })
  console.log(`docs/screenshots/${name}.png`)
}

const STUDIO = {
  async map(page) {
    await page.goto(`${ORIGIN}/studio`)
    await page
      .getByRole('button', { name: /^Exhibits in Tower Room/ })
      .nth(1)
      .click()
  },
  async 'map-edit'(page) {
    await page.goto(`${ORIGIN}/studio?frame=tower`)
    await page.getByRole('button', { name: 'Unfold Exhibits' }).click()
    await page.getByRole('button', { name: 'Add a fact that must hold' }).first().click()
    await page.getByRole('combobox', { name: 'Add a fact that must hold' }).fill('19th')
    await page.keyboard.press('Enter')
    await page.getByText(/changes \d pages/).waitFor()
    await page.getByRole('button', { name: 'Fenwick turret clock', exact: true }).click()
  },
  async entry(page) {
    await page.goto(`${ORIGIN}/studio/content/entries/fenwick-turret-clock`)
    await page.getByRole('button', { name: 'Its page' }).click()
    await page.getByLabel('Title', { exact: true }).fill('Fenwick turret clock, restored')
    await page.getByText('Kept for you').waitFor()
  },
  async entries(page) {
    await page.goto(`${ORIGIN}/studio/content/entries?sort=-date`)
    await page.getByLabel('Choose The bell comes home').check()
  },
  async menus(page) {
    await page.goto(`${ORIGIN}/studio/content/menus`)
    await page.getByRole('textbox', { name: /^Getting here/ }).click()
  },
  async pictures(page) {
    await page.goto(`${ORIGIN}/studio/content/pictures?picture=room-tower-room`)
    await page.getByLabel('Find a picture').fill('tower')
  },
  async 'page-types'(page) {
    await page.goto(`${ORIGIN}/studio/content/types`)
    await page.getByRole('button', { name: /^Exhibits/ }).click()
    await page.getByRole('button', { name: /Height/ }).click()
  },
  async layouts(page) {
    await page.goto(`${ORIGIN}/studio/layouts`)
  },
  async bench(page) {
    await page.goto(`${ORIGIN}/studio/layouts/exhibit-page`)
    await page.getByRole('treeitem', { name: 'Heading: Title', exact: true }).click()
  },
  async 'bench-header'(page) {
    await page.goto(`${ORIGIN}/studio/layouts/tower-header`)
    await page
      .getByRole('treeitem')
      .first()
      .click({ position: { x: 40, y: 8 } })
  },
  async 'bench-words'(page) {
    await page.goto(`${ORIGIN}/studio/layouts/exhibit-page`)
    await page.getByRole('treeitem', { name: 'Text: Made' }).click()
    await page.keyboard.press('Enter')
    await page.getByTestId('words').waitFor()
  },
  async 'bench-widths'(page) {
    await page.goto(`${ORIGIN}/studio/layouts/exhibit-page`)
    await page.getByRole('button', { name: 'Widths' }).click()
    await page.frameLocator('section[aria-label="Page, medium"] iframe').getByRole('heading', { level: 1 }).click()
  },
  async 'bench-palette'(page) {
    await page.goto(`${ORIGIN}/studio/layouts/story-page`)
    await page.getByRole('button', { name: /^Palette/ }).click()
    await page.getByRole('treeitem').nth(3).click()
  },
  async release(page) {
    await page.goto(`${ORIGIN}/studio/layouts/house-header`)
    await page.getByRole('treeitem', { name: 'Menu: Main menu' }).click()
    await page.getByLabel('Size', { exact: true }).fill('17')
    await page.keyboard.press('Enter')
    await page.getByText('1 change waiting').waitFor()
    await page.getByRole('button', { name: 'Release…' }).click()
  },
  async checks(page) {
    await page.goto(`${ORIGIN}/studio?frame=talks`)
    await page.getByLabel('Body', { exact: true }).selectOption({ label: 'Exhibit page' })
    await page.getByRole('button', { name: 'Keep' }).click()
    await page.getByText('is changed in the draft.').waitFor()
    await page.goto(`${ORIGIN}/studio/checks`)
  },
  async 'bench-history'(page) {
    await page.goto(`${ORIGIN}/studio/layouts/exhibit-page`)
    const heading = page.getByRole('treeitem', { name: 'Heading: Title' }).first()
    await heading.click()
    await page.getByLabel('Size', { exact: true }).fill('56')
    await page.keyboard.press('Enter')
    await page.keyboard.press('Escape')
    await page.keyboard.press('Alt+ArrowDown')
    await page.keyboard.press('d')
    await page.keyboard.press('x')
    await page.getByRole('button', { name: 'History' }).click()
    await page.getByRole('complementary', { name: 'History' }).getByRole('listitem').nth(2).getByRole('button').click()
  },
}
const SITE = {
  'site-home': '/',
  'site-exhibit': '/exhibits/harbour-clock-of-sallow-quay',
}

try {
  for (const [name, prepare] of Object.entries(STUDIO)) {
    const page = await signedIn()
    await prepare(page)
    await shoot(page, name)
    await page.context().close()
  }
  const visitor = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
  for (const [name, address] of Object.entries(SITE)) {
    await visitor.goto(ORIGIN + address)
    await shoot(visitor, name)
  }
} finally {
  await browser.close()
  server.kill()
  rmSync(data, { recursive: true, force: true })
}
