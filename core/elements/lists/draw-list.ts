import {
  PAGE_STYLES,
  AS_USUAL,
  type Chunk,
  type Compile,
  type Fill,
  type Scene,
  fill,
  isAsked,
  textChunk,
  wrapFilled,
} from '../../drawing'
import type { Entry, Id } from '../../model'
import type { LayoutElement, Value } from '../../tree'
import { type Cards, type PlainCard, cardAt, drawCard } from './cards'
import { groupTitle, parted } from './groups'
import { type OnPage, listedOn } from './listed'
import { planOf } from './plan'
import { type ScreenWords, drawScreens } from './screens'
import { itemsOf } from '../base'
import { sumsOf } from './sums'
import { type TableColumn, columnsOf, drawTable } from './table'

/** CSS of the ways in which entries stand, each sent where it is used. */
const STAND = {
  grid: '',
  uneven: PAGE_STYLES.listUneven,
  rows: PAGE_STYLES.listRows,
  table: PAGE_STYLES.listTable,
}
type Stand = keyof typeof STAND

const PARTED = PAGE_STYLES.listGroups
const PAGES = PAGE_STYLES.listScreens

const classesOf = (stand: Stand, columns: Value): string[] =>
  stand === 'table' ? ['listtable'] : stand === 'rows' ? ['grid', 'lined'] : [stand, `k${String(columns)}`]

const idOf = (value: Value): Id | null => (typeof value === 'string' && value !== '' ? value : null)

/** A list as it is compiled: how its entries stand, and what is around them. */
class DrawnList {
  private readonly stand: Stand
  private readonly plain: PlainCard
  private readonly cards: Cards
  private readonly columns: readonly TableColumn[]
  private readonly inner: string
  private readonly headTag: string
  private readonly headOpen: string

  constructor(
    element: LayoutElement,
    private readonly compile: Compile,
    say: (name: string) => Value,
    /** Whether the list's own looks stand around it, or on what holds its entries. */
    around: boolean,
    parts: boolean,
    deeper: number,
  ) {
    this.stand = String(say('arrange')) as Stand
    const level = Math.min(5, Number(say('level')) + deeper)
    this.plain = {
      tag: `h${level + (parts ? 1 : 0)}`,
      title: compile.part(element, 'title', 'card-title'),
      summary: compile.part(element, 'summary'),
      picture: compile.part(element, 'picture', 'pic', 'lying'),
      marks: say('marks') === true,
      shows: (part) => compile.shows(element, part),
    }
    const [card, first, other] = ['card', 'firstCard', 'everyCard'].map((name) => idOf(say(name))) as (Id | null)[]
    this.cards = { card: card!, first: first!, every: Number(say('every')), other: other! }
    if (this.stand !== 'table') for (const id of [card, first, other]) if (id) compile.usesCard(id)
    this.columns = columnsOf(say('fields'))
    const classes = classesOf(this.stand, say('columns'))
    this.inner = around
      ? ` class="${classes.map((c) => `of-${c}`).join(' ')}"`
      : compile.attributes(element, ...classes)
    compile.css(STAND[this.stand])
    this.headTag = `h${level}`
    this.headOpen = `<${this.headTag}${compile.part(element, 'heading')}>`
  }

  /** A card inside a card draws plainly: a list never leads into itself. */
  private card(id: Id | null, scene: Scene): Fill | undefined {
    return id && this.compile.region !== 'card' ? scene.cards.get(id) : undefined
  }

  /** Entries that stand together, the first of them at a place among all of the list. */
  together(entries: readonly Entry[], from: number, scene: Scene): string {
    if (this.stand === 'table')
      return `<div${this.inner}>${drawTable(entries, scene, this.columns, this.plain.title)}</div>`
    let html = ''
    entries.forEach((entry, i) => {
      const card = this.card(cardAt(this.cards, from + i), scene)
      html += `<li>${drawCard(entry, card, scene, this.plain)}</li>`
    })
    return `<ul${this.inner}>${html}</ul>`
  }

