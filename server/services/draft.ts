import { type DisplayRule, type Design, checkFrame } from '../../core/design'
import { type LayoutDocument, type Variation, emptyLayout, isVariation, withNewIds } from '../../core/tree'
import type { Pending, PlainEdit, ServerDocument } from '../../core/edits'
import { type Edit, Trees, basesNamed, checkLayout, failBaseless } from '../../core/layouts'
import { fail, failFirst } from '../../core/problems'
import { type SiteStyle, PLAIN_HOUSE } from '../../core/styles'
import type { Spoilt } from '../../core/documents'
import type {
  DesignAnswer,
  EarlierAnswer,
  FrameState,
  LayoutAnswer,
  LayoutState,
  NewLayoutInput,
  RemovedAnswer,
} from '../../shared/api/types'
import { clearFrames, readFrame, readFrames, readHouse, writeFrame } from '../database/frames'
import {
  clearLayouts,
  insertLayout,
  layoutExists,
  readBases,
  readFollowers,
  readLayout,
  readLayouts,
  setLayoutRemoved,
} from '../database/layouts'
import { readMenus } from '../database/content'
import { readLastInverses } from '../database/edits'
import type { Database } from '../database/open'
import type { Tables } from '../database/schema'
import type { Jobs } from '../aside/work'
import { applyInTurn } from './apply'
import { type EditsResult, applyEdits, makeEdit, openDocument, readLog } from './editing'
import { HOUSE, HOUSE_ID, LAYOUTS } from './kept'
import type { Transaction } from 'kysely'
import { nanoid } from 'nanoid'

/** The draft as it is stored, and its parts as one design. */
export async function readDraft(db: Database): Promise<DesignAnswer & { design: Design }> {
  const spoilt: Spoilt[] = []
  const [layouts, frames, house, { menus }] = await Promise.all([
    readLayouts(db, spoilt),
    readFrames(db, spoilt),
    readHouse(db, spoilt),
    readMenus(db, []),
  ])
  const design: Design = {
    format: 1,
    layouts: layouts.map((l) => l.layout),
    frames: frames.map((f) => f.frame),
    house: house?.house ?? PLAIN_HOUSE,
    menus,
  }
  return {
    layouts,
    frames: frames.map(({ frame, revision }) => ({ frame, revision })),
    house: design.house,
    houseRevision: house?.revision ?? 0,
    spoilt,
    design,
  }
}

/** How it is told that a variation stands alone since what it followed was taken away. */
const BASE_REMOVED = 'end following, since its base was removed'

/** A layout, and the revision at which it stands. */
export interface LayoutMark {
  id: string
  revision: number
}

/** The design as it stands in the studio. */
export class Draft {
  constructor(
    private readonly db: Database,
    private readonly jobs: Pick<Jobs, 'apply'> = { apply: applyInTurn },
  ) {}

  async read(): Promise<DesignAnswer> {
    const { design: _, ...answer } = await readDraft(this.db)
    return answer
  }

  async design(): Promise<Design> {
    return (await readDraft(this.db)).design
  }

  /** What was removed and waits until the owner clears it. */
  async removed(): Promise<RemovedAnswer> {
    const [layouts, frames] = await Promise.all([readLayouts(this.db, [], true), readFrames(this.db, [], true)])
    return { layouts, frames: frames.map(({ frame, revision }) => ({ frame, revision })) }
  }

  /** Takes away for good what was removed; gives how many things that were. */
  clearRemoved(): Promise<number> {
    return this.db.transaction().execute(async (trx) => (await clearLayouts(trx)) + (await clearFrames(trx)))
  }

  async layout(id: string): Promise<LayoutAnswer> {
    const state = (await readLayout(this.db, id)) ?? fail('layout-unknown', { id })
    return { ...state, log: await readLog<Edit>(this.db, 'layout', id) }
  }

  /** What was done to a layout before a revision, as far as it is told at once. */
  async earlier(id: string, before: number): Promise<EarlierAnswer> {
    if (!(await readLayout(this.db, id))) fail('layout-unknown', { id })
    return { log: await readLog<Edit>(this.db, 'layout', id, before) }
  }

  async createLayout(input: NewLayoutInput, by: string): Promise<LayoutState> {
    if (await layoutExists(this.db, input.id)) fail('id-taken', { id: input.id })
    const layout = await this.newLayout(input)
    failFirst(checkLayout(layout))
    return insertLayout(this.db, layout, by)
  }

  private async newLayout({ id, name, region, from, follows, starter }: NewLayoutInput): Promise<LayoutDocument> {
    if (from && follows) fail('body-shape', { why: 'A layout is copied, or follows another, and not both' })
    const empty = emptyLayout(id, name, region)
    if (follows) {
      const { children: _c, defaults: _d, ...words } = empty
      const variation: Variation = { ...words, follows: { base: follows, changes: [] } }
      failBaseless(new Trees(await readBases(this.db, [follows])), variation)
      return variation
    }
    if (!from) return empty
    const { layout } = (await readLayout(this.db, from)) ?? fail('layout-unknown', { id: from })
    if (layout.region !== region) fail('other-region', { name: layout.name })
    const as = { id, name, ...(starter && { starter }) }
    if (isVariation(layout)) return { ...unkept(layout), ...as }
    const children = layout.children.map((row) => withNewIds(row, () => nanoid(12)))
    return { ...unkept(layout), ...as, children }
  }

