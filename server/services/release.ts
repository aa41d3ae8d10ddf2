import { BARE_DESIGN, type Design } from '../../core/design'
import { frameLabels } from '../../core/rules'
import { namesFrom } from '../../core/targets'
import { canonical } from '../../core/formats'
import { ProblemError, fail } from '../../core/problems'
import type { Catalogue } from '../../core/catalogue'
import type { Menu } from '../../core/model'
import type { BringBack, Change, CompareAnswer, ReleaseNote, ReleasesAnswer } from '../../shared/api/types'
import type { Transaction } from 'kysely'
import type { Jobs } from '../aside/work'
import { readFrame, writeFrame } from '../database/frames'
import { setLayoutRemoved } from '../database/layouts'
import type { Database } from '../database/open'
import { type Part, frozen, keepParts, newParts } from '../database/designs'
import {
  insertRelease,
  latestNumber,
  readLatestRelease,
  readRelease,
  readReleaseBefore,
  readReleases,
} from '../database/releases'
import type { Tables } from '../database/schema'
import type { Draft } from './draft'
import { basesFirst, takeFrame, takeHouse, takeLayout, takeMenu, takeMenus } from './parcels'
import { Trees, seenOf, treesOf } from '../../core/layouts'
import { type PartKey, partKey, partOf } from '../../core/releases'
import type { LayoutDocument } from '../../core/tree'
import { takeTurns } from './turns'

/** What is kept of a design in which there is nothing. */
const NOTHING_RELEASED = JSON.stringify(BARE_DESIGN)

/** Whether two things are told alike; those that were read of one text are one object. */
const same = (a: unknown, b: unknown): boolean => a === b || canonical(a) === canonical(b)

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
    if (was && same(was, item)) return []
    return { what, how: was ? ('changed' as const) : ('new' as const), id: item.id, name: name(item) }
  })
  const gone = before.filter((item) => !now.has(item.id))
  return [...changes, ...gone.map((item) => ({ what, how: 'removed' as const, id: item.id, name: name(item) }))]
}

/** The menus that visitors see before a release; those of the site, where earlier releases had none of their own. */
const menusOf = (before: Design | null, after: Design, { site }: Catalogue): readonly Menu[] =>
  before ? (before.menus ?? after.menus ?? site.menus) : []

/** A change of a layout with the names of those that follow it, or show it as a piece, and are the same themselves. */
function withFollowers(change: Change, unchanged: ReadonlySet<string>, trees: Trees, was?: LayoutDocument): Change {
  const is = trees.document(change.id)
  // What a layout is called, and what for, is its own.
  if (!was || !is || same(seenOf(was), seenOf(is))) return change
  const also = trees.allShowing(change.id).filter((l) => unchanged.has(l.id))
  return also.length > 0 ? { ...change, also: also.map((l) => l.name) } : change
}

/** Changes of layouts, each with what follows it. */
function compareLayouts(before: readonly LayoutDocument[], after: readonly LayoutDocument[]): Change[] {
  // What others begin from is seen by no visitor.
  const seen = (all: readonly LayoutDocument[]) => all.filter((l) => !l.starter)
  const changes = compare('layout', seen(before), seen(after), (l) => l.name)
  const changed = new Set(changes.map((c) => c.id))
  const unchanged = new Set(after.map((l) => l.id).filter((id) => !changed.has(id)))
  const trees = new Trees(after)
  const were = new Map(before.map((l) => [l.id, l]))
  return changes.map((change) => withFollowers(change, unchanged, trees, were.get(change.id)))
}

/** What a release of the draft would change for visitors. */
export function changesBetween(before: Design | null, after: Design, catalogue: Catalogue): Change[] {
  const names = namesFrom(catalogue)
  const { layouts, frames } = before ?? BARE_DESIGN
  const called = new Map([...layouts, ...after.layouts].map((l) => [l.id, l.name]))
  const all = [...new Map([...frames, ...after.frames].map((f) => [f.id, f])).values()]
  // All of them are told apart by their words, which is asked only where one is to be told of.
  let labels: Map<string, string> | undefined
  const label = (id: string) => (labels ??= frameLabels(all, names, (l) => called.get(l) ?? l)).get(id)!
  // The first release brings the house style to visitors too, unless it is as it is without one.
  const house = !same((before ?? BARE_DESIGN).house, after.house)
  return [
    ...compareLayouts(layouts, after.layouts),
    ...compare('frame', frames, after.frames, (f) => label(f.id)),
    ...(house ? [{ what: 'house' as const, how: 'changed' as const, id: 'house', name: 'House style' }] : []),
    ...(after.menus ? compare('menu', menusOf(before, after, catalogue), after.menus, (m) => m.name) : []),
  ]
}

/** What was released, and the design that visitors see by it. */
interface Released {
  release: ReleaseNote
  design: Design
}

/** What is stored together with a release. */
type Also = (trx: Transaction<Tables>, release: ReleaseNote) => Promise<void>

