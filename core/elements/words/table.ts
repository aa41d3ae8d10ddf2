import { PAGE_STYLES, type Chunk, escapeHtml, plainText } from '../../drawing'
import type { Item, ValueProperty } from '../../tree'
import { type ElementSpec, prop, describe } from '../base'

const CELLS = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth'] as const
const cell = (label: string): ValueProperty => ({ kind: 'text', label, default: '', most: 400 })

export const table: ElementSpec = {
  type: 'table',
  name: 'Table',
  about: 'Up to six columns of words; columns that are empty all the way down are left out.',
  group: 'Words',
  props: {
    rows: {
      kind: 'items',
      label: 'Lines',
      default: [],
      one: 'Line',
      named: 'first',
      most: 120,
      of: Object.fromEntries(CELLS.map((name, i) => [name, cell(`Column ${i + 1}`)])),
    },
    head: { kind: 'yes-no', label: 'First line is a head', default: true },
    side: { kind: 'yes-no', label: 'First column is a head', default: false },
    caption: { kind: 'text', label: 'Caption', default: '', most: 200 },
  },
  begins: {
    rows: [
      { id: 'head', props: { first: 'What', second: 'How much' } },
      { id: 'one', props: { first: 'One thing', second: '1' } },
    ],
  },
  parts: {
    caption: { label: 'Caption', words: 'caption' },
    head: { label: 'Head', hides: false },
    cell: { label: 'Cell', hides: false },
  },
  css: [PAGE_STYLES.table],
  summary: ({ rows }, names) => (Array.isArray(rows) ? describe(rows[0]?.props.first, names) : ''),
  draw(element, compile) {
    const rows = prop(element, table, 'rows')
    if (!Array.isArray(rows) || rows.length === 0) return ''
    const open = `<div${compile.attributes(element, 'tablebox')} tabindex="0"><table>`
    const [head, plain] = [compile.part(element, 'head'), compile.part(element, 'cell')]
    const captionOpen = `<caption${compile.part(element, 'caption')}${compile.words('caption')}>`
    const hasHead = prop(element, table, 'head') === true
    const hasSide = prop(element, table, 'side') === true
    const marks = rows.map(({ id }) => CELLS.map((name) => compile.words(name, { items: 'rows', item: id })))
    const drawn: Chunk = (scene) => {
      const words = rows.map(({ props }: Item) => CELLS.map((name) => escapeHtml(plainText(props[name] ?? '', scene))))
      const wide = CELLS.map((_, c) => words.some((line) => line[c] !== '') || (compile.open && c === 0))
      const line = (cells: string[], r: number, isHead: boolean): string =>
        `<tr>${cells
          .map((text, c) => {
            if (!wide[c]) return ''
            const [tag, own] = isHead
              ? ['th scope="col"', head]
              : c === 0 && hasSide
                ? ['th scope="row"', head]
                : ['td', plain]
            return `<${tag}${own}${marks[r]![c]}>${text}</${tag.slice(0, 2)}>`
          })
          .join('')}</tr>`
      const filled = words
        .map((cells, r) => ({ cells, r }))
        .filter(({ cells }) => cells.some((w) => w !== '') || compile.open)
      if (filled.length === 0) return ''
      const [first, ...rest] = filled
      const top = hasHead ? `<thead>${line(first!.cells, first!.r, true)}</thead>` : ''
      const body = (hasHead ? rest : filled).map(({ cells, r }) => line(cells, r, false)).join('')
      const said = escapeHtml(plainText(prop(element, table, 'caption'), scene))
      const caption = said && compile.shows(element, 'caption') ? `${captionOpen}${said}</caption>` : ''
      return `${open}${caption}${top}${body && `<tbody>${body}</tbody>`}</table></div>`
    }
    return drawn
  },
}
