import { nanoid } from 'nanoid'
import { kindName, newElement } from '#core/elements'
import { type Place, type TreeNode, childrenOf, emptyRow, find, nodeShape, walk, withNewIds } from '#core/tree'
import { duplicateNode, insertElement, placeAfter, placeForPlace, removeNode, step, widen } from '#core/layouts'
import { refuse } from '#core/shape'
import type { Id } from '#core/site'
import { useBench } from '~/stores/bench'
import { useNotices } from '~/stores/notices'

const CLIPBOARD = 'outer-frame:copied'
const newId = () => nanoid(12)

/** What can be done with the thing in hand; menus, keys and buttons all call these. */
export function useBenchActions() {
  const bench = useBench()
  const notices = useNotices()

  const node = (): TreeNode | undefined =>
    bench.layout && bench.selected ? find(bench.layout, bench.selected)?.node : undefined

  function addElement(type: string): void {
    if (!bench.layout) return
    const element = newElement(type, newId)
    if (bench.apply(insertElement(bench.layout, bench.selected, element, newId))) bench.selected = element.id
  }

  /** A row goes after the row in hand, or into the column in hand. */
  function addRow(spans: number[]): void {
    if (!bench.layout) return
    const row = emptyRow(newId, spans)
    const inHand = node()
    const place = placeAfter(
      bench.layout,
      inHand?.kind === 'element' ? outerRow(bench.selected!) : bench.selected,
      'row',
    )
    if (place && bench.apply({ kind: 'insert', ...place, node: row })) bench.selected = row.id
  }

  function outerRow(id: Id): Id {
    const place = find(bench.layout!, id)
    return place && place.parent.kind !== 'layout' ? outerRow(place.parent.id) : id
  }

  function duplicate(): void {
    if (!bench.layout || !bench.selected) return
    const made = duplicateNode(bench.layout, bench.selected, newId)
    if (made && bench.apply(made.edit)) bench.selected = made.id
  }

  function remove(): void {
    if (!bench.layout || !bench.selected) return
    const all = [...walk(bench.layout)].map((n) => n.id)
    const after = all[all.indexOf(bench.selected) - 1] ?? null
    if (bench.apply(removeNode(bench.layout, bench.selected)) && !bench.selected) {
      bench.selected = after && find(bench.layout, after) ? after : null
    }
  }

  function move(direction: 'up' | 'down' | 'left' | 'right'): void {
    if (bench.layout && bench.selected) bench.apply(step(bench.layout, bench.selected, direction))
  }

  function changeSpan(units: number): void {
    const column = columnInHand()
    if (bench.layout && column) bench.apply(widen(bench.layout, column, units))
  }

  function columnInHand(): Id | null {
    let place = bench.layout && bench.selected ? find(bench.layout, bench.selected) : null
    while (place && place.node.kind !== 'column') {
      place = place.parent.kind === 'layout' ? null : find(bench.layout!, place.parent.id)
    }
    return place?.node.id ?? null
  }

  function copy(): void {
    const inHand = node()
    if (!inHand) return
    localStorage.setItem(CLIPBOARD, JSON.stringify(inHand))
    notices.say('Copied. Paste it here or on the bench of another layout.')
  }

  function paste(): void {
    const text = localStorage.getItem(CLIPBOARD)
    if (!text || !bench.layout) return
    const node: unknown = JSON.parse(text)
    const why = refuse(nodeShape, node)
    if (why !== null) return notices.fail(new Error(`What was copied cannot be put here: ${why}.`))
    const copied = withNewIds(node as TreeNode, newId)
    if (copied.kind === 'element') {
      if (bench.apply(insertElement(bench.layout, bench.selected, copied, newId))) bench.selected = copied.id
      return
    }
    if (copied.kind === 'place') return pastePlace(copied)
    // A column by itself has no place: it comes as a row of its own.
    const row = copied.kind === 'row' ? copied : { ...emptyRow(newId, [12]), children: [{ ...copied, span: 12 }] }
    const place = placeAfter(bench.layout, bench.selected ? outerRow(bench.selected) : null, 'row')
    if (place && bench.apply({ kind: 'insert', ...place, node: row })) bench.selected = row.id
  }

  /** A place goes after the one in hand, or into the element in hand, where that has such places. */
  function pastePlace(copied: Place): void {
    const place = placeForPlace(bench.layout!, bench.selected, copied.type)
    if (!place) return notices.fail(new Error(`Select ${kindName(copied)} to put this beside it.`))
    if (bench.apply({ kind: 'insert', ...place, node: copied })) bench.selected = copied.id
  }

  /** Goes through the tree: to the next or previous thing, to the parent, to the first child. */
  function go(where: 'next' | 'previous' | 'parent' | 'child'): void {
    if (!bench.layout) return
    const all = [...walk(bench.layout)]
    const place = bench.selected ? find(bench.layout, bench.selected) : null
    if (!place) {
      bench.selected = all[0]?.id ?? null
      return
    }
    const at = all.findIndex((n) => n.id === bench.selected)
    const target = {
      next: () => all[at + 1]?.id,
      previous: () => all[at - 1]?.id,
      parent: () => (place.parent.kind === 'layout' ? null : place.parent.id),
      child: () => childrenOf(place.node)[0]?.id,
    }[where]()
    if (target !== undefined) bench.selected = target
  }

  return { node, addElement, addRow, duplicate, remove, move, changeSpan, copy, paste, go, columnInHand }
}
