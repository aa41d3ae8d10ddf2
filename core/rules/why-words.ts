import { circumstanceName } from '../conditions'
import { elementSpec } from '../elements'
import { and } from '../text'
import { type RuleNames, refinementName, type Target, targetName } from '../targets'
import type { Candidate, NearMiss, RankedCandidate } from './types'
import { frameName } from './words'

function coverWords({ frame, target }: Candidate, names: RuleNames): string {
  return target < 0 ? 'the choice of the writer' : targetName(frame.covers[target]!, names)
}

/** Why a candidate did not decide, as a sentence that names the rule. */
export function lossWords(standing: RankedCandidate, winner: RankedCandidate, names: RuleNames): string {
  const { loss } = standing
  if (!loss || loss.kind === 'passed') return ''
  if (loss.kind === 'layout-missing') return 'the layout no longer exists, so the frame passes'
  if (loss.kind === 'layout-region') return 'the layout is for another region, so the frame passes'
  if (loss.kind === 'layout-base') return 'the layout is a variation whose base is gone, so the frame passes'
  if (loss.kind === 'left-out') return 'the entry itself leaves this region out'
  if (loss.kind === 'work-lacking')
    return `the page cannot do its work without ${and(loss.lacking.map((type) => elementSpec(type)?.name ?? type))}, so the plain body stands here`
  const cover = coverWords(standing.candidate, names)
  const by = coverWords(winner.candidate, names)
  return {
    outranks: `${frameName(winner.candidate.frame, names)} outranks all others`,
    circumstances: `${cover} holds always; the other only in its circumstances`,
    narrowness: `${cover} is broader than ${by}`,
    refinements: `${cover} is refined by fewer facts`,
    'circumstance-count': `${cover} depends on fewer circumstances`,
    order: `${cover} stands lower on the ladder`,
    id: `${cover} is equal in every way; their ids settle it`,
  }[loss.rule]
}

/** What kept a frame from being a candidate, as the end of a sentence. */
export function nearWords(near: NearMiss, names: RuleNames): string {
  switch (near.kind) {
    case 'off':
      return 'is switched off'
    case 'excepted':
      return `excepts ${targetName(near.frame.except[near.target]!, names)}`
    case 'circumstance':
      return `holds only ${circumstanceName(near.frame.onlyWhen[near.index]!)}`
    case 'refinement': {
      const target = near.frame.covers[near.target] as Extract<Target, { kind: 'entries' }>
      return `this page is not ${refinementName(target.where[near.index]!, target.type, names)}`
    }
  }
}
