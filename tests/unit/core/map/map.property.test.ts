import fc from 'fast-check'
import { CompiledRules, frameSentence, pagesCovered, shownAt, tabulate } from '#core/rules'
import { factsOf, matches, namesFrom } from '#core/targets'
import { cellOf, groupPages, mapRows, targetsFor } from '#core/map'
import { REGIONS } from '#core/tree'
import { diceOf, seeds } from '../layouts/random'
import { randomFrame, randomRequest, randomRules, randomSite } from '../rules/random'
import { runs } from '../../../runs'

/** The Map over random sites and designs: nothing is left out, counted twice, or said otherwise than it is. */

const upTo = (n: number) => Array.from({ length: n }, (_, i) => i)

test('the pages that a frame covers are those that a target matches and none excepts', () => {
  fc.assert(
    fc.property(seeds, (seed) => {
      const dice = diceOf(seed)
      const catalogue = randomSite(dice)
      const { covers, except } = randomFrame(dice, catalogue, 'f')
      const expected = catalogue.pages.flatMap((page, i) => {
        const facts = factsOf(catalogue, page)
        const isIn = (targets: typeof covers) => targets.some((t) => matches(t, facts, catalogue))
        return isIn(covers) && !isIn(except) ? [i] : []
      })
      expect(pagesCovered({ covers, except }, catalogue)).toEqual(expected)
    }),
    { numRuns: runs(2000) },
  )
})

test('any selection of pages can be said as conditions that cover it and nothing else', () => {
  fc.assert(
    fc.property(seeds, (seed) => {
      const dice = diceOf(seed)
      const catalogue = randomSite(dice)
      const groups = groupPages(catalogue)
      const selected = new Set(
        groups.flatMap((g) => {
          if (dice.below(3) === 0) return g.pages
          return g.pages.filter(() => dice.below(4) === 0)
        }),
      )
      const like = dice.yes() ? randomFrame(dice, catalogue, 'f') : undefined
      const conditions = targetsFor(selected, groups, catalogue, like)
      expect(pagesCovered(conditions, catalogue)).toEqual([...selected].sort((a, b) => a - b))
    }),
    { numRuns: runs(2000) },
  )
})

test('every page stands in one group; unfolded, in one row, whose cells are what the page shows', () => {
  fc.assert(
    fc.property(seeds, (seed) => {
      const dice = diceOf(seed)
      const catalogue = randomSite(dice)
      const groups = groupPages(catalogue)
      expect(groups.flatMap((g) => g.pages).sort((a, b) => a - b)).toEqual(upTo(catalogue.pages.length))

      const table = tabulate(new CompiledRules(randomRules(dice, catalogue), catalogue), randomRequest(dice))
      const open = new Set(groups.map((g) => g.key))
      const rows = mapRows(groups, catalogue, table, { open, filter: '' })
      const pages = rows.filter((row) => row.kind === 'page')
      expect(pages.map((row) => row.sample).sort((a, b) => a - b)).toEqual(upTo(catalogue.pages.length))
      for (const row of pages) {
        for (const [r] of REGIONS.entries()) expect(cellOf(row, r, table)!.shown).toEqual(shownAt(table, row.sample, r))
      }
      expect(new Set(rows.map((row) => row.key)).size).toBe(rows.length)
    }),
    { numRuns: runs(500) },
  )
})

test('folded, shares add up to the pages, and exceptions with the rest are the group', () => {
  fc.assert(
    fc.property(seeds, (seed) => {
      const dice = diceOf(seed)
      const catalogue = randomSite(dice)
      const groups = groupPages(catalogue)
      const table = tabulate(new CompiledRules(randomRules(dice, catalogue), catalogue), randomRequest(dice))
      const rows = mapRows(groups, catalogue, table, { open: new Set(), filter: '' })
      for (const row of rows.filter((r) => r.kind === 'group')) {
        for (const [r] of REGIONS.entries()) {
          const cell = cellOf(row, r, table)!
          expect(cell.shares.reduce((sum, share) => sum + share.count, 0)).toBe(row.pages.length)
          for (const { shown, count } of cell.shares)
            expect(
              row.pages.filter((p) => JSON.stringify(shownAt(table, p, r)) === JSON.stringify(shown)),
            ).toHaveLength(count)
        }
        const exceptions = rows.filter((other) => other.kind === 'exception' && other.key.startsWith(`${row.key}/`))
        const apart = exceptions.flatMap((e) => e.pages)
        expect(new Set(apart).size).toBe(apart.length)
        expect(apart.every((p) => row.pages.includes(p) && p !== row.sample)).toBe(true)
      }
    }),
    { numRuns: runs(500) },
  )
})

test('a filter leaves the pages whose name or address has it, and no others', () => {
  fc.assert(
    fc.property(seeds, (seed) => {
      const dice = diceOf(seed)
      const catalogue = randomSite(dice)
      const table = tabulate(new CompiledRules(randomRules(dice, catalogue), catalogue), randomRequest(dice))
      const page = dice.pick(catalogue.pages)
      const whole = dice.yes() ? page.title : page.address || page.title
      const from = dice.below(whole.length)
      const filter = whole.slice(from, from + 1 + dice.below(5))
      const rows = mapRows(groupPages(catalogue), catalogue, table, { open: new Set(), filter })
      const has = (text: string) => text.toLowerCase().includes(filter.trim().toLowerCase())
      const expected = catalogue.pages.filter((p) => has(p.title) || has(p.address)).map((p) => p.key)
      // Nothing but blanks is no filter: the groups stay folded.
      if (filter.trim())
        expect(rows.flatMap((r) => (r.kind === 'page' ? catalogue.pages[r.sample]!.key : [])).sort()).toEqual(
          expected.sort(),
        )
    }),
    { numRuns: runs(500) },
  )
})

test('every frame can be read as one sentence, also when what it names is gone', () => {
  fc.assert(
    fc.property(seeds, (seed) => {
      const dice = diceOf(seed)
      const catalogue = randomSite(dice)
      const sentence = frameSentence(randomFrame(dice, catalogue, 'f'), namesFrom(catalogue))
      expect(sentence).toMatch(/^\S.*\S$/)
      expect(sentence).not.toMatch(/undefined|null|NaN|\[object|\bgone\b| {2}/)
    }),
    { numRuns: runs(2000) },
  )
})
