import type { Starter } from './types'
import { CONTACT, MAIN_MENU, MORE_MENU, SMALL_MENU } from './wants'
import { column, element, items, layout, line, ofSite, row } from './write'

/** Footers to begin from. */

const small = () =>
  element('today', { shows: 'year', before: '© ', after: ofSite('name', { before: ' ' }) }, { size: 13 })

export const FOOTERS: readonly Starter[] = [
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
