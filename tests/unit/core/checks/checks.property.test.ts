import fc from 'fast-check'
import { checkDesign } from '#core/checks'
import type { Request } from '#core/conditions'
import type { Design, DisplayRule } from '#core/design'
import { resolveInTurn, rulesOf } from '#core/rules'
import { REGIONS, emptyLayout } from '#core/tree'
import { PLAIN_HOUSE } from '#core/styles'
import { NO_WORK } from '../../../fixtures'
import { randomFrame, randomSite, layoutRegions } from '../rules/random'
import { diceOf, seeds } from '../layouts/random'
import { runs } from '../../../runs'

/** Ties and dead frames against what resolving every page in turn says, where no circumstance confuses the two. */

const VISITOR: Request = { role: 'visitor', signedIn: false, device: 'desktop', parameters: {}, at: 0 }

function scene(seed: number) {
  const dice = diceOf(seed)
  const catalogue = randomSite(dice)
  const frames = Array.from({ length: 1 + dice.below(10) }, (_, i) => ({
    ...randomFrame(dice, catalogue, `f${i}`),
    onlyWhen: [],
  }))
  const layouts = [...layoutRegions].map(([id, region]) => emptyLayout(id, id, region))
  const design: Design = { format: 1, layouts, frames, house: PLAIN_HOUSE }
  const rules = rulesOf(design)
  const outcomes = catalogue.pages.map((page) => resolveInTurn(rules, catalogue, page, VISITOR))
  return { catalogue, design, outcomes, findings: checkDesign(design, catalogue, VISITOR) }
}

/** A frame that is offered to writers and has a say that can be used waits for one who chooses it. */
const waits = ({ offeredTo, regions }: DisplayRule): boolean =>
  offeredTo.length > 0 &&
  REGIONS.some((region) => {
    const say = regions[region]
    return say.kind === 'empty' || (say.kind === 'use' && layoutRegions.get(say.layout) === region)
  })

test('dead are exactly the frames that are on, decide no region of any page, and wait for no writer', () => {
  fc.assert(
    fc.property(seeds, (seed) => {
      const { design, outcomes, findings } = scene(seed)
      const deciding = new Set(outcomes.flatMap((o) => REGIONS.map((r) => o.regions[r].by)))
      const expected = design.frames.filter((f) => f.on && !deciding.has(f.id) && !waits(f)).map((f) => f.id)
      expect(findings.flatMap((f) => (f.kind === 'dead' ? f.frame : [])).sort()).toEqual(expected.sort())
    }),
    { numRuns: runs(1000) },
  )
})

test('those said to shadow a dead frame decide where it would, and with them gone it is alive', () => {
  let met = 0
  fc.assert(
    fc.property(seeds, (seed) => {
      const { catalogue, design, findings } = scene(seed)
      for (const finding of findings) {
        if (finding.kind !== 'dead' || finding.because !== 'shadowed') continue
        met++
        expect(finding.by.length).toBeGreaterThan(0)
        let frames: DisplayRule[] = design.frames
        // Behind those that shadow it there may be more; in the end it decides.
        for (let round = 0; round <= design.frames.length; round++) {
          const still = checkDesign({ ...design, frames }, catalogue, VISITOR).find(
            (f) => f.kind === 'dead' && f.frame === finding.frame,
          )
          if (!still || still.kind !== 'dead') break
          expect(still.because).toBe('shadowed')
          expect(still.by).not.toContain(finding.frame)
          frames = frames.filter((f) => !still.by.includes(f.id))
        }
        const left = checkDesign({ ...design, frames }, catalogue, VISITOR)
        expect(left.some((f) => f.kind === 'dead' && f.frame === finding.frame)).toBe(false)
      }
    }),
    { numRuns: runs(500) },
  )
  expect(met).toBeGreaterThan(5)
})

test('of two that are tied, raising either by one place makes it the one before the other', () => {
  let met = 0
  fc.assert(
    fc.property(seeds, (seed) => {
      const { catalogue, design, findings } = scene(seed)
      for (const finding of findings) {
        if (finding.kind !== 'tie') continue
        met++
        for (const id of finding.frames) {
          const frames = design.frames.map((f) => (f.id === id ? { ...f, order: f.order - 0.5 } : f))
          const other = finding.frames.find((f) => f !== id)!
          for (const key of finding.pages) {
            const page = catalogue.page(key)!
            const { candidates } = resolveInTurn({ frames, layoutRegions, work: NO_WORK }, catalogue, page, VISITOR)
            const places = [id, other].map((f) => candidates.findIndex((c) => c.frame.id === f))
            expect(places[0]).toBeLessThan(places[1]!)
          }
        }
      }
    }),
    { numRuns: runs(500) },
  )
  expect(met).toBeGreaterThan(5)
})
