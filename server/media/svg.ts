import { parseHTML } from 'linkedom'
import sanitize from 'sanitize-html'
import { without } from '../../core/text'
import { behindDoctype } from './judge'

/** Drawings: cleaned of all that runs, and of all that is fetched from elsewhere. */

const TAGS =
  'svg g defs symbol use title desc path rect circle ellipse line polyline polygon text tspan textPath image ' +
  'linearGradient radialGradient stop clipPath mask pattern marker style filter feBlend feColorMatrix ' +
  'feComponentTransfer feComposite feConvolveMatrix feDiffuseLighting feDisplacementMap feDistantLight feDropShadow ' +
  'feFlood feFuncA feFuncB feFuncG feFuncR feGaussianBlur feMerge feMergeNode feMorphology feOffset fePointLight ' +
  'feSpecularLighting feSpotLight feTile feTurbulence'

/** What a drawing may refer to: something in itself, or a picture that is written out in it. */
const OWN = /^(#|data:image\/(png|jpe?g|webp|gif);base64,[a-z0-9+/=\s]*$)/i
/** What a reference within `url()` may begin with: something in the drawing, or a picture that is written out in it. */
const REACHED = /^["']?(#|data:image\/(png|jpe?g|webp|gif);base64,)/i

/** Whether a style reaches for anything outside of the drawing. */
function reaches(text: string): boolean {
  const plain = text.replace(/\s+/g, '').toLowerCase()
  for (let at = plain.indexOf('url('); at >= 0; at = plain.indexOf('url(', at + 1))
    if (!REACHED.test(plain.slice(at + 4, at + 40))) return true
  return false
}
/** What runs or loads by other names; anything escaped could be any of them. */
const RUNS = /@import|@font-face|@namespace|image-set\(|expression\(|javascript:|behavior:|src\(|\\|\/\*/i
const runs = (text: string): boolean => RUNS.test(text.replace(/\s+/g, ''))

function isKept(name: string, value: string): boolean {
  const plain = name.toLowerCase()
  if (plain.startsWith('on') || !/^[a-z][a-z0-9_:-]*$/i.test(name)) return false
  if (plain === 'href' || plain === 'xlink:href') return OWN.test(value.trim())
  if (plain.startsWith('xmlns')) return /^http:\/\/www\.w3\.org\/(2000\/svg|1999\/xlink)$/.test(value)
  return !reaches(value) && !runs(value)
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
  return /^[\d.]+(px)?$/.test((text ?? '').replace(/\s+/g, '')) && number >= 1 && number <= 100_000 ? number : 0
}

/** A drawing has at most one document type, before its root. */
function withoutDoctype(text: string): string {
  const at = text.search(/<!doctype/i)
  const behind = at < 0 ? -1 : behindDoctype(text, at)
  return behind < 0 ? text : text.slice(0, at) + text.slice(behind)
}

/** A drawing without anything that could run or load, and its size in CSS pixels; null when nothing is left of it. */
export function cleanSvg(text: string): CleanSvg | null {
  const plain = without(withoutDoctype(text.replace(/^\ufeff/, '')), '<?', '?>')
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
  svg.replace(/<style[^<>]*>([^<]*)<\/style>/gi, (whole, text: string) =>
    reaches(text) || runs(text) || text.includes('<') ? '' : whole,
  )

/** A drawing in a file of its own says in which language it is written. */
function named(svg: string): string {
  const open = /^<svg[^>]*>/.exec(svg)?.[0] ?? ''
  const own = open.includes('xmlns="') ? '' : ' xmlns="http://www.w3.org/2000/svg"'
  const links = /xlink:/.test(svg) && !open.includes('xmlns:xlink') ? ' xmlns:xlink="http://www.w3.org/1999/xlink"' : ''
  return `<svg${own}${links}${svg.slice('<svg'.length)}`
}

const clamp = (n: number): number => Math.min(100_000, Math.max(1, Math.round(n)))
