import type { ListPlan, Scene } from '../drawing'
import { MARKED } from '../lists'
import { listedOn, parametersFor, parametersOfPlan } from '../elements'
import { type Parameters, writeParameters } from '../addresses'

/** How the lists of a page are asked for by its address. */

/** Whether a screen is asked for that a list of the page does not have. */
export const isBeyond = (lists: readonly ListPlan[], scene: Scene): boolean =>
  lists.some((plan) => {
    if (!plan.pages) return false
    const { screen, screens } = listedOn(plan, scene)
    return screen === null || screen > screens
  })

/** Of parameters those with these names, in the order in which they came. */
const only = (given: Parameters, names: ReadonlySet<string>): Parameters =>
  Object.fromEntries(Object.entries(given).filter(([name]) => names.has(name)))

/**
 * The parameters as the page writes them itself, where those that were given ask its list for the same in another way:
 * empty ones, unknown choices, another order. Null where they are written so already, or ask no list.
 */
export function wellAsked(lists: readonly ListPlan[], scene: Scene, given: Parameters): Parameters | null {
  const [plan] = lists.filter((p) => parametersOfPlan(p).length > 0)
  if (!plan) return null
  const on = listedOn(plan, scene)
  if (on.screen === null) return null
  const names = new Set(parametersOfPlan(plan))
  const well = parametersFor(on, scene, { screen: on.screen })
  return writeParameters(only(given, names)) === writeParameters(only(well, names)) ? null : well
}

/** What engines are told of a page that is asked for something: which address is its own, and what stands beside it. */
export interface AskedHead {
  /** The query of its own address, with its question mark; empty for the page as it is. */
  query: string
  indexed: boolean
  /** Which screen of its list, from 1 on. */
  screen: number
  previous: string | null
  next: string | null
}

const queryOf = (parameters: Parameters): string => {
  const query = writeParameters(parameters)
  return query && `?${query}`
}

/** A list narrowed by more than one thing is one of too many to be listed anywhere. */
const MOST_INDEXED = 1

const choices = (asked: ReturnType<typeof listedOn>['asked'][number]): number =>
  asked === null ? 0 : 'keys' in asked ? asked.keys.length : 1

export function askedHead(lists: readonly ListPlan[], scene: Scene): AskedHead | null {
  const [plan] = lists.filter((p) => parametersOfPlan(p).length > 0)
  if (!plan) return null
  const on = listedOn(plan, scene)
  const { screens, asked, way } = on
  const screen = on.screen ?? 1
  const own = new Set(parametersOfPlan(plan))
  own.delete(MARKED)
  // What is searched for is what the list is of.
  if (scene.page.kind === 'search') own.add('q')
  const at = (n: number): string => queryOf(only(parametersFor(on, scene, { screen: n }), own))
  const beside = (n: number): string | null => (plan.pages && n >= 1 && n <= screens ? at(n) : null)
  const much = asked.reduce((sum, a) => sum + choices(a), 0) + (plan.words && scene.query ? MOST_INDEXED + 1 : 0)
  return {
    query: queryOf(only(parametersFor(on, scene, { screen, way: 0 }), own)),
    screen,
    indexed: much <= MOST_INDEXED && way === 0 && !Object.hasOwn(scene.request.parameters, MARKED),
    previous: beside(screen - 1),
    next: beside(screen + 1),
  }
}
