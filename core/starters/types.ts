import type { Id } from '../model'
import type { FieldKind } from '../fields'
import type { SiteStyle } from '../styles'
import type { Layout, LayoutRegion } from '../tree'

/** What a body is for: an entry, a list of entries, or one of the pages that every site has. */
export type StarterUse = 'entry' | 'list' | 'term' | 'person' | WorkingUse

/** The pages that a site has besides its content. */
export type WorkingUse = 'search' | 'lost' | 'sign-in' | 'member' | 'basket' | 'checkout' | 'receipt' | 'order-status'

/** Something of a site that a starter names without knowing the site: it is matched by its kind and what it is called. */
export type Want =
  /** A field of the page type that the layout is for. `names` are parts of ids and labels, the likeliest first. */
  | { kind: 'field'; id: Id; label: string; kinds: readonly FieldKind[]; names: readonly string[]; any?: true }
  | { kind: 'menu'; id: Id; label: string; names: readonly string[]; any?: true }
  /** A page type whose entries are listed. */
  | { kind: 'type'; id: Id; label: string; names: readonly string[]; any?: true }
  /** An entry that a link leads to. */
  | { kind: 'page'; id: Id; label: string; names: readonly string[] }

/** A ready-made layout to begin from, for any site. */
export interface Starter {
  id: Id
  name: string
  /** What it is, in one line. */
  about: string
  region: LayoutRegion
  /** Of bodies, what they are for. */
  use?: StarterUse
  wants: readonly Want[]
  layout: Layout
}

/** What a whole site is made of. */
export type SitePart = 'header' | 'intro' | 'footer' | 'entry' | 'dated' | 'list' | 'term' | 'person' | WorkingUse

/** A whole design to begin with: which starters it is made of, and its house style. */
export interface SiteStarter {
  id: Id
  name: string
  /** What it is, in one line. */
  about: string
  /** The starter of each part; `dated` is for entries of types that have a day. */
  parts: Readonly<Record<SitePart, Id>>
  /** The card that its lists draw. */
  card?: Id
  house: SiteStyle
}
