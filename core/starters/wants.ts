import type { Id } from '../model'
import { kindsFor } from '../fields'
import type { Want } from './types'

/** What starters name of a site, each once: `want-…` stands in their values where the id of this site will stand. */

const FACT = kindsFor('fact')
const wanted = (name: string): Id => `want-${name}`

const fact = (at: number): Want => ({
  kind: 'field',
  id: wanted(`fact-${at}`),
  label: `Fact ${at}`,
  kinds: FACT,
  names: [],
  any: true,
})

export const FACTS: readonly Want[] = [1, 2, 3, 4].map(fact)
export const GALLERY: Want = {
  kind: 'field',
  id: wanted('gallery'),
  label: 'Its pictures',
  kinds: ['pictures'],
  names: ['pictures', 'gallery', 'views', 'photos'],
  any: true,
}
export const WHEN: Want = {
  kind: 'field',
  id: wanted('when'),
  label: 'When it is',
  kinds: ['moment', 'date'],
  names: ['starts', 'begins', 'start', 'when', 'date', 'day'],
  any: true,
}
export const PRICE: Want = {
  kind: 'field',
  id: wanted('price'),
  label: 'What it costs',
  kinds: ['money', 'number'],
  names: ['price', 'cost', 'fee', 'amount'],
}
export const PAPERS: Want = {
  kind: 'field',
  id: wanted('papers'),
  label: 'Files to take away',
  kinds: ['documents'],
  names: ['documents', 'papers', 'files', 'downloads'],
  any: true,
}
export const MAIN_MENU: Want = {
  kind: 'menu',
  id: wanted('main'),
  label: 'The main menu',
  names: ['main', 'top', 'first', 'primary'],
  any: true,
}
export const MORE_MENU: Want = {
  kind: 'menu',
  id: wanted('more'),
  label: 'A menu beside it',
  names: ['footer', 'foot', 'more', 'rooms', 'second'],
  any: true,
}
export const SMALL_MENU: Want = {
  kind: 'menu',
  id: wanted('small'),
  label: 'The small print',
  names: ['small', 'print', 'legal', 'imprint'],
}
export const NEWS: Want = {
  kind: 'type',
  id: wanted('news'),
  label: 'What is new',
  names: ['stor', 'news', 'note', 'article', 'post', 'blog'],
  any: true,
}
export const THINGS: Want = {
  kind: 'type',
  id: wanted('things'),
  label: 'What there is to see',
  names: ['exhibit', 'work', 'project', 'product', 'object', 'room', 'talk', 'event'],
  any: true,
}
export const CONTACT: Want = {
  kind: 'page',
  id: wanted('contact'),
  label: 'How to reach somebody',
  names: ['contact', 'getting here', 'find us', 'visit', 'about'],
}
