import { type ElementSpec, parametersOfPlan, elementSpec, fieldsNamed, givenWithin, looksGiven } from '../elements'
import {
  type Column,
  type Layout,
  type LayoutElement,
  type LayoutRegion,
  type LooksKey,
  type Slot,
  type Row,
  type State,
  type Styles,
  type TreeNode,
  type Value,
  looksKey,
} from '../tree'
import type { DrawnTree } from '../layouts'
import { type Condition, type Need, circumstanceSpec, isCircumstance, needOf } from '../conditions'
import { ProblemError, problem } from '../problems'
import { type Looks, cascade, classOf, lookClass, ruleOf } from '../styles'
import {
  escapeHtml,
  shownWhen,
  type Chunk,
  join,
  merge,
  type Compile,
  type ListPlan,
  type ScriptName,
  FOCUS_CSS,
} from '../drawing'
import { behindOf } from './behind'
import { headerRow } from './header'
import { type NodeProgram, type Programs, keptFor } from './kept'
import { add, nothing } from './needs'
import type { Program } from './program'

/** Told of an element that cannot be drawn, and left out for it. */
export type OnFault = (node: TreeNode, error: unknown) => void

export interface CompileOptions {
  /** Elements that cannot be drawn are left out and told here, instead of taking all with them. */
  guard?: OnFault
  /** The bench asks for the ids of rows, columns and elements on what they draw, and for marks of their words. */
  ids?: boolean
  /** Draws links that lead nowhere yet; as `ids` where it is not said. */
  open?: boolean
}

/** What the nodes that stand in one box are compiled with. */
class Context {
  readonly ids: boolean
  readonly open: boolean
  readonly guard: OnFault | null
  private readonly kept: Programs

  constructor(
    readonly region: LayoutRegion,
    readonly defaults: Layout['defaults'],
    private readonly options: CompileOptions,
    /** How much of the page's width there is, from 0 to 1. */
    readonly share = 1,
    /** Whether what is compiled stands in a form: there is none in another. */
    readonly inForm = false,
  ) {
    const { ids = false, open = ids, guard } = options
    this.ids = ids
    this.open = open
    this.guard = guard ?? null
    // What is left out is told each time, so nothing is kept then.
    this.kept = guard ? new WeakMap() : keptFor(defaults, `${region} ${ids} ${open} ${share.toFixed(4)} ${inForm}`)
  }

  /** The same for what stands in a row or a column. */
  within(node: Row | Column): Context {
    const share = shareWithin(this.share, node)
    if (!node.gives && share === this.share) return this
    return new Context(this.region, givenWithin(this.defaults, node.gives), this.options, share, this.inForm)
  }

  /** The same for what stands in a form. */
  ofForm(): Context {
    return new Context(this.region, this.defaults, this.options, this.share, true)
  }

  /** A node compiled, once for each state of it. */
  program(node: Row | Column | LayoutElement): NodeProgram {
    let program = this.kept.get(node)
    if (!program) this.kept.set(node, (program = new Compiler(this).compile(node)))
    return program
  }
}

/** How much of the page's width there is within a row or a column. */
export const shareWithin = (share: number, node: Row | Column): number =>
  node.kind === 'column' ? (share * node.span) / 12 : share

/** Compiles one row, column or element; what stands in it is compiled by itself and taken in. */
class Compiler implements Compile {
  readonly region: LayoutRegion
  readonly open: boolean
  private readonly needs = nothing()

  constructor(private readonly context: Context) {
    this.region = context.region
    this.open = context.open
  }

  compile(node: Row | Column | LayoutElement): NodeProgram {
    const places = node.kind === 'element' ? (node.children ?? []) : []
    if ([node, ...places].some(readsVisitor)) this.needs.asks.add('session')
    const chunk = node.kind === 'row' ? this.row(node) : node.kind === 'column' ? this.column(node) : this.element(node)
    this.ask(node.when ?? [])
    return { chunk: shownWhen(node.when, chunk), ...this.needs }
  }

