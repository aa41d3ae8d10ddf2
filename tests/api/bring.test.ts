import { zipSync, strToU8 } from 'fflate'
import sharp from 'sharp'
import type { Entry, Site } from '#core/model'
import type { BringInput, BringPreviewAnswer, ImportAnswer, ImportsAnswer, SheetAnswer } from '#shared/api/types'
import { type TestServer, startServer } from '../server'
import { ALL_ROLES, type Client, everyone } from './client'

/** Content brought along in every format, looked at first, taken, reported, and taken back in one step. */

let server: TestServer
let who: Record<string, Client>
beforeAll(async () => {
  server = await startServer()
  who = await everyone(server)
}, 60_000)
afterAll(() => server.stop())

const as = <T>(body: unknown): T => body as T
async function send(bytes: string | Uint8Array, name: string, by = 'ada', more = '') {
  const answer = await who[by]!.fetch(`/api/imports?name=${encodeURIComponent(name)}${more}`, {
    method: 'POST',
    body: bytes as never,
    headers: { 'content-type': 'application/octet-stream' },
  })
  return {
    status: answer.status,
    body: (await answer.json()) as SheetAnswer & { problem?: { code: string; sentence: string } },
  }
}
const story = (columns: Record<string, string>): BringInput => ({
  type: { kind: 'there', id: 'story' },
  columns,
  published: true,
  make: true,
})
const preview = async (id: string, plan: BringInput) =>
  as<BringPreviewAnswer>((await who.ada!.call('POST', `/imports/${id}/preview`, plan)).body)
const imports = async () => as<ImportsAnswer>((await who.ada!.call('GET', '/imports')).body).imports
async function run(id: string, plan: BringInput): Promise<ImportAnswer> {
  const started = await who.ada!.call('POST', `/imports/${id}/run`, plan)
  expect([started.status, started.body.problem]).toEqual([200, undefined])
  for (;;) {
    const found = (await imports()).find((i) => i.id === as<ImportAnswer>(started.body).id)!
    if (found.state !== 'running') return found
    await new Promise((done) => setTimeout(done, 60))
  }
}
const site = async () => as<{ site: Site }>((await who.ada!.call('GET', '/site')).body).site
const stories = async () => (await site()).entries.filter((e) => e.type === 'story')
const bySlug = async (slug: string) => (await stories()).find((e) => e.slug === slug)
const whole = async (id: string) => as<{ entry: Entry }>((await who.ada!.call('GET', `/entries/${id}`)).body).entry

test('every way in is for those it is meant for', async () => {
  const statuses = await Promise.all(ALL_ROLES.map(async (by) => (await send('title\nA\n', 'a.csv', by)).status))
  expect(statuses).toEqual([401, 403, 403, 200, 200])
  const lists = await Promise.all(ALL_ROLES.map(async (by) => (await who[by]!.call('GET', '/imports')).status))
  expect(lists).toEqual([401, 403, 403, 200, 200])
  const out = await Promise.all(
    ALL_ROLES.map(async (by) => (await who[by]!.fetch('/api/export/content?type=story&format=csv')).status),
  )
  expect(out).toEqual([401, 403, 200, 200, 200])
})

