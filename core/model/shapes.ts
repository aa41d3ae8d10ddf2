import { richShape } from '../rich'
import {
  ABSENT,
  KEY,
  NOTHING,
  type Shape,
  byValue,
  exact,
  isRecord,
  judged,
  key,
  list,
  never,
  numeric,
  oneOf,
  optional,
  orNull,
  pattern,
  record,
  text,
  texts,
  yesNo,
  yes,
  maybe,
  orNothing,
  shapeOf,
  each,
} from '../shape'
import { FIELDS, FIELD_KINDS, type Field } from '../fields'
import { isSlug, safeAddress } from '../addresses'
import { isDay, isMoment } from '../time'

import {
  type LeftOut,
  type Link,
  TOLD_AS,
  TOLD_ROLES,
  type Entry,
  type Menu,
  type Term,
  type Person,
  type Taxonomy,
  type PageType,
  type Picture,
  type MenuItem,
} from './types'
import { sellsShape } from '../selling'

/** The shapes of everything that a site is made of. Whether what they name exists is asked where they are stored. */

const DATE = judged<string>((v) => (isDay(v) ? null : 'A date is written as 2026-03-29'))
const EMPTY = text(0)
const SLUG = judged<string>((v) =>
  typeof v === 'string' && isSlug(v)
    ? null
    : 'The last part of an address has small letters, digits and single hyphens',
)
const slugOrNone = () => byValue((v) => (v === '' ? EMPTY : SLUG))
export const name = (why: string) => text(200, why)
export const keyOrNull = () => orNull(key())

/** A value of some field, whichever it may be. */
const fieldValue = byValue((value) => {
  if (value === null || value === undefined) return value === null ? NOTHING : ABSENT
  if (typeof value === 'string') return FIELDS.text.shape
  if (typeof value === 'number') return FIELDS.number.shape
  if (typeof value === 'boolean') return FIELDS['yes-no'].shape
  if (Array.isArray(value) && isRecord(value[0]))
    return 'label' in value[0] ? FIELDS.offers.shape : FIELDS.documents.shape
  if (Array.isArray(value)) return FIELDS.choices.shape
  return isRecord(value) && value.type === 'doc' ? FIELDS.rich.shape : FIELDS.position.shape
})

const CLOCK = judged<string>((v) =>
  isMoment(v) && v.length === 16 ? null : 'A moment of publishing is written as 2026-03-29T14:00',
)
const clock = maybe(orNothing(CLOCK))

export const LEFT_OUT = ['title', 'content', 'header', 'intro', 'footer'] as const satisfies readonly LeftOut[]
const LEFT_OUT_LIST = texts<LeftOut>(new RegExp(`^(${LEFT_OUT.join('|')})$`), LEFT_OUT.length)
const leftOut = maybe(LEFT_OUT_LIST)

/** An entry as somebody is writing it: what stands in its fields may not be storable yet. */
export const workingShape = shapeOf<Entry>()(
  exact({
    id: key(),
    type: key(),
    slug: text(200),
    title: text(2000),
    summary: text(5000),
    content: orNothing(richShape()),
    picture: keyOrNull(),
    person: keyOrNull(),
    parent: keyOrNull(),
    date: orNothing(text(40)),
    terms: texts(KEY, 200),
    fields: record(KEY, fieldValue, 300),
    published: yesNo('Published is yes or no'),
    from: maybe(orNothing(text(40))),
    until: maybe(orNothing(text(40))),
    leftOut,
    chosenFrame: keyOrNull(),
  }),
)

export const entryShape = shapeOf<Entry>()(
  exact({
    id: key(),
    type: key(),
    slug: SLUG,
    title: text(500, 'A title has at most 500 characters'),
    summary: text(1000, 'A summary has at most 1000 characters'),
    content: orNothing(richShape()),
    picture: keyOrNull(),
    person: keyOrNull(),
    parent: keyOrNull(),
    date: orNothing(DATE),
    terms: texts(KEY, 200),
    fields: record(KEY, fieldValue, 300),
    published: yesNo('Published is yes or no'),
    from: clock,
    until: clock,
    leftOut,
    chosenFrame: keyOrNull(),
  }),
)

/** An address (see `safeAddress`), a page by its key, or nothing yet. */
export const linkShape = shapeOf<Link>()(byValue((value): Shape<Link> => (typeof value === 'string' ? ADDRESS : PAGE)))
const PAGE = exact({ page: key('choose a page') })
const ADDRESS = text(2000).test(
  'address',
  'a link begins with /, https://, http://, mailto: or tel:',
  (v) => v === '' || safeAddress(String(v)) !== null,
)

