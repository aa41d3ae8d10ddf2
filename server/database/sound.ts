import { hash } from 'node:crypto'
import { shown } from '../../core/shape'
import { DOCUMENTS, type DocumentKind, type Spoilt, UP_TO_DATE } from '../../core/documents'
import { log } from '../services/log'

/** Texts that were found sound before, by what they are of: judged once for each state of a document. */
const known = new Set<string>()
const MOST_KNOWN = 200_000

const nameOf = (what: DocumentKind, text: string): string => `${what} ${hash('sha1', text, 'base64')}`

/** Rises with every change of a shape by which something that was sound might be no more. */
const SHAPES = 1

const markFor = (name: string): string => `${SHAPES} ${name}`

/** The mark of a text that was judged by the shapes as they are: another text, or other shapes, has another. */
export const markOf = (what: DocumentKind, text: string): string => markFor(nameOf(what, text))

function note(name: string): void {
  if (known.size > MOST_KNOWN) known.clear()
  known.add(name)
}

const asItIs = (value: unknown): unknown => value

function readJson(text: string): { value: unknown } | null {
  try {
    return { value: JSON.parse(text) as unknown }
  } catch (error) {
    if (error instanceof SyntaxError) return null
    throw error
  }
}

/** What was found spoilt so far, by kind and id; each is told once in the log. */
const told = new Map<string, string>()

function noteSpoilt(spoilt: Spoilt, into: Spoilt[]): null {
  into.push(spoilt)
  const key = `${spoilt.what} ${spoilt.id}`
  if (told.get(key) !== spoilt.why) log('error', 'document-spoilt', { ...spoilt })
  told.set(key, spoilt.why)
  return null
}

/** Documents with ids stand under their own. */
function refuseId(value: unknown, id: string): string | null {
  const own = (value as { id?: unknown }).id
  return own === undefined || own === id ? null : 'it is stored under an id that is not its own'
}

/**
 * A stored document read back, or null when it is none of its kind: then a line stands in the log, it is added to
 * `spoilt`, and whatever would have used it goes on without. One that has the mark of when it was stored was judged
 * then, and is not judged again.
 */
export function readSound<T>(what: DocumentKind, id: string, text: string, spoilt: Spoilt[], mark = ''): T | null {
  const read = readJson(text)
  if (!read) return noteSpoilt({ what, id, why: 'it is no readable JSON' }, spoilt)
  const name = nameOf(what, text)
  const value = (UP_TO_DATE[what] ?? asItIs)(read.value)
  if (known.has(name) || mark === markFor(name)) return value as T
  const why = DOCUMENTS[what](value) ?? (what.endsWith('-edit') ? null : refuseId(value, id))
  if (why !== null) return noteSpoilt({ what, id, why }, spoilt)
  note(name)
  return value as T
}

/** Several documents kept in one text, each by itself: those that are sound. */
export function readSoundList<T>(what: DocumentKind, text: string, spoilt: Spoilt[]): T[] {
  const list = readJson(text)?.value
  if (!Array.isArray(list)) {
    noteSpoilt({ what, id: 'all', why: 'it is no readable list' }, spoilt)
    return []
  }
  return list.flatMap((item: unknown) => {
    const id = shown((item as { id?: unknown } | null)?.id ?? '?', 80)
    return readSound<T>(what, id, JSON.stringify(item), spoilt) ?? []
  })
}
