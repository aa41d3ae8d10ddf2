import { spawnSync } from 'node:child_process'
import { mkdirSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join, resolve } from 'node:path'

/** Which import between rooms is refused: tried in a small copy of the house, with one wrong import of each kind. */

const root = resolve(import.meta.dirname, '../..')
const { ROOMS, ELEMENT_ROOMS } = (await import(join(root, '.dependency-cruiser.mjs'))) as Record<
  'ROOMS' | 'ELEMENT_ROOMS',
  readonly string[]
>
const name = (room: string) => room.replace(/\.ts$/, '')
const entryOf = (room: string) => (room.endsWith('.ts') ? `core/${room}` : `core/${room}/index.ts`)

/** The imports that are refused in a project of these files, each as the rule, and from where to where. */
function refused(files: Readonly<Record<string, string>>): string[] {
  const folder = mkdtempSync(join(tmpdir(), 'rooms-'))
  try {
    const all = { 'tsconfig.jest.json': '{}', 'package.json': '{"type":"module"}', ...files }
    for (const [path, text] of Object.entries(all)) {
      mkdirSync(dirname(join(folder, path)), { recursive: true })
      writeFileSync(join(folder, path), text)
    }
    const folders = [...new Set(Object.keys(files).map((path) => path.split('/')[0]!))]
    const config = join(root, '.dependency-cruiser.mjs')
    const bin = join(root, 'node_modules/dependency-cruiser/bin/dependency-cruise.mjs')
    const { stdout } = spawnSync(process.execPath, [bin, '--config', config, '--output-type', 'json', ...folders], {
      cwd: folder,
      encoding: 'utf8',
    })
    const { summary } = JSON.parse(stdout) as {
      summary: { violations: { from: string; to: string; rule: { name: string } }[] }
    }
    return summary.violations.map(({ rule, from, to }) => `${rule.name}: ${from} -> ${to}`).sort()
  } finally {
    rmSync(folder, { recursive: true })
  }
}

/** Each room as one file that gives its name, and takes what `takes` says. */
const rooms = (takes: (room: string) => string | undefined): Record<string, string> =>
  Object.fromEntries(
    ROOMS.map((room) => {
      const other = takes(room)
      const way = room.endsWith('.ts') ? './' : '../'
      const taken = other ? `export * as other from '${way}${name(other)}'\n` : ''
      return [entryOf(room), `${taken}export const called = '${room}'\n`]
    }),
  )

test('each room may use the one beneath it, and none may use the one above it', () => {
  expect(refused(rooms((room) => ROOMS[ROOMS.indexOf(room) - 1]))).toEqual([])
  const above = (room: string) => ROOMS[ROOMS.indexOf(room) + 1]
  const wrong = ROOMS.slice(0, -1).map((room) => `room-${name(room)}: ${entryOf(room)} -> ${entryOf(above(room)!)}`)
  expect(refused(rooms(above))).toEqual(wrong.sort())
})

test('each group of elements may use the one beneath it, by its index alone, and none may use the one above it', () => {
  const groups = (takes: (group: string) => string | undefined) =>
    Object.fromEntries(
      ELEMENT_ROOMS.map((group) => {
        const taken = takes(group)
        const text = taken ? `export * as other from '../${taken}'\n` : ''
        return [`core/elements/${group}/index.ts`, `${text}export const called = '${group}'\n`]
      }),
    )
  const beneath = (group: string) => ELEMENT_ROOMS[ELEMENT_ROOMS.indexOf(group) - 1]
  const above = (group: string) => ELEMENT_ROOMS[ELEMENT_ROOMS.indexOf(group) + 1]
  expect(refused(groups(beneath))).toEqual([])
  const index = (group: string) => `core/elements/${group}/index.ts`
  const wrong = ELEMENT_ROOMS.slice(0, -1).map((g) => `elements-${g}: ${index(g)} -> ${index(above(g)!)}`)
  expect(refused(groups(above))).toEqual(wrong.sort())
  const files = {
    ...groups(() => undefined),
    'core/elements/base/inside.ts': 'export const inside = 1\n',
    'core/elements/attic/index.ts': 'export const found = 1\n',
    'core/elements/words/index.ts': "export { inside } from '../base/inside'\nexport { found } from '../attic'\n",
    'core/elements/list.ts': "export { inside } from './base/inside'\n",
  }
  expect(refused(files)).toEqual([
    'through-the-inner-door: core/elements/list.ts -> core/elements/base/inside.ts',
    'through-the-inner-door: core/elements/words/index.ts -> core/elements/base/inside.ts',
    'unknown-group: core/elements/words/index.ts -> core/elements/attic/index.ts',
  ])
})

test('rooms are entered by their index, new ones are told, and the core knows neither Node nor the studio', () => {
  const files = {
    ...rooms(() => undefined),
    'core/model/inside.ts': 'export const inside = 1\n',
    'core/attic/index.ts': 'export const found = 1\n',
    'core/catalogue/index.ts': "export { inside } from '../model/inside'\nexport { found } from '../attic'\n",
    'core/map/index.ts': "export { readFileSync } from 'node:fs'\n",
    'app/view.ts': "export { listen } from '../server/listen'\n",
    'server/listen.ts': 'export const listen = 1\n',
    'core/tree/index.ts': "export { listen } from '../../server/listen'\n",
  }
  expect(refused(files)).toEqual([
    'arrows-app: app/view.ts -> server/listen.ts',
    'core-is-pure: core/map/index.ts -> fs',
    'core-is-pure: core/tree/index.ts -> server/listen.ts',
    'through-the-door: core/catalogue/index.ts -> core/model/inside.ts',
    'unknown-room: core/catalogue/index.ts -> core/attic/index.ts',
  ])
})

test('every room stands in the rules and in the docs, from the bottom up', () => {
  const told = readFileSync(join(root, 'docs/architecture.md'), 'utf8')
  const rows = [...told.matchAll(/^\| `([\w.-]+)\/?` +\|/gm)].map(([, room]) => room)
  expect(rows).toEqual(ROOMS)
  expect(readdirSync(join(root, 'core')).sort()).toEqual([...ROOMS].sort())
  const groups = readdirSync(join(root, 'core/elements'), { withFileTypes: true }).filter((f) => f.isDirectory())
  expect(groups.map(({ name }) => name).sort()).toEqual([...ELEMENT_ROOMS].sort())
})
