import { type Scene, fill } from '../drawing'
import { elementSpec, entryList, filterForm, givenWithin } from '../elements'
import type { DrawnTree } from '../layouts'
import type { Id } from '../model'
import type { CssRule } from '../styles'
import {
  type Column,
  type Defaults,
  type LayoutElement,
  type Row,
  type TreeNode,
  childrenOf,
  elementsOf,
} from '../tree'
import { compileNode, shareWithin } from './compile'
import type { NodeProgram } from './kept'
import type { Program } from './program'
import { hasTitle } from './title'

/** What to write anew in a page that stands drawn with ids, in order. */
export type Patch =
  /** The tag and the background of a row or a column, drawn with nothing in it; what stands in it stays. */
  | { kind: 'opening'; id: Id; html: string }
  /**
   * What stands in a row, a column or the layout, in order. What is not `drawn` stays as it is; what is drawn as no
   * HTML at all is not there.
   */
  | { kind: 'children'; id: Id; order: readonly { id: Id; drawn?: string }[] }

/** How one drawing becomes the next, and the rules that what was written anew needs. */
export interface Patched {
  patches: readonly Patch[]
  rules: ReadonlyMap<string, CssRule>
}

/** What the sheet of a page was written for. */
export interface Known {
  elements: ReadonlySet<string>
  families: ReadonlySet<string>
  looks: ReadonlySet<string>
  cards: ReadonlySet<string>
  css: ReadonlySet<string>
  /** Names of rules. */
  rules: ReadonlySet<string>
}

/** What the sheet of a page is written for that these programs draw. */
export function knownTo(programs: readonly Program[]): Known {
  const all = (of: (program: Program) => Iterable<string>) => new Set(programs.flatMap((p) => [...of(p)]))
  return {
    elements: all((p) => p.elements),
    families: all((p) => p.families),
    looks: all((p) => p.looks),
    cards: all((p) => p.cards),
    css: all((p) => p.css),
    rules: all((p) => p.rules.map((r) => r.name)),
  }
}

type DrawnNode = Row | Column | LayoutElement

const isEmptyRecord = (record: object): boolean => Object.keys(record).length === 0

/** Whether all that is said of a thing itself is the same; edits leave alone what they do not change. */
function sameSelf(a: object, b: object): boolean {
  const keys = new Set([...Object.keys(a), ...Object.keys(b)])
  keys.delete('children')
  const [before, after] = [a as Record<string, unknown>, b as Record<string, unknown>]
  return [...keys].every((key) => before[key] === after[key] || bothEmpty(before[key], after[key]))
}

function bothEmpty(a: unknown, b: unknown): boolean {
  return typeof a === 'object' && typeof b === 'object' && !!a && !!b && isEmptyRecord(a) && isEmptyRecord(b)
}

/** What is asked before it is shown: where that is other, all of it may come or go. */
const sameWhen = (a: TreeNode, b: TreeNode): boolean => a.when === b.when

const sameOrder = (a: readonly TreeNode[], b: readonly TreeNode[]): boolean =>
  a.length === b.length && a.every((node, i) => node.id === b[i]!.id)

/** What holds where something stands: what is given to it, and how much of the page's width there is. */
interface NodeContext {
  given: Defaults
  share: number
}

/** Collects what differs between two states of one layout. */
class Difference {
  readonly patches: Patch[] = []
  readonly programs: NodeProgram[] = []

  constructor(
    private readonly after: DrawnTree,
    private readonly scene: Scene,
  ) {}

  private draw(node: DrawnNode, { given, share }: NodeContext): string {
    const program = compileNode(this.after, given, node, { ids: true }, share)
    this.programs.push(program)
    return fill([program.chunk], this.scene)
  }

  children(before: readonly DrawnNode[], after: readonly DrawnNode[], id: Id, standing: NodeContext): void {
    if (before === after) return
    const stood = new Map(before.map((node) => [node.id, node]))
    const order = after.map((node) => {
      const was = stood.get(node.id)
      return was && this.stays(was, node) ? { id: node.id } : { id: node.id, drawn: this.draw(node, standing) }
    })
    if (!sameOrder(before, after) || order.some((one) => one.drawn !== undefined))
      this.patches.push({ kind: 'children', id, order })
    for (const [i, { drawn }] of order.entries())
      if (drawn === undefined) this.inside(stood.get(after[i]!.id)!, after[i]!, standing)
  }

  /** Whether what is drawn of a thing stays, but for its tag and for what is in it. */
  private stays(before: DrawnNode, after: DrawnNode): boolean {
    if (!sameWhen(before, after)) return false
    if (after.kind === 'element') return this.staysAround(before, after)
    // Pictures say how wide they are by the columns that they stand in.
    const sameWidth = after.kind === 'row' || (before as Column).span === after.span
    return sameWidth && (before as Row | Column).gives === after.gives
  }

  /** Whether an element stands as it is but for what is in the rows of its places, and these are the same rows. */
  private staysAround(before: TreeNode, after: LayoutElement): boolean {
    if (before === after) return true
    // What a form draws goes by what stands in it: its button, and what is asked only after something else.
    if (elementSpec(after.type)?.form === 'is') return false
    const [a, b] = [childrenOf(before), childrenOf(after)]
    return (
      sameSelf(before, after) &&
      sameOrder(a, b) &&
      a.every((place, i) => sameSelf(place, b[i]!) && sameOrder(childrenOf(place), childrenOf(b[i]!)))
    )
  }

  private inside(before: DrawnNode, after: DrawnNode, standing: NodeContext): void {
    if (before === after) return
    if (after.kind === 'element') {
      for (const [i, place] of childrenOf(before).entries())
        this.children(
          childrenOf(place) as DrawnNode[],
          childrenOf(after.children![i]!) as DrawnNode[],
          place.id,
          standing,
        )
      return
    }
    if (!sameSelf(before, after))
      this.patches.push({
        kind: 'opening',
        id: after.id,
        html: this.draw({ ...after, children: [] } as DrawnNode, standing),
      })
    const within = { given: givenWithin(standing.given, after.gives), share: shareWithin(standing.share, after) }
    this.children(childrenOf(before) as DrawnNode[], childrenOf(after) as DrawnNode[], after.id, within)
  }
}

const sameLists = (before: DrawnTree, after: DrawnTree): boolean => {
  const [a, b] = [before, after].map((tree) => elementsOf(tree).filter((e) => e.type === entryList.type))
  return a!.length === b!.length && a!.every((list, i) => list === b![i])
}

/**
 * How a page that shows a layout drawn with ids becomes the page of an edited state of it, by what the edit has
 * touched. Null where more than single things change: the page is then drawn as a whole.
 *
 * @param known What the sheet of the page was written for.
 */
export function patchesBetween(before: DrawnTree, after: DrawnTree, scene: Scene, known: Known): Patched | null {
  if (before.id !== after.id || before.region !== after.region || before.defaults !== after.defaults) return null
  if (hasTitle(before) !== hasTitle(after)) return null
  // A form shows what the list beside it holds.
  if (known.elements.has(filterForm.type) && !sameLists(before, after)) return null
  const difference = new Difference(after, scene)
  difference.children(before.children, after.children, after.id, { given: after.defaults, share: 1 })
  const rules = new Map<string, CssRule>()
  for (const program of difference.programs) {
    for (const kind of ['elements', 'families', 'looks', 'cards', 'css'] as const)
      if ([...program[kind]].some((name) => !known[kind].has(name))) return null
    for (const [name, rule] of program.rules) rules.set(name, rule)
  }
  return { patches: difference.patches, rules }
}
