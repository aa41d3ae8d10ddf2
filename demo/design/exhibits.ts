import type { Edit } from '../../core/layouts'
import { type LayoutDocument, type Row, walk } from '../../core/tree'
import { askKeeper, saying, visitBand } from './pieces'
import { column, element, field, holding, layout, line, row, variation, when } from './make'

const body = { paddingTop: { wide: 44, narrow: 28 }, paddingBottom: { wide: 64, narrow: 40 } }
const title = (more = {}) =>
  element('heading', { text: field('title', { fallback: 'Untitled exhibit' }), level: '1' }, more)
const fact = (label: string, name: string, more = {}) =>
  element(
    'field',
    { label, value: field(name, more), arrange: 'table', linked: true },
    { edgeBottom: 1, edgeColour: '@rule', paddingBottom: 8, size: 15 },
  )

/** The body of the exhibits. */
const EXHIBIT_PAGE = layout(
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
  askKeeper(),
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
  visitBand(),
)

/** The columns in the places of the one element that a row holds. */
const placesIn = (holder: Row): string[] =>
  [...walk(holder)].flatMap((n) => (n.kind === 'place' ? n.children[0]!.children[0]!.id : []))

/** Of what hangs in the tower: dark and large, and what is heard and read lies side by side. */
const TURRET_EXHIBIT = variation('turret-exhibit', 'Turret exhibit', EXHIBIT_PAGE, (base) => {
  const opening = base.row('Opening')
  const [, words] = opening.children
  const stands = base.row('Where it stands')
  const inPlace = (flow = 0): Row => row('', {}, column(12, flow ? { flow } : {}))
  const tabs = base.own(
    row(
      'Words',
      { ...body },
      column(
        12,
        {},
        holding(
          element('tabs', { name: 'About this clock' }),
          ['The clock', inPlace()],
          ['Where it stands', inPlace()],
          ['Heard and read', inPlace(20)],
        ),
      ),
    ),
  )
  const [clock, where, heard] = placesIn(tabs)
  const into = (type: string, parent: string | undefined, index = 0): Edit => ({
    kind: 'move',
    id: base.element(type).id,
    parent: parent!,
    index,
  })
  const climb = base.own(
    element(
      'button',
      { label: 'Climb the tower', link: { page: 'entry:tower-climb' } },
      { background: '@accent', edgeColour: '@accent' },
    ),
  )
  return [
    { kind: 'insert', parent: 'turret-exhibit', index: 2, node: tabs },
    ...saying(base.place('visit-band'), {
      'heading text': 'Ninety-one steps up',
      'text text': line('The tower is climbed twice a day, in stout shoes.'),
    }),
    into('entry-content', clock),
    into('floor-plan', where),
    into('sound', heard),
    into('documents', heard, 1),
    { kind: 'remove', id: stands.id },
    { kind: 'insert', parent: words!.id, index: 4, node: climb },
    { kind: 'setSpans', row: opening.id, spans: [6, 6] },
    ...base.looks(base.row('Trail'), { paddingTop: 20, paddingBottom: 20 }),
    ...base.looks(opening, {
      paddingTop: 56,
      paddingBottom: 56,
      width: 'band',
      background: '@night',
      colour: '@pale',
      stand: 'center',
    }),
    ...base.looks(base.element('heading'), { size: { wide: 54, narrow: 36 }, colour: '@paper' }),
    ...base.looks(base.element('text'), { colour: '@pale' }),
    ...base.says(base.element('favourite'), { look: 'pale' }),
    ...base.looks(base.element('entry-content'), { size: 19, lineHeight: 1.6 }),
  ]
})

/** Bodies of the exhibits: of all of them, and of those in the tower. */
export const EXHIBITS: LayoutDocument[] = [EXHIBIT_PAGE, TURRET_EXHIBIT]
