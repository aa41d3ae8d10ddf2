import { makeDemo } from '#demo/index'
import type { Condition } from '#core/conditions'
import { Formats } from '#core/drawing'
import { type Message, hourOf } from '#core/forms'
import { Catalogue } from '#core/catalogue'
import { type Parameters, readAddress } from '#core/addresses'
import type { Layout, LayoutElement } from '#core/tree'
import type { Content } from '../../../server/services/content'
import { deleteMessages, insertMessage } from '../../../server/database/messages'
import { FileStore } from '../../../server/media/store'
import { Forms } from '../../../server/services/forms'
import { Messages } from '../../../server/services/messages'
import { ANYBODY, type Asking } from '../../../server/services/asked'
import { Published } from '../../../server/services/published'
import { column, element, field, frame, layout, row } from '../../fixtures'
import { freshDatabase } from './database'

/** Forms on published pages: drawn ready for everybody, proved, judged by the server, and kept once. */

const { db, folder } = freshDatabase()
const { site, design } = makeDemo()
const content = {
  catalogue: new Catalogue(site),
  formats: new Formats(site.settings),
  search: async () => ({ entries: [], near: '', likely: [] }),
  likelyAt: async () => [],
} as unknown as Content

let now = Date.parse('2026-11-30T10:20:00Z')
const questions = [
  element('question', { label: 'Your name', required: true }, 'name'),
  element('question', { kind: 'mail', label: 'Your mail', required: true, help: 'We answer to it.' }, 'mail'),
  element(
    'question',
    {
      kind: 'one',
      label: 'About',
      options: [
        { id: 'clock', props: { label: 'A clock' } },
        { id: 'visit', props: { label: 'A visit' } },
      ],
    },
    'about',
  ),
  element('question', { kind: 'number', label: 'How many come', by: 'about', is: 'a visit', required: true }, 'group'),
  element('question', { kind: 'hidden', label: 'Page', value: field('title') }, 'page'),
]
const formWith = (props: LayoutElement['props'] = {}, id = 'ask'): LayoutElement => ({
  ...element('form', { name: 'Ask the keeper', ...props }, id),
  children: [
    {
      kind: 'place',
      id: `${id}-place`,
      type: 'form',
      props: {},
      styles: {},
      children: [row(column(12, ...questions.map((q) => ({ ...q, id: id === 'ask' ? q.id : `${id}-${q.id}` }))))],
    },
  ],
})
const bodyOf = (...held: LayoutElement[]): Layout => layout('with-form', 'body', row(column(12, ...held)))

const noFiles = { has: async () => true, keep: async () => undefined, clearBut: async () => 0 }
let woken = 0
let forms: Forms
let published: Published
function publish(...held: LayoutElement[]): void {
  forms = new Forms(
    db(),
    'secret',
    noFiles,
    () => woken++,
    () => now,
  )
  published = new Published(content, { form: forms.take }, undefined, (page, form, at) =>
    forms.proof(page, form, hourOf(at)),
  )
  const over = frame('with-form', [{ kind: 'page', page: 'entry:contact' }], {
    body: { kind: 'use', layout: 'with-form' },
  })
  published.swap({ ...design, layouts: [...design.layouts, bodyOf(...held)], frames: [...design.frames, over] })
}
const asking = (more: Partial<Asking> = {}): Asking => ({ ...ANYBODY, at: now, place: '192.0.2.1', ...more })
const at = readAddress('/contact')
const get = async () => (await published.answer(at, asking())).body.toString()
const proofIn = (html: string) => /name="proof" value="([^"]+)"/.exec(html)?.[1] ?? ''
const sent = async (values: Record<string, string>, more: Record<string, string> = {}): Promise<Parameters> => ({
  form: ['form'],
  of: ['ask'],
  proof: [proofIn(await get())],
  ...Object.fromEntries(Object.entries(values).map(([id, value]) => [`q.${id}`, [value]])),
  ...Object.fromEntries(Object.entries(more).map(([name, value]) => [name, [value]])),
})
const RIGHT = { name: 'Inez', mail: 'inez@example.org', about: 'clock' }
const post = async (values: Parameters, who = asking()) => published.post(at, values, who)
const kept = async () =>
  (await db().selectFrom('messages').selectAll().orderBy('id').execute()).map((m) => ({
    ...m,
    message: JSON.parse(m.doc) as Message,
  }))

beforeEach(async () => {
  await db().deleteFrom('messages').execute()
  publish(formWith())
})

