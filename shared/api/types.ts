import type { Mail, MailServer, Message } from '../../core/forms'
import type { DiscountCode, Order, OrderState } from '../../core/shop'
import type { Request } from '../../core/conditions'
import type { Design, DisplayRule, RegionSetting, Shown } from '../../core/design'
import type { Loss, NearMiss, RankRule } from '../../core/rules'
import type { Fault } from '../../core/render'
import type { Spoilt } from '../../core/documents'
import type { LayoutDocument, LayoutRegion, Region } from '../../core/tree'
import type { LogRecord, Pending, ServerDocument } from '../../core/edits'
import type { Edit } from '../../core/layouts'
import type { PartKey } from '../../core/releases'
import type { Problem } from '../../core/problems'
import type { ImportChoice, ImportPlan, Parcel, SiteCount } from '../../core/formats'
import type { ColumnQuestion, ColumnWay } from '../../core/importing'
import type {
  Beginning,
  Entry,
  Founded,
  HomeChoice,
  Id,
  Picture,
  Redirect,
  Role,
  Site,
  SiteSettings,
} from '../../core/model'
import type { FieldKind } from '../../core/fields'
import type { RichDoc } from '../../core/rich'
import type { SiteChange } from '../../core/catalogue'
import type { SiteStyle } from '../../core/styles'

/** What the studio and the server say to each other at /api, declared once. */

export interface User {
  id: number
  name: string
  mail: string
  role: Role
}

export interface SessionAnswer {
  user: User | null
  site: string
  /** False when this address cannot keep a sign-in: plain http anywhere but on this machine. */
  secure: boolean
  /** False while nobody has founded a site here. */
  founded: boolean
}

/** Founds a site, with the code that the server told at its start. */
export interface FoundingInput {
  code: string
  site: Founded
  beginning: Beginning
  owner: { name: string; mail: string; password: string }
}

export interface SignInInput {
  mail: string
  password: string
}

export interface LayoutState {
  layout: LayoutDocument
  revision: number
  created: number
  changedAt: number
  changedBy: string
}

export interface FrameState {
  frame: DisplayRule
  revision: number
}

/** The draft: everything that is designed, as it stands in the studio. */
export interface DesignAnswer {
  layouts: LayoutState[]
  frames: FrameState[]
  house: SiteStyle
  houseRevision: number
  /** Documents of the design that are stored and cannot be read; they are left out. */
  spoilt: Spoilt[]
}

/** What was removed and can be put back until the owner clears it. */
export interface RemovedAnswer {
  layouts: LayoutState[]
  frames: FrameState[]
}

/** The site without the content of its entries; see `CONTENT_LATER`. */
export interface SiteAnswer {
  site: Site
  version: number
  /** Documents of the site that are stored and cannot be read; they are left out. */
  spoilt: Spoilt[]
}

/**
 * What has changed of a site since a version, as it is now: `GET /api/site?since=VERSION`, which answers the whole site
 * where that is not known one by one.
 */
export interface SiteChanges {
  version: number
  change: SiteChange
}

/** Stands for content that is there but was not sent; `GET /api/entries/ID/content` has it. */
export const CONTENT_LATER: RichDoc = {
  type: 'doc',
  content: [{ type: 'paragraph', content: [{ type: 'text', text: '…' }] }],
}

export interface ContentAnswer {
  id: string
  content: RichDoc | null
}

/** An entry as it is edited, with the revision it stands at. */
export interface EntryAnswer {
  entry: Entry
  revision: number
}

/** A new entry; with `from`, what another says once more. */
export interface NewEntryInput {
  id: Id
  type: Id
  title: string
  from?: Id
}

export interface EntryInput {
  entry: Entry
  revision: number
}

/** With status 409: the entry as it stands now, and as it was at the revision that was named, where that is known. */
export interface StaleEntryAnswer {
  problem: Problem
  current: EntryAnswer
  base: Entry | null
}

/** An entry as it is opened, with what whoever asks is writing in it: on top of its `revision`, kept at `at`. */
export interface OpenEntryAnswer extends EntryAnswer {
  working: { entry: Entry; revision: number; at: number } | null
}

/** What somebody is writing; null when it is dropped. */
export interface WorkingInput {
  working: { entry: Entry; revision: number } | null
}

/** Stored states of an entry, latest first; `at` in milliseconds since 1970, 0 where it is not known. */
export interface StatesAnswer {
  states: { revision: number; at: number; by: string }[]
}

