import { PAGE_STYLES } from '../drawing'
import { ROW_PROPS, type Row } from '../tree'

/** What rows of a header do as the page is scrolled: it holds over what is set for them at rest. */

const STAYS = PAGE_STYLES.headerStays
const HIDES = PAGE_STYLES.headerHides
const OVER = PAGE_STYLES.headerOver
const TURNS = PAGE_STYLES.titleLines

/** The classes of such a row, the CSS that it needs, and whether it needs the script of headers. */
export function headerRow({ props, styles }: Row): { classes: string[]; css: string[]; script: boolean } {
  const over = props[ROW_PROPS.over] === true
  const hides = props[ROW_PROPS.hides] === true
  const turns = over || styles.scrolledBackground !== undefined || styles.scrolledColour !== undefined
  const stays = !over && (hides || styles.sticks !== undefined)
  const said: [boolean, string, string][] = [
    [stays, 'stays', STAYS],
    [hides, 'hides', HIDES],
    [over, 'over', OVER],
    [turns, 'turns', TURNS],
  ]
  const held = said.filter(([holds]) => holds)
  return { classes: held.map(([, name]) => name), css: held.map(([, , css]) => css), script: hides || turns }
}
