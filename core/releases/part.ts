import equal from 'fast-deep-equal'
import { seeNode } from '../elements'
import { namedByLayout } from '../checks'
import type { Design, DisplayRule } from '../design'
import { treesOf } from '../layouts'
import type { Id, Menu } from '../model'
import { type LayoutDocument, REGIONS, walk } from '../tree'

/** A release of some of what waits: with what it needs, and without the rest. */

/** A thing of a design that is released by itself: `layout ID`, `frame ID`, `menu ID`, or `house`. */
export type PartKey = `layout ${Id}` | `frame ${Id}` | `menu ${Id}` | 'house'

/** A thing of a design as it is known when only some of what waits is released. */
export const partKey = ({ what, id }: { what: 'layout' | 'frame' | 'menu' | 'house'; id: Id }): PartKey =>
  what === 'house' ? 'house' : `${what} ${id}`

/** Something that has to come along, and what of what was chosen needs it. */
export interface Along {
  key: PartKey
  for: PartKey
}

type Whole = Pick<Design, 'layouts' | 'frames' | 'house' | 'menus'>

const byId = <T extends { id: Id }>(all: readonly T[] = []): Map<Id, T> => new Map(all.map((one) => [one.id, one]))

/** What layouts name of the house besides colours and families: its looks, and all else by a key. */
function lacksOf(house: Design['house'], named: Iterable<string>): boolean {
  const has = new Set([
    ...house.palette.map((c) => `colour ${c.id}`),
    ...house.looks.map((l) => `look ${l.id}`),
    ...house.fonts.map((f) => `family +${f.id}`),
  ])
  // Families that ship with the product are there whatever the house says.
  return [...named].some((one) => !has.has(one) && (!one.startsWith('family ') || one.startsWith('family +')))
}

class Needs {
  private readonly old: ReadonlyMap<Id, LayoutDocument>
  private readonly now: ReadonlyMap<Id, LayoutDocument>
  private readonly oldMenus: ReadonlyMap<Id, Menu>
  private readonly framesBefore: ReadonlyMap<Id, DisplayRule>
  private readonly framesAfter: ReadonlyMap<Id, DisplayRule>

  constructor(
    private readonly before: Whole,
    private readonly after: Whole,
  ) {
    this.old = byId(before.layouts)
    this.now = byId(after.layouts)
    this.oldMenus = byId(before.menus)
    this.framesBefore = byId(before.frames)
    this.framesAfter = byId(after.frames)
  }

  of(key: PartKey): PartKey[] {
    const [what, id = ''] = key.split(' ')
    if (what === 'layout') return this.now.has(id) ? this.ofLayout(this.now.get(id)!) : this.ofRemoved(id)
    return what === 'frame' ? this.ofFrame(id) : []
  }

  private layoutIfNew = (id: Id): PartKey[] => (this.old.has(id) || !this.now.has(id) ? [] : [`layout ${id}`])

  /** What a layout names and visitors do not have yet: what it follows, pieces, cards, menus, things of the house. */
  private ofLayout(layout: LayoutDocument): PartKey[] {
    const trees = treesOf(this.after)
    const { made } = trees.madeOf(layout)
    const found: PartKey[] = trees.basesOf(layout).bases.flatMap((base) => this.layoutIfNew(base.id))
    const thing = (kind: string, id: Id): void => {
      if (kind === 'card' || kind === 'piece') found.push(...this.layoutIfNew(id))
      if (kind === 'menu' && this.before.menus && !this.oldMenus.has(id)) found.push(`menu ${id}`)
    }
    for (const node of walk(made)) seeNode(node, { thing })
    if (lacksOf(this.before.house, namedByLayout(made))) found.push('house')
    return found
  }

  private ofFrame(id: Id): PartKey[] {
    const frame = this.framesAfter.get(id)
    return Object.values(frame?.regions ?? {}).flatMap((say) =>
      say.kind === 'use' ? this.layoutIfNew(say.layout) : [],
    )
  }

  /** Where a layout goes, all that names it has to say something else with it. */
  private ofRemoved(id: Id): PartKey[] {
    const uses = (frame: DisplayRule | undefined): boolean =>
      frame !== undefined && REGIONS.some((r) => frame.regions[r].kind === 'use' && frame.regions[r].layout === id)
    const frames = this.before.frames.filter((f) => uses(f) && !uses(this.framesAfter.get(f.id)))
    const trees = treesOf(this.before)
    const names = (layout: LayoutDocument): boolean => {
      let does = trees.basesOf(layout).bases.some((b) => b.id === id)
      const thing = (kind: string, named: Id) => void (does ||= (kind === 'card' || kind === 'piece') && named === id)
      for (const node of walk(trees.madeOf(layout).made)) seeNode(node, { thing })
      return does
    }
    const layouts = this.before.layouts.filter((l) => l.id !== id && names(l))
    return [...frames.map((f): PartKey => `frame ${f.id}`), ...layouts.map((l): PartKey => `layout ${l.id}`)]
  }

  /** Whether a thing is another after than before. */
  differs(key: PartKey): boolean {
    if (key === 'house') return !equal(this.before.house, this.after.house)
    const [what, id = ''] = key.split(' ')
    if (what === 'frame') return !equal(this.framesBefore.get(id), this.framesAfter.get(id))
    return what === 'menu' || !equal(this.old.get(id), this.now.get(id))
  }
}

/** What has to come along with what was chosen, each with what needs it first. */
export function comesAlong(before: Whole, after: Whole, taken: ReadonlySet<PartKey>): Along[] {
  const needs = new Needs(before, after)
  const along = new Map<PartKey, PartKey>()
  let asked: PartKey[] = [...taken]
  while (asked.length > 0) {
    const next: PartKey[] = []
    for (const key of asked)
      for (const needed of needs.of(key)) {
        if (taken.has(needed) || along.has(needed) || !needs.differs(needed)) continue
        along.set(needed, key)
        next.push(needed)
      }
    asked = next
  }
  return [...along].map(([key, wants]) => ({ key, for: wants }))
}

/** Things of a list as they are after where they are taken, else as they were. */
function mixed<T extends { id: Id }>(before: readonly T[], after: readonly T[], takes: (id: Id) => boolean): T[] {
  const [old, now] = [byId(before), byId(after)]
  const kept = after.flatMap((one) => (takes(one.id) ? [one] : (old.get(one.id) ?? [])))
  const gone = before.filter((one) => !now.has(one.id) && !takes(one.id))
  return [...kept, ...gone]
}

/** The design that visitors see when only some of what waits is released, with what comes along. */
export function partOf(before: Design, after: Design, taken: ReadonlySet<PartKey>): Design {
  const all = new Set<PartKey>([...taken, ...comesAlong(before, after, taken).map((a) => a.key)])
  const takes = (what: 'layout' | 'frame' | 'menu') => (id: Id) => all.has(`${what} ${id}`)
  const menus = after.menus && mixed(before.menus ?? after.menus, after.menus, takes('menu'))
  return {
    format: 1,
    layouts: mixed(before.layouts, after.layouts, takes('layout')),
    frames: mixed(before.frames, after.frames, takes('frame')),
    house: all.has('house') ? after.house : before.house,
    ...(menus && { menus }),
  }
}
