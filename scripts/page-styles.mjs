import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { transform } from 'esbuild'

/**
 * `node scripts/page-styles.mjs`: makes the style sheets of what stands on published pages small, and writes them into
 * the core as texts. A sheet that cannot be read stops it. `--check` only says whether they are there as they would be
 * made.
 */

const ROOT = join(import.meta.dirname, '..')
const SOURCES = join(ROOT, 'page-styles')
const MADE = join(ROOT, 'core/drawing/page-styles.ts')

const camel = (name) => name.replace(/-(\w)/g, (_, letter) => letter.toUpperCase())

/** The text of the file that holds all style sheets. */
export async function pageStyles() {
  const files = readdirSync(SOURCES).filter((file) => file.endsWith('.css'))
  const sheets = await Promise.all(
    files.sort().map(async (file) => {
      const text = readFileSync(join(SOURCES, file), 'utf8')
      const { code, warnings } = await transform(text, {
        loader: 'css',
        minify: true,
        target: 'esnext',
        charset: 'utf8',
        sourcefile: `page-styles/${file}`,
      })
      if (warnings.length > 0) throw new Error(`page-styles/${file}: ${warnings[0].text}`)
      return [camel(file.replace(/\.css$/, '')), code.trim()]
    }),
  )
  const lines = sheets.map(([name, text]) => `  ${name}: ${JSON.stringify(text)},`)
  return `/** Made by scripts/page-styles.mjs of what stands in page-styles/. */\nexport const PAGE_STYLES = {\n${lines.join('\n')}\n} as const\n`
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const made = await pageStyles()
  if (!process.argv.includes('--check')) writeFileSync(MADE, made)
  else if (readFileSync(MADE, 'utf8') !== made) {
    console.error('The style sheets of pages have changed: run node scripts/page-styles.mjs.')
    process.exit(1)
  }
}
