import type { ImportPlan, Parcel } from '../../core/formats'
import type { Pending } from '../../core/layouts'
import type { Problem } from '../../core/problems'
import type { ImportInput, LayoutState } from '../../shared/api/types'
import type { Applied } from '../services/apply'
import type { ImportParts } from '../services/import'

/** Work that may take long and is done beside the thread that answers requests. What goes in and out is plain data. */
export interface Jobs {
  /** Applies edits to a layout. */
  apply(input: { state: LayoutState; edits: readonly Pending[] }): Promise<Applied>
  /** Draws pages of every kind under a design (as JSON); gives the reason why it cannot be released, or null. */
  rehearse(input: { design: string }): Promise<Problem | null>
  /** Says what importing a parcel would do here. */
  plan(input: { parcel: Parcel }): Promise<ImportPlan>
  /** Makes what a parcel brings ready to be written, judged as it will stand here. */
  prepare(input: ImportInput): Promise<ImportParts>
}
