import { instantText } from '../../core/time'
import type { Transaction } from 'kysely'
import type { Jobs } from '../aside/work'
import {
  type ImportPlan,
  type Parcel,
  type ParcelPicture,
  carriedBy,
  makeParcel,
  structureFor,
} from '../../core/formats'
import { BARE_DESIGN, type Design, type DisplayRule } from '../../core/design'
import { type LayoutDocument, isVariation } from '../../core/tree'
import type { PlainEdit } from '../../core/edits'
import { replaceDocument, treesOf } from '../../core/layouts'
import { fail } from '../../core/problems'
import { type PartKey, partOf } from '../../core/releases'
import type { SiteStyle, NamedLook, PaletteColour } from '../../core/styles'
import type { Catalogue } from '../../core/catalogue'
import type { Menu, MenuSet, Structure } from '../../core/model'
import type { ImportInput } from '../../shared/api/types'
import { readFrame, writeFrame } from '../database/frames'
import { insertLayout, readLayout, layoutExists, setLayoutRemoved } from '../database/layouts'
import type { Database } from '../database/open'
import type { Tables } from '../database/schema'
import type { Draft } from './draft'
import { makeEdit } from './editing'
import { HOUSE, HOUSE_ID, LAYOUTS, MENUS, MENUS_ID, STRUCTURE, STRUCTURE_ID } from './kept'
import type { Media } from './media'
import { takeTurns } from './turns'

/** What another site has of ours. */
const NOTHING: Design = { ...BARE_DESIGN, menus: [] }

/** So many bytes of pictures go into one parcel. */
const MOST_PICTURE_BYTES = 24_000_000

/** Parcels: the draft on its way to another site, and what comes from one. */
export class Parcels {
  constructor(
    private readonly db: Database,
    private readonly draft: Draft,
    private readonly catalogue: () => Catalogue,
    private readonly jobs: Pick<Jobs, 'plan' | 'prepare'>,
    private readonly files: Pick<Media, 'bytesOf'>,
  ) {}

  /**
   * The whole draft; or some of its layouts with all that they need, variations standing alone where that is asked: then
   * without what they follow.
   */
  async export(chosen?: { layouts: readonly string[]; alone: boolean }): Promise<Parcel> {
    const design = await this.draft.design()
    const trees = treesOf(design)
    const make = (of: Design) => makeParcel(of, this.catalogue().site.settings.name, instantText(Date.now()))
    if (!chosen) {
      const { pictures } = carriedBy(design.layouts, trees, design.house)
      return { ...make(design), pictures: await this.withFiles(pictures), ...this.structureOf(design) }
    }
    const layouts = chosen.alone ? design.layouts.map((l) => trees.madeOf(l).made) : design.layouts
    for (const id of chosen.layouts) if (!trees.document(id)) fail('layout-unknown', { id })
    const keys = new Set(chosen.layouts.map((id): PartKey => `layout ${id}`))
    const whole = { ...design, layouts }
    const parcel = make(partOf(NOTHING, whole, keys))
    const { looks, colours, pictures } = carriedBy(parcel.layouts, treesOf(parcel), design.house)
    const carried = { looks, colours, pictures: await this.withFiles(pictures), ...this.structureOf(parcel) }
    return { ...parcel, house: null, ...carried }
  }

  private structureOf(of: Pick<Design, 'layouts' | 'frames' | 'menus'>): Pick<Parcel, 'structure' | 'names'> {
    const trees = treesOf(of)
    const drawn = of.layouts.map((layout) => trees.of(layout).tree)
    return structureFor({ trees: drawn, frames: of.frames, menus: of.menus }, this.catalogue())
  }

  /** Pictures with their files, as far as those are not too much for one parcel. */
  private async withFiles(ids: ReadonlySet<string>): Promise<ParcelPicture[]> {
    const found: ParcelPicture[] = []
    let size = 0
    for (const { widths: _, ...picture } of this.catalogue().site.pictures) {
      if (!ids.has(picture.id)) continue
      const bytes = (await this.files.bytesOf(picture.id))?.bytes
      size += bytes?.length ?? 0
      found.push({ ...picture, ...(bytes && size <= MOST_PICTURE_BYTES && { bytes: bytes.toString('base64') }) })
    }
    return found
  }

  /** What importing would do here; nothing is changed. Throws the first reason for which it cannot be read. */
  plan(parcel: Parcel): Promise<ImportPlan> {
    return this.jobs.plan({ parcel })
  }

