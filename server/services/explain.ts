import {
  CompiledRules,
  type Design,
  type Request,
  type Standing,
  type Why,
  frameName,
  lossWords,
  namesFrom,
  nearWords,
  resolveFully,
  rulesOf,
  whyOf,
} from '../../core/frames'
import { REGIONS } from '../../core/layouts'
import { fail } from '../../core/problems'
import type { Catalogue, Page } from '../../core/site'
import type { WhyAnswer, WhyRegionAnswer } from '../../shared/api/types'

/** The page that an address leads to; whatever is no page is the page for what is not found. */
export function pageFor(catalogue: Catalogue, address: string): { page: Page; parameters: Record<string, string> } {
  let url: URL
  try {
    url = new URL(address, 'http://site')
  } catch {
    return fail('input-wrong', { why: 'This is no address; one begins with /' })
  }
  let path = '/'
  try {
    path = decodeURIComponent(url.pathname).replace(/\/+$/, '') || '/'
  } catch {
    fail('input-wrong', { why: 'This address cannot be read' })
  }
  const page = catalogue.pageAt(catalogue.redirectOf(path) ?? path) ?? catalogue.notFound
  return { page, parameters: Object.fromEntries(url.searchParams) }
}

const SHOWN = { empty: 'left empty', none: 'nothing', plain: 'plain body' }

/** Why a page shows what it shows, under a design and for a request, with ids and in words. */
export function explain(
  design: Design,
  name: WhyAnswer['design'],
  catalogue: Catalogue,
  page: Page,
  request: Request,
): WhyAnswer {
  const rules = rulesOf(design)
  const names = namesFrom(catalogue)
  const layouts = new Map(design.layouts.map((l) => [l.id, l.name]))
  const why: Why = whyOf(
    resolveFully(new CompiledRules(rules, catalogue), page, request),
    rules,
    catalogue,
    page,
    request,
  )
  const called = (s: Standing) => ({ frame: s.candidate.frame.id, name: frameName(s.candidate.frame, names) })
  const region = ({ shown, standings }: Why['regions']['body']): WhyRegionAnswer => {
    const winner = standings.find((s) => s.loss === null)
    const losers = standings.flatMap((s) => {
      if (!s.loss || s.loss.kind === 'passed') return []
      const rule = s.loss.kind === 'outranked' ? s.loss.rule : s.loss.kind
      return [{ ...called(s), rule, why: lossWords(s, winner ?? s, names) }]
    })
    const says = shown.kind === 'layout' ? (layouts.get(shown.layout) ?? shown.layout) : SHOWN[shown.kind]
    return { shown, says, by: winner ? called(winner) : null, losers }
  }
  return {
    page: { key: page.key, address: page.address, title: page.title },
    design: name,
    request,
    regions: Object.fromEntries(REGIONS.map((r) => [r, region(why.regions[r])])) as WhyAnswer['regions'],
    near: why.near.map((n) => ({ frame: n.frame.id, name: frameName(n.frame, names), why: nearWords(n, names) })),
  }
}
