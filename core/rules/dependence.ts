import type { Id, Page } from '../model'
import { type Need, circumstanceSpec, needOf, readsToday } from '../conditions'
import type { CompiledRules } from './compiled'
import { factsOf } from '../targets'
import type { DisplayRule } from '../design'

/** What a page depends on besides its address, whoever asks: by the circumstances of all frames that cover it. */
export interface Dependence {
  needs: ReadonlySet<Need>
  /** Names of the address parameters that it reads. */
  parameters: ReadonlySet<string>
}

export function dependsOn(compiled: CompiledRules, page: Page): Dependence {
  const needs = new Set<Need>()
  const parameters = new Set<string>()
  for (const { frame } of compiled.covering(factsOf(compiled.catalogue, page))) {
    for (const c of frame.onlyWhen) {
      needs.add(needOf(c))
      for (const name of circumstanceSpec(c).parameters?.(c) ?? []) parameters.add(name)
    }
  }
  return { needs, parameters }
}

/** Every layout that a page may show, to whomever and whenever. */
export function layoutsOn(compiled: CompiledRules, page: Page): Set<Id> {
  const layouts = new Set<Id>()
  for (const { says } of compiled.covering(factsOf(compiled.catalogue, page))) {
    for (const say of says) if (say?.kind === 'layout') layouts.add(say.layout)
  }
  return layouts
}

/** Whether which layout applies anywhere may change with the day, though nothing of the content does. */
export const goesByDay = (frames: readonly DisplayRule[]): boolean =>
  frames.some(({ on, covers, except }) =>
    [...(on ? covers : []), ...except].some(
      (t) => 'where' in t && t.where.some((r) => r.kind === 'field' && readsToday(r)),
    ),
  )
