import type { Role } from '../../core/model'
import type { Transaction } from 'kysely'
import type { Database } from './open'
import type { Tables } from './schema'

export interface StoredUser {
  id: number
  mail: string
  name: string
  role: Role
  passwordHash: string
}

type Db = Database | Transaction<Tables>

type Row = { id: number; mail: string; name: string; role: string; password_hash: string }

const stored = ({ password_hash, role, ...row }: Row): StoredUser => ({
  ...row,
  role: role as Role,
  passwordHash: password_hash,
})

export async function findUserByMail(db: Db, mail: string): Promise<StoredUser | null> {
  const row = await db.selectFrom('users').selectAll().where('mail', '=', mail.trim()).executeTakeFirst()
  return row ? stored(row) : null
}

export async function findUser(db: Db, id: number): Promise<StoredUser | null> {
  const row = await db.selectFrom('users').selectAll().where('id', '=', id).executeTakeFirst()
  return row ? stored(row) : null
}

export async function updatePassword(db: Db, id: number, passwordHash: string): Promise<void> {
  await db.updateTable('users').set({ password_hash: passwordHash }).where('id', '=', id).execute()
}

export async function insertUser(db: Db, user: Omit<StoredUser, 'id'>): Promise<void> {
  const { passwordHash, ...rest } = user
  await db
    .insertInto('users')
    .values({ ...rest, password_hash: passwordHash })
    .execute()
}

/** Everybody who works here, by name. */
export async function readUsers(db: Db): Promise<StoredUser[]> {
  const rows = await db.selectFrom('users').selectAll().orderBy('name').execute()
  return rows.map(stored)
}

export async function updateUser(db: Db, id: number, change: Partial<Omit<StoredUser, 'id'>>): Promise<void> {
  const { passwordHash, ...rest } = change
  const values = { ...rest, ...(passwordHash && { password_hash: passwordHash }) }
  if (Object.keys(values).length) await db.updateTable('users').set(values).where('id', '=', id).execute()
}

export async function deleteUser(db: Db, id: number): Promise<void> {
  await db.deleteFrom('users').where('id', '=', id).execute()
}
