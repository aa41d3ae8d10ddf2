import { type Design, type DisplayRule, checkFrame } from '../design'
import { type LayoutDocument, isVariation } from '../tree'
import { Trees, checkLayout, layoutUpToDate, refuseBaseless } from '../layouts'
import { type Problem, problem } from '../problems'
import {
  type Id,
  MOST_TERMS,
  type Menu,
  type Picture,
  carriedPictureShape,
  menuShape,
  pageTypeShape,
  personShape,
  refuseMenus,
  taxonomyShape,
  termShape,
} from '../model'
import type { CarriedName, CarriedStructure } from './structure'
import { exact, isRecord, judged, list, never, oneOf, optional, refuse, text } from '../shape'
import {
  type SiteStyle,
  type NamedLook,
  type PaletteColour,
  houseShape,
  houseUpToDate,
  namedLookShape,
  paletteColourShape,
} from '../styles'

/** Layouts, frames, pieces and house style on their way from one site to another: one JSON document. */
export interface Parcel {
  kind: 'outer-frame-parcel'
  format: 1
  /** The name of the site it comes from. */
  from: string
  /** ISO 8601. */
  made: string
  layouts: LayoutDocument[]
  frames: DisplayRule[]
  /** Shared pieces; there are none in this format's first edition, and the list is empty. */
  pieces: []
  house: SiteStyle | null
  /** Menus; parcels of earlier versions have none. */
  menus?: Menu[]
  /** What chosen layouts take from the house, where that does not come as a whole. */
  looks?: NamedLook[]
  colours?: PaletteColour[]
  pictures?: ParcelPicture[]
  /** What layouts and frames name of the site's content and can be created with them; older parcels have none. */
  structure?: CarriedStructure
  /** What things are called that do not come along. */
  names?: CarriedName[]
}

/** A picture that layouts of a parcel show. */
export interface ParcelPicture extends Omit<Picture, 'widths'> {
  /** Its file, as base64; not there where that is too large, and not on its way to the server, which takes files alone. */
  bytes?: string
}

export const PARCEL_FORMAT = 1
const MOST_THINGS = 2000

export function makeParcel(design: Design, from: string, made: string): Parcel {
  return {
    kind: 'outer-frame-parcel',
    format: PARCEL_FORMAT,
    from,
    made,
    layouts: design.layouts,
    frames: design.frames,
    pieces: [],
    house: design.house,
    ...(design.menus && { menus: design.menus }),
  }
}

/** A parcel, or what is taken for one, without the files of its pictures: as it goes to the server. */
export function withoutFiles(parcel: Parcel): Parcel {
  if (!isRecord(parcel) || !Array.isArray(parcel.pictures)) return parcel
  const bare = (picture: ParcelPicture): ParcelPicture => {
    if (!isRecord(picture)) return picture
    const { bytes: _, ...rest } = picture
    return rest
  }
  return { ...parcel, pictures: parcel.pictures.map(bare) }
}

const duplicate = (ids: readonly Id[]): Id | undefined => {
  const seen = new Set<Id>()
  return ids.find((id) => seen.has(id) || !seen.add(id))
}

const LISTS = 'its lists of layouts and frames are missing'
const WHENCE = 'it does not say where it comes from'
/** What surrounds the documents in a parcel; each of them is judged by its own shape. */
const envelope = exact({
  kind: oneOf(['outer-frame-parcel'], 'it is something else'),
  format: oneOf([PARCEL_FORMAT]),
  from: text(200, WHENCE).min(1, WHENCE),
  made: text(40, WHENCE).min(1, WHENCE),
  layouts: list(
    judged(() => null),
    MOST_THINGS,
    LISTS,
  ),
  frames: list(
    judged(() => null),
    MOST_THINGS,
    LISTS,
  ),
  pieces: list(never('its pieces cannot be read'), 0, 'its pieces cannot be read'),
  house: judged(() => null),
  menus: optional(list(menuShape, MOST_THINGS)),
  looks: optional(list(namedLookShape, MOST_THINGS)),
  colours: optional(list(paletteColourShape, MOST_THINGS)),
  pictures: optional(list(carriedPictureShape, MOST_THINGS)),
  structure: optional(
    exact({
      types: list(pageTypeShape, MOST_THINGS),
      taxonomies: list(taxonomyShape, MOST_THINGS),
      terms: list(termShape, MOST_TERMS),
      people: list(personShape, MOST_THINGS),
    }),
  ),
  names: optional(list(exact({ key: text(200), name: text(500) }), MOST_TERMS)),
})

/** Every way in which a document is no parcel that this version reads; none when it is one. Takes anything at all. */
export function checkParcel(parcel: unknown): Problem[] {
  if (!isRecord(parcel) || parcel.kind !== 'outer-frame-parcel')
    return [problem('parcel-shape', { why: 'it is something else' })]
  if (typeof parcel.format !== 'number') return [problem('parcel-shape', { why: 'it has no format number' })]
  if (parcel.format > PARCEL_FORMAT) return [problem('parcel-newer', { format: parcel.format, known: PARCEL_FORMAT })]
  const wrong = refuse(envelope, parcel)
  if (wrong !== null) return [problem('parcel-shape', { why: wrong })]
  const { layouts, frames, house } = parcel as unknown as Parcel
  const refused = house === null ? null : refuse(houseShape, houseUpToDate(house))
  const problems = [
    ...layouts.flatMap((l) => checkLayout(layoutUpToDate(l))),
    ...frames.flatMap((f) => checkFrame(f)),
    ...(refused ? [problem('parcel-shape', { why: refused })] : []),
  ]
  if (problems.length > 0) return problems
  const { menus = [] } = parcel as unknown as Parcel
  const wrongMenus = refuseMenus({ format: 1, menus })
  if (wrongMenus) return [wrongMenus]
  const { looks = [], colours = [], pictures = [], structure } = parcel as unknown as Parcel
  const lists: readonly (readonly { id: Id }[])[] = [
    ...[layouts, frames, looks, colours, pictures],
    ...Object.values(structure ?? {}),
  ]
  const twice = lists.map((list) => duplicate(list.map((one) => one.id))).find((id) => id !== undefined)
  return twice ? [problem('id-taken', { id: twice })] : checkFollowing(layouts)
}

/** What variations among some layouts follow, as far as that is among them too; and pieces that hold themselves. */
function checkFollowing(layouts: readonly LayoutDocument[]): Problem[] {
  const trees = new Trees(layouts)
  const found = layouts.flatMap((l) =>
    isVariation(l) && trees.document(l.follows.base) ? refuseBaseless(trees, l) : [],
  )
  const loops = layouts.filter((l) => l.region === 'piece' && trees.holdsItself(l))
  return [...found, ...loops.map((l) => problem('piece-loop', { name: l.name }))].slice(0, 1)
}

/** A parcel that was found to be one, with what is in it brought up to date: it may have been made long ago. */
export const parcelUpToDate = (parcel: Parcel): Parcel => ({
  ...parcel,
  layouts: parcel.layouts.map((layout) => layoutUpToDate(layout) as LayoutDocument),
  house: houseUpToDate(parcel.house) as SiteStyle | null,
})
