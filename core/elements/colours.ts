import { type SiteStyle, colourHex, steppedAt } from '../styles'
import type { WidthStep, Styles, TreeNode } from '../tree'

/** What text stands on and is written in; `ground` is null where a picture or something see-through lies behind it. */
export interface Colours {
  ground: string | null
  ink: string
  link: string
}

/** What stands on the page itself. */
export function pageColours(house: SiteStyle): Colours {
  const hex = (colour: string) => colourHex(colour, house) ?? '#000000'
  return { ground: hex(house.paper), ink: hex(house.ink), link: hex(house.links.colour) }
}

const isClear = (hex: string): boolean => hex.length === 9 && !/ff$/i.test(hex)

/** What a thing with these looks stands on and is written in, where it stands. */
export function coloursIn(node: TreeNode, styles: Styles, around: Colours, step: WidthStep, house: SiteStyle): Colours {
  const colour = (name: string, before: string): string => {
    const own = steppedAt(styles[name], step)
    return own === undefined ? before : (colourHex(String(own), house) ?? before)
  }
  const ground = colour('background', around.ground ?? '')
  const picture =
    (node.kind === 'row' || node.kind === 'column') &&
    Object.values(node.props).some((v) => v !== null && v !== undefined)
  return {
    ground: picture || ground === '' || isClear(ground) ? null : ground,
    ink: colour('colour', around.ink),
    link: colour('linkColour', around.link),
  }
}
