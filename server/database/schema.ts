import type { ColumnType, Generated } from 'kysely'

/** Columns that hold JSON are written and read as text; the repositories turn them into documents. */
type Json = string
type Flag = ColumnType<number, number, number>

export interface Tables {
  users: { id: Generated<number>; mail: string; name: string; role: string; password_hash: string }
  sessions: { token_hash: string; user: number; begun_at: number; seen_at: number }
  site: {
    id: number
    settings: Json
    types: Json
    taxonomies: Json
    content_version: number
    structure_revision: Generated<number>
    menus_revision: Generated<number>
  }
  terms: { id: string; position: number; doc: Json }
  people: { id: string; position: number; doc: Json }
  menus: { id: string; position: number; doc: Json }
  /** Which entries a change of the content was about; null for everything. */
  content_changes: { version: number; entry: string | null }
  imports: {
    id: string
    name: string
    state: string
    done: number
    total: number
    report: Json
    /** The edit of the structure that takes back what was made for it; null where nothing was. */
    structure: Json | null
    at: number
    by: string
  }
  /** Which entries an import has stored: at which revision they stood before (null for new ones), and stand since. */
  import_entries: { import: string; entry: string; before: number | null; after: number }
  redirects: { address: string; doc: Json; at: number }
  pictures: {
    id: string
    file_name: string
    alt: string
    width: number
    height: number
    mime: string
    /** Empty once the file lies in the data folder. */
    bytes: Buffer
    /** SHA-256 of the file, in hexadecimal. */
    hash: Generated<string>
    size: Generated<number>
    /** JSON: x and y from 0 to 1. */
    focus: string | null
    caption: ColumnType<string, string | undefined, string>
    /** JSON: the widths in which it lies ready; null while they are not made. */
    widths: string | null
    added_at: Generated<number>
    added_by: Generated<string>
    removed: ColumnType<number, number | undefined, number>
  }
  files: {
    id: string
    file_name: string
    mime: string
    hash: string
    size: number
    added_at: number
    added_by: string
    removed: ColumnType<number, number | undefined, number>
    /** Of a document; null where it is not known. */
    pages: number | null
  }
  entry_pictures: { entry: string; picture: string }
  entries: {
    id: string
    type: string
    position: number
    revision: number
    published: Flag
    doc: Json
    removed: ColumnType<number, number | undefined, number>
    /** Milliseconds since 1970; 0 where it is not known. */
    changed_at: ColumnType<number, number | undefined, number>
    changed_by: ColumnType<string, string | undefined, string>
    /** The mark of the document as it was judged: see `markOf`. */
    judged: ColumnType<string, string | undefined, string>
    /** Under which its words are found. */
    number: number
  }
  /** What entries are found and sorted by, in narrow rows; kept by triggers of the database, never written otherwise. */
  entry_facts: {
    number: ColumnType<number, never, never>
    entry: ColumnType<string, never, never>
    type: ColumnType<string, never, never>
    removed: ColumnType<number, never, never>
    published: ColumnType<number, never, never>
    changed_at: ColumnType<number, never, never>
    title: ColumnType<string | null, never, never>
    date: ColumnType<string | null, never, never>
    person: ColumnType<string | null, never, never>
    since: ColumnType<string | null, never, never>
    until: ColumnType<string | null, never, never>
  }
  /** Entries without their texts: see `Light`. */
  entry_lights: { number: number; light: string; mark: string }
  entry_terms: { entry: string; term: string }
  entry_words: { rowid: number; title: string; summary: string; more: string; content: string }
  /** Every state of an entry that was stored. */
  entry_states: { entry: string; revision: number; published: Flag; doc: Json; at: number; by: string }
  /** What somebody is writing, on top of the revision that it was begun on. */
  working_copies: { entry: string; user: number; doc: Json; revision: number; at: number }
  layouts: {
    id: string
    created: number
    revision: number
    doc: Json
    changed_at: number
    changed_by: string
    removed: Flag
    /** What a variation follows. */
    base: ColumnType<string | null, string | null | undefined, string | null>
  }
  document_edits: {
    /** The kind of document and its id. */
    kind: string
    document: string
    revision: number
    id: string
    does: string
    of: number | null
    run: string | null
    edit: Json
    inverse: Json
    at: number
    by: string
  }
  frames: { id: string; revision: number; doc: Json; changed_at: number; changed_by: string; removed: Flag }
  house: { id: number; revision: number; doc: Json }
  /** Texts of the documents in designs, by names that the texts give; `mark` says that one was judged. */
  parts: { name: string; mark: string; doc: Json }
  releases: {
    number: Generated<number>
    format: number
    /** The documents in it, by their ids and the names of their texts; the first releases hold them themselves. */
    design: Json
    note: string
    changes: Json
    at: number
    by: string
    /** On how many pages it differs from the one before. */
    pages: ColumnType<number | null, number | null | undefined, number | null>
  }
  /** Releases set for a moment: what of the design they take stands in `changes`, as it was when they were set. */
  plans: {
    id: Generated<number>
    at: number
    until: number | null
    note: string
    by: string
    design: Json
    changes: Json
    /** waits, done, refused or undone. */
    state: string
    /** The release that it became. */
    number: number | null
    why: string
  }
  /** What visitors sent by forms: `doc` is what they answered, `ends` when it is taken away. */
  messages: {
    id: Generated<number>
    form: string
    /** unread, read or held. */
    state: string
    at: number
    ends: number
    note: string
    doc: Json
    digest: string
  }
  /** Mail on its way out, and what was sent lately; `then` is when it is tried next, or was sent. */
  mails: {
    id: Generated<number>
    /** What it is about: the message, the order. */
    about: string
    /** held, waiting, sent or failed. */
    state: string
    at: number
    then: number
    tries: number
    why: string
    doc: Json
  }
  /** Who asked for a newsletter: `state` is waiting or in. */
  subscribers: { id: Generated<number>; list: string; mail: string; state: string; at: number }
  /** Files that came with what visitors sent: whose they are. */
  sent_files: { about: string; hash: string }
  /** By which server mail leaves; the password is sealed. */
  mail_server: { id: number; doc: Json; password: string }
  /** What visitors gather; `placed` is the order that it became last. */
  baskets: { id: string; user: number | null; doc: Json; at: number; placed: number | null }
  /** What was bought. `until` is when it is held no more unless it is paid; `words` are those it is found by. */
  orders: {
    /** A digest of from where it was placed; empty once its personal data is gone. */
    place: Generated<string>
    id: Generated<number>
    state: string
    at: number
    until: number
    total: number
    currency: string
    words: string
    doc: Json
    /** Whether it says who it was. */
    personal: Flag
    /** Who was signed in when it was placed. */
    user: number | null
  }
  /** Lines of orders, to be counted; `holds` while what is on them is nobody else's, `came` how many were let in. */
  order_lines: {
    order: number
    sku: string
    entry: string
    count: number
    total: number
    day: string
    holds: Flag
    came: Generated<number>
  }
  /** What became of an order, step by step. */
  order_story: { order: number; at: number; what: string; by: string; note: string }
  discount_codes: { code: string; doc: Json; used: number }
  /** `state` is open, paid, refused or refunded. */
  payments: {
    id: string
    order: number
    provider: string
    /** By which the provider knows it. */
    remote: string
    amount: number
    state: string
    at: number
  }
  /** Addresses by which the draft can be walked without signing in, until they end. */
  draft_links: { id: Generated<number>; token_hash: string; by: string; made_at: number; ends_at: number }
  /** Addresses asked for that are no page; `what` is page or file. */
  lost_addresses: { address: string; what: string; hits: number; bots: number; first_at: number; last_at: number }
  /** From where people came to them: a page of this site, or another site. */
  lost_origins: { address: string; origin: string; hits: number }
  lost_searches: { words: string; hits: number; last_at: number }
  /** `what` is page, file, bots or search; days are those of the site's time zone. */
  lost_days: { day: string; what: string; hits: number }
}
