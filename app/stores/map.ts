import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import {
  type Frame,
  type Impact,
  type OutcomeTable,
  type Request,
  compareTables,
  frameReach,
  groupPages,
  layoutReach,
  namesFrom,
  newFrame,
  rulesOf,
} from '#core/frames'
import type { Id } from '#core/site'
import { nanoid } from 'nanoid'
import { useDesign } from './design'
import { useSite } from './site'

/** The frame being edited: a working copy that is kept or dropped. */
export interface OpenEdit {
  frame: Frame
  /** 0 while the frame is new. */
  revision: number
}

const VISITOR: Request = { role: 'visitor', signedIn: false, device: 'desktop', parameters: {}, at: 0 }

/** What shows where: for the draft as kept, and for the draft with the edit that is open. */
export const useMap = defineStore('map', () => {
  const site = useSite()
  const design = useDesign()
  const request = ref<Request>({ ...VISITOR, at: Date.now() })
  const kept = shallowRef<OutcomeTable | null>(null)
  const tried = shallowRef<OutcomeTable | null>(null)
  const edit = ref<OpenEdit | null>(null)
  const unfolded = ref<Set<string>>(new Set())
  const filter = ref('')
  /** The row in hand, and the page that stands for it. */
  const selected = ref<{ row: string; page: string } | null>(null)

  const names = computed(() => (site.catalogue ? namesFrom(site.catalogue) : null))
  const groups = computed(() => (site.catalogue ? groupPages(site.catalogue) : []))
  const table = computed(() => tried.value ?? kept.value)
  const reachOfLayout = computed(() => (kept.value ? layoutReach(kept.value) : new Map<Id, number>()))
  const reachOfFrame = computed(() => (table.value ? frameReach(table.value) : new Map<Id, number>()))
  const impact = computed<Impact[]>(() => (kept.value && tried.value ? compareTables(kept.value, tried.value) : []))

  /** The frames with the edit that is open in the place of the one it edits. */
  const triedFrames = computed<Frame[]>(() => {
    const frames = design.design.frames
    const open = edit.value?.frame
    return open ? [...frames.filter((f) => f.id !== open.id), open] : frames
  })
  const triedRules = computed(() => rulesOf({ layouts: design.design.layouts, frames: triedFrames.value }))

  watch(
    [() => site.site, () => design.design.frames, () => design.design.layouts.length, request],
    async ([content]) => {
      if (!content || !design.loaded) return
      const { rules } = design
      const result = await tabulateAside(content, rules, request.value)
      if (rules === design.rules) kept.value = result
    },
    { immediate: true },
  )

  watch(
    [edit, () => design.design.frames, request],
    async ([open]) => {
      if (!open || !site.site) {
        tried.value = null
        return
      }
      const rules = triedRules.value
      const result = await tabulateAside(site.site, rules, request.value)
      if (edit.value && rules === triedRules.value) tried.value = result
    },
    { deep: true },
  )

  function beginNew(covers: Frame['covers'] = []): void {
    const order = Math.max(0, ...design.design.frames.map((f) => f.order)) + 1
    edit.value = { frame: newFrame(nanoid(10), covers, order), revision: 0 }
  }

  function beginEdit(id: Id): void {
    const state = design.frameById.get(id)
    if (state) edit.value = { frame: JSON.parse(JSON.stringify(state.frame)) as Frame, revision: state.revision }
  }

  function drop(): void {
    edit.value = null
  }

  /** Stores the edit. When another window was faster the edit stays open, on top of what came between. */
  async function keep(): Promise<void> {
    const open = edit.value
    if (!open) return
    try {
      await design.putFrame(open.frame, open.revision)
      edit.value = null
    } catch (error) {
      const current = design.frameById.get(open.frame.id)
      if (edit.value) edit.value.revision = current?.revision ?? 0
      throw error
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
    selected,
    names,
    groups,
    reachOfLayout,
    reachOfFrame,
    impact,
    triedFrames,
    triedRules,
    beginNew,
    beginEdit,
    drop,
    keep,
  }
})
