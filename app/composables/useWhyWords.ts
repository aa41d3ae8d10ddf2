import {
  type Candidate,
  type FrameNames,
  type NearMiss,
  type Standing,
  type Target,
  circumstanceName,
  frameName,
  refinementName,
  targetName,
} from '#core/frames'

type TargetWords = (target: Target, names: FrameNames) => string

function coverWords({ frame, target }: Candidate, names: FrameNames, words: TargetWords): string {
  return target < 0 ? 'the choice of the writer' : words(frame.covers[target]!, names)
}

/** Why a candidate did not decide, as a sentence that names the rule. */
export function lossWords(standing: Standing, winner: Standing, names: FrameNames, words: TargetWords): string {
  const { loss } = standing
  if (!loss || loss.kind === 'passed') return ''
  if (loss.kind === 'layout-missing') return 'the layout no longer exists, so the frame passes'
  if (loss.kind === 'layout-region') return 'the layout is for another region, so the frame passes'
  const cover = coverWords(standing.candidate, names, words)
  const by = coverWords(winner.candidate, names, words)
  return {
    outranks: `${frameName(winner.candidate.frame, names)} outranks all others`,
    circumstances: `${cover} holds always; the other only in its circumstances`,
    narrowness: `${cover} is broader than ${by}`,
    refinements: `${cover} is refined by fewer facts`,
    'circumstance-count': `${cover} depends on fewer circumstances`,
    order: `${cover} stands lower on the ladder`,
    id: `${cover} is equal in every way; the older frame decides`,
  }[loss.rule]
}

/** What kept a frame from being a candidate, as the end of a sentence. */
export function nearWords(near: NearMiss, names: FrameNames): string {
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
