export { ELEMENTS, elementSpec } from './list'
export { prop, type ElementSpec, type Names } from './spec'
export { newElement } from './new'
export { refuseProperty, refuseMeaning } from './accept'
