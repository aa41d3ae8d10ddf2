import { randomBytes } from 'node:crypto'
import { chmodSync, existsSync, readFileSync, renameSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { pattern, exact, optional, refuse } from '../../core/shape'
import { StartError } from '../database/open'

/** What forms carry so that a request is known to come from the studio is sealed with this; 32 ASCII characters. */
const CSRF = 'NUXT_CSURF_ENCRYPT_SECRET'

const shape = exact({
  [CSRF]: optional(pattern(/^[\x21-\x7e]{32}$/, `${CSRF} must have 32 characters`)),
  // Kept by earlier versions; nothing reads it any more.
  NUXT_SESSION_PASSWORD: optional(pattern(/^.{0,500}$/s, 'NUXT_SESSION_PASSWORD is too long')),
})

function readKept(file: string): Record<string, string> {
  if (!existsSync(file)) return {}
  let kept: unknown
  try {
    kept = JSON.parse(readFileSync(file, 'utf8'))
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error
  }
  const why = refuse(shape, kept)
  if (why === null) return kept as Record<string, string>
  throw new StartError(
    `The secrets in ${file} cannot be read (${why}). Restore the file from a backup, or remove it: new ones are made ` +
      'at the next start, and open studios must be reloaded. Nothing else is lost.',
  )
}

/**
 * Secrets are made at the first start and kept with the data. Those set in the environment win. They must be
 * in the environment before Nitro reads its configuration.
 */
export function ensureSecrets(folder: string): void {
  const file = join(folder, 'secrets.json')
  const kept = readKept(file)
  const secret = kept[CSRF] ?? randomBytes(16).toString('hex')
  if (kept[CSRF] === undefined) {
    // Written beside and then moved into place, so that a start that is killed leaves no half of it.
    writeFileSync(`${file}.new`, JSON.stringify({ ...kept, [CSRF]: secret }, null, 2), { mode: 0o600 })
    chmodSync(`${file}.new`, 0o600)
    renameSync(`${file}.new`, file)
  }
  process.env[CSRF] ||= secret
}
