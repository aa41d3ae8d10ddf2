import fc from 'fast-check'
import { type Layout, elementsOf, emptyLayout, pathTo } from '#core/tree'
import { applyEdit, treeToDraw } from '#core/layouts'
import { type CompileOptions, CompiledDesign, compileLayout, programOf } from '#core/render'
import { Formats, escapeHtml, fill, sceneOf } from '#core/drawing'
import type { RichDoc, RichNode } from '#core/rich'
import { safeAddress, slugOf, isSlug } from '#core/addresses'
import { type SiteStyle, PLAIN_HOUSE, houseShape } from '#core/styles'
import { refuse } from '#core/shape'
import { drawElement, element, field, observatory, withoutOurScripts } from '../../../fixtures'
import { diceOf, randomEdit, seeds } from '../layouts/random'
import { runs } from '../../../runs'

const catalogue = observatory()
const formats = new Formats(catalogue.site.settings)
const VOID = new Set(['img', 'br', 'hr', 'input', 'meta', 'link'])

/** The first way in which tags do not match, or null; enough to see that every element closes what it opens. */
function unbalanced(html: string): string | null {
  const open: string[] = []
  const tags = html.replace(/<style>.*?<\/style>/gs, '').matchAll(/<(\/?)([a-z][a-z0-9]*)\b[^>]*?(\/?)>/g)
  for (const [, slash, tag, closed] of tags) {
    if (VOID.has(tag!) || closed) continue
    if (!slash) open.push(tag!)
    else if (open.pop() !== tag) return `unexpected </${tag}>`
  }
  return open.length ? `<${open.at(-1)}> is never closed` : null
}

function randomLayout(seed: number): Layout {
  const dice = diceOf(seed)
  let current = emptyLayout('L', 'Random', 'body')
  for (let i = 0; i < 80; i++) {
    const result = applyEdit(current, randomEdit(current, dice))
    if (result.ok) current = result.document
  }
  return current
}

/** With looks by name, as some things of random layouts have them; one that they name is gone. */
const HOUSE: SiteStyle = {
  ...PLAIN_HOUSE,
  looks: [
    { id: 'calm', name: 'Calm', for: 'heading', styles: { size: { wide: 22, narrow: 18 } }, looks: {} },
    {
      id: 'loud',
      name: 'Loud',
      for: 'button',
      styles: { background: { wide: '#aa3311' } },
      looks: { ':hover': { colour: { wide: '#ffffff' } } },
    },
  ],
}

function draw(layout: Layout, key: string, ids: boolean): { html: string; css: string } {
  const compiled = new CompiledDesign(
    { format: 1, layouts: [layout], frames: [], house: HOUSE },
    { withIds: ids ? layout.id : undefined },
  )
  const none = { shown: { kind: 'none' as const }, by: null }
  const regions = {
    header: none,
    intro: none,
    body: { shown: { kind: 'layout' as const, layout: layout.id }, by: null },
    footer: none,
  }
  return compiled.draw(sceneOf(catalogue, formats, catalogue.page(key)!, {}), { regions })
}

test('the house style of random layouts is one', () => {
  expect(refuse(houseShape, HOUSE)).toBeNull()
})

describe('any valid layout, on any page', () => {
  test('is drawn as well-formed HTML, with nothing of the program in it', () => {
    fc.assert(
      fc.property(seeds, seeds, (seed, pick) => {
        const layout = randomLayout(seed)
        const page = diceOf(pick).pick(catalogue.pages)
        const { html, css } = draw(layout, page.key, false)
        expect(unbalanced(html)).toBeNull()
        expect(withoutOurScripts(html)).not.toMatch(/undefined|\[object|NaN|data-node|<script|\sstyle=/)
        expect(css).not.toMatch(/undefined|\[object|NaN|[{;]:|<\//)
      }),
      { numRuns: runs(250) },
    )
  })

  test('is the same on the bench but for the ids, and every id is one of the layout', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const layout = randomLayout(seed)
        const scene = sceneOf(catalogue, formats, catalogue.page('entry:refractor')!, {})
        const written = (options: CompileOptions) => fill(compileLayout(treeToDraw(layout), options).chunks, scene)
        const marked = written({ ids: true, open: false })
        expect(marked.replace(/ data-(node|words|items|item)="[^"]*"/g, '')).toBe(written({}))
        const bench = written({ ids: true })
        const drawn = [...bench.matchAll(/data-node="([^"]*)"/g)].map((m) => m[1]!)
        expect(new Set(drawn).size).toBe(drawn.length)
        const always = (id: string) => pathTo(layout, id).every((node) => !node.when)
        for (const { id } of elementsOf(layout).filter((e) => e.type === 'divider' || e.type === 'spacer'))
          if (always(id)) expect(drawn).toContain(id)
      }),
      { numRuns: runs(150) },
    )
  })

  test('is drawn the same again and again', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        // Programs are kept for each layout, so another that is equal to it is compiled and drawn by itself.
        const one = randomLayout(seed)
        const other = JSON.parse(JSON.stringify(one)) as Layout
        expect(programOf(treeToDraw(other))).not.toBe(programOf(treeToDraw(one)))
        expect(draw(other, 'archive:tool', false)).toEqual(draw(one, 'archive:tool', false))
      }),
      { numRuns: runs(60) },
    )
  })
})

