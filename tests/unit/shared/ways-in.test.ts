import { readFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { INPUTS } from '#shared/api/schemas'

/** Every way in over HTTP asks a shape for what it takes, and stands in the one list of them. */

const API = join('server', 'api')
const files = readdirSync(API, { recursive: true, encoding: 'utf8' }).filter((f) =>
  /\.(post|put|patch|delete)\.ts$/.test(f),
)
const text = (file: string) => readFileSync(join(API, file), 'utf8')
/** Those that take no body: what they do is said by their address. */
const BODILESS = [
  'draft-links/[id].delete.ts',
  'files/[id].delete.ts',
  'frames/[id].delete.ts',
  'imports/[id]/cancel.post.ts',
  'imports/[id]/index.delete.ts',
  'layouts/[id]/index.delete.ts',
  'layouts/[id]/restore.post.ts',
  'releases/back.post.ts',
  'releases/plans/[id].delete.ts',
  'removed/index.delete.ts',
  'session.delete.ts',
  'users/[id]/index.delete.ts',
  'users/[id]/sessions.delete.ts',
]
/** Those that take a file as it is: it is judged by what is in it. */
const FILES = [
  'files/index.post.ts',
  'fonts/index.post.ts',
  'imports/index.post.ts',
  'site-file/index.post.ts',
  'pictures/[id]/file.put.ts',
  'pictures/index.post.ts',
]

/** The shapes by which a handler reads what is sent, by their names. */
const asks = (code: string): string[] => [
  ...[...code.matchAll(/readInput\(event, '(\w+)'\)/g)].map(([, name]) => name!),
  ...(/readEdits(<\w+>)?\(event\)/.test(code) ? ['edits'] : []),
]

test('every handler that changes something reads its body by a shape, or takes none', () => {
  for (const file of files) {
    const takes = asks(text(file))[0]
    const name = file.replaceAll('\\', '/')
    expect([file, takes !== undefined]).toEqual([file, ![...BODILESS, ...FILES].includes(name)])
    expect([file, text(file).includes('sentFile(event)')]).toEqual([file, FILES.includes(name)])
    if (takes) expect(Object.keys(INPUTS)).toContain(takes)
    expect(text(file)).not.toMatch(/readBody|readRawBody|JSON\.parse/)
  }
})

test('every shape is asked by some way in, and stands in the list of the docs', () => {
  const asked = new Set(files.flatMap((f) => asks(text(f))))
  const listed = readFileSync(join('docs', 'documents.md'), 'utf8')
  for (const name of Object.keys(INPUTS)) {
    expect(asked).toContain(name)
    expect(listed).toContain(`\`INPUTS.${name}\``)
  }
})
