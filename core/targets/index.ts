export type { TargetOption, Exchange, Narrowness, Referred, RefinementChoice } from './spec'
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
  targetShape,
  targetTest,
} from './kinds'
export { type Refinement, refinementSpec, refinementName, refinementChoices } from './refinements'
export { type RuleNames, namesFrom } from './names'
export { WayIndex } from './way-index'
