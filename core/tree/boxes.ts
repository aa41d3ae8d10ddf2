import type { Property } from './property'

/** Names of the properties that rows and columns have besides their looks. */
export const ROW_PROPS = {
  picture: 'backgroundPicture',
  repeats: 'repeats',
  slides: 'slides',
  over: 'over',
  hides: 'hides',
} as const

/** So many pictures may follow one another behind a row. */
export const MOST_BEHIND = 6

/** The properties of rows and columns, described as those of elements are. */
export const BOX_PROPERTIES: Record<string, Property> = {
  [ROW_PROPS.picture]: { kind: 'picture', label: 'Background picture', default: null, dynamic: true },
  [ROW_PROPS.repeats]: { kind: 'yes-no', label: 'It repeats', default: false },
}

/** The properties of rows: what they do as a page is scrolled is asked of the rows of headers. */
export const ROW_PROPERTIES: Record<string, Property> = {
  ...BOX_PROPERTIES,
  [ROW_PROPS.slides]: {
    kind: 'items',
    label: 'Pictures behind, in turn',
    default: [],
    one: 'Picture',
    named: 'picture',
    most: MOST_BEHIND,
    of: { picture: { kind: 'picture', label: 'Picture', default: null, dynamic: true } },
    hint: 'Each for six seconds; visitors can stop them, and who asks for rest sees the first.',
  },
  [ROW_PROPS.over]: {
    kind: 'yes-no',
    label: 'Laid over what follows',
    default: false,
    hint: 'In a header: it lies on the opening picture. With a distance under “Stays while scrolling” it stays.',
  },
  [ROW_PROPS.hides]: {
    kind: 'yes-no',
    label: 'Hides on the way down',
    default: false,
    hint: 'In a header: it stays at the top, goes on the way down and returns on the way up.',
  },
}
