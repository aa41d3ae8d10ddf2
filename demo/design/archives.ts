import type { Layout } from '../../core/tree'
import { visitBand } from './pieces'
import { column, element, field, items, layout, line, row, when, withPicture } from './make'

const body = { paddingTop: { wide: 40, narrow: 28 }, paddingBottom: { wide: 64, narrow: 40 } }

/** A card: the picture, the title with the link, and a line below. */
const card = (id: string, name: string, untitled: string, ...below: Parameters<typeof line>) =>
  layout(
    id,
    name,
    'card',
    row(
      'Card',
      {},
      column(
        12,
        { flow: 6 },
        element('lead-picture', { shape: 'square' }),
        element(
          'heading',
          { text: field('title', { fallback: untitled }), level: '3', link: field('address') },
          { size: 18, marginTop: 6 },
        ),
        element('text', { text: line(...below) }, { size: 14, colour: '@soft' }),
      ),
    ),
  )

/** Archives, the working pages, and the cards that their grids draw. */
export const ARCHIVES: Layout[] = [
  card('exhibit-card', 'Exhibit card', 'Untitled exhibit', field('maker', { after: ', ' }), field('made')),
  card('thing-card', 'Thing card', 'Untitled', field('summary')),
  card('gift-card', 'Gift card', 'Untitled gift', field('price')),
  layout(
    'exhibit-shelves',
    'Exhibit shelves',
    'body',
    row(
      'Shelves',
      { ...body, gap: { wide: 48 } },
      column(
        3,
        { flow: 20, size: 15 },
        element('favourites-link', { label: 'My list', link: { page: 'entry:visit' } }),
        element('filter-form', { button: 'Show these', off: 'Show all again' }),
      ),
      column(
        9,
        { flow: 24 },
        element('entry-list', {
          source: 'page',
          above: 'What there is to see',
          level: '2',
          tally: true,
          tallyAfter: ' exhibits',
          most: 12,
          columns: 3,
          card: 'exhibit-card',
          pages: 'numbers',
          filters: items(
            { field: 'terms:room' },
            { field: 'terms:period' },
            { field: 'mechanism' },
            { field: 'made', range: true },
            { field: 'height' },
            { field: 'strikes', label: 'Strikes the hours' },
            { field: 'person', label: 'Keeper' },
          ),
          words: true,
          ways: items(
            { label: 'By name', field: 'title' },
            { label: 'Oldest first', field: 'made' },
            { label: 'Tallest first', field: 'height', down: true },
          ),
          empty: 'No exhibit is all of that. Take one of your choices off.',
        }),
      ),
    ),
    row(
      'From the cases',
      { paddingBottom: 64 },
      column(
        12,
        {},
        element(
          'slideshow',
          {
            name: 'From the cases',
            slides: items(
              { picture: 'room-watch-cabinet', title: 'Watches that were carried to sea' },
              { picture: 'room-workshop', title: 'What is on the bench this month' },
            ),
          },
          { pictureHeight: { wide: 280, narrow: 200 } },
        ),
      ),
    ),
  ),
  layout(
    'room-archive',
    'Room archive',
    'body',
    row(
      'About',
      { paddingTop: 36, paddingBottom: 8 },
      column(8, {}, element('field', { value: field('description') }, { size: 20, family: '@heading' })),
      column(
        4,
        { align: { wide: 'end', narrow: 'start' } },
        element('field', { value: field('count', { after: ' things here' }) }, { colour: '@soft' }),
        { ...element('floor-plan', {}, { size: 13 }), hides: ['list', 'names'] },
      ),
    ),
    row(
      'Shelves',
      body,
      column(
        12,
        { flow: 20 },
        element('heading', { text: 'In this room', level: '2' }),
        element('entry-list', {
          source: 'page',
          most: 48,
          columns: 4,
          card: 'thing-card',
          empty: 'This room is being rehung.',
        }),
        element(
          'term-list',
          { source: 'all', taxonomy: 'terms:room', columns: 5, above: 'All rooms' },
          { marginTop: 24 },
        ),
      ),
    ),
    visitBand({ 'heading text': 'See this room' }),
  ),
  layout(
    'story-list',
    'Story list',
    'body',
    row(
      'Stories',
      body,
      column(
        12,
        {},
        element('entry-list', {
          source: 'page',
          most: 48,
          columns: 3,
          empty: 'Nothing has been written about this yet.',
        }),
      ),
    ),
  ),
  layout(
    'talk-days',
    'Talks by day',
    'body',
    row(
      'Calendar',
      { ...body, gap: { wide: 48 } },
      column(
        8,
        {},
        element('calendar', { type: 'talk', field: 'starts', level: '2', empty: 'No talks are planned yet.' }),
      ),
      column(
        4,
        { flow: 22, size: 15 },
        element('entry-list', {
          type: 'talk',
          where: items({ field: 'starts', op: 'in-next', value: 730 }),
          sorts: items({ field: 'starts' }),
          most: 4,
          arrange: 'rows',
          level: '2',
          above: 'What comes next',
          empty: 'No talk is planned. Those who read our stories hear of the next.',
        }),
        element('button', { label: 'All talks in your own calendar', link: '/talks/calendar.ics', look: 'outlined' }),
      ),
    ),
    row(
      'Past talks',
      { paddingTop: 36, paddingBottom: 60, width: 'band', background: '@wash' },
      column(
        12,
        {},
        element('entry-list', {
          type: 'talk',
          where: items({ field: 'starts', op: 'in-last', value: 3650 }),
          sorts: items({ field: 'starts', down: true }),
          most: 12,
          arrange: 'table',
          fields: items(
            { field: 'title', label: 'Talk' },
            { field: 'starts', label: 'Was on' },
            { field: 'person', label: 'Speaker' },
          ),
          level: '2',
          above: 'Past talks',
        }),
      ),
    ),
  ),
  layout(
    'results',
    'Results',
    'body',
    row(
      'Search',
      body,
      column(
        8,
        { flow: 28 },
        element('search-box', { suggests: true }),
        element(
          'field',
          {
            label: '',
            value: field('near', { before: 'Nothing has just these words. Shown is what has “', after: '”.' }),
          },
          { colour: '@soft' },
        ),
        element('entry-list', {
          source: 'page',
          most: 12,
          arrange: 'rows',
          pages: 'numbers',
          tally: true,
          tallyAfter: ' found',
          empty: 'Nothing has all of these words.',
          filters: items(
            { field: 'type', label: 'Kind of page' },
            { field: 'terms:room' },
            { field: 'terms:topic' },
            { field: 'date', range: true },
          ),
        }),
        element('entry-list', { source: 'likely', most: 6, arrange: 'rows', above: 'Perhaps you meant' }),
        when(element('entry-list', { source: 'newest', type: 'story', most: 3, above: 'Lately written' }), {
          kind: 'count',
          least: null,
          most: 0,
        }),
      ),
      column(4, {}, element('filter-form', {})),
    ),
  ),
  layout(
    'lost-page',
    'Lost page',
    'body',
    withPicture(
      row(
        'Lost',
        {
          minHeight: 560,
          paddingTop: { wide: 120, narrow: 64 },
          paddingBottom: 80,
          width: 'band',
          background: '@night',
          colour: '@paper',
          pictureStrength: 40,
        },
        column(
          7,
          { flow: 20 },
          element('icon', { icon: 'hourglass' }, { colour: '@pale', size: 40 }),
          element('lost-words', {
            words: 'own',
            title: 'This page has stopped',
            text: 'It may be at the mender’s, or it may never have been made. Please try one of the others.',
          }),
          element('search-box', { label: 'What were you looking for?', look: 'pale', suggests: true }),
          {
            ...element('entry-list', { source: 'likely', most: 3, above: 'Perhaps you meant', columns: 3 }),
            hides: ['picture'],
          },
          element('buttons', {
            buttons: items(
              { label: 'Home', link: { page: 'home' }, look: 'pale' },
              { label: 'All exhibits', link: { page: 'archive:exhibit' }, look: 'outlined' },
              { label: 'Plan a visit', link: { page: 'entry:visit' }, look: 'outlined' },
            ),
          }),
        ),
        column(
          5,
          { things: 'end' },
          element('icon-words', {
            icon: 'gift',
            title: 'Since you are here',
            text: line('Say “it has stopped” at the desk, and the first tour is ours.'),
          }),
        ),
      ),
      'empty-case',
    ),
    row(
      'Newest',
      { paddingTop: 40, paddingBottom: 56 },
      column(
        12,
        { flow: 20 },
        element('heading', { text: 'New on show', level: '2' }),
        element('entry-list', { type: 'exhibit', most: 3, columns: 3, card: 'exhibit-card' }),
      ),
    ),
  ),
]
