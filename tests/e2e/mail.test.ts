import { readFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import type { Page } from '@playwright/test'
import { type ParsedMail, simpleParser } from 'mailparser'
import type { TestServer } from '../server'
import { known, expect, findings, test } from './studio'

/** What visitors send reaches an inbox: the keeper's, their own; with script and without. */

async function inbox({ data }: TestServer): Promise<ParsedMail[]> {
  const folder = join(data, 'stand-ins', 'mail')
  const names = readdirSync(folder)
    .filter((name) => /^\d.*\.eml$/.test(name))
    .sort()
  return Promise.all(names.map((name) => simpleParser(readFileSync(join(folder, name)))))
}
async function mailTo(server: TestServer, address: string, n = 1): Promise<ParsedMail> {
  let found: ParsedMail[] = []
  await expect(async () => {
    found = (await inbox(server)).filter((m) => JSON.stringify(m.to).includes(address))
    expect(found).toHaveLength(n)
  }).toPass()
  return found.at(-1)!
}
const PNG = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
)

for (const javaScriptEnabled of [true, false])
  test(`a question with a photograph reaches whoever keeps the clock, ${javaScriptEnabled ? 'with' : 'without'} script`, async ({
    browser,
    server,
    page,
  }) => {
    const context = await browser.newContext({ javaScriptEnabled })
    const visitor = await context.newPage()
    await visitor.goto(`${server.origin}/exhibits/the-night-regulator`)
    const form = visitor.locator('form.of-form')
    await form.getByLabel('Your name').fill('Inez Calloway')
    await form.getByLabel('Your mail address').fill('inez@example.org')
    await form.getByLabel('Your question').fill('Does it strike?\nI heard it.')
    const photograph = form.getByLabel('A photograph')
    await photograph.setInputFiles({ name: 'page.png', mimeType: 'image/png', buffer: Buffer.from('<html>') })
    await form.getByRole('button', { name: 'Send it' }).click()
    const alert = visitor.getByRole('alert')
    await expect(alert).toContainText('Files of this kind are not taken here.')
    await expect(alert).toContainText('Please agree to this before you send it.')
    await photograph.setInputFiles({ name: '../../my clock.png', mimeType: 'text/html', buffer: PNG })
    await form.getByRole('button', { name: 'Send it' }).click()
    // The file came in with what was wrong, and goes along when it is sent again.
    await expect(form.getByLabel('my-clock.png')).toBeChecked()
    await form.getByLabel('You may keep what I write').check()
    await form.getByRole('button', { name: 'Send it' }).click()
    await expect(visitor.getByText('Your question is with the keeper')).toBeVisible()
    await context.close()

    const mail = await mailTo(server, 'ines@quillmere.example.org')
    expect(mail.subject).toBe('A question about The Night Regulator')
    expect(mail.text).toContain('Does it strike?\nI heard it.')
    expect(JSON.stringify(mail.replyTo)).toContain('inez@example.org')
    expect(mail.attachments.map((a) => [a.filename, a.content.equals(PNG)])).toEqual([['my-clock.png', true]])
    expect((await mailTo(server, 'inez@example.org')).subject).toBe('Your question to the museum')

    await known(page, server)
    await page.goto(`${server.origin}/studio/visitors/messages`)
    await page.getByRole('button', { name: /Inez Calloway/ }).click()
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('link', { name: 'my-clock.png' }).click(),
    ])
    expect(download.suggestedFilename()).toBe('my-clock.png')
    expect(readFileSync(await download.path()).equals(PNG)).toBe(true)
  })