test('a table becomes entries, makes what is missing, tells what it could not take, and is taken back whole', async () => {
  const before = await site()
  const csv =
    'Headline;Body;Day;Topic;Author\n' +
    'The first gong;"<p>It was <b>loud</b>.</p><script>alert(1)</script>";29.3.2026;Repairs;Ines Calloway\n' +
    'The second gong;Softer;soon;Gongs;Somebody New\n' +
    'Sunday, wound;Said anew;;;\n'
  const { body: sheet } = await send(csv, 'gongs.csv')
  expect([sheet.format, sheet.columns, sheet.rows]).toEqual(['csv', ['Headline', 'Body', 'Day', 'Topic', 'Author'], 3])
  const plan = story({ Headline: 'title', Body: 'content', Day: 'date', Topic: 'terms:topic', Author: 'person' })
  const seen = await preview(sheet.id, plan)
  expect(seen).toMatchObject({ fresh: 3, replaced: 0, wrong: 1, made: { terms: ['Gongs'], people: ['Somebody New'] } })
  expect(seen.problems).toEqual([{ row: 2, why: 'soon is no day that can be read' }])
  expect(await site()).toEqual(before)
  const done = await run(sheet.id, plan)
  expect(done).toMatchObject({ state: 'done', made: 3, replaced: 0, total: 3, by: 'Ada Finch' })
  const first = await whole((await bySlug('the-first-gong'))!.id)
  expect([first.date, first.person, first.terms]).toEqual(['2026-03-29', 'ines-calloway', ['repairs']])
  expect(JSON.stringify(first.content)).toContain('{"type":"text","text":"loud","marks":[{"type":"bold"}]}')
  expect(JSON.stringify(first.content)).not.toContain('alert')
  const second = (await bySlug('the-second-gong'))!
  const after = await site()
  expect(after.people.find((p) => p.id === second.person)!.name).toBe('Somebody New')
  expect(after.terms.find((t) => t.id === second.terms[0])!.title).toBe('Gongs')
  expect((await fetch(`${server.origin}/stories/the-first-gong`)).status).toBe(200)
  const undone = await who.ada!.call('DELETE', `/imports/${done.id}`)
  expect(as<ImportAnswer>(undone.body).state).toBe('undone')
  const back = await site()
  expect(back.entries.map((e) => e.id)).toEqual(before.entries.map((e) => e.id))
  expect([back.terms, back.people, back.types]).toEqual([before.terms, before.people, before.types])
  expect((await fetch(`${server.origin}/stories/the-first-gong`)).status).toBe(404)
})

test('the same id or address updates instead of doubling, and what stands in no cell stays', async () => {
  const before = await whole('night-shift')
  const { body: sheet } = await send(
    'slug,summary\nhttps://old.example.org/stories/night-shift/?a=1,Said anew\n',
    'a.csv',
  )
  const plan = story({ slug: 'slug', summary: 'summary' })
  expect(await preview(sheet.id, plan)).toMatchObject({ fresh: 0, replaced: 1, wrong: 0 })
  const done = await run(sheet.id, plan)
  expect(done).toMatchObject({ made: 0, replaced: 1 })
  expect(await whole('night-shift')).toEqual({ ...before, summary: 'Said anew' })
  await who.ada!.call('DELETE', `/imports/${done.id}`)
  expect(await whole('night-shift')).toEqual(before)
})

test('a new page type is made from the columns, with guessed kinds, and goes with the import', async () => {
  const rows = Array.from(
    { length: 12 },
    (_, i) => `Bell ${i},${20 + i}.5,2026-01-${10 + i},${i % 2 ? 'bronze' : 'iron'},${i % 2 ? 'yes' : 'no'}`,
  )
  const { body: sheet } = await send(`Name,Weight,Cast on,Metal,Rings\n${rows.join('\n')}\n`, 'bells.csv')
  expect(sheet.kinds).toEqual({ Name: 'text', Weight: 'number', 'Cast on': 'date', Metal: 'choice', Rings: 'yes-no' })
  const plan: BringInput = {
    type: { kind: 'new', name: 'Bell', plural: 'Bells' },
    columns: { Name: 'title', Weight: 'new:number', 'Cast on': 'new:date', Metal: 'new:choice', Rings: 'new:yes-no' },
    published: true,
    make: false,
  }
  expect((await preview(sheet.id, plan)).wrong).toBe(0)
  const done = await run(sheet.id, plan)
  expect(done).toMatchObject({ state: 'done', made: 12, problems: [] })
  const now = await site()
  const type = now.types.find((t) => t.plural === 'Bells')!
  expect(type.fields.map((f) => f.kind)).toEqual(['number', 'date', 'choice', 'yes-no'])
  expect(now.entries.find((e) => e.title === 'Bell 3')!.fields).toMatchObject({
    weight: 23.5,
    'cast-on': '2026-01-13',
    metal: 'bronze',
    rings: true,
  })
  expect((await fetch(`${server.origin}/bells/bell-3`)).status).toBe(200)
  await who.ada!.call('DELETE', `/imports/${done.id}`)
  expect((await site()).types.some((t) => t.plural === 'Bells')).toBe(false)
})

