import type { Request } from '../core/conditions'
import type { DisplayRule } from '../core/design'
import { type RuleSet, newFrame } from '../core/rules'
import type { Target } from '../core/targets'
import type { LayoutRegion } from '../core/tree'
import { Catalogue } from '../core/catalogue'
import type { Entry, Site } from '../core/model'
import { chanceOf } from '../demo/pictures/chance'
import { makeDemo } from '../demo'

/** A generated site of 100,000 pages and a design of 1,000 frames over it: the same at every making. */

const PAGES = 100_000
const FRAMES = 1_000
const TERMS = 200
export const LAYOUTS: [string, LayoutRegion][] = (['header', 'intro', 'body', 'footer'] as const).flatMap((region) =>
  Array.from({ length: 20 }, (_, i): [string, LayoutRegion] => [`${region}${i}`, region]),
)

type Chance = ReturnType<typeof chanceOf>

function largeSite(chance: Chance, pages: number): Site {
  const { site } = makeDemo()
  const terms = Array.from({ length: TERMS }, (_, i) => ({
    ...site.terms[0]!,
    id: `t${i}`,
    slug: `t${i}`,
    title: `Room ${i}`,
  }))
  const types = ['exhibit', 'talk', 'story', 'ticket']
  const entries = Array.from({ length: pages }, (_, i): Entry => {
    const type = types[i % 4]!
    return {
      ...site.entries[0]!,
      id: `e${i}`,
      slug: `e${i}`,
      type,
      title: `Thing number ${i}`,
      terms: [`t${Math.floor(chance.next() * TERMS)}`],
      person: `p${i % 40}`,
      date: `20${10 + (i % 15)}-0${1 + (i % 9)}-11`,
      fields: { height: i % 300, loan: i % 7 === 0, condition: ['running', 'at-rest', 'under-repair'][i % 3]! },
    }
  })
  const people = Array.from({ length: 40 }, (_, i) => ({ ...site.people[0]!, id: `p${i}`, slug: `p${i}` }))
  return { ...site, entries, terms, people, settings: { ...site.settings, home: { kind: 'entry', entry: 'e0' } } }
}

export function randomTarget(chance: Chance): Target {
  const type = chance.pick(['exhibit', 'talk', 'story', 'ticket'])
  const term = `t${Math.floor(chance.next() * TERMS)}`
  const dice = chance.next()
  if (dice < 0.02) return { kind: 'every' }
  if (dice < 0.05) return { kind: 'kind', pages: chance.pick(['entries', 'archives', 'working']) }
  if (dice < 0.1) return { kind: 'type', type }
  if (dice < 0.5) return { kind: 'page', page: `entry:e${Math.floor(chance.next() * PAGES)}` }
  const inTerm = { kind: 'term' as const, taxonomy: 'room', terms: [term], below: false }
  if (dice < 0.8) return { kind: 'entries', type, where: [inTerm] }
  const tall = {
    kind: 'field' as const,
    field: 'height',
    op: 'at-least' as const,
    value: Math.floor(chance.next() * 300),
  }
  return { kind: 'entries', type, where: dice < 0.97 ? [inTerm, tall] : [tall] }
}

function randomFrame(chance: Chance, i: number): DisplayRule {
  const made = newFrame(
    `f${i}`,
    Array.from({ length: 1 + Math.floor(chance.next() * 2) }, () => randomTarget(chance)),
    i,
  )
  for (const region of ['header', 'intro', 'body', 'footer'] as const) {
    if (chance.next() < 0.5)
      made.regions[region] = { kind: 'use', layout: `${region}${Math.floor(chance.next() * 20)}` }
  }
  if (chance.next() < 0.1) made.onlyWhen = [{ kind: 'device', devices: ['phone'] }]
  if (chance.next() < 0.1) made.except = [randomTarget(chance)]
  return made
}

export const request: Request = {
  role: 'visitor',
  signedIn: false,
  device: 'desktop',
  parameters: {},
  at: Date.parse('2026-11-23T12:00:00Z'),
}

export interface Large {
  catalogue: Catalogue
  rules: RuleSet
  chance: Chance
}

export function makeLarge(pages = PAGES): Large {
  const chance = chanceOf('a hundred thousand pages')
  const catalogue = new Catalogue(largeSite(chance, pages))
  const frames = Array.from({ length: FRAMES }, (_, i) => randomFrame(chance, i))
  return { catalogue, rules: { frames, layoutRegions: new Map(LAYOUTS), work: new Map() }, chance }
}
