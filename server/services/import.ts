import {
  CREATABLE,
  type Creatable,
  type ImportItem,
  type ImportPlan,
  type Parcel,
  type UnfitKind,
  adaptFrame,
  adaptLayout,
  adaptMenu,
  beside,
  checkParcel,
  creating,
  namesWith,
  parcelUpToDate,
  planImport,
} from '../../core/formats'
import type { PlainEdit } from '../../core/edits'
import { type Design, type DisplayRule, checkFrame } from '../../core/design'
import { frameName } from '../../core/rules'
import { type LayoutDocument, isVariation } from '../../core/tree'
import { Trees, checkLayout, refuseBaseless } from '../../core/layouts'
import { type Problem, fail, failFirst } from '../../core/problems'
import type { Catalogue } from '../../core/catalogue'
import type { Menu } from '../../core/model'
import type { SiteStyle, NamedLook, PaletteColour } from '../../core/styles'
import type { ImportInput } from '../../shared/api/types'
import { customAlphabet } from 'nanoid'

/** What a parcel brings, adapted to this site and judged; and what was left of its plan. */
export interface ImportParts {
  plan: ImportPlan
  layouts: LayoutDocument[]
  frames: DisplayRule[]
  menus: Menu[]
  looks: NamedLook[]
  colours: PaletteColour[]
  house: SiteStyle | null
  /** What creates the page types, fields, taxonomies, terms and people that were chosen to be. */
  structure: PlainEdit[]
}

/** An id that whatever is named by one may have. */
const newId = customAlphabet('0123456789abcdefghijklmnopqrstuvwxyz', 14)

const keyOf = (item: Pick<ImportItem, 'what' | 'id'>): string => `${item.what} ${item.id}`

/** What importing a parcel would do; nothing is changed. Throws the first reason for which it cannot be read. */
export function planParcel(parcel: Parcel, design: Design, catalogue: Catalogue): ImportPlan {
  failFirst(checkParcel(parcel))
  const names = namesWith(parcel, catalogue)
  return planImport(parcelUpToDate(parcel), design, catalogue, (f) => frameName(f, names))
}

function sound<T>(document: T, check: (document: T) => Problem[]): T {
  failFirst(check(document))
  return document
}

/** Makes what a parcel brings ready to be written. What is stored is judged as it will stand, not as it came. */
export function prepareImport(input: ImportInput, design: Design, catalogue: Catalogue): ImportParts {
  const { choices = {}, leaveOut = [], both = [] } = input
  failFirst(checkParcel(input.parcel))
  const parcel = beside(parcelUpToDate(input.parcel), new Set(both), newId)
  const plan = planParcel(parcel, design, catalogue)
  // What is here exactly so stays, also where it would name something by another id now.
  const here = planParcel(input.parcel, design, catalogue).items.filter((i) => i.state === 'same')
  const left = new Set([...leaveOut, ...here.map(keyOf)])
  const items = plan.items.filter((i) => i.state !== 'same' && !left.has(keyOf(i)))
  const taken = new Set(items.map(keyOf))
  const brought = parcel.layouts.filter((l) => taken.has(`layout ${l.id}`))
  const layouts = adaptLayouts(brought, parcel, design, choices)
  return {
    // Pictures come as files, each by itself.
    plan: { ...plan, items: items.filter((i) => i.what !== 'picture') },
    layouts: layouts.map((l) => sound(l, checkLayout)),
    frames: parcel.frames
      .filter((f) => taken.has(`frame ${f.id}`))
      .map((f) => sound(adaptFrame(f, choices), checkFrame)),
    menus: (parcel.menus ?? []).filter((m) => taken.has(`menu ${m.id}`)).map((m) => adaptMenu(m, choices)),
    looks: (parcel.looks ?? []).filter((l) => taken.has(`look ${l.id}`)),
    colours: (parcel.colours ?? []).filter((c) => taken.has(`colour ${c.id}`)),
    house: taken.has('house house') ? parcelUpToDate(parcel).house : null,
    structure: structureOf(parcel, plan, choices, catalogue),
  }
}

/** The edits that create what does not fit and was chosen to be created. */
function structureOf(
  { structure }: Parcel,
  { unfit }: ImportPlan,
  choices: NonNullable<ImportInput['choices']>,
  { site }: Catalogue,
): PlainEdit[] {
  if (!structure) return []
  const wanted = unfit.flatMap(({ key, kind, id }) =>
    choices[key]?.do === 'create' && isCreatable(kind) ? [[kind, id] as const] : [],
  )
  return creating(structure, site, wanted)
}

const isCreatable = (kind: UnfitKind): kind is Creatable & UnfitKind => (CREATABLE as readonly string[]).includes(kind)

/** Layouts adapted to this site. A variation whose base is left out, and is not here either, comes standing alone. */
function adaptLayouts(
  brought: readonly LayoutDocument[],
  parcel: Parcel,
  design: Design,
  choices: NonNullable<ImportInput['choices']>,
): LayoutDocument[] {
  const from = new Trees([...design.layouts, ...parcel.layouts])
  const here = new Set([...design.layouts, ...brought].map((l) => l.id))
  const adapted = brought.map((layout) => {
    const made = adaptLayout(layout, from, choices)
    if (!isVariation(made) || here.has(made.follows.base)) return made
    const base = from.document(made.follows.base) ?? fail('base-gone', { name: layout.name })
    const alone = new Trees([...from.basesOf(base).bases, base].map((l) => adaptLayout(l, from, choices)))
    return alone.madeOf(made).made
  })
  const now = new Trees([...design.layouts, ...adapted])
  failFirst(adapted.flatMap((l) => (isVariation(l) ? refuseBaseless(now, l) : [])))
  for (const l of adapted) if (l.region === 'piece' && now.holdsItself(l)) fail('piece-loop', { name: l.name })
  return adapted
}
