import type { ElementSpec } from './base'
import { ENTRY } from './entry'
import { FORMS } from './forms'
import { LISTS } from './lists'
import { PICTURES } from './pictures'
import { SHOP } from './shop'
import { SITE } from './site'
import { SPACE } from './space'
import { WORDS } from './words'

/** Every element, in the order of the elements panel. */
export const ELEMENTS: readonly ElementSpec[] = [
  ...WORDS,
  ...PICTURES,
  ...SITE,
  ...ENTRY,
  ...LISTS,
  ...FORMS,
  ...SHOP,
  ...SPACE,
]

const BY_TYPE = new Map(ELEMENTS.map((e) => [e.type, e]))

export function elementSpec(type: string): ElementSpec | undefined {
  return BY_TYPE.get(type)
}
