import equal from 'fast-deep-equal'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { nanoid } from 'nanoid'
import type { Request } from '#core/conditions'
import {
  CompiledRules,
  type Impact,
  type OutcomeTable,
  type Rivals,
  compareTables,
  frameLabels,
  frameReach,
  layoutReach,
  newFrame,
  rulesOf,
  usesOfLayouts,
} from '#core/rules'
import { type DisplayRule, type RegionSetting, checkFrame } from '#core/design'
import { namesFrom } from '#core/targets'
import { groupPages, targetsFor } from '#core/map'
import type { Region } from '#core/tree'
import type { Id } from '#core/model'
import { useDesign } from './design'
import { useNotices } from './notices'
import { useSession } from './session'
import { type SiteTold, useSite } from './site'

/** The frame being edited: a working copy that is kept or dropped. */
export interface OpenEdit {
  frame: DisplayRule
  /** 0 while the frame is new. */
  revision: number
  /** The frame as another window has left it meanwhile. */
  theirs: DisplayRule | null
}

/** What is in hand on the Map: rows, the page that stands for the last of them, and the region if a strip was chosen. */
export interface Selection {
  rows: string[]
  pages: ReadonlySet<number>
  page: string
  region: Region | null
  /** The frame that makes the pages in hand stand apart, when they are one row of the Map. */
  frame: Id | null
}

const VISITOR: Request = { role: 'visitor', signedIn: false, device: 'desktop', parameters: {}, at: 0 }
/** Milliseconds for which one picture stands on the screen, and a little more. */
const FRAME = 20
const copy = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

