import { defineStore } from 'pinia'
import type { PlainEdit, Told } from '#core/edits'
import { HOUSE_EDITING, type HouseStyle } from '#core/styles'
import { useDesign } from './design'

/** The house style under a hand in this window: kept at once, undone, merged with others, released. */
export const useHouse = defineStore('house', () => {
  const design = useDesign()
  const edits = useDocumentEdits<HouseStyle, PlainEdit>({
    editing: HOUSE_EDITING,
    noun: 'house style',
    // Whatever draws with it draws with it as it is now.
    changed: (house) => void (design.house = house),
    saved: () => void design.loadReleases().catch(() => {}),
  })

  const open = () =>
    edits.begin('unsent.house', '/house/edits', () => useApi<Told<HouseStyle, PlainEdit>>('GET', '/house'))

  return { ...edits, open }
})
