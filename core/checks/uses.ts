import { type Design, type Referred, type Target, targetSpec } from '../frames'
import { fieldsNamed, seeNode } from '../elements'
import { isFieldTest } from '../conditions'
import { type Catalogue, type Entry, type Id, type MenuItem, isEmpty } from '../site'
import { type Layout, type TreeNode, walk } from '../tree'

/** A page type, one of its fields, or a taxonomy. */
export type Used = { kind: 'type'; id: Id } | { kind: 'field'; type: Id; id: Id } | { kind: 'taxonomy'; id: Id }

/** What would miss something that is taken away. */
export interface Uses {
  layouts: Id[]
  frames: Id[]
  menus: Id[]
  entries: number
}

/** Whether a thing in a layout names it, wherever in its values or in what it is shown for. */
function nodeNames(node: TreeNode, used: Used, pages: ReadonlySet<string>): boolean {
  if (used.kind === 'field') {
    const own = fieldsNamed(node).some(
      ({ of, via, field }) => (of === 'reference' ? via : of === 'page' && field) === used.id,
    )
    return own || (node.when ?? []).some((c) => isFieldTest(c) && c.field === used.id)
  }
  let found = false
  seeNode(node, {
    page: (page) => void (found ||= pages.has(page)),
    thing: (kind, id) => void (found ||= used.kind === 'type' && kind === 'type' && id === used.id),
    field: ({ of, via, field }) =>
      void (found ||= used.kind === 'taxonomy' && ((of === 'term' && via === used.id) || field === `terms:${used.id}`)),
  })
  return found
}

/** Whether a line of a frame refers to it. */
function targetNames(target: Target, used: Used): boolean {
  let found = false
  targetSpec(target).exchange(target, (what: Referred, id, type) => {
    if (what === used.kind && id === used.id && (used.kind !== 'field' || !type || type === used.type)) found = true
    return id
  })
  return found
}

/** The pages that go with it, by their keys. */
function pagesOf(used: Used, catalogue: Catalogue): ReadonlySet<string> {
  if (used.kind === 'field') return new Set()
  const pages = catalogue.pages.filter((p) => (used.kind === 'type' ? p.type : p.taxonomy) === used.id)
  return new Set([...pages.map((p) => p.key), ...(used.kind === 'type' ? [`archive:${used.id}`] : [])])
}

function entryUses(used: Used, catalogue: Catalogue): (entry: Entry) => boolean {
  if (used.kind === 'type') return (e) => e.type === used.id
  if (used.kind === 'field') return (e) => e.type === used.type && !isEmpty(e.fields[used.id])
  return (e) => e.terms.some((t) => catalogue.terms.get(t)?.taxonomy === used.id)
}

const itemLeads = (item: MenuItem, pages: ReadonlySet<string>): boolean =>
  (typeof item.link === 'object' && pages.has(item.link.page)) || item.items.some((i) => itemLeads(i, pages))

/** Everything that uses something of the structure of a site: asked before it is taken away. */
export function usesOf(used: Used, design: Design, catalogue: Catalogue): Uses {
  const pages = pagesOf(used, catalogue)
  const names = (layout: Layout) => [...walk(layout)].some((node) => nodeNames(node, used, pages))
  const uses = entryUses(used, catalogue)
  return {
    layouts: design.layouts.filter(names).map((l) => l.id),
    frames: design.frames
      .filter(
        (f) =>
          [...f.covers, ...f.except].some((t) => targetNames(t, used)) ||
          (used.kind === 'type' && f.offeredTo.includes(used.id)),
      )
      .map((f) => f.id),
    menus: catalogue.site.menus.filter((m) => m.items.some((i) => itemLeads(i, pages))).map((m) => m.id),
    entries: catalogue.site.entries.filter(uses).length,
  }
}
