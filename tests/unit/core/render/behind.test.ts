import { checkDesign } from '#core/checks'
import { ANY_REQUEST, Formats, sceneOf } from '#core/drawing'
import { treeToDraw } from '#core/layouts'
import { ROW_PROPS, type Row, type Styles, type Value } from '#core/tree'
import { compileLayout, draw } from '#core/render'
import { PLAIN_HOUSE } from '#core/styles'
import { column, element, layout, observatory, row } from '../../../fixtures'

/** What lies behind rows: a picture, one that repeats, several in turn; and rows of headers as a page is scrolled. */

const catalogue = observatory()
const scene = sceneOf(catalogue, new Formats(catalogue.site.settings), catalogue.page('entry:refractor')!)

/** A row with some properties, in a header or a body: what is compiled of it, and what is drawn. */
function behind(props: Record<string, Value>, region: 'header' | 'body' = 'body', styles: Styles = {}) {
  const made: Row = { ...row(column(12, element('heading'))), props, styles }
  const program = compileLayout(treeToDraw(layout('b', region, made)))
  return { program, html: draw(program, scene) }
}
const slides = (...ids: string[]): Value => ids.map((picture, i) => ({ id: `s${i}`, props: { picture } }))

test('one picture is drawn with its size; one that repeats is a pattern of itself; none is nothing', () => {
  expect(behind({ [ROW_PROPS.picture]: 'moon' }).html).toContain(
    '<div class="of-bg"><img src="/pictures/moon/moon.svg"',
  )
  const tiled = behind({ [ROW_PROPS.picture]: 'moon', [ROW_PROPS.repeats]: true }).html
  expect(tiled).toMatch(
    /<pattern id="of-t-[\w-]+" width="800" height="600" patternUnits="userSpaceOnUse"><image href="\/pictures\/moon\/moon.svg"/,
  )
  expect(tiled).not.toContain('style=')
  expect(behind({ [ROW_PROPS.picture]: 'gone' }).html).not.toContain('of-bg')
  expect(behind({}).html).not.toContain('of-bg')
})

test('several take turns, can be stopped, and rest where rest is asked for; one alone just stands there', () => {
  const two = behind({ [ROW_PROPS.slides]: slides('moon', 'moon') })
  expect(two.html).toMatch(/of-turns-behind of-turn-2"><img [^>]*><img [^>]*><\/div><details class="of-stop">/)
  const css = [...two.program.css].join('')
  expect(css).toContain('@keyframes of-turn-2{')
  expect(css).toContain('prefers-reduced-motion')
  expect(css).not.toContain('of-turn-3')
  const one = behind({ [ROW_PROPS.slides]: slides('moon', 'gone') })
  expect(one.html).toMatch(/<div class="of-bg"><img [^>]*><\/div><div class="of-in">/)
  expect(behind({ [ROW_PROPS.slides]: slides('gone') }).html).not.toContain('of-bg')
})

test('rows of a header carry what they do while a page is scrolled, and what that needs; others do not', () => {
  const over = behind({ [ROW_PROPS.over]: true }, 'header').program
  expect([...over.scripts]).toEqual(['header'])
  expect(over.chunks[0]).toMatch(/class="of-row of-over of-turns"/)
  const stays = behind({}, 'header', { sticks: { wide: 0 } }).program
  expect([...stays.scripts]).toEqual([])
  expect(stays.chunks[0]).toContain('of-row of-stays')
  const hides = behind({ [ROW_PROPS.hides]: true }, 'header').program
  expect([...hides.css].join('')).toContain('.of-hides')
  const body = behind({ [ROW_PROPS.over]: true, [ROW_PROPS.hides]: true }).program
  expect([[...body.scripts], [...body.css]]).toEqual([[], []])
})

test('a button whose named look cannot be read is told, in the light and in the dark', () => {
  const faint = {
    ...PLAIN_HOUSE.looks[0]!,
    id: 'faint',
    styles: { colour: { wide: '@paper' }, background: { wide: '#fefefe' } },
  }
  const told = (house: typeof PLAIN_HOUSE) =>
    checkDesign(
      {
        format: 1,
        layouts: [layout('b', 'body', row(column(12, element('button', { look: 'faint' }))))],
        frames: [],
        house,
      },
      observatory(),
      ANY_REQUEST,
    ).filter((f) => f.kind === 'contrast')
  expect(told({ ...PLAIN_HOUSE, looks: [...PLAIN_HOUSE.looks, faint] })).toMatchObject([{ what: 'ink', layout: 'b' }])
  const palette = PLAIN_HOUSE.palette.map((c) => (c.id === 'paper' ? { ...c, dark: '#000000' } : c))
  const mended = { ...faint, styles: { colour: { wide: '@ink' }, background: { wide: '@paper' } } }
  expect(told({ ...PLAIN_HOUSE, palette, looks: [mended] })).toEqual([])
  expect(told({ ...PLAIN_HOUSE, palette, looks: [mended], dark: 'system' })).toMatchObject([{ dark: true }])
})