test(
  'the mail screen says what was sent, sets a server, tries it, and says why it does not answer',
  { tag: '@alone' },
  async ({ page, server, browser }) => {
    const visitor = await browser.newPage()
    await visitor.goto(`${server.origin}/contact`)
    await visitor.getByLabel('Your name').fill('Inez')
    await visitor.getByLabel('Your mail address').fill('inez@example.org')
    await visitor.getByLabel('Your question').fill('When do you wind?')
    await visitor.getByLabel('You may keep what I write').check()
    await visitor.getByRole('button', { name: 'Send it' }).click()
    await expect(visitor.getByText('Your question is with the keeper')).toBeVisible()
    await mailTo(server, 'desk@quillmere.example.org')

    await known(page, server, 'orla')
    await page.goto(`${server.origin}/studio/visitors/mail`)
    await expect(page.getByRole('button', { name: 'Sent 2' })).toBeVisible()
    await page.getByRole('button', { name: /A question about Contact/ }).click()
    await expect(page.getByRole('complementary', { name: 'The chosen mail' })).toContainText('When do you wind?')
    expect(await findings(page)).toEqual([])
    const inboxLink = page.getByRole('link', { name: 'Look into its inbox' })
    const looking = await browser.newPage()
    await looking.goto((await inboxLink.getAttribute('href'))!)
    await expect(looking.getByText('A question about Contact')).toBeVisible()

    await page.getByRole('button', { name: 'Set a mail server…' }).click()
    await page.getByLabel('Server', { exact: true }).fill('127.0.0.1')
    await page.getByLabel('Encryption').selectOption('none')
    await page.getByLabel('Port').fill('1')
    await page.getByLabel('Password').fill('wind-me')
    await page.getByLabel('Address of the sender').fill('post@quillmere.example.org')
    await page.getByRole('button', { name: 'Try it with a mail to me' }).click()
    await expect(page.getByRole('alert').filter({ hasText: 'does not answer' })).toBeVisible()
    await page.getByRole('button', { name: 'Set it' }).click()
    await expect(page.getByText('Mail leaves by 127.0.0.1').first()).toBeVisible()
    expect(await findings(page)).toEqual([])

    // What is sent meanwhile waits, and goes once there is a way again; a restart loses nothing of it.
    await visitor.goto(`${server.origin}/contact`)
    await visitor.getByLabel('Your name').fill('Otto')
    await visitor.getByLabel('Your mail address').fill('otto@example.org')
    await visitor.getByLabel('Your question').fill('And on Mondays?')
    await visitor.getByLabel('You may keep what I write').check()
    await visitor.getByRole('button', { name: 'Send it' }).click()
    await expect(visitor.getByText('Your question is with the keeper')).toBeVisible()
    await expect(async () => {
      await page.getByRole('button', { name: 'Look again' }).click()
      await expect(page.getByText('The mail server does not answer.').first()).toBeVisible({ timeout: 1000 })
    }).toPass()
    await server.restart()
    await page.reload()
    await expect(page.getByRole('button', { name: 'Waiting 2' })).toBeVisible()
    await page.getByRole('button', { name: 'Change…' }).click()
    await expect(page.getByText('it is set')).toBeVisible()
    await page.getByRole('button', { name: 'Set none' }).click()
    await expect(page.getByText('Mail goes to the stand-in')).toBeVisible()
    await mailTo(server, 'desk@quillmere.example.org', 2)
  },
)

async function enter(visitor: Page, password: string): Promise<void> {
  await visitor.getByLabel('Mail address').fill('mina@quillmere.example.org')
  await visitor.getByLabel('Password').fill(password)
  await visitor.locator('form').getByRole('button', { name: 'Sign in' }).click()
}

test('a member signs in to the site without script, changes the password, and signs out', async ({
  browser,
  server,
}) => {
  const context = await browser.newContext({ javaScriptEnabled: false })
  const visitor = await context.newPage()
  await visitor.goto(`${server.origin}/member`)
  await visitor.getByRole('link', { name: 'Sign in' }).click()
  await enter(visitor, 'not-this-one')
  await expect(visitor.getByRole('alert')).toContainText('do not belong together')
  await expect(visitor.getByLabel('Mail address')).toHaveValue('mina@quillmere.example.org')
  await enter(visitor, 'wind-me-on-sunday')
  await expect(visitor).toHaveURL(/\/member/)
  await expect(visitor.getByText('Good to see you, Mina')).toBeVisible()
  await visitor.getByLabel('Your password as it is').fill('wind-me-on-sunday')
  await visitor.getByLabel('The new one').fill('short')
  await visitor.getByRole('button', { name: 'Change it' }).click()
  await expect(visitor.getByRole('alert')).toContainText('12 to 500')
  await visitor.getByLabel('Your password as it is').fill('wind-me-on-sunday')
  await visitor.getByLabel('The new one').fill('wind-me-on-monday')
  await visitor.getByRole('button', { name: 'Change it' }).click()
  await expect(visitor.getByRole('status')).toContainText('It is changed.')
  await visitor.getByRole('button', { name: 'Sign out' }).click()
  await expect(visitor.getByText('You are not signed in.')).toBeVisible()
  await visitor.goto(`${server.origin}/sign-in?to=//elsewhere.example.org/`)
  await enter(visitor, 'wind-me-on-monday')
  await expect(visitor).toHaveURL(/\/member/)
  await context.close()
})
