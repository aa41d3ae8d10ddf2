import type { Id } from '../model'
import { type Problem, ProblemError } from '../problems'
import { type Change, type Layout, type Row, childrenOf, copyOf, evenSpans, standingsOf, walk } from '../tree'
import { applyTo } from './apply'
import { checkVaried } from './check'
import { LayoutDraft } from './draft'
import { checkPlace } from './draft-values'
import type { Edit } from './edits'

/** What is drawn of a variation: its base with its own changes; see `docs/variations.md` for the rules. */

export interface Varied {
  tree: Layout
  /** Changes that name what is not there, or cannot hold as the base is now: kept, and tried again. */
  waiting: Change[]
}

type PositionChange = Extract<Change, { kind: 'put' | 'move' }>

const idOf = (change: PositionChange): Id => (change.kind === 'put' ? change.node.id : change.id)
const stands = (change: Change): change is PositionChange => change.kind === 'put' || change.kind === 'move'

/** A base on its way to be a variation of it. */
class Varying {
  readonly draft: LayoutDraft
  readonly waiting = new Set<Change>()
  /** The edits that came of it so far, in their order. */
  readonly edits: Edit[] = []
  /** What was put or moved so far. */
  private readonly placed = new Set<Id>()
  private readonly said: ReadonlyMap<Id, PositionChange>

  constructor(
    private readonly base: Layout,
    private readonly changes: readonly Change[],
  ) {
    this.draft = new LayoutDraft(base)
    this.said = new Map(changes.filter(stands).map((c) => [idOf(c), c]))
  }

  /** Tries something; a change that cannot be made as things are waits. */
  private attempt(change: Change, make: () => void): void {
    try {
      make()
    } catch (error) {
      if (!(error instanceof ProblemError)) throw error
      this.waiting.add(change)
    }
  }

  make(): void {
    for (const change of this.changes) if (stands(change)) this.attempt(change, () => this.stand(change))
    for (const change of this.changes) if (change.kind === 'gone') this.attempt(change, () => this.take(change.id))
    this.shareOut()
    for (const change of this.changes) if (change.kind === 'set') this.attempt(change, () => this.edit(change.edit))
  }

  private edit(edit: Edit): void {
    applyTo(this.draft, edit)
    this.edits.push(edit)
  }

  private stand(change: PositionChange): void {
    const { draft } = this
    const id = idOf(change)
    const there = draft.node(id)
    const holder = draft.holder(change.parent)
    // What it puts and the base has as well, or what it moves and nobody has any more, is not put or moved now.
    if (change.kind === 'put' ? there : !there) return void this.waiting.add(change)
    if (!holder || (there && draft.isWithin(change.parent, id))) return void this.waiting.add(change)
    const node = there ?? copyOf((change as Extract<Change, { kind: 'put' }>).node)
    checkPlace(draft, change.parent, 0, node)
    const { parent } = change
    if (there) draft.take(id)
    const index = this.placeIn(change)
    draft.putAt(parent, index, node)
    this.edits.push(there ? { kind: 'move', id, parent, index } : { kind: 'insert', parent, index, node })
    this.placed.add(id)
  }

  /** Behind the sibling that it names; else behind the nearest one before that, as the base or its own changes have it. */
  private placeIn({ parent, after }: PositionChange): number {
    const siblings = childrenOf(this.draft.holder(parent)!).map((c) => c.id)
    let looked: Id | null = after
    for (let i = 0; looked !== null && i <= this.changes.length + siblings.length; i++) {
      const at = siblings.indexOf(looked)
      if (at >= 0) return looked === after ? at + 1 : this.behindOwn(siblings, at + 1)
      looked = this.before(looked, parent)
    }
    return after === null ? 0 : this.behindOwn(siblings, 0)
  }

  /** Things of its own that came to stand at one place keep their order. */
  private behindOwn(siblings: readonly Id[], from: number): number {
    let at = from
    while (at < siblings.length && this.placed.has(siblings[at]!)) at++
    return at
  }

