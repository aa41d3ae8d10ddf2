import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { request } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { gunzipSync } from 'node:zlib'
import { HtmlValidate } from 'html-validate'
import { Catalogue } from '#core/catalogue'
import { makeDemo } from '#demo/index'
import { withoutOurScripts } from '../fixtures'
import { type TestServer, freePort, launch, startServer } from '../server'

let server: TestServer
beforeAll(async () => {
  server = await startServer()
}, 40_000)
afterAll(() => server.stop())

const { pages } = new Catalogue(makeDemo().site)
const get = (path: string, headers: Record<string, string> = {}) =>
  fetch(server.origin + path, { headers, redirect: 'manual' })

/** Asks for exactly this path, which fetch would tidy first, and gives the bytes as they came. */
function raw(
  path: string,
  headers: Record<string, string> = {},
  method = 'GET',
): Promise<{ status: number; body: Buffer; headers: Record<string, unknown> }> {
  return new Promise((done, fail) => {
    const call = request({ port: server.port, path, headers, method }, (answer) => {
      const chunks: Buffer[] = []
      answer.on('data', (c: Buffer) => chunks.push(c))
      answer.on('end', () => done({ status: answer.statusCode!, body: Buffer.concat(chunks), headers: answer.headers }))
    })
    call.on('error', fail)
    call.end()
  })
}

test('the site has a mark, a manifest and a search that browsers know', async () => {
  const html = await (await get('/')).text()
  const [, small] = /<link rel="icon"[^>]*href="([^"]+)"/.exec(html)!
  const icon = await get(small!)
  expect([icon.status, icon.headers.get('content-type')]).toEqual([200, 'image/png'])
  const bytes = Buffer.from(await icon.arrayBuffer())
  // Width and height of a PNG (its specification, 11.2.2).
  expect([bytes.readUInt32BE(16), bytes.readUInt32BE(20)]).toEqual([32, 32])
  expect((await get(small!.replace(/icon\/[^/]+/, 'icon/0000'))).headers.get('location')).toBe(small)
  expect((await get(small!.replace('32.png', '33.png'))).status).toBe(404)
  const manifest = await get('/site.webmanifest')
  expect(manifest.headers.get('content-type')).toContain('application/manifest+json')
  for (const { src } of ((await manifest.json()) as { icons: { src: string }[] }).icons)
    expect((await get(src)).status).toBe(200)
  expect((await get('/opensearch.xml')).status).toBe(200)
  expect((await get('/', { 'if-none-match': '*' })).status).toBe(304)
})

describe('every published demo page', () => {
  const validator = new HtmlValidate({
    extends: ['html-validate:recommended'],
    rules: {
      // The renderer writes the short forms on purpose; they are valid HTML.
      'doctype-style': 'off',
      'void-style': 'off',
      'no-implicit-input-type': 'off',
      // An id may have any character but a blank in it (HTML, 3.2.6).
      'valid-id': ['error', { relaxed: true }],
      // Titles are as long as the museum likes them.
      'long-title': 'off',
      // Boxes of one question have one name.
      'form-dup-name': ['error', { shared: ['checkbox', 'radio', 'submit'] }],
    },
  })

  test('is valid HTML with no error, carries no script, and is small', async () => {
    const heavy: string[] = []
    for (const page of [...pages.map((p) => p.address || '/lost'), '/search?q=clock', '/visit?kiosk']) {
      const { status, body, headers } = await raw(encodeURI(page), { 'accept-encoding': 'gzip' })
      expect(status).toBe(page === '/lost' ? 404 : 200)
      if (body.length > 14 * 1024) heavy.push(`${page} ${body.length}`)
      const html = (headers['content-encoding'] === 'gzip' ? gunzipSync(body) : body).toString()
      expect(withoutOurScripts(html)).not.toMatch(/<script|javascript:|\son[a-z]+=/i)
      const report = await validator.validateString(html)
      expect({
        page,
        found: report.results.flatMap((r) => r.messages.map((m) => `${m.ruleId}: ${m.message}`)),
      }).toEqual({ page, found: [] })
    }
    expect(heavy).toEqual([])
  }, 60_000)

  test('shows the awkward names as they are written', async () => {
    const html = await (await get('/exhibits/ohara-alarm')).text()
    expect(html).toContain('O&#39;Hara &amp; Daughters&#39; &lt;b&gt;Bold&lt;/b&gt; alarm</h1>')
    expect(await (await get('/exhibits/unlabelled-crate')).text()).toContain(
      '<h1 class="of-heading">Untitled exhibit</h1>',
    )
    expect(await (await get('/stories/a-clock-from-aleppo')).text()).toContain('<p dir="rtl">')
  })
})

