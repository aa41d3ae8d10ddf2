import { readFields } from '#core/site'
import { before, without, withoutEnd } from '#core/text'
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
