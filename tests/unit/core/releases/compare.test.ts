import fc from 'fast-check'
import { compareDesigns, layoutsThatDiffer } from '#core/releases'
import type { Design } from '#core/design'
import { CompiledRules, resolve, rulesOf } from '#core/rules'
import { Trees, layoutEditing, treesOf } from '#core/layouts'
import { CompiledDesign } from '#core/render'
import { Formats, sceneOf } from '#core/drawing'
import { Catalogue } from '#core/catalogue'
import { makeDemo } from '../../../../demo'
import { VISITOR } from '../../../fixtures'
import { diceOf, randomEdit, seeds } from '../layouts/random'
import { likelyEdit } from '../layouts/random-trees'
import { runs } from '../../../runs'

/** What differs between two designs, against drawing every page under both. */

const { site, design: bare } = makeDemo()
const design: Design = { ...bare, menus: site.menus }
const catalogue = new Catalogue(site)
const formats = new Formats(site.settings)

function drawn(of: Design): string[] {
  const compiled = new CompiledDesign(of)
  const rules = new CompiledRules(rulesOf(of), catalogue)
  return catalogue.pages.map((page) => {
    const scene = sceneOf(catalogue, formats, page, { cards: compiled.cards, menus: compiled.menus, request: VISITOR })
    return compiled.draw(scene, resolve(rules, page, VISITOR)).html
  })
}
const DRAWN = drawn(design)
const compare = (after: Design) => compareDesigns(design, after, catalogue, VISITOR)
const keys = (after: Design) => compare(after).pages.map(({ page }) => catalogue.pages[page]!.key)

function edited(id: string, seed: number): Design {
  const dice = diceOf(seed)
  const editing = layoutEditing(() => new Trees(design.layouts))
  let layout = design.layouts.find((l) => l.id === id)!
  for (let i = 0; i < 4; i++) {
    const tree = new Trees([...design.layouts.filter((l) => l.id !== id), layout]).tree(id)!
    const result = editing.apply(layout, dice.below(3) === 0 ? randomEdit(tree, dice) : likelyEdit(tree, dice))
    if (result.ok) layout = result.document
  }
  return { ...design, layouts: design.layouts.map((l) => (l.id === id ? layout : l)) }
}

test('every page that is drawn otherwise is told, whatever was edited: bases, cards, what is seldom seen', () => {
  fc.assert(
    fc.property(seeds, fc.constantFrom(...design.layouts.map((l) => l.id)), (seed, id) => {
      const after = edited(id, seed)
      const told = new Set(compare(after).pages.map(({ page }) => page))
      const now = drawn(after)
      expect(now.flatMap((html, i) => (html === DRAWN[i] || told.has(i) ? [] : catalogue.pages[i]!.key))).toEqual([])
    }),
    { numRuns: runs(25) },
  )
})

test('nothing differs from itself; a name is not seen; a house style differs on every page', () => {
  expect(compare(JSON.parse(JSON.stringify(design)) as Design)).toEqual({ pages: [], house: false, layouts: [] })
  const renamed = {
    ...design,
    layouts: design.layouts.map((l) => ({ ...l, name: `${l.name}!`, about: 'Other words' })),
  }
  expect(compare(renamed).pages).toEqual([])
  const house = compare({ ...design, house: { ...design.house, gap: 41 } })
  expect([house.house, house.pages.length, house.pages[0]!.regions]).toEqual([true, catalogue.pages.length, []])
})

test('an edit of a base is told for what follows it too, a menu for what shows it, a frame for its pages', () => {
  const [first] = treesOf(design).tree('exhibit-page')!.children
  const look = { kind: 'setStyle' as const, id: first!.id, property: 'marginTop', step: 'narrow' as const, value: 3 }
  const result = layoutEditing(() => treesOf(design)).apply(
    design.layouts.find((l) => l.id === 'exhibit-page')!,
    look,
  )
  const after = {
    ...design,
    layouts: design.layouts.map((l) => (l.id === 'exhibit-page' ? result.ok && result.document : l)),
  }
  expect([...layoutsThatDiffer(design, after as Design)].sort()).toEqual(['exhibit-page', 'turret-exhibit'])
  const exhibits = catalogue.pages.filter((p) => p.kind === 'entry' && p.type === 'exhibit')
  expect(keys(after as Design).sort()).toEqual(exhibits.map((p) => p.key).sort())
  const menus = site.menus.map((m) => (m.id === 'main' ? { ...m, items: m.items.slice(1) } : m))
  expect([...layoutsThatDiffer(design, { ...design, menus })]).toContain('house-header')
  expect(compare({ ...design, menus }).pages.length).toBeGreaterThan(80)
  const frames = design.frames.filter((f) => f.id !== 'tower')
  const tower = compare({ ...design, frames }).pages
  expect(tower.length).toBeGreaterThan(0)
  expect(tower.every(({ page, regions }) => regions.length > 0 && catalogue.pages[page]!.type === 'exhibit')).toBe(true)
})
