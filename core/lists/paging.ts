import type { Catalogue } from '../catalogue'
import type { Parameters } from '../addresses'
import { type Asked, type Filter, parametersNamed, slugOfKey } from './filters'
import { dayOfNumber } from '../time'

/** The address parameter that tells which entries a visitor has marked. */
export const MARKED = 'marked'
/** Later screens of a list have addresses of their own: `?page=2`. */
export const PAGE = 'page'
/** How visitors have a list sorted: by one of the fields that the list offers, from the other end with a minus before it. */
export const SORT = 'sort'

/** Nobody leafs further; it also keeps sums small. */
const MOST_PAGES = 1_000_000

/** The screen that is asked for, from 1 on; null for what is none. */
export function readScreen(given: Parameters): number | null {
  const said = Object.hasOwn(given, PAGE) ? given[PAGE]![0]! : '1'
  if (!/^\d{1,7}$/.test(said)) return null
  const screen = Number(said)
  return screen >= 1 && screen <= MOST_PAGES ? screen : null
}

/** How many screens a list has; an empty one has one that says so. */
export const screensOf = (total: number, each: number): number => Math.max(1, Math.ceil(total / each))

/** What narrows a list, as parameters in one order: what comes to the same has one address. */
export function writeAsked(
  catalogue: Catalogue,
  filters: readonly Filter[],
  asked: readonly (Asked | null)[],
): Parameters {
  const written: [string, string[]][] = []
  filters.forEach((filter, i) => {
    const said = asked[i]
    if (!said) return
    if ('keys' in said) {
      written.push([filter.name, said.keys.map((key) => slugOfKey(catalogue, filter.field, key)).sort()])
      return
    }
    const end = (value: number): string => (filter.as === 'day' ? dayOfNumber(value) : String(value))
    const [, from, to] = parametersNamed(filter.name)
    if (said.from !== null) written.push([from, [end(said.from)]])
    if (said.to !== null) written.push([to, [end(said.to)]])
  })
  return Object.fromEntries(written)
}

/** The numbers of the screens that are offered beside the present one: the ends, and those around it; 0 stands for a gap. */
export function screensAround(screen: number, last: number): number[] {
  const wanted = new Set([1, 2, screen - 1, screen, screen + 1, last - 1, last])
  const shown = [...wanted].filter((n) => n >= 1 && n <= last).sort((a, b) => a - b)
  return shown.flatMap((n, i) => (i > 0 && n - shown[i - 1]! > 1 ? [0, n] : [n]))
}
