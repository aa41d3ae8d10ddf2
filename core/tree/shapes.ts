import {
  NOTHING,
  type OptionalShape,
  type Shape,
  byValue,
  each,
  shapeOf,
  exact,
  id,
  isRecord,
  key,
  kinds,
  list,
  never,
  numeric,
  oneOf,
  optional,
  pattern,
  record,
  text,
  texts,
  whole,
  yesNo,
  yes,
  maybe,
  orNothing,
} from '../shape'
import { conditionShape } from '../conditions'
import { type Id, linkShape } from '../model'
import { type RichDoc, richShape } from '../rich'
import {
  type Column,
  type Defaults,
  type FieldValue,
  type Fill,
  type Format,
  type Item,
  type Layout,
  type LayoutElement,
  type Literal,
  type LooksKey,
  type Slot,
  type Row,
  type StyleValue,
  type Styles,
  type TreeNode,
  type Value,
  type Within,
  LAYOUT_REGIONS,
  STATES,
  STEPS,
} from './types'

/**
 * The shapes of layouts and of all that they are made of. What a property accepts, which looks stand where and what
 * may stand in what is said by the specs and judged by `checkLayout`.
 */

export const MOST_NAME = 120
/** Characters of the line that says what a layout is for. */
export const MOST_ABOUT = 200
export const MOST_NODES = 3000
/** How many things are looked at in one list before they are counted. */
const MOST_LISTED = 2 * MOST_NODES
/** How deep a chain of fallbacks is followed. */
export const MOST_FALLBACKS = 4

const LONG = text(20_000)
const NUMBER = numeric()
const YES_NO = yesNo()
const words = (most: number) => optional(text(most))

const format = shapeOf<Format>()(
  exact({
    date: optional(oneOf(['full', 'long', 'medium', 'short', 'year', 'month', 'time', 'away'])),
    digits: optional(whole(0, 10, 'choose 0 to 10 digits')),
    unit: optional(oneOf(['short', 'long', 'hidden'])),
    list: optional(oneOf(['and', 'comma'])),
    yes: words(200),
    no: words(200),
    counted: optional(
      exact({
        zero: words(200),
        one: words(200),
        two: words(200),
        few: words(200),
        many: words(200),
        other: words(200),
      }),
    ),
    until: optional(key()),
    first: optional(
      byValue((v): Shape<'sentence' | number> =>
        v === 'sentence' ? oneOf(['sentence']) : whole(1, 500, 'choose 1 to 500 words'),
      ),
    ),
  }),
)

const field = (depth: number): Shape<FieldValue> =>
  exact({
    kind: oneOf(['field']),
    of: oneOf(
      ['page', 'person', 'term', 'reference', 'site', 'visitor'],
      'a field is read from one of page, person, term, reference, site, visitor',
    ),
    via: optional(key('choose where the field is read')),
    field: key('choose a field'),
    format: optional(format),
    before: words(200),
    after: words(200),
    fallback: fallback(depth),
  })

function fallback(depth: number): OptionalShape<Value> {
  const next =
    depth < MOST_FALLBACKS ? field(depth + 1) : never(`fallbacks can follow one another ${MOST_FALLBACKS} deep`)
  return maybe(byValue<Shape<Value>>((value) => (isRecord(value) && value.kind === 'field' ? next : literal)))
}

/** Rich text of an element: fields may stand in it. Asked for when it is needed, since fields hold values too. */
const rich: Shape<RichDoc> = byValue(() => richOfElement)

/** A value that is written out: its property says which of these it takes. */
const literal = byValue((value): Shape<Exclude<Literal, Item[]>> => {
  if (value === null) return NOTHING
  if (typeof value === 'string') return LONG
  if (typeof value === 'number') return NUMBER
  if (typeof value === 'boolean') return YES_NO
  if (isRecord(value) && value.type === 'doc') return rich
  return linkShape
})
export const fieldShape = field(1)
const richOfElement = richShape(fieldShape)

const oneValue = byValue((value): Shape<Exclude<Value, Item[]>> =>
  isRecord(value) && value.kind === 'field' ? fieldShape : literal,
)

export const MOST_ITEMS = 200
export const itemShape: Shape<Item> = exact({ id: id(), props: record<Value>(/^[A-Za-z]{1,40}$/, oneValue, 30) })
const items = list(itemShape, MOST_ITEMS, `a list holds at most ${MOST_ITEMS} things`)

/** Any value of a property. */
export const valueShape = byValue((value): Shape<Value> => (Array.isArray(value) ? items : oneValue))

const SHORT = text(120)
export const styleValue = byValue((value): Shape<StyleValue> => (typeof value === 'number' ? NUMBER : SHORT))
const stepped = exact(each(STEPS, maybe(styleValue)))

/** Looks by the name of the property, each at the width steps at which it is set. */
const styles = record(/^[A-Za-z]{1,40}$/, stepped, 100)
const props = record(/^[A-Za-z]{1,40}$/, valueShape, 60)

/** How many conditions one thing may have. */
export const MOST_CONDITIONS = 20
export const conditionsShape = list(
  conditionShape,
  MOST_CONDITIONS,
  `at most ${MOST_CONDITIONS} things are asked before it is shown`,
)
const when = maybe(conditionsShape.min(1, 'what is always shown asks for nothing'))

/** Properties that a piece leaves to its places. */
const open = maybe(texts(/^[A-Za-z]{1,40}$/, 60, 'what is open is a list of properties', 1))

