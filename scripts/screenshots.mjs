import { chromium } from '@playwright/test'
import { spawn } from 'node:child_process'
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { ROOT, build, checkNode, install } from './steps.mjs'
import { ask, buy } from './visitors.mjs'

/** Remakes the pictures in docs/screenshots from the demo data: one for each main view. */

/** All of them, or those that are named. */
const NAMES = process.argv.slice(2)
const wanted = ([name]) => NAMES.length === 0 || NAMES.includes(name)

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
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium-headless-shell', args: ['--no-sandbox'] })

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
  async layouts(page) {
    await page.goto(`${ORIGIN}/studio/layouts`)
  },
  async 'bench-piece'(page) {
    await page.goto(`${ORIGIN}/studio/layouts/talk-page`)
    await page.getByRole('treeitem', { name: 'Piece: Plan a visit' }).click()
  },
  async starters(page) {
    await page.goto(`${ORIGIN}/studio/layouts`)
    await page.getByRole('button', { name: 'New layout' }).click()
    await page.getByRole('radio', { name: /^Body/ }).check()
    await page.getByRole('button', { name: /^Facts beside it/ }).click()
  },
  async bench(page) {
    await page.goto(`${ORIGIN}/studio/layouts/exhibit-page`)
    await page.getByRole('treeitem', { name: 'Heading: Title', exact: true }).click()
  },
  async 'bench-variation'(page) {
    await page.goto(`${ORIGIN}/studio/layouts/turret-exhibit`)
    await page.getByRole('treeitem', { name: /^Heading: Title/ }).click()
    await page.getByRole('button', { name: / own$/ }).click()
  },
  async 'releases-compared'(page) {
    await page.goto(`${ORIGIN}/studio/layouts/exhibit-page`)
    await page
      .getByRole('treeitem', { name: /^Heading: Title/ })
      .first()
      .click()
    await page.getByLabel('Size', { exact: true }).fill('64')
    await page.keyboard.press('Enter')
    await page.getByText('1 change waiting').waitFor()
    await page.goto(`${ORIGIN}/studio/releases/compare?before=1&after=draft`)
    await page.getByText(/pages of .* look different/).waitFor()
  },
  async checks(page) {
    await page.goto(`${ORIGIN}/studio?frame=talks`)
    await page.getByLabel('Body', { exact: true }).selectOption('use:exhibit-page')
    await page.getByRole('button', { name: 'Keep' }).click()
    await page.getByText('is changed in the draft.').waitFor()
    await page.goto(`${ORIGIN}/studio/checks`)
  },
  async 'bench-checkout'(page) {
    await page.goto(`${ORIGIN}/studio/layouts/checkout-page`)
    await page.getByRole('treeitem', { name: /^Delivery choice/ }).click()
  },
  async messages(page) {
    await page.goto(`${ORIGIN}/studio/visitors/messages`)
    await page.getByRole('button', { name: /Otto Pell/ }).click()
  },
  async order(page) {
    await page.goto(`${ORIGIN}/studio/visitors/orders`)
    await page.getByRole('button', { name: /Inez Dial/ }).click()
    await page.getByRole('heading', { name: 'Its story' }).waitFor()
  },
  async house(page) {
    await page.goto(`${ORIGIN}/studio/house`)
    await page.getByRole('button', { name: /^Vermilion #/ }).click()
  },
}

async function toTheTill(page) {
  await page.getByRole('button', { name: 'Put it into the basket' }).click()
  await page.goto(`${ORIGIN}/checkout`)
  await page.getByLabel('Name', { exact: true }).first().fill('Inez Dial')
  await page.getByLabel('Mail address').fill('inez at example')
  await page.getByLabel('Telephone (optional)').focus()
  await page.getByText('This is no mail address.').waitFor()
}

/** Pages of the site: at which width, and what is done there first. */
const SITE = {
  'site-home': ['/', 1280, (page) => page.getByRole('link', { name: 'Exhibits' }).first().hover()],
  'site-checkout': ['/gifts/keepers-apron', 1280, toTheTill],
  'site-exhibit': ['/exhibits/walnut-longcase-with-tide-dial', 1280],
  'site-exhibits': ['/exhibits?room=long-gallery&strikes=yes', 1280],
}

try {
  await ask(ORIGIN)
  await buy(ORIGIN)
  for (const [name, prepare] of Object.entries(STUDIO).filter(wanted)) {
    const page = await signedIn()
    await prepare(page)
    await shoot(page, name)
    await page.context().close()
  }
  for (const [name, [address, width, prepare]] of Object.entries(SITE).filter(wanted)) {
    const visitor = await (await browser.newContext({ viewport: { width, height: 800 } })).newPage()
    await visitor.goto(ORIGIN + address)
    await drawn(visitor)
    await prepare?.(visitor)
    await visitor.waitForTimeout(500)
    await visitor.screenshot({ path: join(OUT, `${name}.png`) })
    console.log(`docs/screenshots/${name}.png`)
  }
} finally {
  await browser.close()
  server.kill()
  rmSync(data, { recursive: true, force: true })
}
