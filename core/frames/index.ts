export * from './types'
export type { Choice, Exchange, Narrowness, Referred, RefinementChoice } from './spec'
export { type Facts, factsOf, keysOf } from './facts'
export {
  type Target,
  targetSpec,
  targetName,
  targetChoices,
  matches,
  nearlyMatches,
  narrownessOf,
  refinementsOf,
} from './targets'
export { type Refinement, refinementSpec, refinementName, refinementChoices } from './refinements'
export { type FrameNames, namesFrom } from './names'
export { compareCandidates, decidingRule } from './rank'
export { type Rules, resolveInTurn, outcomeOf, candidacy, whyOf } from './resolve'
export { frameName, frameLabels, frameSentence } from './words'
export { checkFrame, refuseTests, testsIn } from './check'
export { frameShape } from './shapes'
export { newFrame, GROUPS, groupOf, ladderOf, equalsOf, type Group, type LadderGroup } from './frame'
export { rivalsOf, type Rivals } from './rivals'
export { BARE_DESIGN, type Design, rulesOf } from './design'
export { CompiledRules, resolve, resolveFully, factsOfAll, pagesCovered } from './compiled'
export { dependsOn, goesByDay, layoutsOn, type Dependence } from './dependence'
export * from './table'
export { lossWords, nearWords } from './why-words'