/** Freezes the draft as a numbered release. */
export class Releases {
  constructor(
    private readonly db: Database,
    private readonly draft: Draft,
    private readonly catalogue: () => Catalogue,
    private readonly jobs: Pick<Jobs, 'rehearse'>,
  ) {}

  async list(): Promise<Omit<ReleasesAnswer, 'faults' | 'plans'>> {
    const latest = await readLatestRelease(this.db)
    const waiting = changesBetween(latest?.design ?? null, await this.draft.design(), this.catalogue())
    return { waiting, releases: await readReleases(this.db), released: latest?.design ?? null }
  }

  /** The newest release with its design; null before the first. */
  async latest(): Promise<{ number: number; design: Design } | null> {
    return readLatestRelease(this.db)
  }

  /**
   * Freezes the draft. Refused when nothing has changed, and when a page of any kind cannot be drawn: that is tried
   * before anything is stored. The caller swaps the published design once this has answered.
   */
  async release(note: string, by: string, leave: readonly PartKey[] = []): Promise<Released> {
    const draft = await this.draft.design()
    return this.releasePart(draft, leave.length > 0 ? await this.taken(draft, leave) : null, note, by)
  }

  /** What of the draft is taken when some of it is left. */
  private async taken(draft: Design, leave: readonly PartKey[]): Promise<Set<PartKey>> {
    const latest = await readLatestRelease(this.db)
    const left = new Set(leave)
    const waiting = changesBetween(latest?.design ?? null, draft, this.catalogue())
    return new Set(waiting.map(partKey).filter((key) => !left.has(key)))
  }

  /** What a release would be now, rehearsed, and not released yet. */
  async prepare(leave: readonly PartKey[]): Promise<{ design: Design; changes: Change[] }> {
    const draft = await this.draft.design()
    const latest = await readLatestRelease(this.db)
    const before = latest?.design ?? BARE_DESIGN
    const design = leave.length > 0 ? partOf(before, draft, await this.taken(draft, leave)) : draft
    await this.rehearsed(latest?.frozen ?? NOTHING_RELEASED, design)
    const changes = changesBetween(before === BARE_DESIGN ? null : before, design, this.catalogue())
    return changes.length === 0 ? fail('nothing-to-release') : { design, changes }
  }

  /** Draws a design beside what visitors see; gives what is to be kept of it, and on how many pages it differs. */
  private async rehearsed(before: string, design: Design): Promise<{ text: string; parts: Part[]; pages: number }> {
    const made = await frozen(design)
    const parts = await newParts(this.db, made)
    const rehearsed = await this.jobs.rehearse({ design: made.text, before, parts })
    if ('problem' in rehearsed) throw new ProblemError(rehearsed.problem)
    return { text: made.text, parts, pages: rehearsed.pages }
  }

  /**
   * Releases things of a design, with what they need, over what visitors see; all of it where `taken` is null. `also` is
   * stored with it, or not at all.
   */
  async releasePart(
    whole: Design,
    taken: ReadonlySet<PartKey> | null,
    note: string,
    by: string,
    also: Also = async () => {},
  ): Promise<Released> {
    for (;;) {
      const latest = await readLatestRelease(this.db)
      const design = taken === null ? whole : partOf(latest?.design ?? BARE_DESIGN, whole, taken)
      const changes = changesBetween(latest?.design ?? null, design, this.catalogue())
      if (changes.length === 0) fail('nothing-to-release')
      const { text, parts, pages } = await this.rehearsed(latest?.frozen ?? NOTHING_RELEASED, design)
      const done = await this.db.transaction().execute(async (trx) => {
        // Somebody released in between: what was laid over what visitors saw is laid over what they see now.
        if ((await latestNumber(trx)) !== (latest?.number ?? 0)) return null
        await keepParts(trx, parts)
        const release = await insertRelease(trx, text, changes, note.trim(), by, pages)
        await also(trx, release)
        return { release, design }
      })
      if (done) return done
    }
  }

  /**
   * Undoes a release, whatever was released since: what it changed, and nobody has changed after it, is as it was
   * before it again.
   */
  async undo(number: number, by: string, also?: Also): Promise<Released> {
    const [then, before] = [await readRelease(this.db, number), await readReleaseBefore(this.db, number)]
    const latest = await readLatestRelease(this.db)
    if (!then || !latest) return fail('release-unknown', { number })
    const since = new Set(changesBetween(then.design, latest.design, this.catalogue()).map(partKey))
    const keys = then.changes.map(partKey).filter((key) => !since.has(key))
    if (keys.length === 0) fail('changed-since')
    return this.releasePart(before?.design ?? BARE_DESIGN, new Set(keys), `Release ${number} undone`, by, also)
  }

