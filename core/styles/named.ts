import type { NamedLook } from './house'
import { type Looks, type CssRule, ruleOf, classOf } from './sheet'
import { type LooksKey, type State, type Styles, looksOf } from '../tree'

/** The class of whatever has a named look, or of a part of it, without what stands before all our classes. */
export const lookClass = (id: string, part = ''): string => (part ? `l-${id}-${part}` : `l-${id}`)

const partsOf = (looks: Readonly<Record<LooksKey, Styles>>): Set<string> =>
  new Set(['', ...Object.keys(looks).map((at) => looksOf(at).part)])

/** A named look as rules, one for the thing and one for each of its parts: they stand beneath looks of a thing's own. */
export function namedRules({ id, styles, looks }: NamedLook): CssRule[] {
  return [...partsOf(looks)].flatMap((part) => {
    const rest = part ? looks[part] : styles
    const states: NonNullable<Looks['states']> = {}
    for (const [at, of] of Object.entries(looks)) {
      const { part: whose, state } = looksOf(at)
      if (whose === part && state) states[state as State] = of
    }
    const rule = ruleOf({ rest: rest ?? {}, states })
    return rule ? [{ ...rule, name: classOf(lookClass(id, part)) }] : []
  })
}
