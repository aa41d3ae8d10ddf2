import { checkFrame } from './frames'
import { type Editing, refusePlainEdit } from './edits'
import { LAYOUT_EDITING, checkLayout, layoutEditUpToDate, layoutUpToDate, refuseEdit } from './layouts'
import { type Shape, refuse } from './shape'
import {
  MENUS_EDITING,
  STRUCTURE_EDITING,
  entryShape,
  menuShape,
  pageTypeShape,
  personShape,
  redirectShape,
  pictureShape,
  refuseMenus,
  refuseStructure,
  settingsShape,
  taxonomyShape,
  termShape,
  workingShape,
} from './site'
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

/** The kinds of document that people edit step by step: how each is edited, and what judges its edits. */
export const EDITED = {
  layout: { editing: LAYOUT_EDITING as Editing<unknown, unknown>, edit: 'layout-edit' },
  structure: { editing: STRUCTURE_EDITING as Editing<unknown, unknown>, edit: 'structure-edit' },
  menus: { editing: MENUS_EDITING as Editing<unknown, unknown>, edit: 'menus-edit' },
  house: { editing: HOUSE_EDITING as Editing<unknown, unknown>, edit: 'house-edit' },
} as const satisfies Record<string, { editing: Editing<unknown, unknown>; edit: DocumentKind }>

export type EditedKind = keyof typeof EDITED