/** What shows where: for the draft as kept, and for the draft with the edit that is open. */
export const useMap = defineStore('map', () => {
  const site = useSite()
  const design = useDesign()
  const session = useSession()
  const notices = useNotices()
  const unkept = useKept<Pick<OpenEdit, 'frame' | 'revision'>>('frame')
  let now = Date.now()
  const request = ref<Request>({ ...VISITOR, at: now })
  // Unless somebody chose a moment it is now, and goes on with the content.
  watch(
    () => site.told,
    () => {
      if (request.value.at !== now) return
      now = Date.now()
      request.value = { ...request.value, at: now }
    },
    { flush: 'sync' },
  )
  const kept = shallowRef<OutcomeTable | null>(null)
  const tried = shallowRef<OutcomeTable | null>(null)
  const edit = ref<OpenEdit | null>(null)
  const unfolded = ref<Set<string>>(new Set())
  const filter = ref('')
  const selection = shallowRef<Selection | null>(null)

  /** The site as it is at the moment for which the Map is looked at: pages and tables go by it. */
  const catalogue = computed(() => site.catalogue?.asAt(request.value.at) ?? null)
  const names = computed(() => (catalogue.value ? namesFrom(catalogue.value) : null))
  const groups = computed(() => (catalogue.value ? groupPages(catalogue.value) : []))
  /** Of which state of the content a table speaks: pages stand at other places in another. */
  const contentOf = new WeakMap<OutcomeTable, { told: SiteTold; at: number }>()
  const isOfNow = (table: OutcomeTable | null): boolean => {
    const of = table && contentOf.get(table)
    return of !== null && of !== undefined && of.told === site.told && of.at === request.value.at
  }
  const comparable = () => isOfNow(kept.value) && isOfNow(tried.value)
  const table = computed(() => [tried.value, kept.value].find(isOfNow) ?? null)
  const reachOfLayout = computed(() => (isOfNow(kept.value) ? layoutReach(kept.value!) : new Map<Id, number>()))
  const reachOfFrame = computed(() => (table.value ? frameReach(table.value) : new Map<Id, number>()))
  const impact = shallowRef<Impact[]>([])
  // Compared a frame later, when the strips have been drawn: in between the interface answers.
  watch([kept, tried], () =>
    setTimeout(() => (impact.value = comparable() ? compareTables(kept.value!, tried.value!) : []), FRAME),
  )

  /** The frames with the edit that is open in the place of the one it edits. */
  const triedFrames = computed<DisplayRule[]>(() => {
    const frames = design.design.frames
    const open = edit.value?.frame
    return open ? [...frames.filter((f) => f.id !== open.id), open] : frames
  })
  const triedRules = computed(() => rulesOf({ layouts: design.design.layouts, frames: triedFrames.value }))
  const triedCompiled = computed(() => (catalogue.value ? new CompiledRules(triedRules.value, catalogue.value) : null))
  const visitorIsPlain = computed(() => {
    const { role, device, parameters } = request.value
    return role === 'visitor' && device === 'desktop' && Object.keys(parameters).length === 0
  })

  const regionsOfLayouts = computed(() =>
    JSON.stringify([[...triedRules.value.layoutRegions], [...triedRules.value.work]]),
  )

  watch(
    [() => site.told, () => design.design.frames, regionsOfLayouts, request],
    async ([content]) => {
      if (!content || !design.loaded) return
      const frames = design.design.frames
      const asked = request.value
      const result = await tabulateAside(content, design.rules, asked)
      if (frames === design.design.frames && asked === request.value && content === site.told) {
        contentOf.set(result, { told: content, at: asked.at })
        kept.value = result
      }
    },
    { immediate: true },
  )

  watch(
    [edit, () => design.design.frames, regionsOfLayouts, () => site.told, request],
    async ([open, , , content]) => {
      if (!open || !content) {
        tried.value = null
        return
      }
      const rules = triedRules.value
      const asked = request.value
      const result = await tabulateAside(content, rules, asked)
      // Tables of two states of the content have other pages at the same places.
      if (edit.value && rules === triedRules.value && content === site.told && asked === request.value) {
        contentOf.set(result, { told: content, at: asked.at })
        tried.value = result
      }
    },
    { deep: true },
  )

  /** How the frame being edited stands to the others; null while it is worked out, or none is edited. */
  const rivals = shallowRef<Rivals | null>(null)
  watch(tried, async (table) => {
    const open = edit.value
    if (!table || !open || !site.told) {
      rivals.value = null
      return
    }
    const rules = triedRules.value
    const found = await rivalsAside(site.told, rules, open.frame.id)
    if (edit.value && rules === triedRules.value) rivals.value = found
  })

  /** What each frame is called beside all others, the one being edited included. */
  const labels = computed(() =>
    names.value ? frameLabels(triedFrames.value, names.value, design.layoutName) : new Map<Id, string>(),
  )
  const labelOf = (id: Id): string => labels.value.get(id) ?? 'a frame that is gone'
  const usesOfLayout = computed(() =>
    isOfNow(kept.value) ? usesOfLayouts(kept.value!) : new Map<Id, { frame: Id; pages: number }[]>(),
  )

  /** Whether an edit has come to anything yet: one that was only opened need not be opened again. */
  function isTouched({ frame }: OpenEdit): boolean {
    const stored = design.frameById.get(frame.id)?.frame
    if (stored) return JSON.stringify(stored) !== JSON.stringify(frame)
    return frame.covers.length > 0 || Object.values(frame.regions).some((say) => say.kind !== 'pass')
  }
  watch(
    edit,
    (open) => void unkept.keep(open && isTouched(open) ? { frame: open.frame, revision: open.revision } : null),
    { deep: true },
  )

  let restored: Promise<void> | null = null
  /** Opens again the edit that was open when this window was left; asked once, before anything else is opened. */
  function restore(): Promise<void> {
    restored ??= unkept.take().then((was) => {
      if (!was || !session.mayDesign || checkFrame(was.frame).length > 0) return
      const now = design.frameById.get(was.frame.id)
      // It was stored, and this window was closed before it heard of it.
      if (now && equal(now.frame, was.frame)) return
      const theirs = now && was.revision > 0 && now.revision !== was.revision ? now.frame : null
      edit.value = { frame: was.frame, revision: now?.revision ?? 0, theirs }
      notices.say('The frame that was being edited is open again, as it was left.')
    })
    return restored
  }

  const { undo, redo, noteKept } = useMapUndo(edit, {
    stored: (id) => design.frameById.get(id)?.frame ?? null,
    nameOf: labelOf,
    async put(id, frame) {
      if (frame === null) await design.removeFrame(id)
      else await design.putFrame(frame, design.revisionOf(id))
    },
  })

  const nextOrder = () => Math.max(0, ...design.design.frames.map((f) => f.order)) + 1
  const firstOrder = () => Math.min(0, ...design.design.frames.map((f) => f.order)) - 1

  function beginNew(covers: DisplayRule['covers'] = []): void {
    edit.value = { frame: newFrame(nanoid(10), covers, nextOrder()), revision: 0, theirs: null }
  }

  function beginEdit(id: Id): void {
    const state = session.mayDesign ? design.frameById.get(id) : undefined
    if (state) edit.value = { frame: copy(state.frame), revision: state.revision, theirs: null }
  }

  /** A new frame with the says of another, whose conditions are to be changed. */
  function beginCopy(id: Id): void {
    const state = design.frameById.get(id)
    if (!state) return
    const name = state.frame.name && `${state.frame.name}, copy`
    edit.value = {
      frame: { ...copy(state.frame), id: nanoid(10), name, order: nextOrder() },
      revision: 0,
      theirs: null,
    }
  }

  /** Writes the frame that says something else for the pages in hand; it comes first among its equals. */
  function beginHere(region: Region, say: RegionSetting): void {
    const inHand = selection.value
    if (!inHand || !catalogue.value) return
    const like = inHand.frame ? design.frameById.get(inHand.frame)?.frame : undefined
    const { covers, except } = targetsFor(inHand.pages, groups.value, catalogue.value, like)
    const frame = { ...newFrame(nanoid(10), covers, firstOrder()), except }
    frame.regions[region] = say
    edit.value = { frame, revision: 0, theirs: null }
  }

  function drop(): void {
    edit.value = null
  }

  function takeTheirs(): void {
    const open = edit.value
    if (open?.theirs) beginEdit(open.frame.id)
  }

  /**
   * Stores the edit; gives the frame as it was before, null for a new one. When another window was faster it
   * gives undefined, and the edit stays open on top of what came between, with theirs beside it.
   */
  async function keep(): Promise<DisplayRule | null | undefined> {
    const open = edit.value
    if (!open) return undefined
    const before = design.frameById.get(open.frame.id)?.frame ?? null
    try {
      await design.putFrame(open.frame, open.revision)
      noteKept(open.frame.id, before)
      edit.value = null
      return before
    } catch (error) {
      const current = design.frameById.get(open.frame.id)
      // What is there is what was to be stored: the answer to an earlier try was lost on its way.
      if (current && equal(current.frame, open.frame)) {
        edit.value = null
        return before
      }
      if (!edit.value || !(error instanceof Refusal) || error.problem.code !== 'stale-revision') throw error
      edit.value.revision = current?.revision ?? 0
      edit.value.theirs = current?.frame ?? null
      if (!current) throw error
      return undefined
    }
  }

  return {
    request,
    kept,
    tried,
    table,
    edit,
    unfolded,
    filter,
    selection,
    names,
    groups,
    reachOfLayout,
    reachOfFrame,
    impact,
    rivals,
    labelOf,
    usesOfLayout,
    triedFrames,
    catalogue,
    triedRules,
    triedCompiled,
    visitorIsPlain,
    undo,
    redo,
    restore,
    beginNew,
    beginEdit,
    beginCopy,
    beginHere,
    drop,
    takeTheirs,
    keep,
  }
})
