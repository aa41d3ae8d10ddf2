import type { Starter, StarterUse, Want } from './types'
import { CONTACT, FACTS, GALLERY, NEWS, PAPERS, PRICE, THINGS, WHEN } from './wants'
import type { Row } from '../tree'
import { column, element, field, holding, items, layout, row, type Looks } from './write'

/** Bodies to begin from: of entries, of lists, and of the pages that every site has. */

const ROOM: Looks = { paddingTop: { wide: 44, narrow: 28 }, paddingBottom: { wide: 60, narrow: 40 } }
const TITLE = field('title', { fallback: 'Untitled' })

const body = (
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

const factItems = (count: number) => items(...FACTS.slice(0, count).map((f) => ({ value: field(f.id) })))
const related = (columns: number, more = {}) =>
  element('entry-list', { source: 'related', relatedBy: 'terms', fill: true, most: columns, columns, ...more })
const list = (more: Parameters<typeof element>[1]) =>
  element('entry-list', { source: 'page', most: 24, pages: 'numbers', empty: 'Nothing is here yet.', ...more })

const ENTRIES: readonly Starter[] = [
  body(
    'body-reading',
    'For reading',
    'One narrow column: the text, who wrote it, and what to read next',
    'entry',
    [],
    row(
      'Text',
      ROOM,
      column(2, {}),
      column(8, {}, element('entry-content', {}, { size: 19, lineHeight: 1.65 }), element('share')),
      column(2, {}),
    ),
    row(
      'Next',
      { width: 'band', background: '@wash', paddingTop: 40, paddingBottom: 52 },
      column(12, { flow: 20 }, element('heading', { text: 'Read next', level: '2' }), related(3, { level: '3' })),
    ),
  ),
  body(
    'body-facts-beside',
    'Facts beside it',
    'Text with a column of facts that stays beside it',
    'entry',
    FACTS,
    row(
      'Both',
      { ...ROOM, gap: 56 },
      column(8, {}, element('lead-picture', { shape: 'lying' }), element('entry-content', {}, { size: 18 })),
      column(
        4,
        { background: '@wash', paddingTop: 24, paddingRight: 24, paddingBottom: 24, paddingLeft: 24, sticks: 24 },
        element('heading', { text: 'At a glance', level: '2' }, { size: 18 }),
        element('facts', { facts: factItems(4), columns: 1, arrange: 'table' }),
      ),
    ),
    row('More', { paddingTop: 8, paddingBottom: 56 }, column(12, {}, element('neighbours'))),
  ),
  body(
    'body-shown',
    'Shown large',
    'Pictures across the width, then the title, then what there is to know in four columns',
    'entry',
    [GALLERY, ...FACTS],
    row(
      'Pictures',
      { paddingTop: 24, paddingBottom: 24 },
      column(12, {}, element('picture-set', { value: field(GALLERY.id), form: 'lead', large: true })),
    ),
    row(
      'Title',
      { paddingTop: 8, paddingBottom: 24 },
      column(
        8,
        { flow: 12 },
        element('heading', { text: TITLE, level: '1' }, { size: { wide: 48, narrow: 34 } }),
        element('field', { value: field('summary') }, { size: 21, family: '@heading' }),
      ),
      column(4, {}),
    ),
    row(
      'Facts',
      { paddingTop: 20, paddingBottom: 24, edgeTop: 1, edgeBottom: 1, edgeColour: '@wash' },
      column(12, {}, element('facts', { facts: factItems(4), columns: 4 })),
    ),
    row('Text', ROOM, column(7, {}, element('entry-content', {}, { size: 18 })), column(5, {})),
  ),
  body(
    'body-event',
    'On a day',
    'When, how long until then, what it costs and a button stand first; the text follows',
    'entry',
    [WHEN, PRICE, CONTACT],
    row(
      'When',
      { width: 'band', background: '@accent', colour: '@paper', paddingTop: 28, paddingBottom: 28, stand: 'center' },
      column(
        8,
        { flow: 6 },
        element(
          'field',
          { value: field(WHEN.id, { format: { date: 'full' } }) },
          { size: { wide: 28, narrow: 22 }, family: '@heading' },
        ),
        element('countdown', { day: field(WHEN.id), before: 'In ', after: '.', on: 'Today.', over: 'It is over.' }),
      ),
      column(
        4,
        { align: { wide: 'end', narrow: 'start' }, flow: 8 },
        element('field', { value: field(PRICE.id) }, { size: 22, weight: 600 }),
        element(
          'button',
          { label: 'Take part', link: { page: `entry:${CONTACT.id}` } },
          { background: '@paper', colour: '@ink', edgeColour: '@paper' },
        ),
      ),
    ),
    row(
      'Text',
      ROOM,
      column(8, {}, element('entry-content', {}, { size: 18 })),
      column(4, {}, element('person-card', { beside: true, most: 0 })),
    ),
  ),
  body(
    'body-tabs',
    'In tabs',
    'The text, the facts and the files behind three tabs',
    'entry',
    [...FACTS, PAPERS],
    row(
      'Tabs',
      ROOM,
      column(
        12,
        {},
        holding(
          element('tabs', { name: 'About this' }),
          [
            'About',
            row(
              '',
              {},
              column(8, {}, element('entry-content', {}, { size: 18 })),
              column(4, {}, element('lead-picture')),
            ),
          ],
          [
            'Facts',
            row('', {}, column(12, {}, element('facts', { facts: factItems(4), columns: 2, arrange: 'table' }))),
          ],
          ['To take away', row('', {}, column(12, {}, element('documents', { value: field(PAPERS.id) })))],
        ),
      ),
    ),
  ),
]

const LISTS: readonly Starter[] = [
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

const TERMS: readonly Starter[] = [
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

const PEOPLE: readonly Starter[] = [
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

const SEARCH: readonly Starter[] = [
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

const LOST: readonly Starter[] = [
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

export const BODIES: readonly Starter[] = [...ENTRIES, ...LISTS, ...TERMS, ...PEOPLE, ...SEARCH, ...LOST]
