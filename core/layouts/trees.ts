import equal from 'fast-deep-equal'
import type { Id } from '../model'
import { type Change, type Layout, type LayoutDocument, type Variation, isVariation, standingsOf } from '../tree'
import { type PlaceState, type Unplaced, pieceOf, placesIn, writtenOut } from './pieces'
import { type Varied, vary } from './variation'

declare const DRAWN: unique symbol

/**
 * The tree that is drawn for a layout: what is compiled, counted and checked. In it the id of every node is a path,
 * unique however often one thing is drawn.
 */
export type DrawnTree = Layout & { readonly [DRAWN]: true }

/** Why nothing is drawn of a variation: whatever it says is kept, and drawn again when its base is there. */
export type Baseless = 'missing' | 'loop' | 'region' | 'levels' | 'id'

export interface LayoutTrees {
  tree: DrawnTree
  /** The tree that is edited: pieces stand in it as they are placed. The very same where there are none. */
  made: Layout
  /** Own changes that name what is not there, or cannot hold as the base is now. */
  waiting: readonly Change[]
  baseless: Baseless | null
  /** Places of pieces that draw nothing, or of whose own words some wait. */
  places: readonly PlaceState[]
}

type Made = Omit<LayoutTrees, 'tree' | 'places'>

/** How many variations may follow one another when one is made, */
export const MOST_LEVELS = 4
/** and how many are followed when they are drawn. */
const MOST_DRAWN = 16
/** How many pieces are drawn one in the other: as many as a path names. */
const MOST_NESTED = 9

/** What was worked out last for a variation, and from which base. */
const VARIED = new WeakMap<Variation, { base: Layout; varied: Varied }>()
const BARE = new WeakMap<Variation, Layout>()

/** A layout of which nothing is drawn. */
function bare(variation: Variation): Layout {
  const known = BARE.get(variation)
  if (known) return known
  const { follows: _, ...rest } = variation
  const made: Layout = { ...rest, defaults: {}, children: [] }
  BARE.set(variation, made)
  return made
}

function variedOf(variation: Variation, base: Layout): Varied {
  const known = VARIED.get(variation)
  if (known?.base === base) return known.varied
  const varied = vary(base, variation, variation.follows.changes)
  VARIED.set(variation, { base, varied })
  return varied
}

/** Notes what is drawn of a variation, for whoever knows it already. */
export function noteVaried(variation: Variation, base: Layout, varied: Varied): void {
  VARIED.set(variation, { base, varied })
}

const NO_PLACES: readonly PlaceState[] = []

/** Things under each of the ids that go with them. */
function grouped<T>(things: Iterable<T>, idsOf: (thing: T) => Iterable<Id>): Map<Id, T[]> {
  const found = new Map<Id, T[]>()
  for (const thing of things)
    for (const id of idsOf(thing)) {
      const known = found.get(id)
      if (known) known.push(thing)
      else found.set(id, [thing])
    }
  return found
}

/** Layouts that may follow one another, and what is drawn of each: the one way from a layout to its tree. */
export class Trees {
  private readonly documents: ReadonlyMap<Id, LayoutDocument>
  private followers: ReadonlyMap<Id, readonly Variation[]> | undefined
  private placing: ReadonlyMap<Id, readonly LayoutDocument[]> | undefined
  private readonly looping = new Map<Id, boolean>()
  private readonly holding = new Map<LayoutDocument, Set<Id>>()
  private readonly placed = new Map<Id, DrawnTree | Unplaced>()

  constructor(layouts: Iterable<LayoutDocument>) {
    this.documents = new Map([...layouts].map((l) => [l.id, l]))
  }

  document(id: Id): LayoutDocument | undefined {
    return this.documents.get(id)
  }

  /** What is drawn of a layout, by its id; undefined where there is none. */
  tree(id: Id): DrawnTree | undefined {
    const document = this.documents.get(id)
    return document && this.of(document).tree
  }