test('markdown with its pictures comes in a zip', async () => {
  const png = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#a52' } })
    .png()
    .toBuffer()
  const bytes = zipSync({
    'posts/2026-04-01-a-bell.md': strToU8(
      '---\ntitle: A bell\ndate: 2026-04-01\ntopic: [Repairs, People]\nimage: pictures/bell.png\n---\n\n# A bell\n\nIt *rings*.\n\n![The bell](../pictures/bell.png)\n',
    ),
    'pictures/bell.png': new Uint8Array(png),
    '__MACOSX/._a': strToU8('noise'),
  })
  const { body: sheet } = await send(bytes, 'posts.zip')
  expect([sheet.format, sheet.rows, sheet.pictures]).toEqual(['zip', 1, 1])
  const plan = story({
    title: 'title',
    date: 'date',
    topic: 'terms:topic',
    image: 'picture',
    slug: 'slug',
    content: 'content',
  })
  expect((await preview(sheet.id, plan)).problems).toEqual([])
  expect(await run(sheet.id, plan)).toMatchObject({ made: 1, problems: [] })
  const entry = await whole((await bySlug('a-bell'))!.id)
  expect([entry.date, entry.terms]).toEqual(['2026-04-01', ['repairs', 'people']])
  expect((await site()).pictures.find((p) => p.id === entry.picture)).toMatchObject({ fileName: 'bell.png', width: 40 })
  expect(JSON.stringify(entry.content)).toContain(`"picture","attrs":{"id":"${entry.picture}"`)
})

test.each([
  [
    'Atom',
    'feed.atom',
    '<?xml version="1.0"?><feed xmlns="http://www.w3.org/2005/Atom"><title>T</title><entry><title>From Atom</title><link href="https://old.example.org/x/from-atom"/><published>2026-02-03T10:00:00Z</published><category term="Repairs"/><content type="html">&lt;p&gt;Words&lt;/p&gt;</content></entry></feed>',
    'from-atom',
    '2026-02-03',
  ],
  [
    'RSS',
    'feed.xml',
    '<rss version="2.0" xmlns:content="http://purl.org/rss/1.0/modules/content/"><channel><title>T</title><item><title>From RSS</title><link>https://old.example.org/from-rss/</link><pubDate>Tue, 03 Feb 2026 10:00:00 GMT</pubDate><category>Repairs</category><content:encoded><![CDATA[<p>Words</p>]]></content:encoded></item></channel></rss>',
    'from-rss',
    '2026-02-03',
  ],
  [
    'JSON lines',
    'a.jsonl',
    '{"title":"From lines","slug":"from-lines","date":"2026-02-03","terms":["Repairs"],"content":"<p>Words</p>"}\n',
    'from-lines',
    '2026-02-03',
  ],
  [
    'TSV',
    'a.tsv',
    'title\tslug\tdate\tterms\tcontent\nFrom tabs\tfrom-tabs\t3 February 2026\tRepairs\t<p>Words</p>\n',
    'from-tabs',
    '2026-02-03',
  ],
])('%s comes in', async (_, name, text, slug, date) => {
  const { body: sheet } = await send(text, name)
  const known = ['title', 'slug', 'date', 'content'].filter((c) => sheet.columns.includes(c))
  const plan = story({ ...Object.fromEntries(known.map((c) => [c, c])), terms: 'terms:topic' })
  expect(await run(sheet.id, plan)).toMatchObject({ state: 'done', made: 1, problems: [] })
  const entry = await whole((await bySlug(slug))!.id)
  expect([entry.date, entry.terms, JSON.stringify(entry.content)]).toEqual([
    date,
    ['repairs'],
    '{"type":"doc","content":[{"type":"paragraph","content":[{"type":"text","text":"Words"}]}]}',
  ])
})