  /**
   * Takes the last release back: visitors see the one before again, as a release of its own. The draft stays as it is.
   * It was drawn before, so nothing is rehearsed, and the caller swaps at once.
   */
  async takeBack(by: string): Promise<Released> {
    return this.db.transaction().execute(async (trx) => {
      const latest = (await readLatestRelease(trx)) ?? fail('nothing-to-take-back')
      const before = (await readReleaseBefore(trx, latest.number)) ?? fail('nothing-to-take-back')
      const { design, frozen: text } = before
      const changes = changesBetween(latest.design, design, this.catalogue())
      const note = `Release ${latest.number} taken back: as release ${before.number} was`
      return { release: await insertRelease(trx, text, changes, note, by, latest.pages), design }
    })
  }

  /** Two designs side by side, by the number of a release, or 'draft'. */
  async compare(before: string, after: string): Promise<CompareAnswer> {
    const [a, b] = [await this.designOf(before), await this.designOf(after)]
    return { before: a, after: b, changes: changesBetween(a, b, this.catalogue()) }
  }

  private async designOf(which: string): Promise<Design> {
    if (which === 'draft') return this.draft.design()
    const release = /^\d{1,9}$/.test(which) ? await readRelease(this.db, Number(which)) : null
    return (release ?? fail('release-unknown', { number: which })).design
  }

  /**
   * The same shown to visitors at once, and nothing else of what waits; the draft stands so, too. Nothing is released where
   * visitors see it so already.
   */
  async bringBackAtOnce(
    number: number,
    what: BringBack,
    by: string,
  ): Promise<{ changes: Change[]; released: Released | null }> {
    const changes = await this.bringBack(number, what, by)
    const then = (await readRelease(this.db, number))!
    const all = what.kind === 'all'
    const whole = all ? then.design : await this.draft.design()
    const taken = all ? null : new Set([partKey({ what: what.kind, id: what.id })])
    const now = (await this.latest())?.design ?? BARE_DESIGN
    const design = taken ? partOf(now, whole, taken) : whole
    if (changesBetween(now, design, this.catalogue()).length === 0) return { changes, released: null }
    const note = all ? `As release ${number} was` : `One thing as in release ${number}`
    return { changes, released: await this.releasePart(whole, taken, note, by) }
  }

  /**
   * Puts the draft, or one layout or frame of it, back to what it was at a release. Layouts are changed by edits, so
   * that each can be undone; what the release did not have goes to what is removed. Gives what changed in the draft.
   */
  async bringBack(number: number, what: BringBack, by: string): Promise<Change[]> {
    const { design } = (await readRelease(this.db, number)) ?? fail('release-unknown', { number })
    const before = await this.draft.design()
    await this.db.transaction().execute(async (trx) => {
      const turn = takeTurns()
      const meant = layoutsMeant(what, design, before)
      for (const layout of basesFirst(design.layouts)) {
        await turn()
        if (meant.has(layout.id)) await takeLayout(trx, layout, by)
      }
      for (const frame of design.frames) if (isMeant(what, 'frame', frame.id)) await takeFrame(trx, frame, by)
      if (what.kind === 'all') {
        await takeHouse(trx, design.house, by)
        if (design.menus) await takeMenus(trx, { format: 1, menus: design.menus }, by)
        await removeOthers(trx, before, design, by)
      } else if (what.kind === 'menu') {
        await takeMenu(
          trx,
          design.menus?.find((m) => m.id === what.id) ?? fail('release-lacks', { number, what: 'menu', id: what.id }),
          by,
        )
      } else if (!design[`${what.kind}s`].some((d) => d.id === what.id)) {
        fail('release-lacks', { number, what: what.kind, id: what.id })
      }
    })
    return changesBetween(before, await this.draft.design(), this.catalogue())
  }
}

const isMeant = (what: BringBack, kind: 'layout' | 'frame', id: string): boolean =>
  what.kind === 'all' || (what.kind === kind && what.id === id)

/** The layouts to bring back: with one of them what it follows, where that is not there any more. */
function layoutsMeant(what: BringBack, release: Design, draft: Design): Set<string> {
  const there = new Set(draft.layouts.map((l) => l.id))
  const meant = release.layouts.filter((l) => isMeant(what, 'layout', l.id))
  const bases = meant.flatMap((l) => treesOf(release).basesOf(l).bases).filter((l) => !there.has(l.id))
  return new Set([...meant, ...bases].map((l) => l.id))
}

/** What a release did not have waits under what was removed. */
async function removeOthers(trx: Transaction<Tables>, before: Design, release: Design, by: string): Promise<void> {
  const layouts = new Set(release.layouts.map((l) => l.id))
  for (const { id } of before.layouts) if (!layouts.has(id)) await setLayoutRemoved(trx, id, true, by)
  const frames = new Set(release.frames.map((f) => f.id))
  for (const frame of before.frames) {
    if (frames.has(frame.id)) continue
    const { revision } = (await readFrame(trx, frame.id))!
    await writeFrame(trx, { frame, revision: revision + 1, removed: true }, by)
  }
}