/** What is done to many entries at once. */
export interface BulkInput {
  ids: Id[]
  does:
    | { kind: 'publish' | 'unpublish' | 'remove' | 'put-back' }
    | { kind: 'add-term' | 'take-term'; term: Id }
    | { kind: 'person'; person: Id | null }
}

export interface BulkAnswer {
  done: number
  refused: { id: Id; problem: Problem }[]
}

export const ENTRY_STATES = ['published', 'unpublished', 'waiting', 'over', 'writing', 'removed'] as const
export const ENTRY_SORTS = ['title', 'changed', 'date', 'type'] as const

/** Which entries a table shows; what is left out is not asked. */
export interface EntriesQuery {
  type?: Id
  state?: (typeof ENTRY_STATES)[number]
  term?: Id
  person?: Id
  /** Those that show it. */
  picture?: Id
  /** Days: dated from the one, and until the other. */
  since?: string
  until?: string
  words?: string
  /** By what; with a minus before it the other way round. */
  sort?: string
  offset?: number
  most?: number
}

export interface EntryRow {
  id: Id
  type: Id
  title: string
  slug: string
  date: string | null
  person: Id | null
  terms: Id[]
  published: boolean
  from: string | null
  until: string | null
  revision: number
  changedAt: number
  changedBy: string
  /** Where its page is; null while it has none. */
  address: string | null
  /** Whoever asks is writing in it. */
  writing: boolean
}

export interface EntriesAnswer {
  rows: EntryRow[]
  total: number
}

/** What is in one term goes to another, and the first is gone. */
export interface MergeTermsInput {
  from: Id
  into: Id
}

/** A picture with what is known of its file; `entries` is in how many entries it is shown. */
export interface StoredPictureAnswer {
  picture: Picture
  mime: string
  /** Bytes. */
  size: number
  addedAt: number
  addedBy: string
  entries: number
}

export interface PicturesAnswer {
  pictures: StoredPictureAnswer[]
}

export interface PictureInput {
  alt: string
  /** Stays as it is where it is not said. */
  caption?: string
  focus: { x: number; y: number } | null
}

/** Takes pictures away, or puts them back. */
export interface PicturesRemovedInput {
  ids: Id[]
  removed: boolean
}

/** Files that are no pictures: documents, sound, film. They stand at `/files/ID/FILENAME`. */
export interface FilesAnswer {
  files: {
    id: Id
    fileName: string
    mime: string
    size: number
    addedAt: number
    addedBy: string
    pages: number | null
  }[]
}

/** A font file that was taken in: where it is kept, and what face it holds. */
export interface FontAnswer {
  file: Id
  fileName: string
  family: string
  style: 'normal' | 'italic'
  weight: string
}

/** Addresses asked for that are no page, and searches without result: counted by days of the site. */
export interface LostAnswer {
  days: { day: string; pages: number; files: number; bots: number; searches: number }[]
  /** `leads` says that it leads somewhere by now; `origins` are pages of this site, or other sites. */
  addresses: {
    address: string
    what: 'page' | 'file'
    hits: number
    bots: number
    firstAt: number
    lastAt: number
    origins: { origin: string; hits: number }[]
    leads: boolean
  }[]
  searches: { words: string; hits: number; lastAt: number }[]
}

/** What a visitor sent by a form. */
export interface StoredMessage {
  id: number
  /** Milliseconds since 1970. */
  at: number
  /** Held: it looks like a flood, or like nothing that anybody typed. */
  state: 'unread' | 'read' | 'held'
  note: string
  /** When it is taken away by itself. */
  ends: number
  message: Message
}

/** Which messages are asked for: those before an id, in a state, of a form, with some words. */
export interface MessagesAsked {
  before?: number
  state?: StoredMessage['state']
  form?: string
  words?: string
}

export interface MessagesAnswer {
  messages: StoredMessage[]
  /** Whether there are more before the last of them. */
  more: boolean
  counts: { form: string; state: string; count: number }[]
  days: { day: string; count: number }[]
}

export interface MessageInput {
  state?: 'unread' | 'read'
  note?: string
}

export interface MessagesRemovedInput {
  ids: number[]
}

