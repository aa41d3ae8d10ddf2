import { hash } from 'node:crypto'
import { shown } from '../../core/shape'
import { DOCUMENTS, type DocumentKind, type Spoilt, UP_TO_DATE } from '../../core/documents'
import { log } from '../services/log'
import { takeTurns } from '../services/turns'

/** Texts that were found sound before, by what they are of: judged once for each state of a document. */
const known = new Set<string>()
const MOST_KNOWN = 200_000

/** What a text of a kind goes by. */
export const nameOf = (what: DocumentKind, text: string): string => `${what} ${hash('sha256', text, 'base64')}`

/** Rises with every change of a shape by which something that was sound might be no more. */
const SHAPES = 1

const markFor = (name: string): string => `${SHAPES} ${name}`

/** The mark of a text that was judged by the shapes as they are: another text, or other shapes, has another. */
export const markOf = (what: DocumentKind, text: string): string => markFor(nameOf(what, text))

function note(name: string): void {
  if (known.size > MOST_KNOWN) known.clear()
  known.add(name)
}

/** Has texts that were judged elsewhere, in the thread beside this one, judged no more; by their names. */
export const noteSound = (texts: readonly string[]): void => texts.forEach(note)

/**
 * Documents of which designs are made, by the names of their texts: one object for each state of one, for as long as
 * somebody has it. So what was worked out of one is found again by whoever reads it next.
 */
const SHARED: ReadonlySet<DocumentKind> = new Set(['layout', 'frame', 'house', 'menu'])
const shared = new Map<string, WeakRef<object>>()
const names = new WeakMap<object, string>()
const unshare = new FinalizationRegistry<string>((name) => {
  if (!shared.get(name)?.deref()) shared.delete(name)
})

/** The document that was read of a text, by the name of that, where somebody has it. */
export const sharedAs = (name: string): object | undefined => shared.get(name)?.deref()

/** The name of the text of a document that was read, and so is sound; undefined for what was made otherwise. */
export const nameOfShared = (document: object): string | undefined => names.get(document)

/** What many have, nobody changes. */
function frozenWhole<T>(value: T): T {
  if (typeof value !== 'object' || value === null || Object.isFrozen(value)) return value
  for (const one of Object.values(value)) frozenWhole(one)
  return Object.freeze(value)
}

function share<T>(name: string, document: T): T {
  const value = frozenWhole(document) as T & object
  shared.set(name, new WeakRef(value))
  names.set(value, name)
  unshare.register(value, name)
  return value
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
export function refuseId(value: unknown, id: string): string | null {
  const own = (value as { id?: unknown }).id
  return own === undefined || own === id ? null : 'it is stored under an id that is not its own'
}

/**
 * A stored document read back, or null when it is none of its kind: then a line stands in the log, it is added to
 * `spoilt`, and whatever would have used it goes on without. One that has the mark of when it was stored was judged
 * then, and is not judged again.
 */
export function readSound<T>(what: DocumentKind, id: string, text: string, spoilt: Spoilt[], mark = ''): T | null {
  const name = nameOf(what, text)
  const had = sharedAs(name)
  if (had && refuseId(had, id) === null) return had as T
  const read = readJson(text)
  if (!read) return noteSpoilt({ what, id, why: 'it is no readable JSON' }, spoilt)
  const value = (UP_TO_DATE[what] ?? asItIs)(read.value)
  if (!known.has(name) && mark !== markFor(name)) {
    const why = DOCUMENTS[what](value) ?? (what.endsWith('-edit') ? null : refuseId(value, id))
    if (why !== null) return noteSpoilt({ what, id, why }, spoilt)
    note(name)
  }
  if (!SHARED.has(what)) return value as T
  // One that was brought up to date is another text than the one it was read of.
  return share(value === read.value ? name : nameOf(what, JSON.stringify(value)), value as T)
}

/** The text of a document that is to be stored. Throws where it is none of its kind: nothing else is ever stored. */
export function soundText(what: DocumentKind, value: unknown): string {
  const why = DOCUMENTS[what](value)
  if (why !== null) throw new Error(`a ${what} cannot be stored: ${why}`)
  return JSON.stringify(value)
}

/** So many documents are read at once. */
const AT_ONCE = 50

/** What is read of many rows, some at a time, without what is spoilt; others have their turns meanwhile. */
export async function storedAll<R, T>(
  ids: readonly string[],
  some: (ids: string[]) => Promise<readonly R[]>,
  read: (row: R) => T | null,
): Promise<T[]> {
  const turn = takeTurns()
  const found: T[] = []
  for (let at = 0; at < ids.length; at += AT_ONCE)
    for (const row of await some(ids.slice(at, at + AT_ONCE))) {
      await turn()
      const one = read(row)
      if (one) found.push(one)
    }
  return found
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
