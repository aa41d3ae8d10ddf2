import type { Editing } from '#core/edits'
import { newElement } from '#core/elements'
import type { Request } from '#core/conditions'
import type { DisplayRule } from '#core/design'
import type { Target } from '#core/targets'
import { newFrame } from '#core/rules'
import {
  type Column,
  type FieldValue,
  type Layout,
  type LayoutElement,
  type LayoutRegion,
  type Row,
  type Value,
  emptyLayout,
  type LayoutDocument,
} from '#core/tree'
import { type Edit, Trees, layoutEditing, treesOf } from '#core/layouts'
import { CompiledDesign } from '#core/render'
import { Formats, type SceneOptions, sceneOf } from '#core/drawing'
import { Catalogue } from '#core/catalogue'
import { type Entry, type PageType, type Site, blankEntry, blankType } from '#core/model'
import type { RichDoc } from '#core/rich'
import { PLAIN_HOUSE } from '#core/styles'

/** A very small site of its own: an observatory with instruments and notes. */

export const rich = (text: string): RichDoc => ({
  type: 'doc',
  content: [{ type: 'paragraph', content: [{ type: 'text', text }] }],
})

export function entry(id: string, type: string, more: Partial<Entry> = {}): Entry {
  return { ...blankEntry(id, type), title: id, ...more }
}

const type = (id: string, more: Partial<PageType> = {}): PageType => ({
  ...blankType(id, id, `${id}s`, `${id}s`),
  ...more,
})

export function smallSite(entries: Entry[] = [], more: Partial<Site> = {}): Site {
  return {
    settings: {
      name: 'Hillside Observatory',
      tagline: 'Clear nights only',
      origin: 'https://hillside.example.org',
      locale: 'en-GB',
      currency: 'GBP',
      timeZone: 'Europe/London',
      logo: null,
      fallbackPicture: null,
      home: { kind: 'entry', entry: 'welcome' },
      shop: false,
      signIn: false,
    },
    types: [
      type('page', { slug: '', archive: false, tree: true }),
      type('tool', {
        taxonomies: ['dome'],
        fields: [
          { id: 'maker', label: 'Maker', kind: 'text' },
          { id: 'width', label: 'Aperture', kind: 'number', unit: 'centimeter' },
          { id: 'cost', label: 'Cost', kind: 'money' },
          { id: 'bought', label: 'Bought', kind: 'date' },
          { id: 'works', label: 'Works', kind: 'yes-no' },
          {
            id: 'kind',
            label: 'Kind',
            kind: 'choice',
            choices: [
              { id: 'lens', label: 'Refractor' },
              { id: 'mirror', label: 'Reflector' },
            ],
          },
          { id: 'views', label: 'Views', kind: 'pictures' },
          { id: 'papers', label: 'Papers', kind: 'documents' },
          { id: 'twin', label: 'Twin', kind: 'entry', of: 'tool' },
        ],
      }),
      type('note', { dated: true }),
    ],
    taxonomies: [{ id: 'dome', name: 'Dome', plural: 'Domes', slug: 'domes', pages: true }],
    terms: [
      {
        id: 'east',
        taxonomy: 'dome',
        slug: 'east',
        title: 'East dome',
        tagline: 'Sunrise side',
        description: '',
        picture: null,
        parent: null,
      },
      {
        id: 'east-low',
        taxonomy: 'dome',
        slug: 'east-low',
        title: 'East, below',
        tagline: '',
        description: '',
        picture: null,
        parent: 'east',
      },
      {
        id: 'west',
        taxonomy: 'dome',
        slug: 'west',
        title: 'West dome',
        tagline: '',
        description: '',
        picture: null,
        parent: null,
      },
    ],
    people: [
      {
        id: 'nell',
        slug: 'nell',
        name: 'Nell <Ash>',
        role: 'Observer',
        about: '',
        mail: 'nell@hillside.example.org',
        picture: null,
      },
    ],
    pictures: [
      { id: 'moon', fileName: 'moon.svg', alt: 'The moon', width: 800, height: 600 },
      { id: 'blank', fileName: 'blank.svg', alt: 'No picture', width: 400, height: 400 },
    ],
    menus: [
      {
        id: 'main',
        name: 'Main',
        items: [
          { id: 'm1', label: 'Tools & more', link: { page: 'archive:tool' }, items: [] },
          { id: 'm2', label: 'Gone', link: { page: 'entry:nowhere' }, items: [] },
          { id: 'm3', label: 'Away', link: 'https://away.example.org/?a=1&b=2', items: [] },
        ],
      },
    ],
    entries: [
      entry('welcome', 'page', { title: 'Welcome' }),
      entry('visit', 'page', { title: 'Visit' }),
      entry('hours', 'page', { title: 'Hours', parent: 'visit' }),
      ...entries,
    ],
    ...more,
  }
}

