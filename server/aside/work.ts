import type { ImportPlan, Parcel } from '../../core/formats'
import type { Problem } from '../../core/problems'
import type { ImportInput } from '../../shared/api/types'
import type { SheetInfo, SheetInput } from '../bring/keep'
import type { SiteFileInfo } from '../bring/site'
import type { Part } from '../database/designs'
import type { Applied, ToApply } from '../services/apply'
import type { ImportParts } from '../services/import'
import type { ToFind } from '../services/search'
import type { SitePlan } from '../services/site-plan'

/** Work that may take long and is done beside the thread that answers requests. What goes in and out is plain data. */
export interface Jobs {
  /** Finds the entries that hold words, best first: their ids. */
  find(input: ToFind): Promise<string[]>
  /** Applies edits to a document. */
  apply(input: ToApply): Promise<Applied>
  /**
   * Draws pages of every kind under a design (as it is kept, with the texts that are not kept yet): why it cannot be
   * released, or on how many pages it looks different to anybody than the one before.
   */
  rehearse(input: { design: string; before: string; parts: Part[] }): Promise<{ problem: Problem } | { pages: number }>
  /** Says what importing a parcel would do here. */
  plan(input: { parcel: Parcel }): Promise<ImportPlan>
  /** Reads a file of content into rows, which stand in another one afterwards; gives what is known of them. */
  sheet(input: SheetInput): Promise<SheetInfo>
  /** Unpacks a site file into a folder; gives what stands in it. */
  unpackSite(input: { path: string; folder: string }): Promise<SiteFileInfo>
  /** Says what bringing such a site in would do here. */
  planSite(input: { folder: string; info: SiteFileInfo }): Promise<SitePlan>
  /** Makes what a parcel brings ready to be written, judged as it will stand here. */
  prepare(input: ImportInput): Promise<ImportParts>
}
