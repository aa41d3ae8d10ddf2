import { ELEMENTS } from '#core/elements'
import { readSpans } from '#core/editor'
import { elementsOf } from '#core/tree'
import { useBench } from '~/stores/bench'
import { useDesign } from '~/stores/design'
import type { Addable } from './addable'

const ROWS = [[12], [6, 6], [4, 8], [8, 4], [5, 7], [4, 4, 4], [3, 3, 3, 3]]

export function rowOf(spans: number[]): Addable {
  const one = spans.length === 1
  return {
    key: spans.join(),
    name: one ? 'Row of one column' : `Row ${spans.join(' + ')}`,
    about: one ? 'The whole width.' : `${spans.length} columns.`,
    group: 'Rows',
    spans,
  }
}

/** A row whose spans were typed, such as "5+7"; null where what was typed is no division of 12. */
export function typedRow(text: string): Addable | null {
  const spans = /\d/.test(text) ? readSpans(text) : ''
  return typeof spans === 'string' ? null : rowOf(spans)
}

/** Why what was typed, which is meant as the columns of a row, is no row; empty where it is not meant so. */
export function refusedRow(text: string): string {
  const spans = /^\s*\d[\d\s+,/:]*$/.test(text) ? readSpans(text) : []
  return typeof spans === 'string' ? spans : ''
}

/** Everything that can be added to the layout on the bench. */
export function useAddable() {
  const bench = useBench()
  const design = useDesign()
  const rows = ROWS.map(rowOf)
  const elements = computed<Addable[]>(() => {
    const layout = bench.layout!
    const there = new Set(elementsOf(layout).map((e) => e.type))
    return ELEMENTS.filter((e) => e.type !== 'piece')
      .filter((e) => !e.regions || e.regions.includes(layout.region))
      .filter((e) => !(e.once && there.has(e.type)))
      .map((e) => ({ key: e.type, name: e.name, about: e.about, group: e.group, type: e.type }))
  })
  /** Pieces that may stand here: not the one on the bench, nor one that would hold it. */
  const pieces = computed<Addable[]>(() =>
    design.layouts
      .map((l) => l.layout)
      .filter((l) => l.region === 'piece' && !l.starter && l.id !== bench.layout!.id)
      .filter((l) => !design.trees.allPiecesIn(l).has(bench.layout!.id))
      .map((l) => ({
        key: `piece ${l.id}`,
        name: l.name,
        about: l.about ?? 'A shared piece.',
        group: 'Pieces',
        piece: l.id,
      })),
  )
  return { rows, elements, pieces }
}
