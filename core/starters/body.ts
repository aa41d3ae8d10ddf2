import type { Row } from '../tree'
import type { Starter, StarterUse, Want } from './types'
import { FACTS } from './wants'
import { type Looks, element, field, items, layout } from './write'

/** What bodies to begin from are made of. */

export const ROOM: Looks = { paddingTop: { wide: 44, narrow: 28 }, paddingBottom: { wide: 60, narrow: 40 } }
export const TITLE = field('title', { fallback: 'Untitled' })

export const body = (
  id: string,
  name: string,
  about: string,
  use: StarterUse,
  wants: readonly Want[],
  ...rows: Row[]
): Starter => ({
  id,
  name,
  about,
  region: 'body',
  use,
  wants,
  layout: layout(id, name, 'body', ...rows),
})

export const factItems = (count: number) => items(...FACTS.slice(0, count).map((f) => ({ value: field(f.id) })))
export const related = (columns: number, more = {}) =>
  element('entry-list', { source: 'related', relatedBy: 'terms', fill: true, most: columns, columns, ...more })
export const list = (more: Parameters<typeof element>[1]) =>
  element('entry-list', { source: 'page', most: 24, pages: 'numbers', empty: 'Nothing is here yet.', ...more })
