import type { Layout } from '../../core/tree'
import { column, element, field, holding, items, layout, line, row, when } from './make'

const body = { paddingTop: { wide: 44, narrow: 28 }, paddingBottom: { wide: 64, narrow: 40 } }
const title = (more = {}) =>
  element('heading', { text: field('title', { fallback: 'Untitled exhibit' }), level: '1' }, more)
const fact = (label: string, name: string, more = {}) =>
  element(
    'field',
    { label, value: field(name, more), arrange: 'table', linked: true },
    { edgeBottom: 1, edgeColour: '@rule', paddingBottom: 8, size: 15 },
  )

/** Bodies of the exhibits: of all of them, and of those in the tower. */
export const EXHIBITS: Layout[] = [
  layout(
    'exhibit-page',
    'Exhibit page',
    'body',
    row('Trail', { paddingTop: 28 }, column(12, {}, element('trail', {}, { colour: '@soft' }))),
    row(
      'Opening',
      { paddingTop: 20, paddingBottom: 48 },
      column(
        5,
        {},
        element('picture-set', {
          value: field('pictures'),
          corner: field('terms:period'),
          where: 'below-start',
        }),
      ),
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
        element('favourite', { mark: 'Put it on my list', marked: 'On my list', look: 'outlined' }),
        element('entry-content', {}, { size: 18 }),
        element('film', { film: field('film'), still: field('picture'), title: field('title') }),
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
        element('heading', { text: 'Made of', level: '2' }, { size: 18, marginTop: 8 }),
        element('features', { value: field('materials'), columns: 2, all: true }, { size: 15 }),
      ),
      column(
        4,
        { background: '@wash', paddingTop: 20, paddingRight: 20, paddingBottom: 20, paddingLeft: 20, flow: 6 },
        element('person-card', { most: 3, more: 'More from them' }, { size: 15 }),
      ),
    ),
    row(
      'Where it stands',
      { paddingTop: 0, paddingBottom: 60 },
      column(
        8,
        { flow: 14 },
        when(element('heading', { text: 'Where it stands', level: '2' }), {
          kind: 'field',
          field: 'position',
          op: 'is-not-empty',
          value: null,
        }),
        element('floor-plan', { most: 4, near: 'Close by' }, { size: 15 }),
      ),
      column(
        4,
        { flow: 22 },
        element('sound', { sound: field('sound'), title: 'How it strikes, recorded on a closed Monday' }),
        element('documents', { heading: 'To read at home' }, { size: 15 }),
      ),
    ),
    row(
      'More of them',
      { paddingTop: 40, paddingBottom: 64, width: 'band', background: '@wash' },
      column(
        12,
        { flow: 22 },
        element('heading', { text: 'Of the same kind', level: '2' }),
        element('entry-list', {
          source: 'related',
          relatedBy: 'terms',
          fill: true,
          most: 4,
          columns: 4,
          card: 'exhibit-card',
        }),
        element('neighbours', { field: 'terms:room', previous: 'Before it in this room', next: 'Next in this room' }),
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
        element('favourite', { mark: 'Put it on my list', marked: 'On my list', look: 'pale' }),
        element(
          'button',
          { label: 'Climb the tower', link: { page: 'entry:tower-climb' } },
          { background: '@accent', edgeColour: '@accent' },
        ),
      ),
      column(
        6,
        {},
        element('image', { picture: field('picture'), caption: field('maker', { before: 'By ' }), shape: 'square' }),
        element('film', { film: field('film'), still: field('picture'), title: field('title') }),
      ),
    ),
    row(
      'Words',
      { ...body },
      column(
        8,
        {},
        holding(
          element('tabs', { name: 'About this clock' }),
          ['The clock', row('', {}, column(12, {}, element('entry-content', {}, { size: 19, lineHeight: 1.6 })))],
          ['Where it stands', row('', {}, column(12, {}, element('floor-plan', { most: 3 }, { size: 15 })))],
          [
            'Heard and read',
            row(
              '',
              {},
              column(
                12,
                { flow: 20 },
                element('sound', { sound: field('sound'), title: 'The hour, as it is struck' }),
                element('documents', {}, { size: 15 }),
              ),
            ),
          ],
        ),
      ),
      column(
        4,
        { flow: 8 },
        element('facts', {
          facts: items(
            { value: field('accession'), group: 'The clock' },
            { value: field('height') },
            { value: field('made') },
            { value: field('condition'), group: 'Today' },
            { value: field('strikes') },
          ),
          columns: 1,
          arrange: 'table',
        }),
        element('heading', { text: 'Made of', level: '2' }, { size: 18, marginTop: 8 }),
        element('features', { value: field('materials'), columns: 2 }, { size: 15 }),
        element('person-card', { beside: true }, { size: 15, marginTop: 10 }),
        element('neighbours', { field: 'terms:room', previous: 'Before', next: 'Next' }, { size: 15, marginTop: 10 }),
      ),
    ),
  ),
]
