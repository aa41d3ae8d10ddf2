import { propertiesOf } from '#core/elements'
import { placeOfPath, valueIn } from '#core/layouts'
import type { Id } from '#core/model'
import { type Property, type Value, isFieldValue } from '#core/tree'
import { useBench } from '~/stores/bench'
import { useNotices } from '~/stores/notices'
import { usePieces } from '~/stores/pieces'

/** Words that are written where they stand: of which property, and where it is drawn. */
export interface Written {
  id: Id
  property: string
  within?: { items: string; item: Id }
  element: HTMLElement
  spec: Property
  /** What stood there when the hand came. */
  value: Value
}

/** Writing words on the page itself: which are in hand, and where what is typed goes. */
export function useWordsOnPage(surface: PageSurface, redraw: () => void) {
  const bench = useBench()
  const notices = useNotices()
  const pieces = usePieces()
  const written = shallowRef<Written | null>(null)

  /** What is of a piece is written where it is drawn. */
  const treeOf = (id: Id) => (placeOfPath(id) ? bench.tree : bench.layout)

  /** What stands in a property now, or would by default; undefined where the thing or the item is gone. */
  function valueOf(where: Pick<Written, 'id' | 'property' | 'within'>): Value | undefined {
    const spec = specOf(where.id, where.property, where.within)
    const tree = treeOf(where.id)
    return spec && tree ? (valueIn(tree, where) ?? (isThere(where) ? spec.default : undefined)) : undefined
  }

  function isThere({ id, within }: Pick<Written, 'id' | 'within'>): boolean {
    const items = within && bench.standing(id)?.node.props[within.items]
    return !within || (Array.isArray(items) && items.some((i) => i.id === within.item))
  }

  function specOf(id: Id, property: string, within: Written['within']): Property | undefined {
    const node = bench.standing(id)?.node
    const list = node && within ? propertiesOf(node)[within.items] : undefined
    if (list) return list.kind === 'items' ? list.of[property] : undefined
    return node ? propertiesOf(node)[property] : undefined
  }

  /** The words at a place on the page, or those of the thing that is drawn there. */
  function wordsAt(target: Element): HTMLElement | null {
    const own = target.closest<HTMLElement>('[data-words]')
    const node = target.closest<HTMLElement>('[data-node]')
    if (own && own.closest('[data-node]') === node) return own
    const inside = [...(node?.querySelectorAll<HTMLElement>('[data-words]') ?? [])]
    return inside.find((e) => e.closest('[data-node]') === node) ?? null
  }

  /** Takes words into the hand; gives whether there were any. */
  function begin(element: HTMLElement | null): boolean {
    const id = element?.closest<HTMLElement>('[data-node]')?.dataset.node
    if (!element || !id) return false
    const { words, items, item } = element.dataset
    const where = { id, property: words!, ...(items && item && { within: { items, item } }) }
    const [spec, value] = [specOf(id, where.property, where.within), valueOf(where)]
    if (!spec || value === undefined) return false
    leave()
    bench.selected = id
    if (placeOfPath(id) && !pieces.isEntered && !pieces.isOpen(id, items ?? where.property)) {
      notices.say('These words are the piece’s. Choose “in the piece” on the sheet to change them wherever it stands.')
      return false
    }
    surface.held.value = id
    written.value = { ...where, element, spec, value }
    return true
  }

  /** As `begin`, for the first words of a thing. */
  const beginIn = (id: Id): boolean => {
    const element = surface.elementOf(id)
    return element !== null && begin(wordsAt(element))
  }

  function set(value: Value | undefined): void {
    const { id, property, within } = written.value!
    const said = value === undefined ? { unset: true as const } : { value }
    bench.apply({ kind: 'setProperty', id, property, ...(within && { within }), ...said })
  }

  /** For what is chosen rather than written. */
  function setAndLeave(value: Value | undefined): void {
    set(value)
    leave()
  }

  /** The hand leaves the words: they stand as they were written. */
  function leave(): void {
    if (!written.value) return
    const { id } = written.value
    written.value = null
    // Whoever wrote there lets go of the page first.
    void nextTick(() => {
      if (written.value?.id !== id) surface.held.value = written.value?.id ?? null
      redraw()
    })
  }

  /** The words are gone from under the hand, taken away here or elsewhere. */
  watch(
    () => written.value && bench.layout && valueOf(written.value) === undefined,
    (gone) => {
      if (!gone) return
      leave()
      notices.say('What you were writing in was removed. What you wrote is in its history.')
    },
  )

  return {
    written,
    isField: computed(() => isFieldValue(written.value?.value)),
    wordsAt,
    begin,
    beginIn,
    set,
    setAndLeave,
    leave,
  }
}

export type WordsOnPage = ReturnType<typeof useWordsOnPage>
