import fc from 'fast-check'

/** Documents made wrong: something odd put in the place of any part of them, taken away, or added. */

type Path = (string | number)[]

const ODD: unknown[] = [
  null,
  true,
  0,
  -1,
  5,
  1e308,
  1.5,
  '',
  ' ',
  'x',
  '<script>',
  '__proto__',
  'constructor',
  '@ink',
  'javascript:alert(1)',
  'x'.repeat(30_000),
  [],
  [null],
  ['x'],
  [[]],
  {},
  { kind: 'field' },
  { kind: 'field', of: 'page', field: 'title', format: { yes: ['x'] } },
  { kind: ['every'] },
  { page: 7 },
  { type: 'doc', content: 'x' },
  { type: 'doc', content: [null] },
  { type: 'heading', attrs: null },
  { type: 'doc', content: [{ type: 'heading', attrs: null }] },
  { type: 'doc', content: [{ type: 'paragraph', content: [{ type: 'text', text: 'x', marks: 5 }] }] },
  { toString: null },
  { valueOf: 1, toString: 'x' },
  { wide: null },
  { wide: {} },
]

const KEYS = [
  'kind',
  'type',
  'id',
  'extra',
  '__proto__',
  'constructor',
  'toString',
  'valueOf',
  'hasOwnProperty',
  'content',
  'attrs',
  'marks',
  'children',
]

function paths(value: unknown, at: Path = [], found: Path[] = []): Path[] {
  found.push(at)
  if (typeof value === 'object' && value !== null) {
    for (const [key, below] of Object.entries(value))
      paths(below, [...at, Array.isArray(value) ? Number(key) : key], found)
  }
  return found
}

/** Own properties only, also of names that every object has. */
function set(target: object, key: string | number, value: unknown): void {
  Object.defineProperty(target, key, { value, writable: true, enumerable: true, configurable: true })
}

function nested(depth: number): unknown {
  let value: unknown = { type: 'text', text: 'deep' }
  for (let i = 0; i < depth; i++)
    value = i % 2 ? { type: 'blockquote', content: [value] } : { kind: 'batch', label: 'x', edits: [value] }
  return value
}

/** A copy as JSON would bring it, own properties of every name included. */
const copy = (value: unknown): unknown => JSON.parse(JSON.stringify(value)) as unknown

interface Wrong {
  at: number
  how: 'replace' | 'remove' | 'add' | 'double' | 'swap' | 'deepen'
  odd: number
  key: number
  other: number
}

function change(document: unknown, { at, how, odd, key, other }: Wrong): unknown {
  const all = paths(document)
  const path = all[at % all.length]!
  const value = copy(ODD[odd % ODD.length])
  if (path.length === 0) return how === 'add' ? document : value
  const parent = path.slice(0, -1).reduce<unknown>((v, k) => (v as Record<string, unknown>)[k], document) as object
  const name = path.at(-1)!
  const own = (parent as Record<string, unknown>)[name]
  if (how === 'replace') set(parent, name, value)
  else if (how === 'deepen') set(parent, name, nested(1 + (odd % 60)))
  else if (how === 'remove') {
    if (Array.isArray(parent)) parent.splice(Number(name), 1)
    else delete (parent as Record<string, unknown>)[name]
  } else if (how === 'double') {
    if (Array.isArray(parent)) parent.push(copy(own))
    else set(parent, `${String(name)}2`, own)
  } else if (how === 'swap') {
    const from = all[other % all.length]!.reduce<unknown>((v, k) => (v as Record<string, unknown>)?.[k], document)
    set(parent, name, from === undefined ? null : copy(from))
  } else {
    const target = typeof own === 'object' && own !== null ? own : parent
    if (Array.isArray(target)) target.push(value)
    else set(target, KEYS[key % KEYS.length]!, value)
  }
  return document
}

const wrong: fc.Arbitrary<Wrong> = fc.record({
  at: fc.nat(100_000),
  how: fc.constantFrom('replace', 'replace', 'remove', 'add', 'double', 'swap', 'deepen'),
  odd: fc.nat(1000),
  key: fc.nat(1000),
  other: fc.nat(100_000),
})

/** One of the documents with one to three things wrong in it, as JSON would bring it. */
export function spoiltOf<T>(documents: readonly T[]): fc.Arbitrary<unknown> {
  return fc.tuple(fc.nat(documents.length - 1), fc.array(wrong, { minLength: 1, maxLength: 3 })).map(([i, wrongs]) => {
    let document = copy(documents[i])
    for (const w of wrongs) document = copy(change(document, w))
    return document
  })
}
