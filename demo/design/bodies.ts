import type { Layout } from '../../core/tree'
import { column, element, field, layout, line, row } from './make'

const body = { paddingTop: { wide: 44, narrow: 28 }, paddingBottom: { wide: 64, narrow: 40 } }
const title = (more = {}) =>
  element('heading', { text: field('title', { fallback: 'Untitled exhibit' }), level: '1' }, more)
const fact = (label: string, name: string, more = {}) =>
  element(
    'field',
    { label, value: field(name, more), arrange: 'table', linked: true },
    { edgeBottom: 1, edgeColour: '@rule', paddingBottom: 8, size: 15 },
  )

/** Bodies of the entries, one for each page type, and the exceptions. */
export const BODIES: Layout[] = [
  layout(
    'exhibit-page',
    'Exhibit page',
    'body',
    row('Trail', { paddingTop: 28 }, column(12, {}, element('trail', {}, { colour: '@soft' }))),
    row(
      'Opening',
      { paddingTop: 20, paddingBottom: 48 },
      column(5, {}, element('lead-picture', { shape: 'square' })),
      column(
        7,
        {},
        title(),
        element(
          'text',
          {
            text: line(
              'Made ',
              field('made', { after: ' ' }),
              field('maker', { before: 'by ', after: '. ' }),
              field('materials', { after: '. ' }),
              field('height', { after: '.' }),
            ),
          },
          { colour: '@soft', size: 16 },
        ),
        element('field', { value: field('summary') }, { family: '@heading', size: 22, lineHeight: 1.4 }),
        element('entry-content', {}, { size: 18 }),
      ),
    ),
    row(
      'Facts',
      { paddingTop: 8, paddingBottom: 56 },
      column(4, { flow: 8 }, fact('Accession', 'accession'), fact('Mechanism', 'mechanism'), fact('Height', 'height')),
      column(
        4,
        { flow: 8 },
        fact('Strikes', 'strikes', { format: { yes: 'The hours', no: 'No' } }),
        fact('Condition', 'condition'),
        fact('Room', 'terms:room'),
      ),
      column(
        4,
        { background: '@wash', paddingTop: 20, paddingRight: 20, paddingBottom: 20, paddingLeft: 20, flow: 6 },
        element(
          'heading',
          {
            text: { kind: 'field', of: 'person', field: 'title' },
            level: '2',
            link: { kind: 'field', of: 'person', field: 'address' },
          },
          { size: 18 },
        ),
        element(
          'text',
          { text: line({ kind: 'field', of: 'person', field: 'summary' }) },
          { size: 15, colour: '@soft' },
        ),
      ),
    ),
    row(
      'More of them',
      { paddingTop: 40, paddingBottom: 64, width: 'band', background: '@wash' },
      column(
        12,
        { flow: 22 },
        element('heading', { text: 'Newly on show', level: '2' }),
        element('entry-grid', { type: 'exhibit', most: 4, columns: 4, card: 'exhibit-card' }),
      ),
    ),
  ),
  layout(
    'turret-exhibit',
    'Turret exhibit',
    'body',
    row(
      'Opening',
      { paddingTop: 56, paddingBottom: 56, width: 'band', background: '@night', colour: '@pale', stand: 'center' },
      column(
        6,
        {},
        title({ size: { wide: 54, narrow: 36 }, colour: '@paper' }),
        element('field', { label: '', value: field('summary') }, { size: 19 }),
        element('field', { label: 'Made', value: field('made') }),
        element(
          'button',
          { label: 'Climb the tower', link: { page: 'entry:tower-climb' } },
          { background: '@accent', edgeColour: '@accent' },
        ),
      ),
      column(6, {}, element('lead-picture', { shape: 'square' })),
    ),
    row(
      'Words',
      { ...body },
      column(8, {}, element('entry-content', {}, { size: 19, lineHeight: 1.6 })),
      column(
        4,
        { flow: 8 },
        fact('Accession', 'accession'),
        fact('Height', 'height'),
        fact('Materials', 'materials'),
        fact('Keeper', 'person'),
      ),
    ),
  ),
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
        element('entry-content', {}, { size: 19 }),
        element('button', { label: 'Buy a ticket', link: { page: 'archive:ticket' } }),
      ),
      column(
        4,
        { flow: 10, background: '@wash', paddingTop: 22, paddingRight: 22, paddingBottom: 22, paddingLeft: 22 },
        fact('Starts', 'starts', { format: { date: 'full' } }),
        fact('At', 'starts', { format: { date: 'time' } }),
        fact('Price', 'price'),
        fact('Places left', 'places', { fallback: 'Ask at the desk' }),
        fact('Room', 'terms:room'),
        fact('Speaker', 'person'),
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
      column(2, {}),
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
            ),
          },
          { colour: '@soft', size: 15 },
        ),
        element('entry-content', {}, { family: '@heading', size: 21, lineHeight: 1.55 }),
        element('lead-picture', { shape: 'broad', site: false }),
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
        element('entry-grid', { type: 'story', most: 3, columns: 3, level: '3' }),
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
        element('field', { value: field('price') }, { family: '@heading', size: 40, weight: 600 }),
        element('field', { label: 'Valid for', value: field('valid') }),
        element('entry-content'),
        element('button', { label: 'All tickets', link: { page: 'archive:ticket' }, look: 'outlined' }),
      ),
    ),
  ),
  layout(
    'plain-page',
    'Plain page',
    'body',
    row('Words', body, column(8, {}, element('entry-content', {}, { size: 18 })), column(4, {})),
  ),
  layout(
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
      ),
    ),
    row(
      'Exhibits',
      { paddingTop: 32, paddingBottom: 48 },
      column(
        12,
        { flow: 22 },
        element('heading', { text: 'Newly on show', level: '2' }),
        element('entry-grid', { type: 'exhibit', most: 6, columns: 3, card: 'exhibit-card' }),
      ),
    ),
    row(
      'Stories',
      { paddingTop: 40, paddingBottom: 60, width: 'band', background: '@wash' },
      column(
        12,
        { flow: 22 },
        element('heading', { text: 'From the house', level: '2' }),
        element('entry-grid', { type: 'story', most: 3, columns: 3, level: '3' }),
      ),
    ),
  ),
]
