import type { Starter } from './types'
import { CONTACT, MAIN_MENU, MORE_MENU, SMALL_MENU } from './wants'
import { column, element, field, items, layout, line, ofSite, row, rowWith, withPicture } from './write'

/** Headers, intros and footers to begin from. */

const MENU = { menu: MAIN_MENU.id }
const panel = (more: Parameters<typeof element>[1] = {}) =>
  element('menu-panel', { menus: items({ menu: MAIN_MENU.id }), panel: 'side', ...more })

const HEADERS: readonly Starter[] = [
  {
    id: 'header-line',
    name: 'One line',
    about: 'The name to the left, the menu to the right; it stays and grows smaller',
    region: 'header',
    wants: [MAIN_MENU],
    layout: layout(
      'header-line',
      'One line',
      'header',
      row(
        'Line',
        {
          width: 'band',
          background: '@paper',
          paddingTop: 18,
          paddingBottom: 18,
          edgeBottom: 1,
          edgeColour: '@wash',
          stand: 'center',
          sticks: 0,
          stack: { narrow: 'beside' },
        },
        column(4, {}, element('site-name', { show: 'both', height: 32 }, { size: { wide: 20, narrow: 17 } })),
        column(8, { align: 'end' }, element('menu', { ...MENU, fold: 'away-narrow' }, { weight: 500 }), panel()),
      ),
    ),
  },
  {
    id: 'header-two-floors',
    name: 'Two floors',
    about: 'The name large and in the middle, the menu in a line of its own below',
    region: 'header',
    wants: [MAIN_MENU],
    layout: layout(
      'header-two-floors',
      'Two floors',
      'header',
      row(
        'Name',
        { width: 'band', background: '@wash', paddingTop: { wide: 34, narrow: 20 }, paddingBottom: 16 },
        column(
          12,
          { align: 'center', flow: 4 },
          element('site-name', { show: 'both', height: 44 }, { size: { wide: 34, narrow: 24 } }),
          element('text', { text: line(ofSite('tagline')) }, { size: 15, colour: '@soft' }),
        ),
      ),
      row(
        'Menu',
        { width: 'band', background: '@wash', paddingBottom: 14, edgeBottom: 2, edgeColour: '@ink' },
        column(
          12,
          { align: 'center' },
          element('menu', { ...MENU, lists: 'broad', fold: 'away-narrow', between: 'dot' }),
          panel({ panel: 'down' }),
        ),
      ),
    ),
  },
  {
    id: 'header-dark-search',
    name: 'Dark, with a search',
    about: 'A narrow line with a second menu above; below it the name, a search and the menu',
    region: 'header',
    wants: [MAIN_MENU, MORE_MENU],
    layout: layout(
      'header-dark-search',
      'Dark, with a search',
      'header',
      row(
        'Above',
        {
          width: 'band',
          background: '@ink',
          colour: '@wash',
          size: 13,
          paddingTop: 7,
          paddingBottom: 7,
          stand: 'center',
        },
        column(6, { shown: { narrow: 'hidden' } }, element('text', { text: line(ofSite('tagline')) })),
        column(
          6,
          { align: { wide: 'end', narrow: 'start' } },
          element('menu', { menu: MORE_MENU.id, levels: 1, here: 'nothing', between: 'line' }),
        ),
      ),
      row(
        'Bar',
        {
          width: 'band',
          background: '@ink',
          colour: '@paper',
          paddingTop: 16,
          paddingBottom: 16,
          stand: 'center',
          stack: { narrow: 'beside' },
        },
        column(3, {}, element('site-name', { show: 'both', height: 36 }, { size: { wide: 21, narrow: 17 } })),
        column(5, { shown: { narrow: 'hidden' } }, element('search-box', { suggests: true })),
        column(4, { align: 'end' }, element('menu', { ...MENU, fold: 'away-medium' }), panel({ fold: 'medium' })),
      ),
    ),
  },
  {
    id: 'header-mark-between',
    name: 'Mark between two halves',
    about: 'The mark in the middle, half of the menu on each side, over the opening picture',
    region: 'header',
    wants: [MAIN_MENU],
    layout: layout(
      'header-mark-between',
      'Mark between two halves',
      'header',
      rowWith(
        row(
          'Halves',
          {
            width: 'band',
            paddingTop: 24,
            paddingBottom: 24,
            stand: 'center',
            split: 'content',
            gap: { wide: 48, narrow: 16 },
            sticks: 0,
            scrolledBackground: '@paper',
            scrolledColour: '@ink',
            gently: 150,
            colour: '@paper',
            stack: { narrow: 'beside' },
          },
          column(
            5,
            { align: 'end' },
            element('menu', { ...MENU, half: 'first', levels: 1, fold: 'away-medium' }, { size: 15 }),
          ),
          column(2, { align: 'center' }, element('site-name', { show: 'logo', height: 48 })),
          column(
            5,
            {},
            element('menu', { ...MENU, half: 'second', levels: 1, fold: 'away-medium' }, { size: 15 }),
            panel({ fold: 'medium', panel: 'whole' }),
          ),
        ),
        { over: true },
      ),
    ),
  },
]