/** How mail leaves: by nothing, by the stand-in of a demo, or by the server that the owner set. */
export type MailWay =
  | { kind: 'none' }
  | { kind: 'stand-in'; inbox: string }
  /** `spoilt`: its password cannot be read any more, and has to be set anew. */
  | { kind: 'set'; server: MailServer; password: boolean; spoilt: boolean }

/** A mail on its way, or one that went. */
export interface MailStanding {
  id: number
  about: string
  state: 'held' | 'waiting' | 'sent' | 'failed'
  at: number
  /** When it is tried next, was sent, or was given up. */
  then: number
  tries: number
  why: string
  mail: Mail
}

export interface MailAnswer {
  way: MailWay
  counts: Record<MailStanding['state'], number>
  mails: MailStanding[]
  more: boolean
}

export interface MailServerInput {
  server: MailServer | null
  password?: string
}
export type MailTestInput = MailServerInput

export interface MailsInput {
  ids: number[]
}

/** Somebody who asked for a newsletter: waiting until they say yes in a mail. */
export interface Subscriber {
  id: number
  list: string
  mail: string
  state: 'waiting' | 'in'
  at: number
}

export interface SubscribersAsked {
  list?: string
  words?: string
  before?: number
}

export interface SubscribersAnswer {
  subscribers: Subscriber[]
  more: boolean
  counts: { list: string; state: string; count: number }[]
}

/** An order, in short. */
export interface OrderSummary {
  id: number
  number: string
  state: OrderState
  at: number
  /** Until when it is held without being paid. */
  until: number
  /** Empty once the personal data of it was removed. */
  name: string
  mail: string
  /** In the smallest unit of its currency. */
  total: number
  currency: string
  things: string
}

export interface OrdersAsked {
  state?: OrderState
  words?: string
  before?: number
}

export interface OrdersAnswer {
  orders: OrderSummary[]
  more: boolean
  counts: Record<OrderState, number>
  /** What was taken lately, by day and by goods, in the currency of the site. */
  currency: string
  days: { day: string; taken: number }[]
  goods: { title: string; total: number; count: number }[]
}

export interface OrderAnswer extends OrderSummary {
  order: Order
  story: { at: number; what: string; by: string; note: string }[]
  payments: { provider: string; amount: number; state: string; at: number }[]
  mails: { to: string; subject: string; state: MailStanding['state']; at: number }[]
  /** Where whoever ordered finds how it stands. */
  address: string
}

export interface OrderInput {
  does: 'send' | 'cancel' | 'refund' | 'mail' | 'note'
  note?: string
}

/** Who comes on a day; `code` is an SVG. */
export interface DaySheetAnswer {
  day: string
  lines: {
    order: number
    number: string
    name: string
    title: string
    label: string
    on: string
    count: number
    /** How many of them have come. */
    came: number
    sku: string
    code: string
  }[]
}

/** How many have come of those on a line of an order. */
export interface CameInput {
  day: string
  order: number
  sku: string
  came: number
}

export interface CodesAnswer {
  /** `used` is how often. */
  codes: (DiscountCode & { used: number })[]
}

/** The pages that may be meant by an address, the likeliest first; `sure` is from 0 to 1. */
export interface LikelyAnswer {
  likely: { page: string; title: string; address: string; sure: number }[]
}

/** Links typed in entries to addresses of this site where nothing stands; the first of them. */
export interface DeadLinksAnswer {
  dead: { entry: Id; address: string }[]
}

/** What has been seen to, and is counted anew from now on. */
export interface ForgetInput {
  addresses?: string[]
  searches?: string[]
}

/** Addresses that lead elsewhere, latest first; `at` in milliseconds since 1970. */
export interface RedirectsAnswer {
  redirects: (Redirect & { at: number })[]
}

export interface RedirectsInput {
  put?: Redirect[]
  /** Addresses that lead nowhere any more. */
  remove?: string[]
}

/** Settings to be changed; what is not named stays as it is. */
export interface SettingsInput {
  change: Partial<SiteSettings>
}

/** Somebody who works here, and in how many places they are signed in. */
export interface UserAnswer extends User {
  sessions: number
}

export interface UsersAnswer {
  users: UserAnswer[]
}

export interface NewUserInput {
  name: string
  mail: string
  role: Role
  password: string
}

export type UserInput = Partial<NewUserInput>

/** A file that came and waits to be taken along: its columns, how many rows, the first of them, and what they most likely are. */
export interface SheetAnswer {
  id: Id
  name: string
  format: string
  columns: string[]
  rows: number
  pictures: number
  first: Record<string, string>[]
  /** The kind of field that suits each column. */
  kinds: Record<string, FieldKind>
}

