import { adaptFrame } from '../../core/formats'
import { fail } from '../../core/problems'
import { type Entry, type Structure, removeTerm } from '../../core/model'
import { pathOf } from '../../core/addresses'
import type { PlainEdit } from '../../core/edits'
import { readEntriesInTerm, updateEntry } from '../database/entries'
import { readFrames, writeFrame } from '../database/frames'
import type { Database } from '../database/open'
import { writeRedirects } from '../database/redirects'
import { makeEdit } from './editing'
import { STRUCTURE, STRUCTURE_ID } from './kept'
import { takeTurns } from './turns'

/** A term, as it is brought into another one. */
export class Terms {
  constructor(private readonly db: Database) {}

  /** Entries and frames that name a term name another one; the term is gone, and its address leads to the other's. */
  async merge(from: string, into: string, by: string): Promise<void> {
    await this.db.transaction().execute(async (trx) => {
      const { document: structure } = await STRUCTURE.read(trx, STRUCTURE_ID)
      const [one, other] = [from, into].map(
        (id) => structure.terms.find((t) => t.id === id) ?? fail('term-unknown', { id }),
      )
      if (one!.taxonomy !== other!.taxonomy || from === into || isBelow(structure, into, from)) fail('terms-apart')
      const turn = takeTurns()
      for (const { entry, revision } of await readEntriesInTerm(trx, from)) {
        await turn()
        await updateEntry(trx, { entry: inOther(entry, from, into), revision: revision + 1 }, by)
      }
      const choices = { [`term ${from}`]: { do: 'use' as const, id: into } }
      for (const stored of await readFrames(trx, [])) {
        const frame = adaptFrame(stored.frame, choices)
        if (JSON.stringify(frame) !== JSON.stringify(stored.frame))
          await writeFrame(trx, { ...stored, frame, revision: stored.revision + 1 }, by)
      }
      await makeEdit<Structure, PlainEdit>(trx, STRUCTURE, STRUCTURE_ID, removeTerm(structure, from), by)
      const taxonomy = structure.taxonomies.find((t) => t.id === one!.taxonomy)
      if (taxonomy?.pages)
        await writeRedirects(trx, [{ address: pathOf(taxonomy.slug, one!.slug), to: { page: `term:${into}` } }])
    })
  }
}

const inOther = (entry: Entry, from: string, into: string): Entry => ({
  ...entry,
  terms: [...new Set(entry.terms.map((t) => (t === from ? into : t)))],
})

function isBelow({ terms }: Structure, id: string, above: string): boolean {
  const seen = new Set<string>()
  for (let at = terms.find((t) => t.id === id); at?.parent && !seen.has(at.id);) {
    if (at.parent === above) return true
    seen.add(at.id)
    at = terms.find((t) => t.id === at!.parent)
  }
  return false
}
