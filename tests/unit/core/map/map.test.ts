import {
  CompiledRules,
  compareTables,
  frameReach,
  layoutReach,
  pagesOfLayout,
  resolveInTurn,
  shownAt,
  tabulate,
} from '#core/rules'
import type { DisplayRule } from '#core/design'
import { cellOf, groupPages, mapRows, targetsFor } from '#core/map'
import { REGIONS, type LayoutRegion } from '#core/tree'
import { NO_WORK, VISITOR, frame, observatory } from '../../../fixtures'

const catalogue = observatory()
const layoutRegions = new Map<string, LayoutRegion>([
  ['H', 'header'],
  ['A', 'body'],
  ['B', 'body'],
])
const use = (layout: string) => ({ kind: 'use' as const, layout })
const site = frame('site', [{ kind: 'every' }], { header: use('H') })
const tools = frame('tools', [{ kind: 'type', type: 'tool' }], { body: use('A') })
const oneTool = frame('one', [{ kind: 'page', page: 'entry:mirror' }], { body: use('B'), header: { kind: 'empty' } })
const table = (...frames: DisplayRule[]) =>
  tabulate(new CompiledRules({ frames, layoutRegions, work: NO_WORK }, catalogue), VISITOR)

test('the table says of every page what resolving it says', () => {
  const frames = [site, tools, oneTool]
  const all = table(...frames)
  for (const [i, page] of catalogue.pages.entries()) {
    const { regions } = resolveInTurn({ frames, layoutRegions, work: NO_WORK }, catalogue, page, VISITOR)
    for (const [r, region] of REGIONS.entries()) expect(shownAt(all, i, r)).toEqual(regions[region].shown)
  }
})

test('impact is exactly the pages and regions that show something else', () => {
  const impact = compareTables(table(site, tools), table(site, tools, oneTool))
  expect(impact.map((i) => [catalogue.pages[i.page]!.key, i.region, i.to.kind])).toEqual([
    ['entry:mirror', 'header', 'empty'],
    ['entry:mirror', 'body', 'layout'],
  ])
  expect(compareTables(table(site, tools), table(tools, site))).toEqual([])
})

test('reach counts pages, of layouts and of frames', () => {
  const all = table(site, tools, oneTool)
  expect(Object.fromEntries(layoutReach(all))).toEqual({ H: catalogue.pages.length - 1, A: 1, B: 1 })
  expect(Object.fromEntries(frameReach(all))).toEqual({ site: catalogue.pages.length - 1, tools: 1, one: 1 })
  expect(pagesOfLayout(all, catalogue.pages, 'B').map((p) => p.key)).toEqual(['entry:mirror'])
})

describe('rows of the Map', () => {
  const rows = (open: string[] = [], filter = '', ...frames: DisplayRule[]) =>
    mapRows(groupPages(catalogue), catalogue, table(...(frames.length ? frames : [site, tools, oneTool])), {
      open: new Set(open),
      filter,
    })

  test('every page stands in exactly one group', () => {
    const pages = groupPages(catalogue).flatMap((g) => g.pages)
    expect([...pages].sort((a, b) => a - b)).toEqual(catalogue.pages.map((_, i) => i))
  })

  test('a group whose pages differ shows its shares and its exceptions by the frame that makes them', () => {
    const found = rows()
    const group = found.find((r) => r.key === 'type:tool')!
    expect(cellOf(group, 2, table(site, tools, oneTool))!.shares.map((s) => s.count)).toEqual([1, 1])
    expect(cellOf(found[0]!, 2, table(site, tools, oneTool))).toBeNull()
    expect(found.find((r) => r.kind === 'exception')).toMatchObject({
      frame: 'one',
      pages: [catalogue.pages.findIndex((p) => p.key === 'entry:mirror')],
    })
  })

  test('unfolded, a group shows its pages instead', () => {
    const found = rows(['type:tool'])
    expect(found.filter((r) => r.kind === 'page').map((r) => r.label)).toEqual(['Long refractor', 'Mirror'])
    expect(found.some((r) => r.kind === 'exception')).toBe(false)
  })

  test('a filter finds names and addresses, and unfolds what it finds', () => {
    expect(rows([], 'REFRAC').map((r) => r.label)).toEqual(['Entries', 'tools', 'Long refractor'])
    expect(
      rows([], '/domes/west')
        .filter((r) => r.kind === 'page')
        .map((r) => r.label),
    ).toEqual(['West dome'])
    expect(rows([], 'zzz')).toEqual([])
  })
})

describe('targets for a selection of rows', () => {
  const groups = groupPages(catalogue)
  const at = (...keys: string[]) => new Set(keys.map((k) => catalogue.indexOf(k)!))
  const all = (key: string) => groups.find((g) => g.key === key)!.pages

  test('whole groups as one target, other pages one by one', () => {
    expect(targetsFor(new Set(all('type:tool')), groups, catalogue).covers).toEqual([{ kind: 'type', type: 'tool' }])
    expect(targetsFor(new Set(all('terms:dome')), groups, catalogue).covers).toEqual([
      { kind: 'term-pages', taxonomy: 'dome' },
    ])
    expect(targetsFor(at('entry:mirror', 'search'), groups, catalogue).covers).toEqual([
      { kind: 'page', page: 'entry:mirror' },
      { kind: 'page', page: 'search' },
    ])
    expect(targetsFor(at('home'), groups, catalogue).covers).toEqual([{ kind: 'page', page: 'home' }])
    expect(targetsFor(new Set(), groups, catalogue)).toEqual({ covers: [], except: [] })
    expect(targetsFor(new Set([...all('archive:note'), ...all('months:note')]), groups, catalogue).covers).toEqual([
      { kind: 'page', page: 'archive:note' },
      { kind: 'page', page: 'month:note:2025-06' },
    ])
  })

  test('what makes pages stand apart already is said the same way again', () => {
    const like = {
      covers: [{ kind: 'type' as const, type: 'tool' }],
      except: [{ kind: 'page' as const, page: 'entry:mirror' }],
    }
    expect(targetsFor(at('entry:refractor'), groups, catalogue, like)).toEqual(like)
    expect(targetsFor(at('entry:mirror'), groups, catalogue, like).covers).toEqual([
      { kind: 'page', page: 'entry:mirror' },
    ])
  })

  test('what they cover is exactly what was selected', () => {
    for (const group of groups) {
      const selected = new Set(group.pages)
      const { covers, except } = targetsFor(selected, groups, catalogue)
      const after = table(frame('new', covers, { body: use('A') }, { except }))
      const changed = compareTables(table(), after).map((i) => i.page)
      expect(new Set(changed)).toEqual(selected)
    }
  })
})