const MOST_MENU_DEPTH = 6
const menuItems = (depth: number): Shape<MenuItem[]> =>
  list(
    exact({
      id: key(),
      label: name('A label has at most 200 characters'),
      link: linkShape,
      items: depth < MOST_MENU_DEPTH ? menuItems(depth + 1) : list(never('this menu is nested too deep'), 0),
    }),
    500,
  )

export const menuShape = shapeOf<Menu>()(
  exact({
    id: key(),
    name: name('A menu has a name of at most 200 characters'),
    items: menuItems(1),
  }),
)

export const termShape = shapeOf<Term>()(
  exact({
    id: key(),
    taxonomy: key(),
    slug: SLUG,
    title: name('A term has a title of at most 200 characters'),
    tagline: text(1000),
    description: text(10_000),
    picture: keyOrNull(),
    parent: keyOrNull(),
  }),
)

export const personShape = shapeOf<Person>()(
  exact({
    id: key(),
    slug: SLUG,
    name: name('A person has a name of at most 200 characters'),
    role: text(200),
    about: text(10_000),
    mail: text(200),
    phone: optional(text(60)),
    picture: keyOrNull(),
  }),
)

export const taxonomyShape = shapeOf<Taxonomy>()(
  exact({
    id: key(),
    name: name('A taxonomy has a name'),
    plural: name('A taxonomy has a name for several'),
    slug: SLUG,
    pages: yesNo(),
  }),
)

const UNIT = known(
  (v) => new Intl.NumberFormat('en', { style: 'unit', unit: v }),
  'a unit is a name such as centimeter',
)

const limit = maybe(numeric())

const fieldShape = shapeOf<Field>()(
  exact({
    id: key(),
    label: name('A field has a label'),
    kind: oneOf(FIELD_KINDS),
    help: optional(text(300, 'What helps to fill it in has at most 300 characters')),
    required: optional(yes()),
    unit: maybe(UNIT),
    least: limit,
    most: limit,
    choices: optional(list(exact({ id: key(), label: name('A choice has a label') }), 500)),
    of: optional(key()),
  }),
)

const toldField = optional(pattern(/^(terms:)?[\w-]{1,60}$/, 'choose a field'))

const tells = optional(
  exact({
    as: optional(oneOf(TOLD_AS)),
    from: optional(exact(each(TOLD_ROLES, toldField))),
  }),
)

export const pageTypeShape = shapeOf<PageType>()(
  exact({
    id: key(),
    name: name('A page type has a name'),
    plural: name('A page type has a name for several'),
    slug: slugOrNone(),
    archive: yesNo(),
    dated: yesNo(),
    tree: yesNo(),
    personLabel: text(60),
    taxonomies: texts(KEY, 50),
    fields: list(fieldShape, 300),
    mayLeaveOut: leftOut,
    tells,
    sells: maybe(sellsShape),
  }),
)

const WIDTHS = list(numeric(1, 100_000), 20)

const PICTURE = {
  id: key(),
  fileName: text(200),
  alt: text(1000),
  caption: optional(text(300)),
  width: numeric(1, 100_000),
  height: numeric(1, 100_000),
  focus: optional(exact({ x: numeric(0, 1), y: numeric(0, 1) })),
  hash: optional(pattern(/^[0-9a-f]{8,64}$/, 'a hash has 8 to 64 letters and digits')),
}

export const pictureShape = shapeOf<Picture>()(exact({ ...PICTURE, widths: maybe(WIDTHS) }))

/** The shape of a picture on its way to another site, with its file as base64 where it comes along. */
export const carriedPictureShape = shapeOf<Omit<Picture, 'widths'> & { bytes?: string }>()(
  exact({
    ...PICTURE,
    bytes: optional(pattern(/^[A-Za-z0-9+/]*={0,2}$/, 'the file of a picture cannot be read')),
  }),
)

/** Whether the platform knows a locale, currency, time zone or unit: asked of it, since the lists change. */
export function known(what: (value: string) => unknown, why: string): Shape<string> {
  return judged<string>((value) => {
    if (typeof value !== 'string' || value.length > 80) return why
    try {
      what(value)
      return null
    } catch (error) {
      if (error instanceof RangeError) return why
      throw error
    }
  })
}
