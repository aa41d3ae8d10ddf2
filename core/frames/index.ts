export * from './types'
export { type Facts, factsOf, matches, nearlyMatches, narrownessOf, refinementsOf, keysOf } from './match'
export { holds } from './circumstances'
export { compareCandidates, decidingRule } from './rank'
export { type Rules, resolveInTurn, outcomeOf, candidacy, whyOf } from './resolve'
export {
  frameName,
  frameLabels,
  frameSentence,
  targetName,
  refinementName,
  circumstanceName,
  namesFrom,
  or,
  type FrameNames,
} from './words'
export { checkFrame } from './check'
export { frameShape, circumstanceShape, DEVICES } from './shapes'
export { newFrame, GROUPS, groupOf, ladderOf, equalsOf, type Group, type LadderGroup } from './frame'
export { rivalsOf, type Rivals } from './rivals'
export { type Design, rulesOf } from './design'
export { CompiledRules, resolve, resolveFully, dependsOn, layoutsOn, factsOfAll, pagesCovered } from './compiled'
export * from './table'
export { targetChoices, type TargetChoice } from './choices'
export { lossWords, nearWords } from './why-words'
export { refinementChoices, fieldFor, opsFor, type RefinementChoice } from './refinement-choices'
export { OP_WORDS } from './words'
