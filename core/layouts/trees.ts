import equal from 'fast-deep-equal'
import type { Id } from '../site'
import { type Change, type Layout, type LayoutDocument, type Variation, isVariation, standingsOf } from '../tree'
import { type Varied, vary } from './variation'

declare const DRAWN: unique symbol

/**
 * The tree that is drawn for a layout: what is compiled, counted and checked. In it the id of every node is a path,
 * unique however often one thing is drawn.
 */
export type DrawnTree = Layout & { readonly [DRAWN]: true }

/** Why nothing is drawn of a variation: whatever it says is kept, and drawn again when its base is there. */
export type Baseless = 'missing' | 'loop' | 'region' | 'levels' | 'id'

export interface Drawn {
  tree: DrawnTree
  /** Own changes that name what is not there, or cannot hold as the base is now. */
  waiting: readonly Change[]
  baseless: Baseless | null
}

/** How many variations may follow one another when one is made, */
export const MOST_LEVELS = 4
/** and how many are followed when they are drawn. */
const MOST_DRAWN = 16

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

function byBase(documents: Iterable<LayoutDocument>): Map<Id, Variation[]> {
  const found = new Map<Id, Variation[]>()
  for (const document of documents) {
    if (!isVariation(document)) continue
    const { base } = document.follows
    const known = found.get(base)
    if (known) known.push(document)
    else found.set(base, [document])
  }
  return found
}

/** Layouts that may follow one another, and what is drawn of each: the one way from a layout to its tree. */
export class Trees {
  private readonly documents: ReadonlyMap<Id, LayoutDocument>
  private followers: ReadonlyMap<Id, readonly Variation[]> | undefined

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
  of(document: LayoutDocument): Drawn {
    if (!isVariation(document)) return { tree: document as DrawnTree, waiting: [], baseless: null }
    const { bases, baseless } = this.basesOf(document)
    if (baseless) return { tree: bare(document) as DrawnTree, waiting: document.follows.changes, baseless }
    const chain = [document, ...bases]
    const root = chain.pop() as Layout
    const tree = (chain as Variation[]).reduceRight((base, variation) => variedOf(variation, base).tree, root)
    const { waiting } = VARIED.get(document)!.varied
    return { tree: tree as DrawnTree, waiting, baseless: null }
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
    this.followers ??= byBase(this.documents.values())
    return this.followers.get(id) ?? []
  }

  /** All that follow a layout, themselves or by way of others, each once. */
  allFollowing(id: Id): Variation[] {
    const all = new Map<Id, Variation>()
    for (let asked: Id[] = [id]; asked.length > 0;) {
      const next = asked.flatMap((of) => this.followersOf(of)).filter((one) => one.id !== id && !all.has(one.id))
      for (const one of next) all.set(one.id, one)
      asked = next.map((one) => one.id)
    }
    return [...all.values()]
  }
}

/** The layouts that look different once one of them is another document: itself, and those that follow it. */
export function touchedBy(layouts: readonly LayoutDocument[], after: LayoutDocument): Id[] {
  const before = new Trees(layouts)
  const now = new Trees([...layouts.filter((l) => l.id !== after.id), after])
  const may = [after.id, ...now.allFollowing(after.id).map((l) => l.id)]
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
