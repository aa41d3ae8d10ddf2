import { Formats, fill, sceneOf } from '#core/drawing'
import { ELEMENTS, newElement } from '#core/elements'
import { treeToDraw } from '#core/layouts'
import { CompiledDesign } from '#core/render'
import { compileNode } from '#core/render/compile'
import { Catalogue } from '#core/catalogue'
import type { LayoutElement, Value } from '#core/tree'
import { makeDemo } from '#demo/index'
import { column, layout, row } from '../../../fixtures'

/**
 * Looks are written into the CSS of a page from what was compiled, before anything is drawn: what an element asks for
 * only as it draws would be asked for too late, and its part would have a class without a rule.
 */

const { site, design } = makeDemo()
const catalogue = new Catalogue(site)
const { cards, menus } = new CompiledDesign(design)
const PAGES = [
  'entry:fenwick-turret-clock',
  'entry:walnut-longcase-with-tide-dial',
  'term:tower-room',
  'archive:talk',
  'home',
]

/** What is asked for only where an element stands in another one, or is told what nobody tells it here. */
const ELSEWHERE: ReadonlySet<string> = new Set([
  'picture-set button',
  'menu button',
  'menu panel',
  'entry-list sums',
  ...['label', 'optional', 'help', 'field', 'option', 'problem'].map((part) => `question ${part}`),
])

/** Elements as the museum uses them, and as they are when they are new. */
const used = (type: string): LayoutElement[] => {
  const found: LayoutElement[] = []
  const look = (node: object): void => {
    if ((node as LayoutElement).kind === 'element' && (node as LayoutElement).type === type)
      found.push(node as LayoutElement)
    for (const child of (node as { children?: object[] }).children ?? []) look(child)
  }
  design.layouts.forEach(look)
  return [newElement(type, () => 'new'), ...found]
}

test.each(ELEMENTS.filter((e) => e.parts).map((e) => [e.type, e] as const))(
  '%s: looks of every part are known before it is drawn',
  (type, spec) => {
    const drawn = new Set<string>()
    for (const element of used(type)) {
      const looks = Object.fromEntries(
        Object.keys(spec.parts!).map((part, i) => [part, { colour: { wide: `#1234${String(10 + i)}` } }]),
      )
      const made = { ...element, looks, hides: [], props: element.props as Record<string, Value> }
      const tree = treeToDraw(layout('x', spec.regions?.[0] ?? 'body', row(column(12, made))))
      const program = compileNode(tree, {}, made)
      const before = [...program.rules.keys()]
      // What nobody asks for is accepted in the studio and drawn nowhere.
      const written = JSON.stringify([...program.rules.values()])
      for (const part of Object.keys(spec.parts!)) if (written.includes(looks[part]!.colour.wide)) drawn.add(part)
      for (const key of PAGES) {
        const scene = sceneOf(catalogue, new Formats(site.settings), catalogue.page(key)!, { cards, menus })
        fill([program.chunk], scene)
      }
      expect([...program.rules.keys()]).toEqual(before)
    }
    const lost = Object.entries(spec.parts!).filter(([part, { plain }]) => !plain && !drawn.has(part))
    expect(lost.map(([part]) => `${type} ${part}`).filter((at) => !ELSEWHERE.has(at))).toEqual([])
  },
)
