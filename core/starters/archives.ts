import { ROOM, body, list } from './body'
import type { Starter } from './types'
import { column, element, field, row } from './write'

/** Bodies of archives and of the pages of terms to begin from. */

export const LISTS: readonly Starter[] = [
  body(
    'list-grid',
    'A grid',
    'Pictures in three columns, to be narrowed by words',
    'list',
    [],
    row('Grid', ROOM, column(12, { flow: 24 }, list({ arrange: 'grid', columns: 3, words: true, tally: true }))),
  ),
  body(
    'list-first-large',
    'The first one large',
    'What is newest stands large, the others below it in two columns',
    'list',
    [],
    row(
      'Newest',
      { paddingTop: 36, paddingBottom: 8 },
      column(12, {}, element('entry-list', { source: 'page', most: 1, columns: 1, arrange: 'rows' }, { size: 20 })),
    ),
    row(
      'All',
      { width: 'band', background: '@wash', paddingTop: 40, paddingBottom: 56 },
      column(
        12,
        { flow: 22 },
        element('heading', { text: 'All of them', level: '2' }),
        list({ columns: 2, level: '3' }),
      ),
    ),
  ),
  body(
    'list-lines',
    'One below the other',
    'Wide rows with the text beside the picture, and a form to narrow them on the left',
    'list',
    [],
    row(
      'Rows',
      { ...ROOM, gap: 48 },
      column(3, {}, element('filter-form', { folds: true })),
      column(9, {}, list({ arrange: 'rows', words: true, tally: true })),
    ),
  ),
  body(
    'list-letters',
    'From A to Z',
    'A table under letters, for what is looked up by its name',
    'list',
    [],
    row('Narrow', { paddingTop: 36 }, column(12, {}, element('filter-form', { folds: true }))),
    row(
      'Letters',
      ROOM,
      column(
        12,
        {},
        element('entry-list', { source: 'page', arrange: 'table', group: 'letter', groupField: 'title', most: 200 }),
      ),
    ),
  ),
]

export const TERMS: readonly Starter[] = [
  body(
    'term-wall',
    'A wall of it',
    'What the group is, its picture beside it, and all that belongs to it in four columns',
    'term',
    [],
    row(
      'About',
      { paddingTop: 40, paddingBottom: 16, stand: 'center' },
      column(
        7,
        {},
        element('field', { value: field('description') }, { size: 20, family: '@heading', lineHeight: 1.45 }),
      ),
      column(5, {}, element('lead-picture', { shape: 'lying' })),
    ),
    row('Wall', { paddingTop: 16, paddingBottom: 56 }, column(12, {}, list({ columns: 4, most: 48 }))),
  ),
  body(
    'term-index',
    'With its neighbours',
    'The groups beside it on the left, what belongs here as rows on the right',
    'term',
    [],
    row(
      'Both',
      { ...ROOM, gap: 48 },
      column(3, {}, element('term-list', { source: 'all', columns: 1, above: 'Others', most: 30 }, { size: 15 })),
      column(9, { flow: 20 }, element('field', { value: field('description') }), list({ arrange: 'rows' })),
    ),
  ),
  body(
    'term-dark',
    'Dark, with its number',
    'How many there are in large figures, then a grid on dark ground',
    'term',
    [],
    row(
      'Number',
      { width: 'band', background: '@ink', colour: '@paper', paddingTop: 40, paddingBottom: 8, stand: 'end' },
      column(
        4,
        {},
        element(
          'field',
          { value: field('count') },
          { size: { wide: 88, narrow: 56 }, family: '@heading', lineHeight: 1 },
        ),
      ),
      column(8, {}, element('field', { value: field('description') }, { size: 18 })),
    ),
    row(
      'Grid',
      { width: 'band', background: '@ink', colour: '@paper', linkColour: '@wash', paddingTop: 24, paddingBottom: 64 },
      column(12, {}, list({ columns: 3 })),
    ),
  ),
]
