import { readFileSync } from 'node:fs'
import type { Command } from 'commander'
import { refuse } from '../../core/shape'
import { newPassword } from '../../shared/api/schemas'
import { findUserByMail, updatePassword } from '../database/users'
import { weakness } from '../services/password-policy'
import { Passwords } from '../services/passwords'
import { Sessions } from '../services/sessions'
import { CallError, type Site, say, withSite } from './site'

/** The commands for whoever looks after who may sign in. */

async function userBy(site: Site, mail: string) {
  const user = await findUserByMail(site.db, mail)
  if (!user) throw new CallError(`Nobody here has the mail address ${mail}.`)
  return user
}

/** The password comes by standard input, so that it stands in no list of processes and no history. */
async function setPassword(mail: string, options: { data?: string }): Promise<void> {
  await withSite(options.data, async (site) => {
    const user = await userBy(site, mail)
    if (process.stdin.isTTY) say('Type the new password and press Enter, then Ctrl+D:')
    const password = readFileSync(0, 'utf8').replace(/\r?\n$/, '')
    const why = refuse(newPassword, password)
    const weak = why ? null : weakness(password, user)
    if (why ?? weak) throw new CallError(`${why ?? weak}.`)
    await updatePassword(site.db, user.id, await new Passwords().hash(password))
    await new Sessions(site.db).endOf(user.id)
    say(`${user.name} has a new password, and is signed out everywhere.`)
  })
}

async function endSessions(mail: string | undefined, options: { data?: string }): Promise<void> {
  await withSite(options.data, async (site) => {
    const sessions = new Sessions(site.db)
    if (mail === undefined) {
      await sessions.endAll()
      return say('Everybody is signed out.')
    }
    const user = await userBy(site, mail)
    await sessions.endOf(user.id)
    say(`${user.name} is signed out everywhere.`)
  })
}

export function peopleCommands(program: Command): void {
  program
    .command('set-password')
    .description('gives somebody a new password, read from standard input, and signs them out everywhere')
    .argument('<mail>', 'whose')
    .action((mail: string, _: unknown, command: Command) => setPassword(mail, command.opts()))
  program
    .command('end-sessions')
    .description('signs somebody out everywhere, or everybody')
    .argument('[mail]', 'whom; everybody when not given')
    .action((mail: string | undefined, _: unknown, command: Command) => endSessions(mail, command.opts()))
}
