import type { Request } from '../core/conditions'
import { resolveInTurn, rulesOf } from '../core/rules'
import type { Layout } from '../core/tree'
import { CompiledDesign } from '../core/render'
import { Formats, sceneOf } from '../core/drawing'
import { Catalogue } from '../core/catalogue'
import type { Page } from '../core/model'
import { makeDemo } from '../demo'
import { column, element, field, layout, line, row } from '../demo/design/make'

/** The page that is drawn in several ways: an exhibit in twenty rows of six elements, two of them dynamic. */

const FIELDS: [label: string, name: string][] = [
  ['Title', 'title'],
  ['Maker', 'maker'],
  ['Made', 'made'],
  ['Height', 'height'],
  ['Accession', 'accession'],
  ['Mechanism', 'mechanism'],
  ['Materials', 'materials'],
  ['Strikes', 'strikes'],
  ['Added', 'date'],
  ['Room', 'terms:room'],
]

/** Which two fields row `i` shows. */
export const fieldsOfRow = (i: number) => [FIELDS[i % 10]!, FIELDS[(i + 3) % 10]!] as const
export const ROWS = Array.from({ length: 20 }, (_, i) => i)

const fact = ([label, name]: readonly [string, string]) =>
  element('field', { label, value: field(name), linked: false })

const rows = ROWS.map((i) => {
  const [a, b] = fieldsOfRow(i)
  return row(
    `Row ${i}`,
    { paddingTop: 8 },
    column(
      8,
      {},
      element('heading', { text: `Part ${i}` }),
      element('text', { text: line(`What part ${i} says.`) }),
      element('divider'),
    ),
    column(4, {}, fact(a), fact(b), element('button', { label: 'Visit', link: '/visit' })),
  )
})

const BODY: Layout = layout('bench-body', 'Bench', 'body', ...rows)

const demo = makeDemo()
const design = {
  ...demo.design,
  layouts: [BODY],
  frames: [
    {
      ...demo.design.frames.at(-1)!,
      regions: {
        header: { kind: 'pass' as const },
        intro: { kind: 'pass' as const },
        body: { kind: 'use' as const, layout: 'bench-body' },
        footer: { kind: 'pass' as const },
      },
    },
  ],
}
export const catalogue = new Catalogue(demo.site)
export const page = catalogue.page('entry:fenwick-turret-clock')!
const request: Request = { role: 'visitor', signedIn: false, device: 'desktop', parameters: {}, at: 0 }
const compiled = new CompiledDesign(design)
const rules = rulesOf(design)
const formats = new Formats(demo.site.settings)
const outcome = resolveInTurn(rules, catalogue, page, request)

/** As the product draws it: the compiled programs filled with the page's values. */
const drawPage = (of: Page): string =>
  compiled.draw(sceneOf(catalogue, formats, of, { cards: compiled.cards }), outcome).html
export const drawOurs = (): string => drawPage(page)

/** The pages of all exhibits, to be drawn in turn: values recur as they do on a site, and pages do not. */
export const exhibits = catalogue.pages.filter((p) => p.kind === 'entry' && p.type === 'exhibit')
export const drawOursOf = (i: number): string => drawPage(exhibits[i % exhibits.length]!)

export const css = compiled.draw(sceneOf(catalogue, formats, page, {}), outcome).css
/** Class of the rows' own looks, which the other ways of drawing write down as they stand. */
export const rowClass = /class="of-row (of-\w+)"/.exec(drawOurs())![1]!

/** What of a page's head is the same for everybody, which ours keeps with the page: every way of drawing is given it so. */
export const keptHead = (html: string): string =>
  html.slice(html.indexOf('<meta name="description"'), html.indexOf('<style>'))