test('the page is kept ready for everybody, and drawn anew with the hour', async () => {
  const html = await get()
  expect(published.readyAt('/contact')).toBeDefined()
  expect(html).toContain('<label for="of-name"><span>Your name</span></label>')
  expect(html).toContain('aria-describedby="of-mail-help"')
  expect(html).toContain('<button type="submit"')
  expect(html).not.toContain('goes along')
  expect(await get()).toBe(html)
  now += 60 * 60_000
  published.refresh(new Set([`until ${'2026-11-30T11:00'}`]))
  expect(proofIn(await get())).not.toBe(proofIn(html))
  now -= 60 * 60_000
})

test('what is right is kept, and the page says thank you in the form’s place', async () => {
  const answer = await post(await sent({ ...RIGHT, page: 'forged', group: '7' }))
  expect(answer).toMatchObject({
    status: 303,
    headers: { location: '/contact?sent=ask#of-ask', 'cache-control': 'no-store' },
  })
  const [one] = await kept()
  expect(one).toMatchObject({ state: 'unread', form: 'Ask the keeper', at: now, ends: now + 365 * 86_400_000 })
  expect(one!.message).toMatchObject({ page: 'entry:contact', title: 'Contact' })
  expect(one!.message.answers.map((a) => [a.key, ...a.says])).toEqual([
    ['your-name', 'Inez'],
    ['your-mail', 'inez@example.org'],
    ['about', 'A clock'],
    ['page', 'Contact'],
  ])
  const thanked = (await published.answer(readAddress('/contact?sent=ask'), asking())).body.toString()
  expect(thanked).toContain('Thank you. It is on its way.')
  expect(thanked).not.toContain('<form class="of-form"')
})

test('what is not shown to somebody is not asked of them, and its answer is not taken', async () => {
  const [place] = formWith().children!
  const hidden = (id: string, when: Condition): LayoutElement => ({
    ...element('question', { label: id, required: true }, id),
    when: [when],
  })
  const members = hidden('members', { kind: 'signed-in', yes: true })
  const party = hidden('party', { kind: 'parameter', name: 'group', op: 'present', values: [] })
  const rows = [row(column(12, ...questions)), row(column(12, members, party))]
  publish({ ...formWith(), children: [{ ...place!, children: rows }] })
  const values = await sent({ ...RIGHT, members: 'forged', party: 'forged' })
  expect((await post(values)).status).toBe(303)
  expect(JSON.stringify(await kept())).not.toContain('forged')
  // With the parameter it is asked, on the way back too.
  const values2 = { ...values, 'q.party': [''] }
  const again = await published.post(readAddress('/contact?group=1&sent=ask'), values2, asking())
  expect(again.status).toBe(422)
  expect(again.body.toString()).toContain('<a href="#of-party">party</a>')
})

test('a visitor may send 150 MB of files in an hour, and others go on', () => {
  const many = (place: string, count: number, bytes: number) =>
    Array.from({ length: count }, () => forms.mayUpload(place, bytes)).filter(Boolean).length
  expect(many('192.0.2.7', 5, 50_000_000)).toBe(3)
  expect(many('192.0.2.8', 1, 50_000_000)).toBe(1)
  now += 61 * 60_000
  expect(many('192.0.2.7', 1, 50_000_000)).toBe(1)
  // All together 3 GB, however many there are.
  expect(Array.from({ length: 100 }, (_, i) => many(`198.51.100.${i}`, 1, 50_000_000)).filter(Boolean)).toHaveLength(59)
  now -= 61 * 60_000
})

test('a copy holds what was chosen and nothing that was typed, and goes to an address three times a day', async () => {
  const copy = { copy: true, copySubject: 'Thanks, {name}', copyText: 'We have: {answers} {name}' }
  publish(formWith({ ...copy, name: 'Ask the keeper' }))
  for (let i = 0; i < 5; i++)
    await post(
      await sent({ ...RIGHT, mail: i % 2 ? 'INEZ@example.org' : 'inez@example.org', name: `Cheap watches ${i}` }),
      asking({ place: `192.0.2.${i}` }),
    )
  const mails = await db().selectFrom('mails').selectAll().execute()
  const texts = mails.map((m) => JSON.parse(m.doc) as { to: string; subject: string; text: string })
  expect(texts).toHaveLength(3)
  for (const { subject, text } of texts) expect(subject + text).not.toContain('Cheap')
  expect(texts[0]!.text).toContain('A clock')
  await db().deleteFrom('mails').execute()
})

