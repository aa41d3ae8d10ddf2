import fc from 'fast-check'
import { makeDemo } from '#demo/index'
import { checkDesign } from '#core/checks'
import type { PlainEdit } from '#core/edits'
import { HOUSE_EDITING } from '#core/styles'
import { DOCUMENTS, type DocumentKind } from '#core/documents'
import { adaptLayout, checkParcel, makeParcel, planImport } from '#core/formats'
import {
  CompiledRules,
  frameSentence,
  lossWords,
  nearWords,
  resolveFully,
  resolveInTurn,
  rulesOf,
  whyOf,
} from '#core/rules'
import type { Design, DisplayRule } from '#core/design'
import { namesFrom } from '#core/targets'
import { type Edit, applyEdit, checkLayout, describeEdit, refuseEdit, treesOf } from '#core/layouts'
import type { Layout } from '#core/tree'
import { CompiledDesign } from '#core/render'
import { Formats, sceneOf } from '#core/drawing'
import { Catalogue, checkEntry } from '#core/catalogue'
import type { Entry, Site } from '#core/model'
import { VISITOR, column, element, field, layout, row, withoutOurScripts, madeOf } from '../fixtures'
import { diceOf, randomEdit } from '../unit/core/layouts/random'
import { spoiltOf } from './mutate'
import { runs } from '../runs'

/** Whatever is accepted draws, searches, resolves, explains itself, exports, and starts; all else is refused by value. */

const { site, design } = makeDemo()
const catalogue = new Catalogue(site)
const RUNS = 700

