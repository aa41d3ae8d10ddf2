import { type Family, facesFor, familyNamed, familyStack, fontFaceCss } from './fonts'
import type { Letters } from './letters'
import { type SiteStyle, type PaletteColour, SCALE_STEPS, colourCss, sizeOf } from './house'
import { mediaOf } from './sheet'

/** The palette as custom properties; `of` says which of its two colours. */
const paletteCss = ({ palette }: SiteStyle, of: (c: PaletteColour) => string): string =>
  palette.map((c) => `--c-${c.id}:${of(c)}`).join(';')

/** Colours for those who see it dark: everybody, or those whose system is. */
function darkCss(house: SiteStyle): string {
  if (house.dark === 'never') return ''
  const css = `:root{${paletteCss(house, (c) => c.dark ?? c.value)};color-scheme:dark}`
  return house.dark === 'always' ? css : `@media (prefers-color-scheme:dark){${css}}`
}

/** What is written only where it is said; what uses it knows what to do without. */
function optional({ tables, quotes }: SiteStyle): string {
  const said = { 't-edge': tables.edge, 't-head': tables.head, 't-stripe': tables.stripe, 'q-edge': quotes.edge }
  const colours = Object.entries(said).map(([name, colour]) => (colour ? `;--${name}:${colourCss(colour)}` : ''))
  return colours.join('') + (quotes.slanted ? '' : ';--q-style:normal')
}

/** The house style as custom properties. */
function variables(house: SiteStyle): string {
  const steps = SCALE_STEPS.map((step) => `--${step}:${sizeOf(house, step)}px`)
  const sizes = [`--text:${house.textSize}px`, ...steps].join(';')
  const { links, fields } = house
  return (
    `:root{${paletteCss(house, (c) => c.value)};${sizes};--f-heading:${familyStack(house.headingFamily)};` +
    `--f-text:${familyStack(house.textFamily)};--f-interface:${familyStack(house.interfaceFamily)};` +
    `--w:${house.contentWidth}px;--g:${house.gap}px;--e:${house.edge}px;--v:${house.flow}px;--r:${house.radius}px;` +
    `--hw:${house.headingWeight};--c-link:${colourCss(links.colour)};--i-bg:${colourCss(fields.background)};` +
    `--i-ink:${colourCss(fields.colour)};--i-edge:${colourCss(fields.edge)};--i-r:${fields.radius}px` +
    `${optional(house)}}${darkCss(house)}`
  )
}

/** Links, which every element may colour anew: nothing here is stronger than a class. */
function linkCss({ links }: SiteStyle): string {
  const { line, hover, visited } = links
  return (
    `:where(a){color:var(--c-link);text-underline-offset:.15em${line === 'always' ? '' : ';text-decoration:none'}}` +
    (visited ? `:where(a:visited){color:${colourCss(visited)}}` : '') +
    (hover ? `:where(a:hover){color:${colourCss(hover)}}` : '') +
    (line === 'hover' ? ':where(a:hover){text-decoration:underline}' : '')
  )
}

const SPANS = Array.from({ length: 12 }, (_, i) => `.of-n${i + 1}{--n:${i + 1}}`).join('')

/** On paper words are black on white, whatever they are on a screen: browsers print no grounds, and light words vanish. */
const PRINT =
  '@media print{html{color-scheme:light!important}*,::before,::after{color:#000!important;' +
  'background-color:transparent!important;text-shadow:none!important;box-shadow:none!important}.of-bg{display:none}}'