  /** What is drawn of a layout, which need not be one of these. */
  of(document: LayoutDocument): LayoutTrees {
    const made = this.madeOf(document)
    const places = placesIn(made.made)
    if (places.length === 0) return { ...made, tree: made.made as DrawnTree, places: NO_PLACES }
    const { tree, states } = writtenOut(
      made.made,
      places.map((place) => this.pieceAt(pieceOf(place))),
    )
    return { ...made, tree: tree as DrawnTree, places: states }
  }

  /** What is drawn of a piece by itself, or why it is not placed; found once, however often it stands somewhere. */
  private pieceAt(id: Id | null): DrawnTree | Unplaced {
    const piece = id === null ? undefined : this.documents.get(id)
    if (piece?.region !== 'piece') return 'missing'
    let found = this.placed.get(piece.id)
    if (!found) this.placed.set(piece.id, (found = this.placeable(piece)))
    return found
  }

  private placeable(piece: LayoutDocument): DrawnTree | Unplaced {
    if (this.holdsItself(piece)) return 'loop'
    return this.isTooDeep(piece) ? 'deep' : this.of(piece).tree
  }

  /** Whether more pieces stand one in the other than are drawn; those that hold themselves are not. */
  private isTooDeep(piece: LayoutDocument): boolean {
    let level: LayoutDocument[] = [piece]
    for (let depth = 0; depth < MOST_NESTED && level.length > 0; depth++) {
      const ids = new Set(level.flatMap((one) => [...this.piecesIn(one)]))
      level = [...ids].flatMap((id) => this.documents.get(id) ?? []).filter((one) => !this.holdsItself(one))
    }
    return level.length > 0
  }

  /** What is edited of a layout. */
  madeOf(document: LayoutDocument): Made {
    if (!isVariation(document)) return { made: document, waiting: [], baseless: null }
    const { bases, baseless } = this.basesOf(document)
    if (baseless) return { made: bare(document), waiting: document.follows.changes, baseless }
    const chain = [document, ...bases]
    const root = chain.pop() as Layout
    const made = (chain as Variation[]).reduceRight((base, variation) => variedOf(variation, base).tree, root)
    const { waiting } = VARIED.get(document)!.varied
    return { made, waiting, baseless: null }
  }

  /** The pieces that stand in a layout itself, each once. */
  piecesIn(document: LayoutDocument): ReadonlySet<Id> {
    let found = this.holding.get(document)
    if (!found) {
      found = new Set(placesIn(this.madeOf(document).made).flatMap((place) => pieceOf(place) ?? []))
      this.holding.set(document, found)
    }
    return found
  }

  /** All pieces that a layout shows, those in pieces too. */
  allPiecesIn(document: LayoutDocument): Set<Id> {
    const found = new Set<Id>()
    for (let asked = [document]; asked.length > 0;) {
      const next = asked.flatMap((one) => [...this.piecesIn(one)]).filter((id) => !found.has(id))
      for (const id of next) found.add(id)
      asked = next.flatMap((id) => this.documents.get(id) ?? [])
    }
    return found
  }

  /**
   * Whether a piece, which need not be one of these, would hold itself: through pieces in it, or through what follows
   * it, since that holds what it holds.
   */
  holdsItself(piece: LayoutDocument): boolean {
    const isOneOfThese = this.documents.get(piece.id) === piece
    const known = isOneOfThese ? this.looping.get(piece.id) : undefined
    if (known !== undefined) return known
    const seen = new Set<Id>()
    for (let asked: Iterable<Id> = this.piecesIn(piece); ;) {
      const next = [...asked].filter((id) => !seen.has(id))
      if (next.length === 0) break
      for (const id of next) seen.add(id)
      asked = next.flatMap((id) => this.heldBy(id, piece.id))
    }
    const does = seen.has(piece.id)
    if (isOneOfThese) this.looping.set(piece.id, does)
    return does
  }