test('files of messages stay while they do; those of forms that were never sent go after half a day', async () => {
  const store = new FileStore(folder, 'sent')
  await store.open()
  const keep = async (words: string) => {
    const { path, hash, size } = await store.bring(Buffer.from(words))
    await store.keep({ path, hash })
    return { name: 'a.txt', hash, size, mime: 'text/plain', kind: 'document' as const }
  }
  const [sentFile, unsent] = [await keep('kept'), await keep('never sent')]
  const asks = new Forms(db(), 'secret', store, undefined, () => Date.now() + 13 * 3_600_000)
  const message: Message = {
    format: 1,
    form: 'F',
    page: 'home',
    title: '',
    answers: [{ key: 'f', label: 'F', kind: 'file', says: ['a.txt'], files: [sentFile].map(({ kind: _, ...f }) => f) }],
  }
  const id = await insertMessage(db(), { message, state: 'read', at: now, ends: now * 2, digest: 'd' }, 0)
  await new Forms(db(), 'secret', store).dropFiles()
  expect([await store.has(sentFile.hash), await store.has(unsent.hash)]).toEqual([true, true])
  await asks.dropFiles()
  expect([await store.has(sentFile.hash), await store.has(unsent.hash)]).toEqual([true, false])
  await deleteMessages(db(), [id])
  await asks.dropFiles()
  expect(await store.has(sentFile.hash)).toBe(false)
})

test('on the lost page one is thanked where one was, and never led to another site', async () => {
  publish(formWith())
  const over = frame('lost', [{ kind: 'page', page: 'not-found' }], { body: { kind: 'use', layout: 'with-form' } })
  published.swap({ ...design, layouts: [...design.layouts, bodyOf(formWith())], frames: [...design.frames, over] })
  const lost = content.catalogue.notFound
  const values = { ...(await sent(RIGHT)), proof: [forms.proof(lost, 'ask', hourOf(now))] }
  const led = async (path: string) => (await published.post({ ...at, path }, values, asking())).headers.location
  expect(await led('/nowhere at all')).toBe('/nowhere%20at%20all?sent=ask#of-ask')
  expect(await led('//elsewhere.example')).toBe('/elsewhere.example?sent=ask#of-ask')
})

test('what is wrong comes back with all answers, each error at its question and summed up above', async () => {
  const answer = await post(await sent({ name: '"><script>', mail: 'nobody', about: 'visit' }))
  const html = answer.body.toString()
  expect(answer).toMatchObject({ status: 422, headers: { 'cache-control': 'no-store' } })
  expect(html).toContain('value="&quot;&gt;&lt;script&gt;"')
  expect(html).toContain('<p id="of-mail-why" class="of-problem">This is no mail address.')
  expect(html).toContain('<a href="#of-group">How many come</a>: Please answer this.')
  expect(html).toContain('value="visit" checked')
  expect(html).toMatch(/role="alert"><p>It was not sent yet/)
  expect(await kept()).toEqual([])
  // Nothing of it is kept for anybody else.
  expect(await get()).not.toContain('script&gt;')
})

test('a question that another calls for is away until then, without script', async () => {
  expect(await get()).toContain(
    '.of-form:not(:has([name="q.about"]:is([value="visit"]):checked,[name="q.about"] option:is([value="visit"]):checked)) [data-q="q.group"]{display:none!important}',
  )
})

test('a proof of another form, of long ago, of another page or of nobody is refused, and nothing is lost', async () => {
  const values = await sent(RIGHT)
  const other = new Forms(db(), 'another site', noFiles, undefined, () => now)
  const page = content.catalogue.page('entry:contact')!
  const hour = hourOf(now)
  for (const proof of [
    '',
    'zz.zz',
    forms.proof(page, 'ask', hour - 12),
    forms.proof(page, 'ask', hour + 12),
    forms.proof(page, 'other', hour),
    forms.proof(content.catalogue.page('entry:visit')!, 'ask', hour),
    other.proof(page, 'ask', hour),
  ]) {
    const answer = await post({ ...values, proof: [proof] })
    expect([proof, answer.status]).toEqual([proof, 409])
    expect(answer.body.toString()).toContain('value="inez@example.org"')
    // What comes back can be sent.
    expect(proofIn(answer.body.toString())).toBe(values.proof![0])
  }
  expect(await kept()).toEqual([])
})

