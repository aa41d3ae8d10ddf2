import { type Frame, type Design, checkFrame } from '../../core/frames'
import { type Layout, emptyLayout, withNewIds } from '../../core/tree'
import { type LogRecord, type Pending, checkLayout } from '../../core/layouts'
import { type Problem, fail, failFirst, problem } from '../../core/problems'
import { PLAIN_HOUSE } from '../../core/styles'
import type { Spoilt } from '../../core/documents'
import type { Transaction } from 'kysely'
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
  appendEdits,
  clearLayouts,
  editsTaken,
  insertLayout,
  layoutExists,
  readEdits,
  readLayout,
  readLayouts,
  setLayoutRemoved,
} from '../database/layouts'
import type { Database } from '../database/open'
import type { Tables } from '../database/schema'
import type { Jobs } from '../aside/work'
import { applyInTurn } from './apply'
import { nanoid } from 'nanoid'

/** How many edits are sent along when a layout is opened, for undo across reloads. */
const LOG_LENGTH = 400
/** How many edits that came between are told one by one. */
const MOST_BETWEEN = 1000

export type EditsResult =
  | { kind: 'done'; revision: number; records: LogRecord[] }
  | { kind: 'stale'; revision: number; between: LogRecord[] }
  /** So much came between that the layout as it stands says more than the edits that led to it. */
  | { kind: 'far'; state: LayoutAnswer; taken: string[] }
  | { kind: 'refused'; problem: Problem }

const refusedFor = ({ id }: { id: string }): EditsResult => ({
  kind: 'refused',
  problem: problem('edit-repeated', { id }),
})

/** Above so many characters, edits are applied beside the thread that answers requests. */
const LARGE = 40_000

/** The draft as it is stored, and its parts as one design. */
export async function readDraft(db: Database): Promise<DesignAnswer & { design: Design }> {
  const spoilt: Spoilt[] = []
  const [layouts, frames, house] = await Promise.all([
    readLayouts(db, spoilt),
    readFrames(db, spoilt),
    readHouse(db, spoilt),
  ])
  const design: Design = {
    format: 1,
    layouts: layouts.map((l) => l.layout),
    frames: frames.map((f) => f.frame),
    house: house?.house ?? PLAIN_HOUSE,
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
    private readonly jobs: Pick<Jobs, 'apply'> = { apply: ({ state, edits }) => applyInTurn(state, edits) },
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
    return { ...state, log: (await readEdits(this.db, id, 0, LOG_LENGTH)).records }
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

  /**
   * Applies edits to the revision they name, in order, all or none. Edits that were taken before (same ids,
   * sent again because the answer was lost) are answered as done and not applied twice.
   */
  async applyEdits(id: string, revision: number, edits: readonly Pending[], by: string): Promise<EditsResult> {
    const ids = new Set(edits.map((e) => e.id))
    if (ids.size < edits.length) return refusedFor(edits.find((e, i) => edits.findIndex((o) => o.id === e.id) < i)!)
    return this.db.transaction().execute(async (trx): Promise<EditsResult> => {
      const state = (await readLayout(trx, id)) ?? fail('layout-unknown', { id })
      if (revision !== state.revision) return this.late(trx, state, revision, edits)
      const [before] = await editsTaken(trx, id, [...ids])
      if (before !== undefined) return refusedFor({ id: before })
      const large = JSON.stringify(edits).length > LARGE
      const result = await (large ? this.jobs.apply({ state, edits }) : applyInTurn(state, edits))
      if ('problem' in result) return { kind: 'refused', problem: result.problem }
      await appendEdits(trx, result.layout, result.records, by)
      return { kind: 'done', revision: result.records.at(-1)!.revision, records: result.records }
    })
  }

  /** What to say to edits made on a revision that is not the one there is. */
  private async late(
    trx: Transaction<Tables>,
    state: LayoutState,
    revision: number,
    edits: readonly Pending[],
  ): Promise<EditsResult> {
    const { records, whole } = await readEdits(trx, state.layout.id, revision, MOST_BETWEEN)
    if (!whole || revision > state.revision) {
      const { records: log } = await readEdits(trx, state.layout.id, 0, LOG_LENGTH)
      const taken = await editsTaken(
        trx,
        state.layout.id,
        edits.map((e) => e.id),
      )
      return { kind: 'far', state: { ...state, log }, taken: [...taken] }
    }
    const same = records.length === edits.length && edits.every((e, i) => e.id === records[i]!.id)
    return same
      ? { kind: 'done', revision: state.revision, records }
      : { kind: 'stale', revision: state.revision, between: records }
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