  /** What a piece holds, and what it follows; of the one that is asked about nothing more. */
  private heldBy(id: Id, asked: Id): Id[] {
    const document = id === asked ? undefined : this.documents.get(id)
    if (!document) return []
    return [...this.piecesIn(document), ...this.basesOf(document).bases.map((b) => b.id)]
  }

  /** The layouts in which a piece stands itself. */
  placingOf(id: Id): readonly LayoutDocument[] {
    this.placing ??= grouped(this.documents.values(), (document) => this.piecesIn(document))
    return this.placing.get(id) ?? []
  }

  /** What a layout follows, nearest first, and why it cannot. */
  basesOf(document: LayoutDocument, most = MOST_DRAWN): { bases: LayoutDocument[]; baseless: Baseless | null } {
    const bases: LayoutDocument[] = []
    const told = (baseless: Baseless | null) => ({ bases, baseless })
    for (let at = document; isVariation(at); at = bases.at(-1)!) {
      const base = this.documents.get(at.follows.base)
      if (!base) return told('missing')
      if (base.id === document.id || bases.includes(base)) return told('loop')
      if (base.region !== document.region) return told('region')
      bases.push(base)
      if (bases.length > most) return told('levels')
    }
    const root = bases.at(-1) as Layout | undefined
    const ids = [document, ...bases.slice(0, -1)].map((d) => d.id)
    return told(root && ids.some((id) => standingsOf(root).has(id)) ? 'id' : null)
  }

  /** The variations that follow a layout themselves. */
  followersOf(id: Id): readonly Variation[] {
    this.followers ??= grouped([...this.documents.values()].filter(isVariation), (v) => [v.follows.base])
    return this.followers.get(id) ?? []
  }

  /** All that follow a layout, themselves or by way of others, each once. */
  allFollowing(id: Id): Variation[] {
    return reached(id, (of) => this.followersOf(of))
  }

  /** All that show something else when a layout is edited: what follows it, and what it is placed in, each once. */
  allShowing(id: Id): LayoutDocument[] {
    return reached(id, (of) => [...this.followersOf(of), ...this.placingOf(of)])
  }
}

/** All that can be reached from an id, step by step, each once and without itself. */
function reached<T extends { id: Id }>(id: Id, from: (id: Id) => readonly T[]): T[] {
  const all = new Map<Id, T>()
  for (let asked: Id[] = [id]; asked.length > 0;) {
    const next = asked.flatMap(from).filter((one) => one.id !== id && !all.has(one.id))
    for (const one of next) all.set(one.id, one)
    asked = [...new Set(next.map((one) => one.id))]
  }
  return [...all.values()]
}

/** The layouts that look different once one of them is another document: itself, those that follow it, and those in which it stands. */
export function touchedBy(layouts: readonly LayoutDocument[], after: LayoutDocument): Id[] {
  const before = new Trees(layouts)
  const now = new Trees([...layouts.filter((l) => l.id !== after.id), after])
  const may = [after.id, ...now.allShowing(after.id).map((l) => l.id)]
  return may.filter((id) => {
    const [was, is] = [before.tree(id), now.tree(id)]
    return was !== is && !equal(was && seenOf(was), is && seenOf(is))
  })
}

/** What of a layout is seen: all but what it is called, and what for. */
export const seenOf = (layout: LayoutDocument): object => ({ ...layout, name: '', about: '' })

const KNOWN = new WeakMap<readonly LayoutDocument[], Trees>()

/** The trees of all layouts of a design. */
export function treesOf({ layouts }: { layouts: readonly LayoutDocument[] }): Trees {
  const known = KNOWN.get(layouts) ?? new Trees(layouts)
  KNOWN.set(layouts, known)
  return known
}

const NONE = new Trees([])
/** What is drawn of a layout that follows none. */
export const treeToDraw = (layout: Layout): DrawnTree => NONE.of(layout).tree
