import type { Circumstance, Request } from '#core/conditions'
import type { FieldTestOp } from '#core/fields'
import type { DisplayRule, RegionSetting } from '#core/design'
import type { Refinement, Target } from '#core/targets'
import type { RuleSet } from '#core/rules'
import { REGIONS, type LayoutRegion } from '#core/tree'
import { Catalogue } from '#core/catalogue'
import type { Entry, Site } from '#core/model'
import { NO_WORK, entry, frame, smallSite } from '../../../fixtures'
import type { Dice } from '../layouts/random'

/** Random sites, designs and requests, small enough that frames often meet on the same page. */

const TERMS = ['east', 'east-low', 'west', 'gone']
const LAYOUTS: [string, LayoutRegion][] = [
  ['H1', 'header'],
  ['H2', 'header'],
  ['I1', 'intro'],
  ['B1', 'body'],
  ['B2', 'body'],
  ['B3', 'body'],
  ['F1', 'footer'],
]
export const layoutRegions = new Map<string, LayoutRegion>(LAYOUTS)

const some = <T>(dice: Dice, items: readonly T[]): T[] => items.filter(() => dice.below(3) === 0)
const atLeastOne = <T>(dice: Dice, items: readonly T[]): T[] => {
  const found = some(dice, items)
  return found.length ? found : [dice.pick(items)]
}

function randomEntry(dice: Dice, id: string, ids: string[]): Entry {
  const type = dice.pick(['page', 'tool', 'note'])
  return entry(id, type, {
    terms: some(dice, TERMS),
    person: dice.yes() ? 'nell' : null,
    parent: dice.yes() ? dice.pick([...ids, 'visit']) : null,
    picture: dice.yes() ? 'moon' : null,
    date: dice.yes() ? `2025-0${1 + dice.below(6)}-10` : null,
    published: dice.below(8) > 0,
    chosenFrame: dice.below(5) === 0 ? `f${dice.below(6)}` : null,
    fields: {
      width: dice.below(5),
      ...dice.pick([{}, { works: true }, { works: false }]),
      kind: dice.pick(['lens', 'mirror']),
    },
  })
}

export function randomSite(dice: Dice): Catalogue {
  const ids = Array.from({ length: 4 + dice.below(8) }, (_, i) => `x${i}`)
  const site: Site = smallSite(ids.map((id) => randomEntry(dice, id, ids)))
  site.settings = {
    ...site.settings,
    shop: dice.yes(),
    home: dice.pick([
      { kind: 'entry', entry: 'welcome' },
      { kind: 'archive', type: 'tool' },
      { kind: 'entry', entry: dice.pick(ids) },
      { kind: 'archive', type: 'gone' },
    ]),
  }
  return new Catalogue(site)
}

function randomRefinement(dice: Dice, catalogue: Catalogue): Refinement {
  const field = (): Refinement => {
    const [name, op, value] = dice.pick<[string, FieldTestOp, string | number | boolean | null]>([
      ['width', 'at-least', 2],
      ['works', 'is', true],
      ['works', 'is', false],
      ['kind', 'is-not', 'lens'],
      ['picture', 'is-empty', null],
      ['gone', 'is-empty', null],
      ['date', 'after', '2025-03-01'],
    ])
    return { kind: 'field', field: name, op, value }
  }
  return dice.pick<() => Refinement>([
    () => ({ kind: 'term', taxonomy: 'dome', terms: atLeastOne(dice, TERMS), below: dice.yes() }),
    () => ({ kind: 'person', people: [dice.pick(['nell', 'gone'])] }),
    () => ({ kind: 'below', entries: atLeastOne(dice, ['visit', ...[...catalogue.entries.keys()].slice(0, 3)]) }),
    field,
    field,
  ])()
}

function randomTarget(dice: Dice, catalogue: Catalogue): Target {
  const type = dice.pick(['page', 'tool', 'note', 'gone'])
  return dice.pick<() => Target>([
    () => ({ kind: 'every' }),
    () => ({ kind: 'kind', pages: dice.pick(['entries', 'archives', 'working']) }),
    () => ({ kind: 'type', type }),
    () => ({ kind: 'type-archives', type }),
    () => ({ kind: 'term-pages', taxonomy: 'dome' }),
    () => ({ kind: 'person-pages' }),
    () => ({
      kind: 'page',
      page: dice.pick([...catalogue.pages.map((p) => p.key), 'entry:gone', 'archive:tool', 'entry:welcome']),
    }),
    () => ({
      kind: 'entries',
      type: dice.yes() ? type : null,
      where: Array.from({ length: dice.below(3) }, () => randomRefinement(dice, catalogue)),
    }),
  ])()
}

function randomCircumstance(dice: Dice): Circumstance {
  return dice.pick<Circumstance>([
    { kind: 'parameter', name: 'kiosk', op: 'present', values: [] },
    { kind: 'device', devices: ['phone', 'tablet'] },
    { kind: 'device', devices: ['desktop'] },
    { kind: 'role', roles: ['member'] },
    { kind: 'signed-in', yes: dice.yes() },
    { kind: 'date', from: '2026-01-01', until: null, weekdays: dice.yes() ? [7] : [] },
  ])
}

function randomSay(dice: Dice): RegionSetting {
  const layout = dice.pick([...LAYOUTS.map(([id]) => id), 'gone'])
  return dice.pick<RegionSetting>([
    { kind: 'pass' },
    { kind: 'empty' },
    { kind: 'use', layout },
    { kind: 'use', layout },
    { kind: 'use', layout },
  ])
}

export function randomFrame(dice: Dice, catalogue: Catalogue, id: string): DisplayRule {
  const targets = (most: number) => Array.from({ length: dice.below(most + 1) }, () => randomTarget(dice, catalogue))
  return frame(id, targets(3), Object.fromEntries(REGIONS.map((r) => [r, randomSay(dice)])), {
    on: dice.below(8) > 0,
    except: dice.below(3) === 0 ? targets(2) : [],
    onlyWhen: dice.below(3) === 0 ? Array.from({ length: 1 + dice.below(2) }, () => randomCircumstance(dice)) : [],
    outranks: dice.below(10) === 0,
    order: dice.below(3),
    offeredTo: dice.below(3) === 0 ? some(dice, ['page', 'tool', 'note']) : [],
  })
}

export function randomRules(dice: Dice, catalogue: Catalogue, most = 14): RuleSet {
  const frames = Array.from({ length: 1 + dice.below(most) }, (_, i) => randomFrame(dice, catalogue, `f${i}`))
  return { frames, layoutRegions, work: NO_WORK }
}

export function randomRequest(dice: Dice): Request {
  return {
    role: dice.pick(['visitor', 'member']),
    signedIn: dice.yes(),
    device: dice.pick(['phone', 'tablet', 'desktop']),
    parameters: dice.yes() ? { kiosk: [''] } : {},
    at: Date.parse(dice.pick(['2026-03-29T12:00:00Z', '2025-12-30T12:00:00Z', '2026-03-30T12:00:00Z'])),
  }
}

export function shuffled<T>(dice: Dice, items: readonly T[]): T[] {
  const rest = [...items]
  return items.map(() => rest.splice(dice.below(rest.length), 1)[0]!)
}
