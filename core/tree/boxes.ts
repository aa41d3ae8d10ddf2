import type { Property } from './property'

/** Names of the properties that rows and columns have besides their looks. */
export const ROW_PROPS = { picture: 'backgroundPicture' } as const

/** The properties of rows and columns, described as those of elements are. */
export const BOX_PROPERTIES: Record<string, Property> = {
  [ROW_PROPS.picture]: { kind: 'picture', label: 'Background picture', default: null, dynamic: true },
}
