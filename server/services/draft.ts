import { type Frame, type Design, checkFrame } from '../../core/frames'
import {
  type Layout,
  type LogRecord,
  type Pending,
  applyEdit,
  checkLayout,
  emptyLayout,
  withNewIds,
} from '../../core/layouts'
import { type Problem, fail } from '../../core/problems'
import { PLAIN_HOUSE } from '../../core/styles'
import type { DesignAnswer, FrameState, LayoutAnswer, LayoutState, NewLayoutInput } from '../../shared/api/types'
import { readFrame, readFrames, readHouse, writeFrame } from '../database/frames'
import {
  appendEdits,
  insertLayout,
  layoutExists,
  readEdits,
  readLayout,
  readLayouts,
  setLayoutRemoved,
} from '../database/layouts'
import type { Database } from '../database/open'
import { nanoid } from 'nanoid'

/** How many edits are sent along when a layout is opened, for undo across reloads. */
const LOG_LENGTH = 400

export type EditsResult =
  | { kind: 'done'; revision: number; records: LogRecord[] }
  | { kind: 'stale'; revision: number; between: LogRecord[] }
  | { kind: 'refused'; problem: Problem }

/** The design as it stands in the studio. */
export class Draft {
  constructor(private readonly db: Database) {}

  async read(): Promise<DesignAnswer> {
    const [layouts, frames, house] = await Promise.all([readLayouts(this.db), readFrames(this.db), readHouse(this.db)])
    return {
      layouts,
      frames: frames.map(({ frame, revision }) => ({ frame, revision })),
      house: house?.house ?? PLAIN_HOUSE,
      houseRevision: house?.revision ?? 0,
    }
  }

  async design(): Promise<Design> {
    const { layouts, frames, house } = await this.read()
    return { format: 1, layouts: layouts.map((l) => l.layout), frames: frames.map((f) => f.frame), house }
  }

  async layout(id: string): Promise<LayoutAnswer> {
    const state = (await readLayout(this.db, id)) ?? fail('layout-unknown', { id })
    return { ...state, log: await readEdits(this.db, id, 0, LOG_LENGTH) }
  }

  async createLayout(input: NewLayoutInput, by: string): Promise<LayoutState> {
    if (await layoutExists(this.db, input.id)) fail('id-taken', { id: input.id })
    const layout = { ...emptyLayout(input.id, input.name, input.region), ...(await this.copyOf(input)) }
    const [wrong] = checkLayout(layout)
    if (wrong) fail(wrong.code, wrong.details)
    return insertLayout(this.db, layout, by)
  }

  private async copyOf({ from, region }: NewLayoutInput): Promise<Pick<Layout, 'children' | 'defaults'> | object> {
    if (!from) return {}
    const base = (await readLayout(this.db, from)) ?? fail('layout-unknown', { id: from })
    if (base.layout.region !== region) fail('input-wrong', { why: 'A copy must be for the same region' })
    const newId = () => nanoid(12)
    return { children: base.layout.children.map((row) => withNewIds(row, newId)), defaults: base.layout.defaults }
  }

  /**
   * Applies edits to the revision they name, in order, all or none. Edits that were taken before (same ids,
   * sent again because the answer was lost) are answered as done and not applied twice.
   */
  async applyEdits(id: string, revision: number, edits: readonly Pending[], by: string): Promise<EditsResult> {
    return this.db.transaction().execute(async (trx): Promise<EditsResult> => {
      const state = (await readLayout(trx, id)) ?? fail('layout-unknown', { id })
      const between = await readEdits(trx, id, revision)
      if (between.length > 0) {
        const same = between.length >= edits.length && edits.every((e, i) => e.id === between[i]!.id)
        if (same && between.length === edits.length) return { kind: 'done', revision: state.revision, records: between }
        return { kind: 'stale', revision: state.revision, between }
      }
      if (revision !== state.revision) return { kind: 'stale', revision: state.revision, between: [] }
      let layout = state.layout
      const records: LogRecord[] = []
      for (const pending of edits) {
        const result = applyEdit(layout, pending.edit)
        if (!result.ok) return { kind: 'refused', problem: result.problem }
        layout = result.layout
        records.push({
          ...pending,
          inverse: result.inverse,
          revision: state.revision + records.length + 1,
          at: Date.now(),
        })
      }
      await appendEdits(trx, layout, records, by)
      return { kind: 'done', revision: records.at(-1)!.revision, records }
    })
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
    const [wrong] = checkFrame(frame)
    if (wrong) fail(wrong.code, wrong.details)
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
