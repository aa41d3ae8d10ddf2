import { defineStore } from 'pinia'
import { computed } from 'vue'
import { nanoid } from 'nanoid'
import { nodeName, propertiesOf } from '#core/elements'
import { pagesOfLayout } from '#core/frames'
import {
  type Edit,
  changeKey,
  changedThing,
  describeChange,
  editOf,
  layoutEditing,
  pointedAt,
  touchedBy,
} from '#core/layouts'
import { type Id, type RichDoc, richText } from '#core/site'
import { type Change, type Layout, type Setting, type Value, find, isVariation, walk } from '#core/tree'
import { counted } from '#core/words'
import type { EditsAnswer } from '#shared/api/types'
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

  const variation = computed(() => (bench.shown && isVariation(bench.shown) ? bench.shown : null))
  const base = computed(() => variation.value && design.trees.document(variation.value.follows.base))
  /** What is drawn of the base. */
  const baseTree = computed(() => (base.value ? design.trees.of(base.value).tree : null))
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
    if (change.kind === 'set') return valueWords(settingIn(tree, change.edit))
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

  /** What moving own changes into the base would touch, this layout left out. */
  function touched(moved: readonly Change[]): Touched {
    if (!base.value || !baseTree.value) return { layouts: [], pages: 0 }
    const result = layoutEditing(() => design.trees).apply(base.value, intoBase(moved))
    if (!result.ok) return { layouts: [], pages: 0 }
    const documents = design.design.layouts
    const layouts = touchedBy(documents, result.document).filter((id) => id !== variation.value!.id)
    return { layouts, pages: pagesOf(layouts) }
  }

  async function editBase(id: Id, edit: Edit): Promise<Edit | null> {
    const { revision } = design.layoutById.get(id)!
    const pending = { id: nanoid(12), does: 'edit' as const, edit }
    const { records } = await useApi<EditsAnswer<Edit>>('POST', `/layouts/${id}/edits`, { revision, edits: [pending] })
    await design.loadLayout(id)
    return records[0]?.inverse ?? null
  }

  /** Moves own changes down into the base: what follows it, and says nothing else, shows them too. */
  async function moveDown(moved: readonly Change[]): Promise<void> {
    const to = base.value
    if (!to) return
    const edit = intoBase(moved)
    const said = moved.length === 1 ? words(moved[0]!) : counted(moved.length, 'change')
    const inverse = await notices.attempt(async () => {
      // Others may have it in hand: it is taken as it stands now.
      await design.loadLayout(to.id)
      return editBase(to.id, edit)
    })
    if (inverse === undefined) return
    bench.apply({ kind: 'own', drop: moved.map(changeKey), put: [] })
    notices.say(`${said} stands in “${to.name}” now.`, {
      label: 'Undo',
      run: () =>
        void notices.attempt(async () => {
          if (inverse) await editBase(to.id, inverse)
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

/** What a layout says where a setting would say something. */
function settingIn(tree: Layout, edit: Setting): unknown {
  const node = 'id' in edit ? find(tree, edit.id)?.node : undefined
  switch (edit.kind) {
    case 'setProperty': {
      const props = edit.within
        ? (node?.props[edit.within.items] as { id: Id; props: Record<string, Value> }[] | undefined)?.find(
            (i) => i.id === edit.within!.item,
          )?.props
        : node?.props
      return props?.[edit.property] ?? (node && !edit.within ? propertiesOf(node)[edit.property]?.default : undefined)
    }
    case 'setStyle': {
      const styles = edit.at ? node?.kind === 'element' && node.looks?.[edit.at] : node?.styles
      return (styles || {})[edit.property]?.[edit.step]
    }
    case 'setDefault': {
      const box = edit.box === undefined ? null : find(tree, edit.box)?.node
      const given = edit.box === undefined ? tree.defaults : box && 'gives' in box ? box.gives : {}
      return given?.[edit.of]?.[edit.property]?.[edit.step]
    }
    case 'hidePart':
      return node?.kind === 'element' && node.hides?.includes(edit.part) ? 'hidden' : 'shown'
    case 'setWhen':
      return node?.when ? counted(node.when.length, 'condition') : 'always shown'
    case 'rename':
      return node?.name || 'no name'
  }
}

const MOST = 60

/** A value in a few words. */
function valueWords(value: unknown): string {
  if (value === undefined || value === null || value === '') return 'nothing'
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  if (Array.isArray(value)) return counted(value.length, 'item')
  if (typeof value === 'object') {
    const { kind, field, type } = value as { kind?: string; field?: string; type?: string }
    if (kind === 'field') return `the field ${field}`
    if (type === 'doc') return `“${short(richText(value as RichDoc))}”`
    return 'something else'
  }
  return typeof value === 'string' && !value.startsWith('@') ? `“${short(value)}”` : String(value)
}

const short = (text: string) => (text.length > MOST ? `${text.slice(0, MOST)}…` : text)
