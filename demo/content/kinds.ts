import type { PageType, Person, Taxonomy, Term } from '../../core/model'
import type { ShopSettings } from '../../core/selling'

const choices = (...labels: string[]) =>
  labels.map((label) => ({ id: label.toLowerCase().replace(/[^a-z]+/g, '-'), label }))

export const MECHANISMS = choices('Turret', 'Longcase', 'Bracket', 'Watch', 'Regulator', 'Lantern')
export const MATERIALS = choices(
  'Iron',
  'Brass',
  'Steel',
  'Oak',
  'Walnut',
  'Silver',
  'Enamel',
  'Glass',
  'Gilt',
  'Slate',
)
export const CONDITIONS = choices('Running', 'At rest', 'Under repair')

const base = { archive: true, dated: false, tree: false, personLabel: 'Author', taxonomies: [] as string[] }

export const TYPES: PageType[] = [
  { ...base, id: 'page', name: 'Page', plural: 'Pages', slug: '', archive: false, tree: true, fields: [] },
  {
    ...base,
    id: 'exhibit',
    name: 'Exhibit',
    plural: 'Exhibits',
    slug: 'exhibits',
    personLabel: 'Keeper',
    taxonomies: ['room', 'period'],
    fields: [
      { id: 'maker', label: 'Maker', kind: 'text' },
      { id: 'made', label: 'Year made', kind: 'text' },
      { id: 'mechanism', label: 'Mechanism', kind: 'choice', choices: MECHANISMS },
      { id: 'height', label: 'Height', kind: 'number', unit: 'centimeter' },
      { id: 'accession', label: 'Accession number', kind: 'text' },
      { id: 'materials', label: 'Materials', kind: 'choices', choices: MATERIALS },
      { id: 'strikes', label: 'Strikes', kind: 'yes-no' },
      { id: 'condition', label: 'Condition', kind: 'choice', choices: CONDITIONS },
      { id: 'loan', label: 'On loan', kind: 'yes-no' },
      { id: 'pictures', label: 'Pictures', kind: 'pictures' },
      { id: 'documents', label: 'Documents', kind: 'documents' },
      { id: 'film', label: 'Film', kind: 'link' },
      { id: 'sound', label: 'How it strikes', kind: 'link' },
      { id: 'position', label: 'Position on the floor plan', kind: 'position' },
    ],
  },
  {
    ...base,
    id: 'talk',
    name: 'Talk',
    plural: 'Talks',
    slug: 'talks',
    personLabel: 'Speaker',
    taxonomies: ['room'],
    fields: [
      { id: 'starts', label: 'Starts at', kind: 'moment' },
      { id: 'ends', label: 'Ends at', kind: 'moment' },
      { id: 'price', label: 'Price', kind: 'money' },
      { id: 'places', label: 'Places left', kind: 'number' },
    ],
    sells: { price: 'price', stock: 'places', most: 6, tax: 'full', delivers: false, on: 'starts' },
  },
  {
    ...base,
    id: 'story',
    name: 'Story',
    plural: 'Stories',
    slug: 'stories',
    dated: true,
    taxonomies: ['topic'],
    fields: [],
  },
  {
    ...base,
    id: 'ticket',
    name: 'Ticket',
    plural: 'Tickets',
    slug: 'tickets',
    fields: [
      { id: 'price', label: 'Price', kind: 'money' },
      { id: 'valid', label: 'Valid for', kind: 'text' },
    ],
    sells: { price: 'price', most: 20, tax: 'full', delivers: false },
  },
  {
    ...base,
    id: 'gift',
    name: 'Gift',
    plural: 'Gifts',
    slug: 'gifts',
    fields: [
      { id: 'price', label: 'Price', kind: 'money' },
      { id: 'stock', label: 'How many there are', kind: 'number' },
      { id: 'sorts', label: 'Sorts', kind: 'offers' },
      { id: 'made', label: 'What it is made of', kind: 'text' },
    ],
    sells: { price: 'price', stock: 'stock', offers: 'sorts', most: 5, tax: 'full', delivers: true },
  },
]

