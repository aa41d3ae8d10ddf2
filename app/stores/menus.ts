import { defineStore } from 'pinia'
import type { PlainEdit, ServerDocument } from '#core/edits'
import { MENUS_EDITING, type MenuSet } from '#core/model'
import { useDesign } from './design'
import { useSite } from './site'

/** All menus, under a hand in this window: kept at once, undone, merged with others, released. */
export const useMenus = defineStore('menus', () => {
  const site = useSite()
  const design = useDesign()
  const edits = useDocumentEdits<MenuSet, PlainEdit>({
    editing: MENUS_EDITING,
    noun: 'set of menus',
    // What stands on the bench shows them as they are now.
    changed: () => edits.document.value && site.tookMenus(edits.document.value.menus),
    saved: () => void design.loadReleases().catch(() => {}),
  })

  const open = () =>
    edits.begin('unsent.menus', '/menus/edits', () => useApi<ServerDocument<MenuSet, PlainEdit>>('GET', '/menus'))

  return { ...edits, open }
})
