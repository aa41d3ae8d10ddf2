import type { Chunk } from '../drawing'
import type { Layout, TreeNode } from '../tree'
import type { Needs } from './needs'

/** Single nodes as they were compiled, kept for as long as they stand as they are. */

/** One row, column or element with all that stands in it, compiled. */
export interface NodeProgram extends Readonly<Needs> {
  chunk: Chunk
}

export type Programs = WeakMap<TreeNode, NodeProgram>

/** What a node comes to depends on itself, on what is given where it stands, and on what it is drawn for. */
const KEPT = new WeakMap<Layout['defaults'], Map<string, Programs>>()

export function keptFor(defaults: Layout['defaults'], use: string): Programs {
  let byUse = KEPT.get(defaults)
  if (!byUse) KEPT.set(defaults, (byUse = new Map()))
  let kept = byUse.get(use)
  if (!kept) byUse.set(use, (kept = new WeakMap()))
  return kept
}
