import { type Finding, checkDesign } from '#core/checks'
import { type Differing, compareDesigns } from '#core/releases'
import type { Request } from '#core/conditions'
import {
  CompiledRules,
  type OutcomeTable,
  type Rivals,
  type RuleSet,
  pagesCovered,
  retabulate,
  rivalsOf,
  tabulate,
} from '#core/rules'
import type { Design, DisplayRule } from '#core/design'
import type { LayoutRegion } from '#core/tree'
import { Catalogue, type TakenChange, followTaken } from '#core/catalogue'
import type { Id } from '#core/model'
import type { SiteAnswer } from '#shared/api/types'

/** Resolves and checks every page off the main thread. It is told the site once, as the server's answer, then asked. */

export type ToMap =
  | { kind: 'site'; text: string }
  /** What has changed since then, in order. */
  | { kind: 'changes'; text: string }
  | { kind: 'tabulate'; call: number; frames: DisplayRule[]; rules: SentRules; request: Request }
  | { kind: 'check'; call: number; design: Design; request: Request }
  | { kind: 'rivals'; call: number; frames: DisplayRule[]; rules: SentRules; frame: Id }
  | { kind: 'compare'; call: number; before: Design; after: Design; request: Request }
  | { kind: 'cover'; call: number; conditions: Pick<DisplayRule, 'covers' | 'except'> }

export type FromMap =
  | { call: number; table: OutcomeTable }
  | { call: number; findings: Finding[] }
  | { call: number; differing: Differing }
  | { call: number; covered: number }
  | { call: number; rivals: Rivals }

/** What of a design decides, beside its frames. */
export interface SentRules {
  layoutRegions: [Id, LayoutRegion | null][]
  work: [Id, readonly string[]][]
}

const readRules = ({ frames, rules }: { frames: DisplayRule[]; rules: SentRules }): RuleSet => ({
  frames,
  layoutRegions: new Map(rules.layoutRegions),
  work: new Map(rules.work),
})

interface Kept {
  compiled: CompiledRules
  /** Layouts and request, which must be the same for the table to be built upon. */
  around: string
  table: OutcomeTable
}

let catalogue: Catalogue | null = null
let kept: Kept | null = null

/** The one frame that differs; null when several do, undefined when none does. */
function onlyChange(before: RuleSet, after: RuleSet): Id | null | undefined {
  const old = new Map(before.frames.map((f) => [f.id, JSON.stringify(f)]))
  const changed = new Set<Id>()
  for (const frame of after.frames) {
    if (old.get(frame.id) !== JSON.stringify(frame)) changed.add(frame.id)
    old.delete(frame.id)
  }
  for (const id of old.keys()) changed.add(id)
  return changed.size > 1 ? null : [...changed][0]
}

/** The table, computed from the one before where a single frame has changed since. */
function tableFor(rules: RuleSet, request: Request, site: Catalogue): OutcomeTable {
  const around = JSON.stringify([[...rules.layoutRegions], [...rules.work], request])
  const change = kept && kept.around === around ? onlyChange(kept.compiled.rules, rules) : null
  if (kept && change === undefined) return kept.table
  const compiled = new CompiledRules(rules, site)
  const table =
    kept && change ? retabulate(kept.table, kept.compiled, compiled, change, request) : tabulate(compiled, request)
  kept = { compiled, around, table }
  return table
}

function answerTo(question: Extract<ToMap, { call: number }>, site: Catalogue): FromMap {
  const { call } = question
  switch (question.kind) {
    case 'tabulate': {
      const rules = readRules(question)
      return { call, table: tableFor(rules, question.request, site.asAt(question.request.at)) }
    }
    case 'check':
      return { call, findings: checkDesign(question.design, site.asAt(question.request.at), question.request) }
    case 'compare':
      return {
        call,
        differing: compareDesigns(question.before, question.after, site.asAt(question.request.at), question.request),
      }
    case 'rivals': {
      const rules = readRules(question)
      return { call, rivals: rivalsOf(new CompiledRules(rules, site), question.frame) }
    }
    case 'cover':
      return { call, covered: pagesCovered(question.conditions, site).length }
  }
}

self.onmessage = ({ data }: MessageEvent<ToMap>) => {
  if (data.kind === 'site') {
    catalogue = new Catalogue((JSON.parse(data.text) as SiteAnswer).site)
    kept = null
    return
  }
  if (!catalogue) return
  if (data.kind === 'changes') {
    for (const taken of JSON.parse(data.text) as TakenChange[]) followTaken(catalogue, taken)
    kept = null
    return
  }
  self.postMessage(answerTo(data, catalogue))
}
