import { cpSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import axe from 'axe-core'
import { type Browser, type Page, expect, test as base } from '@playwright/test'
import { Client } from '../api/client'
import { type StartOptions, type TestServer, startServer } from '../server'

export { expect }

const SESSION = '__Host-outer-frame'
const PASSWORD = 'wind-me-on-sunday'

/** A folder made once, with the sessions of those who work there: each test has a copy of it. */
interface Prepared {
  data: string
  sessions: ReadonlyMap<string, string>
}

const folder = () => mkdtempSync(join(tmpdir(), 'outer-frame-'))

async function prepare(demo: StartOptions['demo']): Promise<Prepared> {
  const data = folder()
  const sessions = new Map<string, string>()
  if (demo === 'none') return { data, sessions }
  const server = await startServer({ demo, data })
  for (const who of ['ada', 'wim', 'orla']) {
    const client = await new Client(server).open()
    await client.signIn(who)
    const session = client.cookie(SESSION)
    if (session) sessions.set(who, session)
  }
  await server.stop()
  return { data, sessions }
}

/** Who is signed in at a server without having typed a password there. */
const sessionsAt = new WeakMap<TestServer, Prepared['sessions']>()

/** A running server over a copy of what was prepared. */
async function serve(demo: StartOptions['demo'], prepared: Prepared): Promise<TestServer> {
  const data = folder()
  cpSync(prepared.data, data, { recursive: true })
  const server = await startServer({ demo, data })
  sessionsAt.set(server, prepared.sessions)
  return server
}

async function end(server: TestServer): Promise<void> {
  await server.stop()
  rmSync(server.data, { recursive: true, force: true })
}

/** The server that the tests of one file share. */
interface Shared {
  file: string
  server: TestServer
}

/**
 * Tests over the demo as `demo` names it. Those of one file share a server and its folder, one after the other;
 * the tag `@alone` gives one a server of its own: for tests that others' changes would disturb.
 */
export const test = base.extend<
  { server: TestServer; errors: string[] },
  { demo: StartOptions['demo']; prepared: Prepared; shared: { now?: Shared } }
>({
  demo: ['full', { option: true, scope: 'worker' }],
  prepared: [
    async ({ demo }, use) => {
      const prepared = await prepare(demo)
      await use(prepared)
      rmSync(prepared.data, { recursive: true, force: true })
    },
    { scope: 'worker' },
  ],
  shared: [
    // eslint-disable-next-line no-empty-pattern -- the first argument names what is asked for
    async ({}, use) => {
      const shared: { now?: Shared } = {}
      await use(shared)
      if (shared.now) await end(shared.now.server)
    },
    { scope: 'worker' },
  ],
  server: async ({ demo, prepared, shared }, use, { file, tags }) => {
    if (tags.includes('@alone')) {
      const server = await serve(demo, prepared)
      await use(server)
      await end(server)
      return
    }
    if (shared.now?.file !== file) {
      if (shared.now) await end(shared.now.server)
      shared.now = { file, server: await serve(demo, prepared) }
    }
    await use(shared.now.server)
  },
  /** Whatever the page reports as an error; no test leaves any. */
  errors: [
    async ({ page }, use) => {
      const errors: string[] = []
      page.on('pageerror', (error) => errors.push(error.message))
      await use(errors)
      expect(errors).toEqual([])
    },
    { auto: true },
  ],
})

/** Waits until the studio answers to clicks. */
export async function settled(page: Page): Promise<void> {
  await page.waitForFunction(
    () => (window as { useNuxtApp?: () => { isHydrating?: boolean } }).useNuxtApp?.().isHydrating === false,
  )
}

/** Makes somebody of the museum known here, by a session that they have; no page is loaded. */
export async function known(page: Page, server: TestServer, who = 'ada'): Promise<void> {
  // A cookie for this host alone is taken from https alone; browsers send it to this machine over http too.
  const url = server.origin.replace('http:', 'https:')
  const value = sessionsAt.get(server)!.get(who)!
  await page.context().addCookies([{ name: SESSION, value, url, secure: true }])
}

/** Signs in and shows the Map: those of the museum by a session that they have, anybody else by the form. */
export async function signIn(page: Page, server: TestServer, who = 'ada'): Promise<void> {
  if (sessionsAt.get(server)?.has(who)) {
    await known(page, server, who)
    await page.goto(`${server.origin}/studio`)
    await expect(page.getByRole('navigation', { name: 'Studio' })).toBeVisible()
    return settled(page)
  }
  await page.goto(`${server.origin}/studio/sign-in`)
  await settled(page)
  await page.getByLabel('Mail address').fill(`${who}@quillmere.example.org`)
  await page.getByLabel('Password').fill(PASSWORD)
  await page.locator('form').getByRole('button', { name: 'Sign in' }).click()
  // A password takes its time to be judged, on purpose; on a busy machine it takes more.
  await expect(page.getByRole('navigation', { name: 'Studio' })).toBeVisible({ timeout: 30_000 })
}

/** The page on the bench. */
export const benchPage = (page: Page) => page.frameLocator('section[aria-label="Page"] iframe')

/** A visitor who has never been here. */
export async function visitor(browser: Browser): Promise<Page> {
  return (await browser.newContext()).newPage()
}

/** Adds by name, the way the keys do it. */
export async function add(page: Page, name: string): Promise<void> {
  await page.keyboard.press('a')
  await page.getByRole('combobox', { name: 'Add what' }).fill(name)
  await page.keyboard.press('Enter')
}

export async function saved(page: Page): Promise<void> {
  await expect(page.locator('footer').getByText('Saved', { exact: true })).toBeVisible()
}

export async function makeLayout(page: Page, server: TestServer, name: string, region: string): Promise<void> {
  await page.goto(`${server.origin}/studio/layouts`)
  await page.getByRole('button', { name: 'New layout' }).click()
  await page.getByRole('radio', { name: new RegExp(`^${region}`) }).check()
  await page.getByLabel('Name').fill(name)
  await page.getByRole('button', { name: 'Make it' }).click()
  await expect(page.getByRole('tree', { name: 'Rows, columns and elements' })).toBeVisible()
}

/** Adds a frame on the Map: what it covers, and what it says, then keeps it. */
export async function makeFrame(page: Page, covers: string[], says: Record<string, string>): Promise<void> {
  await page.getByRole('button', { name: 'Add frame' }).click()
  for (const cover of covers) {
    await page.getByRole('button', { name: 'Add what it covers' }).click()
    await page.getByRole('combobox', { name: 'Add what it covers' }).fill(cover)
    await page.getByRole('option').first().click()
  }
  for (const [region, layout] of Object.entries(says)) {
    const select = page.getByLabel(region, { exact: true })
    // What it is for may stand behind its name.
    const option = select.locator('option').filter({ hasText: new RegExp(`^\\s*${layout}(:|\\s*$)`) })
    await select.selectOption((await option.getAttribute('value'))!)
  }
}

export async function keep(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Keep' }).click()
  await expect(page.getByRole('region', { name: 'Impact of this edit' })).toBeHidden()
}

export async function release(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Release…' }).click()
  await page.getByRole('button', { name: /^Release \d+ changes?$/ }).click()
  await expect(page.getByText(/is what visitors see now/)).toBeVisible()
  await page.getByRole('button', { name: 'Done' }).click()
}

/** Serious and critical findings of the window itself; pages drawn small inside it are published pages, looked at by themselves. */
export async function findings(page: Page): Promise<string[]> {
  await page.evaluate(axe.source)
  const { violations } = await page.evaluate(() =>
    (window as unknown as { axe: typeof axe }).axe.run(document, { iframes: false }),
  )
  return violations
    .filter((v) => v.impact === 'serious' || v.impact === 'critical')
    .map(
      (v) =>
        `${v.id}: ${v.nodes
          .map((n) => n.target.join(' '))
          .slice(0, 4)
          .join(' | ')}`,
    )
}

/** The one-time code that an empty server prints. */
export const codeOf = (said: string): string => /"event":"to-be-founded","code":"([A-Z0-9-]+)"/.exec(said)?.[1] ?? ''

/** Founds a site of Rui's, which begins with nothing or with pages and stories. */
export async function found(page: Page, server: TestServer, nothing: boolean): Promise<void> {
  await page.goto(`${server.origin}/studio`)
  await settled(page)
  await page.getByLabel('Code').fill(codeOf(server.said()))
  await page.getByLabel('Name', { exact: true }).fill('Salt Works')
  await page.getByLabel('Your name').fill('Rui')
  await page.getByLabel('Mail address').fill('rui@saltworks.example.org')
  await page.getByLabel('Password').fill('a heron on the dyke')
  if (nothing) await page.getByLabel('Nothing').check()
  await page.getByRole('button', { name: 'Found the site' }).click()
  await expect(page.getByRole('navigation', { name: 'Studio' })).toBeVisible()
}
