import { OP_WORDS } from '../../conditions'
import { OPS } from '../../fields'
import { PAGE_STYLES, FOCUS_CSS } from '../../drawing'
import type { ValueProperty } from '../../tree'
import { COLUMNS_CSS, headingLevel, type ElementSpec, prop, itemsOf } from '../base'
import { PICTURE_CSS } from '../pictures'
import { drawList } from './draw-list'
import { SUMS } from './sums'

const DOWN: ValueProperty = { kind: 'yes-no', label: 'Largest, latest, last first', default: false }
const SORT_FIELD: ValueProperty = { kind: 'entry-field', label: 'Field', default: null, for: 'sort' }
const MOST_TYPES = 12
const MOST_CHOSEN = 60
const MOST_WHERE = 10
const MOST_SORTS = 3
const MOST_FILTERS = 12

const some = (by: string, ...is: (string | boolean)[]) => ({ by, is })

export const entryList: ElementSpec = {
  type: 'entry-list',
  name: 'Entry list',
  about: 'Entries in a grid, rows or a table: the newest, those of the page, related ones or chosen ones.',
  group: 'Entry',
  props: {
    source: {
      kind: 'choice',
      label: 'Shows',
      default: 'newest',
      options: [
        { value: 'newest', label: 'Entries of page types' },
        { value: 'page', label: 'The entries of this page' },
        { value: 'related', label: 'Entries related to the one shown' },
        { value: 'chosen', label: 'Entries chosen by hand' },
        { value: 'marked', label: 'Favourites of the visitor' },
        { value: 'likely', label: 'What may have been meant, where nothing is found' },
      ],
    },
    type: { kind: 'type', label: 'Page type', default: null, asked: some('source', 'newest', 'related') },
    types: {
      kind: 'items',
      label: 'And of these page types',
      default: [],
      one: 'Page type',
      named: 'type',
      most: MOST_TYPES,
      of: { type: { kind: 'type', label: 'Page type', default: null } },
      asked: some('source', 'newest', 'related'),
    },
    below: { kind: 'yes-no', label: 'And terms below', default: false, asked: some('source', 'page') },
    chosen: {
      kind: 'items',
      label: 'Entries',
      default: [],
      one: 'Entry',
      named: 'entry',
      most: MOST_CHOSEN,
      of: { entry: { kind: 'link', label: 'Entry', default: null, dynamic: true } },
      asked: some('source', 'chosen'),
    },
    relatedBy: {
      kind: 'choice',
      label: 'Related by',
      default: 'terms',
      options: [
        { value: 'terms', label: 'Terms they share' },
        { value: 'person', label: 'The same person' },
        { value: 'field', label: 'A field that is alike' },
      ],
      asked: some('source', 'related'),
    },
    relatedField: {
      kind: 'entry-field',
      label: 'Alike in',
      default: null,
      for: 'filter',
      asked: some('relatedBy', 'field'),
    },
    fill: { kind: 'yes-no', label: 'Filled up with the newest', default: false, asked: some('source', 'related') },
    where: {
      kind: 'items',
      label: 'Only those whose',
      default: [],
      one: 'Condition',
      named: 'field',
      most: MOST_WHERE,
      of: {
        field: { kind: 'entry-field', label: 'Field', default: null, for: 'filter' },
        op: {
          kind: 'choice',
          label: 'Asked',
          default: 'is',
          options: OPS.map((op) => ({ value: op, label: OP_WORDS[op] })),
        },
        value: { kind: 'entry-value', label: 'For', default: null, by: 'field', dynamic: true },
      },
    },
    sorts: {
      kind: 'items',
      label: 'Sorted by',
      default: [],
      one: 'Field',
      named: 'field',
      most: MOST_SORTS,
      hint: 'Newest first, where nothing is said.',
      of: { field: SORT_FIELD, down: DOWN },
    },
    group: {
      kind: 'choice',
      label: 'Parted by',
      default: 'nothing',
      options: [
        { value: 'nothing', label: 'Nothing' },
        { value: 'field', label: 'A field or terms' },
        { value: 'letter', label: 'First letter' },
        { value: 'month', label: 'Month' },
      ],
    },
    groupField: {
      kind: 'entry-field',
      label: 'Which',
      default: null,
      for: 'group',
      asked: some('group', 'field'),
    },
    groupDown: {
      kind: 'yes-no',
      label: 'The other way round',
      default: false,
      asked: some('group', 'field', 'letter', 'month'),
    },
    arrange: {
      kind: 'choice',
      label: 'Stand',
      default: 'grid',
      options: [
        { value: 'grid', label: 'In a grid' },
        { value: 'rows', label: 'In rows' },
        { value: 'uneven', label: 'In columns of uneven heights' },
        { value: 'table', label: 'In a table' },
      ],
    },
    columns: {
      kind: 'number',
      label: 'Columns',
      default: 3,
      min: 1,
      max: 6,
      asked: some('arrange', 'grid', 'uneven'),
    },
    card: { kind: 'card', label: 'Each drawn as', default: null, asked: some('arrange', 'grid', 'rows', 'uneven') },
    firstCard: {
      kind: 'card',
      label: 'The first as',
      default: null,
      asked: some('arrange', 'grid', 'rows', 'uneven'),
    },
    every: {
      kind: 'number',
      label: 'Another, every',
      default: 0,
      min: 0,
      max: 48,
      hint: '0: none is drawn otherwise.',
      asked: some('arrange', 'grid', 'rows', 'uneven'),
    },
    everyCard: { kind: 'card', label: 'That one as', default: null, asked: some('arrange', 'grid', 'rows', 'uneven') },
    fields: {
      kind: 'items',
      label: 'Columns of the table',
      default: [],
      one: 'Column',
      named: 'field',
      most: 12,
      of: {
        field: { kind: 'entry-field', label: 'Field', default: 'title', for: 'show' },
        label: { kind: 'text', label: 'Head', default: '', most: 80 },
      },
      asked: some('arrange', 'table'),
    },
    above: { kind: 'text', label: 'Heading above', default: '', most: 120, hint: 'Only where there are some.' },
    marks: {
      kind: 'yes-no',
      label: 'Words searched for are marked',
      default: true,
      hint: 'With the sentence around them, where no card is chosen.',
      asked: some('source', 'page'),
    },
    level: headingLevel('Titles are'),
    most: { kind: 'number', label: 'At most', default: 3, min: 1, max: 96 },
    pages: {
      kind: 'choice',
      label: 'Those behind',
      default: 'none',
      options: [
        { value: 'none', label: 'Are not shown' },
        { value: 'numbers', label: 'On pages with numbers' },
        { value: 'more', label: 'Behind a link to more' },
      ],
    },
    previous: { kind: 'text', label: 'Back', default: 'Previous', most: 60, asked: some('pages', 'numbers', 'more') },
    next: { kind: 'text', label: 'On', default: 'Next', most: 60, asked: some('pages', 'numbers') },
    more: { kind: 'text', label: 'To more', default: 'Show more', most: 60, asked: some('pages', 'more') },
    pagesName: {
      kind: 'text',
      label: 'Read out as',
      default: 'Pages',
      most: 60,
      asked: some('pages', 'numbers', 'more'),
    },
    filters: {
      kind: 'items',
      label: 'Visitors may narrow it by',
      default: [],
      one: 'Filter',
      named: 'field',
      most: MOST_FILTERS,
      hint: 'A filter form on the page offers them.',
      of: {
        field: { kind: 'entry-field', label: 'Field', default: null, for: 'filter' },
        label: { kind: 'text', label: 'Called', default: '', most: 80 },
        range: { kind: 'yes-no', label: 'A text that is a number: by a range', default: false },
      },
    },
    words: { kind: 'yes-no', label: 'Visitors may search it', default: false },
    ways: {
      kind: 'items',
      label: 'Visitors may sort it by',
      default: [],
      one: 'Order',
      named: 'label',
      most: 8,
      of: {
        label: { kind: 'text', label: 'Called', default: '', most: 80 },
        field: SORT_FIELD,
        down: DOWN,
      },
    },
    tally: { kind: 'yes-no', label: 'Says how many', default: false },
    tallyOf: { kind: 'text', label: 'Of how many', default: ' of ', most: 40, asked: some('tally', true) },
    tallyAfter: { kind: 'text', label: 'Of what', default: '', most: 80, asked: some('tally', true) },
    sums: SUMS,
    empty: { kind: 'text', label: 'If there are none', default: '', most: 300 },
  },
  css: [FOCUS_CSS, PICTURE_CSS, COLUMNS_CSS, PAGE_STYLES.entryList],
  parts: {
    picture: { label: 'Picture' },
    title: { label: 'Title', hides: false },
    summary: { label: 'Summary' },
    above: { label: 'Heading above', hides: false, words: 'above' },
    heading: { label: 'Heading of a part', hides: false },
    tally: { label: 'How many', hides: false },
    sums: { label: 'What is put together', hides: false },
    pages: { label: 'Ways to more', hides: false },
    page: { label: 'Way to more', hides: false, states: ['hover', 'focus'] },
  },
  summary(props, names) {
    if (props.source === 'page') return 'entries of this page'
    if (props.source === 'related') return 'related entries'
    if (props.source === 'marked') return 'favourites of the visitor'
    if (props.source === 'likely') return 'what may have been meant'
    if (props.source === 'chosen') return `${itemsOf(props.chosen).length} chosen`
    const type =
      typeof props.type === 'string' ? (names.type(props.type) ?? 'a type that no longer exists') : 'no type chosen'
    return `${Number(props.most ?? 3)} of ${type}`
  },
  draw: (element, compile) => drawList(element, compile, (name) => prop(element, entryList, name)),
}
