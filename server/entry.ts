import { StartError, prepareFolder } from './database/open'
import { dataFolder } from './services/installation'
import { ensureSecrets } from './services/secrets'

/**
 * Where the built server starts. Secrets must be in the environment before Nitro reads its configuration, so
 * everything else is imported only after that.
 */
try {
  prepareFolder(dataFolder())
  ensureSecrets(dataFolder())
  const { listen } = await import('./listen')
  await listen()
} catch (error) {
  process.stderr.write(`${error instanceof StartError ? error.message : ((error as Error).stack ?? String(error))}\n`)
  process.exit(1)
}