  /** Entries under the headings of their groups. */
  inParts({ plan, listed }: OnPage, from: number, scene: Scene): string {
    let at = from
    let html = ''
    for (const { group, entries } of parted(listed.entries, plan.grouping!, scene)) {
      const title = group ? `${this.headOpen}${groupTitle(group, scene)}</${this.headTag}>` : ''
      html += `<section>${title}${this.together(entries, at, scene)}</section>`
      at += entries.length
    }
    return html
  }
}

/** How many there are, and, where it is narrowed, of how many. */
function tallyOf(element: LayoutElement, compile: Compile, say: (name: string) => Value) {
  if (say('tally') !== true) return () => ''
  const open = `<p${compile.part(element, 'tally', 'tally')} role="status">`
  const [between, after] = [textChunk(say('tallyOf')), textChunk(say('tallyAfter'))]
  return ({ listed: { total, of } }: OnPage, scene: Scene): string => {
    const whole = total === of ? '' : fill([between], scene) + scene.formats.number(of, AS_USUAL)
    return `${open}<strong>${scene.formats.number(total, AS_USUAL)}</strong>${whole}${fill([after], scene)}</p>`
  }
}

/** The heading that a list has where there is something below it. */
function aboveOf(element: LayoutElement, compile: Compile, say: (name: string) => Value): Chunk {
  const tag = `h${String(say('level'))}`
  return wrapFilled(
    `<${tag}${compile.part(element, 'above', 'above')}${compile.words('above')}>`,
    textChunk(say('above')),
    `</${tag}>`,
  )
}

/** Draws a list from its plan, once there is a scene. */
export function drawList(element: LayoutElement, compile: Compile, say: (name: string) => Value): Chunk {
  const plan = planOf(element, say)
  const marked = plan.source === 'marked'
  // Within a card nobody asks, and nothing is leafed through.
  const asked =
    compile.region !== 'card' &&
    (plan.pages || isAsked(plan) || say('tally') === true || marked || itemsOf(say('sums')).length > 0)
  const parts = plan.grouping !== null
  const title = aboveOf(element, compile, say)
  const whole = asked || parts || title !== ''
  const drawn = new DrawnList(element, compile, say, whole, parts, title === '' ? 0 : 1)
  if (compile.region !== 'card') compile.list(plan)
  if (parts || title !== '') compile.css(PARTED)
  if (asked) {
    compile.css(PAGES)
    compile.script('list')
  }
  if (marked) compile.script('favourites')
  const open = whole ? `<div${compile.attributes(element, asked ? 'list' : 'parted')}` : ''
  const none = wrapFilled(`<p${asked ? '' : compile.attributes(element)}>`, textChunk(say('empty')), '</p>')
  const words: ScreenWords = {
    open: compile.part(element, 'pages', 'pages'),
    link: compile.part(element, 'page'),
    previous: textChunk(say('previous')),
    next: textChunk(say('next')),
    more: textChunk(say('more')),
    name: textChunk(say('pagesName')),
  }
  const how = String(say('pages'))
  const tally = tallyOf(element, compile, say)
  const sums = sumsOf(element, compile, say)
  return (scene) => {
    const on = listedOn(plan, scene)
    const from = ((on.screen ?? 1) - 1) * plan.most
    const { entries } = on.listed
    if (entries.length === 0 && !asked) return fill([none], scene)
    const shown =
      entries.length === 0
        ? fill([none], scene)
        : parts
          ? drawn.inParts(on, from, scene)
          : drawn.together(entries, from, scene)
    if (!open) return shown
    const above = entries.length > 0 ? fill([title], scene) : ''
    if (!asked) return `${open}>${above}${shown}</div>`
    const inner = parts ? `<div class="of-parted">${shown}</div>` : shown
    return `${open} data-list${marked ? ' data-favourites' : ''}>${above}${tally(on, scene)}${inner}${sums(on, scene)}${plan.pages ? drawScreens(on, scene, how, words) : ''}</div>`
  }
}
