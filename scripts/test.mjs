import { rmSync } from 'node:fs'
import { join } from 'node:path'
import { ROOT, build, checkNode, exists, install, listen, run } from './steps.mjs'

/** All checks, from a fresh clone: sets up what is missing, then lint, format, types, and every suite. */

const CHROMIUM = '/usr/bin/chromium-headless-shell'
const FAKETIME = '/usr/bin/faketime'

/** Installs what tests need from the packages of Debian, where it is missing. */
function ensurePackages() {
  const packages = [
    ...(exists(CHROMIUM) ? [] : ['chromium-headless-shell', 'fonts-liberation']),
    ...(exists(FAKETIME) ? [] : ['faketime']),
  ]
  if (packages.length === 0) return
  console.log(`Installing from the packages of Debian: ${packages.join(', ')}.`)
  const root = process.getuid?.() === 0
  const apt = (...args) => run(root ? 'apt-get' : 'sudo', root ? args : ['-n', 'apt-get', ...args])
  const failed = apt('update') !== 0 || apt('install', '-y', '--no-install-recommends', ...packages) !== 0
  if (failed || !exists(CHROMIUM) || !exists(FAKETIME)) {
    console.error(`Install Chromium (${CHROMIUM}) and faketime (${FAKETIME}), and run npm test again.`)
    process.exit(1)
  }
}

/** Counts what a suite says about itself. */
const JEST = /^Tests:\s+(?:(\d+) failed, )?(?:\d+ skipped, )?(?:\d+ todo, )?(?:(\d+) passed, )?\d+ total/m
const readJest = (said) => {
  const [, failed, passed] = JEST.exec(said) ?? []
  return { passed: Number(passed ?? 0), failed: Number(failed ?? 0) }
}
const readPlaywright = (said) => ({
  passed: Number(/^\s+(\d+) passed/m.exec(said)?.[1] ?? 0),
  failed: Number(/^\s+(\d+) failed/m.exec(said)?.[1] ?? 0),
})
const readStep = (_, status) => ({ passed: status === 0 ? 1 : 0, failed: status === 0 ? 0 : 1 })

/** Left to itself, jest lets one of two processors idle. */
const WORKERS = '--maxWorkers=100%'
const JEST_BIN = ['--experimental-vm-modules', '--no-warnings', 'node_modules/jest/bin/jest.js']
const jest = (project) => [process.execPath, [...JEST_BIN, WORKERS, '--selectProjects', project]]

/** What goes by days and zones, on other days and in other zones than those of this machine. */
const BY_TIME = ['core/time/days', 'core/rules/rules', 'core/render/render', 'core/machines', 'core/elements/elements']
const OTHER_TIMES = [
  ['America/New_York', '2028-02-29 23:59:30'],
  ['Asia/Tokyo', '2030-12-31 23:59:30'],
]
const atOtherTime = ([zone, moment]) => [
  `Unit tests in ${zone}, ${moment}`,
  [FAKETIME, [moment, process.execPath, ...JEST_BIN, WORKERS, ...BY_TIME, '--selectProjects', 'unit']],
  readJest,
  { TZ: zone, FAKETIME_DONT_FAKE_MONOTONIC: '1', DONT_FAKE_MONOTONIC: '1' },
]

/** What the rules about imports hold for. */
const FOLDERS = ['core', 'server', 'shared', 'app', 'demo', 'stand-ins', 'page-scripts']

/** What reads the sources alone, two at a time, the longest first. */
const READING = [
  ['Types of the studio and server', ['npx', ['nuxt', 'typecheck']], readStep],
  ['Lint', ['npx', ['eslint', '.']], readStep],
  ['Rooms', ['npx', ['depcruise', '--config', '.dependency-cruiser.mjs', ...FOLDERS]], readStep],
  ['Format', ['npx', ['prettier', '--check', '--log-level', 'warn', '.']], readStep],
  ['Types of core and tests', ['npx', ['tsc', '-p', 'tsconfig.jest.json']], readStep],
  ['Types of page scripts', ['npx', ['tsc', '-p', 'tsconfig.page.json']], readStep],
  ['Page scripts as they are sent', ['node', ['scripts/page-scripts.mjs', '--check']], readStep],
  ['Style sheets as they are sent', ['node', ['scripts/page-styles.mjs', '--check']], readStep],
  ['Types of the core, by itself', ['npx', ['tsc', '-p', 'tsconfig.core.json']], readStep],
]

/** What runs the product, one after the other: each of these keeps both processors busy. */
const RUNNING = [
  ['Unit tests', jest('unit'), readJest],
  ...OTHER_TIMES.map(atOtherTime),
  ['Hostile tests', jest('hostile'), readJest],
  ['API tests', jest('api'), readJest],
  ['End-to-end tests', ['npx', ['playwright', 'test']], readPlaywright],
]

checkNode()
install()
ensurePackages()
if (run('npx', ['nuxt', 'prepare']) !== 0) process.exit(1)
build()
rmSync(join(ROOT, 'test-results'), { recursive: true, force: true })

const total = { passed: 0, failed: 0 }
const times = []

/** Runs a step; its words are shown as they come, or together at its end where another runs beside it. */
async function step([name, [command, args], read, env = {}], show) {
  const begun = performance.now()
  if (show) console.log(`\n── ${name}`)
  const { status, said } = await listen(command, args, { FORCE_COLOR: '0', NO_COLOR: '1', ...env }, show)
  if (!show) console.log(`\n── ${name}\n${said}`)
  times.push([name, (performance.now() - begun) / 1000])
  const counts = read(said, status)
  // A suite that ends badly without having counted a failure has failed all the same.
  if (status !== 0 && counts.failed === 0) counts.failed = 1
  total.passed += counts.passed
  total.failed += counts.failed
}

const begun = performance.now()
const waiting = [...READING]
const reader = async () => {
  for (let next = waiting.shift(); next; next = waiting.shift()) await step(next, false)
}
await Promise.all([reader(), reader()])
for (const next of RUNNING) await step(next, true)

console.log(`\n${times.map(([name, seconds]) => `${seconds.toFixed(0).padStart(6)} s  ${name}`).join('\n')}`)
console.log(`${((performance.now() - begun) / 1000).toFixed(0).padStart(6)} s  in all`)
console.log(`\n${total.passed} passed, ${total.failed} failed`)
process.exit(total.failed === 0 ? 0 : 1)
