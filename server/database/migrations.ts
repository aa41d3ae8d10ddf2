import { type Kysely, type Migration, sql } from 'kysely'
import { renameBuiltInFields } from './field-ids'
import type { Tables } from './schema'

/** Migrations in order; a new one is added at the end and the earlier ones are never changed. */
export const MIGRATIONS: Record<string, Migration> = {
  '001-ground': {
    async up(db: Kysely<unknown>) {
      const make = (statement: string) => sql.raw(statement).execute(db)
      await make(`create table users (id integer primary key, mail text not null unique collate nocase,
        name text not null, role text not null check (role in ('owner','designer','writer','member')), password_hash text not null)`)
      await make(`create table site (id integer primary key check (id = 1), settings text not null, types text not null,
        taxonomies text not null, content_version integer not null default 1)`)
      for (const table of ['terms', 'people', 'menus']) {
        await make(`create table ${table} (id text primary key, position integer not null, doc text not null)`)
      }
      await make(`create table pictures (id text primary key, file_name text not null, alt text not null, width integer not null,
        height integer not null, mime text not null, bytes blob not null)`)
      await make(`create table entries (id text primary key, type text not null, position integer not null,
        revision integer not null default 1, published integer not null, doc text not null)`)
      await make('create index entries_type on entries (type, position)')
      await make(`create table layouts (id text primary key, created integer not null, revision integer not null, doc text not null,
        changed_at integer not null, changed_by text not null, removed integer not null default 0)`)
      await make(`create table layout_edits (layout text not null references layouts (id), revision integer not null, id text not null,
        does text not null, "of" integer, edit text not null, inverse text not null, at integer not null, by text not null,
        primary key (layout, revision), unique (layout, id))`)
      await make(`create table frames (id text primary key, revision integer not null, doc text not null, changed_at integer not null,
        changed_by text not null, removed integer not null default 0)`)
      await make(
        'create table house (id integer primary key check (id = 1), revision integer not null, doc text not null)',
      )
      await make(`create table releases (number integer primary key, format integer not null, design text not null, note text not null,
        changes text not null, at integer not null, by text not null)`)
      await make(
        `create trigger releases_stay before update on releases begin select raise(abort, 'a release never changes'); end`,
      )
    },
  },
  '002-sessions': {
    async up(db: Kysely<unknown>) {
      await sql
        .raw(
          `create table sessions (token_hash text primary key, "user" integer not null references users (id) on delete cascade,
          begun_at integer not null)`,
        )
        .execute(db)
      await sql.raw('create index sessions_user on sessions ("user")').execute(db)
    },
  },
  '003-runs': {
    async up(db: Kysely<unknown>) {
      await sql.raw('alter table layout_edits add column run text').execute(db)
    },
  },
  // What a writer sums an entry up with is called so everywhere.
  '004-summary': {
    async up(db: Kysely<unknown>) {
      await sql
        .raw(
          `update entries set doc = json_set(json_remove(doc, '$.excerpt'), '$.summary', json_extract(doc, '$.excerpt'))
          where json_valid(doc) and json_type(doc, '$.excerpt') is not null and json_type(doc, '$.summary') is null`,
        )
        .execute(db)
    },
  },
  // Every kind of document that people edit step by step has its log in one table.
  '005-document-edits': {
    async up(db: Kysely<unknown>) {
      const make = (statement: string) => sql.raw(statement).execute(db)
      await make(`create table document_edits (kind text not null, document text not null, revision integer not null,
        id text not null, does text not null, "of" integer, run text, edit text not null, inverse text not null,
        at integer not null, by text not null, primary key (kind, document, revision), unique (kind, document, id))`)
      await make(`insert into document_edits select 'layout', layout, revision, id, does, "of", run, edit, inverse, at, by
        from layout_edits`)
      await make('drop table layout_edits')
    },
  },
  // Page types, fields and taxonomies are edited step by step, as one document.
  '006-structure': {
    async up(db: Kysely<unknown>) {
      await sql.raw('alter table site add column structure_revision integer not null default 0').execute(db)
    },
  },
  // Addresses that pages have had lead on to them.
  '007-redirects': {
    async up(db: Kysely<unknown>) {
      await sql
        .raw('create table redirects (address text primary key, doc text not null, at integer not null)')
        .execute(db)
    },
  },
  // Entries are found by columns and words, keep every state that was stored, and wait where they were removed.
  '008-entries': {
    async up(db: Kysely<unknown>) {
      const make = (statement: string) => sql.raw(statement).execute(db)
      await make('alter table entries add column removed integer not null default 0')
      await make('alter table entries add column changed_at integer not null default 0')
      await make("alter table entries add column changed_by text not null default ''")
      await make('alter table entries add column number integer')
      await make('update entries set number = rowid')
      await make('create unique index entries_number on entries (number)')
      // What is no JSON is told by whoever reads it; here it only has no title.
      const part = (name: string, path: string) =>
        make(`alter table entries add column ${name} text generated always as
          (case when json_valid(doc) then substr(json_extract(doc, '$.${path}'), 1, 500) end) virtual`)
      await part('title', 'title')
      await part('date', 'date')
      await part('person', 'person')
      await part('since', 'from')
      await part('until', 'until')
      await make('create index entries_title on entries (removed, title collate nocase, id)')
      await make('create index entries_changed on entries (removed, changed_at, id)')
      await make('create index entries_date on entries (removed, date, id)')
      await make('create index entries_person on entries (person)')
      await make(`create table entry_terms (entry text not null references entries (id) on delete cascade, term text not null,
        primary key (entry, term))`)
      await make('create index entry_terms_term on entry_terms (term)')
      await make(`insert or ignore into entry_terms select e.id, t.value from entries e,
        json_each(case when json_valid(e.doc) then e.doc else '{}' end, '$.terms') t where t.type = 'text'`)
      await make(`create virtual table entry_words using fts5 (title, summary, more, content,
        tokenize = "unicode61 remove_diacritics 2", prefix = '2 3')`)
      await make("create virtual table entry_vocabulary using fts5vocab ('entry_words', 'row')")
      await make(`create table entry_states (entry text not null references entries (id) on delete cascade,
        revision integer not null, published integer not null, doc text not null, at integer not null, by text not null,
        primary key (entry, revision))`)
      await make("insert into entry_states select id, revision, published, doc, 0, '' from entries")
      await make(`create table working_copies (entry text not null references entries (id) on delete cascade,
        "user" integer not null references users (id) on delete cascade, doc text not null, revision integer not null,
        at integer not null, primary key (entry, "user"))`)
    },
  },
  // Which entries a change of the content was about; nothing named is everything.
  '009-content-changes': {
    async up(db: Kysely<unknown>) {
      await sql.raw('create table content_changes (version integer not null, entry text)').execute(db)
      await sql.raw('create index content_changes_version on content_changes (version)').execute(db)
    },
  },
  // Pictures and files lie in the data folder, named by the hash of their content.
  '010-files': {
    async up(db: Kysely<unknown>) {
      const make = (statement: string) => sql.raw(statement).execute(db)
      await make("alter table pictures add column hash text not null default ''")
      await make('alter table pictures add column size integer not null default 0')
      await make('alter table pictures add column focus text')
      await make('alter table pictures add column widths text')
      await make('alter table pictures add column added_at integer not null default 0')
      await make("alter table pictures add column added_by text not null default ''")
      await make('alter table pictures add column removed integer not null default 0')
      await make(`create table files (id text primary key, file_name text not null, mime text not null, hash text not null,
        size integer not null, added_at integer not null, added_by text not null, removed integer not null default 0)`)
      await make(`create table entry_pictures (entry text not null references entries (id) on delete cascade,
        picture text not null, primary key (entry, picture))`)
      await make('create index entry_pictures_picture on entry_pictures (picture)')
      // Which pictures entries show is found out again with their words.
      await make('delete from entry_words')
    },
  },
  // Menus belong to the design: edited step by step, released, carried in parcels.
  '011-menus': {
    async up(db: Kysely<unknown>) {
      await sql.raw('alter table site add column menus_revision integer not null default 0').execute(db)
    },
  },
  // What an import has made and changed, so that it is undone in one step.
  '012-imports': {
    async up(db: Kysely<unknown>) {
      const make = (statement: string) => sql.raw(statement).execute(db)
      await make(`create table imports (id text primary key, name text not null, state text not null, done integer not null,
        total integer not null, report text not null, structure text, at integer not null, by text not null)`)
      await make(`create table import_entries (import text not null references imports (id) on delete cascade, entry text not null,
        before integer, after integer not null, primary key (import, entry))`)
    },
  },
  // What was judged when it was stored need not be judged again at every start.
  '013-judged': {
    async up(db: Kysely<unknown>) {
      await sql.raw("alter table entries add column judged text not null default ''").execute(db)
    },
  },
  // A new entry goes behind all others: which is the last one is asked for each. What the table of entries is found and
  // sorted by stands in narrow rows of their own, which triggers keep, so that whoever writes an entry cannot forget them.
  '014-entry-facts': {
    async up(db: Kysely<unknown>) {
      const make = (statement: string) => sql.raw(statement).execute(db)
      await make('create index entries_position on entries (position)')
      for (const name of ['title', 'changed', 'date', 'person']) await make(`drop index entries_${name}`)
      for (const name of ['title', 'date', 'person', 'since', 'until'])
        await make(`alter table entries drop column ${name}`)
      await make(`create table entry_facts (number integer primary key, entry text not null, type text not null,
        removed integer not null, published integer not null, changed_at integer not null,
        title text collate nocase, date text, person text, since text, until text)`)
      // What is no JSON is told by whoever reads it; here it only has no title.
      const said = (path: string) =>
        `case when json_valid(new.doc) then substr(json_extract(new.doc, '$.${path}'), 1, 500) end`
      const facts = ['title', 'date', 'person', 'from', 'until'].map(said).join(', ')
      const put = `insert or replace into entry_facts values (new.number, new.id, new.type, new.removed, new.published,
        new.changed_at, ${facts})`
      await make(`create trigger entry_facts_come after insert on entries begin ${put}; end`)
      await make(`create trigger entry_facts_change after update on entries begin ${put}; end`)
      await make(
        'create trigger entry_facts_go after delete on entries begin delete from entry_facts where number = old.number; end',
      )
      await make('update entries set number = number')
      // Entries without their texts, for starts; whatever changes a document takes away what was made of it.
      await make('create table entry_lights (number integer primary key, light text not null, mark text not null)')
      await make(`create trigger entry_lights_change after update of doc on entries begin
        delete from entry_lights where number = new.number; end`)
      await make(
        'create trigger entry_lights_go after delete on entries begin delete from entry_lights where number = old.number; end',
      )
      const orders = { changed: 'changed_at desc', title: 'title', date: 'date desc', type: 'type' }
      for (const [name, order] of Object.entries(orders))
        await make(
          `create index entry_facts_${name} on entry_facts (removed, ${order}, ${name === 'title' ? '' : 'title, '}entry)`,
        )
      await make('create index entry_facts_of_type on entry_facts (removed, type, changed_at desc, title, entry)')
      await make('create index entry_facts_person on entry_facts (person)')
    },
  },
  // Addresses asked for that are no page, and searches without result: counted, with nothing of who asked.
  '015-lost': {
    async up(db: Kysely<unknown>) {
      const make = (statement: string) => sql.raw(statement).execute(db)
      await make(`create table lost_addresses (address text primary key, what text not null, hits integer not null,
        bots integer not null, first_at integer not null, last_at integer not null)`)
      await make(`create table lost_origins (address text not null references lost_addresses (address) on delete cascade,
        origin text not null, hits integer not null, primary key (address, origin))`)
      await make(`create table lost_searches (words text primary key, hits integer not null, last_at integer not null)`)
      await make(`create table lost_days (day text not null, what text not null, hits integer not null,
        primary key (day, what))`)
    },
  },
  // What stands below a picture where it is shown, and how many pages a document has; null where it is not known.
  '016-captions-and-pages': {
    async up(db: Kysely<unknown>) {
      await sql.raw("alter table pictures add column caption text not null default ''").execute(db)
      await sql.raw('alter table files add column pages integer').execute(db)
    },
  },
  // Which layout a variation follows, to be found without reading all of them.
  '017-bases': {
    async up(db: Kysely<unknown>) {
      await sql.raw('alter table layouts add column base text').execute(db)
      await sql.raw('create index layouts_base on layouts (base)').execute(db)
    },
  },
  // On how many pages a release differs from the one before; null where nobody has counted.
  '018-pages-of-releases': {
    async up(db: Kysely<unknown>) {
      await sql.raw('alter table releases add column pages integer').execute(db)
    },
  },
  // Releases that are set for a moment, and addresses by which the draft can be walked until they end.
  '019-plans-and-draft-links': {
    async up(db: Kysely<unknown>) {
      const make = (text: string) => sql.raw(text).execute(db)
      await make(`create table plans (id integer primary key autoincrement, at integer not null, until integer,
        note text not null, by text not null, design text not null, changes text not null,
        state text not null, number integer, why text not null default '')`)
      await make(`create table draft_links (id integer primary key autoincrement, token_hash text not null unique,
        by text not null, made_at integer not null, ends_at integer not null)`)
    },
  },
  // The documents in releases and plans stand by themselves, once each.
  '020-parts-of-designs': {
    async up(db: Kysely<unknown>) {
      await sql.raw('create table parts (name text primary key, mark text not null, doc text not null)').execute(db)
    },
  },
  // What visitors send by forms.
  '021-messages': {
    async up(db: Kysely<unknown>) {
      const make = (text: string) => sql.raw(text).execute(db)
      await make(`create table messages (id integer primary key autoincrement, form text not null, state text not null,
        at integer not null, ends integer not null, note text not null, doc text not null, digest text not null)`)
      await make('create index messages_digest on messages (digest, at)')
      await make('create index messages_ends on messages (ends)')
    },
  },
  // Mail on its way out, and the server by which it leaves.
  '022-mails': {
    async up(db: Kysely<unknown>) {
      const make = (text: string) => sql.raw(text).execute(db)
      await make(`create table mails (id integer primary key autoincrement, about text not null, state text not null,
        at integer not null, "then" integer not null, tries integer not null, why text not null, doc text not null)`)
      await make('create index mails_due on mails (state, "then")')
      await make('create index mails_about on mails (about)')
      await make(`create table subscribers (id integer primary key autoincrement, list text not null, mail text not null,
        state text not null, at integer not null, unique (list, mail))`)
      await make('create table sent_files (about text not null, hash text not null)')
      await make('create index sent_files_about on sent_files (about)')
      await make(
        'create table mail_server (id integer primary key check (id = 1), doc text not null, password text not null)',
      )
    },
  },
  // What visitors gather, what was bought, and how it was paid.
  '023-shop': {
    async up(db: Kysely<unknown>) {
      const make = (text: string) => sql.raw(text).execute(db)
      await make(
        'create table baskets (id text primary key, user integer, doc text not null, at integer not null, placed integer)',
      )
      await make('create index baskets_user on baskets (user)')
      await make('create index baskets_at on baskets (at)')
      await make(`create table orders (id integer primary key autoincrement, state text not null, at integer not null,
        until integer not null, total integer not null, currency text not null, words text not null, doc text not null,
        personal integer not null, user integer)`)
      await make('create index orders_user on orders (user)')
      await make('create index orders_state on orders (state, until)')
      await make(`create table order_lines ("order" integer not null references orders (id) on delete cascade,
        sku text not null, entry text not null, count integer not null, total integer not null, day text not null,
        holds integer not null, came integer not null default 0)`)
      await make('create index order_lines_sku on order_lines (sku, holds)')
      await make('create index order_lines_order on order_lines ("order")')
      await make('create index order_lines_day on order_lines (day)')
      await make(`create table order_story ("order" integer not null references orders (id) on delete cascade,
        at integer not null, what text not null, by text not null, note text not null)`)
      await make('create index order_story_order on order_story ("order")')
      await make('create table discount_codes (code text primary key, doc text not null, used integer not null)')
      await make(`create table payments (id text primary key, "order" integer not null references orders (id) on delete cascade,
        provider text not null, remote text not null, amount integer not null, state text not null, at integer not null)`)
      await make('create index payments_order on payments ("order")')
    },
  },
  // The id of a removed user is never used again, and what named one that is gone names nobody.
  '024-users-for-good': {
    async up(db: Kysely<unknown>) {
      const make = (text: string) => sql.raw(text).execute(db)
      await make(`create table users_next (id integer primary key autoincrement, mail text not null unique collate nocase,
        name text not null, role text not null check (role in ('owner','designer','writer','member')), password_hash text not null)`)
      await make('insert into users_next select id, mail, name, role, password_hash from users')
      // Whoever is named anywhere has been a user once.
      await make(`insert into users_next (id, mail, name, role, password_hash)
        select named + 1, 'nobody', '', 'member', '' from (select max("user") as named from
        (select "user" from orders union all select "user" from baskets)) where named > 0
        and named >= (select coalesce(max(id), 0) from users)`)
      await make("delete from users_next where mail = 'nobody'")
      await make('drop table users')
      await make('alter table users_next rename to users')
      for (const table of ['orders', 'baskets']) {
        await make(`drop index ${table}_user`)
        await make(`alter table ${table} add column owner integer references users (id) on delete set null`)
        await make(`update ${table} set owner = "user" where "user" in (select id from users)`)
        await make(`alter table ${table} drop column "user"`)
        await make(`alter table ${table} rename column owner to "user"`)
        await make(`create index ${table}_user on ${table} ("user")`)
      }
      // By which it is told how much one visitor holds without paying; a digest, gone with the personal data.
      await make("alter table orders add column place text not null default ''")
      await make('create index payments_state on payments (state)')
    },
  },
  // A field of a page type that has the id of a built-in one was never read: it gets an id of its own.
  '025-own-field-ids': {
    async up(db: Kysely<unknown>) {
      await renameBuiltInFields(db as Kysely<Tables>)
    },
  },
  // When somebody was last at work in a session: it goes on as long as they are.
  '026-sessions-seen': {
    async up(db: Kysely<unknown>) {
      await sql.raw('alter table sessions add column seen_at integer not null default 0').execute(db)
      await sql.raw('update sessions set seen_at = begun_at').execute(db)
    },
  },
  // When entries were first stored as published, without reading what they say.
  '027-first-published': {
    async up(db: Kysely<unknown>) {
      await sql.raw('create index entry_states_out on entry_states (entry, published, at)').execute(db)
    },
  },
}
