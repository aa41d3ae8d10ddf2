export * from './types'
export { checkDesign } from './check'
/** The checks of single documents, for whoever judges one before it is part of a design. */
export { checkReferences } from './frames'
export { deadLinksOf, deadPath } from './addresses'
export { checkThings, namedOf } from './layouts'
export { type HouseUses, type OfHouse, houseUses, namedByLayout, namedByLook } from './house'
export { drawnWidths, picturesUsed } from './pictures'
export { type Used, type Uses, usesOf } from './uses'
