import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { build } from 'esbuild'

/**
 * `node scripts/page-scripts.mjs`: makes the scripts of published pages small, each with what it uses, and writes them
 * into the core as texts. `--check` only says whether they are there as they would be made.
 */

const ROOT = join(import.meta.dirname, '..')
const SOURCES = join(ROOT, 'page-scripts')
const MADE = join(ROOT, 'core/drawing/page-scripts.ts')
/** What scripts have in common is no script itself. */
const SHARED = ['dom.ts']

/** The text of the file that holds all scripts. */
export async function pageScripts() {
  const files = readdirSync(SOURCES).filter((file) => file.endsWith('.ts') && !SHARED.includes(file))
  const texts = await Promise.all(
    files.sort().map(async (file) => {
      const { outputFiles } = await build({
        entryPoints: [join(SOURCES, file)],
        bundle: true,
        minify: true,
        format: 'iife',
        target: 'es2022',
        charset: 'utf8',
        write: false,
      })
      return [file.replace(/\.ts$/, ''), outputFiles[0].text.trim()]
    }),
  )
  const lines = texts.map(([name, text]) => `  ${name}: ${JSON.stringify(text)},`)
  return `/** Made by scripts/page-scripts.mjs of what stands in page-scripts/. */\nexport const PAGE_SCRIPTS = {\n${lines.join('\n')}\n}\n`
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const made = await pageScripts()
  if (!process.argv.includes('--check')) writeFileSync(MADE, made)
  else if (readFileSync(MADE, 'utf8') !== made) {
    console.error('The scripts of pages have changed: run node scripts/page-scripts.mjs.')
    process.exit(1)
  }
}