  /** Takes a parcel into the draft, all of it or nothing. Layouts that exist are changed by an edit, which can be undone. */
  async import(input: ImportInput, by: string): Promise<ImportPlan> {
    const { plan, layouts, frames, menus, looks, colours, house, structure } = await this.jobs.prepare(input)
    await this.db.transaction().execute(async (trx) => {
      const turn = takeTurns()
      if (structure.length > 0) await takeStructure(trx, structure, by)
      for (const layout of basesFirst(layouts)) {
        await turn()
        await takeLayout(trx, layout, by)
      }
      for (const frame of frames) {
        await turn()
        await takeFrame(trx, frame, by)
      }
      for (const menu of menus) await takeMenu(trx, menu, by)
      if (house) await takeHouse(trx, house, by)
      for (const colour of colours) await takeOfHouse(trx, 'palette', colour, by)
      for (const look of looks) await takeOfHouse(trx, 'looks', look, by)
    })
    return plan
  }
}

/** Layouts in an order in which each comes behind what it follows, where that is among them. */
export function basesFirst(layouts: readonly LayoutDocument[]): LayoutDocument[] {
  const left = new Map(layouts.map((l) => [l.id, l]))
  const ordered: LayoutDocument[] = []
  const take = (layout: LayoutDocument): void => {
    left.delete(layout.id)
    const base = isVariation(layout) ? left.get(layout.follows.base) : undefined
    if (base) take(base)
    ordered.push(layout)
  }
  for (const layout of layouts) if (left.has(layout.id)) take(layout)
  return ordered
}

/** Puts a layout into the draft: as a new one, or by an edit of the one with its id, which is put back if it was removed. */
export async function takeLayout(trx: Transaction<Tables>, layout: LayoutDocument, by: string): Promise<void> {
  if (!(await layoutExists(trx, layout.id))) {
    await insertLayout(trx, layout, by)
    return
  }
  // One that was removed here comes back before it is replaced.
  if (!(await readLayout(trx, layout.id))) await setLayoutRemoved(trx, layout.id, false, by)
  const state = await readLayout(trx, layout.id)
  if (!state) return fail('spoilt', { what: `the layout ${layout.id}`, why: 'its log says how' })
  const { layout: old } = state
  if (old.region !== layout.region) fail('other-region', { name: layout.name })
  await makeEdit(trx, LAYOUTS, layout.id, replaceDocument(old, layout), by)
}

/** Creates page types, fields, taxonomies, terms and people, by one edit that can be undone. */
async function takeStructure(trx: Transaction<Tables>, edits: PlainEdit[], by: string): Promise<void> {
  const edit: PlainEdit = { kind: 'batch', label: 'created for a design file', edits }
  await makeEdit<Structure, PlainEdit>(trx, STRUCTURE, STRUCTURE_ID, edit, by)
}

/** Puts a house style in the place of the one there is, by an edit. */
export function takeHouse(trx: Transaction<Tables>, house: SiteStyle, by: string): Promise<void> {
  return makeEdit<SiteStyle, PlainEdit>(trx, HOUSE, HOUSE_ID, { kind: 'set', at: [], value: house }, by)
}

/** Puts a named look or a colour into the house style, in the place of the one with its id or behind all others. */
async function takeOfHouse(
  trx: Transaction<Tables>,
  list: 'looks' | 'palette',
  item: NamedLook | PaletteColour,
  by: string,
): Promise<void> {
  const { document } = await HOUSE.read(trx, HOUSE_ID)
  const there = document[list].some((one) => one.id === item.id)
  const edit: PlainEdit = there
    ? { kind: 'set', at: [list, item.id], value: item }
    : { kind: 'insert', at: [list], index: document[list].length, item }
  await makeEdit<SiteStyle, PlainEdit>(trx, HOUSE, HOUSE_ID, edit, by)
}

/** Puts menus in the place of those there are, by an edit. */
export function takeMenus(trx: Transaction<Tables>, menus: MenuSet, by: string): Promise<void> {
  return makeEdit<MenuSet, PlainEdit>(trx, MENUS, MENUS_ID, { kind: 'set', at: [], value: menus }, by)
}

/** Puts one menu in the place of the one with its id, or behind all others. */
export async function takeMenu(trx: Transaction<Tables>, menu: Menu, by: string): Promise<void> {
  const { document } = await MENUS.read(trx, MENUS_ID)
  const there = document.menus.some((m) => m.id === menu.id)
  const edit: PlainEdit = there
    ? { kind: 'set', at: ['menus', menu.id], value: menu }
    : { kind: 'insert', at: ['menus'], index: document.menus.length, item: menu }
  await makeEdit<MenuSet, PlainEdit>(trx, MENUS, MENUS_ID, edit, by)
}

export async function takeFrame(trx: Transaction<Tables>, frame: DisplayRule, by: string): Promise<void> {
  const old = await readFrame(trx, frame.id)
  await writeFrame(trx, { frame, revision: (old?.revision ?? 0) + 1, removed: false }, by)
}
