import type { Id, Entry, Menu, Page } from '../model'
import { type Catalogue, type FieldContext, type Subject, type Visitor, subjectOf } from '../catalogue'
import type { Request } from '../conditions'
import type { FormState } from '../forms'
import type { Formats } from './format'
import type { Shopping } from '../shop'
import type { ListPlan } from './list-plan'

/** Writes HTML once there is a scene. */
export type Fill = (scene: Scene) => string

/** Everything that a drawing program is filled with. */
export interface Scene extends FieldContext {
  formats: Formats
  /** Who asks, and how: what things are shown for. */
  request: Request
  /** Entries that are likely meant where an address or a search finds nothing. */
  likely: readonly Entry[]
  /** Card layouts, ready to be drawn, for grids. */
  cards: ReadonlyMap<Id, Fill>
  /** Menus, as they are released or as they are being made. */
  menus: ReadonlyMap<Id, Menu>
  /** The lists that stand on a page, as its layouts say. */
  lists(page: Page): readonly ListPlan[]
  /** What was sent to a form on this page, where it is drawn again with that. */
  form: FormState | null
  /** How many things are in the visitor's basket. */
  count: number
  /** What the visitor has and says in the shop; null where nobody is asked. */
  shopping: Shopping | null
  /** The proof that a form was drawn on this page by this site; see `core/forms/token.ts`. */
  proof(form: Id): string
}

export const ANYBODY: Visitor = { role: 'visitor', name: '' }

/** Somebody of whom nothing is known. */
export const ANY_REQUEST: Request = { role: 'visitor', signedIn: false, device: 'desktop', parameters: {}, at: 0 }

export interface SceneOptions {
  request?: Request
  visitor?: Visitor
  query?: string
  found?: readonly Entry[]
  near?: string
  likely?: readonly Entry[]
  cards?: ReadonlyMap<Id, Fill>
  /** Else those of the site. */
  menus?: ReadonlyMap<Id, Menu> | undefined
  /** The lists on other pages than its own, which are known by its design. */
  lists?: Scene['lists']
  form?: FormState | null
  count?: number
  shopping?: Shopping | null
  proof?: Scene['proof']
}

export function sceneOf(catalogue: Catalogue, formats: Formats, page: Page, options: SceneOptions = {}): Scene {
  return {
    catalogue,
    formats,
    page,
    subject: subjectOf(catalogue, page),
    visitor: options.visitor ?? ANYBODY,
    request: options.request ?? ANY_REQUEST,
    query: options.query ?? '',
    found: options.found ?? NO_ENTRIES,
    near: options.near ?? '',
    likely: options.likely ?? NO_ENTRIES,
    cards: options.cards ?? NO_CARDS,
    menus: options.menus ?? catalogue.menus,
    lists: options.lists ?? noLists,
    form: options.form ?? null,
    count: options.count ?? 0,
    shopping: options.shopping ?? null,
    proof: options.proof ?? noProof,
  }
}

const NO_ENTRIES: readonly Entry[] = []
const noProof = (): string => ''
const noLists = (): readonly ListPlan[] => []
const NO_CARDS: ReadonlyMap<Id, Fill> = new Map()

/** The same scene about another subject, for cards and shared chunks. */
export function about(scene: Scene, subject: Subject): Scene {
  return { ...scene, subject }
}
