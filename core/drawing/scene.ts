import {
  type Id,
  type Catalogue,
  type Entry,
  type Page,
  type Place,
  type Subject,
  type Visitor,
  subjectOf,
} from '../site'
import type { Formats } from './format'

/** Writes HTML once there is a scene. */
export type Fill = (scene: Scene) => string

/** Everything that a drawing program is filled with. */
export interface Scene extends Place {
  formats: Formats
  /** Card layouts, ready to be drawn, for grids. */
  cards: ReadonlyMap<Id, Fill>
}

export const ANYBODY: Visitor = { role: 'visitor', name: '' }

export interface SceneOptions {
  visitor?: Visitor
  query?: string
  found?: readonly Entry[]
  cards?: ReadonlyMap<Id, Fill>
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

const NO_CARDS: ReadonlyMap<Id, Fill> = new Map()

/** The same scene about another subject, for cards and shared chunks. */
export function about(scene: Scene, subject: Subject): Scene {
  return { ...scene, subject }
}
