import { type ListPlan, type Scene, isAsked, readValue } from '../../drawing'
import type { FieldTest } from '../../conditions'
import {
  type Asked,
  type Filter,
  type List,
  type Listed,
  MARKED,
  PAGE,
  type Related,
  SORT,
  filtersOf,
  findList,
  parametersNamed,
  ledgerOf,
  readAsked,
  readScreen,
  relatedTo,
  screensOf,
  writeAsked,
} from '../../lists'
import type { Entry } from '../../model'
import { type Parameters, writeParameters } from '../../addresses'
import { subjectOf } from '../../catalogue'
import type { Value } from '../../tree'

/** A list on a page: what it shows there, and how it was asked for. */
export interface OnPage {
  plan: ListPlan
  listed: Listed
  filters: readonly Filter[]
  asked: readonly (Asked | null)[]
  /** The order that the visitor chose, by its place among those offered, from 1 on; 0 for the list's own. */
  way: number
  /** The screen that is shown, and how many there are; null for one that is none. */
  screen: number | null
  screens: number
}

type Plain = FieldTest['value']

/** What a value comes to on a page, as what is compared: one, several, or none. */
function plainly(value: Value, scene: Scene): Plain[] {
  const found = readValue(value, scene)
  if (!found) return []
  const said = 'literal' in found ? found.literal : found.value
  return (Array.isArray(said) ? said : [said]).filter(
    (v): v is string | number | boolean => typeof v === 'string' || typeof v === 'number' || typeof v === 'boolean',
  )
}

/** The entries that were chosen by hand, or that a field refers to. */
function chosenFrom(values: readonly Value[], scene: Scene): Entry[] {
  const { catalogue } = scene
  return values.flatMap((value) => {
    const found = readValue(value, scene)
    if (!found) return []
    const said = 'literal' in found ? found.literal : found.value
    const page = typeof said === 'object' && said !== null && 'page' in said ? said.page : null
    const id = typeof page === 'string' ? page.replace(/^entry:/, '') : String(said)
    return catalogue.entries.get(id) ?? []
  })
}

/** How many related ones are looked at before a list narrows them. */
const MOST_RELATED = 500

/** So many favourites are shown at most, as browsers keep them. */
const MOST_MARKED = 200

/** The entries that a visitor has marked, as the address tells: by their ids. */
function markedBy({ request: { parameters }, catalogue }: Scene): Entry[] {
  const [said = ''] = Object.hasOwn(parameters, MARKED) ? parameters[MARKED]! : []
  return said.split(' ', MOST_MARKED).flatMap((id) => catalogue.entries.get(id) ?? [])
}

/** What is related to the entry of a page, as a list asks for it, and by what; nothing where there is no entry. */
export function relatedOn({ relating, types }: ListPlan, { subject, catalogue }: Scene, most: number): Related[] {
  if (subject.kind !== 'entry') return []
  return relatedTo(subject.entry, { ...relating, types }, catalogue, ledgerOf(catalogue), most)
}

function sourceOf(plan: ListPlan, scene: Scene): List['source'] {
  const { page } = scene
  if (plan.source === 'newest') return { kind: 'types', types: plan.types }
  if (plan.source === 'chosen') return { kind: 'these', entries: chosenFrom(plan.chosen, scene) }
  if (plan.source === 'marked') return { kind: 'these', entries: markedBy(scene) }
  if (plan.source === 'likely') return { kind: 'these', entries: scene.likely }
  if (plan.source === 'page') {
    return page.kind === 'search' ? { kind: 'these', entries: scene.found } : { kind: 'page', page, below: plan.below }
  }
  const related = relatedOn(plan, scene, Math.max(MOST_RELATED, plan.most))
  return { kind: 'these', entries: related.map((r) => r.entry) }
}

const wayOf = (plan: ListPlan, given: Parameters): number =>
  Object.hasOwn(given, SORT) ? plan.ways.findIndex((way) => way.name === given[SORT]![0]) + 1 : 0

