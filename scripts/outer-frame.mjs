#!/usr/bin/env node
import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { ROOT } from './steps.mjs'

/** The command `outer-frame`; `npm run build` makes what it runs. */
const built = join(ROOT, '.output', 'cli', 'index.mjs')
if (!existsSync(built)) {
  console.error('Outer Frame is not built yet. Run npm run build first.')
  process.exit(1)
}
await import(pathToFileURL(built).href)
