import { treesOf } from '../layouts'
import type { Design } from '../design'
import { type Referred, type Target, targetSpec } from '../targets'
import { entryFieldsNamed, fieldsNamed, seeNode } from '../elements'
import { type TermTest, isFieldTest, isTermTest } from '../conditions'
import { type Catalogue, TERMS } from '../catalogue'
import { isEmpty, type ReferredKind, refersTo } from '../fields'
import type { Entry, Id, MenuItem } from '../model'
import { richPictures } from '../rich'
import { type Layout, type TreeNode, walk } from '../tree'
import { soldBy } from './selling'

/** A page type, one of its fields, a taxonomy, a term, a person or a picture. */
export type Used =
  | { kind: 'type' | 'taxonomy' | 'term' | 'person' | 'picture' | 'entry' | 'menu'; id: Id }
  | { kind: 'field'; type: Id; id: Id }

/** What would miss something that is taken away. */
export interface Uses {
  layouts: Id[]
  frames: Id[]
  menus: Id[]
  entries: number
  /** Whether programs are told something from it. */
  told: boolean
  /** Whether entries of its page type are sold by it. */
  sold: boolean
}

/** What a condition of a list may ask for by its id. */
const REFERRED: ReadonlySet<Used['kind']> = new Set(['term', 'person', 'entry'])

const termTestNames = ({ taxonomy, terms }: TermTest, { kind, id }: Used): boolean =>
  kind === 'taxonomy' ? taxonomy === id : kind === 'term' && terms.includes(id)

/** Whether a thing in a layout names it, wherever in its values or in what it is shown for. */
function nodeNames(node: TreeNode, used: Used, pages: ReadonlySet<string>): boolean {
  if (used.kind === 'field') {
    const own = fieldsNamed(node).some(
      ({ of, via, field, format }) =>
        (of === 'reference' ? via : of === 'page' && field) === used.id || (of === 'page' && format?.until === used.id),
    )
    return (
      own ||
      entryFieldsNamed(node).includes(used.id) ||
      (node.when ?? []).some((c) => isFieldTest(c) && c.field === used.id)
    )
  }
  let found = (node.when ?? []).filter(isTermTest).some((c) => termTestNames(c, used))
  seeNode(node, {
    page: (page) => void (found ||= pages.has(page)),
    entryValue: (value) => void (found ||= REFERRED.has(used.kind) && value === used.id),
    entryField: (field) => void (found ||= used.kind === 'taxonomy' && field === `terms:${used.id}`),
    thing: (kind, id) => void (found ||= used.kind === kind && id === used.id),
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

/** What of a page says that it goes with something of each kind. */
const GOES_WITH: Partial<Record<Used['kind'], 'type' | 'taxonomy' | 'term' | 'person' | 'entry'>> = {
  type: 'type',
  taxonomy: 'taxonomy',
  term: 'term',
  person: 'person',
  entry: 'entry',
}

/** The pages that go with it, by their keys. */
function pagesOf(used: Used, catalogue: Catalogue): ReadonlySet<string> {
  const by = GOES_WITH[used.kind]
  if (!by) return new Set()
  const pages = catalogue.pages.filter((p) => p[by] === used.id)
  return new Set([...pages.map((p) => p.key), ...(used.kind === 'type' ? [`archive:${used.id}`] : [])])
}

/** Whether an entry refers to something by one of its own fields. */
function refers(entry: Entry, what: ReferredKind, id: Id, catalogue: Catalogue): boolean {
  const fields = catalogue.types.get(entry.type)?.fields ?? []
  return fields.some((field) => refersTo(field.kind, entry.fields[field.id], what, id))
}

function entryUses(used: Used, catalogue: Catalogue): (entry: Entry) => boolean {
  switch (used.kind) {
    case 'type':
      return (e) => e.type === used.id
    case 'field':
      return (e) => e.type === used.type && !isEmpty(e.fields[used.id])
    case 'taxonomy':
      return (e) => e.terms.some((t) => catalogue.terms.get(t)?.taxonomy === used.id)
    case 'term':
      return (e) => e.terms.includes(used.id)
    case 'person':
      return (e) => e.person === used.id || refers(e, 'person', used.id, catalogue)
    case 'picture':
      return (e) =>
        e.picture === used.id ||
        refers(e, 'picture', used.id, catalogue) ||
        (e.content !== null && richPictures(e.content).includes(used.id))
    case 'entry':
      return (e) => e.parent === used.id || refers(e, 'entry', used.id, catalogue)
    case 'menu':
      return () => false
  }
}

const itemLeads = (item: MenuItem, pages: ReadonlySet<string>): boolean =>
  (typeof item.link === 'object' && pages.has(item.link.page)) || item.items.some((i) => itemLeads(i, pages))

/** Whether a page type says that programs are told something from it. */
function isTold(used: Used, { site }: Catalogue): boolean {
  const names = used.kind === 'field' ? used.id : used.kind === 'taxonomy' ? TERMS + used.id : null
  const types = used.kind === 'field' ? site.types.filter((t) => t.id === used.type) : site.types
  return names !== null && types.some((t) => Object.values(t.tells?.from ?? {}).includes(names))
}

/** Whether entries of a page type are sold by one of its fields. */
function isSoldBy(used: Used, { types }: Catalogue): boolean {
  const type = used.kind === 'field' ? types.get(used.type) : undefined
  return type !== undefined && soldBy(type).some(([, field]) => field === used.id)
}

/** Everything that uses something of the structure of a site: asked before it is taken away. */
export function usesOf(used: Used, design: Design, catalogue: Catalogue): Uses {
  const pages = pagesOf(used, catalogue)
  const names = (layout: Layout) => [...walk(layout)].some((node) => nodeNames(node, used, pages))
  const uses = entryUses(used, catalogue)
  return {
    layouts: design.layouts.filter((l) => names(treesOf(design).of(l).tree)).map((l) => l.id),
    frames: design.frames
      .filter(
        (f) =>
          [...f.covers, ...f.except].some((t) => targetNames(t, used)) ||
          (used.kind === 'type' && f.offeredTo.includes(used.id)),
      )
      .map((f) => f.id),
    menus: catalogue.site.menus.filter((m) => m.items.some((i) => itemLeads(i, pages))).map((m) => m.id),
    entries: catalogue.site.entries.filter(uses).length,
    told: isTold(used, catalogue),
    sold: isSoldBy(used, catalogue),
  }
}
