import { type Design, frameName, namesFrom } from '../../core/frames'
import { canonical } from '../../core/formats'
import { fail } from '../../core/problems'
import type { Catalogue } from '../../core/site'
import type { Change, ReleaseNote, ReleasesAnswer } from '../../shared/api/types'
import type { Database } from '../database/open'
import { insertRelease, readLatestRelease, readReleases } from '../database/releases'
import type { Draft } from './draft'

const NOTHING: Pick<Design, 'layouts' | 'frames'> = { layouts: [], frames: [] }

function compare<T extends { id: string }>(
  what: Change['what'],
  before: readonly T[],
  after: readonly T[],
  name: (item: T) => string,
): Change[] {
  const old = new Map(before.map((item) => [item.id, item]))
  const now = new Set(after.map((item) => item.id))
  const changes: Change[] = after.flatMap((item) => {
    const was = old.get(item.id)
    if (was && canonical(was) === canonical(item)) return []
    return { what, how: was ? ('changed' as const) : ('new' as const), id: item.id, name: name(item) }
  })
  const gone = before.filter((item) => !now.has(item.id))
  return [...changes, ...gone.map((item) => ({ what, how: 'removed' as const, id: item.id, name: name(item) }))]
}

/** What a release of the draft would change for visitors. */
export function changesBetween(before: Design | null, after: Design, catalogue: Catalogue): Change[] {
  const names = namesFrom(catalogue)
  const { layouts, frames } = before ?? NOTHING
  const house = before && canonical(before.house) !== canonical(after.house)
  return [
    ...compare('layout', layouts, after.layouts, (l) => l.name),
    ...compare('frame', frames, after.frames, (f) => frameName(f, names)),
    ...(house ? [{ what: 'house' as const, how: 'changed' as const, id: 'house', name: 'House style' }] : []),
  ]
}

/** Freezes the draft as a numbered release. */
export class Releases {
  constructor(
    private readonly db: Database,
    private readonly draft: Draft,
    private readonly catalogue: () => Catalogue,
  ) {}

  async list(): Promise<ReleasesAnswer> {
    const latest = await readLatestRelease(this.db)
    const waiting = changesBetween(latest?.design ?? null, await this.draft.design(), this.catalogue())
    return { waiting, releases: await readReleases(this.db), released: latest?.design ?? null }
  }

  async latestDesign(): Promise<Design | null> {
    return (await readLatestRelease(this.db))?.design ?? null
  }

  /** Refuses when nothing has changed. The caller swaps the published design once this has answered. */
  async release(note: string, by: string): Promise<{ release: ReleaseNote; design: Design }> {
    const design = await this.draft.design()
    return this.db.transaction().execute(async (trx) => {
      const latest = await readLatestRelease(trx)
      const changes = changesBetween(latest?.design ?? null, design, this.catalogue())
      if (changes.length === 0) fail('nothing-to-release')
      return { release: await insertRelease(trx, design, changes, note.trim(), by), design }
    })
  }
}
