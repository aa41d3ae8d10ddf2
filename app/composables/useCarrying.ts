import { nanoid } from 'nanoid'
import { newElement } from '#core/elements'
import { type Drop, placeIn } from '#core/editor'
import { type Layout, type TreeNode, emptyRow, findParent } from '#core/tree'
import type { Addable } from './addable'

const newId = () => nanoid(12)

/** Something new that is carried over the window of a bench until it is let go; `put` puts it where it lands. */
export function useCarrying(layout: () => Layout | null, put: (where: Drop, node: TreeNode) => void) {
  /** What is carried, and where it would land. */
  const carried = shallowRef<{ item: Addable; x: number; y: number } | null>(null)
  const landing = shallowRef<Drop | null>(null)

  /** Puts down what is carried where it would land; nowhere when there is no such place. */
  function letGo(): void {
    const [what, where] = [carried.value, landing.value]
    carried.value = landing.value = null
    if (what && where) put(where, madeOf(what.item, where.parent))
  }

  function madeOf({ spans, type, piece }: Addable, parent: string): TreeNode {
    if (piece) return placeIn(findParent(layout()!, parent)!.kind, piece, newId)
    return spans ? emptyRow(newId, spans) : newElement(type!, newId)
  }

  return { carried, landing, letGo }
}