/** How the rows of a file are taken along. */
export interface BringInput {
  type: { kind: 'there'; id: Id } | { kind: 'new'; name: string; plural: string }
  columns: Record<string, string>
  published: boolean
  /** Terms and people that are named and not there are made. */
  make: boolean
  /** Images that texts show from the web are fetched, and kept here. */
  fetchImages?: boolean
  /** How columns are written whose values can be read in two ways. */
  ways?: Record<string, ColumnWay>
}

/** What taking them along would come to: the first entries as they would be, and what of all rows would be lost. */
export interface BringPreviewAnswer {
  entries: { title: string; slug: string; replaces: boolean; fields: Record<string, string> }[]
  fresh: number
  replaced: number
  /** Entries that are there and stay as they are. */
  same: number
  /** Columns that can be read in two ways. */
  questions: ColumnQuestion[]
  made: { terms: string[]; people: string[] }
  problems: RowProblem[]
  /** In how many rows something is lost. */
  wrong: number
  /** How many images stand on the web. */
  images: number
}

/** What of a row was not taken; rows are counted from 1, without the names of columns. */
export interface RowProblem {
  row: number
  why: string
}

export const IMPORT_STATES = ['running', 'done', 'cancelled', 'undone'] as const

export interface ImportAnswer {
  id: Id
  name: string
  state: (typeof IMPORT_STATES)[number]
  done: number
  total: number
  made: number
  replaced: number
  problems: RowProblem[]
  at: number
  by: string
}

export interface ImportsAnswer {
  imports: ImportAnswer[]
}

export interface HomeInput {
  home: HomeChoice
}

export interface NewLayoutInput {
  id: string
  name: string
  region: LayoutRegion
  /** A layout that is copied, with new ids. */
  from?: string
  /** With `from`: the copy is kept to begin others from. */
  starter?: true
  /** A layout that it follows; not together with `from`. */
  follows?: string
}

export interface EditsInput<E> {
  /** The revision that the edits were made on. */
  revision: number
  edits: Pending<E>[]
}

export interface EditsAnswer<E> {
  revision: number
  records: LogRecord<E>[]
}

/** With status 409: the edits that came between, oldest first, up to `revision`. */
export interface StaleAnswer<E> {
  problem: Problem
  revision: number
  between: LogRecord<E>[]
}

/** With status 409: the document as it stands, where too much came between to tell it edit by edit. */
export interface FarAnswer<D, E> {
  problem: Problem
  state: ServerDocument<D, E>
  /** Which of the edits sent the document has already. */
  taken: string[]
}

export interface LayoutAnswer extends LayoutState {
  log: LogRecord<Edit>[]
}

/** What was done to a layout before a revision, the latest of it; none where there is nothing earlier. */
export interface EarlierAnswer {
  log: LogRecord<Edit>[]
}

export interface FrameInput {
  /** 0 for a frame that is new. */
  revision: number
  frame: DisplayRule
}

/** With status 409: the frame as it stands now; null when it was removed. */
export interface StaleFrameAnswer {
  problem: Problem
  current: FrameState | null
}

/** One difference between the draft and the latest release. */
export interface Change {
  what: 'layout' | 'frame' | 'house' | 'menu'
  how: 'new' | 'changed' | 'removed'
  id: string
  name: string
  /** Of a layout: the names of those that follow it and have not changed themselves. */
  also?: string[]
}

/** Two designs, releases or the draft, and what changed from one to the other. */
export interface CompareAnswer {
  before: Design
  after: Design
  changes: Change[]
}

export interface ReleaseNote {
  number: number
  note: string
  changes: Change[]
  at: number
  by: string
  /** On how many pages it differs from the one before; null where nobody has counted. */
  pages: number | null
}

export interface ReleasesAnswer {
  waiting: Change[]
  releases: ReleaseNote[]
  /** The design that visitors see; null before the first release. */
  released: Design | null
  /** Releases set for a moment, the next first; those that are over last. */
  plans: Plan[]
  /** What of the released design was left out because it could not be drawn. */
  faults: Fault[]
}

export interface ReleaseInput {
  note?: string
  /** What waits on: everything else is released, with what it needs. */
  leave?: PartKey[]
}

