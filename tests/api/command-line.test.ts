import { spawnSync } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { startServer } from '../server'

/** Every command as a person would type it, over two sites at once: each acts on the one that it names, and on no other. */

const folder = mkdtempSync(join(tmpdir(), 'outer-frame-command-'))
const [full, bare] = [join(folder, 'full'), join(folder, 'bare')]
const at = (name: string) => join(folder, name)

function run(args: readonly string[], input = ''): { status: number | null; said: string } {
  const { status, stdout, stderr } = spawnSync(process.execPath, ['scripts/outer-frame.mjs', ...args], {
    input,
    encoding: 'utf8',
    env: { ...process.env, OUTER_FRAME_DATA: '' },
  })
  return { status, said: stdout + stderr }
}

beforeAll(async () => {
  for (const [data, demo] of [
    [full, 'full'],
    [bare, 'bare'],
  ] as const)
    await (await startServer({ data, demo })).stop()
})
afterAll(() => rmSync(folder, { recursive: true, force: true }))

/** The same call with its data folder in every place where one can be named. */
const placed = (data: string, command: string, ...rest: string[]): string[][] => [
  ['--data', data, command, ...rest],
  [command, '--data', data, ...rest],
  [command, ...rest, '--data', data],
]

test('what a page shows is asked of the site that is named, wherever it is named', () => {
  for (const [data, shows] of [
    [full, 'Turret exhibit'],
    [bare, 'plain body'],
  ] as const)
    for (const call of placed(data, 'why', '/exhibits/fenwick-turret-clock')) {
      const { status, said } = run(call)
      expect([call, status]).toEqual([call, 0])
      expect(said).toContain(shows)
    }
})

test('a backup is of the site that is named, and becomes it again in a new folder', () => {
  for (const [i, call] of placed(full, 'backup', at('site.backup'), '--force').entries()) {
    expect(run(call)).toMatchObject({ status: 0 })
    const target = at(`restored-${i}`)
    const restore = placed(target, 'restore', at('site.backup'))[i]!
    expect([restore, run(restore)]).toMatchObject([restore, { status: 0 }])
    expect(run(['why', '/exhibits/fenwick-turret-clock', '--data', target]).said).toContain('Turret exhibit')
    // Links that were mailed are answered by the secrets of the site.
    expect(readFileSync(join(target, 'secrets.json'), 'utf8')).toBe(readFileSync(join(full, 'secrets.json'), 'utf8'))
  }
  expect(run(['restore', at('site.backup')])).toMatchObject({ status: 2 })
})

test('content comes into the site that is named, and into no other', () => {
  writeFileSync(at('stories.csv'), 'title,published\nBrought by the command,yes\n')
  const args = [at('stories.csv'), '--type', 'story']
  expect(run(['import-content', ...args, '--data', bare]).said).toContain('1 new entry')
  expect(run(['export-content', at('bare.csv'), '--type', 'story', '--data', bare])).toMatchObject({ status: 0 })
  expect(run(['--data', full, 'export-content', at('full.csv'), '--type', 'story'])).toMatchObject({ status: 0 })
  expect(readFileSync(at('bare.csv'), 'utf8')).toContain('Brought by the command')
  expect(readFileSync(at('full.csv'), 'utf8')).not.toContain('Brought by the command')
  const unknown = run(['import-content', ...args, '--column', 'Nothing=title', '--data', bare])
  expect([unknown.status, unknown.said]).toEqual([2, expect.stringContaining('no column Nothing')])
})

test('designs, people and what can be saved: of the site that is named', () => {
  for (const [i, call] of placed(full, 'export-parcel', at('design.json'), '--force').entries())
    expect([i, run(call)]).toMatchObject([i, { status: 0 }])
  expect(run(['import-parcel', at('design.json'), '--preview', '--data', bare])).toMatchObject({ status: 0 })
  const map = run(['map', '--csv', '--data', full])
  expect([map.status, map.said.split('\n')[0]]).toEqual([0, expect.stringContaining('address')])
  const password = ['set-password', 'ada@quillmere.example.org', '--data', full]
  expect(run(password, 'three clocks strike nine')).toMatchObject({ status: 0 })
  expect(run(password, 'aaaaaaaaaaaa')).toMatchObject({ status: 2 })
  expect(run(['end-sessions', '--data', full])).toMatchObject({ status: 0 })
  expect(run(['salvage', at('saved'), '--data', full]).said).toContain('with the secrets of the site')
  expect(existsSync(join(at('saved'), 'secrets.json'))).toBe(true)
})

test('calls that are not understood end with 2, and versions are told', () => {
  expect(run(['--version'])).toEqual({ status: 0, said: expect.stringMatching(/^\d+\.\d+\.\d+\n$/) })
  expect(run(['nothing'])).toMatchObject({ status: 2 })
  expect(run(['why', '/', '--data', at('nowhere')])).toMatchObject({ status: 1 })
})
