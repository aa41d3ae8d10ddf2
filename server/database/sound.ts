import { createHash } from 'node:crypto'
import { shown } from '../../core/shape'
import { DOCUMENTS, type DocumentKind, type Spoilt } from '../../core/documents'
import { log } from '../services/log'

/** Texts that were found sound before, by what they are of: judged once for each state of a document. */
const known = new Set<string>()
const MOST_KNOWN = 200_000

const nameOf = (what: DocumentKind, text: string): string =>
  `${what} ${createHash('sha1').update(text).digest('base64')}`

/** Rises with every change of a shape by which something that was sound might be no more. */
const SHAPES = 1

/** The mark of a text that was judged by the shapes as they are: another text, or other shapes, has another. */
export const markOf = (what: DocumentKind, text: string): string => `${SHAPES} ${nameOf(what, text)}`

/** Takes a text for judged that was when it was stored, where its mark says so still. */
export function trust(what: DocumentKind, text: string, mark: string): void {
  if (mark !== '' && mark === markOf(what, text)) note(nameOf(what, text))
}

function note(name: string): void {
  if (known.size > MOST_KNOWN) known.clear()
  known.add(name)
}

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
 * `spoilt`, and whatever would have used it goes on without.
 */
export function readSound<T>(what: DocumentKind, id: string, text: string, spoilt: Spoilt[]): T | null {
  const read = readJson(text)
  if (!read) return noteSpoilt({ what, id, why: 'it is no readable JSON' }, spoilt)
  const name = nameOf(what, text)
  if (known.has(name)) return read.value as T
  const why = DOCUMENTS[what](read.value) ?? (what.endsWith('-edit') ? null : refuseId(read.value, id))
  if (why !== null) return noteSpoilt({ what, id, why }, spoilt)
  note(name)
  return read.value as T
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