describe('any text', () => {
  test('comes back as it was once the entities are read again, and can end neither a text nor an attribute', () => {
    const read = (html: string) =>
      html
        .replaceAll('&lt;', '<')
        .replaceAll('&gt;', '>')
        .replaceAll('&quot;', '"')
        .replaceAll('&#39;', "'")
        .replaceAll('&amp;', '&')
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', maxLength: 60 }), (text) => {
        const html = escapeHtml(text)
        expect(html).not.toMatch(/[<>"']/)
        expect(read(html)).toBe(text)
      }),
    )
  })

  test('in any property draws no tag of its own', () => {
    const hostile = fc.oneof(
      fc.constantFrom(
        '<script>alert(1)</script>',
        '"><img src=x onerror=alert(1)>',
        '</title><b>',
        "' onmouseover='x",
        '{{x}}',
        '&lt;b&gt;',
        '<!--',
        ']]>',
      ),
      fc.string({ maxLength: 40 }),
    )
    const tags = (html: string) => (html.match(/<[a-z]+/g) ?? []).join()
    fc.assert(
      fc.property(hostile, hostile, (a, b) => {
        for (const [made, plain] of [
          [element('heading', { text: `x${a}`, link: '/x' }), element('heading', { text: 'x', link: '/x' })],
          [element('button', { label: `x${a}`, link: '/x' }), element('button', { label: 'x', link: '/x' })],
          [
            element('field', { label: `x${a}`, value: field('title', { before: a, after: b }) }),
            element('field', { label: 'x', value: field('title') }),
          ],
          [element('image', { picture: 'moon', alt: `x${a}` }), element('image', { picture: 'moon', alt: 'x' })],
          [element('search-box', { label: a, button: b }), element('search-box', { label: 'x', button: 'y' })],
        ] as const) {
          expect(tags(drawElement(made))).toBe(tags(drawElement(plain)))
        }
      }),
      { numRuns: runs(120) },
    )
  })
})

describe('any rich text', () => {
  const node: fc.Arbitrary<RichNode> = fc.letrec<{ node: RichNode }>((tie) => ({
    node: fc.oneof(
      { maxDepth: 4 },
      fc.record({
        type: fc.constant('text'),
        text: fc.constantFrom('plain', '<b>', 'a & b', '"', 'ערב'),
        marks: fc.array(
          fc.record({
            type: fc.constantFrom('bold', 'italic', 'link', 'script', '__proto__'),
            attrs: fc.record({
              href: fc.constantFrom('/a', 'javascript:x', 'https://x.example', '" onclick="x', '//x'),
            }),
          }),
          { maxLength: 2 },
        ),
      }),
      fc.record({
        type: fc.constantFrom(
          'paragraph',
          'heading',
          'bulletList',
          'orderedList',
          'listItem',
          'blockquote',
          'iframe',
          'script',
          'constructor',
        ),
        attrs: fc.record({ level: fc.constantFrom(1, 2, 9, '2"onclick="x') as fc.Arbitrary<unknown> }),
        content: fc.array(tie('node'), { maxLength: 3 }),
      }) as unknown as fc.Arbitrary<RichNode>,
    ),
  })).node

  test('draws only what is on the list, and links only where they may lead', () => {
    fc.assert(
      fc.property(fc.array(node, { maxLength: 4 }), (content) => {
        const doc: RichDoc = { type: 'doc', content }
        const html = drawElement(element('text', { text: doc as never }))
        for (const [, tag] of html.matchAll(/<([a-z0-9]+)/g)) {
          expect([
            'div',
            'p',
            'h2',
            'h3',
            'h4',
            'ul',
            'ol',
            'li',
            'blockquote',
            'strong',
            'em',
            'a',
            'br',
            'hr',
          ]).toContain(tag)
        }
        for (const [, href] of html.matchAll(/href="([^"]*)"/g)) expect(['/a', 'https://x.example']).toContain(href)
        expect(html.replace(/<[^>]*>/g, '')).not.toContain('<')
        expect(unbalanced(html)).toBeNull()
      }),
      { numRuns: runs(400) },
    )
  })
})

describe('any address', () => {
  const odd = fc.oneof(
    fc.webUrl(),
    fc.string({ maxLength: 30 }),
    fc.constantFrom(
      'java\tscript:x',
      'JAVASCRIPT:x',
      '\u00a0javascript:x',
      'data:,x',
      'blob:x',
      '/\\x',
      '\\\\x',
      'mailto:',
      'https:x',
      '/%0ajavascript:x',
    ),
  )

  test('that may stand in a link leads only where links may lead, as a browser reads it', () => {
    fc.assert(
      fc.property(odd, (text) => {
        const address = safeAddress(text)
        if (address === null) return
        const read = new URL(address, 'https://site.example/page')
        expect(['https:', 'http:', 'mailto:', 'tel:']).toContain(read.protocol)
        if (/^[/?#]/.test(address)) expect(read.host).toBe('site.example')
      }),
      { numRuns: runs(2000) },
    )
  })

  test('any title gives a slug, or nothing at all', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', maxLength: 120 }), (title) => {
        const slug = slugOf(title)
        expect(slug === '' || isSlug(slug)).toBe(true)
      }),
      { numRuns: runs(500) },
    )
  })
})
