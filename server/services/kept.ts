import type { Spoilt } from '../../core/documents'
import { fail } from '../../core/problems'
import { type SiteStyle, PLAIN_HOUSE } from '../../core/styles'
import type { Entry, MenuSet, Structure } from '../../core/model'
import { redirectsOfStructure } from '../../core/catalogue'
import { type LayoutDocument, isVariation } from '../../core/tree'
import { basesNamed } from '../../core/layouts'
import { readMenus, readStructure, writeMenus, writeStructure } from '../database/content'
import { readTopEntries } from '../database/entries'
import { readHouse, writeHouse } from '../database/frames'
import { readBases, readLayout, readPieces, updateLayout } from '../database/layouts'
import type { Kept } from './editing'

/** Where each kind of document that is edited step by step is kept. */

export const LAYOUTS: Kept<LayoutDocument> = {
  kind: 'layout',
  async read(db, id) {
    const state = (await readLayout(db, id)) ?? fail('layout-unknown', { id })
    return { document: state.layout, revision: state.revision }
  },
  write: (trx, _id, layout, revision, at, by) => updateLayout(trx, layout, revision, at, by),
  async beside(db, layout, edits) {
    const named = edits.flatMap(basesNamed)
    const bases = await readBases(db, [...(isVariation(layout) ? [layout.follows.base] : []), ...named])
    return layout.region === 'piece' ? [...bases, ...(await readPieces(db))] : bases
  },
}

/** There is one house style. */
export const HOUSE_ID = 'house'
/** A house style that cannot be read is not written over. */
export const HOUSE: Kept<SiteStyle> = {
  kind: 'house',
  async read(db) {
    const spoilt: Spoilt[] = []
    const stored = await readHouse(db, spoilt)
    if (spoilt[0]) fail('spoilt', { what: 'the house style', why: spoilt[0].why })
    return { document: stored?.house ?? PLAIN_HOUSE, revision: stored?.revision ?? 0 }
  },
  write: (trx, _id, house, revision) => writeHouse(trx, house, revision),
}

/** A site is built in one way. */
export const STRUCTURE_ID = 'structure'
const NO_STRUCTURE: Structure = { format: 1, types: [], taxonomies: [], terms: [], people: [] }
/** Types that cannot be read are not written over. */
export const STRUCTURE: Kept<Structure> = {
  kind: 'structure',
  async read(db) {
    const spoilt: Spoilt[] = []
    const stored = await readStructure(db, spoilt)
    if (spoilt[0]) fail('spoilt', { what: `the ${spoilt[0].what} ${spoilt[0].id}`, why: spoilt[0].why })
    return { document: stored?.structure ?? NO_STRUCTURE, revision: stored?.revision ?? 0 }
  },
  async write(trx, _id, structure, revision) {
    const { structure: before } = (await readStructure(trx, [])) ?? { structure: NO_STRUCTURE }
    const tops = new Map<string, Entry[]>()
    const slugs = new Map(structure.types.map((t) => [t.id, t.slug]))
    for (const { id, slug } of before.types)
      if (slug === '' && slugs.get(id)) tops.set(id, await readTopEntries(trx, id))
    const moved = redirectsOfStructure(before, structure, (type) => tops.get(type) ?? [])
    await writeStructure(trx, structure, revision, moved)
  },
}

/** There is one set of menus. */
export const MENUS_ID = 'menus'
/** Menus that cannot be read are not written over. */
export const MENUS: Kept<MenuSet> = {
  kind: 'menus',
  async read(db) {
    const spoilt: Spoilt[] = []
    const { menus, revision } = await readMenus(db, spoilt)
    if (spoilt[0]) fail('spoilt', { what: `the menu ${spoilt[0].id}`, why: spoilt[0].why })
    return { document: { format: 1, menus }, revision }
  },
  write: (trx, _id, { menus }, revision) => writeMenus(trx, menus, revision),
}
