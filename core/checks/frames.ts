import {
  type Candidate,
  type Circumstance,
  type CompiledRules,
  type Frame,
  compareCandidates,
  factsOfAll,
} from '../frames'
import { REGIONS, type Region } from '../tree'
import type { Catalogue, Id } from '../site'
import type { Finding } from './types'

type Covering = ReturnType<CompiledRules['covering']>[number]

const circumstancesOf = (frame: Frame): string => JSON.stringify(frame.onlyWhen)

function disjoint(a: readonly string[], b: readonly string[]): boolean {
  return !a.some((x) => b.includes(x))
}

/** True when two circumstances can never hold for the same visitor. */
function exclude(a: Circumstance, b: Circumstance): boolean {
  if (a.kind === 'device' && b.kind === 'device') return disjoint(a.devices, b.devices)
  if (a.kind === 'role' && b.kind === 'role') return disjoint(a.roles, b.roles)
  return a.kind === 'signed-in' && b.kind === 'signed-in' && a.yes !== b.yes
}

function mayHoldTogether(a: Frame, b: Frame): boolean {
  return !a.onlyWhen.some((x) => b.onlyWhen.some((y) => exclude(x, y)))
}

/** Equal in everything but the id: then nothing that anybody set decides between them. */
function tied(a: Candidate, b: Candidate): boolean {
  return compareCandidates({ ...a, frame: { ...a.frame, id: '' } }, { ...b, frame: { ...b.frame, id: '' } }) === 0
}

interface Life {
  covers: boolean
  decides: boolean
  shadowedBy: Set<Id>
}

/**
 * Who decides a region when exactly the circumstances of `frame` hold: frames without circumstances apply
 * always, and those with the very same circumstances apply too.
 */
function deciderFor(frame: Frame, region: number, covering: readonly Covering[]): Covering | undefined {
  const own = circumstancesOf(frame)
  return covering.find((c) => c.says[region] && (c.frame.onlyWhen.length === 0 || circumstancesOf(c.frame) === own))
}

function liveOn(covering: readonly Covering[], lives: Map<Id, Life>): void {
  for (const { frame, says } of covering) {
    const life = lives.get(frame.id)!
    life.covers = true
    if (life.decides) continue
    for (let r = 0; r < REGIONS.length; r++) {
      if (!says[r]) continue
      const decider = deciderFor(frame, r, covering)!
      if (decider.frame.id === frame.id) life.decides = true
      else life.shadowedBy.add(decider.frame.id)
    }
  }
}

function deadFrames(frames: readonly Frame[], lives: Map<Id, Life>, usable: (frame: Frame) => boolean): Finding[] {
  return frames.flatMap((frame): Finding[] => {
    const life = lives.get(frame.id)
    if (!frame.on || !life || life.decides) return []
    const because = !usable(frame) ? 'says-nothing' : life.covers ? 'shadowed' : 'covers-nothing'
    return [{ kind: 'dead', frame: frame.id, because, by: because === 'shadowed' ? [...life.shadowedBy].sort() : [] }]
  })
}

function tiesOn(
  page: string,
  covering: readonly Covering[],
  ties: Map<string, Extract<Finding, { kind: 'tie' }>>,
): void {
  for (const [r, region] of REGIONS.entries()) {
    const saying = covering.filter((c) => c.says[r])
    for (let i = 1; i < saying.length; i++) {
      const [a, b] = [saying[i - 1]!, saying[i]!]
      if (!tied(a, b) || !mayHoldTogether(a.frame, b.frame) || !canDecide(a, r, covering)) continue
      const ids = [a.frame.id, b.frame.id].sort() as [Id, Id]
      const key = `${ids.join(' ')} ${region}`
      const tie = ties.get(key) ?? { kind: 'tie' as const, frames: ids, region: region as Region, pages: [] }
      tie.pages.push(page)
      ties.set(key, tie)
    }
  }
}

/** A tie matters only where one of the two would decide. */
function canDecide(candidate: Covering, region: number, covering: readonly Covering[]): boolean {
  const decider = deciderFor(candidate.frame, region, covering)
  return decider === undefined || decider.frame.id === candidate.frame.id || tied(decider, candidate)
}

/** Ties and dead frames, whatever the circumstances. */
export function checkRanking(compiled: CompiledRules): Finding[] {
  const { rules, catalogue } = compiled
  const lives = new Map<Id, Life>(
    rules.frames.map((f) => [f.id, { covers: false, decides: false, shadowedBy: new Set<Id>() }]),
  )
  const ties = new Map<string, Extract<Finding, { kind: 'tie' }>>()
  for (const facts of factsOfAll(catalogue)) {
    const covering = compiled.covering(facts)
    liveOn(covering, lives)
    tiesOn(facts.page.key, covering, ties)
  }
  const usable = (frame: Frame) =>
    REGIONS.some((region) => {
      const say = frame.regions[region]
      return say.kind === 'empty' || (say.kind === 'use' && rules.layoutRegions.get(say.layout) === region)
    })
  return [...ties.values(), ...deadFrames(rules.frames, lives, usable)]
}

/** References of frames to what no longer exists, and field tests on fields that a type does not have. */
export function checkReferences(frames: readonly Frame[], compiled: CompiledRules): Finding[] {
  const { catalogue, rules } = compiled
  return frames.flatMap((frame) => {
    const findings: Finding[] = []
    const dangling = (what: Extract<Finding, { kind: 'dangling' }>['what'], id: string, exists: boolean) => {
      if (!exists) findings.push({ kind: 'dangling', what, id, frame: frame.id })
    }
    for (const target of [...frame.covers, ...frame.except]) {
      if (target.kind === 'page') dangling('page', target.page, catalogue.page(target.page) !== undefined)
      if ('type' in target && target.type !== null) dangling('type', target.type, catalogue.types.has(target.type))
      if (target.kind === 'term-pages') dangling('taxonomy', target.taxonomy, catalogue.taxonomies.has(target.taxonomy))
      if (target.kind !== 'entries') continue
      for (const r of target.where) {
        if (r.kind === 'term') for (const t of r.terms) dangling('term', t, catalogue.terms.has(t))
        if (r.kind === 'person') for (const p of r.people) dangling('person', p, catalogue.people.has(p))
        if (r.kind === 'below') for (const e of r.entries) dangling('page', `entry:${e}`, catalogue.entries.has(e))
        if (r.kind === 'field' && !hasField(catalogue, target.type, r.field)) {
          findings.push({ kind: 'missing-field', frame: frame.id, field: r.field, type: target.type })
        }
      }
    }
    for (const type of frame.offeredTo) dangling('type', type, catalogue.types.has(type))
    for (const region of REGIONS) {
      const say = frame.regions[region]
      if (say.kind !== 'use') continue
      const of = rules.layoutRegions.get(say.layout)
      dangling('layout', say.layout, of !== undefined)
      if (of !== undefined && of !== region) dangling('wrong-region', say.layout, false)
    }
    return findings
  })
}

const EVERY_ENTRY = ['title', 'summary', 'content', 'picture', 'date', 'person']

function hasField(catalogue: Catalogue, type: Id | null, field: Id): boolean {
  if (EVERY_ENTRY.includes(field)) return true
  const types = type === null ? [...catalogue.types.values()] : [catalogue.types.get(type)]
  return types.some((t) => t?.fields.some((f) => f.id === field))
}
