import type { Transaction } from 'kysely'
import type { Entry } from '../../core/model'
import type { Database } from './open'
import type { Tables } from './schema'
import { markOf } from './sound'

/**
 * Entries without their texts, as a start reads them: a tenth of what whole ones are to read. Each stands beside its
 * document with the mark of having been judged; a trigger takes it away when the document is another, so one that
 * stands there is never of an older state, and one that is missing is read as a whole.
 */

type Db = Database | Transaction<Tables>

/** An entry as it is read at a start, and whether it has a text. */
export interface Light {
  entry: Omit<Entry, 'content'>
  hasText: boolean
}

/** Puts an entry that was just stored beside its document, without its text. */
export async function writeLight(db: Db, number: number, { content, ...entry }: Entry): Promise<void> {
  const light = JSON.stringify({ entry, hasText: content !== null } satisfies Light)
  const values = { light, mark: markOf('entry', light) }
  await db
    .insertInto('entry_lights')
    .values({ number, ...values })
    .onConflict((c) => c.column('number').doUpdateSet(values))
    .execute()
}

/** An entry without its text out of what stands beside its document; null where nothing does that was judged. */
export function lightOf(light: string | null, mark: string | null): Light | null {
  return light !== null && mark === markOf('entry', light) ? (JSON.parse(light) as Light) : null
}
