import type { Request } from '../conditions'
import { type CompiledRules, type OutcomeTable, deciderAt, factsOfAll, shownAt } from '../rules'
import { REGIONS } from '../tree'
import type { Catalogue } from '../catalogue'
import { isEmpty } from '../fields'
import type { Id, Page, PageType } from '../model'
import { hasWork } from '../elements'
import { gridsOf, showsContent, titlesIn } from './layouts'
import type { DrawnTree } from '../layouts'
import type { Finding } from './types'

const BODY = REGIONS.indexOf('body')

/** Groups pages under a key, in the order of the site. */
class Pages {
  private readonly groups = new Map<string, string[]>()

  add(key: string, page: string): void {
    const list = this.groups.get(key)
    if (list) list.push(page)
    else this.groups.set(key, [page])
  }

  all(): [string, string[]][] {
    return [...this.groups]
  }
}

/** Content that is never shown, and pages without a title or with several, as a visitor sees them. */
export function checkPages(
  compiled: CompiledRules,
  table: OutcomeTable,
  layouts: ReadonlyMap<Id, DrawnTree>,
): Finding[] {
  const { catalogue } = compiled
  const titles = new Map([...layouts.values()].map((l) => [l.id, titlesIn(l)]))
  const hidden = new Pages()
  const titled = new Pages()
  const plain: string[] = []
  const shows = new Map<Id, boolean>([...layouts.values()].map((l) => [l.id, showsContent(l)]))
  for (const [i, page] of catalogue.pages.entries()) {
    let count = 0
    for (const [r] of REGIONS.entries()) {
      const what = shownAt(table, i, r)
      if (what.kind === 'layout') count += titles.get(what.layout) ?? 0
      if (what.kind === 'plain') count = Math.max(1, count)
    }
    if (count !== 1) titled.add(String(count), page.key)
    const body = shownAt(table, i, BODY)
    // One that gave way to the plain body is told by what it lacks.
    if (body.kind === 'plain' && deciderAt(table, i, BODY) === null) plain.push(page.key)
    const entry = page.entry ? catalogue.entries.get(page.entry) : undefined
    if (entry && body.kind === 'layout' && !shows.get(body.layout) && !isEmpty(entry.content))
      hidden.add(body.layout, page.key)
  }
  return [
    ...hidden.all().map(([layout, pages]): Finding => ({ kind: 'content-never-shown', layout, pages })),
    ...titled.all().map(([count, pages]): Finding => ({ kind: 'no-title', titles: Number(count), pages })),
    ...(plain.length && compiled.rules.frames.length ? [{ kind: 'plain-body' as const, pages: plain }] : []),
  ]
}

/** Working pages whose body lacks what they have to do: visitors see the plain one. */
export function checkWork(compiled: CompiledRules, request: Request): Finding[] {
  const held = compiled.heldFor(request)
  return factsOfAll(compiled.catalogue).flatMap((facts): Finding[] => {
    if (!hasWork(facts.page.kind)) return []
    const { by, lacking } = compiled.decide(facts, held)
    const say = by[BODY]?.frame.regions.body
    return lacking.length > 0
      ? [
          {
            kind: 'lacking',
            ...(say?.kind === 'use' && { layout: say.layout }),
            pages: [facts.page.key],
            lacks: [...lacking],
          },
        ]
      : []
  })
}

/** The page types of the entries that a page lists, as far as its kind tells. */
function typesListed(page: Page, catalogue: Catalogue): PageType[] {
  const all = [...catalogue.types.values()]
  if (page.kind === 'term') return all.filter((t) => t.taxonomies.includes(page.taxonomy!))
  if (page.kind === 'person' || page.kind === 'search') return all
  const type = page.type && !page.entry ? catalogue.types.get(page.type) : undefined
  return type ? [type] : []
}

/** The page types of the entries that each layout is filled with: those of its pages, and for cards those of the grids. */
export function typesByLayout(
  table: OutcomeTable,
  catalogue: Catalogue,
  layouts: ReadonlyMap<Id, DrawnTree>,
): Map<Id, Set<PageType>> {
  const found = new Map<Id, Set<PageType>>()
  const add = (layout: Id, type: PageType | undefined) => {
    if (type) found.set(layout, (found.get(layout) ?? new Set()).add(type))
  }
  const grids = new Map([...layouts.values()].map((l) => [l.id, gridsOf(l)]))
  for (const [i, page] of catalogue.pages.entries()) {
    for (const [r] of REGIONS.entries()) {
      const what = shownAt(table, i, r)
      if (what.kind !== 'layout') continue
      if (page.entry) add(what.layout, catalogue.types.get(page.type!))
      for (const { card, type } of grids.get(what.layout) ?? []) {
        if (type !== null) add(card, catalogue.types.get(type))
        else for (const listed of typesListed(page, catalogue)) add(card, listed)
      }
    }
  }
  return found
}