describe('answers', () => {
  test('have strict headers, and allow no script but their own, and only where there is one', async () => {
    const { headers } = await get('/visit')
    expect(headers.get('content-security-policy')).toMatch(
      /^default-src 'none'; img-src 'self' data:; media-src 'self'; font-src 'self'; connect-src 'self'; style-src 'sha256-[^']+';/,
    )
    expect(headers.get('content-security-policy')).toMatch(/; script-src 'self'; form-action/)
    const plain = (await get('/contact?kiosk')).headers.get('content-security-policy')
    expect(plain).not.toContain('script-src')
    expect(headers.get('x-content-type-options')).toBe('nosniff')
    expect(headers.get('cache-control')).toBe('public, max-age=0, must-revalidate')
  })

  test('have an entity tag, and 304 to whoever has it', async () => {
    const first = await get('/visit')
    const tag = first.headers.get('etag')!
    const again = await get('/visit', { 'if-none-match': tag })
    expect(again.status).toBe(304)
    expect(await again.text()).toBe('')
    expect((await get('/visit', { 'if-none-match': '"other"' })).status).toBe(200)
  })

  test('are the same whether kept ready or drawn anew, plain or compressed', async () => {
    const plain = await raw('/exhibits')
    const ready = await raw('/exhibits')
    const packed = await raw('/exhibits', { 'accept-encoding': 'gzip' })
    expect(ready.body.equals(plain.body)).toBe(true)
    expect(gunzipSync(packed.body).equals(plain.body)).toBe(true)
  })

  test('an unknown address is a page that says so', async () => {
    for (const path of [
      '/no/such/page',
      '/exhibits/nothing',
      '/%3Cscript%3E',
      '/../../etc/passwd',
      '/visit/../nowhere',
    ]) {
      const { status, body } = await raw(path)
      expect(status).toBe(404)
      expect(withoutOurScripts(body.toString())).not.toContain('<script')
    }
    for (const odd of [
      '//[',
      '///',
      '//visit',
      '//nope/visit',
      '/visit//',
      '/%E0%A4%A',
      '/%ff',
      '/%00',
      '/visit%2F',
      '/'.repeat(15_000),
    ])
      expect([odd.slice(0, 20), (await raw(odd)).status]).toEqual([odd.slice(0, 20), 404])
  })

  test('a slash too many, and the own address of home, lead on', async () => {
    expect((await get('/visit/')).headers.get('location')).toBe('/visit')
    expect((await get('/welcome?kiosk')).headers.get('location')).toBe('/?kiosk')
    expect((await get('/visit/')).status).toBe(308)
  })

  test('other methods are refused; HEAD has no body', async () => {
    expect((await raw('/visit', {}, 'POST')).status).toBe(405)
    const head = await raw('/visit', {}, 'HEAD')
    expect(head.status).toBe(200)
    expect(head.body).toHaveLength(0)
  })

  test('a search finds, says what it looked for, and writes it as text', async () => {
    const html = await (await get('/search?q=%3Cb%3Efenwick')).text()
    expect(html).toContain('value="&lt;b&gt;fenwick"')
    expect(await (await get('/search?q=fenwick')).text()).toContain('/exhibits/fenwick-turret-clock')
    expect(await (await get('/search?q=qqqq')).text()).toContain('Nothing has all of these words.')
    expect((await get('/search?q=fenwick')).headers.get('cache-control')).toContain('max-age=0')
  })

  test('the address parameter of the kiosk leaves header and footer empty, only there', async () => {
    const kiosk = await (await get('/contact?kiosk')).text()
    expect(kiosk).not.toMatch(/<header|<footer/)
    expect(await (await get('/visit')).text()).toMatch(/<header.*<footer/s)
  })

  test('pictures are served for good, and nothing in them may run', async () => {
    const answer = await get('/pictures/mark/mark.svg')
    expect(answer.headers.get('content-type')).toBe('image/svg+xml')
    expect(answer.headers.get('content-security-policy')).toContain('sandbox')
    expect((await get('/pictures/nothing/mark.svg')).status).toBe(404)
    expect((await get('/_of/fonts/newsreader/newsreader-latin-wght-normal.woff2')).status).toBe(200)
  })
})

describe('starting', () => {
  const folder = mkdtempSync(join(tmpdir(), 'outer-frame-start-'))
  afterAll(() => rmSync(folder, { recursive: true, force: true }))

  const refusesToStart = async (port: number, data: string) => {
    const run = launch(port, data, 'none')
    const started = await run.ready
    if (started) run.child.kill()
    expect(started).toBe(false)
    return { code: run.child.exitCode, said: run.said() }
  }

  test('a port in use is named, and the way out', async () => {
    const { code, said } = await refusesToStart(server.port, join(folder, 'port'))
    expect(code).toBe(1)
    expect(said).toBe(`Port ${server.port} is in use. Stop what uses it, or choose another with --port.\n`)
  })

  test('a data folder that cannot be written is named', async () => {
    writeFileSync(join(folder, 'file'), '')
    const { code, said } = await refusesToStart(await freePort(), join(folder, 'file', 'data'))
    expect(code).toBe(1)
    expect(said).toMatch(/^The data folder .* cannot be written/)
  })

  test('a database that is none is named', async () => {
    mkdirSync(join(folder, 'odd'))
    writeFileSync(join(folder, 'odd', 'outer-frame.sqlite'), 'no database'.repeat(200))
    const { code, said } = await refusesToStart(await freePort(), join(folder, 'odd'))
    expect(code).toBe(1)
    expect(said).toMatch(/^The database .* is damaged .* Put a backup of it in its place/)
  })

  test('an empty database answers that there is no site yet, and the server stops cleanly', async () => {
    const empty = await startServer({ demo: 'none', data: join(folder, 'empty') })
    expect((await fetch(`${empty.origin}/`)).status).toBe(503)
    expect(await empty.stop()).toBe(0)
    expect(empty.said()).toContain('"stopping"')
  }, 30_000)
})
