import { ROOM, body, list } from './body'
import type { Starter } from './types'
import { NEWS, THINGS } from './wants'
import { column, element, field, items, row } from './write'

/** Bodies to begin from for pages that every site has: of people, of what a search found, and where no page is. */

export const PEOPLE: readonly Starter[] = [
  body(
    'person-portrait',
    'Portrait and words',
    'The portrait on the left, who it is on the right, and below what they have made',
    'person',
    [],
    row(
      'Person',
      { paddingTop: 44, paddingBottom: 28 },
      column(12, {}, element('person-card', { beside: true, most: 0 }, { size: 18 })),
    ),
    row(
      'Made',
      { width: 'band', background: '@wash', paddingTop: 36, paddingBottom: 56 },
      column(
        12,
        { flow: 20 },
        element('heading', { text: 'By their hand', level: '2' }),
        list({ columns: 3, level: '3' }),
      ),
    ),
  ),
  body(
    'person-list',
    'What they wrote',
    'A few words about them, then a list by month',
    'person',
    [],
    row(
      'Words',
      { paddingTop: 36, paddingBottom: 12 },
      column(
        8,
        { flow: 8 },
        element('field', { value: field('summary') }, { size: 20, family: '@heading' }),
        element('field', { value: field('description') }),
      ),
      column(4, {}, element('lead-picture', { shape: 'square' })),
    ),
    row(
      'List',
      { paddingTop: 12, paddingBottom: 56 },
      column(12, {}, list({ arrange: 'rows', group: 'month', groupField: 'date', most: 50 })),
    ),
  ),
  body(
    'person-beside',
    'Beside the work',
    'Their card stays on the left while their work passes on the right',
    'person',
    [],
    row(
      'Both',
      { ...ROOM, gap: 48 },
      column(
        4,
        { background: '@wash', paddingTop: 24, paddingRight: 24, paddingBottom: 24, paddingLeft: 24, sticks: 24 },
        element('person-card', { most: 0 }),
      ),
      column(8, {}, list({ columns: 2 })),
    ),
  ),
]

export const SEARCH: readonly Starter[] = [
  body(
    'search-rows',
    'Answers as rows',
    'A broad box to ask again, how many were found, and rows with pictures',
    'search',
    [],
    row(
      'Box',
      { width: 'band', background: '@wash', paddingTop: 28, paddingBottom: 28 },
      column(2, {}),
      column(8, {}, element('search-box', { suggests: true })),
      column(2, {}),
    ),
    row(
      'Answers',
      ROOM,
      column(12, {}, list({ arrange: 'rows', tally: true, empty: 'Nothing was found. Try fewer words.' })),
    ),
  ),
  body(
    'search-likely',
    'With what was meant',
    'Answers on the left; on the right what may have been meant, and what is new',
    'search',
    [NEWS],
    row(
      'Both',
      { ...ROOM, gap: 48 },
      column(
        8,
        { flow: 20 },
        element('search-box', { suggests: true }),
        list({ arrange: 'rows', tally: true, empty: 'Nothing was found.' }),
      ),
      column(
        4,
        { flow: 20, paddingLeft: 24, edgeLeft: 1, edgeColour: '@wash' },
        element(
          'entry-list',
          { source: 'likely', most: 4, columns: 1, arrange: 'rows', above: 'Did you mean' },
          { size: 15 },
        ),
        element(
          'entry-list',
          { source: 'newest', type: NEWS.id, most: 3, columns: 1, arrange: 'rows', above: 'New' },
          { size: 15 },
        ),
      ),
    ),
  ),
  body(
    'search-wall',
    'Answers as pictures',
    'A wall of what was found in four columns, for a site that is seen',
    'search',
    [],
    row(
      'Box',
      { paddingTop: 36, paddingBottom: 12 },
      column(6, {}, element('search-box', { suggests: true })),
      column(6, {}),
    ),
    row(
      'Wall',
      { paddingTop: 8, paddingBottom: 56 },
      column(12, {}, list({ columns: 4, tally: true, empty: 'Nothing was found. Look at what is new instead.' })),
    ),
  ),
]

export const LOST: readonly Starter[] = [
  body(
    'lost-polite',
    'A polite word',
    'A large sentence, a search, and the way home',
    'lost',
    [],
    row(
      'Words',
      { paddingTop: { wide: 96, narrow: 56 }, paddingBottom: { wide: 110, narrow: 64 } },
      column(2, {}),
      column(
        8,
        { align: 'center', flow: 18 },
        element('lost-words', { words: 'moved' }),
        element('search-box', { suggests: true }),
        element('buttons', { buttons: items({ label: 'To the first page', link: { page: 'home' } }) }),
      ),
      column(2, {}),
    ),
  ),
  body(
    'lost-ways',
    'Ways back in',
    'What may have been meant, what is new, and what there is to see, side by side',
    'lost',
    [NEWS, THINGS],
    row(
      'Words',
      { width: 'band', background: '@wash', paddingTop: 48, paddingBottom: 36 },
      column(8, { flow: 10 }, element('lost-words', { words: 'sorry' })),
      column(4, { things: 'end' }, element('search-box')),
    ),
    row(
      'Ways',
      { ...ROOM, gap: 40 },
      column(
        4,
        {},
        element('entry-list', { source: 'likely', most: 4, columns: 1, arrange: 'rows', above: 'Perhaps this' }),
      ),
      column(
        4,
        {},
        element('entry-list', {
          source: 'newest',
          type: NEWS.id,
          most: 4,
          columns: 1,
          arrange: 'rows',
          above: 'What is new',
        }),
      ),
      column(
        4,
        {},
        element('entry-list', {
          source: 'newest',
          type: THINGS.id,
          most: 4,
          columns: 1,
          arrange: 'rows',
          above: 'What there is',
        }),
      ),
    ),
  ),
  body(
    'lost-dark',
    'In the dark',
    'A dark page with one line and one button; it takes the whole window',
    'lost',
    [],
    row(
      'Dark',
      {
        width: 'band',
        background: '@ink',
        colour: '@paper',
        minHeight: { wide: 560, narrow: 420 },
        paddingTop: { wide: 150, narrow: 90 },
        paddingBottom: 90,
      },
      column(
        7,
        { flow: 20 },
        element('lost-words', { words: 'quiet' }),
        element(
          'button',
          { label: 'Turn back', link: { page: 'home' } },
          { background: '@paper', colour: '@ink', edgeColour: '@paper' },
        ),
      ),
      column(5, {}),
    ),
  ),
]
