import { type Editing, type PlainEdit, plainEditing } from '../edits'
import { problem } from '../problems'
import { refuse } from '../shape'
import type { SiteStyle } from './house'
import { houseShape } from './shapes'

/** How the house style is edited: as a plain document, judged by its shape. */
export const HOUSE_EDITING: Editing<SiteStyle, PlainEdit> = plainEditing((house) => {
  const why = refuse(houseShape, house)
  return why === null ? null : problem('house-shape', { why })
})
