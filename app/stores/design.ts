import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import type { Design, DisplayRule } from '#core/design'
import { rulesOf } from '#core/rules'
import { type Edit, treesOf } from '#core/layouts'
import type { LayoutRegion } from '#core/tree'
import type { PartKey } from '#core/releases'
import type { Id } from '#core/model'
import type { PlainEdit, ServerDocument } from '#core/edits'
import { type SiteStyle, type NamedLook, PLAIN_HOUSE } from '#core/styles'
import type { Spoilt } from '#core/documents'
import type { Fault } from '#core/render'
import { nanoid } from 'nanoid'
import type {
  BringBack,
  BringBackAnswer,
  Change,
  DesignAnswer,
  EditsAnswer,
  FrameState,
  LayoutAnswer,
  LayoutState,
  Plan,
  PlanInput,
  ReleaseNote,
  ReleasesAnswer,
  RemovedAnswer,
  StaleFrameAnswer,
} from '#shared/api/types'

const TINTS = 8

/** The draft design as the server last told it, and what waits to be released. */
export const useDesign = defineStore('design', () => {
  const layouts = shallowRef<LayoutState[]>([])
  const frames = shallowRef<FrameState[]>([])
  const house = shallowRef<SiteStyle>(PLAIN_HOUSE)
  const waiting = ref<Change[]>([])
  const releases = ref<ReleaseNote[]>([])
  /** The design that visitors see; null before the first release. */
  const released = shallowRef<Design | null>(null)
  const plans = shallowRef<Plan[]>([])
  const loaded = ref(false)
  /** Stored documents of the design that cannot be read, and what of the released one could not be drawn. */
  const spoilt = shallowRef<Spoilt[]>([])
  const faults = shallowRef<Fault[]>([])
  const removed = shallowRef<RemovedAnswer>({ layouts: [], frames: [] })

  const design = computed<Design>(() => ({
    format: 1,
    layouts: layouts.value.map((l) => l.layout),
    frames: frames.value.map((f) => f.frame),
    house: house.value,
  }))
  const rules = computed(() => rulesOf(design.value))
  /** What is drawn of each layout. */
  const trees = computed(() => treesOf(design.value))
  const layoutById = computed(() => new Map(layouts.value.map((l) => [l.layout.id, l])))
  const frameById = computed(() => new Map(frames.value.map((f) => [f.frame.id, f])))

  /** The tint by which a layout is told apart on the Map. */
  const tintOf = (id: Id): string => `tint-${(layoutById.value.get(id)?.created ?? 0) % TINTS}`
  const layoutName = (id: Id): string => layoutById.value.get(id)?.layout.name ?? 'a layout that no longer exists'

  async function load(): Promise<void> {
    const answer = await useApi<DesignAnswer>('GET', '/design')
    layouts.value = answer.layouts
    frames.value = answer.frames
    house.value = answer.house
    spoilt.value = answer.spoilt
    loaded.value = true
    await Promise.all([loadReleases(), loadRemoved()])
  }

  /** Puts a named look into the house style as it stands; gives whether it stands there. */
  async function addLook(item: NamedLook): Promise<boolean> {
    const told = await useApi<ServerDocument<SiteStyle, PlainEdit>>('GET', '/house')
    const edit: PlainEdit = { kind: 'insert', at: ['looks'], index: told.document.looks.length, item }
    const edits = [{ id: nanoid(12), does: 'edit' as const, edit }]
    await useApi<EditsAnswer<PlainEdit>>('POST', '/house/edits', { revision: told.revision, edits })
    house.value = { ...told.document, looks: [...told.document.looks, item] }
    return true
  }

  async function loadReleases(): Promise<void> {
    const answer = await useApi<ReleasesAnswer>('GET', '/releases')
    waiting.value = answer.waiting
    releases.value = answer.releases
    released.value = answer.released
    plans.value = answer.plans
    faults.value = answer.faults
  }

  async function loadRemoved(): Promise<void> {
    removed.value = await useApi<RemovedAnswer>('GET', '/removed')
  }

  /** Takes away for good what was removed. */
  async function clearRemoved(): Promise<number> {
    const { cleared } = await useApi<{ cleared: number }>('DELETE', '/removed')
    await loadRemoved()
    return cleared
  }

  /** Brings a release, or one thing of it, back into the draft. */
  async function bringBack(number: number, what: BringBack, atOnce = false): Promise<Change[]> {
    const input = { what, ...(atOnce && { atOnce }) }
    const { changes } = await useApi<BringBackAnswer>('POST', `/releases/${number}/bring-back`, input)
    await load()
    return changes
  }

  /** What an open bench knows better than the last answer of the server. */
  function noteLayout({ layout, revision }: Pick<LayoutState, 'layout' | 'revision'>): void {
    const state = { layout, revision }
    const at = Date.now()
    layouts.value = layouts.value.map((l) => (l.layout.id === layout.id ? { ...l, ...state, changedAt: at } : l))
  }

  /** Asks for a layout that others have in hand, as it stands now. */
  async function loadLayout(id: Id): Promise<void> {
    noteLayout(await useApi<LayoutAnswer>('GET', `/layouts/${encodeURIComponent(id)}`))
  }

  /** One edit of a layout that is on no bench here; gives what takes it back. */
  async function editLayout(id: Id, edit: Edit): Promise<Edit | null> {
    const { revision } = layoutById.value.get(id)!
    const edits = [{ id: nanoid(12), does: 'edit' as const, edit }]
    const { records } = await useApi<EditsAnswer<Edit>>('POST', `/layouts/${id}/edits`, { revision, edits })
    await loadLayout(id)
    return records[0]?.inverse ?? null
  }

  async function createLayout(
    name: string,
    region: LayoutRegion,
    of: { from?: Id; follows?: Id; starter?: true } = {},
  ): Promise<Id> {
    const state = await useApi<LayoutState>('POST', '/layouts', { id: nanoid(10), name, region, ...of })
    layouts.value = [...layouts.value, state]
    await loadReleases()
    return state.layout.id
  }

  /** A new layout with something in it: rows, put into it by one edit. */
  async function beginLayout(
    name: string,
    region: LayoutRegion,
    rows: (parent: Id) => Edit[],
    label: string,
  ): Promise<Id> {
    const id = await createLayout(name, region)
    await editLayout(id, { kind: 'batch', label, edits: rows(id) })
    return id
  }

  async function removeLayout(id: Id): Promise<LayoutState | undefined> {
    const state = layoutById.value.get(id)
    const followed = trees.value.followersOf(id).length > 0
    await useApi('DELETE', `/layouts/${id}`)
    // What followed it stands alone now.
    if (followed) await load()
    else {
      layouts.value = layouts.value.filter((l) => l.layout.id !== id)
      await Promise.all([loadReleases(), loadRemoved()])
    }
    return state
  }

  async function restoreLayout(state: LayoutState): Promise<void> {
    await useApi('POST', `/layouts/${state.layout.id}/restore`)
    // What it follows, and what followed it, may come with it.
    await load()
  }

  /** Takes the last release back for visitors; the draft stays. */
  async function takeBackRelease(): Promise<ReleaseNote> {
    const made = await useApi<ReleaseNote>('POST', '/releases/back')
    await loadReleases()
    return made
  }

  /** Sets a release for a moment. */
  async function planRelease(input: PlanInput): Promise<Plan> {
    const made = await useApi<Plan>('POST', '/releases/plans', input)
    await loadReleases()
    return made
  }
  async function cancelPlan(id: number): Promise<void> {
    await useApi('DELETE', `/releases/plans/${id}`)
    await loadReleases()
  }

  function noteFrame(state: FrameState): void {
    frames.value = [...frames.value.filter((f) => f.frame.id !== state.frame.id), state]
  }

  /** Takes over what another window has made of a frame, from a refusal that tells. */
  function noteStale(error: unknown, id: Id): void {
    if (!(error instanceof Refusal) || error.problem.code !== 'stale-revision') return
    const { current } = error.body as StaleFrameAnswer
    if (current) noteFrame(current)
    else frames.value = frames.value.filter((f) => f.frame.id !== id)
  }

  /** The revision from which a frame can be stored: where it stands, on the ladder or under what was removed; 0 for none. */
  const revisionOf = (id: Id): number =>
    frameById.value.get(id)?.revision ?? removed.value.frames.find((f) => f.frame.id === id)?.revision ?? 0

  async function putFrame(frame: DisplayRule, revision: number): Promise<void> {
    try {
      noteFrame(await useApi<FrameState>('PUT', `/frames/${frame.id}`, { revision, frame }))
    } catch (error) {
      noteStale(error, frame.id)
      throw error
    }
    await readLists()
  }

  /** What was stored is stored, whether or not the lists beside it can be read again: they are read with the next change. */
  const readLists = () => Promise.allSettled([loadReleases(), loadRemoved()])

  /** Gives the frame and the revision from which it can be put back. */
  async function removeFrame(id: Id): Promise<FrameState | null> {
    const state = frameById.value.get(id)
    if (!state) return null
    try {
      const removed = await useApi<FrameState>('DELETE', `/frames/${id}?revision=${state.revision}`)
      frames.value = frames.value.filter((f) => f.frame.id !== id)
      await readLists()
      return removed
    } catch (error) {
      noteStale(error, id)
      throw error
    }
  }

  async function release(note: string, leave: PartKey[] = []): Promise<ReleaseNote> {
    const done = await useApi<ReleaseNote>('POST', '/releases', { note, leave })
    await loadReleases()
    return done
  }

  return {
    layouts,
    frames,
    house,
    waiting,
    releases,
    released,
    plans,
    planRelease,
    cancelPlan,
    loaded,
    design,
    rules,
    layoutById,
    frameById,
    trees,
    tintOf,
    layoutName,
    load,
    addLook,
    spoilt,
    faults,
    removed,
    loadReleases,
    clearRemoved,
    bringBack,
    takeBackRelease,
    noteLayout,
    loadLayout,
    editLayout,
    createLayout,
    beginLayout,
    removeLayout,
    restoreLayout,
    revisionOf,
    putFrame,
    removeFrame,
    release,
  }
})
