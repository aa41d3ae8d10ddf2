import { defineStore } from 'pinia'
import type { PlainEdit, ServerDocument } from '#core/edits'
import { type Structure, STRUCTURE_EDITING } from '#core/model'
import { useSite } from './site'

/** Page types, their fields and taxonomies, under a hand in this window: kept at once, undone, merged with others. */
export const useStructure = defineStore('structure', () => {
  const site = useSite()
  const edits = useDocumentEdits<Structure, PlainEdit>({
    editing: STRUCTURE_EDITING,
    noun: 'set of page types',
    changed: () => {},
    // The rest of the studio goes by what is stored.
    saved: () => void site.load().catch(() => {}),
  })

  const open = () =>
    edits.begin('unsent.structure', '/structure/edits', () =>
      useApi<ServerDocument<Structure, PlainEdit>>('GET', '/structure'),
    )

  return { ...edits, open }
})