  private ask(conditions: readonly Condition[]): void {
    for (const condition of conditions) {
      if (!isCircumstance(condition)) continue
      this.needs.asks.add(needOf(condition))
      for (const name of circumstanceSpec(condition).parameters?.(condition) ?? []) this.needs.parameters.add(name)
    }
  }

  private take(node: Row | Column | LayoutElement, context = this.context): Chunk {
    const program = context.program(node)
    add(this.needs, program)
    return program.chunk
  }

  /** On narrow screens columns stand below each other. */
  get sizes(): string {
    const { share } = this.context
    return share === 1 ? '100vw' : `(max-width:640px) 100vw,${Math.ceil(share * 100)}vw`
  }

  attributes(node: TreeNode, ...classes: string[]): string {
    const rest = cascade(this.given(node), node.styles)
    const states = node.kind === 'element' ? this.statesOf(node, '', elementSpec(node.type)?.states) : undefined
    const opening = this.opening([...classes, ...this.named(node)], { rest, states })
    return opening + (this.context.ids ? ` data-node="${escapeHtml(node.id)}"` : '')
  }

  part(element: LayoutElement, part: string, ...classes: string[]): string {
    const rest = cascade(this.given(element, part), element.looks?.[part])
    const states = this.statesOf(element, part, elementSpec(element.type)?.parts?.[part]?.states)
    return this.opening([...classes, ...this.named(element, part)], { rest, states })
  }

  /** What is given to a thing by its kind; nothing where it has a named look instead. */
  private given(node: TreeNode, at: LooksKey = ''): Styles | undefined {
    return node.look === undefined ? looksGiven(this.context.defaults, node, at) : undefined
  }

  /** The class of its named look, or of what that says of a part. */
  private named({ look }: TreeNode, part = ''): string[] {
    if (look === undefined) return []
    this.needs.looks.add(look)
    return [lookClass(look, part)]
  }

  private statesOf(element: LayoutElement, part: string, states: readonly State[] = []): Looks['states'] {
    const found: NonNullable<Looks['states']> = {}
    for (const state of states) {
      const at = looksKey(part, state)
      found[state] = cascade(this.given(element, at), element.looks?.[at])
    }
    return found
  }

  private opening(classes: readonly string[], looks: Looks): string {
    const rule = ruleOf(looks)
    for (const styles of [looks.rest, ...Object.values(looks.states ?? {})])
      for (const family of Object.values(styles.family ?? {})) this.needs.families.add(String(family))
    if (rule) this.needs.rules.set(rule.name, rule)
    const all = [...classes.map(classOf), ...(rule ? [rule.name] : [])]
    return all.length ? ` class="${all.join(' ')}"` : ''
  }

  look(id: Value): string {
    const name = typeof id === 'string' ? id : ''
    this.needs.looks.add(name)
    return lookClass(name)
  }

  words(property: string, within?: { items: string; item: string }): string {
    if (!this.context.ids) return ''
    const item = within ? ` data-items="${escapeHtml(within.items)}" data-item="${escapeHtml(within.item)}"` : ''
    return ` data-words="${escapeHtml(property)}"${item}`
  }

  shows(element: LayoutElement, part: string): boolean {
    return !element.hides?.includes(part)
  }

  place(place: Slot): Chunk {
    const context = elementSpec(place.type)?.form === 'is' ? this.context.ofForm() : this.context
    return join(...place.children.map((row) => this.take(row, context)))
  }

  shown(place: Slot, chunk: Chunk): Chunk {
    this.ask(place.when ?? [])
    return shownWhen(place.when, chunk)
  }

  css(part: string): void {
    if (part) this.needs.css.add(part)
  }

  script(name: ScriptName): void {
    this.needs.scripts.add(name)
  }

  list(plan: ListPlan): void {
    this.needs.lists.add(plan)
    for (const name of parametersOfPlan(plan)) this.needs.parameters.add(name)
  }

