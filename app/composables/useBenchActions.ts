import { nanoid } from 'nanoid'
import { newElement } from '#core/elements'
import {
  type Direction,
  duplicateNodes,
  insertElement,
  mergeColumns,
  newPlace,
  outermost,
  pasteNodes,
  placeAfter,
  removeNodes,
  rowAround,
  splitColumn,
  stepAll,
  widen,
} from '#core/editor'
import { type Edit, isPlace, pathIn, placeOfPath } from '#core/layouts'
import { list, refuse } from '#core/shape'
import type { Id } from '#core/model'
import { type LayoutElement, MOST_NODES, type TreeNode, childrenOf, emptyRow, find, nodeShape, walk } from '#core/tree'
import { counted } from '#core/text'
import type { Addable } from './addable'
import { useBench } from '~/stores/bench'
import { useNotices } from '~/stores/notices'

const CLIPBOARD = 'outer-frame:copied'
const copiedShape = list(nodeShape, MOST_NODES)
const newId = () => nanoid(12)

/** What can be done with what is in hand; menus, keys and buttons all call these. */
export function useBenchActions() {
  const bench = useBench()
  const notices = useNotices()

  const node = (): TreeNode | undefined => bench.nodes.at(-1)

  /** What stands on the plan for all that is in hand. */
  const held = (): Id[] => [...new Set(bench.chosen.map(bench.heldFor))]

  /** What is of a piece is put, moved and taken away in the piece; told where somebody tries it here. */
  function inPiece(): boolean {
    const path = bench.selected ? placeOfPath(bench.selected) : null
    if (!path) return false
    notices.say('This stands in a piece. Press Esc until the piece is in hand, or open the piece.')
    return true
  }

  /** Applies an edit, takes something into the hand and says what was done. */
  function done(edit: Edit | null | undefined, what: string, inHand?: Id[]): boolean {
    if (!edit || !bench.apply(edit)) return false
    if (inHand) bench.chosen = inHand
    bench.tell(what)
    return true
  }

  const addElement = (type: string): void => put(newElement(type, newId))

  /** Puts an element after what is in hand. */
  function put(element: LayoutElement): void {
    const { layout, held, selected } = bench
    if (!layout) return
    // Beside rows of a piece it comes in a row of its own, so that these stay the rows that they are.
    const besideRows = held !== null && held !== selected && find(layout, held)?.node.kind === 'row'
    const place = besideRows ? afterRow(held) : null
    const edit: Edit = place
      ? { kind: 'insert', ...place, node: rowAround(element, newId) }
      : insertElement(layout, held, element, newId)
    done(edit, 'Added', [element.id])
  }

  /** Behind a row, in whatever holds it. */
  function afterRow(id: Id): { parent: Id; index: number } {
    const { parent, index } = find(bench.layout!, id)!
    return { parent: parent.id, index: index + 1 }
  }

  /** Adds anything that can be added. */
  function addAny({ spans, type, piece }: Addable): void {
    if (spans) addRow(spans)
    else if (piece) addPiece(piece)
    else addElement(type!)
  }

  /** A piece of rows comes as a row where rows are in hand, else among elements. */
  function addPiece(piece: Id): void {
    const inHand = bench.layout && bench.held ? find(bench.layout, bench.held)?.node : undefined
    const place = newPlace(piece, newId)
    if (inHand && inHand.kind !== 'row') return put(place)
    const at = bench.layout && placeAfter(bench.layout, bench.held, 'row')
    if (at) done({ kind: 'insert', ...at, node: rowAround(place, newId) }, 'Added', [place.id])
  }

  /** A row goes after the row in hand, or into the column in hand. */
  function addRow(spans: number[]): void {
    if (!bench.layout) return
    const row = emptyRow(newId, spans)
    const place = placeAfter(bench.layout, node()?.kind === 'element' ? outerRow(bench.held!) : bench.held, 'row')
    if (place) done({ kind: 'insert', ...place, node: row }, 'Added', [row.id])
  }

  function outerRow(id: Id): Id {
    const place = find(bench.layout!, id)
    return place && place.parent.kind !== 'layout' ? outerRow(place.parent.id) : id
  }

  function duplicate(): void {
    const made = bench.layout && !inPiece() && duplicateNodes(bench.layout, held(), newId)
    if (made) done(made.edit, 'Duplicated', made.ids)
  }

  /** What is in hand afterwards: what stands before it. */
  function remove(): void {
    if (!bench.layout || !bench.selected || inPiece()) return
    const going = new Set(held())
    const all = [...walk(bench.layout)].map((n) => n.id)
    const first = all.findIndex((id) => going.has(id))
    const before = all
      .slice(0, first)
      .filter((id) => !going.has(id))
      .at(-1)
    const what = `Removed ${counted(outermost(bench.layout, held()).length, 'thing')}`
    if (!bench.apply(removeNodes(bench.layout, held()))) return
    if (!bench.selected) bench.selected = before && find(bench.layout, before) ? before : null
    bench.tell(`${what}. In hand now`)
  }

  function move(direction: Direction): void {
    if (!bench.layout || !bench.selected || inPiece()) return
    if (!done(stepAll(bench.layout, held(), direction), `Moved ${direction}`))
      bench.tell(`It cannot move further ${direction}`)
  }

  function changeSpan(units: number): void {
    const column = columnInHand()
    if (bench.layout && column && done(widen(bench.layout, column, units), 'Width changed')) tellSpan(column)
  }

  function tellSpan(id: Id): void {
    const column = bench.layout && find(bench.layout, id)?.node
    if (column?.kind === 'column') bench.said = `${column.span} of 12`
  }

  function columnInHand(): Id | null {
    let place = bench.layout && bench.held ? find(bench.layout, bench.held) : null
    while (place && place.node.kind !== 'column') {
      place = place.parent.kind === 'layout' ? null : find(bench.layout!, place.parent.id)
    }
    return place?.node.id ?? null
  }

  function split(): void {
    const made = bench.layout && bench.selected && splitColumn(bench.layout, bench.selected, newId)
    if (made) done(made.edit, 'Split', [made.id])
  }

  /** The columns in hand, or the one in hand and the next. */
  function merge(): void {
    const at = bench.layout && bench.selected ? find(bench.layout, bench.selected) : null
    if (at?.node.kind !== 'column') return
    const next = childrenOf(at.parent)[at.index + 1]
    const ids = bench.chosen.length > 1 ? [...bench.chosen] : [at.node.id, ...(next ? [next.id] : [])]
    const first = childrenOf(at.parent).find((c) => ids.includes(c.id))!.id
    done(mergeColumns(bench.layout!, ids), 'Merged', [first])
  }

  function copy(): void {
    if (!bench.layout || !bench.selected) return
    const copied = outermost(bench.layout, held()).map((id) => find(bench.layout!, id)!.node)
    localStorage.setItem(CLIPBOARD, JSON.stringify(copied))
    notices.say(`Copied ${counted(copied.length, 'thing')}. Paste here or on the bench of another layout.`)
  }

  /** What was copied last, in whatever window; null, and told, when it is nothing that can stand here. */
  function copied(): TreeNode[] | null {
    const text = localStorage.getItem(CLIPBOARD)
    if (!text) return null
    const nodes = readJson(text)
    const why = refuse(copiedShape, nodes)
    if (why !== null) notices.fail(new Error(`What was copied cannot be put here: ${why}.`))
    return why === null ? (nodes as TreeNode[]) : null
  }

  function paste(): void {
    const nodes = bench.layout && copied()
    if (!nodes) return
    const made = pasteNodes(bench.layout!, bench.held, nodes, newId)
    if (!made) return notices.fail(new Error('What was copied has no place beside what is in hand.'))
    if (!done(made.edit, 'Pasted', made.ids)) return
    const left = nodes.length - made.ids.length
    if (left > 0) notices.say(`${counted(left, 'thing')} had no place there and was left out.`)
  }

  /** Goes through the tree: to the next or previous thing, to the parent, to the first child. */
  function go(where: 'next' | 'previous' | 'parent' | 'child'): void {
    if (!bench.layout) return
    // Within a piece one goes through what is drawn of it, and out of it to its place.
    const path = bench.selected ? placeOfPath(bench.selected) : null
    const tree = path ? bench.tree! : bench.layout
    const all = [...walk(tree)].filter((n) => !path || n.id.startsWith(pathIn(path.place, '')))
    const place = bench.selected ? bench.standing(bench.selected) : null
    if (!place) return bench.choose(all[0]?.id ?? null)
    if (path && where === 'parent' && !all.some((n) => n.id === place.parent.id)) return bench.choose(path.place)
    const at = all.findIndex((n) => n.id === bench.selected)
    const [first] =
      !path && isPlace(place.node)
        ? [...walk(bench.tree!)].filter((n) => n.id.startsWith(pathIn(place.node.id, '')))
        : []
    const target = {
      next: () => all[at + 1]?.id,
      previous: () => all[at - 1]?.id,
      parent: () => (place.parent.kind === 'layout' ? null : place.parent.id),
      child: () => first?.id ?? childrenOf(place.node)[0]?.id,
    }[where]()
    if (target !== undefined) bench.choose(target)
  }

  /** Takes the neighbour before or after in addition to what is in hand. */
  function extend(by: 1 | -1): void {
    const place = bench.selected ? bench.standing(bench.selected) : null
    const next = place && childrenOf(place.parent)[place.index + by]
    if (next) bench.choose(next.id, 'through')
  }

  return {
    node,
    addElement,
    addAny,
    addRow,
    duplicate,
    remove,
    move,
    changeSpan,
    split,
    merge,
    copy,
    paste,
    go,
    extend,
    columnInHand,
  }
}

function readJson(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return null
  }
}
