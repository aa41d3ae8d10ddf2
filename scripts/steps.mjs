import { spawn, spawnSync } from 'node:child_process'
import { existsSync, readFileSync, readdirSync, statSync, writeFileSync, mkdirSync } from 'node:fs'
import { createHash } from 'node:crypto'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

/** What the commands of this project have in common: checking Node, installing, building. */

export const ROOT = dirname(dirname(fileURLToPath(import.meta.url)))
const STAMP = join(ROOT, 'node_modules', '.outer-frame-installed')
const BUILT = join(ROOT, '.output', 'built-from')
const LEAST_NODE = [20, 19]

export function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number)
  if (major > LEAST_NODE[0] || (major === LEAST_NODE[0] && minor >= LEAST_NODE[1])) return
  console.error(`Outer Frame needs Node ${LEAST_NODE.join('.')} or later; this is ${process.versions.node}.`)
  process.exit(1)
}

/** Runs a command, showing what it says; gives its exit code. */
export function run(command, args, env = {}) {
  const { status, error } = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit', env: { ...process.env, ...env } })
  if (error) console.error(`${command} could not be started: ${error.message}`)
  return status ?? 1
}

/** Runs a command and gives what it said, for reading; shows it as it comes unless `show` says no. */
export function listen(command, args, env = {}, show = true) {
  return new Promise((done) => {
    const child = spawn(command, args, { cwd: ROOT, env: { ...process.env, ...env } })
    let said = ''
    for (const stream of [child.stdout, child.stderr]) {
      stream.on('data', (chunk) => {
        said += chunk
        if (show) process.stdout.write(chunk)
      })
    }
    child.on('error', (error) => done({ status: 1, said: String(error) }))
    child.on('close', (status) => done({ status: status ?? 1, said }))
  })
}

const hash = (text) => createHash('sha256').update(text).digest('hex')

/** Installs what the lock names, unless that is what is there. */
export function install() {
  const wanted = hash(readFileSync(join(ROOT, 'package-lock.json')))
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === wanted) return
  console.log('Installing the packages that the lock names. This takes a few minutes the first time.')
  if (run('npm', ['ci', '--no-audit', '--no-fund']) !== 0) {
    console.error('The packages could not be installed; what npm said stands above.')
    process.exit(1)
  }
  writeFileSync(STAMP, wanted)
}

const SOURCES = ['app', 'core', 'demo', 'public', 'server', 'shared']
const FILES = [join('scripts', 'steps.mjs'), 'nuxt.config.ts', 'package-lock.json']

function* filesBelow(folder) {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name)
    if (entry.isDirectory()) yield* filesBelow(path)
    else yield path
  }
}

function sourceHash() {
  const files = [...SOURCES.flatMap((s) => [...filesBelow(join(ROOT, s))]), ...FILES.map((f) => join(ROOT, f))].sort()
  return hash(files.map((f) => `${f.slice(ROOT.length)} ${hash(readFileSync(f))}`).join('\n'))
}

function bundle(entry, out, ...options) {
  const given = ['--bundle', '--platform=node', '--format=esm', '--target=node20', '--log-level=warning']
  return run('npx', [
    'esbuild',
    join(ROOT, 'server', entry),
    ...given,
    ...options,
    ...(options.includes('--splitting')
      ? [`--outdir=${join(ROOT, '.output', out)}`, '--out-extension:.js=.mjs', '--chunk-names=[name]-[hash]']
      : [`--outfile=${join(ROOT, '.output', out)}`]),
  ])
}

/** Packages that ask for others in the older way find them, and know where they are. */
const REQUIRES =
  "--banner:js=import { createRequire as outerRequire } from 'node:module'; const require = outerRequire(import.meta.url); " +
  'const __dirname = import.meta.dirname;'

/** The command line brings its packages along, in one piece for each command: loading hundreds of small files took longer than what was asked. */
const buildCommand = () =>
  bundle(
    'cli/index.ts',
    'cli',
    '--splitting',
    '--external:better-sqlite3',
    '--external:canvas',
    '--external:sharp',
    REQUIRES,
  )

/** The thread beside the server stands next to it and brings along all but the database, which both share. */
const buildThread = () =>
  bundle('aside/thread.ts', join('server', 'aside.mjs'), '--external:better-sqlite3', '--external:canvas', REQUIRES)

/** So does the process that works on pictures; what works on pixels stays a package, with a binary of its own. */
const buildPictures = () =>
  bundle(
    'media/process.ts',
    join('server', 'pictures.mjs'),
    '--external:better-sqlite3',
    '--external:canvas',
    '--external:sharp',
    REQUIRES,
  )

/** Builds the server, the studio and the command, unless the sources are those they were built from. */
export function build() {
  const wanted = sourceHash()
  if (existsSync(BUILT) && readFileSync(BUILT, 'utf8') === wanted) return
  console.log('Building the server and the studio. This takes about a minute.')
  if (run('npx', ['nuxt', 'build']) !== 0 || buildCommand() !== 0 || buildThread() !== 0 || buildPictures() !== 0) {
    console.error('The build failed; what it said stands above.')
    process.exit(1)
  }
  mkdirSync(dirname(BUILT), { recursive: true })
  writeFileSync(BUILT, wanted)
}

export const exists = (path) => existsSync(path)
export const isFile = (path) => existsSync(path) && statSync(path).isFile()
