import { mkdtempSync, readFileSync, readdirSync, rmSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { type ParsedMail, simpleParser } from 'mailparser'
import type { Mail, MailServer } from '#core/forms'
import { insertMails, readMails } from '../../../server/database/mails'
import { MailSettings, Sealing } from '../../../server/mail/settings'
import { Outbox, type Sender, nextTry, whyNot } from '../../../server/mail/outbox'
import { FileStore } from '../../../server/media/store'
import { type MailInbox, openMailStandIn } from '../../../stand-ins/mail'
import { freshDatabase } from './database'

/** Mail on its way out: by SMTP to the stand-in, waiting when it is away, given up when it is refused for good. */

const { db, folder } = freshDatabase()
const inbox = mkdtempSync(join(tmpdir(), 'outer-frame-inbox-'))
const files = new FileStore(folder, 'sent')
let standIn: MailInbox
let settings: MailSettings
let now = Date.parse('2026-11-30T10:00:00Z')
const site = () => ({ name: 'The "Museum", of\r\nClocks', host: 'quillmere.example.org' })

beforeAll(async () => {
  standIn = await openMailStandIn(inbox)
  await files.open()
})
afterAll(async () => {
  await standIn.close()
  rmSync(inbox, { recursive: true, force: true })
})
beforeEach(async () => {
  for (const table of ['mails', 'mail_server'] as const) await db().deleteFrom(table).execute()
  settings = new MailSettings(db(), 'secret', standIn, site)
})

const mail = (to: string, more: Partial<Mail> = {}): Mail => ({
  format: 1,
  to,
  replyTo: '',
  subject: 'A clock',
  text: 'It has stopped.\n',
  files: [],
  ...more,
})
const outbox = (sender?: Sender) => new Outbox(db(), settings, files, () => now, sender && (() => sender))
const standing = async () => (await readMails(db(), { most: 100 })).map((m) => [m.mail.to, m.state, m.why, m.tries])
const put = (...mails: Mail[]) => insertMails(db(), mails, { about: 'message:7', at: now })
async function came(): Promise<ParsedMail[]> {
  const names = readdirSync(inbox)
    .filter((name) => name.endsWith('.eml'))
    .sort()
  return Promise.all(names.map((name) => simpleParser(readFileSync(join(inbox, name)))))
}

test('what is stored reaches the inbox of the stand-in once, with its files and whom to answer', async () => {
  const { path, hash, size } = await files.bring(Buffer.from('a list of clocks'))
  await files.keep({ path, hash })
  await put(
    mail('keeper@example.org', {
      replyTo: 'inez@example.org',
      subject: 'Ü: a clock',
      files: [{ name: 'list.txt', hash, size, mime: 'text/plain' }],
    }),
  )
  await outbox().run()
  await outbox().run()
  expect(await standing()).toEqual([['keeper@example.org', 'sent', '', 1]])
  const [one, ...more] = await came()
  expect(more).toEqual([])
  expect(one).toMatchObject({ subject: 'Ü: a clock', text: 'It has stopped.\n' })
  expect([one!.to, one!.replyTo, one!.from].flat().map((a) => a?.text)).toEqual([
    'keeper@example.org',
    'inez@example.org',
    expect.stringMatching(/Clocks.*<post@quillmere\.example\.org>$/),
  ])
  expect(one!.attachments.map((a) => [a.filename, a.content.toString()])).toEqual([['list.txt', 'a list of clocks']])
  expect(one!.messageId).toMatch(/^<message-7\.\d+\.\d+@quillmere\.example\.org>$/)
  const page = await (await fetch(standIn.inbox)).text()
  expect(page).toContain('Ü: a clock')
  expect(await (await fetch(`${standIn.inbox}../../etc/passwd`)).text()).toBe('There is no such mail.\n')
})

test('while the server is away everything waits, is not lost by a restart, and goes once it is back', async () => {
  const gone = createServer().listen(0)
  const { port } = gone.address() as { port: number }
  await new Promise((done) => gone.close(done))
  const away = new MailSettings(db(), 'secret', { smtp: port, inbox: '' }, site)
  await put(...Array.from({ length: 120 }, (_, i) => mail(`w${i}@example.org`)))
  await new Outbox(db(), away, files, () => now).run()
  const waiting = await readMails(db(), { state: 'waiting', most: 1000 })
  expect(waiting).toHaveLength(120)
  expect(waiting.every((m) => m.why.startsWith('The mail server does not answer.') && m.then === now + 10_000)).toBe(
    true,
  )
  const before = (await came()).length
  // Not before its time.
  await outbox().run()
  expect(await came()).toHaveLength(before)
  now += 10_000
  await outbox().run()
  expect(await came()).toHaveLength(before + 120)
})

test('one is left by a press in the mail program, and letters of any script stand before the @', async () => {
  await put(mail('инес@example.org', { leave: 'https://quillmere.example.org/_of/leave/x/y' }))
  await put(mail('inez@müller.example', { leave: 'http://quillmere.example.org/_of/leave/x/y' }))
  await outbox().run()
  expect((await standing()).map(([, state, why]) => [state, why])).toEqual([
    ['sent', ''],
    ['sent', ''],
  ])
  // They arrive in whatever order.
  const both = (await came()).slice(-2)
  const isSealed = (of: ParsedMail) => JSON.stringify(of.headers.get('list')).includes('https://')
  const [one, two] = [both.find(isSealed), both.find((m) => !isSealed(m))]
  expect(JSON.stringify(one!.headers.get('list'))).toContain('https://quillmere.example.org/_of/leave/x/y')
  const post = (of: ParsedMail) => of.headerLines.find((h) => h.key === 'list-unsubscribe-post')?.line
  expect(post(one!)).toBe('List-Unsubscribe-Post: List-Unsubscribe=One-Click')
  expect(post(two!)).toBeUndefined()
})

test.each([
  ['self-signed certificate', 'authority that is not known here'],
  ['certificate has expired', 'has run out'],
  ["Hostname/IP does not match certificate's altnames", 'another name'],
  ['wrong version number', 'does not begin with TLS'],
  ['Server does not support STARTTLS', 'does not offer STARTTLS'],
])('%s is told as what it is', (message, says) =>
  expect(whyNot(Object.assign(new Error(message), { code: 'ESOCKET' }))).toContain(says),
)

test('two servers over one folder send each mail once; what one had taken when it ended is sent by the other later', async () => {
  const sent: string[] = []
  const slow: Sender = {
    send: async ({ to }) => {
      await new Promise((done) => setTimeout(done, 5))
      sent.push(to)
    },
    close: () => undefined,
  }
  await put(...Array.from({ length: 130 }, (_, i) => mail(`w${i}@example.org`)))
  await Promise.all([outbox(slow).run(), outbox(slow).run()])
  expect(sent).toHaveLength(130)
  expect(new Set(sent).size).toBe(130)
  await put(mail('late@example.org'))
  const never: Sender = { send: () => new Promise(() => undefined), close: () => undefined }
  void outbox(never).run()
  while ((await readMails(db(), { most: 1, state: 'waiting' }))[0]!.then === now) await Promise.resolve()
  await outbox(slow).run()
  expect(sent).toHaveLength(130)
  now += 11 * 60_000
  await outbox(slow).run()
  expect(sent.at(-1)).toBe('late@example.org')
})

test('one that is refused for good is given up with the reason, and holds up no other', async () => {
  const refused = Object.assign(new Error('550 No such mailbox here'), { responseCode: 550, code: 'EENVELOPE' })
  const later = Object.assign(new Error('450 Greylisted'), { responseCode: 450, code: 'EENVELOPE' })
  const sent: string[] = []
  const sender: Sender = {
    async send({ to }) {
      if (to.startsWith('nobody')) throw refused
      if (to.startsWith('grey')) throw later
      sent.push(to)
    },
    close: () => undefined,
  }
  await put(mail('nobody@example.org'), mail('grey@example.org'), mail('well@example.org'))
  await outbox(sender).run()
  expect((await standing()).sort()).toEqual([
    ['grey@example.org', 'waiting', '450 Greylisted', 1],
    ['nobody@example.org', 'failed', '550 No such mailbox here', 1],
    ['well@example.org', 'sent', '', 1],
  ])
  const [failed] = await readMails(db(), { state: 'failed', most: 1 })
  const again = outbox({ ...sender, send: async ({ to }) => void sent.push(to) })
  expect(await again.retry([failed!.id])).toBe(1)
  await again.run()
  expect(sent.sort()).toEqual(['nobody@example.org', 'well@example.org'])
})

test('it waits for as long as it has waited, up to an hour, and is given up after three days', () => {
  const hour = 3_600_000
  expect([0, 25_000, 9 * hour].map((waited) => nextTry(now - waited, now)! - now)).toEqual([10_000, 25_000, hour])
  expect(nextTry(now - 72 * hour, now)).toBeNull()
  let [at, tries] = [0, 0]
  for (let next: number | null = 0; next !== null; next = nextTry(0, at)) [at, tries] = [next, tries + 1]
  expect(tries).toBeLessThan(90)
  expect(at).toBeLessThan(73 * hour)
})

test('a mail that cannot be read is given up, and what was sent is forgotten after a month', async () => {
  await put(mail('a@example.org'), mail('b@example.org'))
  await db().updateTable('mails').set({ doc: '{"to":1}' }).where('doc', 'like', '%a@%').execute()
  await outbox().run()
  const states = await db().selectFrom('mails').select(['state', 'why']).orderBy('id').execute()
  expect(states).toEqual([
    { state: 'failed', why: 'What is kept of it cannot be read.' },
    { state: 'sent', why: '' },
  ])
  now += 31 * 24 * 3_600_000
  await outbox().run()
  expect(await db().selectFrom('mails').selectAll().execute()).toEqual([])
})

const real: MailServer = {
  format: 1,
  host: 'mail.example.org',
  port: 465,
  security: 'tls',
  user: 'post',
  from: 'post@example.org',
  name: 'Museum',
}

test('the password of a mail server is sealed, never told, and kept for its own server alone', async () => {
  await settings.set(real, 'wind-me')
  expect(JSON.stringify(await db().selectFrom('mail_server').selectAll().execute())).not.toContain('wind-me')
  expect(await settings.state()).toEqual({ kind: 'set', server: real, password: true, spoilt: false })
  expect((await settings.reached())!.password).toBe('wind-me')
  await settings.set({ ...real, name: 'The museum' })
  expect((await settings.reached())!.password).toBe('wind-me')
  expect((await settings.tried({ ...real, host: 'thief.example.org' }))!.password).toBe('')
  await settings.set({ ...real, host: 'other.example.org' })
  expect((await settings.reached())!.password).toBe('')
  await settings.set(null)
  expect(await settings.state()).toMatchObject({ kind: 'stand-in' })
})

test('with another secret the password is gone, which is said, and mail waits', async () => {
  await settings.set(real, 'wind-me')
  const other = new MailSettings(db(), 'another secret', null, site)
  expect(await other.state()).toMatchObject({ kind: 'set', spoilt: true })
  expect(await other.reached()).toBeNull()
  await put(mail('a@example.org'))
  await new Outbox(db(), other, files, () => now).run()
  expect(await standing()).toEqual([
    ['a@example.org', 'waiting', 'No mail server is set, or its password has to be set anew.', 1],
  ])
  const sealing = new Sealing('secret')
  for (const spoilt of ['', 'x', sealing.seal('word').slice(0, -2), `${sealing.seal('word')}AA`])
    expect(sealing.open(spoilt)).toBeNull()
  expect(sealing.open(sealing.seal('word'))).toBe('word')
})

test('a test says why a server was not reached', async () => {
  const reached = (await settings.reached())!
  expect(await outbox().test(reached, 'me@example.org', 'The museum')).toBe('')
  expect(await outbox().test({ ...reached, port: 1 }, 'me@example.org', 'The museum')).toMatch(
    /^The mail server does not answer\./,
  )
})