export const TAXONOMIES: Taxonomy[] = [
  { id: 'room', name: 'Room', plural: 'Rooms', slug: 'rooms', pages: true },
  { id: 'period', name: 'Period', plural: 'Periods', slug: 'periods', pages: true },
  { id: 'topic', name: 'Topic', plural: 'Topics', slug: 'topics', pages: true },
]

const term = (taxonomy: string, id: string, title: string, tagline: string, description: string): Term => ({
  id,
  taxonomy,
  slug: id,
  title,
  tagline,
  description,
  picture: taxonomy === 'room' ? `room-${id}` : null,
  parent: null,
})

export const TERMS: Term[] = [
  term(
    'room',
    'tower-room',
    'Tower Room',
    'Iron frames that ran whole towns',
    'Under the old bell stage stand the clocks that were never meant to be looked at from within.',
  ),
  term(
    'room',
    'long-gallery',
    'Long Gallery',
    'Tall cases in the order they were made',
    'Forty metres of oak and walnut, wound every Sunday before the doors open.',
  ),
  term(
    'room',
    'watch-cabinet',
    'Watch Cabinet',
    'Small things, kept under glass',
    'Drawers open on request; a lens hangs on each of them.',
  ),
  term(
    'room',
    'night-room',
    'Night Room',
    'Clocks made for the dark',
    'Lit dials, repeaters and alarms, in a room without a window.',
  ),
  term(
    'room',
    'workshop',
    'Workshop',
    'What is on the bench this month',
    'Repairs under way, in full view. Please do not lean on the lathe.',
  ),
  term('period', 'before-1700', 'Before 1700', 'One hand was enough', ''),
  term('period', 'eighteenth-century', '18th century', 'The pendulum goes everywhere', ''),
  term('period', 'nineteenth-century', '19th century', 'Railways ask what time it is', ''),
  term('period', 'after-1900', 'After 1900', 'Electricity, quartz and second thoughts', ''),
  term('topic', 'repairs', 'Repairs', 'From the bench', ''),
  term('topic', 'people', 'People', 'Makers, winders and those who were late', ''),
  term('topic', 'house', 'The house', 'The building and its hours', ''),
  term('topic', 'lost-clocks', 'Lost clocks', 'What we are still looking for', ''),
]

const person = (id: string, name: string, role: string, about: string): Person => ({
  id,
  slug: id,
  name,
  role,
  about,
  mail: `${id.split('-')[0]}@quillmere.example.org`,
  picture: `portrait-${id}`,
})

export const PEOPLE: Person[] = [
  person(
    'ines-calloway',
    'Ines Calloway',
    'Keeper of turret clocks',
    'Climbs to every clock before she writes about it.',
  ),
  person('tobias-renn', 'Tobias Renn', 'Keeper of tall clocks', 'Came to mend one weight line in 1998 and stayed.'),
  person(
    'maud-oshea',
    "Maud O'Shea & Sons",
    'Keeper of watches',
    'Third of her name at the bench; the sons are two cats.',
  ),
  person('yusuf-hadley', 'Yusuf Hadley', 'Keeper of the night room', 'Works best after four in the afternoon.'),
]

/** By what rules the museum sells. */
export const SELLING: ShopSettings = {
  format: 1,
  taxes: [
    { id: 'full', label: 'VAT', rate: 20, elsewhere: [] },
    { id: 'books', label: 'VAT on books', rate: 0, elsewhere: [] },
  ],
  included: true,
  deliveryTax: 'full',
  deliveries: [
    {
      id: 'post',
      label: 'By post',
      about: 'Three to five days',
      price: 3.5,
      freeFrom: 40,
      countries: ['GB', 'IE'],
      collected: false,
    },
    {
      id: 'abroad',
      label: 'By post, abroad',
      about: 'One to two weeks',
      price: 9,
      freeFrom: null,
      countries: [],
      collected: false,
    },
    {
      id: 'desk',
      label: 'At the desk',
      about: 'Whenever we are open',
      price: 0,
      freeFrom: null,
      countries: [],
      collected: true,
    },
  ],
  countries: [],
  country: 'GB',
  hold: 30,
  keep: 2200,
  mail: 'desk@quillmere.example.org',
  prefix: 'Q-',
}
