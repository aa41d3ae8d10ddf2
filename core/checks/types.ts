import type { DocumentKind } from '../documents'
import type { Baseless } from '../layouts'
import type { Region, WidthStep } from '../tree'
import type { Id } from '../model'

/** Something that stands between the thing it names and what was meant. The core gives ids; the interface words them. */
export type Finding =
  /** Two frames are equal down to order where both have a say; the smaller id decides. */
  | { kind: 'tie'; frames: [Id, Id]; region: Region; pages: string[] }
  /** A frame that is on and decides nothing anywhere; by which frames it is shadowed, or why it cannot decide. */
  | { kind: 'dead'; frame: Id; because: 'covers-nothing' | 'says-nothing' | 'shadowed'; by: Id[] }
  /** A variation of which nothing is drawn, since what it follows is not there or cannot be followed. */
  | { kind: 'baseless'; layout: Id; base: Id; because: Baseless }
  /** Own changes of a variation that name what its base has not, or that cannot hold as it is now: they are kept. */
  | { kind: 'waiting'; layout: Id; base: Id; changes: number }
  /** The place of a piece that draws nothing: the piece would hold itself, or all of them are too much. */
  | { kind: 'unplaced'; layout: Id; node: Id; piece: Id; because: 'loop' | 'deep' | 'large' }
  /** What the place of a piece says and the piece does not let it say, or has no more: it is kept. */
  | { kind: 'unfilled'; layout: Id; node: Id; piece: Id; fills: number }
  /** A layout used by no frame and no grid, and a piece placed in no used one. */
  | { kind: 'unreached'; layout: Id }
  /** Entries with content whose body layout has no place for it. */
  | { kind: 'content-never-shown'; layout: Id; pages: string[] }
  /** An element or a test that names a field which the page type does not have. */
  | { kind: 'missing-field'; layout?: Id; node?: Id; frame?: Id; field: Id; type: Id | null }
  /** A test that does not suit the kind of its field as it is now: it never holds. */
  | { kind: 'unsuited-test'; layout?: Id; node?: Id; frame?: Id; field: Id; why: string }
  /** Pages whose regions hold no level-1 heading, or more than one. */
  | { kind: 'no-title'; titles: number; pages: string[] }
  /** A reference to something that no longer exists. */
  | { kind: 'dangling'; what: Dangling; id: string; layout?: Id; node?: Id; frame?: Id; entry?: Id; menu?: Id }
  /** A link that was left open while designing: what it belongs to is not drawn for visitors. */
  | { kind: 'open-link'; layout: Id; node: Id; words: string }
  /** A link that somebody typed to an address of this site where nothing stands. */
  | { kind: 'dead-link'; address: string; layout?: Id; node?: Id; menu?: Id; entry?: Id }
  /** Words that are hard to read on what lies behind them: text or links, with their contrast, to 1. */
  | { kind: 'contrast'; layout: Id; node: Id; what: 'ink' | 'link'; ratio: number; step: WidthStep; dark?: true }
  /** A stored document that cannot be read and is left out. */
  | { kind: 'spoilt'; what: DocumentKind; id: string; why: string }
  /** Something of the released design that could not be drawn and was left out. */
  | { kind: 'undrawn'; layout: Id; node: Id | null; why: string }
  /** Entries and archives whose body is the plain one, since no frame has a say. */
  | { kind: 'plain-body'; pages: string[] }
  /** A working page whose body lacks elements without which it cannot be used, by their types: the plain one is shown. */
  | { kind: 'lacking'; layout?: Id; pages: string[]; lacks: string[] }
  /** What a page type is sold by and has not: a field of its own that is of the kind, or a tax class of the shop. */
  | { kind: 'unsold'; type: Id; by: SoldBy; id: Id }
  /** A question outside of a form, or a form in another one: visitors do not see it. */
  | { kind: 'outside-form'; layout: Id; node: Id; because: 'no-form' | 'in-form' }

export type Dangling =
  | 'layout'
  | 'wrong-region'
  | 'page'
  | 'type'
  | 'taxonomy'
  | 'term'
  | 'person'
  | 'menu'
  | 'picture'
  | 'card'
  | 'piece'
  | 'look'
  | 'colour'
  | 'family'
  | 'frame'
  | 'field'
  | 'choice'

/** What says how entries of a type are sold. */
export type SoldBy = 'price' | 'stock' | 'on' | 'offers' | 'tax'

export type FindingKind = Finding['kind']
