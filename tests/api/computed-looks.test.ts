import { type Browser, chromium } from '@playwright/test'
import { Formats, sceneOf } from '#core/drawing'
import { ELEMENTS, newElement } from '#core/elements'
import { CompiledDesign } from '#core/render'
import { Catalogue } from '#core/catalogue'
import type { Page } from '#core/model'
import { type StyleProperty, stylePropertiesOn } from '#core/styles'
import { type LayoutElement, type Row, type StyleValue, type Value, looksKey } from '#core/tree'
import { makeDemo } from '#demo/index'
import { VISITOR, column, element, frame, layout, row } from '../fixtures'
import { resolveInTurn, rulesOf } from '#core/rules'

/**
 * Every look of every part in every state of every element is set, and a browser says whether it holds: what was set
 * computes to what it would be if nothing else said a word (as an important declaration of the element itself).
 */

const { site, design } = makeDemo()
const catalogue = new Catalogue(site)
const formats = new Formats(site.settings)

let browser: Browser
beforeAll(async () => {
  browser = await chromium.launch({ executablePath: '/usr/bin/chromium-headless-shell', args: ['--no-sandbox'] })
}, 60_000)
afterAll(() => browser.close())

/** Elements as the museum uses them, at most so many, and as they are when they are new. */
function used(type: string, most = 3): LayoutElement[] {
  const found: LayoutElement[] = []
  const look = (node: object): void => {
    const { kind, type: of, children = [] } = node as { kind: string; type: string; children?: object[] }
    if (kind === 'element' && of === type) found.push(node as LayoutElement)
    children.forEach(look)
  }
  design.layouts.forEach(look)
  const fresh = newElement(type, () => 'new')
  return [{ ...fresh, props: { ...fresh.props, ...TOLD[type] } }, ...found.slice(0, most)]
}

function sample({ ask }: StyleProperty): StyleValue {
  switch (ask.kind) {
    case 'length':
      return Math.min(ask.max, Math.max(ask.min, 11))
    case 'number':
      return Math.round((ask.min + (ask.max - ask.min) * 0.6) / ask.step) * ask.step
    case 'colour':
      return '#12ab34'
    case 'family':
      return 'interface'
    case 'choice':
      return ask.options.at(-1)!.value
  }
}

/** What an element needs beside it, or to be told, to be drawn at all. */
const filters: Value = [{ id: 'f', props: { field: 'maker' } }]
const BESIDE: Readonly<Record<string, LayoutElement[]>> = {
  'filter-form': [element('entry-list', { source: 'page', filters, words: true }, 'list')],
}
const TOLD: Readonly<Record<string, Record<string, Value>>> = {
  film: { film: 'https://films.example.org/x.mp4', title: 'A film' },
  sound: { sound: '/files/strike-regulator/regulator.wav', title: 'A sound' },
  features: { value: { kind: 'field', of: 'page', field: 'materials' }, all: true },
}

/** Questions stand in a form. */
function inForm(type: string, rows: Row[]): Row[] {
  if (type !== 'question') return rows
  const place = { kind: 'place' as const, id: 'p', type: 'form', props: {}, styles: {}, children: rows }
  return [row(column(12, { ...element('form', {}, 'form'), children: [place] }))]
}

interface Case {
  key: string
  property: StyleProperty
}

function casesOf(type: string): Case[] {
  const spec = ELEMENTS.find((e) => e.type === type)!
  const suits = spec.madeOf ?? ['words']
  return Object.entries(spec.parts ?? {}).flatMap(([part, { states = [] }]) =>
    [null, ...states].flatMap((state) =>
      stylePropertiesOn('part')
        .filter((p) => !p.suits || suits.includes(p.suits))
        .map((property) => ({ key: looksKey(part, state), property })),
    ),
  )
}

