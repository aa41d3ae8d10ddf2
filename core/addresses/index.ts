export {
  type AskedAddress,
  type Parameters,
  RESERVED_PARTS,
  STUDIO_PARTS,
  isSlug,
  pathOf,
  readAddress,
  readFields,
  readParameters,
  safeAddress,
  slugOf,
  writeParameters,
} from './addresses'
