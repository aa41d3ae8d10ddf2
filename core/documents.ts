import { checkFrame } from './design'
import { type Editing, refusePlainEdit } from './edits'
import { basketShape, discountShape, orderShape } from './shop'
import { mailServerShape, mailShape, messageShape } from './forms'
import { Trees, checkLayout, layoutEditUpToDate, layoutEditing, layoutUpToDate, refuseEdit } from './layouts'
import { type Shape, refuse } from './shape'
import {
  MENUS_EDITING,
  STRUCTURE_EDITING,
  entryShape,
  menuShape,
  pageTypeShape,
  personShape,
  pictureShape,
  refuseMenus,
  refuseStructure,
  settingsShape,
  taxonomyShape,
  termShape,
  workingShape,
} from './model'
import { redirectShape } from './catalogue'
import type { LayoutDocument } from './tree'
import { HOUSE_EDITING, houseShape, houseUpToDate } from './styles'

/**
 * Every kind of document that is stored, with what says whether something is one. Whatever is written to the
 * database, and whatever is read from it, goes through here; what is no such document is refused on the way in
 * and left out on the way back.
 */
const byShape = (shape: Shape) => (value: unknown) => refuse(shape, value)

export const DOCUMENTS = {
  settings: byShape(settingsShape),
  type: byShape(pageTypeShape),
  taxonomy: byShape(taxonomyShape),
  term: byShape(termShape),
  person: byShape(personShape),
  picture: byShape(pictureShape),
  menu: byShape(menuShape),
  entry: byShape(entryShape),
  'working-copy': byShape(workingShape),
  redirect: byShape(redirectShape),
  message: byShape(messageShape),
  mail: byShape(mailShape),
  'mail-server': byShape(mailServerShape),
  basket: byShape(basketShape),
  order: byShape(orderShape),
  'discount-code': byShape(discountShape),
  house: byShape(houseShape),
  structure: (value: unknown) => refuseStructure(value)?.sentence ?? null,
  'layout-edit': (value: unknown) => refuseEdit(value)?.sentence ?? null,
  menus: (value: unknown) => refuseMenus(value)?.sentence ?? null,
  'menus-edit': (value: unknown) => refusePlainEdit(value)?.sentence ?? null,
  'structure-edit': (value: unknown) => refusePlainEdit(value)?.sentence ?? null,
  'house-edit': (value: unknown) => refusePlainEdit(value)?.sentence ?? null,
  layout: (value: unknown) => checkLayout(value)[0]?.sentence ?? null,
  frame: (value: unknown) => checkFrame(value)[0]?.sentence ?? null,
} as const satisfies Record<string, (value: unknown) => string | null>

export type DocumentKind = keyof typeof DOCUMENTS

/** Kinds whose older formats are brought up to date when they are read; each gives back what it does not know. */
export const UP_TO_DATE: Partial<Record<DocumentKind, (stored: unknown) => unknown>> = {
  house: houseUpToDate,
  layout: layoutUpToDate,
  'layout-edit': layoutEditUpToDate,
}

/** A stored document that is none: left out wherever it would have been used. */
export interface Spoilt {
  what: DocumentKind
  id: string
  why: string
}

/** How a kind of document is edited; `beside` are those of the same kind that it may follow. */
type EditingWith = (beside: readonly unknown[]) => Editing<unknown, unknown>

const always =
  <D, E>(editing: Editing<D, E>): EditingWith =>
  () =>
    editing as Editing<unknown, unknown>

function layoutsBeside(beside: readonly unknown[]): Editing<unknown, unknown> {
  const trees = new Trees(beside as readonly LayoutDocument[])
  return layoutEditing(() => trees) as Editing<unknown, unknown>
}

/** The kinds of document that people edit step by step: how each is edited, and what judges its edits. */
export const EDITED = {
  layout: { editing: layoutsBeside, edit: 'layout-edit' },
  structure: { editing: always(STRUCTURE_EDITING), edit: 'structure-edit' },
  menus: { editing: always(MENUS_EDITING), edit: 'menus-edit' },
  house: { editing: always(HOUSE_EDITING), edit: 'house-edit' },
} as const satisfies Record<string, { editing: EditingWith; edit: DocumentKind }>

export type EditedKind = keyof typeof EDITED
