export * from './types'
export { checkDesign } from './check'
