import { type Kysely, type Migration, sql } from 'kysely'

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
}