export const refractor = entry('refractor', 'tool', {
  title: 'Long refractor',
  summary: 'Brass, and long.',
  content: rich('It stands in the east.'),
  picture: 'moon',
  person: 'nell',
  date: '2025-03-04',
  terms: ['east'],
  fields: {
    maker: "O'Dell & <Sons>",
    width: 12.5,
    cost: 1200,
    bought: '1961-05-07',
    works: true,
    kind: 'lens',
    views: ['moon'],
    papers: [{ name: 'Log', address: '/log' }],
    twin: 'mirror',
  },
})
export const mirror = entry('mirror', 'tool', {
  title: 'Mirror',
  date: '2025-04-01',
  terms: ['east-low'],
  fields: { kind: 'mirror', works: false },
})
export const note = entry('note', 'note', { title: 'First light', date: '2025-06-30', person: 'nell' })

export const observatory = (): Catalogue => new Catalogue(smallSite([refractor, mirror, note]))

/** Layouts on which nothing stands that does the work of a page. */
export const NO_WORK: ReadonlyMap<string, readonly string[]> = new Map()

let count = 0
export function element(elementType: string, props: Record<string, Value> = {}, id = `e${++count}`): LayoutElement {
  return { ...newElement(elementType, () => id), props }
}
export function column(span: number, ...children: Column['children']): Column {
  return { kind: 'column', id: `c${++count}`, span, props: {}, styles: {}, children }
}
export function row(...children: Column[]): Row {
  return { kind: 'row', id: `r${++count}`, props: {}, styles: {}, children }
}
export function layout(id: string, region: LayoutRegion, ...children: Row[]): Layout {
  return { ...emptyLayout(id, id, region), children }
}
export const field = (name: string, more: Partial<FieldValue> = {}): FieldValue => ({
  kind: 'field',
  of: 'page',
  field: name,
  ...more,
})

export const VISITOR: Request = {
  role: 'visitor',
  signedIn: false,
  device: 'desktop',
  parameters: {},
  at: Date.parse('2026-03-29T12:00:00Z'),
}

/** Draws one element on a page by itself, as HTML. */
export function drawElement(
  made: LayoutElement,
  pageKey = 'entry:refractor',
  options: SceneOptions = {},
  catalogue = observatory(),
  cards: Layout[] = [],
): string {
  const body = layout('body', 'body', row(column(12, made)))
  const compiled = new CompiledDesign({ format: 1, layouts: [body, ...cards], frames: [], house: PLAIN_HOUSE })
  const scene = sceneOf(catalogue, new Formats(catalogue.site.settings), catalogue.page(pageKey)!, {
    cards: compiled.cards,
    ...options,
  })
  const html = compiled.draw(scene, {
    regions: {
      header: { shown: { kind: 'none' } },
      intro: { shown: { kind: 'none' } },
      body: { shown: { kind: 'layout', layout: 'body' } },
      footer: { shown: { kind: 'none' } },
    },
  }).html
  return /<div class="of-col of-n12">(.*)<\/div><\/div><\/div><\/div><\/main>/s.exec(html)?.[1] ?? html
}

export function frame(
  id: string,
  covers: Target[],
  regions: Partial<DisplayRule['regions']>,
  more: Partial<DisplayRule> = {},
): DisplayRule {
  const made = newFrame(id, covers, 0)
  return { ...made, ...more, regions: { ...made.regions, ...regions } }
}

/** A page without the tags of our own scripts, each at its own address: nothing else of the kind may stand there. */
export const withoutOurScripts = (html: string): string =>
  html.replace(
    /<script type="application\/ld\+json">[^<]*<\/script>|<script( defer)? src="\/_of\/el\/[a-z]+\.\w+\.js"><\/script>/g,
    '',
  )

/** How layouts that follow none are edited. */
export const LAYOUT_EDITING = layoutEditing(() => new Trees([])) as unknown as Editing<Layout, Edit>

/** What is edited of a layout of a design. */
export const madeOf = (design: { layouts: readonly LayoutDocument[] }, id: string): Layout =>
  treesOf(design).madeOf(treesOf(design).document(id)!).made
/** What is drawn of it. */
export const drawn = (design: { layouts: readonly LayoutDocument[] }, id: string): Layout => treesOf(design).tree(id)!

/** A layout that is known to follow none. */
export const plain = (layout: LayoutDocument): Layout => layout as Layout
