import { copyOf } from '../tree'
import type { Catalogue } from '../catalogue'
import type { Page } from '../model'
import { pagesCovered } from '../rules'
import type { DisplayRule } from '../design'
import type { Target } from '../targets'
import type { PageGroup } from './rows'

/** The target that covers a whole group of the Map, or null when only its pages one by one do. */
function targetOfGroup(group: PageGroup, first: Page): Target | null {
  if (first.kind === 'entry') return { kind: 'type', type: first.type! }
  if (first.kind === 'term') return { kind: 'term-pages', taxonomy: first.taxonomy! }
  return first.kind === 'person' ? { kind: 'person-pages' } : null
}

const ARCHIVES: ReadonlySet<Page['kind']> = new Set(['archive', 'year', 'month'])
const isArchive = (page: Page): boolean => ARCHIVES.has(page.kind)

/** Page types of whose archives (its archive, years and months) all are selected, and there are several. */
function wholeArchives(selected: ReadonlySet<number>, { pages, types }: Catalogue): Set<string> {
  const archives = new Map<string, number[]>()
  for (const [i, page] of pages.entries())
    if (isArchive(page)) archives.set(page.type!, [...(archives.get(page.type!) ?? []), i])
  return new Set(
    [...types.keys()].filter((type) => {
      const all = archives.get(type) ?? []
      return all.length > 1 && all.every((i) => selected.has(i))
    }),
  )
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

export type Conditions = Pick<DisplayRule, 'covers' | 'except'>

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
  const archives = wholeArchives(selected, catalogue)
  const covers = [
    ...groups.flatMap((group): Target[] => {
      const inHand = group.pages.filter((p) => selected.has(p)).map((p) => catalogue.pages[p]!)
      const single = inHand.filter((p) => !(isArchive(p) && archives.has(p.type!)))
      const whole = single.length === group.pages.length && single.length > 1 ? targetOfGroup(group, single[0]!) : null
      return whole ? [whole] : single.map((p) => ({ kind: 'page', page: p.key }))
    }),
    ...[...archives].map((type): Target => ({ kind: 'type-archives', type })),
  ]
  const home = catalogue.pages[0]!
  const homeToo = !selected.has(0) && covers.some((t) => coversHome(t, home))
  return { covers, except: homeToo ? [{ kind: 'page', page: 'home' }] : [] }
}