  /** What stood before something in a holder. */
  private before(id: Id, parent: Id): Id | null {
    const said = this.said.get(id)
    if (said) return said.parent === parent ? said.after : null
    const noted = standingsOf(this.base).get(id)
    if (noted?.parent !== parent) return null
    const holder = parent === this.base.id ? this.base : standingsOf(this.base).get(parent)!.node
    const siblings = childrenOf(holder)
    return siblings[siblings.indexOf(noted.node) - 1]?.id ?? null
  }

  private take(id: Id): void {
    if (this.draft.node(id)) this.edit({ kind: 'remove', id })
    else this.waiting.add(this.changes.find((c) => c.kind === 'gone' && c.id === id)!)
  }

  /** Rows whose columns are others than before take the spans that are said, or share out; those without any go. */
  private shareOut(): void {
    const said = new Map(this.changes.flatMap((c) => (c.kind === 'spans' ? [[c.row, c] as const] : [])))
    for (const change of said.values()) if (this.draft.node(change.row)?.kind !== 'row') this.waiting.add(change)
    for (const row of [...walk(this.draft.layout)].filter((n): n is Row => n.kind === 'row')) {
      // What stood in one that went is gone too.
      if (this.draft.node(row.id) !== row) continue
      if (row.children.length === 0) this.edit({ kind: 'remove', id: row.id })
      else this.spanRow(row, said.get(row.id))
    }
  }

  private spanRow(row: Row, change: Extract<Change, { kind: 'spans' }> | undefined): void {
    const wanted = row.children.map((c) => change?.spans[c.id] ?? c.span)
    const fits = wanted.reduce((a, b) => a + b, 0) === 12 && wanted.every((n) => n >= 1)
    const spans = fits ? wanted : evenSpans(row.children.length)
    if (spans.some((n) => n < 1)) return
    if (spans.some((n, i) => n !== row.children[i]!.span)) this.edit({ kind: 'setSpans', row: row.id, spans })
  }
}

/** What a variation is called, and what it is for: its own, whatever its base says. */
type Own = Pick<Layout, 'id' | 'name' | 'about'>

/** The base by the id and the words of its variation, with the very rows of the base. */
function asOwn(base: Layout, { id, name, about }: Own): Layout {
  if (base.id === id && base.name === name && base.about === about) return base
  const { about: _, ...rest } = base
  return { ...rest, id, name, ...(about !== undefined && { about }) }
}

/**
 * What is drawn of a variation, always a valid layout where its base is one: what no change names is the base's, the very
 * same object. A change that cannot hold waits; where changes together break a rule of layouts, the last of those that
 * put, move or take things waits, then the one before.
 */
export function vary(base: Layout, own: Own, changes: readonly Change[]): Varied {
  const root = asOwn(base, own)
  if (changes.length === 0) return { tree: root, waiting: [] }
  const { varying, waits } = varied(base, root, changes)
  return { tree: varying.draft.layout, waiting: changes.filter(waits) }
}

/**
 * Own changes as an edit of the base that they are told apart from: what moves them down into it. Those that wait are
 * not in it.
 */
export function editOf(base: Layout, changes: readonly Change[], label: string): Edit {
  return { kind: 'batch', label, edits: varied(base, base, changes).varying.edits }
}

/** Makes all changes that can hold together. */
function varied(base: Layout, root: Layout, changes: readonly Change[]) {
  const held = new Set<Change>()
  for (;;) {
    const varying = new Varying(
      root,
      changes.filter((c) => !held.has(c)),
    )
    varying.make()
    const broken: Problem[] = checkVaried(varying.draft, base)
    const waits = (change: Change) => held.has(change) || varying.waiting.has(change)
    const last = broken.length > 0 ? lastOf(changes, (c) => !waits(c)) : undefined
    if (!last) return { varying, waits }
    held.add(last)
  }
}

/** The last change that may hold; those that put, move or take things before those that say values. */
function lastOf(changes: readonly Change[], may: (change: Change) => boolean): Change | undefined {
  const left = changes.filter(may)
  return left.findLast((c) => c.kind !== 'set' && c.kind !== 'spans') ?? left.at(-1)
}
