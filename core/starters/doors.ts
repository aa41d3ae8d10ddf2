import { ROOM, body } from './body'
import type { Starter } from './types'
import { NEWS } from './wants'
import { column, element, line, row } from './write'

/** Bodies to begin from for where members come in, and for the page that they have there. */

const PANEL = { paddingTop: 24, paddingRight: 24, paddingBottom: 24, paddingLeft: 24 }

export const DOORS: readonly Starter[] = [
  body(
    'sign-in-alone',
    'Only the door',
    'The two fields in the middle of the page, and nothing else',
    'sign-in',
    [],
    row(
      'Door',
      { ...ROOM },
      column(4, {}),
      column(4, { background: '@wash', ...PANEL }, element('sign-in')),
      column(4, {}),
    ),
  ),
  body(
    'sign-in-beside',
    'Door and doorkeeper',
    'The two fields on the left, a few words for those who have no key on the right',
    'sign-in',
    [],
    row(
      'Door',
      { ...ROOM, gap: 48 },
      column(6, {}, element('sign-in')),
      column(
        6,
        { background: '@wash', flow: 8, ...PANEL },
        element('heading', { text: 'No key yet?', level: '2' }, { size: 20 }),
        element('text', {
          text: line('Write to us, and we let you in. Whoever has a key finds their page behind it.'),
        }),
      ),
    ),
  ),
  body(
    'member-plain',
    'Account alone',
    'A greeting, another password, and the way out',
    'member',
    [],
    row('Account', { ...ROOM }, column(6, {}, element('account')), column(6, {})),
  ),
  body(
    'member-news',
    'Account and what is new',
    'The account on the left, the newest entries beside it',
    'member',
    [NEWS],
    row(
      'Account',
      { ...ROOM, gap: 48 },
      column(5, { background: '@wash', ...PANEL }, element('account')),
      column(
        7,
        { flow: 16 },
        element('heading', { text: 'What is new', level: '2' }, { size: 20 }),
        element('entry-list', { source: 'newest', type: NEWS.id, most: 4, columns: 2, level: '3' }),
      ),
    ),
  ),
]
