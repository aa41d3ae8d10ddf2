import type { Layout } from '../../core/tree'
import { column, element, field, layout, line, row, withPicture } from './make'

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
  layout(
    'exhibit-shelves',
    'Exhibit shelves',
    'body',
    row(
      'Shelves',
      body,
      column(
        12,
        { flow: 24 },
        element('heading', { text: field('count', { after: ' exhibits' }), level: '2' }),
        element('entry-grid', { source: 'page', most: 48, columns: 4, card: 'exhibit-card' }),
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
      ),
    ),
    row(
      'Shelves',
      body,
      column(
        12,
        { flow: 20 },
        element('heading', { text: 'In this room', level: '2' }),
        element('entry-grid', {
          source: 'page',
          most: 48,
          columns: 4,
          card: 'thing-card',
          empty: 'This room is being rehung.',
        }),
      ),
    ),
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
        element('entry-grid', {
          source: 'page',
          most: 48,
          columns: 3,
          empty: 'Nothing has been written about this yet.',
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
        element('search-box', {}),
        element('field', { label: '', value: field('count', { after: ' found' }) }, { colour: '@soft' }),
        element('entry-grid', {
          source: 'page',
          most: 48,
          columns: 2,
          empty: 'Nothing found. Try fewer or other words.',
        }),
      ),
      column(4, {}),
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
          element('heading', { text: 'This page has stopped', level: '1' }, { size: { wide: 56, narrow: 36 } }),
          element(
            'text',
            { text: line('It may be at the mender’s, or it may never have been made. Please try one of the others.') },
            { size: 19 },
          ),
          element('search-box', { label: 'What were you looking for?' }),
          element('menu', { menu: 'main' }),
        ),
        column(5, {}),
      ),
      'empty-case',
    ),
  ),
]
