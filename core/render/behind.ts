import { PAGE_STYLES, type Chunk, type Scene, escapeHtml, img, pictureAddress, pictureOf } from '../drawing'
import { type Column, type Item, ROW_PROPS, type Row, type Value } from '../tree'

/** What lies behind the things of a row or a column: a picture, one that repeats, or several in turn. */

export interface Behind {
  chunk: Chunk
  /** CSS that it needs; none of it where nothing lies there. */
  css: readonly string[]
}

interface How {
  eager: boolean
  sizes: string
}

/** How long each of several is seen, and how long one gives way to the next, in seconds. */
const SEEN = 6
const FADE = 1

const percent = (part: number): string => `${Math.round(part * 10_000) / 100}%`

/** For so many pictures: each is seen in its turn. Who asks for rest sees the first, and anybody can stop them. */
function turnCss(count: number): string {
  const whole = count * SEEN
  const [fade, turn] = [FADE / whole, SEEN / whole]
  const delays = Array.from(
    { length: count },
    (_, i) => `.of-turn-${count} img:nth-of-type(${i + 1}){animation-delay:${i * SEEN - FADE}s}`,
  )
  return (
    `@keyframes of-turn-${count}{0%,100%{opacity:0}${percent(fade)},${percent(turn)}{opacity:1}${percent(turn + fade)}{opacity:0}}` +
    `.of-turn-${count} img{opacity:0;animation:of-turn-${count} ${whole}s infinite}${delays.join('')}`
  )
}

const TURNS = PAGE_STYLES.picturesBehind

const plain = (html: string): string => html && `<div class="of-bg">${html}</div>`

/** A picture side by side with itself, as large as it is, in a pattern: no more of it is sent. */
function tiled(value: Value, id: string, scene: Scene): string {
  const picture = pictureOf(value, scene)
  if (!picture) return ''
  const [width, height] = [picture.width, picture.height]
  const size = `width="${width}" height="${height}"`
  const name = `of-t-${escapeHtml(id)}`
  return plain(
    `<svg width="100%" height="100%" aria-hidden="true"><defs><pattern id="${name}" ${size} patternUnits="userSpaceOnUse">` +
      `<image href="${escapeHtml(pictureAddress(picture))}" ${size}/></pattern></defs>` +
      `<rect width="100%" height="100%" fill="url(#${name})"/></svg>`,
  )
}

function inTurn(items: readonly Item[], scene: Scene, { eager, sizes }: How): string {
  const pictures = items.flatMap(({ props }) => pictureOf(props.picture ?? null, scene) ?? [])
  // One file each: what is fetched as several kinds stands in elements of its own, and has no place in a row of others.
  const drawn = pictures.map((picture, i) =>
    img({ ...picture, widths: undefined }, '', { eager: eager && i === 0, sizes }),
  )
  if (drawn.length === 0) return ''
  if (drawn.length === 1) return plain(drawn[0]!)
  const stop = '<details class="of-stop"><summary aria-label="Stop the pictures behind"></summary></details>'
  return `<div class="of-bg of-turns-behind of-turn-${drawn.length}">${drawn.join('')}</div>${stop}`
}

/** What lies behind a row or a column. */
export function behindOf(node: Row | Column, how: How): Behind {
  const slides = node.props[ROW_PROPS.slides]
  if (Array.isArray(slides) && slides.length > 0) {
    const counts = Array.from({ length: Math.max(0, slides.length - 1) }, (_, i) => turnCss(i + 2))
    return { chunk: (scene) => inTurn(slides, scene, how), css: slides.length > 1 ? [TURNS, ...counts] : [] }
  }
  const value = node.props[ROW_PROPS.picture]
  if (value === undefined || value === null) return { chunk: '', css: [] }
  if (node.props[ROW_PROPS.repeats] === true) return { chunk: (scene) => tiled(value, node.id, scene), css: [] }
  return {
    chunk: (scene) => {
      const picture = pictureOf(value, scene)
      return picture ? plain(img(picture, '', how)) : ''
    },
    css: [],
  }
}
