export { type Differing, compareDesigns, layoutsThatDiffer } from './compare'
export { type Along, type PartKey, comesAlong, partOf } from './part'