/** What every page needs: a small reset, the grid of rows and columns, links, the skip link. */
function skeleton(house: SiteStyle): string {
  return (
    '*,::before,::after{box-sizing:border-box}' +
    `html{-webkit-text-size-adjust:100%}body{margin:0;background:${colourCss(house.paper)};` +
    `color:${colourCss(house.ink)};font:${house.textSize}px/${house.lineHeight} var(--f-text);` +
    'min-height:100vh;display:flex;flex-direction:column}main{flex:1 0 auto}' +
    'h1,h2,h3,h4,p,ul,ol,figure,blockquote,dl,dd{margin:0}img{max-width:100%;height:auto;vertical-align:middle}' +
    'h1,h2,h3,h4{font-family:var(--f-heading);font-weight:var(--hw);line-height:1.15;text-wrap:balance;overflow-wrap:break-word}' +
    'h1{font-size:var(--h1)}h2{font-size:var(--h2)}h3{font-size:var(--h3)}h4{font-size:var(--h4)}' +
    linkCss(house) +
    (house.interfaceFamily === house.textFamily
      ? ''
      : ':where(nav,button,label,.of-btn){font-family:var(--f-interface)}') +
    ':where(a,button,input,select,textarea,summary,[tabindex]):focus-visible' +
    '{outline:2px solid currentColor;outline-offset:2px}' +
    '.of-skip{position:absolute;left:-999em}.of-skip:focus{left:8px;top:8px;z-index:9;background:#fff;color:#000;padding:8px}' +
    '.of-row{position:relative;isolation:isolate;margin-inline:auto;padding-inline:var(--e);' +
    'max-width:calc(var(--w) + 2*var(--e));width:100%;border:0 solid;display:flex;flex-direction:column}' +
    '.of-in{--gap:var(--g);display:flex;flex-wrap:wrap;gap:var(--gap);margin-inline:auto;width:100%;flex:1 0 auto;max-width:var(--w);--s:initial;--cw:initial}' +
    ':where(.of-col)>.of-row{padding-inline:0;max-width:none}:where(.of-col)>.of-row>.of-in{max-width:none}' +
    '.of-col{position:relative;isolation:isolate;width:var(--cw,calc((100% + var(--gap))*var(--s,var(--n))/12 - var(--gap) - .02px));display:flex;flex-direction:column;' +
    'gap:var(--v);min-width:0;border:0 solid}:where(.of-col)>*{min-width:0;border:0 solid}' +
    SPANS +
    '.of-bg{position:absolute;inset:0;z-index:-1;overflow:clip}.of-bg img{position:var(--bp,absolute);inset:0;width:100%;height:var(--bh,100%);object-fit:var(--bf,cover)}' +
    '.of-bg::after{content:"";position:absolute;inset:0;background:linear-gradient(90deg,var(--tint,transparent),var(--tint-to,var(--tint,transparent)))}' +
    '.of-sr{position:absolute;width:1px;height:1px;overflow:hidden;clip-path:inset(50%)}' +
    PRINT +
    '@media (prefers-reduced-motion:reduce){*,::before,::after{transition:none!important;animation:none!important}}' +
    `${mediaOf('narrow')}{.of-in{--s:12;--gap:var(--v)}:root{--e:18px;` +
    `--h1:${Math.round(sizeOf(house, 'h1') * 0.8)}px;--h2:${Math.round(sizeOf(house, 'h2') * 0.85)}px}}`
  )
}

/** The files that every page of a house needs at once: the upright faces of its headings and its text. */
export function fontsAtOnce(house: SiteStyle, letters: readonly Letters[]): string[] {
  const families = new Set([familyNamed(house.textFamily, house), familyNamed(house.headingFamily, house)])
  // Rare letters are fetched when one is met.
  const usual = letters.filter((subset) => !subset.endsWith('-ext'))
  return [...families].flatMap((family) => {
    const upright = facesFor(family, usual).filter((f) => f.style === 'normal')
    // One's own family has its weights in files of their own: the first alone.
    return (family.kind === 'own' ? upright.slice(0, 1) : upright).map((f) => f.address)
  })
}

/** CSS that does not depend on the layouts of the page: fonts used, house style, skeleton. */
export function baseCss(house: SiteStyle, familiesUsed: Iterable<string>, letters: readonly Letters[]): string {
  const families = new Map<string, Family>()
  for (const name of [house.headingFamily, house.textFamily, house.interfaceFamily, ...familiesUsed]) {
    const family = familyNamed(name, house)
    families.set(family.stack, family)
  }
  const faces = [...families.values()].map((family) => fontFaceCss(family, letters))
  return faces.join('') + variables(house) + skeleton(house)
}
