import { checkDesign } from '#core/checks'
import { ELEMENTS } from '#core/elements'
import type { Layout } from '#core/tree'
import { PLAIN_HOUSE } from '#core/styles'
import { VISITOR, column, element, field, layout, observatory, rich, row } from '../../../fixtures'

/** Elements that write nothing on what they stand on: their words, if any, have grounds of their own. */
const WORDLESS = [
  'button',
  'buttons',
  'favourite',
  'send',
  'spacer',
  'divider',
  'image',
  'lead-picture',
  'icon',
  'film',
  'slideshow',
  'piece',
]
const catalogue = observatory()
const findings = (made: Layout) =>
  checkDesign({ format: 1, layouts: [made], frames: [], house: PLAIN_HOUSE }, catalogue, VISITOR)
const contrast = (made: Layout) => findings(made).filter((f) => f.kind === 'contrast')
const dark = (made: ReturnType<typeof row>, styles: object = {}) => ({
  ...made,
  styles: { background: { wide: '@ink' }, colour: { wide: '@paper' }, ...styles },
})
const linked = {
  type: 'doc' as const,
  content: [
    { type: 'paragraph', content: [{ type: 'text', text: 'go', marks: [{ type: 'link', attrs: { href: '/a' } }] }] },
  ],
}

describe('words that are hard to read', () => {
  test('a link in a dark footer, until it is given a colour of its own', () => {
    const text = element('text', { text: linked as never }, 't')
    expect(contrast(layout('f', 'footer', dark(row(column(12, text)))))).toMatchObject([
      { node: 't', what: 'link', step: 'wide' },
    ])
    expect(contrast(layout('f', 'footer', dark(row(column(12, text)), { linkColour: { wide: '@paper' } })))).toEqual([])
    expect(
      contrast(layout('f', 'footer', dark(row(column(12, element('text', { text: rich('no link') as never })))))),
    ).toEqual([])
  })

  test('words of nearly the colour behind them, at the width step at which they are', () => {
    const faint = { ...element('heading', {}, 'h'), styles: { colour: { narrow: '#eeeeee' } } }
    expect(contrast(layout('b', 'body', row(column(12, faint))))).toMatchObject([
      { node: 'h', what: 'ink', step: 'narrow', ratio: 1.2 },
    ])
  })

  test.each(ELEMENTS.filter((e) => !WORDLESS.includes(e.type)).map((e) => e.type))(
    'words of a %s in the colour behind them',
    (type) => {
      const faint = { ...dark(row(column(12, element(type, {}, 'e')))), styles: { background: { wide: '@ink' } } }
      expect(contrast(layout('b', 'body', faint)).map((f) => 'node' in f && f.node)).toContain('e')
    },
  )

  test('a named look that a row, or a heading, has', () => {
    const look = { id: 'pale', name: 'Pale', for: 'row', styles: { colour: { wide: '#eeeeee' } }, looks: {} }
    const house = { ...PLAIN_HOUSE, looks: [...PLAIN_HOUSE.looks, look, { ...look, id: 'faint', for: 'heading' }] }
    const faint = (made: Layout) =>
      checkDesign({ format: 1, layouts: [made], frames: [], house }, catalogue, VISITOR).filter(
        (f) => f.kind === 'contrast',
      )
    const words = element('heading', { text: 'Clocks' }, 'h')
    expect(faint(layout('b', 'body', row(column(12, words))))).toEqual([])
    expect(faint(layout('b', 'body', { ...row(column(12, words)), look: 'pale' }))).toMatchObject([{ node: 'h' }])
    expect(faint(layout('b', 'body', row(column(12, { ...words, look: 'faint' }))))).toMatchObject([{ node: 'h' }])
  })

  test('nothing is said of what lies on a picture, or behind nothing', () => {
    const pictured = {
      ...dark(row(column(12, element('text', { text: linked as never })))),
      props: { backgroundPicture: 'moon' },
    }
    expect(contrast(layout('b', 'body', pictured))).toEqual([])
  })
})

describe('references wherever they stand', () => {
  const gone = {
    type: 'doc' as const,
    content: [
      {
        type: 'paragraph',
        content: [{ type: 'text', text: 'x', marks: [{ type: 'link', attrs: { page: 'entry:gone' } }] }],
      },
    ],
  }
  test.each([
    ['a link in running text', element('text', { text: gone as never }, 'n'), 'page', 'entry:gone'],
    [
      'the fallback of a link',
      element('button', { link: field('address', { fallback: { page: 'entry:lost' } }) }, 'n'),
      'page',
      'entry:lost',
    ],
    [
      'a picture behind two fallbacks',
      element('image', { picture: field('picture', { fallback: field('views', { fallback: 'nowhere' }) }) }, 'n'),
      'picture',
      'nowhere',
    ],
  ])('%s that leads to what is gone', (_, made, what, id) => {
    expect(findings(layout('b', 'body', row(column(12, made))))).toContainEqual({
      kind: 'dangling',
      what,
      id,
      layout: 'b',
      node: 'n',
    })
  })
})