function find(plan: ListPlan, scene: Scene): OnPage {
  const { catalogue, page, subject, request, query } = scene
  const filters = filtersOf(catalogue, plan.filters)
  const given = request.parameters
  const asked = filters.length > 0 ? readAsked(catalogue, ledgerOf(catalogue), filters, given) : []
  const way = wayOf(plan, given)
  const screen = plan.pages ? readScreen(given) : 1
  const entry = subject.kind === 'entry' ? subject.entry.id : null
  const listed = findList(catalogue, {
    source: sourceOf(plan, scene),
    except: page.entry ?? entry,
    where: plan.where.map(({ field, op, value }) => ({ field, op, values: plainly(value, scene) })),
    filters,
    asked,
    found: plan.words && query && page.kind !== 'search' ? scene.found : null,
    sorting: { group: plan.grouping, sorts: way > 0 ? [plan.ways[way - 1]!.sort] : plan.sorts },
    skip: ((screen ?? 1) - 1) * plan.most,
    most: plan.most,
  })
  return { plan, listed, filters, asked, way, screen, screens: screensOf(listed.total, plan.most) }
}

interface Last {
  state: unknown
  page: unknown
  subject: unknown
  parameters: unknown
  found: unknown
  likely: unknown
  visitor: unknown
  made: OnPage
  seen: Iterable<string>
}

/** A page's list is asked for by the list, by what narrows it, and by what says whether it is there: it is found once. */
const LAST = new WeakMap<ListPlan, Last>()

export function listedOn(plan: ListPlan, scene: Scene): OnPage {
  const { catalogue, page, request, found, likely, visitor } = scene
  const subject = scene.subject.kind === 'entry' ? scene.subject.entry : page
  const last = LAST.get(plan)
  if (
    last?.state === catalogue.state &&
    last.page === page &&
    last.subject === subject &&
    last.parameters === request.parameters &&
    last.found === found &&
    last.likely === likely &&
    last.visitor === visitor
  ) {
    catalogue.seeAll(last.seen)
    return last.made
  }
  const { made, seen } = catalogue.watch(() => find(plan, scene))
  const { parameters } = request
  LAST.set(plan, { state: catalogue.state, page, subject, parameters, found, likely, visitor, made, seen })
  return made
}

/** The first list of a page that visitors can ask something of, as it stands there; null where there is none. */
export function askedList(scene: Scene, page = scene.page): { on: OnPage; scene: Scene } | null {
  const plan = scene.lists(page).find(isAsked)
  if (!plan) return null
  const there =
    page === scene.page
      ? scene
      : { ...scene, page, subject: subjectOf(scene.catalogue, page), request: { ...scene.request, parameters: {} } }
  return { on: listedOn(plan, there), scene: there }
}

/** What an address says besides what asks a list, in one order. */
export function besidesList(given: Parameters, { plan, filters }: OnPage): Parameters {
  const own = new Set([PAGE, SORT, ...filters.flatMap(({ name }) => parametersNamed(name))])
  if (plan.words) own.add('q')
  return Object.fromEntries(
    Object.entries(given)
      .filter(([name]) => !own.has(name))
      .sort(([a], [b]) => (a < b ? -1 : 1)),
  )
}

/** How a list is asked for. */
export interface Wish {
  asked?: readonly (Asked | null)[]
  words?: string
  way?: number
  screen?: number
}

/** The parameters by which a list is asked for something else than it is now; always in the same order. */
export function parametersFor(on: OnPage, scene: Scene, wish: Wish): Parameters {
  const { plan, filters } = on
  const words = wish.words ?? (plan.words ? scene.query : '')
  const way = wish.way ?? on.way
  const screen = wish.screen ?? 1
  return {
    ...besidesList(scene.request.parameters, on),
    ...(words && { q: [words] }),
    ...writeAsked(scene.catalogue, filters, wish.asked ?? on.asked),
    ...(way > 0 && { [SORT]: [plan.ways[way - 1]!.name] }),
    ...(screen > 1 && { [PAGE]: [String(screen)] }),
  }
}

/** The address at which a list is asked for something else. */
export function addressFor(on: OnPage, scene: Scene, wish: Wish): string {
  const query = writeParameters(parametersFor(on, scene, wish))
  return (scene.page.address || '/') + (query && `?${query}`)
}
