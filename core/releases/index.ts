export { type Differing, compareDesigns, layoutsThatDiffer } from './compare'
export { type Along, type PartKey, comesAlong, partKey, partOf } from './part'
