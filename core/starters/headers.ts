import type { Starter } from './types'
import { MAIN_MENU, MORE_MENU } from './wants'
import { column, element, items, layout, line, ofSite, row, rowWith } from './write'

/** Headers to begin from. */

const MENU = { menu: MAIN_MENU.id }
const panel = (more: Parameters<typeof element>[1] = {}) =>
  element('menu-panel', { menus: items({ menu: MAIN_MENU.id }), panel: 'side', ...more })

export const HEADERS: readonly Starter[] = [
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
