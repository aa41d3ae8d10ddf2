import type { Field } from '../fields'
import type { RichDoc } from '../rich'
import type { Id } from '../shape'
import type { Sells, ShopSettings } from '../selling'
import type { FloorPlan } from './standing'

/**
 * What a site is made of, as plain data. Everything that refers to something else refers by id, so that
 * names, titles and addresses may change without breaking a layout or a frame.
 */

export type { Id } from '../shape'
export type { Floor, FloorPlan, FloorShape, Point } from './standing'

/** What a page can do without: its title, its content, or a whole region. */
export type LeftOut = 'title' | 'content' | 'header' | 'intro' | 'footer'

/** What an entry is to programs: something that takes place, is told, is sold, a page of the site, a work. */
export const TOLD_AS = ['event', 'article', 'product', 'page', 'work'] as const
export type ToldAs = (typeof TOLD_AS)[number]

/** What programs may be told of an entry, each from one of its fields. */
export const TOLD_ROLES = ['description', 'picture', 'person', 'starts', 'ends', 'place', 'price'] as const
export type ToldRole = (typeof TOLD_ROLES)[number]

/** How entries of a type are told to programs, where it is not what their fields say by themselves. */
export interface Tells {
  as?: ToldAs
  from?: Partial<Record<ToldRole, Id>>
}

export interface PageType {
  id: Id
  /** Singular, as in "an Exhibit". */
  name: string
  plural: string
  /** First part of the addresses; empty for types whose entries stand at the top of the site. */
  slug: string
  archive: boolean
  /** Dated types have pages for years and months and are listed newest first. */
  dated: boolean
  /** Entries of a tree type may stand below one another. */
  tree: boolean
  /** What the entry's person is called for this type: Keeper, Speaker, Author. */
  personLabel: string
  taxonomies: Id[]
  fields: Field[]
  /** What writers may leave out of the page of one entry. */
  mayLeaveOut?: LeftOut[]
  tells?: Tells
  /** How its entries are sold; they are not where it says nothing. */
  sells?: Sells
}

export interface Term {
  id: Id
  taxonomy: Id
  slug: string
  title: string
  tagline: string
  description: string
  picture: Id | null
  parent: Id | null
}

export interface Taxonomy {
  id: Id
  name: string
  plural: string
  slug: string
  pages: boolean
}

export interface Person {
  id: Id
  slug: string
  name: string
  role: string
  about: string
  mail: string
  phone?: string
  picture: Id | null
}

export interface Picture {
  id: Id
  fileName: string
  alt: string
  /** What stands below it where captions are shown; its description where it has none. */
  caption?: string
  /** In CSS pixels. */
  width: number
  height: number
  /** What must stay in sight when it is cropped, from 0 to 1 of its width and height; the middle unless it is said. */
  focus?: { x: number; y: number }
  /** The beginning of the hash of its file: another file, another address. */
  hash?: string
  /** Widths in pixels in which it lies ready, smallest first, as AVIF and WebP and in the kind of its file. */
  widths?: number[]
}

/** An address (see `safeAddress`), or a page by its key, which survives a change of address. */
export type Link = string | { page: string }

export interface MenuItem {
  id: Id
  label: string
  link: Link
  items: MenuItem[]
}

export interface Menu {
  id: Id
  name: string
  items: MenuItem[]
}

export interface Entry {
  id: Id
  type: Id
  slug: string
  title: string
  summary: string
  content: RichDoc | null
  picture: Id | null
  person: Id | null
  parent: Id | null
  /** `YYYY-MM-DD`; orders the entries of a type, newest first. */
  date: string | null
  terms: Id[]
  fields: Record<Id, unknown>
  published: boolean
  /** A published entry is out from and until these moments of the site's clocks, `YYYY-MM-DDTHH:MM`. */
  from?: string | null
  until?: string | null
  /** What its page leaves out for this entry alone, where its type allows it. */
  leftOut?: LeftOut[]
  /** A writer's choice among the frames offered to the entry's page type. */
  chosenFrame: Id | null
}

export type HomeChoice = { kind: 'entry'; entry: Id } | { kind: 'archive'; type: Id }

export interface SiteSettings {
  name: string
  tagline: string
  /** Origin of the published site, without a trailing slash, for canonical links. */
  origin: string
  /** BCP 47, e.g. `en-GB`. */
  locale: string
  /** ISO 4217. */
  currency: string
  /** IANA time zone. */
  timeZone: string
  logo: Id | null
  /** The picture by which browsers mark the site; the logo where there is none. */
  icon?: Id | null
  /** Shown wherever a picture is missing and an element asks for the site's own. */
  fallbackPicture: Id | null
  home: HomeChoice
  shop: boolean
  /** By what rules it sells. */
  selling?: ShopSettings
  signIn: boolean
  /** The page on which visitors search; there, unless it is said otherwise. */
  search?: boolean
  /** Where entries stand that have a position. */
  floorPlan?: FloorPlan | null
}

export interface Site {
  settings: SiteSettings
  types: PageType[]
  taxonomies: Taxonomy[]
  terms: Term[]
  people: Person[]
  pictures: Picture[]
  menus: Menu[]
  entries: Entry[]
  /** Addresses that lead elsewhere. */
  redirects?: Redirect[]
}

/**
 * An address that once was a page's and leads to another now. Where it leads to a page it names it by its key, so that
 * it follows that page wherever it goes, and no chain ever forms.
 */
export interface Redirect {
  /** A path of this site, without a slash at its end. */
  address: string
  to: Link
  /** All addresses below it lead there as well, each with what follows it. */
  branch?: true
}

export type PageKind =
  | 'home'
  | 'entry'
  | 'archive'
  | 'term'
  | 'person'
  | 'year'
  | 'month'
  | 'search'
  | 'not-found'
  | 'basket'
  | 'checkout'
  | 'receipt'
  | 'order-status'
  | 'sign-in'
  | 'member'

/**
 * One address that the site answers. `key` names it for life: `home`, `entry:ID`, `archive:TYPE`, `term:ID`,
 * `person:ID`, `year:TYPE:YYYY`, `month:TYPE:YYYY-MM`, or the kind alone for the working pages. Home carries the `entry`, or
 * the `type` of the archive, that it shows.
 */
export interface Page {
  key: string
  kind: PageKind
  address: string
  title: string
  type?: Id
  entry?: Id
  taxonomy?: Id
  term?: Id
  person?: Id
  /** `YYYY` for a year, `YYYY-MM` for a month. */
  time?: string
}

/**
 * Where a dynamic field is read: on the page's own subject, on what the subject belongs to (its person, its
 * first term in the taxonomy `via`, the entry or person referred to by the field `via`), on the site, or on
 * the visitor.
 */
export interface FieldRef {
  of: 'page' | 'person' | 'term' | 'reference' | 'site' | 'visitor'
  via?: Id
  field: Id
}
