/** Rich text as a tree of nodes; `core/drawing/rich.ts` draws its nodes. */
export interface RichDoc {
  type: 'doc'
  content?: RichNode[]
}

export interface RichNode {
  type: string
  attrs?: Record<string, unknown>
  content?: RichNode[]
  marks?: { type: string; attrs?: Record<string, unknown> }[]
  text?: string
}