const TITLE = field('title', { fallback: ofSite('name') })

const INTROS: readonly Starter[] = [
  {
    id: 'intro-quiet',
    name: 'Quiet title',
    about: 'Where one is, the title, and a line below it, on a light band',
    region: 'intro',
    wants: [],
    layout: layout(
      'intro-quiet',
      'Quiet title',
      'intro',
      row(
        'Title',
        {
          width: 'band',
          background: '@wash',
          paddingTop: { wide: 40, narrow: 26 },
          paddingBottom: { wide: 36, narrow: 24 },
        },
        column(
          9,
          { flow: 10 },
          element('trail', {}, { colour: '@soft', size: 14 }),
          element('heading', { text: TITLE, level: '1' }),
          element('text', { text: line(field('summary')) }, { size: 19, colour: '@soft' }),
        ),
        column(3, {}),
      ),
    ),
  },
  {
    id: 'intro-picture',
    name: 'Over the picture',
    about: 'The picture of the page across the whole width, the title low on it',
    region: 'intro',
    wants: [],
    layout: layout(
      'intro-picture',
      'Over the picture',
      'intro',
      withPicture(
        row(
          'Picture',
          {
            width: 'band',
            minHeight: { wide: 480, narrow: 340 },
            paddingTop: { wide: 200, narrow: 120 },
            paddingBottom: 44,
            background: '@ink',
            pictureStrength: 42,
            colour: '@paper',
          },
          column(
            10,
            { flow: 12 },
            element('heading', { text: TITLE, level: '1' }, { size: { wide: 60, narrow: 38 } }),
            element('text', { text: line(field('summary')) }, { size: 20 }),
          ),
          column(2, {}),
        ),
        field('picture'),
      ),
    ),
  },
  {
    id: 'intro-beside',
    name: 'Words beside the picture',
    about: 'Two halves: the title and what it is about, and the picture upright',
    region: 'intro',
    wants: [],
    layout: layout(
      'intro-beside',
      'Words beside the picture',
      'intro',
      row(
        'Halves',
        { paddingTop: { wide: 48, narrow: 24 }, paddingBottom: 24, stand: 'center', gap: 48 },
        column(
          7,
          { flow: 14 },
          element('trail', {}, { size: 14, colour: '@soft' }),
          element('heading', { text: TITLE, level: '1' }, { size: { wide: 52, narrow: 36 } }),
          element('field', { value: field('summary') }, { size: 22, family: '@heading', lineHeight: 1.4 }),
          element(
            'text',
            { text: line(field('date', { format: { date: 'long' } }), field('person', { before: ' · ' })) },
            { size: 15, colour: '@soft' },
          ),
        ),
        column(5, {}, element('lead-picture', { shape: 'standing' })),
      ),
    ),
  },
  {
    id: 'intro-centred',
    name: 'In the middle',
    about: 'Title and day in the middle with a line below, for what is read',
    region: 'intro',
    wants: [],
    layout: layout(
      'intro-centred',
      'In the middle',
      'intro',
      row(
        'Title',
        { paddingTop: { wide: 64, narrow: 36 }, paddingBottom: 8 },
        column(2, {}),
        column(
          8,
          { align: 'center', flow: 16 },
          element(
            'text',
            { text: line(field('date', { format: { date: 'long' } }), field('person', { before: ', by ' })) },
            { size: 14, case: 'uppercase', letterSpacing: 0.08, colour: '@soft' },
          ),
          element('heading', { text: TITLE, level: '1' }, { size: { wide: 54, narrow: 36 }, align: 'center' }),
          element('divider'),
        ),
        column(2, {}),
      ),
    ),
  },
]

const small = () =>
  element('today', { shows: 'year', before: '© ', after: ofSite('name', { before: ' ' }) }, { size: 13 })

