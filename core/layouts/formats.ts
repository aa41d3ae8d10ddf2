import { isRecord } from '../shape'

/** Elements that have got another name, by the one that they had. */
const RENAMED: Readonly<Record<string, string>> = { 'entry-grid': 'entry-list' }

const renamed = (type: unknown): unknown =>
  typeof type === 'string' && Object.hasOwn(RENAMED, type) ? RENAMED[type] : type

/** The key of looks that are given to a kind of element: its name, a sort of it, and whose looks they are. */
function renamedKey(key: string): string {
  const [name] = /^[a-z-]*/.exec(key)!
  return Object.hasOwn(RENAMED, name) ? RENAMED[name] + key.slice(name.length) : key
}

/** What holds looks that are given, by kinds of things. */
const GIVES: ReadonlySet<string> = new Set(['defaults', 'gives'])

/** No layout is as deep; what is deeper is refused as it is. */
const MOST_LEVELS = 200

/** Everything with the names of elements that are used now, wherever elements or looks that are given stand in it. */
function rename(value: unknown, within = '', level = 0): unknown {
  if (level > MOST_LEVELS) return value
  if (Array.isArray(value)) return value.map((v) => rename(v, '', level + 1))
  if (!isRecord(value)) return value
  const isElement = value.kind === 'element'
  const gives = value.kind === 'setDefault' || value.kind === 'unsetDefault'
  const entries = Object.entries(value).map(([key, v]) => {
    if (isElement && key === 'type') return [key, renamed(v)]
    if (gives && key === 'of' && typeof v === 'string') return [key, renamedKey(v)]
    return [GIVES.has(within) ? renamedKey(key) : key, rename(v, key, level + 1)]
  })
  return Object.fromEntries(entries)
}

/** A layout as it is stored, of whatever format, as one of the latest. What is none is given back as it is. */
export function layoutUpToDate(stored: unknown): unknown {
  if (!isRecord(stored) || stored.format !== 1) return stored
  return { ...(rename(stored) as object), format: 2 }
}

/** An edit of a layout as it was written down, which says no format, as one that is made now. */
export function layoutEditUpToDate(stored: unknown): unknown {
  return isRecord(stored) && typeof stored.kind === 'string' ? rename(stored) : stored
}
