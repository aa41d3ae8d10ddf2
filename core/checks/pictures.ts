import { seeNode } from '../elements'
import type { Design } from '../design'
import { treesOf } from '../layouts'
import type { Catalogue } from '../catalogue'
import type { Id } from '../model'
import { type TreeNode, childrenOf } from '../tree'

/** Pictures that the design, terms, people or settings show; which entries do is known by the database. */
export function picturesUsed(design: Design, { site }: Catalogue): Set<Id> {
  const { settings, terms, people } = site
  const found = new Set<Id>([settings.logo, settings.fallbackPicture].filter((id): id is Id => id !== null))
  for (const { picture } of [...terms, ...people]) if (picture) found.add(picture)
  for (const layout of design.layouts)
    for (const row of treesOf(design).of(layout).tree.children)
      eachNode(row, 1, (node) => seeNode(node, { thing: (kind, id) => void (kind === 'picture' && found.add(id)) }))
  return found
}

function eachNode(node: TreeNode, share: number, see: (node: TreeNode, share: number) => void): void {
  see(node, share)
  const within = node.kind === 'column' ? (share * node.span) / 12 : share
  for (const child of childrenOf(node)) eachNode(child, within, see)
}

/** Behind a row or a column a picture is as wide as a usual screen. */
const SCREEN = 1440

/** How wide, in CSS pixels, pictures are shown at most: those that layouts name, and those that lead entries. */
export function drawnWidths(design: Design, catalogue: Catalogue): Map<Id, number> {
  const found = new Map<Id, number>()
  const note = (id: Id, width: number) => found.set(id, Math.max(found.get(id) ?? 0, Math.round(width)))
  const { contentWidth } = design.house
  let lead = 0
  for (const layout of design.layouts)
    for (const row of treesOf(design).of(layout).tree.children)
      eachNode(row, 1, (node, share) => {
        const behind = node.kind === 'row' || node.kind === 'column'
        const width = behind ? SCREEN * share : contentWidth * share
        seeNode(node, { thing: (kind, id) => void (kind === 'picture' && note(id, width)) })
        if (node.kind === 'element' && node.type === 'lead-picture' && layout.region !== 'card')
          lead = Math.max(lead, width)
      })
  if (lead > 0) for (const { picture } of catalogue.site.entries) if (picture) note(picture, lead)
  // Drawings are sharp at every size.
  for (const { id, fileName } of catalogue.site.pictures) if (/\.svg$/i.test(fileName)) found.delete(id)
  return found
}
