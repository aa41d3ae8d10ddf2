import { type Family, familyNamed, fontFaceCss } from './fonts'
import { type HouseStyle, colourCss } from './house'
import { mediaOf } from './sheet'

/** The house style as custom properties. */
function variables(house: HouseStyle): string {
  const palette = house.palette.map((c) => `--c-${c.id}:${c.value}`).join(';')
  const sizes = house.headingSizes.map((s, i) => `--h${i + 1}:${s}px`).join(';')
  return (
    `:root{${palette};${sizes};--f-heading:${familyNamed(house.headingFamily).stack};` +
    `--f-text:${familyNamed(house.textFamily).stack};--w:${house.contentWidth}px;--g:${house.gap}px;` +
    `--e:${house.edge}px;--v:${house.flow}px;--r:${house.radius}px;--hw:${house.headingWeight};` +
    `--c-link:${colourCss(house.link)};--b-bg:${colourCss(house.button.background)};` +
    `--b-ink:${colourCss(house.button.colour)};--b-r:${house.button.radius}px}`
  )
}

const SPANS = Array.from({ length: 12 }, (_, i) => `.of-n${i + 1}{--n:${i + 1}}`).join('')

/** What every page needs: a small reset, the grid of rows and columns, links, the skip link. */
function skeleton(house: HouseStyle): string {
  return (
    '*,::before,::after{box-sizing:border-box}' +
    `html{-webkit-text-size-adjust:100%}body{margin:0;background:${colourCss(house.paper)};` +
    `color:${colourCss(house.ink)};font:${house.textSize}px/${house.lineHeight} var(--f-text);` +
    'min-height:100vh;display:flex;flex-direction:column}main{flex:1 0 auto}' +
    'h1,h2,h3,h4,p,ul,ol,figure,blockquote,dl,dd{margin:0}img{max-width:100%;height:auto;vertical-align:middle}' +
    'h1,h2,h3,h4{font-family:var(--f-heading);font-weight:var(--hw);line-height:1.15;text-wrap:balance;overflow-wrap:break-word}' +
    'h1{font-size:var(--h1)}h2{font-size:var(--h2)}h3{font-size:var(--h3)}h4{font-size:var(--h4)}' +
    'a{color:var(--c-link);text-underline-offset:.15em}a:focus-visible,button:focus-visible,input:focus-visible' +
    '{outline:2px solid currentColor;outline-offset:2px}' +
    '.of-skip{position:absolute;left:-999em}.of-skip:focus{left:8px;top:8px;z-index:9;background:#fff;color:#000;padding:8px}' +
    '.of-row{position:relative;isolation:isolate;margin-inline:auto;padding-inline:var(--e);' +
    'max-width:calc(var(--w) + 2*var(--e));width:100%;border:0 solid;display:flex;flex-direction:column}' +
    '.of-in{--gap:var(--g);display:flex;flex-wrap:wrap;gap:var(--gap);margin-inline:auto;width:100%;flex:1 0 auto;max-width:var(--w);--s:initial}' +
    ':where(.of-col)>.of-row{padding-inline:0;max-width:none}:where(.of-col)>.of-row>.of-in{max-width:none}' +
    '.of-col{position:relative;isolation:isolate;width:calc((100% + var(--gap))*var(--s,var(--n))/12 - var(--gap) - .02px);display:flex;flex-direction:column;' +
    'gap:var(--v);min-width:0;border:0 solid}:where(.of-col)>*{min-width:0;border:0 solid}' +
    SPANS +
    '.of-bg{position:absolute;inset:0;width:100%;height:100%;object-fit:cover;z-index:-1}' +
    '.of-sr{position:absolute;width:1px;height:1px;overflow:hidden;clip-path:inset(50%)}' +
    `${mediaOf('narrow')}{.of-in{--s:12;--gap:var(--v)}:root{--e:18px;` +
    `--h1:${Math.round(house.headingSizes[0] * 0.8)}px;--h2:${Math.round(house.headingSizes[1] * 0.85)}px}}`
  )
}

/** CSS that does not depend on the layouts of the page: fonts used, house style, skeleton. */
export function baseCss(house: HouseStyle, familiesUsed: Iterable<string>): string {
  const families = new Map<string, Family>()
  for (const name of [house.headingFamily, house.textFamily, ...familiesUsed]) {
    const family = familyNamed(name)
    families.set(family.name, family)
  }
  return [...families.values()].map(fontFaceCss).join('') + variables(house) + skeleton(house)
}
