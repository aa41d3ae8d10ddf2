import type { Id, Catalogue, Entry, Page, Place, Subject, Visitor } from '../site'
import { subjectOf } from '../site'
import type { Formats } from './format'
import type { Program } from './program'

/** Everything that a drawing program is filled with. */
export interface Scene extends Place {
  formats: Formats
  /** Compiled card layouts, for grids. */
  cards: ReadonlyMap<Id, Program>
}

export const ANYBODY: Visitor = { role: 'visitor', name: '' }

export interface SceneOptions {
  visitor?: Visitor
  query?: string
  found?: readonly Entry[]
  cards?: ReadonlyMap<Id, Program>
}

export function sceneOf(catalogue: Catalogue, formats: Formats, page: Page, options: SceneOptions = {}): Scene {
  return {
    catalogue,
    formats,
    page,
    subject: subjectOf(catalogue, page),
    visitor: options.visitor ?? ANYBODY,
    query: options.query ?? '',
    found: options.found ?? [],
    cards: options.cards ?? NO_CARDS,
  }
}

const NO_CARDS: ReadonlyMap<Id, Program> = new Map()

/** The same scene about another subject, for cards and shared pieces. */
export function about(scene: Scene, subject: Subject): Scene {
  return { ...scene, subject }
}
