import type { ListPlan, Scene } from '../drawing'
import { isLeftOut } from '../catalogue'
import type { Regions } from './document'

/** What the regions of a page have to do with one another, and with what is drawn in them. */

/** Whether two pages show the same layouts. */
export const sameRegions = (a: Regions, b: Regions): boolean =>
  a.body?.layout === b.body?.layout &&
  a.intro?.layout === b.intro?.layout &&
  a.header?.layout === b.header?.layout &&
  a.footer?.layout === b.footer?.layout

/** The same scene, in which what stands on the page may ask for the lists beside it. */
export const knowingLists = (scene: Scene, own: readonly ListPlan[]): Scene => ({
  ...scene,
  lists: (page) => (page === scene.page ? own : scene.lists(page)),
})

/** The regions of a page but for those that the writer of its entry leaves out. */
export function withoutLeftOut(regions: Regions, { subject }: Scene): Regions {
  const left = (['header', 'intro', 'footer'] as const).filter((region) => isLeftOut(region, subject))
  return left.length === 0 ? regions : { ...regions, ...Object.fromEntries(left.map((region) => [region, undefined])) }
}
