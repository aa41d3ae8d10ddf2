import { dayOfNumber } from '../../time'
import {
  PAGE_STYLES,
  type Chunk,
  type Compile,
  type Scene,
  FOCUS_CSS,
  escapeHtml,
  fill,
  textChunk,
} from '../../drawing'
import { type Asked, type FilterChoice, type Facet, SORT, collatorOf, slugOfKey } from '../../lists'
import type { Id, Page } from '../../model'
import { fieldKind, fieldLabel } from '../../catalogue'
import type { LayoutElement, Value } from '../../tree'
import { BUTTON_CSS, BUTTON_LOOK } from '../words'
import { type ElementSpec, prop } from '../base'
import { type OnPage, addressFor, askedList, besidesList } from './listed'

/** So many choices stand in sight; others open. */
const IN_SIGHT = 10

const WORDS = {
  fold: { label: 'To open it on narrow screens', default: 'Narrow the list' },
  search: { label: 'Words', default: 'Search in these' },
  sort: { label: 'Order', default: 'Order' },
  usual: { label: 'The usual order', default: 'As usual' },
  from: { label: 'From', default: 'From' },
  to: { label: 'To', default: 'To' },
  more: { label: 'More choices', default: 'More' },
  yes: { label: 'Yes', default: 'Yes' },
  no: { label: 'No', default: 'No' },
  button: { label: 'Button', default: 'Show' },
  off: { label: 'Take all off', default: 'Take all off' },
} as const
type Word = keyof typeof WORDS

/** What a choice is called, and its place among the others: as the site orders choices and terms, people and texts by name. */
interface Named extends FilterChoice {
  name: string
  place: number
}

function namer(field: Id, say: (word: Word) => string, { catalogue }: Scene): (key: string) => [string, number] {
  const kind = fieldKind(catalogue, { of: 'page', field })
  if (kind === 'terms') {
    const places = new Map(catalogue.site.terms.map((t, i) => [t.id, i]))
    return (key) => [catalogue.terms.get(key)?.title ?? key, places.get(key) ?? places.size]
  }
  if (kind === 'person') return (key) => [catalogue.people.get(key)?.name ?? key, 0]
  if (kind === 'entry') return (key) => [catalogue.entries.get(key)?.title ?? key, 0]
  if (kind === 'yes-no') return (key) => (key === 'yes' ? [say('yes'), 0] : [say('no'), 1])
  const choices = [...catalogue.types.values()].flatMap((t) => t.fields.find((f) => f.id === field)?.choices ?? [])
  const known = new Map(choices.map((c, i) => [c.id, [c.label, i] as [string, number]]))
  return (key) => known.get(key) ?? [key, known.size]
}

function named(facet: Facet, say: (word: Word) => string, scene: Scene): Named[] {
  const name = namer(facet.filter.field, say, scene)
  const collator = collatorOf(scene.catalogue.site.settings.locale)
  return facet.choices
    .map((choice): Named => {
      const [words, place] = name(choice.key)
      return { ...choice, name: words, place }
    })
    .sort((a, b) => a.place - b.place || collator.compare(a.name, b.name))
}

/** The form as it is compiled; what it offers is known once there is a scene. */
class DrawnForm {
  private readonly open: string
  private readonly chosen: string
  private readonly legend: string
  private readonly count: string
  private readonly counts: boolean
  private readonly button: string
  private readonly folds: boolean
  private readonly words: Readonly<Record<Word, Chunk>>

  constructor(element: LayoutElement, compile: Compile, say: (name: string) => Value) {
    this.open = compile.attributes(element, 'filters')
    this.folds = say('folds') === true
    this.chosen = compile.part(element, 'chosen', 'chosen')
    this.legend = compile.part(element, 'legend')
    this.count = compile.part(element, 'count', 'count')
    this.counts = compile.shows(element, 'count')
    this.button = compile.part(element, 'button', 'btn', compile.look(say('look')))
    const names = Object.keys(WORDS) as Word[]
    this.words = Object.fromEntries(names.map((name) => [name, textChunk(say(name))])) as Record<Word, Chunk>
  }

  private say(word: Word, scene: Scene): string {
    return fill([this.words[word]], scene)
  }

