import { type Frame, type Design, checkFrame } from '../../core/frames'
import { type Layout, emptyLayout, withNewIds } from '../../core/tree'
import type { Pending, PlainEdit, Told } from '../../core/edits'
import { type Edit, checkLayout } from '../../core/layouts'
import { fail, failFirst } from '../../core/problems'
import { type HouseStyle, PLAIN_HOUSE } from '../../core/styles'
import type { Spoilt } from '../../core/documents'
import type {
  DesignAnswer,
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
  readLayout,
  readLayouts,
  setLayoutRemoved,
} from '../database/layouts'
import { readMenus } from '../database/content'
import type { Database } from '../database/open'
import type { Jobs } from '../aside/work'
import { applyInTurn } from './apply'
import { type EditsResult, applyEdits, openDocument, readLog } from './editing'
import { HOUSE, HOUSE_ID, LAYOUTS } from './kept'
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

  async createLayout(input: NewLayoutInput, by: string): Promise<LayoutState> {
    if (await layoutExists(this.db, input.id)) fail('id-taken', { id: input.id })
    const layout = { ...emptyLayout(input.id, input.name, input.region), ...(await this.copyOf(input)) }
    failFirst(checkLayout(layout))
    return insertLayout(this.db, layout, by)
  }

  private async copyOf({ from, region }: NewLayoutInput): Promise<Pick<Layout, 'children' | 'defaults'> | object> {
    if (!from) return {}
    const base = (await readLayout(this.db, from)) ?? fail('layout-unknown', { id: from })
    if (base.layout.region !== region) fail('other-region', { name: base.layout.name })
    const newId = () => nanoid(12)
    return { children: base.layout.children.map((row) => withNewIds(row, newId)), defaults: base.layout.defaults }
  }

  applyEdits(
    id: string,
    revision: number,
    edits: readonly Pending<Edit>[],
    by: string,
  ): Promise<EditsResult<Layout, Edit>> {
    return applyEdits(this.db, this.jobs, LAYOUTS, id, revision, edits, by)
  }

  house(): Promise<Told<HouseStyle, PlainEdit>> {
    return openDocument(this.db, HOUSE, HOUSE_ID)
  }

  applyHouseEdits(
    revision: number,
    edits: readonly Pending<PlainEdit>[],
    by: string,
  ): Promise<EditsResult<HouseStyle, PlainEdit>> {
    return applyEdits(this.db, this.jobs, HOUSE, HOUSE_ID, revision, edits, by)
  }

  async setLayoutRemoved(id: string, removed: boolean, by: string): Promise<void> {
    if (!(await setLayoutRemoved(this.db, id, removed, by))) fail('layout-unknown', { id })
  }

  /**
   * Stores a frame on top of the revision it was made from (0 for a new one). When that has moved on, the
   * frame as it stands now is the answer, and nothing is stored.
   */
  async putFrame(
    frame: Frame,
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
    next: (before: Frame | null) => { frame: Frame; removed: boolean },
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