test('what went out comes in again as it was, in every format that holds everything', async () => {
  const before = (await stories()).sort((a, b) => (a.id < b.id ? -1 : 1))
  for (const format of ['csv', 'tsv', 'jsonl', 'markdown']) {
    const answer = await who.ada!.fetch(`/api/export/content?type=story&format=${format}`)
    const { body: sheet } = await send(
      new Uint8Array(await answer.arrayBuffer()),
      `out.${format === 'markdown' ? 'zip' : format}`,
    )
    expect([format, sheet.rows]).toEqual([format, before.length])
    const own = ['id', 'title', 'slug', 'summary', 'picture', 'person', 'date', 'published', 'content']
    const plan = story({ ...Object.fromEntries(own.map((c) => [c, c])), topic: 'terms:topic' })
    const done = await run(sheet.id, plan)
    // What is there as the rows say is left alone.
    expect([format, done.problems, done.made, done.replaced]).toEqual([format, [], 0, 0])
    expect((await stories()).sort((a, b) => (a.id < b.id ? -1 : 1))).toEqual(before)
  }
  for (const format of ['atom', 'rss']) {
    const answer = await who.ada!.fetch(`/api/export/content?type=story&format=${format}`)
    const { body } = await send(await answer.text(), `out.${format}`)
    expect([format, body.format, body.rows > 10]).toEqual([format, 'feed', true])
  }
}, 60_000)

const wide = Array.from({ length: 5000 }, (_, i) => `c${i}`).join(',')
test.each<[string, string | Uint8Array, string, RegExp]>([
  ['nothing', '', 'a.csv', /empty/],
  ['a name alone', 'title\n', 'a.csv', /holds no rows/],
  ['a quotation mark without its other half', 'title,b\n"A,b\nC,d\n', 'a.csv', /quotation mark/],
  ['5,000 columns', `${wide}\n${wide}\n`, 'a.csv', /columns/],
  ['JSON that is none', '{"a":1}\n{"a":\n', 'a.jsonl', /line 2 is no readable JSON/],
  ['a list in a line', '{"a":1}\n[1]\n', 'a.jsonl', /line 2 is no object/],
  ['YAML that refers to itself', `---\na: &a [*a]\n---\n`, 'a.md', /(head|nested|circular|no names)/i],
  [
    'YAML without end',
    `---\na: &a ["x","x"]\nb: &b [*a,*a,*a,*a,*a,*a,*a,*a]\nc: [*b,*b,*b,*b,*b,*b,*b,*b,*b,*b,*b,*b,*b,*b,*b,*b,*b]\n---\n`,
    'a.md',
    /YAML/,
  ],
  [
    'XML with names for words',
    '<!DOCTYPE r [<!ENTITY a "ha">]><rss><channel><item><title>&a;</title></item></channel></rss>',
    'a.xml',
    /names to words/,
  ],
  ['XML that is cut off', '<rss><channel><item>', 'a.rss', /no readable XML/],
  ['another kind of XML', '<svg></svg>', 'a.xml', /neither/],
  ['a program', new Uint8Array([0x4d, 0x5a, 0, 0, 1, 2, 3, 0, 0]), 'a.csv', /cannot be taken along/],
  ['a zip that leads out of itself', zipSync({ '../../evil.md': strToU8('x') }), 'a.zip', /outside of itself/],
  ['a zip with nothing to read', zipSync({ 'a.exe': strToU8('x') }), 'a.zip', /no file that is read/],
  [
    'a zip that is cut off',
    zipSync({ 'a.md': strToU8('# A\n'.repeat(5000)) }, { level: 0 }).subarray(0, 300),
    'a.zip',
    /damaged|no file that is read/,
  ],
  [
    'a zip that unpacks without end',
    zipSync({ 'a.csv': new Uint8Array(70_000_000) }, { level: 9 }),
    'a.zip',
    /unpacks to more/,
  ],
])('%s is refused with a sentence, and nothing is stored', async (_, bytes, name, sentence) => {
  const before = (await stories()).length
  const { status, body } = await send(bytes, name)
  expect([status, body.problem?.sentence ?? '']).toEqual([422, expect.stringMatching(sentence)])
  expect((await stories()).length).toBe(before)
})

