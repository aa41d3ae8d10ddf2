import { ROW_PROPS, type Row } from '../tree'

/** What rows of a header do as the page is scrolled: it holds over what is set for them at rest. */

const STAYS = 'header:has(>.of-stays){display:contents}header>.of-stays{z-index:3}'
const HIDES =
  'header>.of-hides{position:sticky;top:0;transition:translate .2s}.of-hides.of-away:not(:focus-within){translate:0 -100%}'
const OVER =
  'header:has(>.of-over){position:relative;z-index:3}header>.of-row.of-over{position:absolute!important;inset-inline:0;z-index:3}' +
  'header>.of-row.of-over.of-fixed{position:fixed!important;top:0}'
const TURNS =
  '.of-row.of-scrolled{background-color:var(--sb,var(--c-paper))!important;color:var(--sc,var(--c-ink))!important}'

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
