import { defineStore } from 'pinia'
import type { PlainEdit, ServerDocument } from '#core/edits'
import { HOUSE_EDITING, type SiteStyle } from '#core/styles'
import { useDesign } from './design'

/** The house style under a hand in this window: kept at once, undone, merged with others, released. */
export const useHouse = defineStore('house', () => {
  const design = useDesign()
  const edits = useDocumentEdits<SiteStyle, PlainEdit>({
    editing: HOUSE_EDITING,
    noun: 'house style',
    // Whatever draws with it draws with it as it is now.
    changed: (house) => void (design.house = house),
    saved: () => void design.loadReleases().catch(() => {}),
  })

  const open = () =>
    edits.begin('unsent.house', '/house/edits', () => useApi<ServerDocument<SiteStyle, PlainEdit>>('GET', '/house'))

  return { ...edits, open }
})
