import fc from 'fast-check'
import {
  CompiledRules,
  compareTables,
  dependsOn,
  resolve,
  resolveFully,
  resolveInTurn,
  retabulate,
  shownAt,
  tabulate,
} from '#core/rules'
import { REGIONS } from '#core/tree'
import { diceOf, seeds } from '../layouts/random'
import { randomFrame, randomRequest, randomRules, randomSite, shuffled } from './random'
import { runs } from '../../../runs'

/** The compiled resolver against its slow and obvious twin, which tests every frame in turn. */

function scene(seed: number) {
  const dice = diceOf(seed)
  const catalogue = randomSite(dice)
  const rules = randomRules(dice, catalogue)
  return { dice, catalogue, rules, request: randomRequest(dice) }
}

test('every page: the same regions, by the same frames, from the same candidates in the same order', () => {
  fc.assert(
    fc.property(seeds, (seed) => {
      const { dice, catalogue, rules, request } = scene(seed)
      const compiled = new CompiledRules({ ...rules, frames: shuffled(dice, rules.frames) }, catalogue)
      for (const page of catalogue.pages) {
        const slow = resolveInTurn(rules, catalogue, page, request)
        expect(resolve(compiled, page, request)).toEqual({ page: slow.page, regions: slow.regions })
        expect(resolveFully(compiled, page, request)).toEqual(slow)
      }
    }),
    { numRuns: runs(1000) },
  )
})

test('the order in which frames are stored changes nothing', () => {
  fc.assert(
    fc.property(seeds, (seed) => {
      const { dice, catalogue, rules, request } = scene(seed)
      const page = dice.pick(catalogue.pages)
      const other = resolveInTurn({ ...rules, frames: shuffled(dice, rules.frames) }, catalogue, page, request)
      expect(other).toEqual(resolveInTurn(rules, catalogue, page, request))
    }),
    { numRuns: runs(1000) },
  )
})

test('one frame added, changed, removed or switched: the table computed anew only where needed equals the whole', () => {
  fc.assert(
    fc.property(seeds, (seed) => {
      const { dice, catalogue, rules, request } = scene(seed)
      const id = dice.pick([...rules.frames.map((f) => f.id), 'new'])
      const without = rules.frames.filter((f) => f.id !== id)
      const old = rules.frames.find((f) => f.id === id)
      const edited = dice.pick([
        () => without,
        () => [...without, randomFrame(dice, catalogue, id)],
        () => (old ? [...without, { ...old, on: !old.on }] : without),
        () => (old ? [...without, { ...old, order: dice.below(3), outranks: !old.outranks }] : without),
        () => (old ? [...without, { ...old, regions: randomFrame(dice, catalogue, id).regions }] : without),
      ])()
      const before = new CompiledRules(rules, catalogue)
      const after = new CompiledRules({ ...rules, frames: edited }, catalogue)
      const kept = tabulate(before, request)
      const quick = retabulate(kept, before, after, id, request)
      const whole = tabulate(after, request)
      for (const [i] of catalogue.pages.entries()) {
        for (const [r] of REGIONS.entries()) {
          expect(shownAt(quick, i, r)).toEqual(shownAt(whole, i, r))
          expect(quick.deciding[quick.deciders[i * 4 + r]!]).toEqual(whole.deciding[whole.deciders[i * 4 + r]!])
        }
      }
      expect(compareTables(whole, quick)).toEqual([])
    }),
    { numRuns: runs(1000) },
  )
})

test('impact equals resolving every page under both designs', () => {
  fc.assert(
    fc.property(seeds, (seed) => {
      const { dice, catalogue, rules, request } = scene(seed)
      const other = randomRules(dice, catalogue)
      const impact = compareTables(
        tabulate(new CompiledRules(rules, catalogue), request),
        tabulate(new CompiledRules(other, catalogue), request),
      )
      const expected = catalogue.pages.flatMap((page, i) => {
        const [a, b] = [rules, other].map((r) => resolveInTurn(r, catalogue, page, request))
        return REGIONS.flatMap((region) => {
          const [from, to] = [a!.regions[region].shown, b!.regions[region].shown]
          return JSON.stringify(from) === JSON.stringify(to) ? [] : [{ page: i, region, from, to }]
        })
      })
      expect(impact).toEqual(expected)
    }),
    { numRuns: runs(300) },
  )
})

test('a page shows the same to two visitors who differ only in what it does not depend on', () => {
  fc.assert(
    fc.property(seeds, (seed) => {
      const { dice, catalogue, rules, request } = scene(seed)
      const other = randomRequest(dice)
      const compiled = new CompiledRules(rules, catalogue)
      for (const page of catalogue.pages) {
        const { needs, parameters } = dependsOn(compiled, page)
        const who = needs.has('session') ? request : other
        const mixed = {
          role: who.role,
          signedIn: who.signedIn,
          device: needs.has('device') ? request.device : other.device,
          parameters: Object.fromEntries([
            ...Object.entries(other.parameters).filter(([name]) => !parameters.has(name)),
            ...Object.entries(request.parameters).filter(([name]) => parameters.has(name)),
          ]),
          at: needs.has('date') ? request.at : other.at,
        }
        expect(resolve(compiled, page, mixed).regions).toEqual(resolve(compiled, page, request).regions)
      }
    }),
    { numRuns: runs(300) },
  )
})
