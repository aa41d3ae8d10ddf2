import { nanoid } from 'nanoid'
import {
  type ImportPlan,
  type Parcel,
  adaptFrame,
  adaptLayout,
  checkParcel,
  makeParcel,
  planImport,
} from '../../core/formats'
import { type Frame, frameName, namesFrom } from '../../core/frames'
import { type Layout, type LogRecord, applyEdit, replaceLayout } from '../../core/layouts'
import { fail } from '../../core/problems'
import type { Catalogue } from '../../core/site'
import type { ImportInput } from '../../shared/api/types'
import type { Transaction } from 'kysely'
import { readFrame, readHouse, writeFrame, writeHouse } from '../database/frames'
import { appendEdits, insertLayout, readLayout, layoutExists, setLayoutRemoved } from '../database/layouts'
import type { Database } from '../database/open'
import type { Tables } from '../database/schema'
import type { Draft } from './draft'

/** Parcels: the draft on its way to another site, and what comes from one. */
export class Parcels {
  constructor(
    private readonly db: Database,
    private readonly draft: Draft,
    private readonly catalogue: () => Catalogue,
  ) {}

  async export(): Promise<Parcel> {
    return makeParcel(await this.draft.design(), this.catalogue().site.settings.name, new Date().toISOString())
  }

  /** What importing would do here; nothing is changed. Throws the first reason for which it cannot be read. */
  async plan(parcel: Parcel): Promise<ImportPlan> {
    const [wrong] = checkParcel(parcel)
    if (wrong) fail(wrong.code, wrong.details)
    const catalogue = this.catalogue()
    const names = namesFrom(catalogue)
    return planImport(parcel, await this.draft.design(), catalogue, (f) => frameName(f, names))
  }

  /** Takes a parcel into the draft, all of it or nothing. Layouts that exist are changed by an edit, which can be undone. */
  async import({ parcel, choices, leaveOut }: ImportInput, by: string): Promise<ImportPlan> {
    const plan = await this.plan(parcel)
    const taken = new Set(
      plan.items
        .filter((i) => i.state !== 'same' && !leaveOut.includes(`${i.what} ${i.id}`))
        .map((i) => `${i.what} ${i.id}`),
    )
    await this.db.transaction().execute(async (trx) => {
      for (const layout of parcel.layouts)
        if (taken.has(`layout ${layout.id}`)) await takeLayout(trx, adaptLayout(layout, choices), by)
      for (const frame of parcel.frames)
        if (taken.has(`frame ${frame.id}`)) await takeFrame(trx, adaptFrame(frame, choices), by)
      if (parcel.house && taken.has('house house'))
        await writeHouse(trx, parcel.house, ((await readHouse(trx))?.revision ?? 0) + 1)
    })
    return { ...plan, items: plan.items.filter((i) => taken.has(`${i.what} ${i.id}`)) }
  }
}

async function takeLayout(trx: Transaction<Tables>, layout: Layout, by: string): Promise<void> {
  if (!(await layoutExists(trx, layout.id))) {
    await insertLayout(trx, layout, by)
    return
  }
  // One that was removed here comes back before it is replaced.
  if (!(await readLayout(trx, layout.id))) await setLayoutRemoved(trx, layout.id, false, by)
  const { layout: old, revision } = (await readLayout(trx, layout.id))!
  if (old.region !== layout.region)
    fail('input-wrong', { why: `${old.name} is for another region here than in the parcel` })
  const edit = replaceLayout(old, layout)
  const result = applyEdit(old, edit)
  if (!result.ok) return fail(result.problem.code, result.problem.details)
  if (result.layout === old) return
  const record: LogRecord = {
    revision: revision + 1,
    id: nanoid(12),
    edit,
    inverse: result.inverse,
    does: 'edit',
    at: Date.now(),
  }
  await appendEdits(trx, result.layout, [record], by)
}

async function takeFrame(trx: Transaction<Tables>, frame: Frame, by: string): Promise<void> {
  const old = await readFrame(trx, frame.id)
  await writeFrame(trx, { frame, revision: (old?.revision ?? 0) + 1, removed: false }, by)
}
