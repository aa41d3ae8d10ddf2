import type { Request } from '../../core/conditions'
import {
  CompiledRules,
  type RankedCandidate,
  type Why,
  frameName,
  lossWords,
  nearWords,
  resolveFully,
  rulesOf,
  whyOf,
} from '../../core/rules'
import type { Design } from '../../core/design'
import { namesFrom } from '../../core/targets'
import { REGIONS } from '../../core/tree'
import type { Catalogue } from '../../core/catalogue'
import type { Page } from '../../core/model'
import { type Parameters, readAddress, readParameters } from '../../core/addresses'
import type { WhyAnswer, WhyRegionAnswer } from '../../shared/api/types'

/** The page that an address leads to; whatever is no page is the page for what is not found. */
export function pageFor(catalogue: Catalogue, address: string): { page: Page; parameters: Parameters } {
  const { path, query } = readAddress(address)
  const page = path === null ? undefined : catalogue.pageAt(catalogue.redirectOf(path) ?? path)
  return { page: page ?? catalogue.notFound, parameters: readParameters(query) }
}

const SHOWN = { empty: 'left empty', none: 'nothing', plain: 'plain body' }

/** Why a page shows what it shows, under a design and for a request, with ids and in words. */
export function explain(
  design: Design,
  name: WhyAnswer['design'],
  now: Catalogue,
  asked: Page,
  request: Request,
): WhyAnswer {
  // Everything that goes by time goes by the moment that is asked about.
  const catalogue = now.asAt(request.at)
  const page = catalogue.page(asked.key) ?? catalogue.notFound
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
  const called = ({ candidate: { frame, target, narrowness, refinements }, say }: RankedCandidate) => ({
    frame: frame.id,
    name: frameName(frame, names),
    say,
    target: target < 0 ? null : target,
    narrowness,
    refinements,
  })
  const region = ({ shown, standings }: Why['regions']['body']): WhyRegionAnswer => {
    const winner = standings.find((s) => s.loss === null)
    const candidates = standings.map((s) => {
      const rule = s.loss === null ? null : s.loss.kind === 'outranked' ? s.loss.rule : s.loss.kind
      const why = s.loss === null ? '' : s.loss.kind === 'passed' ? 'has no say here' : lossWords(s, winner ?? s, names)
      return { ...called(s), rule, why }
    })
    const says = shown.kind === 'layout' ? (layouts.get(shown.layout) ?? shown.layout) : SHOWN[shown.kind]
    const losers = candidates.flatMap((c) => (c.rule === null || c.rule === 'passed' ? [] : { ...c, rule: c.rule }))
    return { shown, says, by: winner ? called(winner) : null, losers, candidates }
  }
  const near = why.near.map((n) => {
    const { frame, kind, ...at } = n
    return { frame: frame.id, name: frameName(frame, names), code: kind, ...at, why: nearWords(n, names) }
  })
  return {
    page: { key: page.key, address: page.address, title: page.title },
    design: name,
    request,
    regions: Object.fromEntries(REGIONS.map((r) => [r, region(why.regions[r])])) as WhyAnswer['regions'],
    near,
  }
}
