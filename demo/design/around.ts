import type { LayoutDocument } from '../../core/tree'
import { column, element, field, items, layout, line, row, rowWith, variation, withPicture } from './make'
import { hours } from './door'
import { place } from './pieces'

const quiet = { paddingTop: 18, paddingBottom: 18 }

/** Where else the museum is found. */
const PLACES = items(
  { name: 'Stories', icon: 'newspaper', link: { page: 'archive:story' } },
  { name: 'Letters by mail', icon: 'mail', link: 'mailto:door@quillmere.example.org' },
  { name: 'Ringing network', icon: 'bell', link: 'https://ringing.example.org/@quillmere' },
)

/** The way to the basket, by its sign and how many things are in it. */
const BASKET = column(2, { align: 'end' }, { ...element('basket-link', {}, { size: 16 }), hides: ['label'] })

/** On every page. */
const HOUSE_HEADER = layout(
  'house-header',
  'House header',
  'header',
  row(
    'Notice',
    { paddingTop: 7, paddingBottom: 7, width: 'band', background: '@night', colour: '@pale', size: 14 },
    column(12, {}, element('notice', { text: line('On the first Sunday of the month every clock is wound at noon.') })),
  ),
  row(
    'Bar',
    {
      ...quiet,
      width: 'band',
      background: '@paper',
      edgeBottom: 1,
      edgeColour: '@rule',
      stand: 'center',
      // The space above leaves the window: the bar is smaller once the page is scrolled.
      sticks: -8,
      stack: { narrow: 'beside' },
    },
    column(4, {}, element('site-name', { show: 'both', height: 34 }, { size: { wide: 21, narrow: 17 } })),
    column(
      6,
      { align: 'end' },
      element('menu', { menu: 'main', lists: 'broad', fold: 'away-narrow' }, { size: 16, weight: 500 }),
      element('menu-panel', {
        menus: [
          { id: 'main', props: { menu: 'main' } },
          { id: 'small', props: { menu: 'small-print', title: true } },
        ],
        panel: 'side',
      }),
    ),
    BASKET,
  ),
)

/** The same in the tower: no notice, nothing to buy, and the mark between two menus. */
const TOWER_HEADER = variation('tower-header', 'Tower header', HOUSE_HEADER, (base) => {
  const bar = base.row('Bar')
  const [mark, links, basket] = bar.children
  const first = base.own(
    column(
      5,
      { align: 'end' },
      element('menu', { menu: 'main', half: 'first', fold: 'away-medium', levels: 1 }, { size: 15 }),
    ),
  )
  return [
    { kind: 'remove', id: base.row('Notice').id },
    { kind: 'insert', parent: bar.id, index: 0, node: first },
    { kind: 'remove', id: basket!.id },
    { kind: 'setSpans', row: bar.id, spans: [5, 2, 5] },
    ...base.looks(bar, {
      paddingTop: 26,
      paddingBottom: 26,
      background: '@night',
      colour: '@paper',
      split: 'content',
      gap: { wide: 48, narrow: 16 },
      edgeBottom: null,
      edgeColour: null,
      sticks: null,
      stack: { narrow: null },
    }),
    ...base.looks(mark!, { align: 'center' }),
    ...base.says(base.element('site-name'), { show: 'logo', height: 48 }),
    ...base.looks(links!, { align: { wide: 'start', medium: 'end' } }),
    ...base.says(base.element('menu'), { half: 'second', fold: 'away-medium', levels: 1, lists: undefined }),
    ...base.looks(base.element('menu'), { size: 15, weight: null }),
    ...base.says(base.element('menu-panel'), {
      menus: [
        { id: 'rooms', props: { menu: 'rooms', title: true } },
        { id: 'main', props: { menu: 'main', title: true } },
      ],
      fold: 'medium',
      panel: undefined,
    }),
  ]
})