  private label({ plan }: OnPage, field: Id, scene: Scene): string {
    const own = fill([textChunk(plan.filters.find((f) => f.field === field)?.label)], scene)
    return own || escapeHtml(fieldLabel(scene.catalogue, { of: 'page', field }) ?? '')
  }

  private choices(facet: Facet, scene: Scene): string {
    const { name } = facet.filter
    const one = (c: Named): string => {
      const count = this.counts ? ` <span${this.count}>${scene.formats.number(c.count, {})}</span>` : ''
      const value = escapeHtml(slugOfKey(scene.catalogue, facet.filter.field, c.key))
      const checked = c.chosen ? ' checked' : ''
      return `<li><label><input type="checkbox" name="${name}" value="${value}"${checked}> ${escapeHtml(c.name)}${count}</label></li>`
    }
    const all = named(facet, (w) => this.say(w, scene), scene)
    // What is chosen is always in sight.
    const [first, rest] = [
      all.filter((c, i) => i < IN_SIGHT || c.chosen),
      all.filter((c, i) => i >= IN_SIGHT && !c.chosen),
    ]
    const behind =
      rest.length > 0
        ? `<details><summary>${this.say('more', scene)}</summary><ul>${rest.map(one).join('')}</ul></details>`
        : ''
    return `<ul>${first.map(one).join('')}</ul>${behind}`
  }

  private range({ filter, asked, extent }: Facet, scene: Scene): string {
    const isDay = filter.as === 'day'
    const write = (n: number): string => (isDay ? dayOfNumber(n) : String(n))
    const said = asked && 'from' in asked ? asked : { from: null, to: null }
    const limits = extent ? ` min="${write(extent.least)}" max="${write(extent.most)}"` : ''
    const end = (which: 'from' | 'to'): string => {
      const value = said[which]
      const hint = extent && !isDay ? ` placeholder="${write(which === 'from' ? extent.least : extent.most)}"` : ''
      return (
        `<label>${this.say(which, scene)} <input type="${isDay ? 'date' : 'number'}"${isDay ? '' : ' step="any"'} name="${filter.name}-${which}"` +
        `${value === null ? '' : ` value="${write(value)}"`}${isDay ? limits : hint}></label>`
      )
    }
    return `<div class="of-ends">${end('from')}${end('to')}</div>`
  }

  private facet(on: OnPage, facet: Facet, scene: Scene): string {
    const isRange = facet.filter.as !== 'keys'
    // What would leave nothing is not offered; what is asked can be taken off.
    if (isRange ? !facet.extent && !facet.asked : facet.choices.length === 0) return ''
    const inside = isRange ? this.range(facet, scene) : this.choices(facet, scene)
    return `<fieldset><legend${this.legend}>${this.label(on, facet.filter.field, scene)}</legend>${inside}</fieldset>`
  }

  /** What is asked now, each with a way to take it off. */
  private taken(on: OnPage, facets: readonly Facet[], scene: Scene): string {
    const without = (at: number, asked: Asked | null): string =>
      addressFor(on, scene, { asked: on.asked.map((a, i) => (i === at ? asked : a)) })
    const line = (href: string, words: string): string =>
      `<li><a rel="nofollow" href="${escapeHtml(href)}">${words}<span aria-hidden="true"> ×</span></a></li>`
    const lines = facets.flatMap((facet, at) => {
      const { asked, filter } = facet
      if (!asked) return []
      const label = this.label(on, filter.field, scene)
      if ('from' in asked) {
        const write = (n: number | null): string =>
          n === null ? '' : filter.as === 'day' ? scene.formats.date(dayOfNumber(n), {}) : scene.formats.number(n, {})
        return [line(without(at, null), `${label}: ${escapeHtml(`${write(asked.from)} – ${write(asked.to)}`)}`)]
      }
      return named(facet, (w) => this.say(w, scene), scene)
        .filter((c) => c.chosen)
        .map((c) => {
          const others = asked.keys.filter((k) => k !== c.key)
          return line(without(at, others.length > 0 ? { keys: others } : null), `${label}: ${escapeHtml(c.name)}`)
        })
    })
    if (on.plan.words && scene.query && scene.page.kind !== 'search')
      lines.push(line(addressFor(on, scene, { words: '' }), `“${escapeHtml(scene.query)}”`))
    if (lines.length === 0) return ''
    const off = lines.length > 1 ? line(addressFor(on, scene, NOTHING(on)), this.say('off', scene)) : ''
    return `<ul${this.chosen}>${lines.join('')}${off}</ul>`
  }