/** A release for a moment. */
export interface PlanInput extends ReleaseInput {
  /** Milliseconds since 1970. */
  at: number
  /** When it is undone again. */
  until?: number
}

export interface Plan {
  id: number
  at: number
  until: number | null
  note: string
  by: string
  changes: Change[]
  state: 'waits' | 'done' | 'refused' | 'undone'
  number: number | null
  /** Why it could not be released, or not be undone. */
  why: string
}

export interface DraftLinkInput {
  /** For how many hours it leads to the draft. */
  hours: number
}

/** An address by which the draft can be walked; its secret is told once, when it is made. */
export interface DraftLink {
  id: number
  by: string
  madeAt: number
  endsAt: number
}

export interface NewDraftLink extends DraftLink {
  address: string
}

/** What of a release is brought back into the draft. */
export type BringBack = { kind: 'all' } | { kind: 'layout' | 'frame'; id: string } | { kind: 'menu'; id: string }

export interface BringBackInput {
  what: BringBack
  /** Visitors see it at once, and nothing else of what waits. */
  atOnce?: true
}

export interface BringBackAnswer {
  changes: Change[]
}

export interface PasswordInput {
  current: string
  next: string
}

export interface EndSessionsInput {
  of: 'me' | 'everybody'
}

/** Why a page shows what it shows, for programs and people: ids and codes, and the same in words. */
export interface WhyAnswer {
  page: { key: string; address: string; title: string }
  design: 'released' | 'draft'
  request: Request
  regions: Record<Region, WhyRegionAnswer>
  near: WhyNearAnswer[]
}

/** A frame that covers the page and is no candidate. `target` and `index` say which of its lines, counted from 0. */
export interface WhyNearAnswer {
  frame: string
  name: string
  code: NearMiss['kind']
  target?: number
  index?: number
  why: string
}

/** A candidate for a region: what it said, and by which of its targets (null for a writer's choice) it ranks. */
export interface WhyStanding {
  frame: string
  name: string
  say: RegionSetting
  target: number | null
  narrowness: number
  refinements: number
}

export interface WhyRegionAnswer {
  shown: Shown
  says: string
  by: WhyStanding | null
  /** Every candidate in rank order, with the rule by which it did not decide; null for the one that did. */
  candidates: (WhyStanding & { rule: RankRule | Loss['kind'] | null; why: string })[]
  /** Those of them that had a say and lost. */
  losers: (WhyStanding & { rule: RankRule | Loss['kind']; why: string })[]
}

export interface ImportInput {
  parcel: Parcel
  /** What to do about each thing that does not fit, by its key; what is not named is kept. */
  choices?: Record<string, ImportChoice>
  /** Keys of the items to leave out: `layout ID`, `frame ID`, `house house`. */
  leaveOut?: string[]
  /** Keys of layouts and frames that come beside those that are here, instead of in their place. */
  both?: string[]
}

/** What a site file would do here; `id` is under which it waits to be brought in. */
export interface SiteFileAnswer {
  id: string
  from: string
  /** ISO 8601. */
  made: string
  counts: SiteCount[]
  problems: { entry: string; title: string; why: string }[]
  wrong: number
}

export interface SiteFileInput {
  /** Whether what comes replaces what is here by the same id; what is here stays otherwise. */
  replace: boolean
  /** Whether the settings come too; the address of the site stays. */
  settings: boolean
}

export type ImportPlanAnswer = ImportPlan

export interface ErrorAnswer {
  problem: Problem
}

/** Somebody else who has a layout open, and what of it is in their hand. */
export interface LivePerson {
  window: Id
  name: string
  node: Id | null
}

/** What a window that has a layout open is told as it happens. */
export type LiveEvent =
  /** Where the layout stood when the window began to listen. */
  | { kind: 'hello'; revision: number }
  | { kind: 'people'; people: LivePerson[] }
  /** Without records where they are too many to be told. */
  | { kind: 'edits'; revision: number; records: readonly LogRecord<unknown>[] }
  | { kind: 'removed'; by: string }
  /** What the layout follows is another now: to be asked for anew. */
  | { kind: 'base'; id: Id }
  /** The content of the site is another, or what lies on the shelf of layouts: to be asked for anew. */
  | { kind: 'changed'; what: 'content' | 'shelf' }
  | { kind: 'alive' }

export interface LiveAtInput {
  window: Id
  node: Id | null
}