test('sent twice it is kept once; from elsewhere, or later, it is another message', async () => {
  const values = await sent(RIGHT)
  for (let i = 0; i < 3; i++) expect((await post(values)).status).toBe(303)
  expect(await kept()).toHaveLength(1)
  await post(values, asking({ place: '192.0.2.2' }))
  expect(await kept()).toHaveLength(2)
})

test('many from one place are asked to wait; many links and what people do not see are held quietly', async () => {
  for (let i = 0; i < 20; i++) expect((await post(await sent({ ...RIGHT, name: `Inez ${i}` }))).status).toBe(303)
  const late = await post(await sent({ ...RIGHT, name: 'Inez, once more' }))
  expect(late.status).toBe(429)
  expect(late.body.toString()).toContain('value="Inez, once more"')
  expect((await post(await sent(RIGHT), asking({ place: '192.0.2.9' }))).status).toBe(303)
  await db().deleteFrom('messages').execute()
  const links = 'https://a.example https://b.example https://c.example https://d.example'
  expect((await post(await sent({ ...RIGHT, name: links }), asking({ place: '192.0.2.10' }))).status).toBe(303)
  const trap = await sent(RIGHT, { website: 'http://spam.example' })
  expect((await post(trap, asking({ place: '192.0.2.11' }))).status).toBe(303)
  expect((await kept()).map((m) => m.state)).toEqual(['held', 'held'])
})

test('two forms on a page, one led elsewhere; one that is not there; one in another, which is no form', async () => {
  publish(formWith(), formWith({ next: { page: 'entry:visit' }, name: 'Second' }, 'second'))
  const values = await sent(
    {},
    { of: 'second', ...Object.fromEntries(Object.entries(RIGHT).map(([k, v]) => [`q.second-${k}`, v])) },
  )
  const proof = [...(await get()).matchAll(/name="proof" value="([^"]+)"/g)][1]![1]!
  expect(await post({ ...values, proof: [proof] })).toMatchObject({ status: 303, headers: { location: '/visit' } })
  expect((await post({ ...values, of: ['gone'] })).status).toBe(422)
  const [place] = formWith().children!
  const nested = formWith({}, 'second')
  const outer = { ...formWith(), children: [{ ...place!, children: [row(column(12, nested, element('search-box')))] }] }
  publish(outer)
  expect((await get()).match(/<main[^]*<\/main>/)![0].match(/<form/g)).toHaveLength(1)
  publish(element('question', { label: 'Alone' }))
  expect(await get()).not.toContain('Alone')
  expect((await post(await sent(RIGHT))).status).toBe(422)
})

test('what was kept is listed, searched, noted, taken out as a table, and gone when its time is over', async () => {
  await post(await sent({ ...RIGHT, name: '=SUM(A1)' }))
  await post(await sent({ ...RIGHT, name: 'Orla', about: 'visit', group: '12' }))
  const messages = new Messages(
    db(),
    content,
    () => undefined,
    () => now,
  )
  const all = await messages.list({})
  expect(all.messages.map((m) => m.message.answers[0]!.says)).toEqual([['Orla'], ['=SUM(A1)']])
  expect(all.counts).toEqual([{ form: 'Ask the keeper', state: 'unread', count: 2 }])
  expect([all.days.length, all.days.at(-1)]).toEqual([30, { day: '2026-11-30', count: 2 }])
  expect((await messages.list({ words: 'orla' })).messages).toHaveLength(1)
  const { id } = all.messages[0]!
  await messages.set(id, { state: 'read', note: 'Rang back' })
  expect((await messages.list({ words: 'rang', state: 'read' })).messages[0]).toMatchObject({ id, note: 'Rang back' })
  await expect(messages.set(12_345, { state: 'read' })).rejects.toThrow('no such message')
  const table = await messages.table({})
  expect(table.split('\r\n')[0]).toBe('id,sent,form,page,state,note,your-name,your-mail,about,how-many-come,page')
  expect(table).toContain("'=SUM(A1)")
  expect((await messages.list({ before: id })).messages).toHaveLength(1)
  expect(await messages.remove([id])).toBe(1)
  await db().updateTable('messages').set({ doc: '{"format":1}' }).execute()
  expect((await messages.list({})).messages).toEqual([])
  now += 366 * 86_400_000
  await forms.endOld()
  expect(await kept()).toEqual([])
  now -= 366 * 86_400_000
})
