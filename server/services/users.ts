import { fail } from '../../core/problems'
import type { NewUserInput, UserInput, UsersAnswer } from '../../shared/api/types'
import type { Database } from '../database/open'
import {
  type StoredUser,
  deleteUser,
  findUser,
  findUserByMail,
  insertUser,
  readUsers,
  updateUser,
} from '../database/users'
import { refuseWeak } from './password-policy'
import type { Passwords } from './passwords'
import type { Sessions } from './sessions'

/** Who works here, and as what. There is always an owner. */
export class Users {
  constructor(
    private readonly db: Database,
    private readonly passwords: Pick<Passwords, 'hash'>,
    private readonly sessions: Pick<Sessions, 'endOf' | 'count'>,
  ) {}

  async list(): Promise<UsersAnswer> {
    const sessions = await this.sessions.count()
    const users = await readUsers(this.db)
    return {
      users: users.map(({ id, name, mail, role }) => ({ id, name, mail, role, sessions: sessions.get(id) ?? 0 })),
    }
  }

  async add({ name, mail, role, password }: NewUserInput): Promise<void> {
    refuseWeak(password, { mail, name })
    const passwordHash = await this.passwords.hash(password)
    await this.db.transaction().execute(async (trx) => {
      if (await findUserByMail(trx, mail)) fail('mail-taken', { mail })
      await insertUser(trx, { name: name.trim(), mail: mail.trim(), role, passwordHash })
    })
  }

  /** Changes what is named. Another role or password ends all sessions of whoever has it. */
  async change(id: number, { name, mail, role, password }: UserInput): Promise<void> {
    if (password !== undefined) refuseWeak(password, (await findUser(this.db, id)) ?? {})
    const passwordHash = password === undefined ? undefined : await this.passwords.hash(password)
    const ends = await this.db.transaction().execute(async (trx) => {
      const before = (await findUser(trx, id)) ?? fail('user-unknown', { id })
      const taken = mail === undefined ? null : await findUserByMail(trx, mail)
      if (taken && taken.id !== id) fail('mail-taken', { mail: mail! })
      if (role !== undefined && role !== 'owner') keepAnOwner(await readUsers(trx), before)
      const named = {
        ...(name !== undefined && { name: name.trim() }),
        ...(mail !== undefined && { mail: mail.trim() }),
      }
      await updateUser(trx, id, { ...named, ...(role && { role }), ...(passwordHash && { passwordHash }) })
      return (role !== undefined && role !== before.role) || passwordHash !== undefined
    })
    if (ends) await this.sessions.endOf(id)
  }

  async remove(id: number, by: number): Promise<void> {
    if (id === by) fail('not-oneself')
    await this.db.transaction().execute(async (trx) => {
      const before = (await findUser(trx, id)) ?? fail('user-unknown', { id })
      keepAnOwner(await readUsers(trx), before)
      await deleteUser(trx, id)
    })
  }

  async endSessions(id: number): Promise<void> {
    if (!(await findUser(this.db, id))) fail('user-unknown', { id })
    await this.sessions.endOf(id)
  }
}

/** Throws where nobody would be owner without one of these. */
function keepAnOwner(users: readonly StoredUser[], without: StoredUser): void {
  if (without.role === 'owner' && !users.some((u) => u.role === 'owner' && u.id !== without.id)) fail('last-owner')
}
