import { readFields } from '#core/addresses'
import { before, without, withoutEnd } from '#core/text'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { strToU8, zipSync } from 'fflate'
import { readSheet } from '../../../server/bring/read'
import { readFeed, readJson, readMarkdown } from '../../../server/bring/formats'
import { looksLikeHtml, richOf } from '../../../server/bring/rich'
import { looksLikeSvg } from '../../../server/media/judge'
import { cleanSvg } from '../../../server/media/svg'

/** What anybody may send costs no more than its size: the inputs by which expressions explode. */

const SOON = 1500
const N = 60_000

test.each<[string, () => unknown]>([
  ['a document type that is never closed', () => looksLikeSvg(`<!doctype ${'['.repeat(200)}`)],
  ['a drawing that begins with many comments', () => looksLikeSvg('<!-- '.repeat(N / 10))],
  ['declarations one in the other', () => looksLikeSvg('<!doctype x [<!doctype x ['.repeat(400))],
  ['instructions that never end', () => cleanSvg(`<svg>${'<?'.repeat(N / 10)}`)],
  ['a style of many brackets', () => cleanSvg(`<svg><style>${'url( '.repeat(3000)}</style></svg>`)],
  ['a cell of open tags', () => looksLikeHtml('<p'.repeat(N / 2))],
  ['boxes in boxes', () => richOf(`${'<span>'.repeat(300)}x`)],
  ['an address of marks', () => before('#'.repeat(N), '?')],
  ['an address of slashes', () => withoutEnd(`${'/'.repeat(N)}a`, '/')],
  ['parts that are never closed', () => without('<?'.repeat(N), '<?', '?>')],
  ['a heading of blanks', () => readMarkdown(`${'\n'.repeat(N)}# ${' '.repeat(N)}`, 'a.md')],
])('%s', (_, work) => {
  const begun = performance.now()
  work()
  expect(performance.now() - begun).toBeLessThan(SOON)
})

test('a drawing is known by how it begins', () => {
  for (const text of [
    '<svg>',
    '\ufeff <?xml version="1.0"?><!-- a --><!DOCTYPE svg [<!ENTITY a "b">]><svg\n>',
    '<SVG ',
  ])
    expect([text, looksLikeSvg(text)]).toEqual([text, true])
  for (const text of ['', 'svg', '<p><svg>', '<!-- <svg> ', '<!doctype html><p>', '<svgx>'])
    expect([text, looksLikeSvg(text)]).toEqual([text, false])
})

test.each([
  '<style>@im\\70ort "https://elsewhere.example.org/a.css";</style>',
  '<style>a{background:image-set("https://elsewhere.example.org/a.png" 1x)}</style>',
  '<style>a{background:url(\n"https://elsewhere.example.org/a.png")}</style>',
  '<rect fill="url(https://elsewhere.example.org/#a)"/>',
])('a drawing reaches for nothing elsewhere: %s', (inside) => {
  expect(cleanSvg(`<svg xmlns="http://www.w3.org/2000/svg">${inside}<rect/></svg>`)!.svg).not.toContain('elsewhere')
})

test('a form of many questions loses none of its answers', () => {
  const body = Array.from({ length: 300 }, (_, i) => `q${i}=a${i}`).join('&')
  expect(Object.keys(readFields(body))).toHaveLength(300)
})

test('feeds as they are found: XHTML in Atom, labels of categories, RSS 1.0, addresses of their own', () => {
  const atom = `<feed xmlns="http://www.w3.org/2005/Atom" xml:base="https://old.example.org/blog/"><entry>
    <title type="html">Tick &lt;i&gt;tock&lt;/i&gt;</title><link href="https://old.example.org/blog/tick/"/>
    <category term="c1" label="Clocks"/><updated>2026-03-29T10:00:00Z</updated>
    <content type="xhtml"><div xmlns="http://www.w3.org/1999/xhtml"><p>It <em>ticks</em>.</p><img src="a.png"/></div></content>
    </entry></feed>`
  const [entry] = readFeed(atom)
  expect(entry).toMatchObject({ title: 'Tick tock', slug: 'tick', terms: 'Clocks', date: '2026-03-29T10:00:00Z' })
  expect(entry!.content).toContain('<p>It <em>ticks</em>.</p>')
  expect(entry!.content).toContain('src="https://old.example.org/blog/a.png"')
  const rdf = `<rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#" xmlns="http://purl.org/rss/1.0/">
    <channel><title>Old</title></channel><item rdf:about="https://old.example.org/one"><title>One</title>
    <description>Words</description></item></rdf:RDF>`
  expect(readFeed(rdf)).toMatchObject([{ title: 'One', slug: 'one', content: 'Words' }])
  expect(() => readFeed(`<rss>${'<a>'.repeat(20_000)}${'</a>'.repeat(20_000)}</rss>`)).toThrow('nested deeper')
  expect(() => readFeed('<rss><channel><__proto__>x</__proto__></channel></rss>')).not.toThrow(TypeError)
})

