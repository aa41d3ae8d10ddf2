import type { Transaction } from 'kysely'
import type { DocumentKind, Spoilt } from '../../core/documents'
import type { Design, DisplayRule } from '../../core/design'
import { isRecord, shown } from '../../core/shape'
import type { Id, Menu } from '../../core/model'
import type { LayoutDocument } from '../../core/tree'
import { PLAIN_HOUSE } from '../../core/styles'
import { takeTurns } from '../services/turns'
import type { Database } from './open'
import type { Tables } from './schema'
import { markOf, nameOf, nameOfShared, readSound, readSoundList, refuseId, sharedAs } from './sound'

type Db = Database | Transaction<Tables>

/**
 * Designs as they are kept: a list of the documents in it, each by its id and by a name that its text gives. The texts
 * stand by themselves, once each however many releases and plans have them; so a release keeps what is new in it, and
 * reading one reads what nobody has read before.
 */

/** A document of a design by its id, and the name of its text. */
type Ref = readonly [id: Id, name: string]

const LISTS = { layouts: 'layout', frames: 'frame', menus: 'menu' } as const satisfies Record<string, DocumentKind>
type ListName = keyof typeof LISTS

/** The text of a document, by its name. */
export interface Part {
  name: string
  mark: string
  doc: string
}

export interface Frozen {
  /** What is kept of the design itself. */
  text: string
  /** The documents in it, by their names. */
  documents: ReadonlyMap<string, { what: DocumentKind; document: object }>
}

/** So many names are asked for at once. */
const TOGETHER = 500

/** What is to be kept of a design; its documents must be sound, as whatever was read is. */
export async function frozen(design: Design): Promise<Frozen> {
  const turn = takeTurns()
  const documents = new Map<string, { what: DocumentKind; document: object }>()
  const ref = async (what: DocumentKind, id: Id, document: object): Promise<Ref> => {
    await turn()
    const name = nameOfShared(document) ?? nameOf(what, JSON.stringify(document))
    documents.set(name, { what, document })
    return [id, name]
  }
  const refs: Record<string, Ref[]> = {}
  for (const list of Object.keys(LISTS) as ListName[]) {
    if (!design[list]) continue
    refs[list] = []
    for (const one of design[list]) refs[list].push(await ref(LISTS[list], one.id, one))
  }
  refs.house = [await ref('house', 'house', design.house)]
  return { text: JSON.stringify({ format: design.format, ...refs }), documents }
}

/** The texts of a design that are not kept yet. */
export async function newParts(db: Db, { documents }: Frozen): Promise<Part[]> {
  const turn = takeTurns()
  const names = [...documents.keys()]
  const there = new Set<string>()
  for (let at = 0; at < names.length; at += TOGETHER) {
    const some = names.slice(at, at + TOGETHER)
    const rows = await db.selectFrom('parts').select('name').where('name', 'in', some).execute()
    for (const { name } of rows) there.add(name)
    await turn()
  }
  const parts: Part[] = []
  for (const [name, { what, document }] of documents) {
    if (there.has(name)) continue
    const doc = JSON.stringify(document)
    parts.push({ name, mark: markOf(what, doc), doc })
    await turn()
  }
  return parts
}

/** Keeps texts; what is there already stays. */
export async function keepParts(db: Db, parts: readonly Part[]): Promise<void> {
  for (let at = 0; at < parts.length; at += TOGETHER / 10)
    await db
      .insertInto('parts')
      .values(parts.slice(at, at + TOGETHER / 10))
      .onConflict((c) => c.doNothing())
      .execute()
}

/** Keeps the texts of a design, and gives what is kept of it beside them. */
export async function keepDesign(db: Db, design: Design): Promise<string> {
  const made = await frozen(design)
  await keepParts(db, await newParts(db, made))
  return made.text
}

const isRef = (value: unknown): value is Ref =>
  Array.isArray(value) && typeof value[0] === 'string' && typeof value[1] === 'string'

/** A design as it was kept, without what of it is spoilt. `beside` are texts that are not kept yet. */
export async function readDesign(
  db: Db,
  text: string,
  spoilt: Spoilt[],
  beside: readonly Part[] = [],
): Promise<Design> {
  const whole = readWhole(text)
  const refs = [...Object.keys(LISTS), 'house'].flatMap((name) => refsIn(whole[name]))
  const read = await readParts(db, new Set(refs.map(([, name]) => name)), beside)
  const turn = takeTurns()
  const list = async <T>(name: ListName | 'house', what: DocumentKind): Promise<T[]> => {
    const documents: T[] = []
    for (const one of listed(what, whole[name], spoilt)) {
      await turn()
      // The first releases hold their documents themselves.
      const document = isRef(one) ? read.at<T>(what, ...one, spoilt) : readInline<T>(what, one, spoilt)
      if (document) documents.push(document)
    }
    return documents
  }
  const [house] = await list<Design['house']>('house', 'house')
  return {
    format: 1,
    layouts: await list<LayoutDocument>('layouts', 'layout'),
    frames: await list<DisplayRule>('frames', 'frame'),
    house: house ?? PLAIN_HOUSE,
    // Earlier releases go by the menus of the site.
    ...(Boolean(whole.menus) && { menus: await list<Menu>('menus', 'menu') }),
  }
}

function readWhole(text: string): Record<string, unknown> {
  try {
    const whole: unknown = JSON.parse(text)
    return isRecord(whole) ? whole : {}
  } catch (error) {
    if (error instanceof SyntaxError) return {}
    throw error
  }
}

function readInline<T>(what: DocumentKind, document: unknown, spoilt: Spoilt[]): T | null {
  const id = what === 'house' ? what : shown((document as { id?: unknown } | null)?.id ?? '?', 80)
  return readSound<T>(what, id, JSON.stringify(document), spoilt)
}

/** What stands in a list of a design; a house stands by itself in the first releases. */
function listed(what: DocumentKind, list: unknown, spoilt: Spoilt[]): unknown[] {
  if (Array.isArray(list)) return list
  if (what === 'house') return [list ?? null]
  return readSoundList(what, '', spoilt)
}

const refsIn = (value: unknown): Ref[] => (Array.isArray(value) ? value.filter(isRef) : [])

/** What stands under names: what somebody has read already, and the texts of all else. */
async function readParts(db: Db, names: ReadonlySet<string>, beside: readonly Part[]) {
  const turn = takeTurns()
  const shared = new Map<string, object>()
  const texts = new Map(beside.map((part) => [part.name, part]))
  for (const name of names) {
    const known = sharedAs(name)
    if (known) shared.set(name, known)
  }
  const asked = [...names].filter((name) => !shared.has(name) && !texts.has(name))
  for (let at = 0; at < asked.length; at += TOGETHER / 10) {
    const some = asked.slice(at, at + TOGETHER / 10)
    for (const part of await db.selectFrom('parts').selectAll().where('name', 'in', some).execute())
      texts.set(part.name, part)
    await turn()
  }
  return {
    at<T>(what: DocumentKind, id: Id, name: string, spoilt: Spoilt[]): T | null {
      const known = shared.get(name)
      if (known && refuseId(known, id) === null) return known as T
      const { doc, mark } = texts.get(name) ?? { doc: '', mark: '' }
      return readSound<T>(what, id, doc, spoilt, mark)
    },
  }
}
