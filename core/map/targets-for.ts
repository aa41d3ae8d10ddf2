import { copyOf } from '../tree'
import type { Catalogue, Page } from '../site'
import { pagesCovered, type Frame, type Target } from '../frames'
import type { PageGroup } from './rows'

/** The target that covers a whole group of the Map, or null when only its pages one by one do. */
function targetOfGroup(group: PageGroup, first: Page): Target | null {
  if (first.kind === 'entry') return { kind: 'type', type: first.type! }
  if (first.kind === 'term') return { kind: 'term-pages', taxonomy: first.taxonomy! }
  if (first.kind === 'person') return { kind: 'person-pages' }
  return first.kind === 'month' ? { kind: 'type-archives', type: first.type! } : null
}

/** Home matches as what it shows, so a whole type or archive covers it too. */
function coversHome(target: Target, home: Page): boolean {
  if (target.kind === 'type') return home.entry !== undefined && home.type === target.type
  return target.kind === 'type-archives' && home.entry === undefined && home.type === target.type
}

function coversExactly(conditions: Conditions, selected: ReadonlySet<number>, catalogue: Catalogue): boolean {
  const covered = pagesCovered(conditions, catalogue)
  return covered.length === selected.size && covered.every((i) => selected.has(i))
}

export type Conditions = Pick<Frame, 'covers' | 'except'>

/**
 * The least that covers exactly a selection of pages: what a frame covers that makes them stand apart already
 * (`like`), else groups that are selected as a whole as one target, and other pages one by one.
 */
export function targetsFor(
  selected: ReadonlySet<number>,
  groups: readonly PageGroup[],
  catalogue: Catalogue,
  like?: Conditions,
): Conditions {
  if (like && coversExactly(like, selected, catalogue)) return copyOf({ covers: like.covers, except: like.except })
  const covers = groups.flatMap((group): Target[] => {
    const inHand = group.pages.filter((p) => selected.has(p))
    if (inHand.length === 0) return []
    const first = catalogue.pages[group.pages[0]!]!
    const whole = inHand.length === group.pages.length && inHand.length > 1 ? targetOfGroup(group, first) : null
    // The archives of a type are its archive and its months together.
    const exact = whole?.kind !== 'type-archives' || selected.has(catalogue.indexOf(`archive:${whole.type}`) ?? -1)
    return whole && exact ? [whole] : inHand.map((p) => ({ kind: 'page', page: catalogue.pages[p]!.key }))
  })
  const home = catalogue.pages[0]!
  const homeToo = !selected.has(0) && covers.some((t) => coversHome(t, home))
  return { covers: withoutDoubles(covers, catalogue), except: homeToo ? [{ kind: 'page', page: 'home' }] : [] }
}

/** An archive that a target for all archives of its type covers already need not be named by itself. */
function withoutDoubles(covers: Target[], catalogue: Catalogue): Target[] {
  const types = new Set(covers.flatMap((t) => (t.kind === 'type-archives' ? [t.type] : [])))
  return covers.filter((t) => {
    const page = t.kind === 'page' ? catalogue.page(t.page) : undefined
    return !(page?.kind === 'archive' && types.has(page.type!))
  })
}