test('JSON as it is mostly kept: a list, an object that holds one, GeoJSON', () => {
  expect(readJson('[{"a":1},{"a":2}]')).toEqual([{ a: '1' }, { a: '2' }])
  expect(readJson('{"count":1,"items":[{"a":true}]}')).toEqual([{ a: 'true' }])
  const point = '{"type":"Feature","properties":{"name":"Mill"},"geometry":{"type":"Point","coordinates":[0.85,52.95]}}'
  expect(readJson(`{"type":"FeatureCollection","features":[${point}]}`)).toEqual([
    { name: 'Mill', longitude: '0.85', latitude: '52.95' },
  ])
  expect(() => readJson('[1,2]')).toThrow('thing 1')
})

test('texts as they are kept: heads in YAML and TOML, drafts, days in file names, headings and code', () => {
  expect(readMarkdown('+++\ntitle = "Tick"\ndraft = true\n+++\nWords', '2019-05-28-first.md')).toEqual({
    slug: 'first',
    date: '2019-05-28',
    title: 'Tick',
    published: 'no',
    content: '<p>Words</p>',
  })
  const code = readMarkdown('Words first\n\n```\n# comment\n```\n', 'a.md')
  expect(code.title).toBeUndefined()
  expect(code.content).toContain('# comment')
  expect(readMarkdown('# Title\n\nWords', 'a.md')).toMatchObject({ title: 'Title', content: '<p>Words</p>' })
  expect(() => readMarkdown('---\ntitle: a: b\n---\nWords', 'a.md')).toThrow('no readable YAML')
})

describe('files that unpack to much', () => {
  const folder = mkdtempSync(join(tmpdir(), 'outer-frame-unpack-'))
  afterAll(() => rmSync(folder, { recursive: true, force: true }))
  const read = (name: string, bytes: Uint8Array) => {
    const path = join(folder, 'came')
    writeFileSync(path, bytes)
    return readSheet(path, name, join(folder, 'pictures'))
  }
  const zipped = (files: Record<string, string>) =>
    zipSync(Object.fromEntries(Object.entries(files).map(([name, text]) => [name, strToU8(text)])))

  test('rows and cells are counted as they are read, not afterwards', async () => {
    const rows = zipped({ 'a.csv': 'a,b\n'.repeat(10_000_000) })
    expect(rows.length).toBeLessThan(100_000)
    const before = process.memoryUsage().rss
    await expect(read('a.zip', rows)).rejects.toThrow('more than 200000 rows')
    const wide = `${Array.from({ length: 250 }, (_, i) => `c${i}`).join()}\n`
    await expect(read('a.csv', strToU8(wide + `${'x,'.repeat(249)}\n`.repeat(100_000)))).rejects.toThrow('cells')
    // Kept before they are counted, they take more than twice as much; what is thrown away stays for a while.
    expect(process.memoryUsage().rss - before).toBeLessThan(1_000_000_000)
  }, 60_000)

  test('a zip is counted in all, and so is each file in it', async () => {
    await expect(read('a.zip', zipped({ 'a.png': '0'.repeat(61_000_000) }))).rejects.toThrow('more than 60 MB')
    await expect(read('a.csv', new Uint8Array(61_000_000))).rejects.toThrow('larger than 60 MB')
  }, 60_000)

  test('tables and pictures that stand in a zip are read, in their order, and a damaged one is refused', async () => {
    const good = zipped({ 'b/one.md': '# One\n\nWords', 'two.csv': 'title\nTwo\n"Th""ree"\n', 'p.png': 'picture' })
    const { rows, pictures, columns } = await read('a.zip', good)
    expect(rows.map((r) => r.title)).toEqual(['One', 'Two', 'Th"ree'])
    expect(columns).toContain('content')
    expect(pictures.map((p) => [p.name, readFileSync(p.path, 'utf8')])).toEqual([['p.png', 'picture']])
    await expect(read('a.zip', good.subarray(0, 60))).rejects.toThrow('cut off')
    await expect(read('a.csv', strToU8('title\n"open\n'))).rejects.toThrow('quotation mark')
    await expect(read('a.csv', strToU8(''))).rejects.toThrow()
  })
})
