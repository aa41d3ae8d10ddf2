import { before, withoutEnd } from '../text'
import { seeNode } from '../elements'
import type { DrawnTree } from '../layouts'
import { isMachineAddress } from '../machines'
import type { Catalogue } from '../catalogue'
import type { Entry, MenuItem } from '../model'
import { type RichNode, isRichDoc } from '../rich'
import { STUDIO_PARTS } from '../addresses'
import { walk } from '../tree'
import type { Finding } from './types'

/** Files and pictures are known by what stores them, and what is ours answers for itself. */
const ELSEWHERE = new RegExp(`^/(${['files', 'pictures', ...STUDIO_PARTS].join('|')})(/|$)`)

/** The path on this site that a typed link leads to, where no page stands and nothing leads on; else null. */
export function deadPath(link: string, catalogue: Catalogue): string | null {
  const { origin } = catalogue.site.settings
  const own = link.startsWith(`${origin}/`) ? link.slice(origin.length) : link
  if (!own.startsWith('/') || own.startsWith('//')) return null
  const typed = before(own, '?#')
  let path: string
  try {
    path = withoutEnd(decodeURI(typed), '/') || '/'
  } catch {
    return typed
  }
  if (ELSEWHERE.test(path)) return null
  const there = catalogue.pageAt(path) || isMachineAddress(catalogue, path) || catalogue.redirectOf(path) !== undefined
  return there ? null : path
}

/** Links that somebody typed in layouts and menus, to addresses of this site where nothing stands. */
export function checkDeadLinks(trees: readonly DrawnTree[], catalogue: Catalogue): Finding[] {
  const findings: Finding[] = []
  for (const tree of trees)
    for (const node of walk(tree)) {
      const dead = new Set<string>()
      seeNode(node, { address: (link) => void dead.add(deadPath(link, catalogue) ?? '') })
      for (const address of dead)
        if (address) findings.push({ kind: 'dead-link', address, layout: tree.id, node: node.id })
    }
  for (const menu of catalogue.site.menus) {
    const see = (items: readonly MenuItem[]): void => {
      for (const { link, items: below } of items) {
        const address = typeof link === 'string' ? deadPath(link, catalogue) : null
        if (address) findings.push({ kind: 'dead-link', address, menu: menu.id })
        see(below)
      }
    }
    see(menu.items)
  }
  return findings
}

/** The same of one entry: in its texts, and in its own fields that hold a link. */
export function deadLinksOf(entry: Pick<Entry, 'type' | 'content' | 'fields'>, catalogue: Catalogue): string[] {
  const found = new Set<string>()
  const note = (link: unknown): void => {
    const address = typeof link === 'string' ? deadPath(link, catalogue) : null
    if (address) found.add(address)
  }
  const see = (node: RichNode): void => {
    for (const mark of node.marks ?? []) if (mark.type === 'link') note(mark.attrs?.href)
    if (node.type === 'film') note(node.attrs?.address)
    node.content?.forEach(see)
  }
  const fields = catalogue.types.get(entry.type)?.fields ?? []
  for (const { id, kind } of fields) if (kind === 'link') note(entry.fields[id])
  for (const doc of [entry.content, ...fields.map(({ id }) => entry.fields[id])])
    if (isRichDoc(doc)) doc.content?.forEach(see)
  return [...found]
}
