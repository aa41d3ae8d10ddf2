import { StartError, prepareFolder, startErrorOf, takeStart } from './database/open'
import { dataFolder } from './services/installation'
import { outliveReaders } from './services/log'
import { ensureSecrets } from './services/secrets'

/**
 * Where the built server starts. Secrets must be in the environment before Nitro reads its configuration, so
 * everything else is imported only after that.
 */
outliveReaders()
try {
  prepareFolder(dataFolder())
  const started = await takeStart(dataFolder())
  ensureSecrets(dataFolder())
  const { listen } = await import('./listen')
  await listen()
  started()
} catch (caught) {
  const error = startErrorOf(caught, dataFolder())
  process.stderr.write(`${error instanceof StartError ? error.message : ((error as Error).stack ?? String(error))}\n`)
  process.exit(1)
}
