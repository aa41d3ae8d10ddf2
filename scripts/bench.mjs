import { build as bundle } from 'esbuild'
import { join } from 'node:path'
import { ROOT, build, checkNode, install, run } from './steps.mjs'

/** `npm run bench [-- SUITE ...]`: bundles the measurements and runs them against the built server. */
checkNode()
install()
build()
const outfile = join(ROOT, 'node_modules', '.cache', 'bench.mjs')
await bundle({
  entryPoints: [join(ROOT, 'bench', 'run.ts')],
  outfile,
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  packages: 'external',
  logLevel: 'error',
})
process.exit(run(process.execPath, ['--expose-gc', outfile, ...process.argv.slice(2)], { NODE_ENV: 'production' }))