  reads(parameter: string): void {
    this.needs.parameters.add(parameter)
  }

  depends(need: Need): void {
    this.needs.asks.add(need)
  }

  shopForm(): void {
    this.needs.shop = true
  }

  usesCard(layout: string): void {
    this.needs.cards.add(layout)
  }

  private row(row: Row): Chunk {
    const open = `<div${this.attributes(row, 'row', ...this.inHeader(row))}>`
    const within = this.context.within(row)
    const columns = row.children.map((column) => this.take(column, within))
    return join(open, this.background(row), '<div class="of-in">', ...columns, '</div></div>')
  }

  /** In a header, what a row does as the page is scrolled. */
  private inHeader(row: Row): readonly string[] {
    if (this.region !== 'header') return []
    const { classes, css, script } = headerRow(row)
    for (const one of css) this.needs.css.add(one)
    if (script) this.script('header')
    return classes
  }

  private column(column: Column): Chunk {
    const open = `<div${this.attributes(column, 'col', `n${column.span}`)}>`
    const within = this.context.within(column)
    return join(open, this.background(column), ...column.children.map((c) => this.take(c, within)), '</div>')
  }

  private background(node: Row | Column): Chunk {
    // What opens a page is wanted at once.
    const { chunk, css } = behindOf(node, { eager: this.region === 'intro', sizes: this.sizes })
    if (chunk === '') return ''
    for (const one of [FOCUS_CSS, ...css]) this.needs.css.add(one)
    return chunk
  }

  private element(element: LayoutElement): Chunk {
    const spec = elementSpec(element.type)
    if (!spec) throw new ProblemError(problem('element-unknown', { type: element.type }))
    if (spec.form === 'is' && this.context.inForm) return this.told(element, 'A form cannot stand in another one.')
    if (spec.form === 'in' && !this.context.inForm) return this.told(element, `“${spec.name}” is drawn only in a form.`)
    this.needs.elements.add(element.type)
    const { guard } = this.context
    return guard ? this.guarded(spec, element, guard) : spec.draw(element, this)
  }

  /** What is told on the bench of something that is not drawn for visitors. */
  private told(element: LayoutElement, sentence: string): Chunk {
    return this.open ? `<p${this.attributes(element)}>${escapeHtml(sentence)}</p>` : ''
  }

  private guarded(spec: ElementSpec, element: LayoutElement, guard: OnFault): Chunk {
    try {
      const chunk = spec.draw(element, this)
      if (typeof chunk === 'string') return chunk
      return (scene) => {
        try {
          return chunk(scene)
        } catch (error) {
          guard(element, error)
          return ''
        }
      }
    } catch (error) {
      guard(element, error)
      return ''
    }
  }
}

const readsVisitor = (node: TreeNode): boolean => fieldsNamed(node).some((f) => f.of === 'visitor')

/** One node of what is drawn of a layout, compiled with all that stands in it; `given` and `share` are what holds where it stands. */
export function compileNode(
  { region }: DrawnTree,
  given: Layout['defaults'],
  node: Row | Column | LayoutElement,
  options: CompileOptions = {},
  share = 1,
): NodeProgram {
  return new Context(region, given, options, share).program(node)
}

/**
 * Compiles what is drawn of a layout once; the program then draws it for any page. Of an edited layout only what the
 * edit has changed is compiled again. Throws only when the layout breaks the invariants of `checkLayout`.
 */
export function compileLayout(layout: DrawnTree, options: CompileOptions = {}): Program {
  const context = new Context(layout.region, layout.defaults, options)
  const rows = layout.children.map((row) => context.program(row))
  const needs = nothing()
  for (const row of rows) add(needs, row)
  return {
    layout: layout.id,
    region: layout.region,
    chunks: merge(rows.map((row) => row.chunk)),
    ...needs,
    rules: [...needs.rules.values()],
  }
}
