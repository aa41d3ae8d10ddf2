import { isRecord } from '../../shape'

/**
 * Design tokens as the W3C community group's format has them (Design Tokens Format Module 2025.10): groups of tokens,
 * told apart by `$value`; a type stands on a token or on a group around it; `{path.of.a.token}` is an alias.
 */

export interface Token {
  /** The names of its groups and its own. */
  path: readonly string[]
  type: string | null
  /** What it stands for once its aliases are followed. */
  value: unknown
  description: string
  extensions: Readonly<Record<string, unknown>>
}

export interface Untaken {
  path: string
  why: string
}

/** More tokens than these are not read. */
export const MOST_TOKENS = 10_000
const MOST_DEEP = 40

const ALIAS = /^\{([^{}]+)\}$/

interface Raw {
  path: readonly string[]
  type: string | null
  node: Record<string, unknown>
}

const typeOf = (node: Record<string, unknown>, around: string | null): string | null =>
  typeof node.$type === 'string' ? node.$type : around

/** Every token of a file as it is written, and what is too much of it. */
function rawTokens(file: Record<string, unknown>, untaken: Untaken[]): Raw[] {
  const found: Raw[] = []
  const waiting: Raw[] = [{ path: [], type: null, node: file }]
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    const { path, node } = next
    const type = typeOf(node, next.type)
    if (Object.hasOwn(node, '$value')) {
      if (found.length === MOST_TOKENS) {
        untaken.push({ path: path.join('.'), why: `only ${MOST_TOKENS} tokens are read` })
        break
      }
      found.push({ path, type, node })
      continue
    }
    if (path.length > MOST_DEEP) {
      untaken.push({ path: path.slice(0, 4).join('.'), why: 'it is nested too deep' })
      continue
    }
    const within = Object.entries(node).filter(([name, inner]) => !name.startsWith('$') && isRecord(inner))
    for (const [name, inner] of within.reverse())
      waiting.push({ path: [...path, name], type, node: inner as Record<string, unknown> })
  }
  return found
}

type End = { value: unknown; type: string | null } | { why: string }

const aliasOf = ({ node }: Raw): string | undefined =>
  typeof node.$value === 'string' ? ALIAS.exec(node.$value)?.[1] : undefined

/** Where the aliases of each token end: at a value, or nowhere. Each is followed once, however many lead to it. */
function endsOf(raw: readonly Raw[]): Map<Raw, End> {
  const byPath = new Map(raw.map((r) => [r.path.join('.'), r]))
  const ends = new Map<Raw, End>()
  for (const first of raw) {
    const followed = new Set<Raw>()
    let end: End | undefined
    for (let at: Raw | undefined = first; at && !end;) {
      const alias = aliasOf(at)
      const known: End | undefined = ends.get(at)
      if (known) end = known
      else if (followed.has(at)) end = { why: 'it goes round in a loop' }
      else if (alias === undefined) end = { value: at.node.$value, type: at.type }
      else {
        followed.add(at)
        at = byPath.get(alias)
        if (!at) end = { why: `it stands for ${alias.slice(0, 80)}, which is not there` }
      }
    }
    for (const one of [first, ...followed]) ends.set(one, end!)
  }
  return ends
}

/** The tokens of a file in their order, aliases followed, and those that stand for nothing. Null for what is no such file. */
export function readTokens(file: unknown): { tokens: Token[]; untaken: Untaken[] } | null {
  if (!isRecord(file)) return null
  const untaken: Untaken[] = []
  const raw = rawTokens(file, untaken)
  const ends = endsOf(raw)
  const tokens = raw.flatMap((r): Token[] => {
    const end = ends.get(r)!
    if ('why' in end) {
      untaken.push({ path: r.path.join('.'), why: end.why })
      return []
    }
    const { $description: words, $extensions: more } = r.node
    return [
      {
        path: r.path,
        type: r.type ?? end.type,
        value: end.value,
        description: typeof words === 'string' ? words : '',
        extensions: isRecord(more) ? more : {},
      },
    ]
  })
  return { tokens, untaken }
}
