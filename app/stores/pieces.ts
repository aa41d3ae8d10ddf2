import { defineStore } from 'pinia'
import { computed, ref, watch } from 'vue'
import { nanoid } from 'nanoid'
import { pagesOfLayout } from '#core/rules'
import {
  type Edit,
  asFills,
  asInPiece,
  checkLayout,
  isPlace,
  keptIn,
  layoutEditing,
  pathIn,
  pathNamed,
  pieceOf,
  placeOfPath,
  settingIn,
} from '#core/layouts'
import { ownPiece, share } from '#core/editor'
import type { Id } from '#core/model'
import { type Fill, type LayoutDocument, type LayoutElement, type TreeNode, find } from '#core/tree'
import type { LayoutAnswer } from '#shared/api/types'
import { useBench } from './bench'
import { useDesign } from './design'
import { useMap } from './map'
import { useNotices } from './notices'
import { useSite } from './site'

const newId = () => nanoid(12)

/** The pieces that stand in the layout on the bench: what of them is in hand, and where what is changed there goes. */
export const usePieces = defineStore('pieces', () => {
  const bench = useBench()
  const design = useDesign()
  const map = useMap()
  const site = useSite()
  const notices = useNotices()

  /** The piece that is edited in place, as a document of its own; null where what is changed is said by the place. */
  const entered = ref<Id | null>(null)
  const edits = useDocumentEdits<LayoutDocument, Edit>({
    editing: layoutEditing(() => design.trees),
    noun: 'piece',
    changed: (layout, revision) => design.noteLayout({ layout, revision }),
    saved: () => void design.loadReleases().catch(() => {}),
  })

  /** The place that is in hand, or in which what is in hand is drawn. */
  const place = computed<LayoutElement | null>(() => {
    const id = bench.selected && (placeOfPath(bench.selected)?.place ?? bench.selected)
    const node = id && bench.layout ? find(bench.layout, id)?.node : undefined
    return node && isPlace(node) ? node : null
  })
  const piece = computed(() => (place.value ? design.layoutById.get(pieceOf(place.value) ?? '')?.layout : undefined))
  /** What is in hand of a piece, and where it is kept: the innermost piece that holds it. */
  const inside = computed(() =>
    bench.selected && bench.layout && placeOfPath(bench.selected)
      ? keptIn(design.trees, bench.layout, bench.selected)
      : null,
  )
  const isEntered = computed(() => inside.value !== null && entered.value === inside.value.piece)
  /** What is in hand as its piece says it, whatever the place says. */
  const inPiece = computed<TreeNode | null>(() => {
    const kept = inside.value && design.layoutById.get(inside.value.piece)
    const node = kept ? find(design.trees.madeOf(kept.layout).made, inside.value!.id)?.node : undefined
    return node ?? null
  })

  // Another piece in hand is left alone until somebody says that it shall change.
  watch(
    () => inside.value?.piece ?? null,
    (now) => now !== entered.value && leave(),
  )
  watch(
    () => bench.layout?.id,
    () => leave(),
  )

  function leave(): void {
    if (entered.value === null) return
    const gone = !design.layoutById.has(entered.value)
    edits.close()
    entered.value = null
    const { name } = edits.document.value ?? {}
    if (gone && name)
      notices.fail(
        new Error(
          `“${name}” was removed by somebody. It can be put back on the shelf of layouts; what you did in it and was not saved is kept in this browser until then.`,
        ),
      )
  }

  /** From now on what is changed in a piece changes it wherever it stands. */
  async function enter(): Promise<void> {
    const id = inside.value?.piece
    if (!id) return
    await notices.attempt(async () => {
      await edits.begin(`unsent.${id}`, `/layouts/${id}/edits`, async () => {
        const { layout, revision, log } = await useApi<LayoutAnswer>('GET', `/layouts/${encodeURIComponent(id)}`)
        return { document: layout, revision, log }
      })
      entered.value = id
    })
  }

  /** Where a piece shows: in which layouts that frames can use, and on how many pages. */
  function reachOf(id: Id): { layouts: LayoutDocument[]; pages: number } {
    const layouts = design.trees.allShowing(id).filter((l) => l.region !== 'piece')
    const { kept } = map
    const pages = kept ? layouts.flatMap((l) => pagesOfLayout(kept, site.catalogue!.pages, l.id)) : []
    return { layouts, pages: new Set(pages).size }
  }

  /** What a piece says of a thing by itself, by the path of the thing. */
  function saysPiece(fill: Fill): Fill | null {
    const at = placeOfPath(fill.id)!
    const node = bench.layout && find(bench.layout, at.place)?.node
    const tree = node && isPlace(node) ? design.trees.tree(pieceOf(node) ?? '') : undefined
    return tree ? ({ ...settingIn(tree, { ...fill, id: at.inside }), id: fill.id } as Fill) : null
  }

  /** Whether a value of something in a piece can be said where it is drawn. */
  const isOpen = (path: Id, property: string): boolean =>
    find(bench.tree!, path)?.node.open?.includes(property) ?? false

  function closedIn(edit: Edit): boolean {
    if (edit.kind === 'batch') return edit.edits.some(closedIn)
    if (!('property' in edit) || !('id' in edit) || edit.kind === 'setStyle' || edit.kind === 'setOpen') return false
    return !isOpen(edit.id, 'within' in edit && edit.within ? edit.within.items : edit.property)
  }

  const refused = (sentence: string): false => {
    notices.fail(new Error(sentence))
    return false
  }

  /** Applies an edit of something that is drawn of a piece: in the piece, where that was entered, else at the place. */
  function apply(edit: Edit): boolean {
    const kept = bench.layout && keptIn(design.trees, bench.layout, pathNamed(edit)!)
    if (!kept) return false
    const name = design.layoutName(kept.piece)
    if (entered.value === kept.piece) {
      const inIt = asInPiece(edit, kept.prefix)
      return inIt ? edits.apply(inIt) : refused(`That reaches beyond “${name}”. Open the piece to change it.`)
    }
    if (closedIn(edit))
      return refused(`“${name}” says that everywhere. Choose “in the piece” to change it, or leave it open there.`)
    const said = asFills(bench.tree!, edit, saysPiece)
    return said
      ? bench.apply(said)
      : refused(`That is the same wherever “${name}” stands. Choose “in the piece” to change it.`)
  }

  /** Takes away what the place in hand says itself: all of it, or what it says of one thing. */
  function unsay(fills: readonly Fill[]): void {
    if (!place.value) return
    const { id } = place.value
    const each = fills.map((fill): Edit => ({ kind: 'setFill', id, fill, unset: true }))
    // A press is no part of what was typed the moment before.
    bench.endRun()
    if (bench.apply(each.length === 1 ? each[0]! : { kind: 'batch', label: 'say as the piece does', edits: each }))
      bench.tell('As in the piece again')
    bench.endRun()
  }

  /** Makes what is in hand a piece by a name, and puts its place there. */
  async function shareInHand(name: string): Promise<void> {
    const { layout, held } = bench
    const tried = layout && held && share(layout, held, { id: 'new', name }, newId)
    if (!tried) return void refused('Take a row or an element in hand to share it.')
    const [why] = checkLayout(tried.piece)
    if (why) return void refused(why.sentence)
    await notices.attempt(async () => {
      const rows = (parent: Id) =>
        tried.piece.children.map((node, index): Edit => ({ kind: 'insert', parent, index, node }))
      const id = await design.beginLayout(name, 'piece', rows, 'share')
      const made = share(bench.layout!, held!, { id, name }, newId)
      if (!made || !bench.apply(made.edit)) return
      bench.selected = made.place
      bench.tell(`Shared as “${name}”`)
    })
  }

  /** Ends the sharing where the place in hand stands: what is drawn there is the layout's own. */
  function makeOwn(): void {
    const made = place.value && ownPiece(design.trees, bench.layout!, place.value.id, newId)
    if (!made || !bench.apply(made.edit)) return
    bench.chosen = made.nodes
    bench.tell('This layout’s own now')
  }

  const undoable = computed(() => isEntered.value && edits.history.value.undo.length > 0)
  const redoable = computed(() => isEntered.value && edits.history.value.redo.length > 0)
  /** Where there is one, takes a step; gives whether there was. */
  const stepped = (can: boolean, step: () => void): boolean => {
    if (can) step()
    return can
  }
  bench.inPieces = {
    apply,
    undo: () => stepped(undoable.value, edits.undo),
    redo: () => stepped(redoable.value, edits.redo),
  }

  /** The path of something in the place in hand. */
  const pathOf = (id: Id): Id => pathIn(place.value!.id, id)

  return {
    place,
    piece,
    inside,
    inPiece,
    entered,
    isEntered,
    saving: edits.saving,
    undoable,
    redoable,
    refresh: edits.refresh,
    enter,
    leave,
    reachOf,
    saysPiece,
    isOpen,
    apply,
    unsay,
    shareInHand,
    makeOwn,
    pathOf,
  }
})
