import { newElement } from '../elements'
import { type SiteStyle, looksFor } from '../styles'
import {
  type Column,
  type Layout,
  type LayoutElement,
  type Row,
  type Styles,
  type Value,
  emptyLayout,
  emptyRow,
} from '../tree'
import type { RichDoc, RichNode } from '../rich'

/**
 * A page that shows all of a house style at work: a layout like any other, made of our own elements and drawn by the
 * same renderer, so that nothing in it looks other than it will.
 */

const text = (words: string): RichNode => ({ type: 'text', text: words })
const linked = (words: string): RichNode => ({
  type: 'text',
  text: words,
  marks: [{ type: 'link', attrs: { href: '/' } }],
})
const p = (...content: RichNode[]): RichNode => ({ type: 'paragraph', content })
const doc = (...content: RichNode[]): RichDoc => ({ type: 'doc', content })
const cell = (type: string, words: string): RichNode => ({ type, content: [p(text(words))] })
const line = (...cells: RichNode[]): RichNode => ({ type: 'tableRow', content: cells })

/** Makes the things of the specimen, each with an id of its own. */
class Maker {
  private n = 0
  readonly id = (): string => `specimen-${this.n++}`

  element(type: string, props: Record<string, Value>, styles: Styles = {}): LayoutElement {
    return { ...newElement(type, this.id), props, styles }
  }

  row(spans: number[], columns: LayoutElement[][], styles: Styles = {}): Row {
    const row = emptyRow(this.id, spans)
    for (const [i, things] of columns.entries()) (row.children[i] as Column).children = things
    return { ...row, styles: { paddingTop: { wide: 24 }, paddingBottom: { wide: 24 }, ...styles } }
  }
}

const HEADINGS: readonly [level: string, words: string][] = [
  ['1', 'A heading that opens a page'],
  ['2', 'One that opens a part of it'],
  ['3', 'One within a part'],
  ['4', 'The smallest of them'],
]

const WORDS = doc(
  p(
    text(
      'Running text, as most of a site is: long enough to show how lines follow one another, how wide they run, and ',
    ),
    linked('what a link looks like'),
    text(' in the middle of them. Figures 0123456789 and quotation marks “so” belong to it.'),
  ),
  {
    type: 'bulletList',
    content: ['A list', 'of several', 'lines'].map((w) => ({ type: 'listItem', content: [p(text(w))] })),
  },
  { type: 'blockquote', content: [p(text('What somebody else said, set apart from what is said around it.'))] },
)

const TABLE = doc({
  type: 'table',
  content: [
    line(cell('tableHeader', 'Hour'), cell('tableHeader', 'Strikes')),
    ...[
      ['One', 'once'],
      ['Six', 'six times'],
      ['Noon', 'twelve times'],
    ].map(([a, b]) => line(cell('tableCell', a!), cell('tableCell', b!))),
  ],
})

/** Every colour of the palette as a band, with words in the two colours that pages are made of. */
function swatches(make: Maker, { palette }: SiteStyle): Row[] {
  const rows: Row[] = []
  for (let i = 0; i < palette.length; i += 4) {
    const four = palette.slice(i, i + 4)
    const row = make.row(
      four.map(() => 3),
      four.map(({ name, id }) => [
        make.element('text', { text: doc(p(text(name))) }, { colour: { wide: '@ink' } }),
        make.element(
          'text',
          { text: doc(p(text(name))) },
          { colour: { wide: '@paper' }, background: { wide: `@${id}` } },
        ),
      ]),
      { stack: { narrow: 'beside' }, paddingTop: { wide: 0 } },
    )
    for (const [n, column] of row.children.entries())
      column.styles = {
        background: { wide: `@${four[n]!.id}` },
        ...Object.fromEntries(['Top', 'Right', 'Bottom', 'Left'].map((s) => [`padding${s}`, { wide: 12 }])),
      }
    rows.push(row)
  }
  return rows
}

/** The specimen of a house style. */
export function specimenOf(house: SiteStyle): Layout {
  const make = new Maker()
  const buttons = looksFor(house, 'button').map((look) => ({
    id: look.id,
    props: { label: look.name, link: '/', look: look.id },
  }))
  const quote = doc(p(text('A clock that is stopped tells the truth about one moment.')))
  const small = doc(p(text('Small print, as it stands below pictures and in footers.')))
  const children = [
    make.row(
      [7, 5],
      [
        [
          ...HEADINGS.map(([level, words]) => make.element('heading', { text: words, level })),
          make.element('text', { text: WORDS }),
        ],
        [
          make.element('buttons', { buttons: buttons.slice(0, 12) }),
          make.element('search-box', {}),
          make.element('text', { text: TABLE }),
          make.element('quote', { text: quote, source: 'Somebody' }),
          make.element('text', { text: small }, { size: { wide: '@small' } }),
        ],
      ],
    ),
    ...swatches(make, house),
  ]
  return { ...emptyLayout('specimen', 'Specimen', 'body'), children }
}
