import { button } from './button'
import { divider } from './divider'
import { entryContent } from './entry-content'
import { entryGrid } from './entry-grid'
import { field } from './field'
import { heading } from './heading'
import { image } from './image'
import { leadPicture } from './lead-picture'
import { linkList } from './link-list'
import { menu } from './menu'
import { searchBox } from './search-box'
import { sections } from './sections'
import { siteName } from './site-name'
import { spacer } from './spacer'
import type { ElementSpec } from './spec'
import { text } from './text'
import { trail } from './trail'

/** Every element, in the order of the palette. */
export const ELEMENTS: readonly ElementSpec[] = [
  heading,
  text,
  button,
  linkList,
  image,
  leadPicture,
  siteName,
  menu,
  trail,
  searchBox,
  field,
  entryContent,
  entryGrid,
  sections,
  divider,
  spacer,
]

const BY_TYPE = new Map(ELEMENTS.map((e) => [e.type, e]))

export function elementSpec(type: string): ElementSpec | undefined {
  return BY_TYPE.get(type)
}
