import { namedByLayout, namedByLook } from '../checks'
import { seeNode } from '../elements'
import type { Trees } from '../layouts'
import type { Id } from '../model'
import type { SiteStyle, NamedLook, PaletteColour } from '../styles'
import { type LayoutDocument, walk } from '../tree'

/** What some layouts take along that is no layout: named looks and colours of the house, and pictures. */
export interface Carried {
  looks: NamedLook[]
  colours: PaletteColour[]
  pictures: Set<Id>
}

/** What layouts need of the house style and of the content; `trees` has what they follow and the pieces in them. */
export function carriedBy(layouts: readonly LayoutDocument[], trees: Trees, house: SiteStyle): Carried {
  const drawn = layouts.map((layout) => trees.of(layout).tree)
  const named = new Set(drawn.flatMap((tree) => [...namedByLayout(tree)]))
  const looks = house.looks.filter((look) => named.has(`look ${look.id}`))
  for (const look of looks) for (const name of namedByLook(look)) named.add(name)
  const pictures = new Set<Id>()
  const thing = (kind: string, id: Id) => void (kind === 'picture' && pictures.add(id))
  for (const tree of drawn) for (const node of walk(tree)) seeNode(node, { thing })
  return { looks, colours: house.palette.filter((c) => named.has(`colour ${c.id}`)), pictures }
}
