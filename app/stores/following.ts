import { defineStore } from 'pinia'
import { computed } from 'vue'
import { nodeName } from '#core/elements'
import { pagesOfLayout } from '#core/rules'
import {
  type Edit,
  changeKey,
  changedThing,
  describeChange,
  editOf,
  layoutEditing,
  pointedAt,
  settingIn,
  touchedBy,
} from '#core/layouts'
import type { Id } from '#core/model'
import { type Change, find, isVariation, walk } from '#core/tree'
import { counted } from '#core/text'
import { useBench } from './bench'
import { useDesign } from './design'
import { useMap } from './map'
import { useNotices } from './notices'
import { useSite } from './site'

/** What an edit would touch: other layouts, and the pages on which they show. */
export interface Touched {
  layouts: Id[]
  pages: number
}

const NONE: readonly Change[] = []

/** What of the layout on the bench follows its base, and what is its own. */
export const useFollowing = defineStore('following', () => {
  const bench = useBench()
  const design = useDesign()
  const map = useMap()
  const notices = useNotices()
  const site = useSite()
  const { valueOf } = useEditWords()

  const variation = computed(() => (bench.shown && isVariation(bench.shown) ? bench.shown : null))
  const base = computed(() => variation.value && design.trees.document(variation.value.follows.base))
  /** What is edited of the base. */
  const baseTree = computed(() => (base.value ? design.trees.madeOf(base.value).made : null))
  const changes = computed(() => variation.value?.follows.changes ?? NONE)
  const drawn = computed(() => variation.value && design.trees.of(variation.value))
  const baseless = computed(() => drawn.value?.baseless ?? null)
  /** Own changes that cannot hold as the base is now. */
  const waiting = computed(() => new Set(drawn.value?.waiting ?? NONE))
  const holding = computed(() => changes.value.filter((c) => !waiting.value.has(c)))
  const byKey = computed(() => new Map(holding.value.map((c) => [changeKey(c), c])))
  const byThing = computed(() => {
    const found = new Map<Id, Change[]>()
    for (const change of holding.value) {
      const id = changedThing(change) ?? variation.value!.id
      found.set(id, [...(found.get(id) ?? []), change])
    }
    return found
  })
  /** Things of its own, with all that is in them. */
  const own = computed(
    () =>
      new Set(
        holding.value.flatMap((c) => (c.kind === 'put' ? [c.node.id, ...[...walk(c.node)].map((n) => n.id)] : [])),
      ),
  )

  /** What is its own about a thing, in a word; empty for what follows in everything, or where nothing is followed. */
  function markOf(id: Id): '' | 'added' | 'moved' | 'changed' {
    if (!variation.value) return ''
    if (own.value.has(id)) return 'added'
    const said = byThing.value.get(id) ?? []
    if (said.length === 0) return ''
    return said.some((c) => c.kind === 'move') ? 'moved' : 'changed'
  }

  const changeOf = (key: string | null | undefined): Change | undefined =>
    key === null || key === undefined ? undefined : byKey.value.get(key)

  const words = (change: Change): string => describeChange(change, bench.layout!, baseTree.value ?? bench.layout!)

  /** What the base says where the variation says something else. */
  function baseSays(change: Change): string {
    const tree = baseTree.value
    if (!tree) return ''
    if (change.kind === 'set') return valueOf(settingIn(tree, change.edit))
    if (change.kind === 'spans') {
      const row = find(tree, change.row)?.node
      return row?.kind === 'row' ? row.children.map((c) => c.span).join(' + ') : 'no such row'
    }
    if (change.kind === 'put') return 'nothing there'
    const at = find(tree, change.id)
    if (!at) return ''
    return `${at.index + 1} of ${at.parent.children?.length ?? 1} in ${at.parent.kind === 'layout' ? 'the layout' : nodeName(at.parent)}`
  }

  /** Takes own changes away, so that what they were about follows again. */
  function follow(dropped: readonly Change[]): void {
    if (bench.apply({ kind: 'own', drop: dropped.map(changeKey), put: [] })) bench.tell('Follows again')
  }

  /** Points a change that waits at what is in hand. */
  function point(change: Change): void {
    const at = bench.layout && bench.selected ? find(bench.layout, bench.selected) : null
    const to = at && pointedAt(change, at, bench.layout!)
    if (!to) return notices.fail(new Error('Take something in hand first that it can hold for.'))
    bench.apply({ kind: 'own', drop: [changeKey(change)], put: [{ change: to, before: null }] })
  }

  const pagesOf = (layouts: readonly Id[]): number => {
    const { kept } = map
    return kept ? new Set(layouts.flatMap((id) => pagesOfLayout(kept, site.catalogue!.pages, id))).size : 0
  }

  /** What a change in the base would touch beside this layout, at most. */
  const beside = computed<Touched>(() => {
    if (!base.value || !variation.value) return { layouts: [], pages: 0 }
    const layouts = [base.value.id, ...design.trees.allFollowing(base.value.id).map((l) => l.id)]
    const others = layouts.filter((id) => id !== variation.value!.id)
    return { layouts: others, pages: pagesOf(others) }
  })

  const intoBase = (moved: readonly Change[]): Edit =>
    editOf(
      baseTree.value!,
      moved,
      moved.length === 1 ? words(moved[0]!) : `${counted(moved.length, 'change')} of ${variation.value!.name}`,
    )

  /** What moving own changes into the base would touch, this layout left out; null, and told, where that cannot be. */
  function touched(moved: readonly Change[]): Touched | null {
    if (!base.value || !baseTree.value) return null
    const result = layoutEditing(() => design.trees).apply(base.value, intoBase(moved))
    if (!result.ok) {
      notices.fail(new Error(result.problem.sentence))
      return null
    }
    const documents = design.design.layouts
    const layouts = touchedBy(documents, result.document).filter((id) => id !== variation.value!.id)
    return { layouts, pages: pagesOf(layouts) }
  }

  /** Moves own changes down into the base: what follows it, and says nothing else, shows them too. */
  async function moveDown(moved: readonly Change[]): Promise<void> {
    const to = base.value
    if (!to) return
    const said = moved.length === 1 ? words(moved[0]!) : counted(moved.length, 'change')
    const inverse = await notices.attempt(async () => {
      // Others may have it in hand: it is taken as it stands now.
      await design.loadLayout(to.id)
      return design.editLayout(to.id, intoBase(moved))
    })
    if (inverse === undefined) return
    bench.apply({ kind: 'own', drop: moved.map(changeKey), put: [] })
    notices.say(`${said} stands in “${to.name}” now.`, {
      label: 'Undo',
      run: () =>
        void notices.attempt(async () => {
          if (inverse) await design.editLayout(to.id, inverse)
          bench.apply({ kind: 'own', drop: [], put: moved.map((change) => ({ change, before: null })) })
        }),
    })
  }

  function standAlone(): void {
    if (bench.apply({ kind: 'standAlone' })) bench.said = 'It stands alone now'
  }

  return {
    variation,
    base,
    baseTree,
    changes,
    holding,
    waiting,
    baseless,
    byThing,
    markOf,
    changeOf,
    words,
    baseSays,
    follow,
    point,
    beside,
    touched,
    moveDown,
    standAlone,
  }
})
