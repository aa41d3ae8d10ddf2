import { makeDemo } from '#demo/index'
import { Formats } from '#core/drawing'
import { hourOf } from '#core/forms'
import { Catalogue } from '#core/catalogue'
import { readAddress } from '#core/addresses'
import { insertMails, readMails } from '../../../server/database/mails'
import { readSubscribers } from '../../../server/database/subscribers'
import type { Content } from '../../../server/services/content'
import { Forms } from '../../../server/services/forms'
import { Newsletters } from '../../../server/services/newsletters'
import { ANYBODY, type Asking } from '../../../server/services/asked'
import { Published } from '../../../server/services/published'
import { column, element, frame, layout, row } from '../../fixtures'
import { freshDatabase } from './database'

/** A newsletter: asked for, said yes to in a mail, and left; whoever else asks learns nothing. */

const { db } = freshDatabase()
const { site, design } = makeDemo()
const content = { catalogue: new Catalogue(site), formats: new Formats(site.settings) } as unknown as Content
let now = Date.parse('2026-11-30T10:20:00Z')
let published: Published
let news: Newsletters

function publish(secret = 'secret'): void {
  const noFiles = { has: async () => false, keep: async () => undefined, clearBut: async () => 0 }
  const forms = new Forms(db(), secret, noFiles, undefined, () => now)
  const put = (mails: Parameters<typeof insertMails>[1], about: string) => insertMails(db(), mails, { about, at: now })
  news = new Newsletters(
    db(),
    secret,
    forms,
    put,
    () => 'https://quillmere.example.org',
    () => now,
  )
  published = new Published(content, { newsletter: news.take }, undefined, (page, form, at) =>
    forms.proof(page, form, hourOf(at)),
  )
  const body = layout('news', 'body', row(column(12, element('newsletter', { list: 'Bells' }, 'bells'))))
  const over = frame('news', [{ kind: 'page', page: 'entry:contact' }], { body: { kind: 'use', layout: 'news' } })
  published.swap({ ...design, layouts: [...design.layouts, body], frames: [...design.frames, over] })
}
const asking = (more: Partial<Asking> = {}): Asking => ({ ...ANYBODY, at: now, place: '192.0.2.1', ...more })
const get = async (at = '/contact') => (await published.answer(readAddress(at), asking())).body.toString()
const field = (html: string, name: string) => new RegExp(`name="${name}" value="([^"]+)"`).exec(html)?.[1] ?? ''
const post = (values: Record<string, string>, at = '/contact', who = asking()) =>
  published.post(
    readAddress(at),
    Object.fromEntries(Object.entries({ form: 'newsletter', of: 'bells', ...values }).map(([k, v]) => [k, [v]])),
    who,
  )
const ask = async (mail: string, who = asking()) => post({ mail, proof: field(await get(), 'proof') }, '/contact', who)
const mails = async () => (await readMails(db(), { most: 100 })).map((m) => m.mail).reverse()
const linkIn = (text: string) => /https:\/\/quillmere\.example\.org(\S+)/.exec(text)![1]!.replace(/#.*/, '')
const standing = async () => (await readSubscribers(db(), { most: 100 })).map((s) => [s.mail, s.state])

beforeEach(async () => {
  for (const table of ['mails', 'subscribers'] as const) await db().deleteFrom(table).execute()
  publish()
})

test('nobody is on the list before they have said yes, and links alone change nothing', async () => {
  const asked = await ask(' Inez@Example.org ')
  expect([asked.status, asked.headers.location]).toEqual([303, '/contact?news=bells.asked#of-bells'])
  expect(await get('/contact?news=bells.asked')).toContain('Almost there')
  const [first] = await mails()
  expect(first).toMatchObject({ to: 'inez@example.org', subject: 'Shall we send you our newsletter?' })
  const yes = linkIn(first!.text)
  const page = await get(yes)
  expect(page).toContain('Yes, send it to me</button>')
  expect(await standing()).toEqual([['inez@example.org', 'waiting']])
  const seal = field(page, 'seal')
  expect((await post({ seal }, yes)).headers.location).toBe('/contact?news=bells.in#of-bells')
  // Said twice, it is said once.
  await post({ seal }, yes)
  expect(await standing()).toEqual([['inez@example.org', 'in']])
  const [, welcome, ...more] = await mails()
  expect([welcome!.subject, more]).toEqual(['You are on our list', []])
  const leave = linkIn(welcome!.text)
  const way = await get(leave)
  expect(way).toContain('Take me off the list</button>')
  expect(await standing()).toHaveLength(1)
  await post({ seal: field(way, 'seal') }, leave)
  expect(await standing()).toEqual([])
})

test('one leaves by one press in a mail program, and by the table that goes out', async () => {
  await ask('inez@example.org')
  const yes = linkIn((await mails())[0]!.text)
  await post({ seal: field(await get(yes), 'seal') }, yes)
  const { leave } = (await mails())[1]!
  const path = new URL(leave!).pathname
  expect(leave).toMatch(/^https:\/\/quillmere\.example\.org\/_of\/leave\//)
  // Whatever looks at the address ahead of the reader takes nobody off.
  const asked = await news.answerLeaving(path, 'GET')
  expect([asked.status, asked.body.toString().includes('<button>Unsubscribe</button>')]).toEqual([200, true])
  expect((await news.answerLeaving(`${path}x`, 'POST')).status).toBe(410)
  expect(await standing()).toHaveLength(1)
  const [, line] = (await news.table()).split('\r\n')
  expect(new URL(line!.split(',').at(-1)!).pathname.split('/')[3]).toBe(path.split('/')[3])
  expect((await news.answerLeaving(path, 'POST')).status).toBe(200)
  expect(await standing()).toEqual([])
})

test('whoever is in, asks often, or fills what people do not see, is told the same and mailed nothing more', async () => {
  const answers = []
  for (let i = 0; i < 5; i++) answers.push((await ask('inez@example.org')).headers.location)
  answers.push(
    (await post({ mail: 'bot@example.org', proof: field(await get(), 'proof'), website: 'x' })).headers.location,
  )
  expect(new Set(answers)).toEqual(new Set(['/contact?news=bells.asked#of-bells']))
  expect(await mails()).toHaveLength(3)
  const wrong = await ask('inez@example.org\r\nBcc: all@example.org')
  expect([wrong.status, wrong.body.toString().includes('This is no mail address.')]).toEqual([422, true])
  for (let i = 0; i < 20; i++) await ask(`a${i}@example.org`, asking({ place: '192.0.2.7' }))
  expect((await ask('b@example.org', asking({ place: '192.0.2.7' }))).status).toBe(429)
  expect((await post({ mail: 'c@example.org', proof: 'x.y' })).status).toBe(409)
})

test('a seal of another list, another site, another deed or of long ago is none', async () => {
  await ask('inez@example.org')
  const [first] = await mails()
  const yes = linkIn(first!.text)
  const seal = field(await get(yes), 'seal')
  for (const forged of [
    'yes.',
    'yes.x.y',
    seal.replace('yes.', 'leave.'),
    seal.slice(0, -1),
    `${seal}x`,
    'yes.e30.e30',
  ])
    expect((await post({ seal: forged })).status).toBe(410)
  publish('another secret')
  expect((await post({ seal })).status).toBe(410)
  publish()
  now += 8 * 24 * 3_600_000
  const over = await post({ seal })
  expect([over.status, over.body.toString().includes('no longer good')]).toEqual([410, true])
  expect(await standing()).toEqual([['inez@example.org', 'waiting']])
  now -= 8 * 24 * 3_600_000
})
