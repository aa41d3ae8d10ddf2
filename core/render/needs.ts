import type { Need } from '../conditions'
import type { ListPlan, ScriptName } from '../drawing'
import type { CssRule } from '../styles'

/** What drawing needs beside its HTML. */
export interface Needs {
  rules: Map<string, CssRule>
  elements: Set<string>
  families: Set<string>
  looks: Set<string>
  cards: Set<string>
  /** CSS beside that of elements of their kind, and the scripts that go along. */
  css: Set<string>
  scripts: Set<ScriptName>
  /** Lists in it, first to last. */
  lists: Set<ListPlan>
  /** True when something in it belongs to the form of the shop. */
  shop: boolean
  /** On what of a request it depends by what its things are shown for, and the address parameters that are read. */
  asks: Set<Need>
  parameters: Set<string>
}

export const nothing = (): Needs => ({
  rules: new Map(),
  elements: new Set(),
  families: new Set(),
  looks: new Set(),
  cards: new Set(),
  css: new Set(),
  scripts: new Set(),
  lists: new Set(),
  shop: false,
  asks: new Set(),
  parameters: new Set(),
})

/** Takes over what something that stands within needs. */
export function add(to: Needs, from: Readonly<Needs>): void {
  for (const [name, rule] of from.rules) to.rules.set(name, rule)
  for (const type of from.elements) to.elements.add(type)
  for (const family of from.families) to.families.add(family)
  for (const look of from.looks) to.looks.add(look)
  for (const card of from.cards) to.cards.add(card)
  for (const css of from.css) to.css.add(css)
  for (const script of from.scripts) to.scripts.add(script)
  for (const list of from.lists) to.lists.add(list)
  to.shop ||= from.shop
  for (const need of from.asks) to.asks.add(need)
  for (const name of from.parameters) to.parameters.add(name)
}