  applyEdits(
    id: string,
    revision: number,
    edits: readonly Pending<Edit>[],
    by: string,
  ): Promise<EditsResult<LayoutDocument, Edit>> {
    return applyEdits(this.db, this.jobs, LAYOUTS, id, revision, edits, by)
  }

  /** All layouts that look different once one does: what follows it, and what it stands in as a piece. */
  async showing(id: string): Promise<string[]> {
    const states = await readLayouts(this.db, [])
    return new Trees(states.map((s) => s.layout)).allShowing(id).map((l) => l.id)
  }

  house(): Promise<ServerDocument<SiteStyle, PlainEdit>> {
    return openDocument(this.db, HOUSE, HOUSE_ID)
  }

  applyHouseEdits(
    revision: number,
    edits: readonly Pending<PlainEdit>[],
    by: string,
  ): Promise<EditsResult<SiteStyle, PlainEdit>> {
    return applyEdits(this.db, this.jobs, HOUSE, HOUSE_ID, revision, edits, by)
  }

  /**
   * Takes a layout away. What followed it stands alone from then on, as it looked; gives the ids of those layouts, and
   * where they stand now.
   */
  removeLayout(id: string, by: string): Promise<LayoutMark[]> {
    return this.db.transaction().execute(async (trx) => {
      const edit: Edit = { kind: 'batch', label: BASE_REMOVED, edits: [{ kind: 'standAlone' }] }
      const marks = await this.editEach(trx, await followersDrawn(trx, id), () => edit, by)
      if (!(await setLayoutRemoved(trx, id, true, by))) fail('layout-unknown', { id })
      return marks
    })
  }

  /**
   * Puts back what was taken away, with what it follows. What stands alone since it was taken away, and was not touched
   * after that, follows it again.
   */
  restoreLayout(id: string, by: string): Promise<LayoutMark[]> {
    return this.db.transaction().execute(async (trx) => {
      if (!(await setLayoutRemoved(trx, id, false, by))) fail('layout-unknown', { id })
      await restoreBases(trx, id, by)
      const left = await readLastInverses<Edit>(trx, BASE_REMOVED)
      const edits = new Map(
        left.filter(({ inverse }) => basesNamed(inverse).includes(id)).map((l) => [l.document, l.inverse]),
      )
      return this.editEach(trx, [...edits.keys()], (one) => edits.get(one)!, by)
    })
  }

  private async editEach(
    trx: Transaction<Tables>,
    ids: readonly string[],
    edit: (id: string) => Edit,
    by: string,
  ): Promise<LayoutMark[]> {
    const marks: LayoutMark[] = []
    for (const id of ids) {
      await makeEdit(trx, LAYOUTS, id, edit(id), by)
      marks.push({ id, revision: (await readLayout(trx, id))!.revision })
    }
    return marks
  }

  /**
   * Stores a frame on top of the revision it was made from (0 for a new one). When that has moved on, the
   * frame as it stands now is the answer, and nothing is stored.
   */
  async putFrame(
    frame: DisplayRule,
    revision: number,
    by: string,
  ): Promise<{ stored: FrameState } | { stale: FrameState | null }> {
    failFirst(checkFrame(frame))
    return this.writeFrame(frame.id, revision, by, () => ({ frame, removed: false }))
  }

  async removeFrame(
    id: string,
    revision: number,
    by: string,
  ): Promise<{ stored: FrameState } | { stale: FrameState | null }> {
    return this.writeFrame(id, revision, by, (before) => ({
      frame: before ?? fail('frame-unknown', { id }),
      removed: true,
    }))
  }

  private writeFrame(
    id: string,
    revision: number,
    by: string,
    next: (before: DisplayRule | null) => { frame: DisplayRule; removed: boolean },
  ) {
    return this.db.transaction().execute(async (trx) => {
      const before = await readFrame(trx, id)
      if ((before?.revision ?? 0) !== revision) {
        return { stale: before && !before.removed ? { frame: before.frame, revision: before.revision } : null }
      }
      const stored = { ...next(before?.frame ?? null), revision: revision + 1 }
      await writeFrame(trx, stored, by)
      return { stored: { frame: stored.frame, revision: stored.revision } }
    })
  }
}

/** A layout as one that is not kept to begin others from. */
function unkept<L extends LayoutDocument>(layout: L): L {
  const { starter: _, ...rest } = layout
  return rest as L
}

/** What follows a layout and is drawn: where that cannot be followed there is nothing to be kept as it looks. */
async function followersDrawn(trx: Transaction<Tables>, id: string): Promise<string[]> {
  const ids = await readFollowers(trx, id)
  const trees = new Trees(await readBases(trx, ids))
  return ids.filter((one) => {
    const document = trees.document(one)
    return document && trees.basesOf(document).baseless === null
  })
}

/** Puts back what a layout follows, as far as that was taken away; what follows itself in turn is gone through once. */
async function restoreBases(trx: Transaction<Tables>, id: string, by: string): Promise<void> {
  const seen = new Set<string>()
  for (let at: string | null = id; at !== null && !seen.has(at);) {
    seen.add(at)
    const state: LayoutState | null = await readLayout(trx, at)
    at = state && isVariation(state.layout) ? state.layout.follows.base : null
    if (at !== null) await setLayoutRemoved(trx, at, false, by)
  }
}