/** A page of one element again and again, each time with one look set; classes stand for states, so that all are there. */
function pageOf(one: LayoutElement, cases: readonly Case[], key: string): string {
  const spec = ELEMENTS.find((e) => e.type === one.type)!
  const region = spec.regions?.[0] ?? 'body'
  const rename = (node: Record<string, unknown>, end: string): Record<string, unknown> => ({
    ...node,
    id: `${String(node.id)}-${end}`,
    ...(Array.isArray(node.children) && {
      children: (node.children as Record<string, unknown>[]).map((child) => rename(child, end)),
    }),
  })
  const rows = cases.map(({ key: at, property }, i) => {
    const { hides: _, ...shown } = one
    const made = {
      ...shown,
      props: one.props as Record<string, Value>,
      looks: { [at]: { [property.name]: { wide: sample(property) } } },
    }
    return row(column(12, rename(made as never, String(i)) as never))
  })
  const beside = BESIDE[one.type] ?? []
  const body = layout(
    'x',
    region,
    ...(beside.length > 0 ? [row(column(12, ...beside))] : []),
    ...inForm(one.type, rows),
  )
  const layouts = [...design.layouts.filter((l) => l.region === 'card'), body]
  const frames = [frame('all', [{ kind: 'every' }], { [region]: { kind: 'use', layout: 'x' } })]
  const compiled = new CompiledDesign({ ...design, layouts, frames })
  const page = catalogue.page(key)!
  const request = { ...VISITOR, role: 'member', signedIn: true }
  const outcomeOf = (at: Page) => resolveInTurn(rulesOf({ layouts, frames }), catalogue, at, request)
  const lists = (at: Page) => compiled.listsShown(at, outcomeOf(at))
  const visitor = { role: 'member', name: 'Mina' }
  const scene = sceneOf(catalogue, formats, page, { cards: compiled.cards, request, visitor, lists })
  const { html } = compiled.draw(scene, outcomeOf(page))
  return html
    .replace(/<script[^>]*src=[^>]*><\/script>/g, '')
    .replace(/<style>.*?<\/style>/gs, (css) =>
      css
        .replaceAll(':hover', '.x-hover')
        .replaceAll(':focus-visible', '.x-focus')
        .replaceAll(':disabled', '.x-disabled')
        .replaceAll('[aria-current]', '.x-current'),
    )
}

/** What a browser says of all rules of the layer in which looks are written: those that something else wins over. */
function losers(): { met: string[]; lost: string[] } {
  const STATES = ['x-hover', 'x-focus', 'x-disabled', 'x-current']
  const met = new Set<string>()
  const lost = new Set<string>()
  const look = (rules: CSSRuleList, inOwn: boolean): void => {
    for (const rule of rules) {
      if (rule instanceof CSSLayerBlockRule) look(rule.cssRules, rule.name === 'own')
      else if (rule instanceof CSSMediaRule) {
        if (inOwn && matchMedia(rule.media.mediaText).matches) look(rule.cssRules, true)
      } else if (inOwn && rule instanceof CSSStyleRule) {
        const states = STATES.filter((s) => rule.selectorText.includes(`.${s}`))
        const plain = states.reduce((text, s) => text.replaceAll(`.${s}`, ''), rule.selectorText)
        for (const element of document.querySelectorAll<HTMLElement>(plain)) {
          met.add(rule.selectorText)
          element.classList.add(...states)
          for (const name of rule.style) {
            if (/^(transition|animation)/.test(name)) continue
            const before = getComputedStyle(element).getPropertyValue(name)
            const own = element.style.getPropertyValue(name)
            const priority = element.style.getPropertyPriority(name)
            element.style.setProperty(name, rule.style.getPropertyValue(name), 'important')
            const after = getComputedStyle(element).getPropertyValue(name)
            if (own) element.style.setProperty(name, own, priority)
            else element.style.removeProperty(name)
            if (before !== after)
              lost.add(
                `${rule.selectorText} { ${name}: ${before}, not ${after} } on ${element.outerHTML.slice(0, 120)}`,
              )
          }
          element.classList.remove(...states)
        }
      }
    }
  }
  for (const sheet of document.styleSheets) look(sheet.cssRules, false)
  return { met: [...met], lost: [...lost] }
}

const PAGES = ['entry:fenwick-turret-clock', 'archive:exhibit', 'term:tower-room', 'home']
const SOLD = catalogue.pages.filter((p) => p.entry && catalogue.types.get(catalogue.entries.get(p.entry)!.type)?.sells)
const pagesFor = (type: string): readonly string[] =>
  type === 'buy' ? SOLD.map((p) => p.key) : type === 'filter-form' ? ['archive:exhibit'] : PAGES

test.each(ELEMENTS.filter((e) => e.parts).map((e) => e.type))('%s: whatever is set on a part holds', async (type) => {
  // A list of all countries stands in every instance of an address: a third of the looks is tried there.
  const cases = casesOf(type).filter((_, i) => !type.endsWith('-address') || i % 3 === 0)
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' })
  const lost = new Set<string>()
  let met = 0
  const pages = pagesFor(type)
  // Every country is a choice of an address: one of them is enough.
  for (const [i, one] of used(type, /address|lines/.test(type) ? 0 : 2).entries()) {
    await page.setContent(pageOf(one, cases, pages[i % pages.length]!), { waitUntil: 'domcontentloaded' })
    const found = await page.evaluate(losers)
    met += found.met.length
    for (const one of found.lost) lost.add(one)
  }
  await page.close()
  expect([...lost]).toEqual([])
  expect(met).toBeGreaterThan(0)
})