const FOOTERS: readonly Starter[] = [
  {
    id: 'footer-columns',
    name: 'Four columns',
    about: 'The name and what it is, two menus, and where to find us; dark',
    region: 'footer',
    wants: [MAIN_MENU, MORE_MENU, CONTACT],
    layout: layout(
      'footer-columns',
      'Four columns',
      'footer',
      row(
        'Columns',
        { width: 'band', background: '@ink', colour: '@wash', size: 15, paddingTop: 52, paddingBottom: 40 },
        column(4, {}, element('site-name', {}, { size: 20 }), element('text', { text: line(ofSite('tagline')) })),
        column(3, {}, element('menu', { menu: MAIN_MENU.id, direction: 'down', title: true, levels: 1 })),
        column(3, {}, element('menu', { menu: MORE_MENU.id, direction: 'down', title: true, levels: 1 })),
        column(
          2,
          {},
          element('heading', { text: 'Come by', level: '2' }, { size: 16 }),
          element('link-list', { links: items({ label: 'How to find us', link: { page: `entry:${CONTACT.id}` } }) }),
        ),
      ),
      row(
        'Small print',
        {
          width: 'band',
          background: '@ink',
          colour: '@wash',
          paddingTop: 14,
          paddingBottom: 18,
          edgeTop: 1,
          edgeColour: '@soft',
          stand: 'center',
        },
        column(9, {}, small()),
        column(3, { align: { wide: 'end', narrow: 'start' } }, element('back-to-top', {}, { size: 13 })),
      ),
    ),
  },
  {
    id: 'footer-line',
    name: 'A single line',
    about: 'The year, the small print and a way back up, and no more',
    region: 'footer',
    wants: [SMALL_MENU],
    layout: layout(
      'footer-line',
      'A single line',
      'footer',
      row(
        'Line',
        {
          width: 'band',
          edgeTop: 1,
          edgeColour: '@wash',
          paddingTop: 20,
          paddingBottom: 20,
          colour: '@soft',
          stand: 'center',
        },
        column(5, {}, small()),
        column(5, {}, element('menu', { menu: SMALL_MENU.id, between: 'dot', levels: 1 }, { size: 14 })),
        column(2, { align: { wide: 'end', narrow: 'start' } }, element('back-to-top', {}, { size: 14 })),
      ),
    ),
  },
  {
    id: 'footer-invitation',
    name: 'An invitation',
    about: 'A large sentence with a button, and the menu in one line below it',
    region: 'footer',
    wants: [MAIN_MENU, CONTACT],
    layout: layout(
      'footer-invitation',
      'An invitation',
      'footer',
      row(
        'Invitation',
        {
          width: 'band',
          background: '@accent',
          colour: '@paper',
          paddingTop: { wide: 72, narrow: 44 },
          paddingBottom: { wide: 64, narrow: 40 },
          stand: 'end',
        },
        column(
          8,
          { flow: 10 },
          element('heading', { text: 'Come and see us', level: '2' }, { size: { wide: 46, narrow: 32 } }),
          element('text', { text: line(ofSite('tagline')) }, { size: 18 }),
        ),
        column(
          4,
          { align: { wide: 'end', narrow: 'start' } },
          element(
            'button',
            { label: 'How to find us', link: { page: `entry:${CONTACT.id}` } },
            { background: '@paper', colour: '@ink', edgeColour: '@paper' },
          ),
        ),
      ),
      row(
        'Below',
        { width: 'band', background: '@ink', colour: '@wash', paddingTop: 18, paddingBottom: 18, stand: 'center' },
        column(8, {}, element('menu', { menu: MAIN_MENU.id, levels: 1 }, { size: 14 })),
        column(4, { align: { wide: 'end', narrow: 'start' } }, small()),
      ),
    ),
  },
  {
    id: 'footer-letterhead',
    name: 'Letterhead',
    about: 'Everything in the middle: the mark, the address, when it is open, other places',
    region: 'footer',
    wants: [SMALL_MENU],
    layout: layout(
      'footer-letterhead',
      'Letterhead',
      'footer',
      row(
        'Letterhead',
        { width: 'band', background: '@wash', paddingTop: 48, paddingBottom: 44, size: 15 },
        column(
          12,
          { align: 'center', flow: 14 },
          element('site-name', { show: 'both', height: 52 }, { size: 22 }),
          element('contact', { name: '', street: 'Street and number', place: 'Place' }),
          element(
            'hours',
            {
              hours: items({ days: 'week', opens: '09:00', closes: '17:00' }, { days: 'weekend', words: 'closed' }),
            },
            { spot: 'center' },
          ),
          element('menu', { menu: SMALL_MENU.id, between: 'dot', levels: 1 }, { size: 13 }),
          small(),
        ),
      ),
    ),
  },
]

export const AROUND: readonly Starter[] = [...HEADERS, ...INTROS, ...FOOTERS]