/** Headers, intros and footers of the museum. */
export const AROUND: LayoutDocument[] = [
  HOUSE_HEADER,
  layout(
    'laid-header',
    'Laid header',
    'header',
    rowWith(
      row(
        'Bar',
        {
          ...quiet,
          width: 'band',
          stand: 'center',
          colour: '@paper',
          scrolledBackground: '@paper',
          scrolledColour: '@ink',
          sticks: 0,
          gently: 150,
          stack: { narrow: 'beside' },
        },
        column(4, {}, element('site-name', { show: 'both', height: 34 }, { size: { wide: 21, narrow: 17 } })),
        column(
          6,
          { align: 'end' },
          element(
            'menu',
            { menu: 'main', fold: 'away-narrow', between: 'dot', here: 'nothing' },
            { size: 15, weight: 500 },
          ),
          element('menu-panel', { menus: [{ id: 'main', props: { menu: 'main' } }], panel: 'whole' }),
        ),
        BASKET,
      ),
      { over: true },
    ),
  ),
  TOWER_HEADER,
  layout(
    'title-band',
    'Title band',
    'intro',
    row(
      'Title',
      {
        paddingTop: { wide: 44, narrow: 28 },
        paddingBottom: { wide: 36, narrow: 22 },
        width: 'band',
        background: '@wash',
      },
      column(
        9,
        { flow: 10 },
        element('trail', {}, { colour: '@soft' }),
        element('heading', { text: field('title', { fallback: 'Untitled' }), level: '1' }),
        element('text', { text: line(field('summary')) }, { size: 19, colour: '@soft' }),
      ),
      column(3, {}),
    ),
  ),
  layout(
    'opening-picture',
    'Opening picture',
    'intro',
    withPicture(
      row(
        'Picture',
        {
          minHeight: { wide: 460, narrow: 340 },
          paddingTop: { wide: 190, narrow: 120 },
          paddingBottom: 48,
          width: 'band',
          background: '@night',
          pictureStrength: 45,
          colour: '@paper',
        },
        column(
          9,
          { flow: 14 },
          element(
            'heading',
            { text: field('title', { fallback: { kind: 'field', of: 'site', field: 'name' } }), level: '1' },
            { size: { wide: 58, narrow: 38 } },
          ),
          element('text', { text: line(field('summary')) }, { size: 20 }),
        ),
        column(3, {}),
      ),
      field('picture', { fallback: 'room-long-gallery' }),
    ),
  ),
  layout(
    'house-footer',
    'House footer',
    'footer',
    row(
      'Columns',
      { paddingTop: 48, paddingBottom: 52, width: 'band', background: '@night', colour: '@pale', size: 15 },
      column(
        3,
        {},
        element('site-name', {}, { colour: '@paper' }),
        element('text', { text: line({ kind: 'field', of: 'site', field: 'tagline' }) }),
        element('social', { places: PLACES }),
        element('text', { text: line('Tempus edax rerum.'), language: 'la' }, { size: 13 }),
      ),
      column(3, {}, element('menu', { menu: 'rooms', direction: 'down', title: true })),
      column(3, {}, element('menu', { menu: 'main', direction: 'down', title: true, levels: 1 })),
      column(3, {}, element('menu', { menu: 'small-print', direction: 'down', title: true })),
    ),
    row(
      'At the door',
      { paddingBottom: 40, gapDown: { narrow: 34 }, width: 'band', background: '@night', colour: '@pale', size: 15 },
      column(3, {}, element('heading', { text: 'Open', level: '2' }, { size: 17 }), hours()),
      column(3, {}, place('address-card')),
      column(
        6,
        {},
        element('quote', {
          text: line('A clock tells you nothing until it stops; then it tells you who forgot.'),
          source: 'The first winder’s book',
        }),
      ),
    ),
    row(
      'Small print',
      { ...quiet, width: 'band', background: '@night', colour: '@pale', size: 13, stand: 'center' },
      column(
        9,
        {},
        element('today', { since: 1994, after: { kind: 'field', of: 'site', field: 'name', before: ' ' } }),
      ),
      column(3, { align: { wide: 'end', narrow: 'start' } }, element('back-to-top')),
    ),
  ),
  layout(
    'slim-footer',
    'Slim footer',
    'footer',
    row(
      'Line',
      { ...quiet, width: 'band', edgeTop: 1, edgeColour: '@rule', size: 14, colour: '@soft', stand: 'center' },
      column(
        6,
        {},
        element('today', {
          before: '',
          shows: 'year',
          after: { kind: 'field', of: 'site', field: 'name', before: ' ' },
        }),
        element('back-to-top'),
      ),
      column(
        6,
        { align: { wide: 'end', narrow: 'start' }, flow: 10 },
        element('menu', { menu: 'small-print', between: 'line' }),
        element('social', { places: PLACES, shows: 'icon' }),
      ),
    ),
  ),
]