const node = { id: id(), name: optional(text(MOST_NAME)), props, styles, when, look: optional(id()), open }

const LOOKS = new RegExp(`^(?=.)[a-zA-Z]{0,40}(:(${STATES.join('|')}))?$`)
const PART = /^[a-zA-Z]{1,40}$/
/** The key of a part's or a state's looks. */
export const looksKeyShape = pattern(LOOKS, 'looks are of a part, of a state, or of both')
export const partShape = pattern(PART, 'a part has a name')

const element: Shape<LayoutElement> = shapeOf<LayoutElement>()(
  exact({
    kind: oneOf(['element']),
    ...node,
    type: text(40),
    looks: maybe(() => looks),
    hides: maybe(() => hides),
    fills: maybe(() => fills),
    children: maybe(() => inElement),
  }),
)
const looks: Shape<Record<LooksKey, Styles>> = record(LOOKS, styles, 60)
/** Looks at rest; and those of parts and states, by their keys. */
export const stylesShape = styles
export const looksShape = looks
const hides: Shape<string[]> = texts(PART, 40, 'what is hidden is a list of parts', 1)
const place: Shape<Slot> = shapeOf<Slot>()(
  exact({
    kind: oneOf(['place']),
    ...node,
    type: text(40),
    children: byValue(() => inPlace),
  }),
)
const column: Shape<Column> = shapeOf<Column>()(
  exact({
    kind: oneOf(['column']),
    ...node,
    gives: maybe(() => defaults),
    span: whole(1, 12, 'the span of a column is a whole number from 1 to 12'),
    children: byValue(() => inColumn),
  }),
)
const row: Shape<Row> = shapeOf<Row>()(
  exact({
    kind: oneOf(['row']),
    ...node,
    gives: maybe(() => defaults),
    children: list(kinds({ column }, 'kind', 'thing in a row'), 12),
  }),
)

const inColumn: Shape<(LayoutElement | Row)[]> = list(kinds({ element, row }, 'kind', 'thing in a column'), MOST_LISTED)
const inElement: Shape<Slot[]> = list(kinds({ place }, 'kind', 'thing in an element'), 100).min(
  1,
  'an element without places has none',
)
const inPlace: Shape<Row[]> = list(kinds({ row }, 'kind', 'thing in a place'), MOST_LISTED)

/** A row, column, element or place with all that is in it. */
export const nodeShape: Shape<TreeNode> = kinds({ row, column, element, place }, 'kind', 'thing in a layout')

/** `row`, `button`, `heading.2`, `button :hover`, `field label`. */
const DEFAULTS = new RegExp(`^[a-z-]{1,40}([.][\\w-]{1,40})?( (?=.)[a-zA-Z]{0,40}(:(${STATES.join('|')}))?)?$`)
const defaults: Shape<Defaults> = record(DEFAULTS, styles, 200)

export const layoutShape = shapeOf<Layout>()(
  exact({
    kind: oneOf(['layout']),
    format: oneOf([2]),
    id: id(),
    name: text(MOST_NAME),
    about: optional(text(MOST_ABOUT)),
    starter: optional(yes()),
    region: oneOf(LAYOUT_REGIONS, 'there is no such region'),
    defaults,
    children: list(kinds({ row }, 'kind', 'thing in a layout'), MOST_LISTED),
  }),
)

const within: Shape<Within> = exact({ items: text(200), item: id() })
export const withinShape = maybe(within)

/** The id of something in a piece, or the path to it through pieces in it. */
const PATH = /^[\w-]{1,40}([.][\w-]{1,40}){0,9}$/
const look = { property: text(200), step: oneOf(STEPS), value: orNothing(styleValue) }

/** What says one thing of one node. */
const fillsOf = (what: Shape<Id>) => ({
  setProperty: exact({
    kind: oneOf(['setProperty']),
    id: what,
    property: text(200),
    within: withinShape,
    value: maybe(valueShape),
    unset: optional(yes()),
  }),
  setStyle: exact({
    kind: oneOf(['setStyle']),
    id: what,
    at: maybe(looksKeyShape),
    ...look,
  }),
  hidePart: exact({ kind: oneOf(['hidePart']), id: what, part: partShape, hidden: yesNo() }),
})

export const pathShape = pattern(PATH, 'this names something in a piece')

const fill = shapeOf<Fill>()(kinds(fillsOf(pathShape), 'kind', 'thing that a place says'))
/** How many things one place may say. */
export const MOST_FILLS = 500
const fills: Shape<Fill[]> = list(fill, MOST_FILLS, `a place says at most ${MOST_FILLS} things itself`).min(
  1,
  'a place that says nothing has no list of it',
)

/** What says one thing of one node, or of all of a kind, by its kind. */
export const SETTINGS = {
  ...fillsOf(id()),
  setFill: exact({ kind: oneOf(['setFill']), id: id(), fill, unset: optional(yes()) }),
  setLook: exact({
    kind: oneOf(['setLook']),
    id: id(),
    look: pattern(/^[\w-]{0,40}$/, 'a named look goes by its id'),
  }),
  setOpen: exact({ kind: oneOf(['setOpen']), id: id(), property: text(40), open: yesNo() }),
  setDefault: exact({
    kind: oneOf(['setDefault']),
    box: maybe(id()),
    of: text(200),
    ...look,
  }),
  setWhen: exact({ kind: oneOf(['setWhen']), id: id(), when: conditionsShape }),
  rename: exact({ kind: oneOf(['rename']), id: id(), name: text(MOST_NAME) }),
}
