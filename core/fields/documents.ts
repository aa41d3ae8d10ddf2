import { safeAddress } from '../addresses'
import { isRecord, judged, refuse } from '../shape'
import { AS_JSON, UNLISTED } from './families'
import type { FieldSpec } from './spec'
import { allFound, isObject, jsonIn, listOf, textsIn } from './values'

/** One of the files that a field of documents holds. */
export interface SiteDocument {
  name: string
  address: string
  /** In bytes, where it is known. */
  size?: number
  pages?: number
}

const KEYS = ['name', 'address', 'size', 'pages'] satisfies (keyof SiteDocument)[] as string[]

function isDocument(value: unknown): boolean {
  if (!isRecord(value) || !Object.keys(value).every((k) => KEYS.includes(k))) return false
  const isLine = (v: unknown) => typeof v === 'string' && v.length <= 2000
  const isCount = (v: unknown) => v === undefined || (Number.isSafeInteger(v) && Number(v) >= 0)
  return isLine(value.name) && isLine(value.address) && isCount(value.size) && isCount(value.pages)
}

const shape = judged((value) =>
  Array.isArray(value) && value.length <= 50 && value.every(isDocument) ? null : 'documents have a name and an address',
)

export const documents: FieldSpec = {
  ...UNLISTED,
  ...AS_JSON,
  label: 'Documents',
  about: 'Files by name and address.',
  shape,
  suits: listOf(isObject),
  drawn: 'files',
  linked: false,
  convert(value) {
    const json = jsonIn(value)
    if (json !== undefined && json !== null && refuse(shape, json) === null) return json
    const named = (address: string) =>
      safeAddress(address) ? { name: address.split('/').pop() || address, address } : null
    return allFound(textsIn(value).map(named))
  },
  input: 'documents',
}
