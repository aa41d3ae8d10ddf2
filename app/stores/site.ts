import { useDebounceFn } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, triggerRef } from 'vue'
import type { Spoilt } from '#core/documents'
import { Formats } from '#core/drawing'
import { Catalogue, type SiteChange, type TakenChange, followTaken } from '#core/catalogue'
import type { Entry, HomeChoice, Id, Menu, Picture, Site } from '#core/model'
import {
  CONTENT_LATER,
  type ContentAnswer,
  type EntryAnswer,
  type NewEntryInput,
  type SiteAnswer,
  type SiteChanges,
} from '#shared/api/types'

const EMPTY_SETTINGS = { locale: 'en', currency: 'EUR', timeZone: 'UTC' }

/**
 * The site as the server told it: as text, which is handed to a worker far faster than what was made of it, and what
 * has changed since, in order.
 */
export interface SiteTold {
  whole: string
  changes: readonly TakenChange[]
}

/** The content of the site, as the studio knows it: everything at once, the content of entries when asked for. */
export const useSite = defineStore('site', () => {
  const site = shallowRef<Site | null>(null)
  /** The same as it came from the server, for a worker; another object after every change. */
  const told = shallowRef<SiteTold | null>(null)
  const catalogue = shallowRef<Catalogue | null>(null)
  const formats = shallowRef(new Formats(EMPTY_SETTINGS))
  /** Rises whenever the content of an entry has arrived. */
  const contentArrived = ref(0)
  /** Stored documents of the site that cannot be read. */
  const spoilt = shallowRef<Spoilt[]>([])
  const ready = computed(() => catalogue.value !== null)
  const asked = new Set<Id>()

  let version = 0
  let loading: Promise<void> = Promise.resolve()

  /** Reads what has changed since it was read before, or everything; one after the other. */
  function load(): Promise<void> {
    const next = loading.then(loadNow)
    loading = next.catch(() => {})
    return next
  }

  async function loadNow(): Promise<void> {
    let heard = ''
    const since = catalogue.value && spoilt.value.length === 0 ? `?since=${version}` : ''
    const answer = await useApi<SiteAnswer | SiteChanges>('GET', `/site${since}`, undefined, (came) => (heard = came))
    if ('site' in answer) takeWhole(answer, heard)
    else if (answer.version !== version) takeChange(answer.change)
    version = answer.version
  }

  function takeWhole(answer: SiteAnswer, heard: string): void {
    told.value = { whole: heard, changes: [] }
    site.value = answer.site
    spoilt.value = answer.spoilt
    catalogue.value = new Catalogue(answer.site)
    formats.value = new Formats(answer.site.settings)
    asked.clear()
  }

  function takeChange(change: SiteChange): void {
    const taken = { at: Date.now(), change }
    followTaken(catalogue.value!, taken)
    for (const { id } of change.entries) asked.delete(id)
    told.value = { ...told.value!, changes: [...told.value!.changes, taken] }
    shownAnew()
  }

  /** What shows the site is drawn again: the catalogue is the same and says something else. */
  function shownAnew(): void {
    site.value = { ...catalogue.value!.site }
    triggerRef(catalogue)
    contentArrived.value++
  }

  async function setHome(home: HomeChoice): Promise<boolean> {
    await useApi('PUT', '/home', { home })
    await load()
    return true
  }

  /** Stores an entry. Its pages may have changed, so the site is to be read again by `load`, which may fail by itself. */
  function putEntry(entry: Entry, revision: number): Promise<EntryAnswer> {
    return useApi<EntryAnswer>('PUT', `/entries/${encodeURIComponent(entry.id)}`, { entry, revision })
  }

  /** Makes an entry and gives its id; the site is read again, so that it is there. */
  async function createEntry(input: NewEntryInput): Promise<Id> {
    const { entry } = await useApi<EntryAnswer>('POST', '/entries', input)
    if (ready.value) await load()
    return entry.id
  }

  /** Tells the worker of a change that was made here; until the server tells it too, the checks would miss it. */
  function tell(made: Partial<SiteChange>): void {
    const change = { entries: [], pictures: [], menus: null, redirects: null, ...made }
    if (told.value) told.value = { ...told.value, changes: [...told.value.changes, { at: Date.now(), change }] }
  }

  /** A picture as it is now, known here at once: what shows it is drawn again. */
  function tookPicture(picture: Picture): void {
    if (!catalogue.value) return
    catalogue.value.followPicture(picture.id, picture)
    tell({ pictures: [{ id: picture.id, picture }] })
    shownAnew()
  }

  const tellMenus = useDebounceFn((menus: readonly Menu[]) => tell({ menus: [...menus] }), 300)

  /** Menus as they are being made, here at once; the worker hears of them when the hand rests. */
  function tookMenus(menus: readonly Menu[]): void {
    if (!catalogue.value) return
    catalogue.value.followMenus(menus)
    shownAnew()
    void tellMenus(menus)
  }

  const isLater = (entry: Entry): boolean => JSON.stringify(entry.content) === JSON.stringify(CONTENT_LATER)

  /** Fetches what an entry says, unless it is here already. */
  async function needContent(id: Id | undefined): Promise<void> {
    const entry = id ? catalogue.value?.entries.get(id) : undefined
    if (!entry || asked.has(entry.id) || !isLater(entry)) return
    asked.add(entry.id)
    try {
      entry.content = (await useApi<ContentAnswer>('GET', `/entries/${encodeURIComponent(entry.id)}/content`)).content
      contentArrived.value++
    } catch (error) {
      asked.delete(entry.id)
      throw error
    }
  }

  return {
    site,
    spoilt,
    told,
    catalogue,
    formats,
    ready,
    contentArrived,
    load,
    needContent,
    tookPicture,
    tookMenus,
    setHome,
    putEntry,
    createEntry,
  }
})
