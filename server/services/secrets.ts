import { randomBytes } from 'node:crypto'
import { chmodSync, existsSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'

/**
 * Secrets are made at the first start and kept with the data. Those set in the environment win. They must be
 * in the environment before Nitro reads its configuration.
 */
export function ensureSecrets(folder: string): void {
  const file = join(folder, 'secrets.json')
  const kept = existsSync(file) ? (JSON.parse(readFileSync(file, 'utf8')) as Record<string, string>) : {}
  const secrets = {
    NUXT_SESSION_PASSWORD: kept.NUXT_SESSION_PASSWORD ?? randomBytes(32).toString('hex'),
    // The library takes exactly 32 ASCII characters.
    NUXT_CSURF_ENCRYPT_SECRET: kept.NUXT_CSURF_ENCRYPT_SECRET ?? randomBytes(16).toString('hex'),
  }
  if (JSON.stringify(kept) !== JSON.stringify(secrets)) {
    writeFileSync(file, JSON.stringify(secrets, null, 2), { mode: 0o600 })
    chmodSync(file, 0o600)
  }
  for (const [name, value] of Object.entries(secrets)) process.env[name] ||= value
}