/** Draws every kind of page under a design over a site; throws where anything cannot be drawn. */
function drawAll(drawn: Design, over: Site): void {
  const at = new Catalogue(over)
  const compiled = new CompiledDesign(drawn, { strict: true })
  const formats = new Formats(over.settings)
  const rules = new CompiledRules(rulesOf(drawn), at)
  const seen = new Set<string>()
  for (const page of at.pages) {
    const kind = `${page.kind} ${page.type}`
    if (seen.has(kind) && page.entry !== 'spoilt') continue
    seen.add(kind)
    const outcome = resolveFully(rules, page, VISITOR)
    const { html, css } = compiled.draw(sceneOf(at, formats, page, { cards: compiled.cards }), outcome)
    expect(withoutOurScripts(html)).not.toMatch(/<script|(href|src|action)="javascript:|\[object|\son\w+=/)
    expect(css).not.toMatch(/<\/|\[object/)
  }
}

/** Judges spoilt documents of a kind; what is accepted is used as it would be. Gives how many were. */
function holds(kind: DocumentKind, documents: readonly unknown[], use: (document: never) => void): number {
  for (const document of documents) expect(DOCUMENTS[kind](document)).toBeNull()
  let accepted = 0
  fc.assert(
    fc.property(spoiltOf(documents), (document) => {
      if (DOCUMENTS[kind](document) !== null) return
      accepted++
      use(document as never)
    }),
    { numRuns: RUNS },
  )
  return accepted
}

const withLayout = (layout: Layout): Design => ({
  ...design,
  layouts: [...design.layouts.filter((l) => l.id !== layout.id), layout],
})
const replaced = <K extends 'terms' | 'people' | 'menus' | 'types' | 'taxonomies' | 'pictures'>(
  list: K,
  thing: { id: string },
): Site => ({
  ...site,
  [list]: [...site[list].filter((t) => t.id !== thing.id), thing],
})

/** A layout with all that a spec can name: items, parts and states, places, and defaults of them. */
const full: Layout = {
  ...layout(
    'full',
    'body',
    row(
      column(
        12,
        {
          ...element('link-list', {
            links: [
              { id: 'a', props: { label: 'Visit', link: { page: 'entry:visit' } } },
              { id: 'b', props: { label: field('title'), link: field('address', { fallback: '/visit' }) } },
            ],
          }),
          looks: { 'link:hover': { colour: { wide: '@ink' } } },
        },
        { ...element('field', { label: 'Made', value: field('made') }), hides: ['label'] },
        {
          ...element('sections'),
          children: [
            {
              kind: 'place',
              id: 'section',
              type: 'sections',
              props: { title: field('maker'), open: true },
              styles: { background: { narrow: '@wash' } },
              children: [row(column(12, element('heading', { text: 'Inside' })))],
            },
          ],
        },
      ),
    ),
  ),
  defaults: { 'menu link:current': { weight: { wide: 700 } }, place: { paddingTop: { wide: 8 } } },
}

test('layouts', () => {
  const accepted = holds('layout', [...design.layouts, full, full, full], (layout: Layout) => {
    const next = withLayout(layout)
    drawAll(next, site)
    checkDesign(next, catalogue, VISITOR)
    const parcel = makeParcel(next, 'x', 'y')
    expect(checkParcel(parcel)).toEqual([])
    planImport(parcel, design, catalogue, (f) => f.id)
    // With everything taken out that can be, it is a layout still.
    const choices = Object.fromEntries(
      [...catalogue.menus.keys()]
        .map((id) => [`menu ${id}`, { do: 'drop' as const }])
        .concat(['maker', 'made', 'materials'].map((id) => [`field ${id}`, { do: 'drop' as const }])),
    )
    expect(checkLayout(adaptLayout(layout, treesOf(next), choices))).toEqual([])
  })
  expect(accepted).toBeGreaterThan(1)
})

test('entries', () => {
  const used = (entry: Entry) => {
    const own = { ...entry, id: 'spoilt', published: true }
    const over = { ...site, entries: [...site.entries.filter((e) => e.slug !== own.slug), own] }
    drawAll(design, over)
  }
  expect(holds('entry', site.entries, used)).toBeGreaterThan(1)
  fc.assert(
    fc.property(spoiltOf(site.entries), (entry) => {
      if (checkEntry(entry, catalogue).length === 0) used(entry as Entry)
    }),
    { numRuns: runs(200) },
  )
})

test('frames', () => {
  const names = namesFrom(catalogue)
  const accepted = holds('frame', design.frames, (frame: DisplayRule) => {
    const frames = [...design.frames.filter((f) => f.id !== frame.id), frame]
    const rules = rulesOf({ ...design, frames })
    const compiled = new CompiledRules(rules, catalogue)
    frameSentence(frame, names)
    for (const key of [
      'home',
      'entry:fenwick-turret-clock',
      'archive:talk',
      'term:tower-room',
      'not-found',
      'search',
    ]) {
      const page = catalogue.page(key)!
      const outcome = resolveFully(compiled, page, VISITOR)
      expect(outcome.regions).toEqual(resolveInTurn(rules, catalogue, page, VISITOR).regions)
      const why = whyOf(outcome, rules, catalogue, page, VISITOR)
      for (const near of why.near) nearWords(near, names)
      for (const { standings } of Object.values(why.regions))
        for (const s of standings) lossWords(s, standings[0]!, names)
    }
    checkDesign({ ...design, frames }, catalogue, VISITOR)
  })
  expect(accepted).toBeGreaterThan(1)
})

test('edits: applied to a layout they give a layout, or say why not', () => {
  const exhibit = madeOf(design, 'exhibit-page')
  const base = { ...exhibit, children: [...exhibit.children, ...full.children] }
  const edits = Array.from({ length: 200 }, (_, i) => randomEdit(base, diceOf(i + 1)))
  fc.assert(
    fc.property(spoiltOf(edits), (edit) => {
      const refused = refuseEdit(edit)
      const result = applyEdit(base, edit as Edit)
      expect(refused === null || !result.ok).toBe(true)
      if (refused) return
      describeEdit(edit as Edit, base)
      if (!result.ok) return
      expect(checkLayout(result.document)).toEqual([])
      const back = applyEdit(result.document, result.inverse)
      expect(back.ok && back.document).toEqual(base)
    }),
    { numRuns: RUNS },
  )
})

test('edits of the house style: applied they give one that draws, or say why not', () => {
  const edits: PlainEdit[] = [
    { kind: 'set', at: ['palette', 'ink', 'value'], value: '#000000' },
    { kind: 'set', at: ['button', 'radius'], value: 4 },
    { kind: 'insert', at: ['palette'], index: 0, item: { id: 'new', name: 'New', value: '#123456' } as never },
    { kind: 'move', at: ['palette'], id: 'soft', index: 0 },
    { kind: 'remove', at: ['palette'], id: 'wash' },
    { kind: 'batch', label: 'x', edits: [{ kind: 'set', at: [], value: design.house }] },
  ]
  fc.assert(
    fc.property(spoiltOf(edits), (edit) => {
      const refused = DOCUMENTS['house-edit'](edit)
      const result = HOUSE_EDITING.apply(design.house, edit as PlainEdit)
      expect(refused === null || !result.ok).toBe(true)
      if (!result.ok) return
      drawAll({ ...design, house: result.document }, site)
      const back = HOUSE_EDITING.apply(result.document, result.inverse)
      expect(back.ok && back.document).toEqual(design.house)
    }),
    { numRuns: RUNS },
  )
})

test.each([
  ['house', [design.house], (house: never) => drawAll({ ...design, house }, site)],
  ['menu', site.menus, (menu: never) => drawAll(design, replaced('menus', menu))],
  ['term', site.terms, (term: never) => drawAll(design, replaced('terms', term))],
  ['person', site.people, (person: never) => drawAll(design, replaced('people', person))],
  ['type', site.types, (type: never) => drawAll(design, replaced('types', type))],
  ['taxonomy', site.taxonomies, (taxonomy: never) => drawAll(design, replaced('taxonomies', taxonomy))],
  ['picture', site.pictures, (picture: never) => drawAll(design, replaced('pictures', picture))],
  ['settings', [site.settings], (settings: never) => drawAll(design, { ...site, settings })],
] as const)('documents of the kind %s', (kind, documents, use) => {
  expect(holds(kind, documents, use)).toBeGreaterThan(1)
})

test('parcels: what is accepted can be planned, and all of it is sound', () => {
  const parcel = makeParcel(
    { ...design, layouts: design.layouts.slice(0, 4), frames: design.frames.slice(0, 4) },
    'x',
    'y',
  )
  fc.assert(
    fc.property(spoiltOf([parcel]), (document) => {
      if (checkParcel(document).length > 0) return
      const { layouts, frames } = document as { layouts: Layout[]; frames: DisplayRule[] }
      for (const layout of layouts) expect(DOCUMENTS.layout(layout)).toBeNull()
      for (const frame of frames) expect(DOCUMENTS.frame(frame)).toBeNull()
      planImport(document as never, design, catalogue, (f) => f.id)
    }),
    { numRuns: RUNS },
  )
})
