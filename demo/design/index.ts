import type { Design, DisplayRule, RegionSetting } from '../../core/design'
import type { Target } from '../../core/targets'
import { newFrame } from '../../core/rules'
import { FILLED, PLAIN_HOUSE } from '../../core/styles'
import type { LayoutDocument } from '../../core/tree'
import { ARCHIVES } from './archives'
import { AROUND } from './around'
import { BODIES } from './bodies'
import { HOME } from './home'
import { PIECES } from './pieces'
import { SHOP } from './shop'

const use = (layout: string): RegionSetting => ({ kind: 'use', layout })
const empty: RegionSetting = { kind: 'empty' }

let order = 0
function frame(
  id: string,
  covers: Target[],
  regions: Partial<DisplayRule['regions']>,
  more: Partial<DisplayRule> = {},
): DisplayRule {
  const made = newFrame(id, covers, ++order)
  return { ...made, ...more, regions: { ...made.regions, ...regions } }
}

const type = (id: string): Target => ({ kind: 'type', type: id })
const page = (key: string): Target => ({ kind: 'page', page: key })
const TOWER: Target = {
  kind: 'entries',
  type: 'exhibit',
  where: [{ kind: 'term', taxonomy: 'room', terms: ['tower-room'], below: false }],
}

const FRAMES: DisplayRule[] = [
  frame(
    'kiosk',
    [{ kind: 'every' }],
    { header: empty, footer: empty },
    { onlyWhen: [{ kind: 'parameter', name: 'kiosk', op: 'present', values: [] }] },
  ),
  frame('home', [page('home')], { header: use('laid-header'), intro: use('opening-picture'), body: use('home') }),
  frame('lost', [page('not-found')], { intro: empty, body: use('lost-page') }),
  frame('search', [page('search')], { body: use('results') }),
  frame(
    'tower',
    [TOWER],
    { header: use('tower-header'), body: use('turret-exhibit') },
    { except: [page('entry:the-night-regulator')] },
  ),
  frame('exhibits', [type('exhibit')], { intro: empty, body: use('exhibit-page') }),
  frame('talks', [type('talk')], { body: use('talk-page') }),
  frame('stories', [type('story')], { body: use('story-page') }),
  frame('tickets', [type('ticket')], { body: use('ticket-page'), footer: use('slim-footer') }),
  frame('gifts', [type('gift')], { body: use('gift-page') }),
  frame('gift-shelf', [{ kind: 'type-archives', type: 'gift' }], { body: use('gift-shelf') }),
  frame('visit', [page('entry:visit')], { body: use('visit-page') }),
  frame('basket', [page('basket')], { body: use('basket-page') }),
  frame('checkout', [page('checkout')], { body: use('checkout-page') }),
  frame('receipt', [page('receipt')], { body: use('receipt-page') }),
  frame('order', [page('order-status')], { body: use('order-page') }),
  frame('sign-in', [page('sign-in')], { body: use('sign-in-page') }),
  frame('member', [page('member')], { body: use('member-page') }),
  frame('contact', [page('entry:contact')], { body: use('contact-page') }),
  frame('pages', [type('page')], { body: use('plain-page') }),
  frame(
    'shelves',
    [
      { kind: 'type-archives', type: 'exhibit' },
      { kind: 'term-pages', taxonomy: 'period' },
    ],
    { body: use('exhibit-shelves') },
  ),
  frame('talk-days', [{ kind: 'type-archives', type: 'talk' }], { body: use('talk-days') }),
  frame('rooms', [{ kind: 'term-pages', taxonomy: 'room' }], {
    intro: use('opening-picture'),
    body: use('room-archive'),
  }),
  frame('lists', [{ kind: 'kind', pages: 'archives' }], { body: use('story-list') }),
  frame('site', [{ kind: 'every' }], {
    header: use('house-header'),
    intro: use('title-band'),
    footer: use('house-footer'),
  }),
]

/** What each layout is for, in one line. */
const FOR: Readonly<Record<string, string>> = {
  'house-header': 'On every page: the name to the left, the menu to the right',
  'tower-header': 'Dark, for what hangs in the tower: the mark between two menus',
  'laid-header': 'Lies over the opening picture of the first page',
  'house-footer': 'On every page: four columns, when we are open, how to find us',
  'slim-footer': 'Where somebody is buying: nothing that leads away',
  'title-band': 'The title with the trail above it, on quiet pages',
  'opening-picture': 'A room or a house seen large, with the title over it',
  'exhibit-page': 'One clock: pictures, facts, where it stands, others of its kind',
  'turret-exhibit': 'The great clocks of the tower, dark and large',
  'talk-page': 'One talk: when, where, with whom, and how many places are left',
  'room-archive': 'A room with all that stands in it, on the plan too',
  'exhibit-shelves': 'All clocks, to be narrowed by room, period, maker and size',
  'gift-page': 'One thing of the shop: what it costs, in which sorts, and what goes with it',
  'gift-shelf': 'All that the shop has, with prices',
  'address-card': 'Where to find us, among other things',
  'ask-keeper': 'A question to whoever keeps the thing shown, by mail',
  'contact-page': 'Where to find us, and a form that reaches the desk',
  'visit-band': 'The way to the door, at the end of a page',
  'lost-page': 'Where no page is: polite words, a search, and ways back in',
  results: 'What a search has found, and where it leads when that is nothing',
}

const withLine = (layout: LayoutDocument): LayoutDocument => {
  const { kind, format, id, name, ...rest } = layout
  return FOR[id] ? ({ kind, format, id, name, about: FOR[id], ...rest } as LayoutDocument) : layout
}

/** The museum's finished design. */
export const DESIGN: Design = {
  format: 1,
  layouts: [...AROUND, ...BODIES, HOME, ...ARCHIVES, ...SHOP, ...PIECES].map(withLine),
  frames: FRAMES,
  house: {
    ...PLAIN_HOUSE,
    palette: [
      { id: 'ink', name: 'Ink', value: '#23262b' },
      { id: 'paper', name: 'Paper', value: '#fdfbf5' },
      { id: 'wash', name: 'Parchment', value: '#f1ebde' },
      { id: 'soft', name: 'Pewter', value: '#5c5f63' },
      { id: 'rule', name: 'Twine', value: '#d8cfbd' },
      { id: 'night', name: 'Night', value: '#232c33' },
      { id: 'pale', name: 'Moon', value: '#d9d6cc' },
      { id: 'accent', name: 'Vermilion', value: '#b03a22' },
    ],
    looks: [
      ...PLAIN_HOUSE.looks,
      {
        ...FILLED,
        id: 'pale',
        name: 'Pale, on dark',
        styles: {
          ...FILLED.styles,
          background: { wide: '@paper' },
          edgeColour: { wide: '@paper' },
          colour: { wide: '@ink' },
        },
      },
    ],
  },
}

/** The same museum before anybody designed it. */
export const BARE_DESIGN: Design = { format: 1, layouts: [], frames: [], house: DESIGN.house }
