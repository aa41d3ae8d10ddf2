import type { Kysely } from 'kysely'
import type { Tables } from './schema'

/** Ids of fields that every entry has built in, as they were when this was decided. */
const BUILT_IN = new Set(
  'title summary description content picture date person mail phone type address count reading-time query near'.split(
    ' ',
  ),
)

interface StoredType {
  id?: string
  fields?: { id: string }[]
  sells?: Record<string, unknown>
}

function freeId(id: string, taken: ReadonlySet<string>): string {
  for (let n = 2; ; n++) if (!taken.has(`${id}-${n}`)) return `${id}-${n}`
}

/** Gives fields of a type new ids where theirs are built-in ones; gives the new ids by the old. */
function renameIn(type: StoredType): Map<string, string> {
  const renamed = new Map<string, string>()
  const taken = new Set([...BUILT_IN, ...(type.fields ?? []).map((f) => f.id)])
  for (const field of type.fields ?? []) {
    if (!BUILT_IN.has(field.id)) continue
    const next = freeId(field.id, taken)
    taken.add(next)
    renamed.set(field.id, next)
    field.id = next
  }
  for (const [by, field] of Object.entries(type.sells ?? {}))
    if (by !== 'tax' && typeof field === 'string' && renamed.has(field)) type.sells![by] = renamed.get(field)
  return renamed
}

/** The document of an entry with what it holds under the new ids; null where it holds nothing under the old ones. */
function renamedDoc(text: string, renamed: ReadonlyMap<string, string>): string | null {
  let doc: { fields?: Record<string, unknown> }
  try {
    doc = JSON.parse(text) as typeof doc
  } catch {
    // Whoever reads it tells that it cannot be read.
    return null
  }
  const { fields } = doc
  if (!fields || ![...renamed.keys()].some((id) => Object.hasOwn(fields, id))) return null
  doc.fields = Object.fromEntries(Object.entries(fields).map(([id, value]) => [renamed.get(id) ?? id, value]))
  return JSON.stringify(doc)
}

/** Fields of page types whose ids are those of built-in ones get ids of their own, with what entries hold in them. */
export async function renameBuiltInFields(db: Kysely<Tables>): Promise<void> {
  const site = await db.selectFrom('site').select(['id', 'types']).executeTakeFirst()
  if (!site) return
  let types: StoredType[]
  try {
    types = JSON.parse(site.types) as StoredType[]
  } catch {
    return
  }
  if (!Array.isArray(types)) return
  let changed = false
  for (const type of types) {
    const renamed = renameIn(type)
    if (renamed.size === 0) continue
    changed = true
    const rows = await db
      .selectFrom('entries')
      .select(['id', 'doc'])
      .where('type', '=', type.id ?? '')
      .execute()
    for (const { id, doc } of rows) {
      const next = renamedDoc(doc, renamed)
      if (next !== null) await db.updateTable('entries').set({ doc: next, judged: '' }).where('id', '=', id).execute()
    }
  }
  if (changed)
    await db
      .updateTable('site')
      .set({ types: JSON.stringify(types) })
      .where('id', '=', site.id)
      .execute()
}
