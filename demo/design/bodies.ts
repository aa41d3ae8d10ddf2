import type { LayoutDocument } from '../../core/tree'
import { hours } from './door'
import { askKeeper, place, visitBand } from './pieces'
import { EXHIBITS } from './exhibits'
import { column, element, field, items, layout, line, row } from './make'

const body = { paddingTop: { wide: 44, narrow: 28 }, paddingBottom: { wide: 64, narrow: 40 } }

const share = () =>
  element(
    'share',
    {
      ways: items(
        { label: 'Pass it on by mail', address: 'mailto:?subject={title}&body={url}' },
        { label: 'On the ringing network', address: 'https://ringing.example.org/share?text={title}%20{url}' },
      ),
    },
    { size: 15 },
  )

/** Bodies of the entries, one for each page type, and the exceptions. */
export const BODIES: LayoutDocument[] = [
  ...EXHIBITS,
  layout(
    'talk-page',
    'Talk page',
    'body',
    row(
      'Talk',
      body,
      column(
        8,
        {},
        element('icon', { icon: 'mic', label: 'A talk' }, { colour: '@accent' }),
        element('entry-content', {}, { size: 19 }),
        element('icon-list', {
          lines: items(
            { text: field('starts', { format: { date: 'full' } }), icon: 'calendar' },
            { text: field('terms:room'), icon: 'map-pin' },
            { text: field('person', { before: 'With ' }), icon: 'user' },
          ),
        }),
        element(
          'countdown',
          { day: field('starts'), before: 'It begins in ', after: '.', on: 'It is today.', over: 'It is over.' },
          { size: 17 },
        ),
        element('buy', { label: 'Book a place', quantity: 'Places', gone: 'It is over' }),
        element('button', { label: 'Buy a ticket', link: { page: 'archive:ticket' } }),
        share(),
      ),
      column(
        4,
        { flow: 10, background: '@wash', paddingTop: 22, paddingRight: 22, paddingBottom: 22, paddingLeft: 22 },
        element('facts', {
          facts: items(
            { value: field('starts', { format: { date: 'full' } }), icon: 'calendar' },
            { value: field('starts', { format: { date: 'time', until: 'ends' } }), label: 'At', icon: 'clock' },
            { value: field('price'), icon: 'ticket' },
            { value: field('places', { fallback: 'Ask at the desk' }) },
            { value: field('terms:room'), icon: 'map-pin' },
          ),
          columns: 1,
          arrange: 'table',
        }),
        element('person-card', { beside: true, most: 2, more: 'More from them' }, { size: 15, marginTop: 10 }),
      ),
    ),
    visitBand({
      'heading text': 'Come and listen',
      'text text': line('Doors open half an hour before; the last row is the warmest.'),
    }),
  ),
  layout(
    'visit-page',
    'Visit page',
    'body',
    row('Words', body, column(2, {}), column(8, {}, element('entry-content', {}, { size: 18 })), column(2, {})),
    row(
      'My list',
      { paddingTop: 36, paddingBottom: 60, width: 'band', background: '@wash' },
      column(
        12,
        { flow: 20 },
        element('heading', { text: 'My list', level: '2' }),
        element('entry-list', {
          source: 'marked',
          most: 24,
          columns: 4,
          card: 'exhibit-card',
          tally: true,
          tallyAfter: ' on it',
          empty:
            'Exhibits that you put on your list stand here. The list is kept in your browser and needs script; without it, a bookmark of each page does as well.',
        }),
      ),
    ),
  ),
  layout(
    'contact-page',
    'Contact page',
    'body',
    row(
      'Words',
      { paddingTop: { wide: 44, narrow: 28 }, gap: 48 },
      column(8, {}, element('entry-content', {}, { size: 18 })),
      column(4, {}, place('address-card')),
    ),
    askKeeper({
      'heading text': 'Write to us',
      'field value': field('name', { of: 'site', before: 'What you write goes to the desk of the ', after: '.' }),
    }),
  ),
  layout(
    'sign-in-page',
    'Sign-in page',
    'body',
    row(
      'Door',
      { paddingTop: { wide: 44, narrow: 28 }, paddingBottom: { wide: 64, narrow: 40 }, gap: 48 },
      column(6, {}, element('sign-in', { signedIn: 'You are in. The kettle is on.' })),
      column(
        6,
        { flow: 8, background: '@wash', paddingTop: 22, paddingRight: 22, paddingBottom: 22, paddingLeft: 22 },
        element('heading', { text: 'For friends of the house', level: '2' }, { size: 19 }),
        element('text', { text: line('Whoever supports the museum has a page here. Ask at the desk for a way in.') }),
      ),
    ),
  ),
  layout(
    'member-page',
    'Member page',
    'body',
    row(
      'Member',
      { paddingTop: { wide: 44, narrow: 28 }, paddingBottom: { wide: 64, narrow: 40 }, gap: 48 },
      column(6, { flow: 32 }, element('account', { greeting: 'Good to see you, {name}.' }), element('own-orders', {})),
      column(
        6,
        { flow: 8 },
        element('heading', { text: 'What is on', level: '2' }, { size: 19 }),
        element('entry-list', { type: 'talk', most: 3, columns: 1, level: '3' }),
      ),
    ),
  ),
  layout(
    'story-page',
    'Story page',
    'body',
    row(
      'Story',
      body,
      column(2, { size: 15 }, element('contents', {}, { sticks: 24 })),
      column(
        8,
        {},
        element(
          'text',
          {
            text: line(
              field('date', { format: { date: 'long' } }),
              field('person', { before: ', by ' }),
              field('terms:topic', { before: ' · ' }),
              field('reading-time', { before: ' · ', after: ' to read' }),
            ),
          },
          { colour: '@soft', size: 15 },
        ),
        element('entry-content', {}, { family: '@heading', size: 21, lineHeight: 1.55 }),
        element('lead-picture', { shape: 'broad', site: false }),
        share(),
      ),
      column(2, {}),
    ),
    row(
      'More',
      { paddingTop: 36, paddingBottom: 60, width: 'band', background: '@wash' },
      column(
        12,
        { flow: 20 },
        element('heading', { text: 'Other stories', level: '2' }),
        element('entry-list', { type: 'story', most: 3, columns: 3, level: '3' }),
        element(
          'term-list',
          { source: 'all', taxonomy: 'terms:topic', columns: 4, above: 'By topic' },
          { marginTop: 16 },
        ),
      ),
    ),
  ),
  layout(
    'ticket-page',
    'Ticket page',
    'body',
    row(
      'Ticket',
      { ...body, stand: 'start' },
      column(6, {}, element('lead-picture', { shape: 'lying' })),
      column(
        6,
        {},
        element('buy', { label: 'Put it into the basket' }),
        element('field', { label: 'Valid for', value: field('valid') }),
        element('entry-content'),
        element('icon-list', {
          lines: items(
            { text: 'Every room, and the tower while it is light', icon: 'check' },
            { text: 'The winding at noon', icon: 'check' },
            { text: 'Lockers and a coat rack', icon: 'check' },
          ),
        }),
        element('table', {
          caption: 'Less for some',
          rows: items(
            { first: 'Who', second: 'Pays' },
            { first: 'Under sixteen', second: 'nothing' },
            { first: 'Students', second: 'half' },
          ),
        }),
        element(
          'notice',
          { text: line('Tickets are kept at the desk until ten minutes before closing.'), closes: false },
          { background: '@wash', paddingTop: 12, paddingRight: 14, paddingBottom: 12, paddingLeft: 14 },
        ),
        element('quote', {
          text: line('We came for an hour and were still there at closing.'),
          source: 'From the visitors’ book',
        }),
        element('buttons', {
          buttons: items(
            { label: 'All tickets', link: { page: 'archive:ticket' }, look: 'outlined' },
            { label: 'Plan a visit', link: { page: 'entry:visit' }, look: 'outlined' },
          ),
        }),
      ),
    ),
  ),
  layout(
    'plain-page',
    'Plain page',
    'body',
    row(
      'Words',
      { ...body, gap: { wide: 56 } },
      column(8, {}, element('entry-content', {}, { size: 18 })),
      column(
        4,
        { flow: 14, size: 15 },
        element('image', { picture: 'room-workshop', caption: 'The workshop, where one may ask.', shape: 'lying' }),
        element('heading', { text: 'Open', level: '2' }, { size: 19, marginTop: 10 }),
        hours(),
        place('address-card', {}, { heading: { size: 19, marginTop: 10 } }),
        element('heading', { text: 'Good to know', level: '2' }, { size: 19, marginTop: 10 }),
        element('link-list', {
          links: items(
            { label: 'Getting here', link: { page: 'entry:getting-here' } },
            { label: 'Access', link: { page: 'entry:access' } },
            { label: 'Tickets', link: { page: 'archive:ticket' } },
          ),
        }),
      ),
    ),
  ),
]
