import type { Dangling, FindingKind, SoldBy } from '#core/checks'
import type { DocumentKind } from '#core/documents'
import type { Baseless } from '#core/layouts'

/** What the things are called that findings are about. */

export const FINDING_TITLES: Record<FindingKind, string> = {
  spoilt: 'Stored things that cannot be read',
  undrawn: 'Things that could not be drawn',
  dangling: 'Names something that is gone',
  tie: 'Nothing decides between two frames',
  dead: 'Frames that decide nothing',
  'content-never-shown': 'Content that is never shown',
  'missing-field': 'Fields that a page type does not have',
  'unsuited-test': 'Conditions that can never hold',
  'no-title': 'Pages without a title, or with several',
  'open-link': 'Links that lead nowhere yet',
  'dead-link': 'Typed links to addresses where nothing stands',
  contrast: 'Words that are hard to read',
  'plain-body': 'Pages in their plain body',
  lacking: 'Pages that cannot do their work',
  unsold: 'Things that are not sold as it was said',
  'outside-form': 'Questions that nobody sees',
  baseless: 'Variations whose base is not there',
  waiting: 'Own changes that wait',
  unplaced: 'Pieces that cannot be drawn',
  unfilled: 'Words for pieces that wait',
  unreached: 'Layouts that show nowhere',
}

export const DANGLING_NAMES: Record<Dangling, string> = {
  layout: 'layout',
  'wrong-region': 'layout for another region',
  field: 'field',
  page: 'page',
  type: 'page type',
  taxonomy: 'taxonomy',
  term: 'term',
  person: 'person',
  menu: 'menu',
  picture: 'picture',
  card: 'card layout',
  piece: 'piece',
  look: 'named look',
  colour: 'colour of the palette',
  family: 'family',
  frame: 'frame',
  choice: 'choice of a field',
}

export const DOCUMENT_NAMES: Record<DocumentKind, string> = {
  settings: 'settings',
  type: 'page type',
  taxonomy: 'taxonomy',
  term: 'term',
  person: 'person',
  picture: 'picture',
  menu: 'menu',
  entry: 'entry',
  'working-copy': 'working copy of an entry',
  redirect: 'address that leads elsewhere',
  message: 'message',
  mail: 'mail',
  'mail-server': 'mail server',
  basket: 'basket',
  order: 'order',
  'discount-code': 'discount code',
  menus: 'set of menus',
  'menus-edit': 'edit of menus',
  structure: 'set of page types',
  'structure-edit': 'edit of page types',
  house: 'house style',
  layout: 'layout',
  'layout-edit': 'edit of a layout',
  'house-edit': 'edit of the house style',
  frame: 'frame',
}

export const BASELESS_WORDS: Record<Baseless, (base: string) => string> = {
  missing: (base) => `the layout ${base} that it follows is not there`,
  loop: (base) => `it follows “${base}”, which follows it in turn`,
  region: (base) => `“${base}”, which it follows, is for another region`,
  levels: (base) => `too many layouts follow one another up to “${base}”`,
  id: (base) => `something in “${base}”, which it follows, has its id`,
}

export const SOLD_BY_WORDS: Record<Exclude<SoldBy, 'tax'>, string> = {
  price: 'a price',
  stock: 'how many there are',
  on: 'the day that they are for',
  offers: 'sorts',
}
