import type { NamedLook } from './house'
import { type Looks, type Rule, ruleOf, classOf } from './sheet'
import { STATES, type State, looksOf } from '../tree'

/** The class of whatever has a named look, without what stands before all our classes. */
export const lookClass = (id: string): string => `l-${id}`

/** A named look as a rule: it stands beneath the looks that a thing has of its own. */
export function namedRule({ id, styles: rest, looks }: NamedLook): Rule | null {
  const states: NonNullable<Looks['states']> = {}
  for (const [at, styles] of Object.entries(looks)) {
    const { part, state } = looksOf(at)
    if (!part && state && STATES.includes(state)) states[state as State] = styles
  }
  const rule = ruleOf({ rest, states })
  return rule && { ...rule, name: classOf(lookClass(id)) }
}
