import { DOCUMENTS } from '../../core/documents'
import type { Request } from '../../core/conditions'
import { CompiledRules, resolve, rulesOf } from '../../core/rules'
import type { Design } from '../../core/design'
import { REGIONS } from '../../core/tree'
import { type Problem, problem } from '../../core/problems'
import { CompiledDesign } from '../../core/render'
import { sceneOf } from '../../core/drawing'
import type { Page } from '../../core/model'
import { nameOfShared } from '../database/sound'
import type { Content } from './content'

/** A visitor of whom nothing is known, at this moment. */
export const anybody = (): Request => ({
  role: 'visitor',
  signedIn: false,
  device: 'desktop',
  parameters: {},
  at: Date.now(),
})
/** Pages of one kind that show the same layouts are drawn this often: the first ones, and so the awkward ones too. */
const OF_EACH = 3
const MOST_PAGES = 600

function refuseDesign(design: Design): Problem | null {
  // What was read was judged then.
  const made = <T extends object>(all: readonly T[]) => all.filter((one) => nameOfShared(one) === undefined)
  const all = [
    ...made(design.layouts).map((l) => [`the layout ${l.name || l.id}`, DOCUMENTS.layout(l)] as const),
    ...made(design.frames).map((f) => [`the frame ${f.id}`, DOCUMENTS.frame(f)] as const),
    ...made([design.house]).map((h) => ['the house style', DOCUMENTS.house(h)] as const),
  ]
  const wrong = all.find(([, why]) => why !== null)
  return wrong ? problem('undrawable', { page: wrong[0], why: wrong[1]! }) : null
}

const reason = (error: unknown): string => (error instanceof Error ? error.message : String(error))

/**
 * Draws pages of every kind, each with every set of layouts that it shows, as they will be drawn for visitors.
 * Gives the reason why the design cannot be released: a document in it that is none, or a page that cannot be drawn.
 */
export function rehearse(
  design: Design,
  { catalogue, formats }: Pick<Content, 'catalogue' | 'formats'>,
): Problem | null {
  const refused = refuseDesign(design)
  if (refused) return refused
  let at: Page | null = null
  try {
    const compiled = new CompiledDesign(design, { strict: true })
    const rules = new CompiledRules(rulesOf(design), catalogue)
    const drawn = new Map<string, number>()
    let count = 0
    for (const page of catalogue.pages) {
      const request = anybody()
      const outcome = resolve(rules, page, request)
      const key = [page.kind, page.type, ...REGIONS.map((r) => JSON.stringify(outcome.regions[r].shown))].join(' ')
      const times = drawn.get(key) ?? 0
      if (times >= OF_EACH || count >= MOST_PAGES) continue
      drawn.set(key, times + 1)
      count++
      at = page
      compiled.draw(sceneOf(catalogue, formats, page, { cards: compiled.cards, menus: compiled.menus }), outcome)
    }
    return null
  } catch (error) {
    return problem('undrawable', { page: at ? `the page “${at.title}”` : 'the design', why: reason(error) })
  }
}
