import { type ElementSpec, elementSpec, fieldsNamed } from '../elements'
import {
  ROW_PROPS,
  type Column,
  type LayoutElement,
  type LayoutRegion,
  type Place,
  type Row,
  type State,
  type TreeNode,
  defaultsKey,
  looksKey,
  walk,
} from '../tree'
import type { DrawnTree } from '../layouts'
import { ProblemError, problem } from '../problems'
import { type Looks, type Rule, cascade, classOf, ruleOf } from '../styles'
import { escapeHtml, type Chunk, join, merge, type Compile, pictureAddress, pictureOf } from '../drawing'
import type { Program } from './program'

/** Told of an element that cannot be drawn, and left out for it. */
export type OnFault = (node: TreeNode, error: unknown) => void

export interface CompileOptions {
  /** Elements that cannot be drawn are left out and told here, instead of taking all with them. */
  guard?: OnFault
  /** The bench asks for the ids of rows, columns and elements on what they draw; nothing else differs. */
  ids?: boolean
}

class Compiler implements Compile {
  readonly rules = new Map<string, Rule>()
  readonly elements = new Set<string>()
  readonly families = new Set<string>()
  readonly cards = new Set<string>()
  readonly region: LayoutRegion

  constructor(
    private readonly layout: DrawnTree,
    private readonly ids: boolean,
    private readonly guard: OnFault | null = null,
  ) {
    this.region = layout.region
  }

  attributes(node: TreeNode, ...classes: string[]): string {
    const of = node.kind === 'element' ? node.type : node.kind
    const rest = cascade(this.layout.defaults[of], node.styles)
    const states = node.kind === 'element' ? this.statesOf(node, '', elementSpec(node.type)?.states) : undefined
    return this.opening(classes, { rest, states }) + (this.ids ? ` data-node="${escapeHtml(node.id)}"` : '')
  }

  part(element: LayoutElement, part: string, ...classes: string[]): string {
    const rest = cascade(this.layout.defaults[defaultsKey(element.type, part)], element.looks?.[part])
    const states = this.statesOf(element, part, elementSpec(element.type)?.parts?.[part]?.states)
    return this.opening(classes, { rest, states })
  }

  private statesOf(element: LayoutElement, part: string, states: readonly State[] = []): Looks['states'] {
    const found: NonNullable<Looks['states']> = {}
    for (const state of states) {
      const at = looksKey(part, state)
      found[state] = cascade(this.layout.defaults[defaultsKey(element.type, at)], element.looks?.[at])
    }
    return found
  }

  private opening(classes: readonly string[], looks: Looks): string {
    const rule = ruleOf(looks)
    for (const styles of [looks.rest, ...Object.values(looks.states ?? {})])
      for (const family of Object.values(styles.family ?? {})) this.families.add(String(family))
    if (rule) this.rules.set(rule.name, rule)
    const all = [...classes.map(classOf), ...(rule ? [rule.name] : [])]
    return all.length ? ` class="${all.join(' ')}"` : ''
  }

  shows(element: LayoutElement, part: string): boolean {
    return !element.hides?.includes(part)
  }

  place(place: Place): Chunk {
    return join(...place.children.map((row) => this.row(row)))
  }

  usesCard(layout: string): void {
    this.cards.add(layout)
  }

  row(row: Row): Chunk {
    const open = `<div${this.attributes(row, 'row')}>`
    const columns = row.children.map((column) => this.column(column))
    return join(open, this.background(row), '<div class="of-in">', ...columns, '</div></div>')
  }

  private column(column: Column): Chunk {
    const open = `<div${this.attributes(column, 'col', `n${column.span}`)}>`
    const children = column.children.map((c) => (c.kind === 'row' ? this.row(c) : this.element(c)))
    return join(open, this.background(column), ...children, '</div>')
  }

  private background(node: Row | Column): Chunk {
    const value = node.props[ROW_PROPS.picture]
    if (value === undefined || value === null) return ''
    return (scene) => {
      const picture = pictureOf(value, scene)
      return picture ? `<img class="of-bg" src="${escapeHtml(pictureAddress(picture))}" alt="">` : ''
    }
  }

  private element(element: LayoutElement): Chunk {
    const spec = elementSpec(element.type)
    if (!spec) throw new ProblemError(problem('element-unknown', { type: element.type }))
    this.elements.add(element.type)
    return this.guard ? this.guarded(spec, element, this.guard) : spec.draw(element, this)
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

/**
 * Compiles what is drawn of a layout once; the program then draws it for any page. Throws only when the layout breaks the
 * invariants of `checkLayout`.
 */
export function compileLayout(layout: DrawnTree, options: CompileOptions = {}): Program {
  const compiler = new Compiler(layout, options.ids ?? false, options.guard)
  const chunks = merge([join(...layout.children.map((row) => compiler.row(row)))])
  return {
    layout: layout.id,
    region: layout.region,
    chunks,
    rules: [...compiler.rules.values()],
    elements: compiler.elements,
    families: compiler.families,
    cards: compiler.cards,
    personal: [...walk(layout)].some(readsVisitor),
  }
}
