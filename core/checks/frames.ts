import { EVERY_ENTRY, type FieldTest, excludeEachOther, fieldsTested, goneIn, unsuited } from '../conditions'
import { type Candidate, type CompiledRules, compareCandidates, factsOfAll } from '../rules'
import { type Exchange, targetSpec } from '../targets'
import { type DisplayRule, testsIn } from '../design'
import { REGIONS, type Region } from '../tree'
import type { Catalogue } from '../catalogue'
import type { Id } from '../model'
import type { Finding } from './types'

type Covering = ReturnType<CompiledRules['covering']>[number]

const circumstancesOf = (frame: DisplayRule): string => JSON.stringify(frame.onlyWhen)

function mayHoldTogether(a: DisplayRule, b: DisplayRule): boolean {
  return !a.onlyWhen.some((x) => b.onlyWhen.some((y) => excludeEachOther(x, y)))
}

/** Equal in everything but the id: then nothing that anybody set decides between them. */
function tied(a: Candidate, b: Candidate): boolean {
  return compareCandidates({ ...a, frame: { ...a.frame, id: '' } }, { ...b, frame: { ...b.frame, id: '' } }) === 0
}

/** What a frame comes to over all pages, whatever the circumstances. */
interface Life {
  covers: boolean
  /** The regions that it decides somewhere. */
  decides: Set<Region>
  shadowedBy: Set<Id>
}
export type Lives = ReadonlyMap<Id, Life>

/**
 * Who decides a region when exactly the circumstances of `frame` hold: frames without circumstances apply
 * always, and those with the very same circumstances apply too.
 */
function deciderFor(frame: DisplayRule, region: number, covering: readonly Covering[]): Covering | undefined {
  const own = circumstancesOf(frame)
  return covering.find((c) => c.says[region] && (c.frame.onlyWhen.length === 0 || circumstancesOf(c.frame) === own))
}

function liveOn(covering: readonly Covering[], lives: Lives): void {
  for (const { frame, says } of covering) {
    const life = lives.get(frame.id)!
    life.covers = true
    for (const [r, region] of REGIONS.entries()) {
      if (!says[r] || life.decides.has(region)) continue
      const decider = deciderFor(frame, r, covering)!
      if (decider.frame.id === frame.id) life.decides.add(region)
      else life.shadowedBy.add(decider.frame.id)
    }
  }
}

function deadFrames(frames: readonly DisplayRule[], lives: Lives, usable: (frame: DisplayRule) => boolean): Finding[] {
  return frames.flatMap((frame): Finding[] => {
    const life = lives.get(frame.id)
    // One that is offered to writers waits for one who chooses it.
    if (!frame.on || !life || life.decides.size > 0 || (frame.offeredTo.length > 0 && usable(frame))) return []
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

/** Ties and dead frames, whatever the circumstances; and what each frame comes to. */
export function checkRanking(compiled: CompiledRules): { findings: Finding[]; lives: Lives } {
  const { rules, catalogue } = compiled
  const lives: Lives = new Map(
    rules.frames.map((f) => [f.id, { covers: false, decides: new Set<Region>(), shadowedBy: new Set<Id>() }]),
  )
  const ties = new Map<string, Extract<Finding, { kind: 'tie' }>>()
  for (const facts of factsOfAll(catalogue)) {
    const covering = compiled.covering(facts)
    liveOn(covering, lives)
    tiesOn(facts.page.key, covering, ties)
  }
  const usable = (frame: DisplayRule) =>
    REGIONS.some((region) => {
      const say = frame.regions[region]
      return say.kind === 'empty' || (say.kind === 'use' && rules.layoutRegions.get(say.layout) === region)
    })
  return { findings: [...ties.values(), ...deadFrames(rules.frames, lives, usable)], lives }
}

const EXISTS = {
  page: (id: string, c: Catalogue) => c.page(id) !== undefined,
  type: (id: string, c: Catalogue) => c.types.has(id),
  taxonomy: (id: string, c: Catalogue) => c.taxonomies.has(id),
  term: (id: string, c: Catalogue) => c.terms.has(id),
  person: (id: string, c: Catalogue) => c.people.has(id),
}

function hasField(catalogue: Catalogue, type: Id | null, field: Id): boolean {
  if (Object.hasOwn(EVERY_ENTRY, field)) return true
  const types = type === null ? [...catalogue.types.values()] : [catalogue.types.get(type)]
  return types.some((t) => t?.fields.some((f) => f.id === field))
}

/** What of a field test cannot hold: it does not suit its field, or names what is gone. */
export function testFindings(
  test: FieldTest,
  type: Id | null,
  catalogue: Catalogue,
  where: { frame?: Id; layout?: Id; node?: Id },
): Finding[] {
  const fields = fieldsTested(catalogue, type, test.field)
  if (fields.length === 0) return []
  const whys = fields.map((field) => unsuited(test, field))
  if (whys.every((why) => why !== null)) return [{ kind: 'unsuited-test', ...where, field: test.field, why: whys[0]! }]
  const gone = fields.map((field) => goneIn(test, field, catalogue))
  return gone.every((g) => g !== null) ? [{ kind: 'dangling', ...gone[0]!, ...where }] : []
}

/** References of frames to what no longer exists, and field tests on fields that a type does not have. */
export function checkReferences(frames: readonly DisplayRule[], compiled: CompiledRules): Finding[] {
  const { catalogue, rules } = compiled
  return frames.flatMap((frame) => {
    const findings: Finding[] = []
    const dangling = (what: Extract<Finding, { kind: 'dangling' }>['what'], id: string, exists: boolean) => {
      if (!exists) findings.push({ kind: 'dangling', what, id, frame: frame.id })
    }
    const see: Exchange = (what, id, type = null) => {
      if (what === 'entry') dangling('page', `entry:${id}`, catalogue.entries.has(id))
      else if (what !== 'field') dangling(what, id, EXISTS[what](id, catalogue))
      else if (!hasField(catalogue, type, id))
        findings.push({ kind: 'missing-field', frame: frame.id, field: id, type })
      return id
    }
    for (const target of [...frame.covers, ...frame.except]) targetSpec(target).exchange(target, see)
    for (const { type, test } of testsIn(frame))
      findings.push(...testFindings(test, type, catalogue, { frame: frame.id }))
    for (const type of frame.offeredTo) dangling('type', type, catalogue.types.has(type))
    for (const region of REGIONS) {
      const say = frame.regions[region]
      if (say.kind !== 'use') continue
      const of = rules.layoutRegions.get(say.layout)
      dangling('layout', say.layout, of !== undefined)
      if (of && of !== region) dangling('wrong-region', say.layout, false)
    }
    return findings
  })
}
