import { type ElementSpec, elementSpec } from '../elements'
import {
  ROW_PROPS,
  type Column,
  type Layout,
  type LayoutElement,
  type LayoutRegion,
  type Row,
  type TreeNode,
  type Value,
  isFieldValue,
} from '../tree'
import { ProblemError, problem } from '../problems'
import { type Rule, cascade, classOf, ruleOf } from '../styles'
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
  personal = false
  readonly region: LayoutRegion

  constructor(
    private readonly layout: Layout,
    private readonly ids: boolean,
    private readonly guard: OnFault | null = null,
  ) {
    this.region = layout.region
  }

  attributes(node: TreeNode, ...classes: string[]): string {
    const kind = node.kind === 'element' ? node.type : node.kind
    const styles = cascade(this.layout.defaults[kind], node.styles)
    const rule = ruleOf(styles)
    for (const family of Object.values(styles.family ?? {})) this.families.add(String(family))
    if (rule) this.rules.set(rule.name, rule)
    const all = [...classes.map(classOf), ...(rule ? [rule.name] : [])]
    return (all.length ? ` class="${all.join(' ')}"` : '') + (this.ids ? ` data-node="${escapeHtml(node.id)}"` : '')
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
    this.personal ||= readsVisitor(Object.values(element.props))
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

function readsVisitor(values: readonly unknown[]): boolean {
  return values.some((value) => {
    if (typeof value !== 'object' || value === null) return false
    if (isFieldValue(value) && (value as { of: string }).of === 'visitor') return true
    return readsVisitor(Object.values(value as Record<string, Value>))
  })
}

/**
 * Compiles a layout once; the program then draws it for any page. Throws only when the layout breaks the
 * invariants of `checkLayout`.
 */
export function compileLayout(layout: Layout, options: CompileOptions = {}): Program {
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
    personal: compiler.personal,
  }
}
