import type { Layout } from '../../core/tree'
import { column, element, items, layout, line, row } from './make'

const body = { paddingTop: { wide: 44, narrow: 28 }, paddingBottom: { wide: 64, narrow: 40 } }

/** The body of the museum's home page. */
export const HOME: Layout = layout(
  'home',
  'Home',
  'body',
  row(
    'Welcome',
    { ...body, paddingBottom: 24 },
    column(
      8,
      {},
      element('entry-content', {}, { family: '@heading', size: { wide: 26, narrow: 20 }, lineHeight: 1.4 }),
    ),
    column(
      4,
      { align: { wide: 'end', narrow: 'start' }, things: 'end' },
      element('button', { label: 'Plan a visit', link: { page: 'entry:visit' } }),
      element(
        'countdown',
        { day: '2027-05-01', before: 'Long evenings begin in ', after: '.', on: 'Long evenings begin today.' },
        { size: 15, colour: '@soft' },
      ),
    ),
  ),
  row(
    'Exhibits',
    { paddingTop: 32, paddingBottom: 48 },
    column(
      12,
      { flow: 22 },
      element('heading', { text: 'Newly on show', level: '2' }),
      element('entry-list', { type: 'exhibit', most: 6, columns: 3, card: 'exhibit-card' }),
    ),
  ),
  row(
    'Why come',
    { paddingTop: 8, paddingBottom: 40 },
    ...[
      ['bell', 'At noon they strike', 'Eleven of them, one after the other; the last one is right.'],
      ['wrench', 'The workshop is open', 'Watch a movement being taken apart, and ask.'],
      ['footprints', 'Up the tower', 'Ninety-one steps, and a clock that is larger than a door.'],
    ].map(([icon, name, words]) =>
      column(4, {}, element('icon-words', { icon: icon!, title: name!, text: line(words!), side: 'above' })),
    ),
  ),
  row(
    'Rooms',
    { paddingTop: 24, paddingBottom: 56 },
    column(
      8,
      {},
      element(
        'slideshow',
        {
          name: 'The rooms',
          slides: items(
            {
              picture: 'room-tower-room',
              title: 'Tower Room',
              text: 'What told the town.',
              link: { page: 'term:tower-room' },
            },
            {
              picture: 'room-long-gallery',
              title: 'Long Gallery',
              text: 'A row of tall cases.',
              link: { page: 'term:long-gallery' },
            },
            {
              picture: 'room-night-room',
              title: 'Night Room',
              text: 'Clocks that ring in the dark.',
              link: { page: 'term:night-room' },
            },
          ),
        },
        { pictureHeight: { wide: 380, narrow: 260 } },
      ),
    ),
    column(
      4,
      { flow: 14 },
      element('heading', { text: 'When they strike', level: '2' }, { size: '@h3' }),
      element('table', {
        rows: items(
          { first: 'Hour', second: 'Clocks' },
          { first: 'Noon', second: 'Eleven' },
          { first: 'Two', second: 'Four, and a cuckoo' },
          { first: 'Five', second: 'All that are wound' },
        ),
        side: true,
      }),
      element('heading', { text: 'Looking for something?', level: '2' }, { size: '@h3', marginTop: 12 }),
      element('link-list', {
        links: items(
          { label: 'All exhibits', link: { page: 'archive:exhibit' } },
          { label: 'What comes next', link: { page: 'archive:talk' } },
          { label: 'Support us', link: { page: 'entry:support-us' } },
        ),
      }),
    ),
  ),
  row(
    'Stories',
    { paddingTop: 40, paddingBottom: 60, width: 'band', background: '@wash' },
    column(
      12,
      { flow: 22 },
      element('heading', { text: 'From the house', level: '2' }),
      element('entry-list', { type: 'story', most: 3, columns: 3, level: '3' }),
    ),
  ),
)