test.each([
  ['utf-8 with a mark', '\ufefftitle\nÉtude à l’été\n', 'utf-8'],
  ['utf-16, little end first', 'title\nÉtude à l’été\n', 'utf-16le'],
  ['windows-1252', 'title\nÉtude à l’été\n', 'windows-1252'],
])('a table in %s is read', async (_, text, encoding) => {
  const TABLE: Record<string, number> = { '’': 0x92 }
  const bytes =
    encoding === 'utf-8'
      ? Buffer.from(text)
      : encoding === 'utf-16le'
        ? Buffer.from(text, 'utf16le')
        : Buffer.from([...text].map((c) => TABLE[c] ?? c.charCodeAt(0)))
  const { body } = await send(new Uint8Array(bytes), 'a.csv')
  expect(body.first).toEqual([{ title: 'Étude à l’été' }])
})

test('a table in an encoding that is named is read so, and one there is none of is refused', async () => {
  const cyrillic = new Uint8Array([...Buffer.from('title\n'), 0xfe, 0xc1, 0xd3, 0xd9, 0x0a])
  expect((await send(cyrillic, 'a.csv', 'ada', '&encoding=koi8-r')).body.first).toEqual([{ title: 'Часы' }])
  expect((await send(cyrillic, 'a.csv', 'ada', '&encoding=rot13')).status).toBe(422)
})

test('sums are no sums in a table that goes out, and words again when they come in', async () => {
  const made = await who.ada!.call('POST', '/entries', { id: 'a-sum', type: 'story', title: '=1+1' })
  expect(made.status).toBe(200)
  const text = await (await who.ada!.fetch('/api/export/content?type=story&format=csv')).text()
  expect(text).toContain(",'=1+1,")
  const { body: sheet } = await send(text, 'out.csv')
  await run(sheet.id, story({ id: 'id', title: 'title' }))
  expect((await whole('a-sum')).title).toBe('=1+1')
})

test('plans that are none are refused', async () => {
  const { body: sheet } = await send('title\nA\n', 'a.csv')
  const status = async (plan: object, id = sheet.id) =>
    (await who.ada!.call('POST', `/imports/${id}/preview`, plan)).status
  expect(await status(story({ title: 'title' }), 'nothing-here')).toBe(404)
  expect(await status({ ...story({}), type: { kind: 'there', id: 'gone' } })).toBe(422)
  expect(await status({ ...story({}), columns: { title: 5 } })).toBe(422)
  expect(await status({ ...story({}), type: { kind: 'new', name: '', plural: '' } })).toBe(422)
  expect(await status(story({ title: 'new:wish' }))).toBe(422)
  expect((await who.ada!.call('DELETE', '/imports/nothing')).status).toBe(404)
})

test('rows that name one address, or one id, say more of one entry, wherever they stand', async () => {
  const far = Array.from({ length: 40 }, (_, i) => `filler-${i},Filler ${i},,`).join('\n')
  const csv = `slug,title,summary,date\ntwin,Twin,First words,\ntwin,,,2026-02-03\n${far}\ntwin,Twin at last,,\n`
  const { body } = await send(csv, 'twins.csv')
  const plan = story({ slug: 'slug', title: 'title', summary: 'summary', date: 'date' })
  expect(await preview(body.id, plan)).toMatchObject({ fresh: 41, replaced: 2, wrong: 0 })
  expect(await run(body.id, plan)).toMatchObject({ state: 'done', made: 41, problems: [] })
  const twins = (await stories()).filter((e) => e.slug.startsWith('twin'))
  expect(twins).toMatchObject([{ title: 'Twin at last', summary: 'First words', date: '2026-02-03' }])
})