  private sorting({ plan, way }: OnPage, scene: Scene): string {
    if (plan.ways.length === 0) return ''
    const options = plan.ways.map(({ label, name }, i) => {
      const words = fill([textChunk(label)], scene)
      return `<option value="${escapeHtml(name)}"${way === i + 1 ? ' selected' : ''}>${words}</option>`
    })
    const usual = `<option value="">${this.say('usual', scene)}</option>`
    return `<label class="of-sorting">${this.say('sort', scene)} <select name="${SORT}">${usual}${options.join('')}</select></label>`
  }

  /** On narrow screens it opens by a press; on wider ones it stands open. */
  private folded(inside: string, scene: Scene): string {
    if (!this.folds) return inside
    return `<details class="of-fold"><summary>${this.say('fold', scene)}</summary><div>${inside}</div></details>`
  }

  draw(on: OnPage, scene: Scene): string {
    const facets = on.listed.facets()
    const action = escapeHtml(scene.page.address || '/')
    const words =
      on.plan.words && scene.page.kind !== 'search'
        ? `<label class="of-sorting">${this.say('search', scene)} <input type="search" name="q" maxlength="200" value="${escapeHtml(scene.query)}"></label>`
        : ''
    const asked = facets.map((facet) => this.facet(on, facet, scene)).join('')
    const taken = this.taken(on, facets, scene)
    const sorting = this.sorting(on, scene)
    // With nothing to ask for there is no form.
    if (words + asked + sorting + taken === '') return ''
    const button = `<button type="submit"${this.button}>${this.say('button', scene)}</button>`
    return (
      `<form${this.open} action="${action}" method="get" data-filters>${taken}` +
      this.folded(`${words}${asked}${sorting}${hidden(on, scene)}${button}`, scene) +
      '</form>'
    )
  }
}

const NOTHING = (on: OnPage) => ({ asked: on.asked.map(() => null), words: '' })

/** What else the address says goes along. */
function hidden(on: OnPage, scene: Scene): string {
  const { q, ...others } = besidesList(scene.request.parameters, on)
  const words = scene.page.kind === 'search' ? scene.request.parameters.q : q
  return Object.entries({ ...others, ...(words && { q: words }) })
    .flatMap(([name, values]) =>
      values.map((v) => `<input type="hidden" name="${escapeHtml(name)}" value="${escapeHtml(v)}">`),
    )
    .join('')
}

const words = Object.fromEntries(
  Object.entries(WORDS).map(([name, { label, default: said }]) => [
    name,
    { kind: 'text' as const, label, default: said as Value, most: 80 },
  ]),
)

export const filterForm: ElementSpec = {
  type: 'filter-form',
  name: 'Filter form',
  about: 'What visitors narrow a list by: choices with their counts, ranges, words and order. It works without script.',
  group: 'Entry',
  form: 'is',
  props: {
    link: {
      kind: 'link',
      label: 'For the list on',
      default: null,
      dynamic: false,
      hint: 'A page with a list; nothing: this page.',
    },
    folds: { kind: 'yes-no', label: 'Folds on narrow screens', default: true },
    look: { ...BUTTON_LOOK, label: 'Look of the button' },
    ...words,
  },
  css: [FOCUS_CSS, BUTTON_CSS, PAGE_STYLES.filterForm],
  parts: {
    chosen: { label: 'What is chosen', hides: false },
    legend: { label: 'Name of a filter', hides: false },
    count: { label: 'Count' },
    button: { label: 'Button', hides: false, words: 'button', states: ['hover', 'focus'] },
  },
  summary: () => '',
  draw(element, compile) {
    const link = prop(element, filterForm, 'link')
    const key = typeof link === 'object' && link && 'page' in link ? link.page : null
    compile.script('list')
    const form = new DrawnForm(element, compile, (name) => prop(element, filterForm, name))
    const empty = compile.open ? `<p${compile.attributes(element)}>No list here lets visitors narrow it.</p>` : ''
    return (scene) => {
      const page: Page | undefined = key === null ? scene.page : scene.catalogue.page(String(key))
      const found = page && askedList(scene, page)
      return found ? form.draw(found.on, found.scene) : empty
    }
  },
}
