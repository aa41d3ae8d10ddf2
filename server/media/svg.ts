import { parseHTML } from 'linkedom'
import sanitize from 'sanitize-html'

/** Drawings: cleaned of all that runs, and of all that is fetched from elsewhere. */

const TAGS =
  'svg g defs symbol use title desc path rect circle ellipse line polyline polygon text tspan textPath image ' +
  'linearGradient radialGradient stop clipPath mask pattern marker style filter feBlend feColorMatrix ' +
  'feComponentTransfer feComposite feConvolveMatrix feDiffuseLighting feDisplacementMap feDistantLight feDropShadow ' +
  'feFlood feFuncA feFuncB feFuncG feFuncR feGaussianBlur feMerge feMergeNode feMorphology feOffset fePointLight ' +
  'feSpecularLighting feSpotLight feTile feTurbulence'

/** What a drawing may refer to: something in itself, or a picture that is written out in it. */
const OWN = /^(#|data:image\/(png|jpe?g|webp|gif);base64,[a-z0-9+/=\s]*$)/i
const REACHES = /url\(\s*["']?\s*(?!["']?\s*(#|data:image\/(png|jpe?g|webp|gif);base64,))/i
const RUNS = /@import|@font-face|expression\s*\(|javascript:|behavior\s*:|\\/i

function isKept(name: string, value: string): boolean {
  const plain = name.toLowerCase()
  if (plain.startsWith('on') || !/^[a-z][a-z0-9_:-]*$/i.test(name)) return false
  if (plain === 'href' || plain === 'xlink:href') return OWN.test(value.trim())
  if (plain.startsWith('xmlns')) return /^http:\/\/www\.w3\.org\/(2000\/svg|1999\/xlink)$/.test(value)
  return !REACHES.test(value) && !RUNS.test(value)
}

const OPTIONS: sanitize.IOptions = {
  allowedTags: TAGS.split(' '),
  allowedAttributes: false,
  allowedSchemes: ['data', 'http'],
  // What styles say is judged by `isKept` and `withoutReaching`.
  allowVulnerableTags: true,
  parseStyleAttributes: false,
  parser: { xmlMode: true, lowerCaseTags: false, lowerCaseAttributeNames: false },
  nonTextTags: ['script', 'foreignObject', 'iframe', 'object', 'embed', 'textarea', 'option', 'noscript'],
  transformTags: {
    '*': (tagName, attribs) => ({
      tagName,
      attribs: Object.fromEntries(Object.entries(attribs).filter(([name, value]) => isKept(name, value))),
    }),
  },
}

export interface CleanSvg {
  svg: string
  width: number
  height: number
}

/** What is asked of a drawing's root; the platform of the server has no documents of its own. */
interface Root {
  getAttribute(name: string): string | null
}

const rootOf = (svg: string): Root | null => {
  const parsed: unknown = parseHTML(
    `<!doctype html><html><body>${/^<svg[^>]*>/.exec(svg)?.[0] ?? ''}</svg></body></html>`,
  )
  return (parsed as { document: { querySelector(selector: string): Root | null } }).document.querySelector('svg')
}

const numberOf = (text: string | null): number => {
  const number = parseFloat(text ?? '')
  return /^\s*[\d.]+\s*(px)?\s*$/.test(text ?? '') && number >= 1 && number <= 100_000 ? number : 0
}

/** A drawing without anything that could run or load, and its size in CSS pixels; null when nothing is left of it. */
export function cleanSvg(text: string): CleanSvg | null {
  const plain = text
    .replace(/^\ufeff/, '')
    .replace(/<!doctype[^>[]*(\[[\s\S]*?\])?[^>]*>/gi, '')
    .replace(/<\?[\s\S]*?\?>/g, '')
  const clean = withoutReaching(sanitize(plain, OPTIONS))
  const start = clean.search(/<svg[\s/>]/)
  if (start < 0) return null
  const svg = clean.slice(start).trim()
  const root = rootOf(svg)
  const box = (root?.getAttribute('viewBox') ?? root?.getAttribute('viewbox') ?? '')
    .trim()
    .split(/[\s,]+/)
    .map(Number)
  const [, , boxWidth = 0, boxHeight = 0] = box.length === 4 && box.every(Number.isFinite) ? box : []
  const width = numberOf(root?.getAttribute('width') ?? null) || boxWidth || 800
  const height = numberOf(root?.getAttribute('height') ?? null) || boxHeight || 600
  return { svg: named(svg), width: clamp(width), height: clamp(height) }
}

/** Style sheets that reach for anything outside of the drawing go as a whole. */
const withoutReaching = (svg: string): string =>
  svg.replace(/<style[^>]*>([\s\S]*?)<\/style>/gi, (whole, text: string) =>
    REACHES.test(text) || RUNS.test(text) || text.includes('<') ? '' : whole,
  )

/** A drawing in a file of its own says in which language it is written. */
function named(svg: string): string {
  const open = /^<svg[^>]*>/.exec(svg)?.[0] ?? ''
  const own = open.includes('xmlns="') ? '' : ' xmlns="http://www.w3.org/2000/svg"'
  const links = /xlink:/.test(svg) && !open.includes('xmlns:xlink') ? ' xmlns:xlink="http://www.w3.org/1999/xlink"' : ''
  return `<svg${own}${links}${svg.slice('<svg'.length)}`
}

const clamp = (n: number): number => Math.min(100_000, Math.max(1, Math.round(n)))
