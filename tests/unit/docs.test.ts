import { existsSync, readFileSync, readdirSync } from 'node:fs'
import { join, resolve } from 'node:path'

/** A page of the docs that names a file sends its reader there: the file has to be there. */

const root = resolve(import.meta.dirname, '../..')
const pages = [
  'README.md',
  ...readdirSync(join(root, 'docs'))
    .filter((f) => f.endsWith('.md'))
    .map((f) => `docs/${f}`),
]
const FOLDERS = 'core|server|app|shared|page-scripts|page-styles|demo|scripts|tests|stand-ins|bench'
/** A path with a word in capitals stands for many files. */
const isPattern = (path: string) => /[A-Z]{3,}|\*|\{/.test(path)

test.each(pages)('%s names only files that are there', (page) => {
  const text = readFileSync(join(root, page), 'utf8')
  const named = [...text.matchAll(new RegExp(`\`((?:${FOLDERS})/[^\`\\s]*)\``, 'g'))].map(([, path]) => path!)
  expect(named.filter((path) => !isPattern(path) && !existsSync(join(root, path)))).toEqual([])
  const linked = [...text.matchAll(/\]\((?!https?:|#|mailto:)([^)#\s]+)/g)].map(([, path]) => path!)
  expect(linked.filter((path) => !existsSync(join(root, page, '..', path)))).toEqual([])
})
